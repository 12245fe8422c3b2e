package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.File;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What people do, in the order they do it. */
class PathOfWorkTest {

    @RegisterExtension
    static final Stage STAGE = new Stage();

    @Test
    void a_newcomer_hears_a_left_hand_over_four_chords_of_their_own_in_at_most_six_actions() {
        Page page = STAGE.page();
        page.navigate("/");
        int actions = 0;
        page.getByLabel("A new song: its chords").click();
        actions++;
        page.keyboard().type("Gm E♭ B♭ F");
        actions++;
        page.keyboard().press("Enter");
        actions++;
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Play").setExact(true))
                .click();
        actions++;
        List<Integer> heard = heard(page, 4);
        assertThat(actions).isLessThanOrEqualTo(6);
        assertThat(heard.get(0) % 12).as("the first tone is a G").isEqualTo(7);
    }

    @Test
    void a_typed_chart_is_engraved_and_shown_as_a_sheet() {
        Page page = open(Stage.newSong("| C |", "spread-eighths"), "chart");
        page.getByLabel("Chart text")
                .and(page.getByRole(AriaRole.TEXTBOX))
                .fill("Title: Typed\nKey: D\n| D | Bm7 A7 |");
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Typed").setLevel(1)))
                .isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bar 2: Bm7, A7")))
                .isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Left hand"))
                .click();
        Locator notes = page.locator(".score g.note");
        notes.first().waitFor();
        assertThat(notes).hasCount(16);
    }

    @Test
    void a_mistake_is_marked_where_it_stands_with_what_was_expected() {
        Page page = open(Stage.newSong("| C |", "held"), "chart");
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"))
                .fill("| C | Xyz |");
        Locator problem = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Line 1, column 7")));
        assertThat(problem).containsText("\"Xyz\" is no chord");
        problem.click();
        assertThat(page.evaluate("() => { const field = document.activeElement; return "
                        + "field.value.slice(field.selectionStart, field.selectionEnd); }"))
                .isEqualTo("Xyz");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bar 1: C")))
                .isVisible();
    }

    @Test
    void another_figure_sounds_other_notes_while_it_plays_on() {
        Page page = open(Stage.newSong("Tempo: 240\nC C C C C C C C", "held"), "left-hand");
        page.keyboard().press("Space");
        heard(page, 3);
        assertThat(ticksInBars(page)).as("held: struck once a bar").allMatch(tick -> tick % 3840 < 480);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Spread eighths")))
                .click();
        page.waitForFunction("() => window.zapateo.player.heard.some(tone => tone.tick % 3840 === 1440)");
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Stop").setExact(true)))
                .isVisible();
    }

    @Test
    void space_plays_also_after_a_figure_was_clicked_and_stops_a_count_in() {
        Page page = open(Stage.newSong("Tempo: 40\nC F", "held"), "left-hand");
        Locator spread = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Spread eighths")));
        spread.click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("sound"))
                .click();
        page.getByLabel("count in one bar").check();
        page.keyboard().press("Escape");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Faster").setExact(true))
                .click();
        page.keyboard().press("Space");
        // The recordings may take a while to be there; then it counts for a bar.
        page.waitForFunction("() => window.zapateo?.player.playhead().counting");
        assertThat(page.getByText("counting in …")).isVisible();
        assertThat(page.getByText("41", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(spread).hasAttribute("aria-pressed", "true");
        page.keyboard().press("Space");
        assertThat(page.getByText("counting in …")).hasCount(0);
        assertThat((Integer) page.evaluate("() => window.zapateo.player.heard.length"))
                .isZero();
    }

    @Test
    void tempo_and_loop_change_without_stopping() {
        Page page = open(Stage.newSong("Tempo: 300\nC F G C", "pulse-quarters"), "left-hand?bars=2-2");
        page.keyboard().press("Space");
        page.waitForFunction("() => window.zapateo?.player.heard.length > 12");
        page.keyboard().press("+");
        page.waitForFunction("() => window.zapateo.player.heard.length > 20");
        assertThat(ticksInBars(page)).as("only bar 2 sounds").allMatch(tick -> tick >= 3840 && tick < 7680);
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Stop").setExact(true)))
                .isVisible();
        assertThat(page.getByText("301").first()).isVisible();
    }

    @Test
    void work_is_kept_by_itself_survives_a_reload_and_is_found_again() {
        Page page = open(Stage.newSong("Title: Before\n| C |", "held"), "chart");
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"))
                .fill("Title: Found Again\nKey: A♭\nMeter: 3/4\n| A♭ | D♭ |");
        page.waitForResponse(answer -> answer.request().method().equals("PUT"), () -> {});
        page.locator("[data-keeping=kept]").waitFor();
        page.reload();
        assertThat(page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text")))
                .hasValue("Title: Found Again\nKey: A♭\nMeter: 3/4\n| A♭ | D♭ |");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Repertoire"))
                .click();
        page.getByLabel("Search").fill("found ab 3/4");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Found Again"))))
                .isVisible();
    }

    @Test
    void undo_takes_back_a_choice_and_an_earlier_state_can_be_had_back() {
        String id = Stage.newSong("Title: Undone\n| C |", "held");
        Page page = open(id, "left-hand");
        Locator spread = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Spread eighths")));
        spread.click();
        assertThat(spread).hasAttribute("aria-pressed", "true");
        page.keyboard().press("Control+z");
        assertThat(spread).hasAttribute("aria-pressed", "false");
        page.keyboard().press("Control+Shift+z");
        assertThat(spread).hasAttribute("aria-pressed", "true");
        // Saved when the server has it; the answer may have come while the page was looked at.
        page.waitForCondition(() -> Stage.server()
                .get("/api/songs/" + id)
                .json()
                .path("choices")
                .path("figure")
                .asString()
                .equals("spread-eighths"));
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Versions").setExact(true))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Have it back"))
                .last()
                .click();
        assertThat(spread).hasAttribute("aria-pressed", "false");
    }

