package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.buttonLike;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Hands are measured, and songs are played by them. */
class HandWorkTest {

    private static final Function<String, String> SERVED =
            song -> Stage.server().get("/api/songs/" + song).text();

    private static final String CHART = "Title: By Hand\nKey: C\nTempo: 120\n[Verse]\n| C | Am | F | G |";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static Page open(String song) {
        return STAGE.atScore(song, "left-hand");
    }

    private static void press(Page page, String key) {
        page.evaluate("() => document.activeElement?.blur()");
        page.keyboard().press(key);
    }

    /** What the server has, once it has it. */
    private static JsonNode kept(Page page, String path, String expected) {
        return Stage.kept(page, path, text -> text.contains(expected));
    }

    @Test
    void a_hand_is_measured_by_typing_by_holding_and_on_the_keys() {
        Page page = STAGE.page();
        page.navigate("/hands");
        buttonLike(page, "^Measure my hands").click();
        page.getByRole(
                        AriaRole.SPINBUTTON,
                        new Page.GetByRoleOptions().setName("Thumb to little finger, left hand, in millimetres"))
                .fill("183");
        kept(page, "/api/hands", "\"spanMm\":183");
        buttonLike(page, "^ninth").click();
        kept(page, "/api/hands", "\"spanMm\":188");
        Locator tip = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Tip of the thumb"));
        tip.press("ArrowRight");
        tip.press("ArrowRight");
        kept(page, "/api/hands", "\"spanMm\":190");
        // The thumb's mark is dragged a key to the right: 23.5 mm on the drawing.
        double keyWidth = page.getByLabel("Keys at their true size").boundingBox().width / 12;
        com.microsoft.playwright.options.BoundingBox box = tip.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height * 0.7);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + keyWidth, box.y + box.height * 0.7);
        page.mouse().up();
        JsonNode hands = kept(page, "/api/hands", "\"spanMm\":21");
        assertThat(hands.path(0).path("measures").path("left").path("spanMm").asDouble())
                .isBetween(211.0, 216.0);
        buttonLike(page, "^A tenth: Roll it").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Leave the top out"))
                .click();
        kept(page, "/api/hands", "\"tenths\":\"omit\"");
        assertThat(page.getByText("see a doctor or physiotherapist")).isVisible();
        assertThat(Stage.axe(page)).isEmpty();
    }

    @Test
    void the_screen_is_told_its_scale_by_a_card() {
        Page page = STAGE.page();
        page.navigate("/hands");
        buttonLike(page, "^Measure my hands").click();
        double before = page.getByLabel("Keys at their true size").boundingBox().width;
        buttonLike(page, "^are these keys as large as real ones").click();
        Locator scale = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Scale of the screen"));
        scale.press("PageUp");
        double card = page.getByRole(
                        AriaRole.IMG, new Page.GetByRoleOptions().setName("A frame as large as a bank card should be"))
                .boundingBox()
                .width;
        double keys = page.getByLabel("Keys at their true size").boundingBox().width;
        assertThat(keys).isGreaterThan(before);
        // ISO/IEC 7810 ID-1: 85.60 mm; twelve white keys of 23.5 mm.
        assertThat(card / keys).isBetween(85.60 / (12 * 23.5) * 0.97, 85.60 / (12 * 23.5) * 1.03);
    }

    @Test
    void a_tenth_becomes_a_roll_for_a_smaller_hand() {
        JsonNode hands = Stage.server()
                .post("/api/hands", Map.of("name", "Wide", "measures", Map.of("left", Map.of("spanMm", 250))))
                .json();
        String song = Stage.server()
                .post(
                        "/api/songs",
                        Map.of(
                                "title",
                                "Tenths",
                                "chart",
                                CHART,
                                "choices",
                                Map.of("figure", "held", "voicing", "tenth")))
                .json()
                .path("id")
                .asString();
        Page page = open(song);
        assertThat(page.getByText(Pattern.compile("^2\\d\\d\\.\\d mm of 250$"))).isVisible();
        Stage.server()
                .put(
                        "/api/hands/" + hands.path("id").asString(),
                        Map.of("name", "Smaller", "measures", Map.of("left", Map.of("spanMm", 185)), "version", 1));
        page.reload();
        assertThat(page.getByText(Pattern.compile("^2\\d\\d\\.\\d mm of 185 – rolled$")))
                .isVisible();
        assertThat(page.getByText(Pattern.compile("Wider than the hand, so rolled: bars .*, 4 in all")))
                .isVisible();
    }

    @Test
    void a_finger_is_chosen_and_stays() {
        String song = Stage.newSong(CHART, "spread-eighths");
        Page page = open(song);
        page.locator("#s1n0 .notehead").click();
        buttonLike(page, "^Finger 3").click();
        JsonNode finger = kept(page, "/api/songs/" + song, "\"fingers\":[{")
                .path("choices")
                .path("fingers")
                .path(0);
        assertThat(finger.path("finger").asInt()).isEqualTo(3);
        assertThat(page.getByText("– your own")).isVisible();
        assertThat(buttonLike(page, "^Finger 3")).hasAttribute("aria-pressed", "true");
        buttonLike(page, "^let go").click();
        assertThat(page.getByText("– your own")).isHidden();
    }

    @Test
    void the_level_changes_while_it_plays() {
        String song = Stage.newSong(CHART, "spread-eighths");
        Page page = open(song);
        press(page, "Space");
        page.waitForFunction("() => (window.zapateo?.player.heard.length ?? 0) > 4");
        press(page, "1");
        kept(page, "/api/songs/" + song, "\"level\":1");
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Stop").setExact(true)))
                .isVisible();
        page.waitForFunction(
                "() => { const last = window.zapateo.player.heard.slice(-3); return last.every((tone) => tone.tick "
                        + "% 3840 < 60); }");
        press(page, "0");
        page.waitForCondition(
                () -> !(Stage.server().get("/api/songs/" + song).text().contains("\"level\":1")));
        assertThat(Stage.server()
                        .get("/api/songs/" + song)
                        .json()
                        .path("choices")
                        .has("level"))
                .isFalse();
        press(page, "Space");
    }

    /**
     * The level stands beside the tempo in each view and has its key in each; with one on, its ways are kept with the
     * choices, and go with it.
     */
    @Test
    void the_level_has_its_key_in_every_view() {
        String song = Stage.newSong(CHART, "stride-tenths");
        Page page = open(song);
        for (String view : List.of("chart", "left-hand", "right-hand")) {
            page.navigate("/songs/" + song + "/" + view);
            page.locator("[data-bar='0']").first().waitFor();
            press(page, "2");
            JsonNode kept = kept(page, "/api/songs/" + song, "\"ways\":[");
            assertThat(kept.path("choices").path("level").asInt()).isEqualTo(2);
            assertThat(buttonLike(page, "^Level \\(keys 1 to 5; 0 off\\): level 2"))
                    .isVisible();
            press(page, "0");
            page.waitForCondition(() -> !SERVED.apply(song).contains("\"ways\""));
            assertThat(SERVED.apply(song)).doesNotContain("\"level\":").doesNotContain("\"ways\"");
        }
    }

    @Test
    void how_hard_it_is_shows_its_notes_and_a_bar_is_made_easier_and_taken_back() {
        String song = Stage.newSong(CHART.replace("120", "320"), "octave-rag");
        Page page = open(song);
        assertThat(page.locator("[data-strip=limit]").first()).isVisible();
        buttonLike(page, "^How hard").click();
        page.locator("button[data-bar='1']").click();
        buttonLike(page, "^Jumps").click();
        assertThat(page.locator(".score .lit").first()).isVisible();
        buttonLike(page, "^Make bar 2 easier").click();
        assertThat(page.getByText(Pattern.compile("Difficulty \\d+ instead of \\d+")))
                .isVisible();
        buttonLike(page, "^take it").click();
        JsonNode changed = kept(page, "/api/songs/" + song, "\"overrides\":[{");
        assertThat(changed.path("choices")
                        .path("overrides")
                        .path(0)
                        .path("bars")
                        .asString())
                .isEqualTo("2");
        assertThat(changed.path("choices")
                        .path("overrides")
                        .path(0)
                        .path("level")
                        .asInt())
                .isBetween(1, 5);
        press(page, "Control+z");
        page.waitForCondition(
                () -> !(Stage.server().get("/api/songs/" + song).text().contains("\"bars\":\"2\"")));
        assertThat(Stage.server().get("/api/songs/" + song).text()).doesNotContain("\"bars\":\"2\"");
    }

    @Test
    void five_levels_stand_with_what_they_ask() {
        Page page = open(Stage.newSong(CHART, "stride-root-chord"));
        buttonLike(page, "^How hard").click();
        assertThat(buttonLike(page, "^Level 1: Roots, difficulty \\d+")).isVisible();
        buttonLike(page, "^Level 5").click();
        assertThat(buttonLike(page, "^Level 5")).hasAttribute("aria-pressed", "true");
        assertThat(page.getByText("The fullest of the style")).isVisible();
    }
}
