package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.button;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;

/**
 * A song built for an evening, and the evening itself: in order, from song to song, kept for the stand and for paper.
 */
class EveningWorkTest {

    private static final String CHART = StandTest.CHART;

    @RegisterExtension
    static final Stage STAGE = new Stage();

    @TempDir
    Path folder;

    private static String evening(String... songs) {
        return Stage.server()
                .post(
                        "/api/sets",
                        Map.of(
                                "title",
                                "A crossing",
                                "place",
                                "Lounge",
                                "items",
                                List.of(
                                        Map.of("song", songs[0], "remark", "Good evening"),
                                        Map.of("minutes", 20),
                                        Map.of("song", songs[1], "semitones", 2, "tempo", 90))))
                .json()
                .path("id")
                .asString();
    }

    private static void choose(Page page, String label, String option) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + label + ":")))
                .click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    private static String kept(String song, String field) {
        return Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("choices")
                .path(field)
                .toString();
    }

    private static void keeps(Page page, String song, String field, String expected) {
        page.waitForCondition(() -> kept(song, field).equals(expected));
        assertThat(kept(song, field)).isEqualTo(expected);
    }

    /** By pedal from song to song, in the key and at the tempo of that night; the song itself stays as it is. */
    @Test
    void an_evening_goes_from_song_to_song() {
        String first = Stage.newSong("Title: First\nKey: C\n| C | F | G | C |\n", "held");
        String second = Stage.newSong("Title: Second\nKey: F\nTempo: 120\n| F | B♭ | C7 | F |\n", "held");
        String set = evening(first, second);
        Page page = STAGE.page();
        page.navigate("/sets/" + set);
        assertThat(page.getByLabel("The order of the evening")).containsText("Second");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open the Stage"))
                .click();
        assertThat(page.getByText("“Good evening” · then a break of 20 minutes"))
                .isVisible();
        page.keyboard().press("PageDown");
        assertThat(page).hasURL(Pattern.compile("/songs/" + second + "/stage\\?set=" + set + "&n=2"));
        assertThat(page.locator("[data-stage] .sheet")).containsText("G major · 4/4 · quarter = 90");
        assertThat(page.getByText("the last one")).isVisible();
        page.keyboard().press("ArrowLeft");
        assertThat(page).hasURL(Pattern.compile("/songs/" + first + "/stage"));
        assertThat(page.getByText("“Good evening”")).isVisible();
        page.keyboard().press("Escape");
        assertThat(page).hasURL(Pattern.compile("/sets/" + set));
        assertThat(Stage.server()
                        .get("/api/songs/" + second)
                        .json()
                        .path("version")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void an_evening_is_put_in_order_by_keys_and_kept() {
        String set = evening(
                Stage.newSong("Title: One\nKey: C\n| C | F |\n", "held"),
                Stage.newSong("Title: Two\nKey: C\n| C | F |\n", "held"));
        Page page = STAGE.page();
        page.navigate("/sets/" + set);
        Locator order = page.getByLabel("The order of the evening").getByRole(AriaRole.LISTITEM);
        assertThat(order).hasCount(3);
        button(page, "Move Two, place 3").focus();
        page.keyboard().press("Alt+ArrowUp");
        assertThat(order.nth(1)).containsText("Two");
        page.getByLabel("Minutes of the break").fill("30");
        page.keyboard().press("Enter");
        button(page, "Two: a semitone higher").click();
        assertThat(order.nth(1)).containsText("E♭");
        page.getByLabel("What is said before One").fill("Welcome aboard");
        page.keyboard().press("Enter");
        button(page, "Add a break").click();
        assertThat(order).hasCount(4);
        page.reload();
        assertThat(order.nth(1)).containsText("Two");
        assertThat(page.getByLabel("What is said before One")).hasValue("Welcome aboard");
        assertThat(page.getByLabel("Minutes of the break").first()).hasValue("30");
        // On paper the list is there, without what is pressed.
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(com.microsoft.playwright.options.Media.PRINT));
        assertThat(order.nth(1)).isVisible();
        assertThat(button(page, "Add a break")).isHidden();
    }

    /** Kept for the stand it opens with the server away, all of it, with its contents on paper as well. */
    @Test
    void an_evening_is_kept_for_the_stand_and_for_paper() throws Exception {
        String first = Stage.newSong("Title: Alpha\nKey: C\n| C | F | G | C |\n", "held");
        String set = evening(first, Stage.newSong("Title: Beta\nKey: F\n| F | B♭ | C7 | F |\n", "held"));
        Page page = STAGE.page();
        page.navigate("/sets/" + set);
        Download download =
                page.waitForDownload(() -> button(page, "PDF of the evening").click());
        Path file = folder.resolve("evening.pdf");
        download.saveAs(file);
        String text = Poppler.run("pdftotext", "-layout", file.toString(), "-");
        assertThat(text).contains("A crossing", "A break, 20 minutes", "page 2", "page 3", "3 of 3");
        button(page, "Keep it for the stand").click();
        assertThat(page.getByText("2 songs with their pages stay with the server away"))
                .isVisible();
        page.route("**/api/**", route -> route.abort());
        page.navigate("/songs/" + first + "/stage?set=" + set + "&n=0");
        assertThat(page.getByText("No server answers")).isVisible();
        page.keyboard().press("PageDown");
        assertThat(page.locator("[data-stage] .sheet")).containsText("Beta");
        page.unroute("**/api/**");
    }

    /** Each choice is heard and drawn at once; the chart stays what it is until it is written. */
    @Test
    void a_form_is_built_and_written_into_the_chart() {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.page();
        page.navigate("/songs/" + song + "/sheet");
        Locator form = page.getByLabel("The form", new Page.GetByLabelOptions().setExact(true));
        assertThat(form).containsText("24 bars, 0:48");
        choose(page, "Intro", "Turnaround");
        assertThat(form).containsText("28 bars, 0:56");
        choose(page, "The last line", "twice: once more");
        assertThat(form).containsText("32 bars, 1:04");
        form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("Bridge")))
                .click();
        choose(page, "Played", "twice");
        assertThat(form).containsText("40 bars, 1:20");
        keeps(page, song, "times", "[\"2@2\"]");
        assertThat(form.getByRole(AriaRole.BUTTON)).hasCount(6);
        page.getByLabel("Another last bar").fill("Hxx");
        page.keyboard().press("Enter");
        assertThat(page.getByText("expected chords as a chart has them").first())
                .isVisible();
        assertThat(form).containsText("40 bars");
        assertThat(Stage.server().get("/api/songs/" + song).json().path("chart").asString())
                .isEqualTo(CHART);
        button(page, "write the form into the chart").click();
        assertThat(page.getByText("The chart has it all now")).isVisible();
        assertThat(form).containsText("40 bars, 1:20");
        keeps(page, song, "times", "");
        assertThat(Stage.server().get("/api/songs/" + song).json().path("chart").asString())
                .contains("[Intro]")
                .contains("[Tag]");
        page.keyboard().press("Control+z");
        assertThat(form.getByRole(AriaRole.BUTTON)).hasCount(6);
    }
}
