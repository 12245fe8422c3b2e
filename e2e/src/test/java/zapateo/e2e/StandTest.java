package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.button;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The music stand: pages turned by foot, hand and pedal, with the server away, on paper. */
class StandTest {

    static final String CHART =
            "Title: Night Watch\nKey: E♭\nTempo: 120\n\n[Verse]\n| E♭ | Cm7 | A♭maj7 | B♭7 | E♭/G | A♭m6 | F♯°7 | "
                    + "B♭7sus4 |\nWords: | lights | on | the | water |\n\n[Bridge]\n"
                    + "| A♭ | Gm7 | Fm7 | B♭7 | A♭ | Gm7 | Fm7 | B♭7♭9 |\n\n[Last]\n| E♭ | Cm7 | A♭maj7 | B♭7 | E♭ "
                    + "| A♭ | B♭7 | E♭6 |\n";
    /** Says what a MIDI pedal would. */
    private static final String PEDAL =
            "const input = new EventTarget(); input.id = 'p'; input.name = 'Pedal'; const add = "
                    + "input.addEventListener.bind(input); input.addEventListener = (...all) => { add(...all); "
                    + "window.pedalHeard = true; }; window.pedal = (...data) => { const event = new "
                    + "Event('midimessage'); event.data = data; input.dispatchEvent(event) };"
                    + "navigator.requestMIDIAccess = async () => ({ inputs: new Map([['p', input]]), outputs: new "
                    + "Map() });";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    @TempDir
    Path folder;

    private static Page stage(String song) {
        Page page = STAGE.page();
        page.navigate("/songs/" + song + "/stage");
        page.locator("[data-laid=true]").waitFor();
        return page;
    }

    private static void at(Page page, String number, boolean half) {
        assertThat(page.locator("[data-stage]")).hasAttribute("data-page", number);
        assertThat(page.locator("[data-stage]")).hasAttribute("data-half", String.valueOf(half));
    }

    /** Keys of a pedal, half a page at a time; the last page stays. */
    @Test
    void pages_turn_by_keys_half_a_page_at_a_time() {
        Page page = stage(Stage.newSong(CHART, "spread-eighths"));
        at(page, "1", false);
        page.keyboard().press("PageDown");
        at(page, "1", true);
        page.keyboard().press("Space");
        at(page, "2", false);
        page.keyboard().press("ArrowLeft");
        at(page, "1", false);
        page.keyboard().press("End");
        String last = page.locator("[data-stage]").getAttribute("data-pages");
        at(page, last, false);
        page.keyboard().press("ArrowRight");
        at(page, last, false);
        assertThat(page.locator("[data-stage] [role=status]").first()).hasText("Last");
        page.keyboard().press("Escape");
        assertThat(page).hasURL(Pattern.compile("/sheet$"));
    }

    /**
     * Twenty-five sections of eight bars: every page comes, none twice. How long a turn takes is measured, not tested.
     */
    @Test
    void a_long_song_is_turned_through() {
        STAGE.page().addInitScript("localStorage.setItem('zapateo.halves', 'no')");
        Page page = stage(Stage.newSong(
                "Title: Long\nKey: C\n" + "[Part]\n| C | Am | F | G | C | Am | F | G |\n".repeat(25), "held"));
        int pages = Integer.parseInt(page.locator("[data-stage]").getAttribute("data-pages"));
        assertThat(pages).isGreaterThan(10);
        for (int at = 2; at <= pages; at++) {
            page.keyboard().press("PageDown");
            at(page, String.valueOf(at), false);
        }
        assertThat(page.locator("[data-stage] [role=status]").first()).hasText(Pattern.compile("Part, 2[0-5] of 25"));
    }

    /** A pedal that stays down turns once. */
    @Test
    void a_key_that_is_held_turns_once() {
        Page page = stage(Stage.newSong(CHART, "held"));
        page.keyboard().down("PageDown");
        page.keyboard().down("PageDown");
        page.keyboard().down("PageDown");
        page.keyboard().up("PageDown");
        at(page, "1", true);
    }

