package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.buttonLike;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/**
 * The melody typed, brought in and corrected on the staff; licks, sections, what is done where the hands meet, an
 * instrument outside.
 */
class TuneWorkTest {

    private static final String CHART =
            "Title: Corrected\nKey: E♭\nTempo: 120\n[Verse]\n| E♭ | B♭7 |\nMelody: | G4 B4 | A4 F4 |\n[Chorus]\n| "
                    + "A♭ | E♭ |\nMelody: | c4 e2 z2 | B4 z4 |\n";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static String newSong(String chart, Map<String, Object> right) {
        return Stage.server()
                .post(
                        "/api/songs",
                        Map.of("chart", chart, "choices", Map.of("figure", "held", "ending", "figure", "right", right)))
                .json()
                .path("id")
                .asString();
    }

    private static String kept(Page page, String song, Predicate<String> expected) {
        return Stage.kept(page, "/api/songs/" + song, expected).toString();
    }

    private static void keptLine(Page page, String song, String line) {
        kept(page, song, text -> text.contains(line));
    }

    @Test
    void a_melody_is_typed_under_its_bars_in_abc() {
        String song = Stage.newSong("Title: Typed Tune\nKey: F\n| F | B♭ |", "held");
        Page page = STAGE.page();
        page.navigate("/songs/" + song + "/chart");
        Locator text = page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"));
        text.fill("Title: Typed Tune\nKey: F\n| F | B♭ |\nMelody: | F2 A2 c4 | B2 Q4 |\n");
        assertThat(page.getByText("\"Q\" is no note of a tune")).isVisible();
        text.fill("Title: Typed Tune\nKey: F\n| F | B♭ |\nMelody: | F2 A2 c4 | B2 d2 f4 |\n");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Right hand"))
                .click();
        buttonLike(page, "^Melody").click();
        assertThat(page.getByLabel("Fit and notes")).containsText("6 notes; 6 are tones of their chord");
        assertThat(page.getByLabel("Staff and step line").getByLabel(Pattern.compile("^Step line of bar")))
                .hasAttribute("aria-label", Pattern.compile("F4 A4 C5$"));
    }

    @Test
    void a_melody_is_brought_in_from_a_file() {
        Page page = STAGE.page();
        page.navigate("/");
        String abc = "X:1\nT:Brought In\nM:3/4\nL:1/8\nK:G\n\"G\"G2 B2 d2 | \"D7\"c2 A2 F2 |]\n";
        page.locator("input[type=file]")
                .first()
                .setInputFiles(new FilePayload("brought.abc", "text/plain", abc.getBytes(StandardCharsets.UTF_8)));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Put it in|Keep|Bring")))
                .first()
                .click();
        page.waitForURL(Pattern.compile(".*/songs/.*/chart"));
        String id = Stage.server().get("/api/songs").json().findParents("title").stream()
                .filter(line -> line.path("title").asString().equals("Brought In"))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asString();
        assertThat(Stage.server().get("/api/songs/" + id).json().path("chart").asString())
                .contains("Melody: | G2 B2 d2 | c2 A2 F2 |");
    }

    private static Page tuneOfTheFirstBar(String song) {
        Page page = STAGE.atScore(song, "right-hand");
        page.locator("[data-bar='0']").click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Tune").setExact(true))
                .click();
        return page;
    }

    @Test
    void a_note_is_changed_by_keys_buttons_and_the_screens_keyboard_and_taken_back() {
        String song = newSong(CHART, Map.of("style", "melody"));
        Page page = tuneOfTheFirstBar(song);
        buttonLike(page, "^G4, half, bar 1").click();
        page.keyboard().press("ArrowUp");
        keptLine(page, song, "Melody: | A4 B4 | A4 F4 |");
        assertThat(buttonLike(page, "^A♭4, half, bar 1")).hasAttribute("aria-pressed", "true");
        page.keyboard().press("ArrowRight");
        page.keyboard().press(",");
        page.keyboard().press("Shift+ArrowDown");
        keptLine(page, song, "Melody: | A4 B,3 z | A4 F4 |");
        // The bars are chosen by the same arrows elsewhere; here they walked along the tune.
        assertThat(page.locator("[data-bar='0']")).hasAttribute("aria-pressed", "true");
        buttonLike(page, "^longer").click();
        buttonLike(page, "^add a note").click();
        keptLine(page, song, "Melody: | A4 B,2 B,2 | A4 F4 |");
        page.locator("[data-key='76']").dispatchEvent("pointerdown");
        page.locator("[data-key='76']").dispatchEvent("pointerup");
        keptLine(page, song, "Melody: | A4 B,2 =e2 | A4 F4 |");
        buttonLike(page, "^delete").click();
        keptLine(page, song, "Melody: | A4 B,2 z2 | A4 F4 |");
        buttonLike(page, "^A♭4, half, bar 1").click();
        page.keyboard().press("ArrowDown");
        keptLine(page, song, "Melody: | G4 B,2 z2 | A4 F4 |");
        buttonLike(page, "^Undo").click();
        buttonLike(page, "^Undo").click();
        keptLine(page, song, "Melody: | A4 B,2 =e2 | A4 F4 |");
    }