    @Test
    void a_stale_tab_is_told_and_keeps_its_work() {
        String id = Stage.newSong("Title: Two Tabs\n| C |", "held");
        Page first = open(id, "chart");
        Page second = STAGE.open();
        second.navigate("/songs/" + id + "/chart");
        second.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"))
                .fill("Title: Two Tabs\n| F |");
        second.waitForResponse(answer -> answer.request().method().equals("PUT"), () -> {});
        first.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"))
                .fill("Title: Two Tabs\n| G |");
        assertThat(first.getByRole(AriaRole.ALERT)).containsText("changed elsewhere");
        assertThat(Stage.server().get("/api/songs/" + id).json().path("chart").asString())
                .isEqualTo("Title: Two Tabs\n| F |");
        first.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep mine as a copy"))
                .click();
        first.waitForURL(url -> !url.contains(id));
        assertThat(first.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text")))
                .hasValue("Title: Two Tabs\n| G |");
    }

    @Test
    void a_song_that_was_removed_elsewhere_is_kept_as_a_copy() {
        String id = Stage.newSong("Title: Gone Ashore\n| C |", "held");
        Page page = open(id, "chart");
        Stage.server().delete("/api/songs/" + id);
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"))
                .fill("Title: Gone Ashore\n| G |");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("This song was removed");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep mine as a copy"))
                .click();
        page.waitForURL(url -> url.contains("/songs/") && !url.contains(id));
        assertThat(page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text")))
                .hasValue("Title: Gone Ashore\n| G |");
    }

    @Test
    void both_files_are_taken_away_and_can_be_read_back() throws Exception {
        Page page = open(Stage.newSong("Title: Taken Away\n| C | F |", "spread-eighths"), "left-hand");
        Sequence midi = MidiSystem.getSequence(download(page, "MIDI file, both hands"));
        List<Integer> struck = new ArrayList<>();
        for (int i = 0; i < midi.getTracks()[2].size(); i++) {
            if (midi.getTracks()[2].get(i).getMessage() instanceof ShortMessage message
                    && message.getCommand() == ShortMessage.NOTE_ON) {
                struck.add(message.getData1());
            }
        }
        assertThat(struck).hasSize(16).startsWith(36, 43, 52, 43);
        String xml =
                Files.readString(download(page, "MusicXML, left hand alone").toPath());
        assertThat(xml).contains("<score-partwise version=\"4.0\"").contains("<work-title>Taken Away</work-title>");
        assertThat(xml.split("<note ")).hasSize(17);
    }

    @Test
    void bars_are_chosen_and_played_by_keyboard_alone() {
        Page page = open(Stage.newSong("Tempo: 200\nC F G C", "held"), "left-hand");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        assertThat(page).hasURL(Pattern.compile("bars=2-2"));
        page.keyboard().press("Shift+ArrowRight");
        assertThat(page).hasURL(Pattern.compile("bars=2-3"));
        page.keyboard().press("Space");
        assertThat(heard(page, 1).get(0) % 12).as("bar 2 is F").isEqualTo(5);
        page.keyboard().press("Space");
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Play").setExact(true)))
                .isVisible();
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Take care of your hands");
    }

    @Test
    void a_song_of_two_hundred_bars_shows_its_bars_and_engraves_eight() {
        Page page = open(Stage.newSong("C Am7 F G7 ".repeat(50), "spread-eighths"), "left-hand?bars=101-200");
        page.locator(".score g.note").first().waitFor();
        assertThat(page.locator("[data-bar]")).hasCount(200);
        assertThat(page.locator(".score g.measure")).hasCount(8);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Bars 101–108")))
                .isVisible();
    }

    private Page open(String id, String view) {
        Page page = STAGE.page();
        page.navigate("/songs/" + id + "/" + view);
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                .waitFor();
        if (view.startsWith("left-hand")) {
            page.locator(".score[data-ready=yes]").waitFor();
        }
        return page;
    }

    private static File download(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take away"))
                .click();
        Download download =
                page.waitForDownload(() -> page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(name))
                        .click());
        return download.path().toFile();
    }

    private static List<Integer> heard(Page page, int tones) {
        page.waitForFunction("count => (window.zapateo?.player.heard.length ?? 0) >= count", tones);
        return numbers(page, "() => window.zapateo.player.heard.map(tone => tone.midi)");
    }

    private static List<Integer> ticksInBars(Page page) {
        return numbers(page, "() => window.zapateo.player.heard.map(tone => tone.tick)");
    }

    private static List<Integer> numbers(Page page, String script) {
        return ((List<?>) page.evaluate(script))
                .stream().map(number -> ((Number) number).intValue()).toList();
    }
}
