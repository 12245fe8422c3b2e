package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** One song, one truth: whatever endpoint names a bar, a tick or a stroke names the same one. */
class OneSongTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final int SONGS = Boolean.getBoolean("zapateo.endure") ? 200 : 60;
    private static final List<String> FIGURES =
            List.of("rolled-tenths", "broken-tenths", "stride-tenths", "spread-eighths");
    private static final List<String> CHORDS =
            List.of("C", "Am7", "F/A", "G7", "D♭", "A♭7", "E♭ B♭7", "Dm . G7 .", "N.C.", "C6");
    private static final List<String> TUNES = List.of("G,8", "c4 d4", "z4 e2 f2", "c3 d e4", "G2 A2 B2 c2");

    /** A chart with a melody, repeats, now and then a pick-up; the same seed writes the same one. */
    private static String chart(int seed) {
        Random random = new Random(seed * 0x9E3779B97F4A7C15L);
        int bars = 2 + random.nextInt(4);
        boolean pickup = random.nextInt(3) == 0;
        StringBuilder row = new StringBuilder("Tempo: " + (50 + random.nextInt(150)) + "\nFeel: "
                + (random.nextBoolean() ? "swing" : "straight") + "\n");
        row.append(pickup ? "| (pickup 1) N.C. |: " : "|: ");
        StringBuilder tune = new StringBuilder("Melody: | ").append(pickup ? "G2 | " : "");
        for (int bar = 0; bar < bars; bar++) {
            row.append(CHORDS.get(random.nextInt(bar == 0 ? 7 : CHORDS.size()))).append(bar + 1 < bars ? " | " : " :|");
            tune.append(TUNES.get(random.nextInt(TUNES.size()))).append(" | ");
        }
        return row + "\n" + tune + "\n";
    }

    private static Map<String, Object> request(String chart, String figure) {
        return Map.of("chart", chart, "choices", Map.of("figure", figure, "right", Map.of("style", "melody")));
    }

    @Test
    void every_endpoint_names_the_same_bars_ticks_and_strokes() {
        for (int seed = 0; seed < SONGS; seed++) {
            Map<String, Object> request = request(chart(seed), FIGURES.get(seed % FIGURES.size()));
            JsonNode arranged = SERVER.post("/api/arrangements", request).json();
            String song = "seed " + seed;
            List<String> chords = new ArrayList<>();
            JsonNode bars = arranged.path("bars");
            assertThat(bars.path(0).path("tick").asInt()).as(song).isZero();
            for (JsonNode bar : bars) {
                assertThat(bars.path(bar.path("index").asInt())).as(song).isEqualTo(bar);
                bar.path("chords")
                        .forEach(chord -> chords.add(
                                chord.path("symbol").asString().equals("N.C.")
                                        ? ""
                                        : bar.path("index") + "@" + chord.path("tick")
                                                + chord.path("symbol").asString()));
            }
            chords.removeIf(String::isEmpty);
            assertThat(each(
                            SERVER.post("/api/right-hand/notes", request).json().path("chords"),
                            over -> over.path("bar") + "@" + over.path("tick") + over.path("chord")))
                    .as(song)
                    .isEqualTo(chords);
            List<String> fit = each(
                    SERVER.post("/api/right-hand/fit", request).json().path("notes"),
                    note -> note.path("bar") + "@" + note.path("tick"));
            List<String> sung = new ArrayList<>();
            List<String> ids = new ArrayList<>();
            int earliest = 0;
            for (JsonNode stroke : arranged.path("strokes")) {
                JsonNode bar = bars.path(stroke.path("bar").asInt());
                int tick = stroke.path("written")
                        .path("tick")
                        .asInt(stroke.path("tick").asInt());
                String place = usual(stroke, bar);
                String id = stroke.path("id").asString(place);
                assertThat(id).as(song).matches(Pattern.quote(place) + "(\\.[1-9])?");
                ids.add(id);
                if (stroke.path("origin").asString("").contains("tune")) {
                    sung.add(stroke.path("bar") + "@" + tick);
                }
                for (JsonNode note : stroke.path("notes")) {
                    earliest = Math.min(
                            earliest,
                            stroke.path("tick").asInt()
                                    + note.path("delayTicks").asInt(0));
                }
            }
            assertThat(fit).as(song).containsAll(sung);
            if (seed % 10 == 0) {
                ofOneBar(song, request, bars.path(seed / 10 % bars.size()));
            }
            assertThat(arranged.path("leadInTicks").asInt()).as(song).isEqualTo(-earliest);
            assertThat(ids).as(song).doesNotHaveDuplicates();
        }
    }

    /** What is asked of one bar, by its number or its index, is answered of that bar. */
    private static void ofOneBar(String song, Map<String, Object> request, JsonNode bar) {
        int index = bar.path("index").asInt();
        List<String> chords = new ArrayList<>(
                each(bar.path("chords"), chord -> chord.path("symbol").asString()));
        chords.removeIf("N.C."::equals);
        Map<String, Object> shape = new java.util.HashMap<>(request);
        shape.put("bars", bar.path("number").toString());
        RealServer.Answer held = SERVER.post("/api/right-hand/one-shape", shape);
        assertThat(held.status()).as(song).isEqualTo(chords.isEmpty() ? 422 : 200);
        if (!chords.isEmpty()) {
            assertThat(each(held.json().path("over"), over -> over.path("chord").asString()))
                    .as(song)
                    .isEqualTo(chords);
        }
        Map<String, Object> here = new java.util.HashMap<>(request);
        here.put("bar", index);
        SERVER.post("/api/right-hand/licks", here)
                .json()
                .forEach(lick -> lick.path("notes")
                        .forEach(note -> assertThat(note.path("tick").asInt())
                                .as(song)
                                .isBetween(0, bar.path("ticks").asInt() - 1)));
        here.put("notes", List.of(Map.of("ms", 0, "held", 100, "midi", 72)));
        assertThat(SERVER.post("/api/right-hand/take", here)
                        .json()
                        .path("bars")
                        .path(0)
                        .asString())
                .as(song)
                .startsWith("C5");
    }

    /** With a roll before bar 1, what is said of a bar is said of the bar that is meant. */
    @Test
    void a_roll_into_the_first_bar_moves_nothing() {
        Map<String, Object> request =
                request("| D♭ | A♭7 | G♭ | D♭ |\nMelody: | f4 a4 | g4 e4 | d4 B4 | d8 |", "rolled-tenths");
        JsonNode arranged = SERVER.post("/api/arrangements", request).json();
        assertThat(arranged.path("leadInTicks").asInt()).isPositive();
        assertThat(each(arranged.path("bars"), bar -> bar.path("index") + "." + bar.path("number")))
                .containsExactly("0.1", "1.2", "2.3", "3.4");
        JsonNode fit = SERVER.post("/api/right-hand/fit", request).json().path("notes");
        assertThat(StreamSupport.stream(fit.spliterator(), false)
                        .filter(note -> note.path("bar").asInt() == 1)
                        .map(note -> note.path("name").asString()))
                .containsExactly("G5", "E5");
        RealServer.Answer take = SERVER.post(
                "/api/right-hand/take",
                Map.of(
                        "chart",
                        request.get("chart"),
                        "choices",
                        request.get("choices"),
                        "bar",
                        3,
                        "notes",
                        List.of(Map.of("ms", 0, "held", 900, "midi", 61))));
        assertThat(take.status()).isEqualTo(200);
        assertThat(take.json().path("bars")).hasSize(1);
    }

    /** What is changed elsewhere leaves the names of strokes alone. */
    @Test
    void a_stroke_keeps_its_name() {
        List<String> before = ids("| C | F | G7 | C |");
        List<String> after = ids("| C | F | Dm G7 | C |");
        assertThat(after)
                .containsAll(before.stream()
                        .filter(id -> !id.split("\\.")[2].equals("3"))
                        .toList());
    }

    private static List<String> ids(String chart) {
        JsonNode arranged = SERVER.post("/api/arrangements", request(chart, "stride-root-chord"))
                .json();
        return each(
                arranged.path("strokes"),
                stroke -> stroke.path("id")
                        .asString(usual(
                                stroke,
                                arranged.path("bars").path(stroke.path("bar").asInt()))));
    }

    /** What a stroke is called that is not named: its hand and where it is written. */
    private static String usual(JsonNode stroke, JsonNode bar) {
        int tick = stroke.path("written").path("tick").asInt(stroke.path("tick").asInt());
        return stroke.path("hand").asString() + bar.path("number") + "."
                + bar.path("round").asString("1") + "."
                + (tick - bar.path("tick").asInt());
    }

    private static List<String> each(JsonNode array, java.util.function.Function<JsonNode, String> said) {
        return IntStream.range(0, array.size())
                .mapToObj(i -> said.apply(array.path(i)).replace("\"", ""))
                .toList();
    }
}