    @Test
    void whoever_deletes_a_note_stays_among_the_notes() {
        String song = newSong(CHART, Map.of("style", "melody"));
        Page page = tuneOfTheFirstBar(song);
        buttonLike(page, "^G4, half, bar 1").click();
        page.keyboard().press("Delete");
        keptLine(page, song, "Melody: | z4 B4 | A4 F4 |");
        Locator next = buttonLike(page, "^B♭4, half, bar 1");
        assertThat(next).isFocused();
        assertThat(next).hasAttribute("aria-pressed", "true");
        page.keyboard().press("ArrowUp");
        keptLine(page, song, "Melody: | z4 c4 | A4 F4 |");
    }

    @Test
    void a_note_is_dragged_on_the_staff() {
        String song = newSong(CHART, Map.of("style", "melody"));
        Page page = tuneOfTheFirstBar(song);
        page.waitForCondition(() -> page.locator(".score g.measure").count() == 1);
        Locator head = page.locator(".score g.staff")
                .first()
                .locator("g.note .notehead")
                .first();
        BoundingBox box = head.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        // Two notes up: one space of the staff, which is as high as a note's head.
        page.mouse().move(box.x + box.width / 2, box.y - box.height / 2);
        page.mouse().up();
        keptLine(page, song, "Melody: | B4 B4 | A4 F4 |");
    }

    @Test
    void a_section_has_its_own_right_hand_and_the_rest_stays() {
        String song = newSong(CHART, Map.of("style", "melody"));
        Page page = STAGE.atScore(song, "right-hand");
        page.locator("[data-bar='2']").click();
        buttonLike(page, "^Chorus").first().click();
        Locator panel = page.getByLabel("What the right hand plays");
        panel.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Chorus"))
                .first()
                .click();
        panel.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Chords"))
                .click();
        panel.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("two in turn"))
                .click();
        String text =
                kept(page, song, each -> each.contains("\"shapes\":\"turn\"") || each.contains("\"shapes\": \"turn\""));
        assertThat(text).contains("sections").contains("\"Chorus\"");
        panel.getByLabel("unison up the chord before a section").check();
        kept(page, song, each -> each.contains("unison"));
        page.locator("[data-bar='0']").click();
        assertThat(panel.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Melody")))
                .hasAttribute("aria-pressed", "true");
    }

