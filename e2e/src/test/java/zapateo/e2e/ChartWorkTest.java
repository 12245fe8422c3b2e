package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.button;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Work on the chart: by text, on the sheet, by ear, in another key, from a file. */
class ChartWorkTest {

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static Page open(String chart) {
        Page page = STAGE.page();
        page.navigate("/songs/" + Stage.newSong(chart, "held") + "/chart");
        page.locator("[data-bar]").first().waitFor();
        return page;
    }

    private static Locator bar(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator text(Page page) {
        return page.getByLabel("Chart text").and(page.getByRole(AriaRole.TEXTBOX));
    }

    @Test
    void what_is_typed_as_text_stands_on_the_sheet_with_degrees_repeats_and_words() {
        Page page = open("| C |");
        text(page).fill("Title: Typed\nKey: C\n[A]\n|: C | A7 :| x3\nWords: one | two\n[A] again\n| Dm7 |");
        assertThat(bar(page, "Bar 2: A7")).isVisible();
        assertThat(bar(page, "Bar 2: A7")).containsText("V7/ii");
        assertThat(bar(page, "Bar 2: A7")).containsText("×3");
        assertThat(page.getByText("two", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(page.getByText("A once more, but it ends:")).isVisible();
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Degrees"))
                .selectOption("numbers");
        assertThat(bar(page, "Bar 2: A7")).containsText("5⁷/2m");
    }

    @Test
    void text_and_sheet_are_in_step() {
        Page page = open("Key: C\n| C | Am |\n| F | G7 |");
        text(page).click();
        page.evaluate("() => { const area = document.querySelector('textarea'); const at = area.value.indexOf('F '); "
                + "area.setSelectionRange(at, at); area.click(); }");
        assertThat(bar(page, "Bar 3: F")).hasAttribute("aria-pressed", "true");
        bar(page, "Bar 2: Am").click();
        assertThat(page.locator("[data-chosen]")).hasText("Am");
        assertThat(page.getByLabel("The chosen bar")).containsText("Bar 2");
        assertThat(page.getByLabel("The chosen bar")).containsText("vi");
    }

    @Test
    void a_bar_is_typed_into_on_the_sheet_and_all_of_it_is_undone_step_by_step() {
        Page page = open("// kept\n| C | F | G7 | C |");
        bar(page, "Bar 2: F").click();
        page.keyboard().type("Dm7");
        page.keyboard().press("Enter");
        assertThat(text(page)).hasValue("// kept\n| C | Dm7 | G7 | C |");
        assertThat(bar(page, "Bar 3: G7")).hasAttribute("aria-pressed", "true");
        page.keyboard().press("Delete");
        assertThat(text(page)).hasValue("// kept\n| C | Dm7 | C |");
        page.keyboard().press("Control+d");
        assertThat(text(page)).hasValue("// kept\n| C | Dm7 | C | C |");
        bar(page, "Bar 1: C").click();
        page.keyboard().press("Alt+ArrowRight");
        assertThat(text(page)).hasValue("// kept\n| Dm7 | C | C | C |");
        for (int step = 0; step < 4; step++) {
            page.keyboard().press("Control+z");
        }
        assertThat(text(page)).hasValue("// kept\n| C | F | G7 | C |");
    }

    @Test
    void a_chord_is_dragged_to_another_beat_and_moved_by_keys() {
        Page page = open("| C F |");
        Locator chord = bar(page, "Bar 1: C, F").locator("span.cursor-grab").nth(1);
        double width = bar(page, "Bar 1: C, F").boundingBox().width;
        double x = chord.boundingBox().x + 6;
        double y = chord.boundingBox().y + 10;
        page.mouse().move(x, y);
        page.mouse().down();
        page.mouse().move(x + width / 8, y, new Mouse.MoveOptions().setSteps(4));
        page.mouse().move(x + width / 4, y, new Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(text(page)).hasValue("| C . . F |");
        page.locator("span.cursor-grab[style*='75%']").waitFor();
        bar(page, "Bar 1: C, F").press("ArrowDown");
        page.keyboard().press(",");
        assertThat(text(page)).hasValue("| C F |");
    }

    @Test
    void a_section_is_copied_and_moved() {
        Page page = open("[A]\n| C |\n[B]\n| F |\n");
        button(page, "What to do with B").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Move it earlier"))
                .click();
        assertThat(text(page)).hasValue("[B]\n| F |\n[A]\n| C |\n");
        button(page, "What to do with A").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Copy it below itself"))
                .click();
        assertThat(bar(page, "Bar 3: C")).isVisible();
    }

    @Test
    void a_song_goes_to_another_key_and_back() {
        Page page = open("Key: C\n| C | A7 | Dm7 | G7 |");
        button(page, "Another key ▾").click();
        button(page, "E♭").click();
        assertThat(text(page)).hasValue("Key: E♭\n| E♭ | C7 | Fm7 | B♭7 |");
        page.keyboard().press("Escape");
        page.locator("body").press("]");
        assertThat(text(page)).hasValue("Key: E\n| E | C♯7 | F♯m7 | B7 |");
        button(page, "Undo").click();
        button(page, "Undo").click();
        assertThat(text(page)).hasValue("Key: C\n| C | A7 | Dm7 | G7 |");
    }

    /** A tune of a fifth in a range of just that fifth has one key; the part in B flat is a tone higher. */
    @Test
    void a_song_goes_to_the_singers_key() {
        Page page = open("Key: C\n| C |\nMelody: | C4/4 E4/4 G4/2 |");
        button(page, "The singer's key ▾").click();
        page.getByLabel("Lowest note that sits well").fill("Eb3");
        page.getByLabel("Lowest note that sits well").press("Enter");
        page.getByLabel("Highest note that sits well").fill("Bb3");
        page.getByLabel("Highest note that sits well").press("Enter");
        page.getByLabel("How the part is written").selectOption("2");
        Locator first = page.getByLabel("Keys for this voice, the best first")
                .getByRole(AriaRole.BUTTON)
                .first();
        assertThat(first).containsText("E♭");
        assertThat(first).containsText("all of it sits well, E♭3 to B♭3, an octave lower");
        assertThat(first).containsText("the part is in F");
        first.click();
        assertThat(text(page)).hasValue(Pattern.compile("^Key: E♭\n\\| E♭ \\|"));
    }

    @Test
    void a_doubtful_chord_is_heard_in_other_readings_and_one_is_kept() {
        Page page = open("Key: C\n| C | A | Dm7 | G7 |");
        bar(page, "Bar 2: A").click();
        page.keyboard().press("e");
        Locator ear = page.locator("fieldset", new Page.LocatorOptions().setHasText("By ear"));
        page.keyboard().press("1");
        ear.locator("[aria-pressed=true]", new Locator.LocatorOptions().setHasText("1"))
                .waitFor();
        String symbol =
                ear.locator("[aria-pressed=true]").getAttribute("aria-label").replaceAll("Hear ([^,]+),.*", "$1");
        assertThat(bar(page, "Bar 2: " + symbol)).isVisible();
        assertThat(text(page)).hasValue("Key: C\n| C | A | Dm7 | G7 |");
        page.waitForFunction("() => (window.zapateo?.player.heard.length ?? 0) > 2");
        page.keyboard().press("Enter");
        assertThat(text(page)).hasValue("Key: C\n| C | " + symbol + " | Dm7 | G7 |");
    }

    @Test
    void chords_one_does_not_know_are_made_plainer_one_by_one() {
        Page page = open("| Cmaj9 | Am7 | F6 | G13 |");
        button(page, "Plainer chords").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("bar 2").uncheck();
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change 3 chords"))
                .click();
        assertThat(text(page)).hasValue("| C | Am7 | F | G |");
        button(page, "Undo").click();
        assertThat(text(page)).hasValue("| Cmaj9 | Am7 | F6 | G13 |");
    }

    @Test
    void the_notes_of_the_key_are_shown_on_staff_and_keyboard() {
        Page page = open("Key: E♭\n| E♭ | B♭7 |");
        button(page, "Notes of the key ▾").click();
        page.locator(".score g.note").nth(7).waitFor();
        assertThat(page.getByRole(
                        AriaRole.IMG,
                        new Page.GetByRoleOptions().setName("Keyboard: E♭4, F4, G4, A♭4, B♭4, C5, D5, E♭5")))
                .isVisible();
        page.getByLabel("five safe notes").check();
        assertThat(page.getByText("E♭ F G B♭ C E♭")).isVisible();
    }

    @Test
    void a_file_is_shown_as_it_was_understood_and_then_kept() {
        Page page = STAGE.page();
        page.navigate("/");
        byte[] sheet = "Dock Song\n\n[G]The harbour [D/F#]lights go [Em]out\n".getBytes(StandardCharsets.UTF_8);
        page.getByLabel("A file to bring in").setInputFiles(new FilePayload("dock.txt", "text/plain", sheet));
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("words with chords inside them: 3 bars, 3 of them with a guessed length");
        assertThat(dialog).containsText("| G ? | D/F♯ ? | Em ? |");
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"))
                .click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Dock Song").setLevel(1)))
                .isVisible();
        bar(page, "Bar 1: G").click();
        page.keyboard().press("j");
        assertThat(bar(page, "Bar 1: G, D/F♯")).isVisible();
        button(page, "All are right").click();
        assertThat(page.getByText("guessed bar")).hasCount(0);
    }

    /** All of a song in one file: taken away, removed, brought in again. */
    @Test
    void a_song_is_taken_away_whole_and_brought_in_again() {
        Page page = open("Title: Packed\nKey: C\n| C | F |");
        button(page, "Take away ▾").click();
        Download download = page.waitForDownload(
                () -> page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("All of it in one file"))
                        .click());
        page.navigate("/");
        page.getByLabel("A file to bring in").setInputFiles(download.path());
        Locator preview = page.getByRole(AriaRole.DIALOG);
        assertThat(preview).containsText("was read as all of a song, with its arrangements and figures: 2 bars");
        preview.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"))
                .click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Packed").setLevel(1)))
                .isVisible();
        assertThat(text(page)).hasValue("Title: Packed\nKey: C\n| C | F |");
    }

    @Test
    void a_file_that_cannot_be_read_says_why_and_keeps_nothing() {
        Page page = STAGE.page();
        page.navigate("/");
        page.getByLabel("A file to bring in")
                .setInputFiles(new FilePayload(
                        "broken.musicxml", "text/xml", "<score-partwise><part".getBytes(StandardCharsets.UTF_8)));
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("No song can be read from this file. Nothing was changed.");
        assertThat(dialog).containsText("damaged");
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close"))
                .click();
        assertThat(dialog).hasCount(0);
    }

    @Test
    void a_vamp_goes_round_until_it_is_told_to_go_on() {
        Page page = open("Tempo: 300\n|: C :| vamp | F |");
        button(page, "Play").click();
        page.waitForFunction("() => (window.zapateo?.player.heard.filter(tone => tone.tick === 0).length ?? 0) >= 3");
        assertThat((Boolean) page.evaluate("() => window.zapateo.player.heard.every(tone => tone.tick < 3840)"))
                .isTrue();
        page.locator("body").press("v");
        page.waitForFunction("() => window.zapateo.player.heard.some(tone => tone.tick === 3840)");
    }

    /** Typing in a chart of 200 bars shows the new sheet at once; the number itself is measured by the bench. */
    @Test
    void two_hundred_bars_can_be_worked_on() {
        Page page = open("[A]\n" + "| C | Am7 | F | G7 |\n".repeat(50));
        assertThat(page.locator("[data-bar]")).hasCount(200);
        page.locator("[data-bar='150']").click();
        page.keyboard().type("Dm7");
        page.keyboard().press("Enter");
        assertThat(bar(page, "Bar 151: Dm7")).isVisible();
        assertThat(page.locator("[data-bar]")).hasCount(200);
    }
}
