package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What a choice holds for is said beside it; what changed more than one thinks has its way back. */
class WhereItHoldsTest {

    private static final String CHART =
            "Title: Ballast\nKey: C\nTempo: 100\n[Verse]\n| C | Am | F | G7 |\n[Chorus]\n| F | G | C | C |\n";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static Locator card(Page page, String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Figures"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                .first();
    }

    private static JsonNode choices(Page page, String song, String text) {
        return Stage.kept(page, "/api/songs/" + song, each -> each.contains(text))
                .path("choices");
    }

    @Test
    void the_whole_song_changed_where_bars_were_taken_is_told_and_can_be_only_those_bars() {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.atScore(song, "left-hand");
        assertThat(page.getByText("Choices for the whole song")).isVisible();
        assertThat(page.getByText("for the whole song", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.locator("[data-bar='1']").click();
        page.locator("[data-bar='2']")
                .click(new Locator.ClickOptions()
                        .setModifiers(java.util.List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        card(page, "Pulse in quarters").click();
        assertThat(page.getByText("The whole song changed.")).isVisible();
        choices(page, song, "\"figure\":\"pulse-quarters\"");
        button(page, "Only bars 2–3").click();
        JsonNode kept = choices(page, song, "\"bars\":\"2-3\"");
        assertThat(kept.path("figure").asString()).isEqualTo("held");
        assertThat(kept.path("overrides").path(0).path("figure").asString()).isEqualTo("pulse-quarters");
        assertThat(page.getByText("Choices for bars 2–3")).isVisible();
        assertThat(page.locator("[data-own]")).hasCount(2);
        // The bars are let go of: what is chosen holds for the whole song again.
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Bars of the song"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("all"))
                .click();
        assertThat(page.getByText("Choices for the whole song")).isVisible();
        button(page, "bars 2–3").click();
        button(page, "bars 2–3: as the whole song again").click();
        assertThat(page.locator("[data-own]")).hasCount(0);
    }

    @Test
    void undo_of_the_notice_takes_the_choice_back() {
        String song = Stage.newSong(CHART, "held");
        Page page = STAGE.atScore(song, "left-hand");
        page.locator("[data-bar='4']").click();
        card(page, "Pulse in quarters").click();
        page.getByText("The whole song changed.")
                .locator("..")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(page.getByText("The whole song changed.")).hasCount(0);
        assertThat(card(page, "Held voicing")).hasAttribute("aria-pressed", "true");
    }

    /**
     * What suits the song stands on top, then what one begins with; bars and figures are one stop of the Tab key each.
     */
    @Test
    void figures_come_in_an_order_that_helps_and_are_reached_by_keys() {
        Page page = STAGE.atScore(Stage.newSong(CHART, "held"), "left-hand");
        Locator shelf = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Figures"));
        assertThat(shelf.getByRole(AriaRole.HEADING, new Locator.GetByRoleOptions().setLevel(3))
                        .first())
                .hasText("For this song");
        assertThat(shelf.getByRole(AriaRole.HEADING, new Locator.GetByRoleOptions().setLevel(3))
                        .nth(1))
                .hasText("To begin with");
        assertThat(shelf.locator("button[aria-pressed][tabindex='0']")).hasCount(1);
        assertThat(page.locator("[data-bar][tabindex='0']")).hasCount(1);
        page.locator("[data-bar='0']").focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("[data-bar='1']")).isFocused();
        card(page, "Held voicing").focus();
        page.keyboard().press("ArrowDown");
        assertThat(shelf.locator("button[aria-pressed]:focus")).hasCount(1);
        assertThat(card(page, "Held voicing")).not().isFocused();
        page.keyboard().press("Enter");
        assertThat(card(page, "Held voicing")).hasAttribute("aria-pressed", "false");
        page.keyboard().press("Home");
        page.reload();
        page.locator("[data-bar='0']").waitFor();
        page.keyboard().press("Tab");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("To the work")))
                .isFocused();
        page.keyboard().press("Enter");
        assertThat(page.locator("#work")).isFocused();
    }
}