    @Test
    void taps_at_the_edges_turn_and_one_in_the_middle_shows_the_controls() {
        Page page = stage(Stage.newSong(CHART, "held"));
        page.mouse().click(1250, 400);
        at(page, "1", true);
        page.mouse().click(20, 400);
        at(page, "1", false);
        assertThat(page.getByRole(AriaRole.TOOLBAR)).hasCount(0);
        page.mouse().click(640, 300);
        assertThat(page.getByRole(AriaRole.TOOLBAR)).isVisible();
        assertThat(page.getByText("Kept in this browser: it stays with the server away."))
                .isVisible();
        String lines = page.locator("[data-stage]").getAttribute("data-pages");
        for (int i = 0; i < 6; i++) {
            button(page, "Larger").click();
        }
        assertThat(page.getByLabel("Staff space in pixels")).hasText("16");
        assertThat(page.locator("[data-stage]")).not().hasAttribute("data-pages", lines);
        button(page, "Leave the stage").click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Night Watch").setExact(true)))
                .isVisible();
    }

    @Test
    void a_midi_pedal_turns_and_the_sustaining_one_only_where_that_is_wanted() {
        STAGE.page().addInitScript(PEDAL);
        Page page = stage(Stage.newSong(CHART, "held"));
        page.waitForFunction("() => window.pedalHeard");
        page.evaluate("pedal(0xb0, 67, 127)");
        at(page, "1", true);
        page.evaluate("pedal(0xb0, 67, 0)");
        page.evaluate("pedal(0xb0, 64, 127)");
        at(page, "1", true);
        page.mouse().click(640, 300);
        page.getByLabel("the sustaining pedal turns").check();
        page.evaluate("pedal(0xb0, 64, 127)");
        at(page, "2", false);
    }

    /**
     * Measured on the page: a staff space is what was asked for, chord symbols stand at least 16 px high, an x of
     * theirs a tenth of a degree at 80 cm, which is 1.4 mm or 5.3 px (common practice for reading at a distance).
     */
    @ParameterizedTest
    @ValueSource(ints = {8, 12, 16})
    void the_page_is_read_at_arms_length(int space) {
        STAGE.page().addInitScript("localStorage.setItem('zapateo.sheet', JSON.stringify({space: " + space + "}))");
        Page page = stage(Stage.newSong(CHART, "held"));
        Object found = page.evaluate(
                "() => { const lines = [...document.querySelector('[data-stage] g.staff').querySelectorAll(':scope "
                        + "> path')].map(line => line.getBoundingClientRect().top).sort((a, b) => a - b);"
                        + " const chord = document.querySelector('[data-stage] g.harm "
                        + "text').getBoundingClientRect().height; return [(lines[4] - lines[0]) / 4, chord] }");
        List<?> measured = (List<?>) found;
        double between = ((Number) measured.get(0)).doubleValue();
        assertThat(between).isBetween(space - 0.5, space + 0.5);
        // A line of letters is about 1.3 times their size, their x about half of it.
        double size = ((Number) measured.get(1)).doubleValue() / 1.3;
        assertThat(size).isGreaterThanOrEqualTo(16);
        assertThat(size * 0.5).isGreaterThanOrEqualTo(5.3);
    }

    /**
     * A silent count at the song's own tempo: eight bars at 120 are sixteen seconds, so a song of quick short bars is
     * taken.
     */
    @Test
    void a_silent_count_turns_by_itself() {
        Page page = stage(Stage.newSong(
                "Title: Quick\nKey: C\nTempo: 400\n" + "[Part]\n| C | F | G | C | C | F | G | C |\n".repeat(6),
                "spread-eighths"));
        page.keyboard().press("c");
        page.waitForFunction("() => Number(document.querySelector('[data-stage]').dataset.page) > 1");
        page.keyboard().press("c");
    }

    /** Second endings and repeats are played out: nothing is turned back for. */
    @Test
    void repeats_with_second_endings_stand_in_the_order_they_are_played() {
        Page page = stage(Stage.newSong("Title: Twice\nKey: C\n[A]\n|: C | F |1 G | C :|2 G7 | C6 |\n", "held"));
        assertThat(page.locator("[data-stage] .sheet").first()).containsText("G7");
        assertThat((List<?>) page.evaluate(
                        "() => [...document.querySelectorAll('[data-first]')].map(line => line.dataset.first)"))
                .asList()
                .contains("0", "4");
    }

    /** The pages stay with the server away, and say so. */
    @Test
    void the_pages_stay_with_the_server_away() {
        String song = Stage.newSong(CHART, "held");
        Page page = stage(song);
        page.waitForFunction(
                "async song => (await (await caches.open('zapateo-stand')).keys()).some(each => "
                        + "each.url.endsWith('/' + song))",
                song);
        page.route("**/api/**", route -> route.abort());
        page.reload();
        assertThat(page.getByText("No server answers: these are the pages this browser has kept."))
                .isVisible();
        page.keyboard().press("PageDown");
        at(page, "1", true);
        page.unroute("**/api/**");
    }

