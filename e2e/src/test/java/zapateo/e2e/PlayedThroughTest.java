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
    /** Quarters a minute: a song of 32 bars goes by in some seconds. */
    private static final int BRISK = 1200;
    /** Has the page's player play a whole song, in both hands, out of every vamp at its end; answers what was sent to the piano. */
    private static final String PLAYED = """
            async ([song, tempo]) => {
              const { player } = window.zapateo;
              player.set(window.zapateo.filled(await (await fetch(`/api/songs/${song}/arrangement`)).json()));
              player.setLoop(null);
              player.heard.length = 0;
              player.play(0, tempo, false);
              while (player.playhead().playing) { player.goOn(); await new Promise((done) => setTimeout(done, 20)); }
              return player.heard.map((each) => each.hand + each.tick + '.' + each.midi);
            }""";

    /** All nine demo songs with tenths rolled before the beat and broken, the melody over them. */
    @Test
    void every_tone_of_the_demo_songs_sounds_once() throws Exception {
        Page page = STAGE.atScore(Stage.newSong("C F G7 C", "two-feel"), "left-hand");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Play").setExact(true)).click();
        page.waitForFunction("() => window.zapateo?.player.playhead().playing");
        page.evaluate("() => window.zapateo.player.stop()");
        try (Stream<Path> songs = Files.list(Path.of("../server/src/main/resources/demo"))) {
            for (Path song : songs.sorted().toList()) {
                for (String figure : TENTHS) {
                    String id = Stage.server().post("/api/songs", Map.of("chart", Files.readString(song), "choices", Map.of("figure", figure, "right", Map.of("style", "melody")))).json()
                            .path("id").asString();
                    List<?> heard = (List<?>) page.evaluate(PLAYED, List.of(id, BRISK));
                    assertThat(counted(heard.stream().map(String::valueOf))).as(song.getFileName() + " with " + figure).isEqualTo(counted(arranged(id)));
                }
            }
        }
        STAGE.expectNothingBroke();
    }

    private static Stream<String> arranged(String song) {
        return StreamSupport.stream(Stage.server().get("/api/songs/" + song + "/arrangement").json().path("strokes").spliterator(), false)
                .flatMap(stroke -> StreamSupport.stream(stroke.path("notes").spliterator(), false)
                        .map(note -> stroke.path("hand").asString() + (stroke.path("tick").asInt() + note.path("delayTicks").asInt(0)) + "." + note.path("midi").asInt()));
    }

    private static Map<String, Long> counted(Stream<String> tones) {
        return tones.collect(Collectors.groupingBy(tone -> tone, TreeMap::new, Collectors.counting()));
    }
}
