package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What was typed, brought in, changed or removed is there, or there is a way back to it. */
class NothingSwallowedTest {

    private static final String CHART = "Title: Pilot Light\nKey: C\nTempo: 100\n| C | Am | F | G7 |\n";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static int songs() {
        return Stage.server().get("/api/songs").json().size();
    }

    private static String chart(String song) {
        return Stage.server().get("/api/songs/" + song).json().path("chart").asString();
    }

    @Test
    void what_is_no_chart_makes_no_song_but_a_sentence_with_an_example() {
        Page page = STAGE.page();
        page.navigate("/");
        int before = songs();
        page.getByLabel("A new song: its chords").fill("hello wörld xyz 123");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No chord could be read in “hello wörld xyz 123”");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("C Am7 F G7");
        assertThat(page.getByLabel("A new song: its chords")).hasValue("hello wörld xyz 123");
        assertThat(songs()).isEqualTo(before);
    }

    @Test
    void a_new_song_has_a_name_and_is_renamed_where_it_stands() {
        Page page = STAGE.page();
        page.navigate("/");
        page.getByLabel("A new song: its chords").fill("Gm E♭ B♭ F");
        page.keyboard().press("Enter");
        Locator title = page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1));
        assertThat(title).hasText(Pattern.compile("Gm E♭ B♭ F, \\d+ \\w+"));
        String song = page.url().replaceAll(".*/songs/([^/]+)/.*", "$1");
        title.getByRole(AriaRole.BUTTON).click();
        page.getByLabel("The song's title").fill("Low Water");
        page.keyboard().press("Enter");
        assertThat(title).hasText("Low Water");
        Stage.kept(page, "/api/songs/" + song, text -> text.contains("Title: Low Water"));
        button(page, "Undo").click();
        assertThat(title).hasText(Pattern.compile("Gm E♭ B♭ F"));
    }

    /** The last left hand stays on the staff while the next cannot be had, and is tried again at a press. */
    @Test
    void what_could_be_played_last_stays_while_nothing_new_can_be_had() {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.atScore(song, "left-hand");
        page.route(
                "**/api/arrangements?*",
                route -> route.fulfill(new Route.FulfillOptions()
                        .setStatus(503)
                        .setContentType("application/problem+json")
                        .setBody("{\"status\":503,\"detail\":\"The database does not answer.\"}")));
        page.getByLabel("Figures")
                .getByRole(
                        AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Pulse in quarters")))
                .click();
        Locator told = page.getByRole(AriaRole.ALERT)
                .filter(new Locator.FilterOptions().setHasText("What could be played last stays here."));
        assertThat(told).containsText("The database does not answer.");
        assertThat(page.locator(".score g.note").first()).isVisible();
        page.unroute("**/api/arrangements?*");
        told.getByRole(AriaRole.BUTTON).click();
        assertThat(told).hasCount(0);
        page.waitForCondition(() ->
                page.locator(".score g.staff").nth(1).locator("g.chord, g.note").count() >= 4);
    }

    @Test
    void several_files_are_read_together_and_summed_up() {
        Page page = STAGE.page();
        page.navigate("/");
        int before = songs();
        page.getByLabel("A file to bring in").setInputFiles(new FilePayload[] {
            file("one.txt", "Title: One\n| C | F |"),
            file("broken.mid", "MThd broken"),
            file("two.txt", "Title: Two\n| Am |")
        });
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog.getByRole(AriaRole.STATUS)).hasText("2 files can be kept, 1 cannot be read.");
        button(page, "Keep all 2").click();
        assertThat(dialog.getByRole(AriaRole.STATUS)).hasText("2 songs are kept, 1 file could not be read.");
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close"))
                .click();
        assertThat(dialog).hasCount(0);
        assertThat(songs()).isEqualTo(before + 2);
    }

    private static FilePayload file(String name, String text) {
        return new FilePayload(name, "application/octet-stream", text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void the_way_back_to_what_was_removed_stays_until_it_is_dismissed() {
        String song = Stage.newSong(CHART.replace("Pilot Light", "Gone Aground"), "held");
        Page page = STAGE.page();
        page.navigate("/");
        button(page, "Remove Gone Aground").click();
        assertThat(page.getByText("“Gone Aground” is taken out of the repertoire."))
                .isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Evenings"))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Evenings")))
                .isVisible();
        page.goBack();
        button(page, "Put it back").click();
        assertThat(button(page, "Remove Gone Aground")).isVisible();
        assertThat(chart(song)).contains("Gone Aground");
        button(page, "Remove Gone Aground").click();
        button(page, "Dismiss").click();
        assertThat(button(page, "Put it back")).hasCount(0);
    }

    @Test
    void undo_survives_a_visit_elsewhere_and_a_change_of_the_last_moment_is_kept_and_shown() {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.page();
        page.navigate("/songs/" + song + "/chart");
        Locator text = page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"));
        text.fill(CHART.replace("G7", "E7"));
        // At once, long before it is kept by itself.
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Repertoire"))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Repertoire")))
                .isVisible();
        page.goBack();
        assertThat(text).hasValue(CHART.replace("G7", "E7"));
        JsonNode kept = Stage.kept(page, "/api/songs/" + song, each -> each.contains("E7"));
        assertThat(kept.path("version").asInt()).isEqualTo(2);
        assertThat(page.locator("[data-keeping=kept]")).hasCount(1);
        button(page, "Undo").click();
        assertThat(text).hasValue(CHART);
        Stage.kept(page, "/api/songs/" + song, each -> each.contains("G7"));
        // And by closing the page on it.
        text.fill(CHART.replace("G7", "B7"));
        page.reload();
        assertThat(text).hasValue(CHART.replace("G7", "B7"));
        Stage.kept(page, "/api/songs/" + song, each -> each.contains("B7"));
        assertThat(page.locator("[data-keeping=kept]")).hasCount(1);
    }

    @Test
    void a_note_of_mistakes_leads_to_the_first_of_them() {
        String chart = CHART.replace("Am", "Hxyz");
        Page page = STAGE.page();
        page.navigate("/songs/" + Stage.newSong(chart, "held") + "/left-hand");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("To the mistake"))
                .click();
        Locator text = page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"));
        assertThat(text).isFocused();
        assertThat(text.evaluate("field => field.value.slice(field.selectionStart, field.selectionEnd)"))
                .isEqualTo("Hxyz");
    }

    @Test
    void the_tempo_is_typed_tapped_and_halved() {
        Page page = STAGE.atScore(Stage.newSong(CHART, "held"), "left-hand");
        Locator tempo =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Tempo:")));
        assertThat(tempo).hasText("100");
        tempo.click();
        page.keyboard().type("76");
        page.keyboard().press("Enter");
        assertThat(tempo).hasText("76");
        button(page, "Faster by five").click();
        button(page, "Slower").click();
        assertThat(tempo).hasText("80");
        page.keyboard().press("h");
        assertThat(tempo).hasText("50");
        page.keyboard().press("h");
        assertThat(tempo).hasText("100");
        for (int beat = 0; beat < 4; beat++) {
            page.keyboard().press("t", new com.microsoft.playwright.Keyboard.PressOptions().setDelay(250));
        }
        assertThat(tempo).not().hasText("100");
    }
}
