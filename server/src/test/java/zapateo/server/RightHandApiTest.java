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

    private static final String TUNE =
            "Key: C\n| C | F | G7 | C |\nTune: | E4/4 F4/4 G4/2 | A4/1 | F4/4 A♭4/4 D4/2 | C4/1 |";

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static List<String> texts(JsonNode list, String field) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(each -> each.path(field).asString())
                .toList();
    }

    private static JsonNode arrange(String chart, Map<String, Object> right) {
        return SERVER.post(
                        "/api/arrangements",
                        Map.of("chart", chart, "choices", Map.of("figure", "two-feel", "right", right)))
                .json();
    }

    @Test
    void the_right_hand_comps_in_its_own_rhythm_and_has_fingers() {
        JsonNode answer = arrange("| Dm7 | G7 |", Map.of("style", "comping", "figure", "two-and-four", "top", "third"));
        List<JsonNode> right = StreamSupport.stream(answer.path("strokes").spliterator(), false)
                .filter(stroke -> stroke.path("hand").asString().equals("R"))
                .toList();
        assertThat(right)
                .extracting(stroke -> stroke.path("tick").asInt() % 3840)
                .containsExactly(960, 2880, 960, 2880);
        assertThat(right)
                .allSatisfy(stroke -> assertThat(
                                stroke.path("notes").path(0).path("finger").asInt())
                        .isBetween(1, 5));
        JsonNode top =
                right.get(0).path("notes").path(right.get(0).path("notes").size() - 1);
        assertThat(top.path("role").asString()).isEqualTo("3");
    }

    @Test
    void the_right_hand_plays_the_melody_and_it_can_be_asked_why() {
        Map<String, Object> asked = Map.of(
                "chart",
                TUNE,
                "choices",
                Map.of("figure", "held", "right", Map.of("style", "melody", "under", "close")));
        JsonNode strokes = SERVER.post("/api/arrangements", asked).json().path("strokes");
        int place = texts(strokes, "hand").indexOf("R");
        JsonNode why = SERVER.post(
                        "/api/arrangements/why",
                        Map.of(
                                "arrangement",
                                asked,
                                "stroke",
                                place,
                                "note",
                                strokes.path(place).path("notes").size() - 1))
                .json();
        assertThat(why.path("rule").asString()).isEqualTo("E4 is the melody.");
        assertThat(why.path("ways")).isEmpty();
        JsonNode comped = SERVER.post(
                        "/api/arrangements/why",
                        Map.of(
                                "arrangement",
                                Map.of("chart", "| C |", "choices", Map.of("right", Map.of("style", "comping"))),
                                "stroke",
                                1))
                .json();
        assertThat(comped.path("rule").asString()).contains("nearest");
    }

    @Test
    void what_both_hands_play_is_engraved_and_kept_with_the_song() {
        String id = SERVER.post(
                        "/api/songs",
                        Map.of(
                                "chart",
                                TUNE,
                                "choices",
                                Map.of("figure", "held", "right", Map.of("style", "melody", "under", "thirds"))))
                .json()
                .path("id")
                .asString();
        assertThat(SERVER.get("/api/songs/" + id)
                        .json()
                        .path("choices")
                        .path("right")
                        .path("under")
                        .asString())
                .isEqualTo("thirds");
        assertThat(texts(SERVER.get("/api/songs/" + id + "/arrangement").json().path("strokes"), "hand"))
                .contains("L", "R");
        assertThat(SERVER.get("/api/songs/" + id + "/export/musicxml?parts=both")
                        .text())
                .contains("<staff>1</staff>")
                .contains("<step>E</step>");
    }

    @Test
    void every_note_of_the_melody_says_what_it_is_to_its_chord() {
        JsonNode fit = SERVER.post("/api/right-hand/fit", Map.of("chart", TUNE)).json();
        assertThat(texts(fit.path("notes"), "kind"))
                .containsExactly(
                        "chord-tone",
                        "passing",
                        "chord-tone",
                        "chord-tone",
                        "chord-tone",
                        "added",
                        "chord-tone",
                        "chord-tone");
        assertThat(fit.path("notes").path(1).path("why").asString())
                .isEqualTo("F passes by step from one tone to the next.");
        JsonNode other = SERVER.post(
                        "/api/right-hand/fit",
                        Map.of("chart", "Key: C\n| C | C |\nTune: | B4/4 D5/4 F5/4 G5/4 | E5/1 |"))
                .json();
        assertThat(other.path("better").path(0).path("better").asString()).isEqualTo("G7");
        assertThat(other.path("better").path(0).path("hits").asInt()).isEqualTo(4);
    }

    @Test
    void notes_to_improvise_on_and_one_shape_for_some_bars() {
        JsonNode notes = SERVER.post("/api/right-hand/notes", Map.of("chart", "Key: C\n| Dm7 | G7 | Cmaj7 | % |"))
                .json();
        assertThat(texts(notes.path("chords"), "scale"))
                .containsExactly("Dorian", "Mixolydian", "Ionian (major)", "Ionian (major)");
        assertThat(notes.path("pentatonic").toString()).isEqualTo("[\"C\",\"D\",\"E\",\"G\",\"A\"]");
        JsonNode shape = SERVER.post(
                        "/api/right-hand/one-shape",
                        Map.of("chart", "Key: B♭\n| B♭sus2 | E♭6/9 | Gm11 | C7sus4 |", "bars", "1-4"))
                .json();
        assertThat(shape.path("notes").toString()).isEqualTo("[\"B♭3\",\"C4\",\"F4\"]");
        assertThat(SERVER.get("/api/figures/right").json().size()).isGreaterThanOrEqualTo(16);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"style\":\"waltzing\"} | right.style \"waltzing\": expected none, comping, melody or improvise",
                "{\"style\":\"comping\",\"figure\":\"stomp\"} | right-hand figure \"stomp\": expected one "
                        + "of held-chords",
                "{\"style\":\"comping\",\"top\":\"fifth\"} | right.top \"fifth\": expected nearest, smooth or third",
                "{\"style\":\"melody\",\"under\":\"mud\"} | right.under \"mud\": expected alone",
                "{\"style\":\"comping\",\"shapes\":\"ten\"} | right.shapes \"ten\": expected each, held or turn",
                "{\"style\":\"none\",\"licks\":[{\"bar\":1,\"lick\":\"wow\"}]} | lick \"wow\": expected one "
                        + "of second-to-third",
                "{\"style\":\"none\",\"sections\":{\"A\":{\"style\":\"hum\"}}} | right.sections.A.style \"hum\": "
                        + "expected none"
            })
    void what_there_is_not_is_named_with_what_there_is(String right, String message) {
        RealServer.Answer answer =
                SERVER.post("/api/arrangements", "{\"chart\":\"C F\",\"choices\":{\"right\":" + right + "}}");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains(message);
    }

    @Test
    void a_melody_without_chords_gets_its_first_ones() {
        String chart =
                "Key: C\n| N.C. | N.C. | N.C. | N.C. |\nTune: | C5/4 E5/4 G5/2 | A5/4 F5/4 C5/2 | B4/4 D5/4 F5/4 "
                        + "G4/4 | C5/1 |";
        String found = SERVER.post("/api/right-hand/harmonise", Map.of("chart", chart, "pace", "bar"))
                .json()
                .path("chart")
                .asString();
        assertThat(found).contains("C").contains("F").contains("G7");
        assertThat(texts(
                        SERVER.post("/api/right-hand/fit", Map.of("chart", found))
                                .json()
                                .path("notes"),
                        "kind"))
                .containsOnly("chord-tone");
        assertThat(SERVER.post("/api/right-hand/harmonise", Map.of("chart", "| C |", "pace", "bar"))
                        .problem())
                .contains("no melody");
        assertThat(SERVER.post("/api/right-hand/harmonise", Map.of("chart", chart, "pace", "week"))
                        .problem())
                .contains("expected bar, half or beat");
    }

    @Test
    void a_take_is_written_as_a_tune_line_that_can_be_read() {
        List<Map<String, Object>> notes = List.of(
                Map.of("ms", 12, "held", 460, "midi", 72),
                Map.of("ms", 530, "held", 200, "midi", 75),
                Map.of("ms", 735, "held", 220, "midi", 77),
                Map.of("ms", 1010, "held", 950, "midi", 79));
        JsonNode bars = SERVER.post(
                        "/api/right-hand/take", Map.of("chart", "Key: E♭\nTempo: 120\n| E♭ |", "notes", notes))
                .json()
                .path("bars");
        assertThat(bars.path(0).asString()).isEqualTo("C5/4 E♭5/8 F5/8 G5/2");
        assertThat(SERVER.post(
                                "/api/right-hand/fit",
                                Map.of(
                                        "chart",
                                        "Key: E♭\n| E♭ |\nTune: | "
                                                + bars.path(0).asString() + " |"))
                        .json()
                        .path("notes"))
                .hasSize(4);
        assertThat(SERVER.post(
                                "/api/right-hand/take",
                                Map.of("chart", "| C |", "notes", List.of(Map.of("ms", 0, "held", 1, "midi", 7))))
                        .status())
                .isEqualTo(422);
        assertThat(SERVER.post("/api/right-hand/take", Map.of("chart", "| C |", "notes", List.of()))
                        .json()
                        .path("bars"))
                .isEmpty();
    }

    /** A take that begins in the second bar, in 3/4 at the tempo written there. */
    @Test
    void a_take_is_read_in_the_metre_and_tempo_of_its_bars() {
        String chart = "Key: C\nTempo: 120\n| C | (3/4) (tempo 60) F | G |";
        List<Map<String, Object>> notes = List.of(
                Map.of("ms", 10, "held", 900, "midi", 72),
                Map.of("ms", 1990, "held", 900, "midi", 74),
                Map.of("ms", 3010, "held", 2900, "midi", 76));
        assertThat(SERVER.post("/api/right-hand/take", Map.of("chart", chart, "bar", 1, "notes", notes))
                        .json()
                        .path("bars")
                        .toString())
                .isEqualTo("[\"C5/4 r/4 D5/4\",\"E5/2.\"]");
        assertThat(SERVER.post("/api/right-hand/take", Map.of("chart", chart, "bar", 9, "notes", notes))
                        .problem())
                .contains("bar 9: expected 0 to 2");
    }

    @Test
    void first_chords_are_found_to_a_taste() {
        Map<String, Object> asked = Map.of("chart", TUNE, "pace", "bar", "style", "sevenths");
        assertThat(SERVER.post("/api/right-hand/harmonise", asked)
                        .json()
                        .path("chart")
                        .asString())
                .contains("Cmaj7");
        assertThat(SERVER.post("/api/right-hand/harmonise", Map.of("chart", TUNE, "pace", "bar", "style", "sour"))
                        .problem())
                .contains("style \"sour\": expected one of usual, plain, colourful, sevenths");
    }

    @Test
    void licks_are_made_for_a_bar_and_put_in_it() {
        JsonNode licks = SERVER.post(
                        "/api/right-hand/licks", Map.of("chart", "Key: C\nTempo: 100\n| C | G7 |", "bar", 1))
                .json();
        assertThat(texts(licks, "id")).contains("blues-turn", "two-guides").doesNotContain("minor-five-up");
        JsonNode guides = licks.path(texts(licks, "id").indexOf("two-guides"));
        assertThat(guides.path("count").asString()).isEqualTo("1 3");
        assertThat(guides.path("notes").path(0).path("names").toString()).isEqualTo("[\"B4\"]");
        assertThat(guides.path("notes").path(1).path("midi").path(0).asInt()).isEqualTo(77);
        JsonNode both = arrange(
                "Key: C\nTempo: 100\n| C | G7 |",
                Map.of("style", "none", "licks", List.of(Map.of("bar", 2, "lick", "two-guides"))));
        List<JsonNode> right = StreamSupport.stream(both.path("strokes").spliterator(), false)
                .filter(stroke -> stroke.path("hand").asString().equals("R"))
                .toList();
        assertThat(right)
                .hasSize(2)
                .allSatisfy(stroke -> assertThat(both.path("reasons")
                                .path(stroke.path("reason").asInt())
                                .path("code")
                                .asString())
                        .isEqualTo("lick"));
        assertThat(both.path("bars").path(0).path("meeting").isNull()).isTrue();
        assertThat(both.path("bars").path(1).path("meeting").path("order").asString())
                .contains("1 LR");
        assertThat(SERVER.post("/api/right-hand/licks", Map.of("chart", "| C |", "bar", 5))
                        .problem())
                .contains("bar 5: expected 0 to 0");
    }

    @Test
    void sections_have_their_own_right_hand_and_both_hands_go_up_before_one() {
        String chart = "Key: C\nTempo: 90\n[A]\n| C | G |\n[B]\n| F | C |";
        JsonNode arranged = arrange(
                chart,
                Map.of(
                        "style",
                        "none",
                        "unison",
                        true,
                        "sections",
                        Map.of("B", Map.of("style", "comping", "shapes", "turn"))));
        List<String> codes = StreamSupport.stream(arranged.path("strokes").spliterator(), false)
                .filter(stroke -> stroke.path("hand").asString().equals("R"))
                .map(stroke -> stroke.path("bar").asInt() + " "
                        + arranged.path("reasons")
                                .path(stroke.path("reason").asInt())
                                .path("code")
                                .asString())
                .distinct()
                .toList();
        assertThat(codes).containsExactly("1 unison", "2 comping-turn", "3 comping-turn");
    }

    @Test
    void a_note_of_the_melody_is_changed_where_it_stands() {
        String chart = "Key: F\n| F | B♭ | // kept\nMelody: | F4 A4 | B8 |\n";
        JsonNode up = SERVER.post(
                        "/api/charts/edit",
                        Map.of("text", chart, "edit", Map.of("kind", "note", "bar", 0, "tick", 1920, "note", "up")))
                .json();
        assertThat(up.path("text").asString()).isEqualTo(chart.replace("A4", "B4"));
        assertThat(up.path("at").path("tick").asInt()).isEqualTo(1920);
        JsonNode named = SERVER.post(
                        "/api/charts/edit",
                        Map.of(
                                "text",
                                chart,
                                "edit",
                                Map.of("kind", "note", "bar", 1, "tick", 0, "note", "pitch", "pitch", "64")))
                .json();
        assertThat(named.path("text").asString()).contains("| F4 A4 | E8 |");
        JsonNode later = SERVER.post(
                        "/api/charts/edit",
                        Map.of("text", chart, "edit", Map.of("kind", "note", "bar", 0, "tick", 0, "note", "later")))
                .json();
        assertThat(later.path("at").path("tick").asInt()).isEqualTo(1920);
        Map<String, String> refused =
                Map.of("sideways", "note \"sideways\": expected one of up, down", "pitch", "expected one such as E♭5");
        refused.forEach((note, says) -> assertThat(SERVER.post(
                                "/api/charts/edit",
                                Map.of(
                                        "text",
                                        chart,
                                        "edit",
                                        Map.of("kind", "note", "bar", 0, "tick", 0, "note", note)))
                        .problem())
                .contains(says));
        assertThat(SERVER.post(
                                "/api/charts/edit",
                                Map.of(
                                        "text",
                                        chart,
                                        "edit",
                                        Map.of("kind", "note", "bar", 7, "tick", 0, "note", "up")))
                        .status())
                .isEqualTo(422);
        assertThat(SERVER.post(
                                "/api/charts/edit",
                                Map.of(
                                        "text",
                                        chart,
                                        "edit",
                                        Map.of("kind", "note", "bar", 0, "tick", -5, "note", "up")))
                        .status())
                .isEqualTo(422);
        assertThat(SERVER.post(
                                "/api/charts/edit",
                                Map.of(
                                        "text",
                                        chart,
                                        "edit",
                                        Map.of("kind", "note", "bar", 0, "tick", 0, "note", "pitch", "pitch", "H9")))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void a_chorus_is_the_same_for_the_same_seed() {
        JsonNode one = arrange("Key: C\n| Dm7 | G7 | Cmaj7 | C6 |", Map.of("style", "improvise", "chorus", 5));
        assertThat(arrange("Key: C\n| Dm7 | G7 | Cmaj7 | C6 |", Map.of("style", "improvise", "chorus", 5)))
                .isEqualTo(one);
        assertThat(arrange("Key: C\n| Dm7 | G7 | Cmaj7 | C6 |", Map.of("style", "improvise", "chorus", 6)))
                .isNotEqualTo(one);
        assertThat(texts(one.path("strokes"), "hand")).contains("R");
    }

    @Test
    void bars_there_are_not_are_refused() {
        assertThat(SERVER.post("/api/right-hand/one-shape", Map.of("chart", "| C |", "bars", "7-9"))
                        .status())
                .isEqualTo(422);
        assertThat(SERVER.post("/api/right-hand/one-shape", Map.of("chart", "| C |", "bars", "x"))
                        .status())
                .isEqualTo(422);
        assertThat(SERVER.post("/api/right-hand/fit", Map.of("chart", "")).status())
                .isEqualTo(422);
    }
}
