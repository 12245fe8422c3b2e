package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What a player writes by hand on the step line: one bar of the left hand, a rhythm of the right. */
class ByHandTest {

    private static final String CHART = "Title: Capstan\nKey: C\nTempo: 100\n| C | Am | F | G7 |\n";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static Locator region(Page page, String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name));
    }

    private static Locator button(Locator in, String name) {
        return in.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    private static JsonNode choices(Page page, String song, String text) {
        return Stage.kept(page, "/api/songs/" + song, each -> each.contains(text))
                .path("choices");
    }

    /** An extra bass on "2 &" in this bar only. */
    @Test
    void one_bar_is_broken_out_on_its_step_line() {
        String song = Stage.newSong(CHART, "bass-and-two");
        Page page = STAGE.atScore(song, "left-hand");
        page.locator("[data-bar='1']").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bar 2 by hand"))
                .click();
        Locator bar = region(page, "Bar 2 by hand");
        // The first "&" is that of 1; the second that of 2.
        bar.locator("[data-place]").nth(3).click();
        assertThat(button(bar, "Left hand on &: 5, fifth").first()).isVisible();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowDown");
        JsonNode kept = choices(page, song, " 1@1440:480");
        assertThat(kept.path("overrides").path(0).path("bars").asString()).isEqualTo("2");
        assertThat(kept.path("figure").asString()).isEqualTo("bass-and-two");
        page.keyboard().press("Space");
        page.waitForFunction("() => (window.zapateo?.player.heard ?? []).some((each) => each.tick % 3840 === 1440)");
        page.keyboard().press("Space");
        assertThat(page.locator("[data-own]")).hasCount(1);
        // What is undone is seen on the floor too.
        assertThat(button(bar, "Left hand on &: 1, bass")).isVisible();
        page.keyboard().press("Control+z");
        assertThat(button(bar, "Left hand on &: 1, bass")).hasCount(0);
        page.keyboard().press("Control+Shift+z");
        assertThat(button(bar, "Left hand on &: 1, bass")).isVisible();
        button(bar, "As the figure goes").click();
        Stage.kept(page, "/api/songs/" + song, each -> !each.contains("1@1440:480"));
        assertThat(bar).isHidden();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bar 2 by hand")))
                .isVisible();
    }

    @Test
    void basses_are_had_in_octaves_and_tenths_in_sight() {
        String song = Stage.newSong(CHART, "stride-root-chord");
        Page page = STAGE.atScore(song, "left-hand");
        region(page, "Choices")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Basses"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("In tenths"))
                .click();
        choices(page, song, "\"withBass\":\"tenth\"");
        assertThat(region(page, "Staff and step line")
                        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("C2 E3"))
                        .first())
                .isVisible();
    }

    /** All, lowest, the upper two, lowest: four presses. */
    @Test
    void a_rhythm_of_the_right_hand_is_ones_own_kept_taken_away_and_brought_in() {
        String song = Stage.newSong(CHART, "two-feel");
        Page page = STAGE.atScore(song, "right-hand");
        Locator hand = region(page, "What the right hand plays");
        button(hand, "Chords").click();
        button(hand, "write one").click();
        Locator editor = region(page, "A figure being written");
        editor.getByLabel("Name").fill("Gulls");
        for (int beat = 0; beat < 4; beat++) {
            editor.locator("[data-place]").nth(beat * 2).click();
        }
        assertThat(button(editor, "Right hand on 3: upper, all but the lowest")).isVisible();
        button(editor, "Keep it in my book").click();
        assertThat(editor).isHidden();
        JsonNode right = choices(page, song, "gulls").path("right");
        assertThat(right.path("style").asString()).isEqualTo("comping");
        assertThat(right.path("figure").asString()).startsWith("gulls");
        String id = right.path("figure").asString();
        String file = Stage.server().get("/api/figures/" + id + "/file").text();
        assertThat(file).contains("R:c@0:480 R:cl@960:480 R:cu@1920:480 R:cl@2880:480");
        assertThat(Stage.server().get("/api/figures").text())
                .as("the left hand's book has none of it")
                .doesNotContain("\"" + id + "\"");
        hand.locator("input[type=file]")
                .setInputFiles(new FilePayload(
                        "terns.yaml",
                        "text/yaml",
                        file.replace("id: " + id, "id: terns")
                                .replace("\"Gulls\"", "\"Terns\"")
                                .getBytes(StandardCharsets.UTF_8)));
        assertThat(hand.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Terns"))
                        .first())
                .isVisible();
        assertThat(Stage.server().get("/api/figures/right").text()).contains("\"Terns\"");
    }
}
