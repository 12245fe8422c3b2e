package zapateo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What is arranged is heard: whole songs go through the page's player, and every tone of theirs sounds once. */
class PlayedThroughTest {

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static final List<String> TENTHS = List.of("rolled-tenths", "broken-tenths");
    private static final boolean ENDURE = Boolean.getBoolean("zapateo.endure");
    /** Quarters a minute: a song of 32 bars goes by in some seconds. */
    private static final int BRISK = 2000;
    /**
     * Has the page's player play a whole song, in both hands, out of every vamp at its end; answers what was sent to
     * the piano.
     */
    private static final String PLAYED = """
            async ([song, tempo]) => {
              const { player } = window.zapateo;
              player.set(await (await fetch(`/api/songs/${song}/arrangement`)).json());
              player.setLoop(null);
              player.heard.length = 0;
              player.play(0, tempo, false);
              while (player.playhead().playing) { player.goOn(); await new Promise((done) => setTimeout(done, 20)); }
              return player.heard.map((each) => each.hand + each.tick + '.' + each.midi);
            }""";

    /**
     * All nine demo songs with tenths rolled before the beat or broken, in turn – with both under {@code ./zapateo
     * endure} –, the melody over them.
     */
    @Test
    void every_tone_of_the_demo_songs_sounds_once() throws Exception {
        Page page = STAGE.atScore(Stage.newSong("C F G7 C", "two-feel"), "left-hand");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Play").setExact(true))
                .click();
        page.waitForFunction("() => window.zapateo?.player.playhead().playing");
        page.evaluate("() => window.zapateo.player.stop()");
        int figures = 0;
        try (Stream<Path> songs = Files.list(Path.of("../server/src/main/resources/demo"))) {
            for (Path song : songs.sorted().toList()) {
                for (String figure :
                        figures++ % 2 == 0 || ENDURE ? TENTHS.subList(0, ENDURE ? 2 : 1) : TENTHS.subList(1, 2)) {
                    String id = Stage.server()
                            .post(
                                    "/api/songs",
                                    Map.of(
                                            "chart",
                                            Files.readString(song),
                                            "choices",
                                            Map.of("figure", figure, "right", Map.of("style", "melody"))))
                            .json()
                            .path("id")
                            .asString();
                    List<?> heard = (List<?>) page.evaluate(PLAYED, List.of(id, BRISK));
                    assertThat(counted(heard.stream().map(String::valueOf)))
                            .as(song.getFileName() + " with " + figure)
                            .isEqualTo(counted(arranged(id)));
                }
            }
        }
    }

    /**
     * Counts what React renders: function components that did work in a commit, as its own tools find them, whatever
     * the build.
     */
    private static final String COUNT_RENDERS = """
            (() => {
              window.renders = 0;
              const COMPONENTS = new Set([0, 11, 14, 15]);
              const visit = (now, before) => {
                if (COMPONENTS.has(now.tag) && (!before || (now.flags & 1))) window.renders++;
                if (before && now.child === before.child) return;
                for (let child = now.child; child; child = child.sibling) visit(child, child.alternate);
              };
              window.__REACT_DEVTOOLS_GLOBAL_HOOK__ = {
                supportsFiber: true, renderers: new Map(), inject: () => 1, onCommitFiberUnmount() {}, \
                onPostCommitFiberRoot() {},
                onCommitFiberRoot: (id, root) => visit(root.current, root.current.alternate),
              };
            })()""";

    private static final int RENDERS_A_NOTE = 30;

    /**
     * Only what shows the music is drawn anew with a note: measured on the left-hand view with the staff in sight, six
     * seconds at 132.
     */
    @Test
    void a_note_is_drawn_with_few_components() throws Exception {
        String id = Stage.server()
                .post(
                        "/api/songs",
                        Map.of(
                                "chart",
                                Files.readString(Path.of("../server/src/main/resources/demo/harbour-refrain.txt")),
                                "choices",
                                Map.of("figure", "low-high-middle-high", "right", Map.of("style", "melody"))))
                .json()
                .path("id")
                .asString();
        STAGE.page().addInitScript(COUNT_RENDERS);
        Page page = STAGE.atScore(id, "left-hand");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Play").setExact(true))
                .click();
        page.waitForFunction("() => window.zapateo?.player.heard.length > 8");
        Object[] counted = ((List<?>) page.evaluate("""
                async () => {
                  const { player } = window.zapateo;
                  player.setTempo(132);
                  const [renders, notes] = [window.renders, player.heard.length];
                  while (player.heard.length - notes <= 40) await new Promise((done) => setTimeout(done, 50));
                  return [window.renders - renders, player.heard.length - notes];
                }""")).toArray();
        double renders = ((Number) counted[0]).doubleValue();
        double notes = ((Number) counted[1]).doubleValue();
        System.out.printf("component renders a note: %.1f (%.0f for %.0f notes)%n", renders / notes, renders, notes);
        assertThat(notes).isGreaterThan(25);
        assertThat(renders / notes).isBetween(1.0, (double) RENDERS_A_NOTE);
    }

    private static Stream<String> arranged(String song) {
        return StreamSupport.stream(
                        Stage.server()
                                .get("/api/songs/" + song + "/arrangement")
                                .json()
                                .path("strokes")
                                .spliterator(),
                        false)
                .flatMap(stroke -> StreamSupport.stream(stroke.path("notes").spliterator(), false)
                        .map(note -> stroke.path("hand").asString()
                                + (stroke.path("tick").asInt()
                                        + note.path("delayTicks").asInt(0)) + "."
                                + note.path("midi").asInt()));
    }

    private static Map<String, Long> counted(Stream<String> tones) {
        return tones.collect(Collectors.groupingBy(tone -> tone, TreeMap::new, Collectors.counting()));
    }
}
