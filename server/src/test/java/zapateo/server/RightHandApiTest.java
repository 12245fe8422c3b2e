package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The right hand over HTTP: what it plays, how a melody fits, what to improvise on. */
class RightHandApiTest {

    private static final String TUNE = "Key: C\n| C | F | G7 | C |\nTune: | E4/4 F4/4 G4/2 | A4/1 | F4/4 A♭4/4 D4/2 | C4/1 |";

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static List<String> texts(JsonNode list, String field) {
        return StreamSupport.stream(list.spliterator(), false).map(each -> each.path(field).asString()).toList();
    }

    private static JsonNode arrange(String chart, Map<String, Object> right) {
        return SERVER.post("/api/arrangements", Map.of("chart", chart, "choices", Map.of("figure", "two-feel", "right", right))).json();
    }

    @Test
    void the_right_hand_comps_in_its_own_rhythm_and_has_fingers() {
        JsonNode answer = arrange("| Dm7 | G7 |", Map.of("style", "comping", "figure", "two-and-four", "top", "third"));
        List<JsonNode> right = StreamSupport.stream(answer.path("strokes").spliterator(), false).filter(stroke -> stroke.path("hand").asString().equals("R")).toList();
        assertThat(right).extracting(stroke -> stroke.path("written").path("tick").asInt() % 3840).containsExactly(960, 2880, 960, 2880);
        assertThat(right).allSatisfy(stroke -> assertThat(stroke.path("notes").path(0).path("finger").asInt()).isBetween(1, 5));
        JsonNode top = right.get(0).path("notes").path(right.get(0).path("notes").size() - 1);
        assertThat(top.path("role").asString()).isEqualTo("3");
    }

    @Test
    void the_right_hand_plays_the_melody_and_it_can_be_asked_why() {
        Map<String, Object> asked = Map.of("chart", TUNE, "choices", Map.of("figure", "held", "right", Map.of("style", "melody", "under", "close")));
        JsonNode strokes = SERVER.post("/api/arrangements", asked).json().path("strokes");
        int place = texts(strokes, "hand").indexOf("R");
        JsonNode why = SERVER.post("/api/arrangements/why", Map.of("arrangement", asked, "stroke", place, "note", strokes.path(place).path("notes").size() - 1)).json();
        assertThat(why.path("rule").asString()).isEqualTo("E4 is the melody.");
        assertThat(why.path("ways")).isEmpty();
        JsonNode comped = SERVER.post("/api/arrangements/why", Map.of("arrangement", Map.of("chart", "| C |", "choices", Map.of("right", Map.of("style", "comping"))), "stroke", 1)).json();
        assertThat(comped.path("rule").asString()).contains("nearest");
    }

    @Test
    void what_both_hands_play_is_engraved_and_kept_with_the_song() {
        String id = SERVER.post("/api/songs", Map.of("chart", TUNE, "choices", Map.of("figure", "held", "right", Map.of("style", "melody", "under", "thirds")))).json().path("id").asString();
        assertThat(SERVER.get("/api/songs/" + id).json().path("choices").path("right").path("under").asString()).isEqualTo("thirds");
        assertThat(texts(SERVER.get("/api/songs/" + id + "/arrangement").json().path("strokes"), "hand")).contains("L", "R");
        assertThat(SERVER.get("/api/songs/" + id + "/export/musicxml?parts=both").text()).contains("<staff>1</staff>").contains("<step>E</step>");
    }

    @Test
    void every_note_of_the_melody_says_what_it_is_to_its_chord() {
        JsonNode fit = SERVER.post("/api/right-hand/fit", Map.of("chart", TUNE)).json();
        assertThat(texts(fit.path("notes"), "kind")).containsExactly("chord-tone", "passing", "chord-tone", "chord-tone", "chord-tone", "added", "chord-tone", "chord-tone");
        assertThat(fit.path("notes").path(1).path("why").asString()).isEqualTo("F passes by step from one tone to the next.");
        JsonNode other = SERVER.post("/api/right-hand/fit", Map.of("chart", "Key: C\n| C | C |\nTune: | B4/4 D5/4 F5/4 G5/4 | E5/1 |")).json();
        assertThat(other.path("better").path(0).path("better").asString()).isEqualTo("G7");
        assertThat(other.path("better").path(0).path("hits").asInt()).isEqualTo(4);
    }