    /** Read back with poppler: every chord and word is text, the fonts are embedded, the page has its size. */
    @ParameterizedTest
    @CsvSource({
        "both,a4,595.276 x 841.89",
        "lead-left,letter,612 x 792",
        "left,tablet,510.236 x 680.315",
        "chart,a4,595.276 x 841.89",
        "form,a4,595.276 x 841.89"
    })
    void a_pdf_is_read_back(String kind, String paper, String size) throws Exception {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.page();
        page.addInitScript("localStorage.setItem('zapateo.sheet', JSON.stringify({kind: '" + kind + "', paper: '"
                + paper + "'}))");
        page.navigate("/songs/" + song + "/sheet");
        assertThat(page.getByLabel("Pages").getByRole(AriaRole.STATUS)).hasText(Pattern.compile("^\\d pages?$"));
        Download download = page.waitForDownload(() -> button(page, "PDF").click());
        Path file = folder.resolve("song.pdf");
        download.saveAs(file);
        assertThat(download.suggestedFilename()).isEqualTo("Night Watch.pdf");
        String text = Poppler.run("pdftotext", "-layout", file.toString(), "-").replaceAll("\\s+", "");
        assertThat(text).contains("NightWatch", "Verse", "Bridge", "version1");
        if (!kind.equals("form")) {
            assertThat(text).contains("E♭/G", "A♭maj7", "F♯°7", "B♭7sus4", "A♭m6");
        }
        if (kind.equals("chart")) {
            assertThat(text).contains("lights", "water");
        }
        assertThat(Poppler.run("pdfinfo", file.toString())).contains(size);
        assertThat(Poppler.run("pdffonts", file.toString())
                        .lines()
                        .filter(line -> line.contains("TrueType") || line.contains("Type ")))
                .isNotEmpty()
                .allMatch(line -> line.matches(".* yes +(yes|no) +yes +\\d+ +\\d+ *"));
    }

    /** What is being made can be cancelled, and nothing comes of it. */
    @Test
    void a_pdf_can_be_cancelled() {
        String song = Stage.newSong(
                "Title: Long\nKey: C\n" + "[Part]\n| C | Am | F | G | C | Am | F | G |\n".repeat(12), "spread-eighths");
        Page page = STAGE.page();
        page.navigate("/songs/" + song + "/sheet");
        assertThat(page.getByLabel("Pages").getByRole(AriaRole.STATUS)).hasText(Pattern.compile("^\\d+ pages$"));
        // At a known step: its letters are not there yet, and come once it is cancelled.
        List<Route> held = new ArrayList<>();
        page.route(Pattern.compile(".*\\.ttf"), held::add);
        button(page, "PDF").click();
        page.waitForCondition(() -> !held.isEmpty());
        button(page, "Cancel").click();
        page.unroute(Pattern.compile(".*\\.ttf"));
        held.forEach(Route::resume);
        assertThat(page.getByText("Cancelled; nothing was made.")).isVisible();
        assertThat(button(page, "PDF")).isEnabled();
    }

    @ParameterizedTest
    @ValueSource(strings = {"1280x800", "1024x768", "390x844"})
    void nothing_lies_outside_and_axe_finds_nothing(String size) {
        String[] sides = size.split("x");
        String song = Stage.newSong(CHART, "held");
        String set = Stage.server()
                .post(
                        "/api/sets",
                        Map.of("title", "A crossing", "items", List.of(Map.of("song", song), Map.of("minutes", 20))))
                .json()
                .path("id")
                .asString();
        Page page = STAGE.page();
        page.setViewportSize(Integer.parseInt(sides[0]), Integer.parseInt(sides[1]));
        for (String path : List.of("/songs/" + song + "/sheet", "/songs/" + song + "/stage", "/sets", "/sets/" + set)) {
            page.navigate(path);
            page.locator(path.endsWith("/stage") ? "[data-stage]" : "h1")
                    .first()
                    .waitFor();
            Stage.settled(page);
            assertThat(page.evaluate("() => document.documentElement.scrollWidth <= window.innerWidth"))
                    .as(path)
                    .isEqualTo(true);
            assertThat(Stage.axe(page)).as(path).isEmpty();
        }
    }
}
