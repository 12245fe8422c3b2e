package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static zapateo.e2e.Stage.buttonLike;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Practising: a take of the stand-in judged, step by step, the ladder, the plan of a day, the log. */
class PractiseWorkTest {

    /** A quick song, so that a pass is short. */
    private static final String CHART = "Title: Fingers\nKey: C\nTempo: 200\n| C | G7 | C | G7 |";

    private static final String SHORT = "Title: Wrist\nKey: C\nTempo: 200\n| C | G7 |";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static Page open(String song) {
        Page page = STAGE.atScore(song, "practise");
        page.getByText("goes on by itself").click();
        return page;
    }

    private static void playedOn(Page page, String instrument) {
        buttonLike(page, "^Played on").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile(instrument)))
                .click();
    }

    private static Locator result(Page page) {
        Locator result = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("How it went"));
        assertThat(result).isVisible();
        return result;
    }

    @Test
    void a_take_with_three_planted_mistakes_shows_just_these() {
        String song = Stage.newSong(CHART, "stride-root-chord");
        Page page = open(song);
        playedOn(page, "with three mistakes");
        buttonLike(page, "^Begin$").click();
        Locator result = result(page);
        assertThat(result.getByRole(AriaRole.LISTITEM)).hasCount(3);
        assertThat(result).containsText(" instead of ");
        assertThat(result).containsText("missing");
        assertThat(result).containsText("Late by");
        assertThat(page.getByRole(
                        AriaRole.IMG,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile("^The take:.*1 late, 1 another key, 1 missing"))))
                .isVisible();
        page.waitForCondition(
                () -> Stage.server().get("/api/practice/log").text().contains(song));
    }

    @Test
    void the_ladder_climbs_after_two_clean_passes_and_falls_after_two_that_were_not() {
        String song = Stage.newSong(SHORT, "held");
        Page page = open(song);
        Locator stairs = page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Tempo ")));
        assertThat(stairs).hasAttribute("aria-label", Pattern.compile("^Tempo 120 of 200"));
        playedOn(page, "does not talk");
        for (int pass = 0; pass < 2; pass++) {
            buttonLike(page, "^(Begin|Again)$").click();
            assertThat(page.getByText("Was it clean?")).isVisible();
            page.keyboard().press("c");
        }
        assertThat(stairs).hasAttribute("aria-label", Pattern.compile("^Tempo 126 of 200"));
        for (int pass = 0; pass < 2; pass++) {
            buttonLike(page, "^Again$").click();
            assertThat(page.getByText("Was it clean?")).isVisible();
            buttonLike(page, "^Once more$").click();
        }
        assertThat(stairs).hasAttribute("aria-label", Pattern.compile("^Tempo 120 of 200"));
    }

    /** A MIDI keyboard with a pedal that stands in for one: its messages are sent by hand. */
    private static final String PLUGGED = """
            const input = new EventTarget();
            Object.assign(input, { id: 'fake', name: 'Cabin piano' });
            navigator.requestMIDIAccess = async () => ({ inputs: new Map([['fake', input]]), outputs: new Map() });
            window.midi = (...data) => {
              const event = new Event('midimessage');
              Object.defineProperty(event, 'data', { value: new Uint8Array(data) });
              input.dispatchEvent(event);
            };""";

    @Test
    void hands_stay_on_the_keys_the_pedal_begins_and_says_that_it_was_clean() {
        STAGE.page().addInitScript(PLUGGED);
        String song = Stage.newSong(SHORT, "held");
        Page page = open(song);
        playedOn(page, "Cabin piano");
        page.evaluate("midi(0xb0, 64, 127)");
        assertThat(page.getByText(Pattern.compile("One bar of clicks|of \\d notes|notes$")))
                .isVisible();
        page.evaluate("midi(0xb0, 64, 0)");
        // Nobody played: the pedal says it was clean all the same, and it is in the log.
        assertThat(page.getByText("Was it clean?")).isVisible();
        page.evaluate("midi(0xb0, 64, 127)");
        page.waitForCondition(
                () -> Stage.server().get("/api/practice/log").text().contains(song));
        org.assertj.core.api.Assertions.assertThat(Stage.server()
                        .get("/api/practice/log")
                        .json()
                        .path(0)
                        .path("clean")
                        .asBoolean())
                .isTrue();
    }

    @Test
    void tempos_of_ones_own_are_the_steps_of_the_ladder() {
        Page page = open(Stage.newSong(CHART, "held"));
        Locator stairs = page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Tempo ")));
        page.getByLabel("Tempos of your own").fill("100 150");
        assertThat(stairs).hasAttribute("aria-label", "Tempo 100 of 200: step 1 of 3");
        buttonLike(page, "^A step faster$").click();
        assertThat(stairs).hasAttribute("aria-label", "Tempo 150 of 200: step 2 of 3");
    }

    /** G2 lies beyond the computer's keys: the keyboard of the screen is played. */
    @Test
    void step_by_step_nothing_moves_until_the_right_keys_are_down() {
        Page page = open(Stage.newSong(CHART, "stride-root-chord"));
        buttonLike(page, "^Step by step$").click();
        Locator says = page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Step "));
        assertThat(says).containsText("Step 1 of");
        assertThat(says).containsText("left hand");
        String asked = Stage.server()
                .post(
                        "/api/practice/asked",
                        Map.of(
                                "chart",
                                CHART,
                                "choices",
                                Map.of("figure", "stride-root-chord"),
                                "bars",
                                "0-3",
                                "layer",
                                "left",
                                "tempo",
                                120))
                .json()
                .path("notes")
                .path(0)
                .path("midi")
                .asString();
        Locator right = page.locator("[data-key='" + asked + "']");
        Locator wrong = page.locator("[data-key='" + (Integer.parseInt(asked) + 2) + "']");
        wrong.dispatchEvent("pointerdown", Map.of("pointerId", 1));
        assertThat(says).containsText("is another key");
        assertThat(says).containsText("Step 1 of");
        wrong.dispatchEvent("pointerup", Map.of("pointerId", 1));
        right.dispatchEvent("pointerdown", Map.of("pointerId", 1));
        right.dispatchEvent("pointerup", Map.of("pointerId", 1));
        assertThat(says).containsText("Step 2 of");
        page.keyboard().press("ArrowRight");
        assertThat(says).containsText("Step 3 of");
    }

    @Test
    void what_failed_yesterday_is_in_the_plan_of_today_and_a_press_takes_it() {
        Stage.server()
                .get("/api/practice/goals")
                .json()
                .forEach(goal -> Stage.server()
                        .delete("/api/practice/goals/" + goal.path("song").asString()));
        String song = Stage.newSong(CHART, "stride-root-chord");
        Stage.server()
                .put(
                        "/api/practice/goals/" + song,
                        Map.of(
                                "tempo",
                                160,
                                "arrangement",
                                Map.of("chart", CHART, "choices", Map.of("figure", "stride-root-chord"))));
        String yesterday = LocalDate.now().minusDays(1).toString();
        Stage.server()
                .post(
                        "/api/practice/log",
                        Map.of(
                                "id",
                                UUID.randomUUID().toString(),
                                "song",
                                song,
                                "day",
                                yesterday,
                                "first",
                                1,
                                "last",
                                4,
                                "layer",
                                "left",
                                "tempo",
                                96,
                                "clean",
                                false,
                                "seconds",
                                9));
        Page page = open(song);
        Locator plan = page.getByLabel("Today's plan");
        Locator failed = plan.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("It did not hold last time."));
        assertThat(failed.first()).isVisible();
        failed.first().getByRole(AriaRole.BUTTON).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("bars 1–4"))))
                .isVisible();
        Stage.server().delete("/api/practice/goals/" + song);
    }

    @Test
    void the_log_shows_its_pictures_and_can_be_taken_away() throws IOException {
        String song = Stage.newSong(CHART, "held");
        Stage.server()
                .post(
                        "/api/practice/log",
                        "{'id':'%s','song':'%s','first':1,'last':2,'layer':'left','tempo':96,'clean':true,'seconds':600,'right':0.97,'unevenMs':11,'word':'wind against us'}"
                                .formatted(UUID.randomUUID(), song)
                                .replace('\'', '"'));
        Page page = open(song);
        buttonLike(page, "^the log and its pictures$").click();
        Locator log = page.getByRole(AriaRole.DIALOG);
        assertThat(log.getByText("wind against us")).isVisible();
        assertThat(log.locator("figure svg").first()).isVisible();
        assertThat(log.getByRole(
                        AriaRole.IMG,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^Tempo by day. bars 1–2: 96"))))
                .isVisible();
        Download download =
                page.waitForDownload(() -> log.getByText("as a table (CSV)").click());
        org.assertj.core.api.Assertions.assertThat(Files.readString(download.path()))
                .contains("wind against us");
    }

    /**
     * Of stride the bass on 1 and 3 is the player's, the chords after it are heard. Source: the arrangement's own
     * strokes.
     */
    @Test
    void of_one_hand_only_what_is_asked_for_is_left_to_the_player_and_a_word_comes_after_it() {
        String song = Stage.newSong(CHART, "stride-root-chord");
        Page page = open(song);
        buttonLike(page, "^What").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("the basses alone"))
                .click();
        playedOn(page, "plays it as asked");
        buttonLike(page, "^Begin$").click();
        result(page);
        Object heard = page.evaluate(
                "() => window.zapateo.player.heard.filter((tone) => tone.tick % 1920 === 0).length + ' on the beats "
                        + "of the bass, ' + (window.zapateo.player.heard.length > 8 ? 'chords' : 'none')");
        org.assertj.core.api.Assertions.assertThat(heard).isEqualTo("0 on the beats of the bass, chords");
        page.getByLabel("A word for the log").fill("the thumb leads");
        buttonLike(page, "^write it beside the last pass$").click();
        page.waitForCondition(
                () -> Stage.server().get("/api/practice/log").text().contains("the thumb leads"));
        org.assertj.core.api.Assertions.assertThat(Stage.server()
                        .get("/api/practice/log")
                        .json()
                        .valueStream()
                        .filter(pass -> pass.path("song").asString().equals(song))
                        .count())
                .isOne();
    }

    @Test
    void a_time_through_step_by_step_is_kept() {
        String song = Stage.newSong("Title: Short\nKey: C\nTempo: 120\n| C |", "held");
        Page page = open(song);
        buttonLike(page, "^Step by step$").click();
        // What is asked for has to be there before a key can be the right one.
        assertThat(page.getByText(Pattern.compile("Step 1 of 1:"))).isVisible();
        Stage.server()
                .post(
                        "/api/practice/asked",
                        Map.of(
                                "chart",
                                "| C |",
                                "choices",
                                Map.of("figure", "held"),
                                "bars",
                                "0",
                                "layer",
                                "left",
                                "tempo",
                                120))
                .json()
                .path("notes")
                .forEach(note -> {
                    Locator key = page.locator("[data-key='" + note.path("midi").asString() + "']");
                    key.dispatchEvent("pointerdown", Map.of("pointerId", 1));
                });
        assertThat(page.getByText(Pattern.compile("Times through: [0-9.]+ s; step 1 took longest")))
                .isVisible();
        org.assertj.core.api.Assertions.assertThat(Stage.server()
                        .get("/api/practice/steps/" + song + "?first=1&last=1&layer=left")
                        .json()
                        .path(0)
                        .path("ms")
                        .size())
                .isOne();
    }

    @Test
    void what_hurts_shows_the_cautions_and_names_no_illness() {
        Page page = open(Stage.newSong(CHART, "held"));
        page.getByLabel("Did something hurt?").fill("the wrist");
        assertThat(page.getByText("ask a teacher or a doctor")).isVisible();
    }
}