    @Test
    void notes_to_improvise_on_and_one_shape_for_some_bars() {
        JsonNode notes = SERVER.post("/api/right-hand/notes", Map.of("chart", "Key: C\n| Dm7 | G7 | Cmaj7 | % |")).json();
        assertThat(texts(notes.path("chords"), "scale")).containsExactly("Dorian", "Mixolydian", "Ionian (major)", "Ionian (major)");
        assertThat(notes.path("pentatonic").toString()).isEqualTo("[\"C\",\"D\",\"E\",\"G\",\"A\"]");
        JsonNode shape = SERVER.post("/api/right-hand/one-shape", Map.of("chart", "Key: B♭\n| B♭sus2 | E♭6/9 | Gm11 | C7sus4 |", "bars", "1-4")).json();
        assertThat(shape.path("notes").toString()).isEqualTo("[\"B♭3\",\"C4\",\"F4\"]");
        assertThat(SERVER.get("/api/figures/right").json().size()).isGreaterThanOrEqualTo(16);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = '|', value = {
        "{\"style\":\"waltzing\"} | right style \"waltzing\": expected none, comping, melody, improvise", "{\"style\":\"comping\",\"figure\":\"stomp\"} | right-hand figure \"stomp\": expected one of held-chords",
        "{\"style\":\"comping\",\"top\":\"fifth\"} | right top \"fifth\": expected nearest, smooth, third", "{\"style\":\"melody\",\"under\":\"mud\"} | right under \"mud\": expected alone"})
    void what_there_is_not_is_named_with_what_there_is(String right, String message) {
        RealServer.Answer answer = SERVER.post("/api/arrangements", "{\"chart\":\"C F\",\"choices\":{\"right\":" + right + "}}");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains(message);
    }

    @Test
    void a_melody_without_chords_gets_its_first_ones() {
        String chart = "Key: C\n| N.C. | N.C. | N.C. | N.C. |\nTune: | C5/4 E5/4 G5/2 | A5/4 F5/4 C5/2 | B4/4 D5/4 F5/4 G4/4 | C5/1 |";
        String found = SERVER.post("/api/right-hand/harmonise", Map.of("chart", chart, "pace", "bar")).json().path("chart").asString();
        assertThat(found).contains("C").contains("F").contains("G7");
        assertThat(texts(SERVER.post("/api/right-hand/fit", Map.of("chart", found)).json().path("notes"), "kind")).containsOnly("chord-tone");
        assertThat(SERVER.post("/api/right-hand/harmonise", Map.of("chart", "| C |", "pace", "bar")).problem()).contains("no melody");
        assertThat(SERVER.post("/api/right-hand/harmonise", Map.of("chart", chart, "pace", "week")).problem()).contains("expected bar, half or beat");
    }

    @Test
    void a_take_is_written_as_a_tune_line_that_can_be_read() {
        List<Map<String, Object>> notes = List.of(Map.of("ms", 12, "held", 460, "midi", 72), Map.of("ms", 530, "held", 200, "midi", 75), Map.of("ms", 735, "held", 220, "midi", 77), Map.of("ms", 1010, "held", 950, "midi", 79));
        JsonNode bars = SERVER.post("/api/right-hand/take", Map.of("chart", "Key: E♭\nTempo: 120\n| E♭ |", "notes", notes)).json().path("bars");
        assertThat(bars.path(0).asString()).isEqualTo("C5/4 E♭5/8 F5/8 G5/2");
        assertThat(SERVER.post("/api/right-hand/fit", Map.of("chart", "Key: E♭\n| E♭ |\nTune: | " + bars.path(0).asString() + " |")).json().path("notes")).hasSize(4);
        assertThat(SERVER.post("/api/right-hand/take", Map.of("chart", "| C |", "notes", List.of(Map.of("ms", 0, "held", 1, "midi", 7)))).status()).isEqualTo(422);
        assertThat(SERVER.post("/api/right-hand/take", Map.of("chart", "| C |", "notes", List.of())).json().path("bars")).isEmpty();
    }

    @Test
    void a_chorus_is_the_same_for_the_same_seed() {
        JsonNode one = arrange("Key: C\n| Dm7 | G7 | Cmaj7 | C6 |", Map.of("style", "improvise", "chorus", 5));
        assertThat(arrange("Key: C\n| Dm7 | G7 | Cmaj7 | C6 |", Map.of("style", "improvise", "chorus", 5))).isEqualTo(one);
        assertThat(arrange("Key: C\n| Dm7 | G7 | Cmaj7 | C6 |", Map.of("style", "improvise", "chorus", 6))).isNotEqualTo(one);
        assertThat(texts(one.path("strokes"), "hand")).contains("R");
    }

    @Test
    void bars_there_are_not_are_refused() {
        assertThat(SERVER.post("/api/right-hand/one-shape", Map.of("chart", "| C |", "bars", "7-9")).status()).isEqualTo(422);
        assertThat(SERVER.post("/api/right-hand/one-shape", Map.of("chart", "| C |", "bars", "x")).status()).isEqualTo(422);
        assertThat(SERVER.post("/api/right-hand/fit", Map.of("chart", "")).status()).isEqualTo(422);
    }
}
