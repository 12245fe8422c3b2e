package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/**
 * A first song in a browser that has nothing yet: typed, heard, another figure, the own hand, kept. How long it takes
 * is measured by the bench.
 */
class NewcomerTest {

    private static final int HEARD_WITHIN = 4;

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private int actions;

    private void act(Runnable action) {
        actions++;
        action.run();
    }

    @Test
    void four_actions_to_a_left_hand_that_is_heard_and_a_few_more_to_ones_own() {
        Page page = STAGE.page();
        page.navigate("/");
        act(() -> page.getByLabel("A new song: its chords").fill("Fm7 B♭7 E♭ Cm7"));
        act(() -> page.keyboard().press("Enter"));
        page.locator(".score[data-ready=yes]").waitFor();
        act(() -> page.keyboard().press("Space"));
        page.waitForFunction("() => (window.zapateo?.player.heard ?? []).length > 0");
        assertThat(actions).isLessThanOrEqualTo(HEARD_WITHIN);
        act(() -> page.keyboard().press("Space"));
        String before = page.locator("[aria-label=Figures] button[aria-pressed=true]")
                .last()
                .textContent();
        act(() -> page.locator("[aria-label=Figures] li li button[aria-pressed=false]")
                .first()
                .click());
        assertThat(page.locator("[aria-label=Figures] button[aria-pressed=true]")
                        .last())
                .not()
                .hasText(before);
        act(() -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("My hands"))
                .first()
                .click());
        act(() -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Measure")))
                .first()
                .click());
        act(() -> page.getByRole(
                        AriaRole.SPINBUTTON,
                        new Page.GetByRoleOptions().setName("Thumb to little finger, left hand, in millimetres"))
                .fill("183"));
        Stage.kept(page, "/api/hands", text -> text.contains("\"spanMm\":183"));
        JsonNode song = Stage.server().get("/api/songs").json();
        assertThat(song.findValuesAsString("title")).anyMatch(title -> title.startsWith("Fm7 B♭7 E♭"));
        assertThat(actions).isEqualTo(8);
    }
}