    @Test
    void a_lick_made_for_the_chord_is_put_in_its_bar_and_taken_out() {
        String song = newSong(CHART, Map.of("style", "melody"));
        Page page = STAGE.atScore(song, "right-hand");
        page.locator("[data-bar='1']").click();
        buttonLike(page, "^Licks").click();
        Locator lick = page.getByLabel("Licks", new Page.GetByLabelOptions().setExact(true))
                .getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Blues turn to the root"));
        assertThat(lick).containsText("D♭5 D5 B♭4");
        assertThat(lick).containsText("1 1& 2");
        lick.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("hear it"))
                .click();
        lick.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("put it in bar 2"))
                .click();
        assertThat(page.getByLabel("Staff and step line").getByLabel(Pattern.compile("^Step line of bar")))
                .hasAttribute("aria-label", Pattern.compile("D♭5 D5 B♭4"));
        kept(page, song, text -> text.contains("blues-turn"));
        lick.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("take it out"))
                .click();
        kept(page, song, text -> !text.contains("blues-turn"));
    }

    @Test
    void room_made_between_the_hands_is_marked_on_its_bar_and_can_be_left_as_it_was() {
        String song = newSong("Title: Close By\nKey: E♭\n| E♭ | E♭ |\nMelody: | G,8 | B8 |", Map.of("style", "melody"));
        Page page = STAGE.atScore(song, "right-hand");
        assertThat(page.locator("[data-bar='0'] [data-hands=mended]")).isVisible();
        assertThat(page.locator("[data-bar='1'] [data-hands]")).hasCount(0);
        buttonLike(page, "^Both hands").click();
        Locator met = page.getByLabel("How the hands meet");
        assertThat(met).containsText("the left hand leaves out what would run into the right");
        met.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("leave it as it was"))
                .click();
        assertThat(page.locator("[data-bar='0'] [data-hands=kept]")).isVisible();
        assertThat(met).containsText("both hands want one key");
        met.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("keep them apart again"))
                .click();
        assertThat(page.locator("[data-bar='0'] [data-hands=mended]")).isVisible();
        page.locator("[data-bar='1']").click();
        assertThat(page.locator("[data-order]")).hasAttribute("data-order", "1 LR");
    }

    @Test
    void a_digital_piano_is_told_what_to_play_as_late_as_is_wished() {
        String song = newSong(CHART, Map.of("style", "melody"));
        Page page = STAGE.atScore(song, "right-hand");
        buttonLike(page, "^sound").click();
        buttonLike(page, "^Plays on").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^the stand-in")))
                .click();
        double atOnce = playedLateness(page);
        buttonLike(page, "^sound").click();
        page.getByLabel("delay").fill("250");
        double later = playedLateness(page);
        assertThat(later - atOnce).isBetween(225.0, 275.0);
        // Every key that was struck is let go, also when it is stopped.
        page.waitForFunction("""
                () => { const held = new Set();
                  for (const { message: [kind, key] } of window.zapateo.piano.received) {
                    if (kind === 0x90) held.add(key); else if (kind === 0x80) held.delete(key); else held.clear();
                  }
                  return held.size === 0; }""");
    }

    /**
     * Milliseconds from when a note is due by the clock of the music to when the stand-in is told to strike it, but for
     * a constant. Both clocks are read as the note is told: that of the sound halts on a busy machine. What is told too
     * late is struck at once, so a quick one counts.
     */
    private static double playedLateness(Page page) {
        page.keyboard().press("Escape");
        int heardBefore = (Integer) page.evaluate("() => window.zapateo?.player.heard.length ?? 0");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Play").setExact(true))
                .click();
        page.waitForFunction("() => window.zapateo?.piano");
        page.evaluate("""
                () => { const { player, piano } = window.zapateo;
                  window.told = [];
                  window.untold = piano.subscribe(() => {
                    const { message, at } = piano.received.at(-1);
                    const elapsed = player.elapsed();
                    if (message[0] === 0x90 && elapsed !== null) window.told.push({ note: player.heard.length, \
                    ahead: at - performance.now(), elapsed });
                  }); }""");
        page.waitForFunction("() => window.told.length > 8");
        double late = ((Number) page.evaluate("""
                heardBefore => { window.untold();
                  const { heard } = window.zapateo.player;
                  const due = note => (heard[note].time - heard[heardBefore].time) * 1000;
                  const off = window.told.filter(({ note }) => note < heard.length).map(({ note, ahead, elapsed }) \
                  => ahead - (due(note) - elapsed));
                  return off.sort((a, b) => a - b)[off.length >> 2]; }""", heardBefore)).doubleValue();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Stop").setExact(true))
                .click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Play").setExact(true))
                .waitFor();
        return late;
    }

    @Test
    void every_panel_of_the_right_hand_can_be_used_without_seeing_it_well() {
        String song = newSong(CHART, Map.of("style", "melody", "fills", 1));
        Page page = STAGE.atScore(song, "right-hand");
        for (String panel :
                List.of("Tune and chords", "Tune", "Both hands", "Licks", "Improvise", "One shape", "Play in")) {
            page.getByLabel("Fit and notes")
                    .getByRole(
                            AriaRole.BUTTON,
                            new Locator.GetByRoleOptions().setName(panel).setExact(true))
                    .click();
            Stage.settled(page);
            assertThat(Stage.axe(page)).as(panel).isEmpty();
        }
    }
}
