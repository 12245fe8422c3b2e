package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.button;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A song's own address: what it needs is asked for before the page is there, and by nobody a second time. */
class OpeningTest {

    private static final String CHART =
            "Key: G\n[Verse]\n| G | Em7 | C | D7 |\n| G | Em7 | Am7 | D7 |\n| G | C | D7 | G |\n";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static List<String> listenedTo(Page page) {
        List<String> asked = new ArrayList<>();
        page.onRequest(request ->
                asked.add(request.method() + " " + URI.create(request.url()).getPath() + "?"
                        + URI.create(request.url()).getQuery()));
        return asked;
    }

    @ParameterizedTest
    @CsvSource({"left-hand, 0-7", "left-hand?bars=2-5, 1-4", "left-hand?bars=9-40, 8-11", "right-hand, 0-7"})
    void nothing_is_asked_for_twice(String view, String staff) {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.page();
        List<String> asked = listenedTo(page);
        STAGE.atScore(song, view);
        Stage.settled(page);
        assertThat(asked)
                .filteredOn(each -> each.contains("/api/"))
                .doesNotHaveDuplicates()
                .contains(
                        "GET /api/hands?null",
                        "GET /api/songs/" + song + "?null",
                        "POST /api/charts/parse?sections=false",
                        "POST /api/arrangements?bars=0-191",
                        "POST /api/arrangements/score?bars=" + staff + "&fingers=few");
    }

    @Test
    void a_press_on_its_link_sends_for_it() {
        String song = Stage.newSong("Title: Sent For\n" + CHART, "held");
        Page page = STAGE.page();
        page.navigate("/");
        List<String> asked = listenedTo(page);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sent For"))
                .click();
        page.locator(".score[data-ready=yes]").waitFor();
        Stage.settled(page);
        assertThat(asked)
                .filteredOn(each -> each.contains("/api/songs/" + song))
                .hasSize(1);
        assertThat(asked).filteredOn(each -> each.startsWith("POST /api/")).doesNotHaveDuplicates();
    }

    /** What was changed a moment before is what is opened again. */
    @Test
    void what_is_still_being_kept_is_waited_for() {
        String song = Stage.newSong("Title: Left In Haste\n" + CHART, "held");
        Page page = STAGE.page();
        page.addInitScript(
                "const send = window.fetch; window.fetch = async (what, how) => { if ((what.method ?? how?.method) "
                        + "=== 'PUT') await new Promise((late) => setTimeout(late, 600)); return send(what, how); };");
        page.navigate("/songs/" + song + "/chart");
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"))
                .fill("Title: Left In Haste\n| F | B♭ |");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Repertoire").setExact(true))
                .first()
                .click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Left In Haste"))
                .click();
        assertThat(page.getByLabel("Grand staff, bars 1 to 2")).isVisible();
        Stage.kept(page, "/api/songs/" + song, text -> text.contains("| F | B♭ |"));
    }

    @Test
    void the_chart_asks_for_no_engraver() {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.page();
        List<String> asked = listenedTo(page);
        page.navigate("/songs/" + song + "/chart");
        assertThat(button(page, "Bar 1: G")).isVisible();
        Stage.settled(page);
        assertThat(asked).noneMatch(each -> each.contains("verovio"));
    }

    /** Unkept work of this browser is what is asked for, not what the server has. */
    @Test
    void what_could_not_be_kept_is_what_is_opened() {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.page();
        page.navigate("/");
        page.evaluate(
                "([song, draft]) => localStorage.setItem(`zapateo.unkept.${song}`, JSON.stringify({ format: 2, "
                        + "version: 1, draft }))",
                List.of(
                        song,
                        Map.of(
                                "chart",
                                "Key: D\n| D | G | A7 | D |\n",
                                "choices",
                                Map.of("figure", "pulse-quarters"),
                                "arrangement",
                                "Left hand",
                                "others",
                                List.of())));
        List<String> asked = listenedTo(page);
        STAGE.atScore(song, "left-hand");
        Stage.settled(page);
        assertThat(page.getByLabel("Grand staff, bars 1 to 4")).isVisible();
        assertThat(asked)
                .filteredOn(each -> each.startsWith("POST /api/arrangements?"))
                .hasSize(1);
    }
}
