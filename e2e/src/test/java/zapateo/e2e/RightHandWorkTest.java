package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.buttonLike;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The right hand over a left hand: chords, the melody, where they meet, what to improvise on. */
class RightHandWorkTest {

    private static final String CHART =
            "Title: Both Hands\nKey: C\nTempo: 160\n| C | F | G7 | C |\nTune: | E4/4 F4/4 G4/2 | B4/1 | F4/4 G4/4 "
                    + "D4/2 | C4/1 |";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static Page open(String song) {
        return STAGE.atScore(song, "right-hand");
    }

    private static Locator rightSteps(Page page) {
        return page.getByLabel("Staff and step line").getByLabel(Pattern.compile("^Step line of bar"));
    }

    private static String right(String song) {
        return Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("choices")
                .path("right")
                .toString();
    }

    private static void kept(Page page, String song, String expected) {
        page.waitForCondition(() -> right(song).contains(expected));
        assertThat(right(song)).contains(expected);
    }

    @Test
    void chords_are_chosen_with_their_rhythm_and_kept() {
        String song = Stage.newSong(CHART, "two-feel");
        Page page = open(song);
        buttonLike(page, "^Chords").click();
        buttonLike(page, "^Two and four").click();
        kept(page, song, "\"figure\":\"two-and-four\"");
        buttonLike(page, "^third on top").click();
        kept(page, song, "\"top\":\"third\"");
        assertThat(rightSteps(page)).hasAttribute("aria-label", Pattern.compile("E\\d"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Left hand"))
                .click();
        assertThat(page.getByLabel("Figures")
                        .getByRole(
                                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Two-feel"))))
                .hasAttribute("aria-pressed", "true");
    }

    @Test
    void the_melody_is_carried_and_a_note_says_what_it_is() {
        String song = Stage.newSong(CHART, "two-feel");
        Page page = open(song);
        buttonLike(page, "^Melody").click();
        buttonLike(page, "^Thirds").click();
        kept(page, song, "\"under\":\"thirds\"");
        assertThat(rightSteps(page)).hasAttribute("aria-label", Pattern.compile("C4\\+E4"));
        Locator fit = page.getByLabel("Fit and notes");
        assertThat(fit).containsText("passing");
        // B held over F is a tritone over its root and rubs against nothing; D is the fifth of G7.
        assertThat(fit).containsText("added tone");
    }

    /** One press: chords by the beat with their basses, and four voices; one press takes it back. */
    @Test
    void a_tune_is_written_as_a_hymn() {
        String song = Stage.newSong(
                "Title: Hymn\nKey: G\n| N.C. | N.C. | N.C. | N.C. |\nTune: | D5/4 B4/4 C5/4 A4/4 | B4/4 A4/4 G4/2 | "
                        + "B4/4 C5/4 A4/4 F#4/4 | G4/1 |",
                "held");
        Page page = open(song);
        buttonLike(page, "^Write it as a hymn, in four parts").click();
        kept(page, song, "\"under\":\"parts\"");
        assertThat(Stage.server().get("/api/songs/" + song).json().path("chart").asString())
                .contains("D")
                .doesNotContain("N.C.");
        assertThat(page.locator("svg g.note").first()).isVisible();
        buttonLike(page, "^Fingers: few").click();
        buttonLike(page, "^Fingers: all").click();
        assertThat(page.locator("svg g.fing")).hasCount(0);
        buttonLike(page, "^Fingers: none").click();
        buttonLike(page, "^Undo").click();
        page.waitForCondition(() -> !right(song).contains("parts"));
        assertThat(Stage.server().get("/api/songs/" + song).json().path("chart").asString())
                .contains("N.C.");
    }

    @Test
    void a_collision_is_mended_and_told() {
        String song = Stage.server()
                .post(
                        "/api/songs",
                        Map.of(
                                "chart",
                                "Title: Close\nKey: E♭\n| E♭ |\nTune: | G3/1 |",
                                "choices",
                                Map.of("figure", "held", "ending", "figure", "right", Map.of("style", "melody"))))
                .json()
                .path("id")
                .asString();
        Page page = open(song);
        assertThat(page.getByText("The left hand leaves out what would run into the right hand"))
                .isVisible();
        assertThat(rightSteps(page)).hasAttribute("aria-label", Pattern.compile("E♭2\\+B♭2 G3$"));
    }

    @Test
    void one_hand_is_muted_and_left_to_the_player() {
        String song = Stage.newSong(CHART, "two-feel");
        Page page = open(song);
        buttonLike(page, "^Chords").click();
        kept(page, song, "comping");
        buttonLike(page, "^left alone").click();
        assertThat(buttonLike(page, "^left alone")).hasAttribute("aria-pressed", "true");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Play").setExact(true))
                .click();
        page.waitForFunction("() => (window.zapateo?.player.heard.length ?? 0) > 3");
        assertThat((Double) page.evaluate("() => window.zapateo.player.piano.R.volume.value"))
                .isLessThan(-60);
        assertThat((Double) page.evaluate("() => window.zapateo.player.piano.L.volume.value"))
                .isGreaterThan(-20);
        buttonLike(page, "^both hands").click();
        page.waitForFunction("() => window.zapateo.player.piano.R.volume.value > -20");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Stop").setExact(true))
                .click();
    }

    @Test
    void notes_to_improvise_on_are_lit_chord_by_chord_while_it_plays() {
        Page page = open(Stage.newSong(CHART, "two-feel"));
        buttonLike(page, "^Improvise").click();
        Locator notes = page.getByLabel("Fit and notes");
        assertThat(notes).containsText("Ionian");
        Locator aims = page.getByLabel("Transport and keyboard").locator("[data-aim=guide]");
        assertThat(aims).hasCount(2);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Play").setExact(true))
                .click();
        assertThat(notes).containsText("Lydian");
        assertThat(notes).containsText("Mixolydian");
        // Third and seventh of G7, in two octaves.
        assertThat(aims).hasCount(4);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Stop").setExact(true))
                .click();
    }

    @Test
    void one_shape_is_found_for_the_chosen_bars() {
        Page page = open(Stage.newSong("Title: Shape\nKey: B♭\n| B♭sus2 | E♭6/9 | Gm11 | C7sus4 |", "held"));
        buttonLike(page, "^One shape").click();
        assertThat(page.getByText("B♭3 C4 F4")).isVisible();
        assertThat(page.getByLabel("What the shape states").getByRole(AriaRole.LISTITEM))
                .hasCount(4);
        assertThat(page.getByLabel("What the shape states")).containsText("loses");
    }

    /**
     * A take by the stand-in for a MIDI keyboard is written under the bars in the rhythm it was meant in, and can be
     * undone.
     */
    @Test
    void the_stand_in_plays_a_melody_in() {
        String song = Stage.newSong("Title: Played In\nKey: C\nTempo: 100\n| C | F |", "two-feel");
        Page page = open(song);
        buttonLike(page, "^Play in").click();
        buttonLike(page, "^Played on").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^the stand-in")))
                .click();
        buttonLike(page, "^Record a take").click();
        page.getByText("Kept: 12 notes.").waitFor();
        String chart = Stage.kept(page, "/api/songs/" + song, text -> text.contains("Melody:"))
                .path("chart")
                .asString();
        // The stand-in's script: quarter, eighth, eighth, over and over.
        assertThat(chart).contains("Melody: | c2 g c g2 c g | c2 f c f2 c f |");
        kept(page, song, "melody");
        buttonLike(page, "^Undo").click();
        assertThat(page.getByLabel("What the right hand plays")).containsText("The left hand plays alone.");
    }

    @Test
    void the_computers_keys_and_the_screens_keyboard_are_played_in_and_no_shortcut_hears_them() {
        String song = Stage.newSong("Title: By Keys\nKey: C\nTempo: 60\n| C | F |", "two-feel");
        Page page = open(song);
        page.locator("[data-bar='0']").click();
        buttonLike(page, "^Play in").click();
        buttonLike(page, "^Record a take").click();
        page.waitForFunction("() => (window.zapateo?.player.elapsed() ?? -9999) > -100");
        page.keyboard().down("k");
        page.waitForFunction("() => window.zapateo.player.elapsed() > 800");
        page.keyboard().up("k");
        page.locator("[data-key='79']").dispatchEvent("pointerdown");
        page.waitForFunction("() => window.zapateo.player.elapsed() > 1200");
        page.locator("[data-key='79']").dispatchEvent("pointerup");
        buttonLike(page, "^Stop the take").click();
        page.getByText("Kept: 2 notes.").waitFor();
        assertThat(Stage.kept(page, "/api/songs/" + song, text -> text.contains("Melody:"))
                        .path("chart")
                        .asString())
                .contains("Melody: | c")
                .contains("g");
    }
}
