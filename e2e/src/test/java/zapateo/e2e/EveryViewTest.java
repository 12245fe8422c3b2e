package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every view can be used without seeing it well in the dark scheme too (by day: {@link LayoutTest}); and with nothing
 * in it.
 */
class EveryViewTest {

    @RegisterExtension
    static final Stage STAGE = new Stage();

    @ParameterizedTest(name = "{0} in the {1} scheme at {2}")
    @CsvSource({
        "repertoire,stage,1280",
        "chart,stage,1280",
        "left-hand,stage,1280",
        "right-hand,stage,1024",
        "colour,stage,1024",
        "practise,stage,1024",
        "hands,stage,1024"
    })
    void axe_finds_nothing(String view, String scheme, int width) {
        Page page = STAGE.page();
        page.setViewportSize(width, width == 1280 ? 800 : 768);
        page.addInitScript("localStorage.setItem('zapateo.scheme', '" + scheme + "')");
        page.navigate(
                view.equals("repertoire")
                        ? "/"
                        : view.equals("hands")
                                ? "/hands"
                                : "/songs/" + Stage.newSong("Title: Seen\nKey: F\n[Verse]\n| F | H |", "held") + "/"
                                        + view);
        page.waitForLoadState();
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                .waitFor();
        if (view.endsWith("-hand") || view.equals("colour") || view.equals("practise")) {
            page.locator(".score[data-ready=yes]").waitFor();
        }
        assertThat(Stage.axe(page)).isEmpty();
    }

    @Test
    void a_song_without_bars_leads_to_its_chart() {
        Page page = STAGE.page();
        page.navigate("/songs/" + Stage.newSong("", "held") + "/left-hand");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("To the chart"))
                .click();
        assertThat(page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text")))
                .isVisible();
    }

    @Test
    void a_song_that_is_gone_is_said_to_be() {
        Page page = STAGE.page();
        page.navigate("/songs/00000000-0000-4000-8000-00000000dead/chart");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("This song is not here")))
                .isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("To the repertoire"))
                .click();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Slow Tide")))
                .isVisible();
    }

    @Test
    void a_song_is_removed_and_put_back() {
        Stage.newSong("Title: Came Back\n| C |", "held");
        Page page = STAGE.page();
        page.navigate("/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Remove Came Back"))
                .click();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Came Back")))
                .hasCount(0);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put it back"))
                .click();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Came Back")))
                .isVisible();
    }

    @Test
    void a_server_that_does_not_answer_leaves_the_work_on_the_screen() {
        String id = Stage.newSong("Title: Storm\n| C |", "held");
        Page page = STAGE.page();
        page.navigate("/songs/" + id + "/chart");
        page.route("**/api/songs/*", route -> {
            if (route.request().method().equals("PUT")) {
                route.abort();
            } else {
                route.resume();
            }
        });
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"))
                .fill("Title: Storm\n| F |");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Not kept yet");
        page.unroute("**/api/songs/*");
        page.locator("[data-keeping=kept]").waitFor();
        assertThat(Stage.server().get("/api/songs/" + id).json().path("chart").asString())
                .isEqualTo("Title: Storm\n| F |");
    }
}
