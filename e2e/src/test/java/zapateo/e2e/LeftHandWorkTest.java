package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/** The workbench as a pianist works at it. */
class LeftHandWorkTest {

    private static final String CHART =
            "Title: Two Parts\nKey: C\n[Verse]\n| C | Am | F | G |\n[Chorus]\n| F | C | G7 | C |";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static Page open(String song) {
        return STAGE.atScore(song, "left-hand");
    }

    private static Locator figures(Page page) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Figures"));
    }

    private static Locator choices(Page page) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Choices").setExact(true));
    }

    private static Locator button(Locator in, String name) {
        return in.getByRole(
                AriaRole.BUTTON,
                new Locator.GetByRoleOptions()
                        .setName(Pattern.compile("^" + name.replace("(", "\\(").replace(")", "\\)"))));
    }

    private static void take(Page page, String figure) {
        figures(page).getByRole(AriaRole.SEARCHBOX).fill(figure);
        button(figures(page), figure).first().click();
        figures(page).getByRole(AriaRole.SEARCHBOX).fill("");
    }

    /** A key for the whole page: nothing has the focus. */
    private static void press(Page page, String key) {
        page.evaluate("() => document.activeElement?.blur()");
        page.keyboard().press(key);
    }

    /** What is kept, once it is. */
    private static JsonNode kept(Page page, String song, String expected) {
        assertThat(page.locator("[data-keeping=kept]")).isVisible();
        return Stage.kept(page, "/api/songs/" + song, text -> text.contains(expected));
    }

    /**
     * What was chosen for a bar stays with its chord while text is typed, and comes back with a bar that is taken out
     * and written again.
     */
    @Test
    void what_hangs_on_a_bar_goes_along_while_text_is_typed() {
        String song = Stage.newSong("| C | F | G |", "held");
        Page page = open(song);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bar 2: F"))
                .click();
        button(choices(page), "bar 2").click();
        take(page, "Pulse in quarters");
        kept(page, song, "pulse-quarters");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Chart").setExact(true))
                .click();
        Locator text = page.getByLabel("Chart text").and(page.getByRole(AriaRole.TEXTBOX));
        text.fill("| C | Dm | Em | F | G |");
        assertThat(kept(page, song, "\"bars\":\"4\"")
                        .path("choices")
                        .path("overrides")
                        .path(0)
                        .path("figure")
                        .asString())
                .isEqualTo("pulse-quarters");
        text.fill("| C | G |");
        assertThat(kept(page, song, "parked").path("choices").path("overrides")).isEmpty();
        text.fill("| C | Dm | F | G |");
        assertThat(kept(page, song, "\"bars\":\"3\"").path("choices").has("parked"))
                .isFalse();
        // How much of quick typing is one step is a matter of time.
        for (int step = 0; step < 4 && !text.inputValue().equals("| C | F | G |"); step++) {
            button(page.locator("header"), "Undo").click();
        }
        JsonNode back = kept(page, song, "\"chart\":\"| C | F | G |\"").path("choices");
        assertThat(back.path("overrides").path(0).path("bars").asString()).isEqualTo("2");
        assertThat(back.has("parked")).isFalse();
    }

    @Test
    void a_section_gets_its_own_figure_and_one_bar_is_broken_out() {
        String song = Stage.newSong(CHART, "held");
        Page page = open(song);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Chorus").setExact(true))
                .first()
                .click();
        button(choices(page), "Chorus").click();
        take(page, "Two-feel");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bar 2: Am"))
                .click();
        button(choices(page), "bar 2").click();
        take(page, "Pulse in quarters");
        JsonNode found = kept(page, song, "pulse-quarters").path("choices");
        assertThat(found.path("figure").asString()).isEqualTo("held");
        assertThat(found.path("sections").path("Chorus").path("figure").asString())
                .isEqualTo("two-feel");
        assertThat(found.path("overrides").path(0).path("bars").asString()).isEqualTo("2");
        button(choices(page), "bar 2: as the whole song again").click();
        assertThat(kept(page, song, "\"overrides\":[]")
                        .path("choices")
                        .path("sections")
                        .path("Chorus")
                        .path("figure")
                        .asString())
                .isEqualTo("two-feel");
    }

    @Test
    void a_note_says_why_what_else_there_is_and_an_inversion_is_locked_and_let_go() {
        String song = Stage.newSong(CHART, "stride-root-chord");
        Page page = open(song);
        page.locator("#s1n0").click();
        assertThat(choices(page)).containsText("Why this note?");
        assertThat(choices(page)).containsText("A tone of the close chord above the bass");
        assertThat(choices(page)).containsText("chosen: the cheapest for the whole song");
        button(choices(page), "this inversion here").click();
        assertThat(choices(page)).containsText("at the bottom");
        assertThat(kept(page, song, "\"bottom\"")
                        .path("choices")
                        .path("locks")
                        .path(0)
                        .path("bar")
                        .asInt())
                .isEqualTo(1);
        button(choices(page), "take it").first().click();
        kept(page, song, "\"top\"");
        button(choices(page), "let go").click();
        page.waitForCondition(() -> !(kept(page, song, "stride").path("choices").has("locks")));
        assertThat(Stage.server()
                        .get("/api/songs/" + song)
                        .json()
                        .path("choices")
                        .has("locks"))
                .isFalse();
    }

    @Test
    void a_and_b_change_places_at_one_key() {
        String song = Stage.newSong(CHART, "held");
        Page page = open(song);
        take(page, "Spread eighths");
        assertThat(page.getByText("A: Spread eighths · B: Held voicing")).isVisible();
        press(page, "a");
        assertThat(page.getByText("A: Held voicing · B: Spread eighths")).isVisible();
        kept(page, song, "\"held\"");
        press(page, "A");
        assertThat(page.getByText("A: Spread eighths · B: Held voicing")).isVisible();
    }

    @Test
    void a_figure_is_changed_heard_while_it_is_and_kept_as_ones_own() {
        String song = Stage.newSong(CHART, "two-feel");
        Page page = open(song);
        button(figures(page), "change a copy").click();
        Locator editor = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("A figure being written"));
        editor.getByLabel("Name").fill("Harbour lights");
        editor.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Left hand on 2: rest"))
                .click();
        editor.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("tenth").setExact(true))
                .click();
        editor.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Left hand on 2: 5+10"))
                .waitFor();
        editor.getByLabel("accent").check();
        press(page, "Space");
        page.waitForFunction("() => (window.zapateo?.player.heard ?? []).some((each) => each.tick % 3840 === 960)");
        press(page, "Space");
        editor.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it in my book"))
                .click();
        assertThat(editor).isHidden();
        assertThat(kept(page, song, "harbour-lights")
                        .path("choices")
                        .path("figure")
                        .asString())
                .startsWith("harbour-lights");
        button(figures(page), "my own").click();
        assertThat(button(figures(page), "Harbour lights").first()).isVisible();
        Download file = page.waitForDownload(() -> figures(page)
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("file"))
                .first()
                .click());
        assertThat(read(file)).contains("name: \"Harbour lights\"").contains("5+10@960:480!");
    }

    private static String read(Download file) {
        try {
            return Files.readString(file.path());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    void a_figure_s_file_is_brought_in_or_refused_with_its_line() {
        Page page = open(Stage.newSong(CHART, "held"));
        button(figures(page), "my own").click();
        Locator field = figures(page).locator("input[type=file]");
        field.setInputFiles(new FilePayload(
                "bad.yaml", "text/yaml", "id: x\nname: X\nstrokes: none\n".getBytes(StandardCharsets.UTF_8)));
        assertThat(figures(page).getByRole(AriaRole.ALERT)).containsText("figure.yaml:3: unknown field \"strokes\"");
        String good = Stage.server()
                .get("/api/figures/habanera/file")
                .text()
                .replace("id: habanera", "id: deck-sway")
                .replace("\"Habanera\"", "\"Deck sway\"");
        field.setInputFiles(new FilePayload("good.yaml", "text/yaml", good.getBytes(StandardCharsets.UTF_8)));
        assertThat(button(figures(page), "Deck sway").first()).isVisible();
    }

    @Test
    void an_occasion_sets_several_choices_and_the_arrangements_have_names() {
        String song = Stage.newSong(CHART, "spread-eighths");
        Page page = open(song);
        button(page.locator("main"), "Arrangement: alone").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Copy")))
                .click();
        page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX).fill("with a choir");
        page.getByText("Keep the name").click();
        button(choices(page), "Set for an occasion").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Hymn")))
                .click();
        JsonNode found = kept(page, song, "smooth");
        assertThat(found.path("arrangement").asString()).isEqualTo("with a choir");
        assertThat(found.path("others").path(0).path("choices").path("figure").asString())
                .isEqualTo("spread-eighths");
        button(page.locator("main"), "Arrangement: with a choir").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Compare")))
                .click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("strokes a bar");
        page.getByText("Open \"alone\"").click();
        assertThat(kept(page, song, "\"arrangement\":\"alone\"")
                        .path("choices")
                        .path("figure")
                        .asString())
                .isEqualTo("spread-eighths");
        press(page, "a");
        kept(page, song, "\"arrangement\":\"with a choir\"");
    }

    @Test
    void what_is_worth_trying_comes_with_its_reasons_and_a_figure_with_its_songs() {
        Page page = open(Stage.newSong("Title: Deck Three\nKey: G\nMeter: 3/4\nTempo: 138\nG D Em C", "held"));
        button(figures(page), "worth trying").click();
        assertThat(figures(page)).containsText("All of these: Written for 3/4.");
        assertThat(button(figures(page), "Bass and two").first()).containsText("At home at 138 quarters a minute");
        assertThat(figures(page)).containsText("of your 201.");
        button(figures(page), "Bass and two").first().click();
        figures(page).getByText("which songs?").click();
        assertThat(page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.LINK).first())
                .isVisible();
    }

    /** Two hands and an anticipation, played through: every stroke is heard, none twice. */
    @Test
    void a_song_is_played_through() {
        String song = Stage.newSong("Tempo: 300\nKey: Dm\nDm A7 Dm", "hand-split");
        Page page = open(song);
        page.getByLabel(Pattern.compile("^loop")).uncheck();
        press(page, "Space");
        page.waitForFunction(
                "() => (window.zapateo?.player.heard ?? []).length >= 24 && !window.zapateo.player.playhead().playing");
        List<?> heard = (List<?>) page.evaluate(
                "() => window.zapateo.player.heard.map((each) => each.hand + each.tick + '.' + each.midi)");
        JsonNode arrangement =
                Stage.server().get("/api/songs/" + song + "/arrangement").json();
        List<String> wanted = StreamSupport.stream(arrangement.path("strokes").spliterator(), false)
                .flatMap(stroke -> StreamSupport.stream(stroke.path("notes").spliterator(), false)
                        .map(note -> stroke.path("hand").asString()
                                + stroke.path("tick").asInt() + "."
                                + note.path("midi").asInt()))
                .collect(Collectors.toList());
        assertThat(heard.stream().map(String::valueOf).toList()).containsExactlyInAnyOrderElementsOf(wanted);
    }

    /** Wherever it stands in the book, and though what suits the song is put before it once that is known. */
    @ParameterizedTest
    @CsvSource({
        "gangway-waltz, bass-and-two",
        "lamplight-stride, stride-root-chord",
        "slow-tide, stride-tenths",
        "cinnamon-deck, habanera"
    })
    void the_chosen_figure_s_card_is_in_sight(String song, String figure) throws Exception {
        Page page = open(
                Stage.newSong(Files.readString(Path.of("../server/src/main/resources/demo/" + song + ".txt")), figure));
        figures(page).getByText("For this song").waitFor();
        seen(page);
        // What is found and taken stays in sight when the whole book is there again.
        take(page, "Habanera");
        seen(page);
    }

    private static void seen(Page page) {
        Locator card = figures(page).locator("button[aria-pressed=true] svg");
        page.waitForCondition(() -> (boolean) card.evaluate("""
                (inner) => {
                  const [own, box] = [inner.closest('button'), inner.closest('section').querySelector(':scope > \
                  ul')].map((each) => each.getBoundingClientRect());
                  return own.top >= box.top && own.bottom <= box.bottom;
                }"""));
    }

    static Stream<Path> demoSongs() throws IOException {
        return Files.list(Path.of("../server/src/main/resources/demo")).sorted();
    }

    /** The engraver in the page (verovio) takes every demo song's left hand, all bars of it. */
    @ParameterizedTest
    @MethodSource("demoSongs")
    void every_demo_song_is_engraved(Path chart) throws Exception {
        String text = Files.readString(chart);
        String song = Stage.newSong(text, text.lines().findFirst().orElseThrow().replace("// figure: ", ""));
        Page page = open(song);
        int bars = Stage.server()
                .get("/api/songs/" + song + "/arrangement")
                .json()
                .path("bars")
                .size();
        for (int from = 1; from <= bars; from += 8) {
            page.evaluate(
                    "bars => { history.replaceState(history.state, '', '?bars=' + bars); dispatchEvent(new "
                            + "PopStateEvent('popstate', { state: history.state })); }",
                    from + "-" + Math.min(bars, from + 7));
            page.locator(".score[data-ready=yes]").waitFor();
            assertThat(page.locator(".score g.measure").first()).isVisible();
        }
    }
}
