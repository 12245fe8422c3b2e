package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Choices by place, own figures, several arrangements, suggestions and reasons, over HTTP. */
class LeftHandApiTest {

    private static final String CHART = "Key: C\n[Verse]\n| C | Am |\n[Chorus]\n| F | G |";
    private static final String OWN = """
            {"id":"lighthouse","name":"Lighthouse","family":"pulse","use":"Slow \
            flashes.","feel":["straight"],"level":"2","tempo":"50-120","spacing":"open",
             "pedal":"yes","bars":{"4/4":["1@0:1440! 5@1440:480 1+5@1920:*"]}}""";

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static Map<String, Object> asked(String chart, Map<String, Object> choices) {
        return Map.of("chart", chart, "choices", choices);
    }

    private static List<String> figures(JsonNode arrangement) {
        Map<Integer, String> byBar = new HashMap<>();
        arrangement
                .path("strokes")
                .forEach(stroke -> byBar.merge(
                        stroke.path("bar").asInt(),
                        arrangement
                                .path("reasons")
                                .path(stroke.path("reason").asInt())
                                .path("args")
                                .path("figure")
                                .asString(),
                        (one, other) -> one.contains(other) ? one : one + "+" + other));
        return byBar.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(Map.Entry::getValue)
                .toList();
    }

    private static List<String> texts(JsonNode list, String field) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(each -> each.path(field).asString())
                .toList();
    }

    @Test
    void choices_go_to_sections_bars_and_beats() {
        JsonNode arrangement = SERVER.post(
                        "/api/arrangements",
                        asked(
                                CHART,
                                Map.of(
                                        "figure",
                                        "held",
                                        "sections",
                                        Map.of("Chorus", Map.of("figure", "two-feel")),
                                        "overrides",
                                        List.of(Map.of("bars", "2", "beats", "3-4", "figure", "pulse-quarters")))))
                .json();
        assertThat(figures(arrangement)).containsExactly("held", "held+pulse-quarters", "two-feel", "two-feel");
    }

    @Test
    void a_lock_is_kept_over_http() {
        JsonNode arrangement = SERVER.post(
                        "/api/arrangements",
                        asked(CHART, Map.of("figure", "two-feel", "locks", List.of(Map.of("bar", 1, "bass", "C3")))))
                .json();
        assertThat(arrangement
                        .path("strokes")
                        .path(0)
                        .path("notes")
                        .path(0)
                        .path("name")
                        .asString())
                .isEqualTo("C3");
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"bassLine\":\"zigzag\"} | bass line \"zigzag\": expected one of root",
                "{\"leadIn\":\"slide\"} | lead-in \"slide\": expected one of none",
                "{\"tenths\":\"bite\"} | expected play, roll, pedal or omit",
                "{\"ending\":\"never\"} | expected held, stride, swing, six-nine, blues, broken, out, short, cha-cha, bossa, bossa-bass, samba, samba-bass, tango, "
                        + "waltz, rising, alternating, rock, big or figure",
                "{\"overrides\":[{\"bars\":\"8-5\"}]} | bars 8-5: expected the first",
                "{\"overrides\":[{\"bars\":\"1\",\"beats\":\"0-2\"}]} | expected them counted from 1",
                "{\"locks\":[{\"bar\":1,\"bass\":\"H2\"}]} | lock: pitch \"H2\"",
                "{\"costs\":{\"mud\":99}} | expected 0 to 10",
                "{\"costs\":{\"beauty\":1}} | cost \"beauty\": expected one of",
                "{\"sections\":{\"Chorus\":{\"figure\":\"polka\"}}} | figure \"polka\": expected one of"
            })
    void a_choice_there_is_not_is_named_with_what_there_is(String choices, String message) {
        RealServer.Answer answer = SERVER.post("/api/arrangements", "{\"chart\":\"C F\",\"choices\":" + choices + "}");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains(message);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"overrides\":[{\"figure\":\"held\"}]}",
                "{\"sections\":[]}",
                "{\"locks\":[null]}",
                "{\"overrides\":[{\"bars\":5}]}",
                "{\"seed\":\"x\"}",
                "{\"level\":\"x\"}"
            })
    void what_cannot_be_read_is_refused(String choices) {
        assertThat(SERVER.post("/api/arrangements", "{\"chart\":\"C F\",\"choices\":" + choices + "}")
                        .status())
                .isIn(400, 422);
    }

    @Test
    void a_figure_of_ones_own_is_kept_played_changed_taken_away_and_deleted() {
        JsonNode kept = SERVER.post("/api/figures", Map.of("file", OWN)).json();
        String id = kept.path("id").asString();
        assertThat(kept.path("version").asInt()).isEqualTo(1);
        assertThat(texts(SERVER.get("/api/figures").json(), "id")).contains(id).startsWith("held");
        JsonNode arrangement = SERVER.post("/api/arrangements", asked("C", Map.of("figure", id)))
                .json();
        assertThat(arrangement.path("strokes")).hasSize(3);
        assertThat(arrangement.path("strokes").path(0).path("accent").asBoolean())
                .isTrue();
        String file = SERVER.get("/api/figures/" + id + "/file").text();
        assertThat(file).contains("1@0:1440! 5@1440:480 1+5@1920:*");
        JsonNode again = SERVER.post("/api/figures", Map.of("file", file)).json();
        assertThat(again.path("id").asString()).isEqualTo(id + "-2");
        assertThat(SERVER.put("/api/figures/" + id, Map.of("file", OWN.replace("Slow", "Quick"), "version", 1))
                        .json()
                        .path("use")
                        .asString())
                .isEqualTo("Quick flashes.");
        assertThat(SERVER.put("/api/figures/" + id, Map.of("file", OWN, "version", 1))
                        .status())
                .isEqualTo(409);
        assertThat(SERVER.delete("/api/figures/" + id).status()).isEqualTo(204);
        assertThat(texts(SERVER.get("/api/figures").json(), "id")).doesNotContain(id);
        assertThat(SERVER.delete("/api/figures/held").status()).isEqualTo(404);
        assertThat(SERVER.get("/api/figures/" + id + "/file").status()).isEqualTo(404);
    }

    @Test
    void a_figure_that_ships_keeps_its_id() {
        JsonNode kept = SERVER.post("/api/figures", Map.of("file", OWN.replace("lighthouse", "held")))
                .json();
        assertThat(kept.path("id").asString()).startsWith("held-");
        SERVER.delete("/api/figures/" + kept.path("id").asString());
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "1+5@1920:* | 1+17@1920:* | spans",
                "1+5@1920:* | v@1920:* | accepts none",
                "1+5@1920:* | x@1920:* | figure.yaml:",
                "\"2\" | \"9\" | expected 1 to 5",
                "\"open\" | \"shut\" | spacing \"shut\": expected one of"
            })
    void a_figure_that_cannot_be_played_is_refused_with_its_reason(String good, String bad, String message) {
        String file = OWN.replace(good, bad);
        RealServer.Answer refused = SERVER.post("/api/figures", Map.of("file", file));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.problem()).contains(message);
        JsonNode check = SERVER.post("/api/figures/check", Map.of("file", file)).json();
        assertThat(check.path("figure").isNull()).isTrue();
        assertThat(check.path("problem").asString()).contains(message);
    }

    @ParameterizedTest
    @ValueSource(strings = {"[[[[", "\u0007", "{}", "[]", "x", "id: &a [*a]"})
    void what_is_no_figure_is_refused_and_never_breaks(String file) {
        assertThat(SERVER.post("/api/figures/check", Map.of("file", file))
                        .json()
                        .path("problem")
                        .asString())
                .startsWith("figure.yaml");
        assertThat(SERVER.post("/api/figures", Map.of("file", "[".repeat(9_000)))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void a_figure_that_is_being_written_is_heard_and_not_kept() {
        JsonNode arrangement = SERVER.post(
                        "/api/arrangements",
                        Map.of(
                                "chart",
                                "C",
                                "choices",
                                Map.of("figure", "lighthouse-draft"),
                                "figures",
                                List.of(OWN.replace("lighthouse", "lighthouse-draft"))))
                .json();
        assertThat(arrangement.path("strokes")).hasSize(3);
        assertThat(SERVER.post("/api/arrangements", asked("C", Map.of("figure", "lighthouse-draft")))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void a_song_has_several_arrangements_and_every_state_of_them_can_be_had_back() {
        JsonNode song = SERVER.post("/api/songs", Map.of("chart", CHART, "choices", Map.of("figure", "held")))
                .json();
        String path = "/api/songs/" + song.path("id").asString();
        assertThat(song.path("arrangement").asString()).isEqualTo("alone");
        Map<String, Object> other = Map.of("name", "for a pupil", "choices", Map.of("figure", "pulse-quarters"));
        JsonNode changed = SERVER.put(
                        path,
                        Map.of(
                                "chart",
                                CHART,
                                "choices",
                                Map.of("figure", "held"),
                                "arrangement",
                                "at home",
                                "others",
                                List.of(other),
                                "version",
                                1))
                .json();
        assertThat(changed.path("others").path(0).path("choices").path("figure").asString())
                .isEqualTo("pulse-quarters");
        JsonNode kept = SERVER.put(path, Map.of("chart", "| C |", "version", 2)).json();
        assertThat(kept.path("arrangement").asString())
                .as("what is not sent stays")
                .isEqualTo("at home");
        assertThat(texts(kept.path("others"), "name")).containsExactly("for a pupil");
        assertThat(texts(SERVER.get(path + "/versions").json(), "arrangement"))
                .containsExactly("at home", "at home", "alone");
        RealServer.Answer twice = SERVER.put(
                path, Map.of("chart", CHART, "arrangement", "For A Pupil", "others", List.of(other), "version", 3));
        assertThat(twice.status()).isEqualTo(422);
        assertThat(twice.problem()).contains("expected each name once");
        assertThat(SERVER.put(path, Map.of("chart", CHART, "others", List.of(Map.of("name", "")), "version", 3))
                        .status())
                .isEqualTo(422);
    }

    /**
     * What the step line sends while a figure is written: file, marks and beats come back, and what is wrong with it.
     */
    @Test
    void a_figure_is_written_stroke_by_stroke() {
        JsonNode book = StreamSupport.stream(SERVER.get("/api/figures").json().spliterator(), false)
                .filter(each -> each.path("id").asString().equals("two-feel"))
                .findFirst()
                .orElseThrow();
        Map<String, Object> draft = new HashMap<>(Map.of(
                "name",
                "My síncopa, № 2!",
                "family",
                "mine",
                "use",
                "Slow flashes.",
                "feel",
                List.of("straight"),
                "level",
                2,
                "minTempo",
                60,
                "maxTempo",
                120,
                "chords",
                2));
        draft.putAll(Map.of("suits", List.of("plain"), "accepts", List.of(), "registers", List.of("deep")));
        draft.put("manner", book.path("manner"));
        draft.put(
                "bars",
                List.of(Map.of(
                        "meter", "6/8", "strokes", List.of(stroke("L", "1", 0, 1440), stroke("R", "c", 1440, null)))));
        JsonNode view = SERVER.post("/api/figures/draft", draft).json();
        assertThat(view.path("problem").asString()).isEmpty();
        assertThat(view.path("id").asString()).isEqualTo("my-sincopa-2");
        assertThat(view.path("file").asString())
                .contains("\"6/8\": [\"1@0:1440 R:c@1440:*\"]")
                .contains("voicings: [\"close\", \"guide-tones\"]");
        JsonNode bar = view.path("figure").path("strokes").path(0);
        assertThat(bar.path("beatTicks").asInt()).isEqualTo(1440);
        assertThat(texts(bar.path("strokes"), "mark")).containsExactly("heel", "toe");
        assertThat(SERVER.post("/api/figures", Map.of("file", view.path("file").asString()))
                        .status())
                .isEqualTo(201);
        draft.put("bars", List.of(Map.of("meter", "6/8", "strokes", List.of(stroke("L", "zz", 0, 1440)))));
        assertThat(SERVER.post("/api/figures/draft", draft)
                        .json()
                        .path("problem")
                        .asString())
                .contains("zz");
        draft.put("bars", List.of(Map.of("meter", "4/4", "strokes", List.of(stroke("L", "1+17", 0, 960)))));
        JsonNode wide = SERVER.post("/api/figures/draft", draft).json();
        assertThat(wide.path("problem").asString()).contains("cannot be played");
        assertThat(wide.path("figure").path("strokes").path(0).path("beatTicks").asInt())
                .isEqualTo(960);
        draft.put("name", "♪♪");
        assertThat(SERVER.post("/api/figures/draft", draft).json().path("id").asString())
                .isEqualTo("my-figure");
        draft.remove("manner");
        assertThat(SERVER.post("/api/figures/draft", draft).status()).isEqualTo(422);
    }

    private static Map<String, Object> stroke(String hand, String roles, int tick, Integer length) {
        Map<String, Object> stroke =
                new HashMap<>(Map.of("hand", hand, "roles", roles, "tick", tick, "rolled", false, "accent", false));
        stroke.put("length", length);
        return stroke;
    }

    /**
     * A song says which of one's own figures have changed since it was kept; what was taken away goes on sounding in
     * it.
     */
    @Test
    void a_song_outlives_its_figure_and_tells_when_that_has_changed() {
        String id = SERVER.post("/api/figures", Map.of("file", OWN))
                .json()
                .path("id")
                .asString();
        JsonNode song = SERVER.post("/api/songs", Map.of("chart", "C", "choices", Map.of("figure", id)))
                .json();
        String path = "/api/songs/" + song.path("id").asString();
        assertThat(song.path("changedFigures")).isEmpty();
        int strokes = SERVER.get(path + "/arrangement").json().path("strokes").size();
        SERVER.put("/api/figures/" + id, Map.of("file", OWN.replace("Slow", "Quick"), "version", 1));
        String hash = SERVER.get(path).json().path("changedFigures").path(id).asString();
        assertThat(SERVER.get("/api/figures/texts/" + hash).text())
                .contains("Slow flashes.")
                .contains("id: " + id);
        assertThat(SERVER.get("/api/figures/texts/00000000-0000-4000-8000-00000000ffff")
                        .status())
                .isEqualTo(404);
        assertThat(SERVER.put(path, Map.of("chart", "C", "choices", Map.of("figure", id), "version", 1))
                        .json()
                        .path("changedFigures"))
                .isEmpty();
        assertThat(SERVER.delete("/api/figures/" + id).status()).isEqualTo(204);
        assertThat(SERVER.get(path).json().path("changedFigures").has(id)).isTrue();
        assertThat(SERVER.get(path + "/arrangement").json().path("strokes")).hasSize(strokes);
    }

    @Test
    void why_this_note() {
        Map<String, Object> arrangement = asked("Key: C\nC Am F G", Map.of("figure", "stride-root-chord"));
        JsonNode why = SERVER.post("/api/arrangements/why", Map.of("arrangement", arrangement, "stroke", 1, "note", 1))
                .json();
        assertThat(why.path("rule").asString()).contains("close chord");
        assertThat(why.path("stroke").asString()).isEqualTo("The figure has the close chord here, on C.");
        assertThat(why.path("ways")).hasSize(3);
        assertThat(why.path("ways").path(0).path("more").asDouble()).isZero();
        assertThat(why.path("ways").path(1).path("costs")).isNotEmpty();
        assertThat(SERVER.post("/api/arrangements/why", Map.of("arrangement", arrangement, "stroke", 999))
                        .problem())
                .contains("expected 0 to 15");
        assertThat(SERVER.post("/api/arrangements/why", Map.of("arrangement", arrangement, "stroke", 0, "note", 7))
                        .problem())
                .contains("note 7: expected 0 to 0");
        assertThat(SERVER.post("/api/arrangements/why", Map.of("stroke", 0)).status())
                .isEqualTo(422);
    }

    @Test
    void what_to_try_and_for_which_song() {
        JsonNode suggested = SERVER.post(
                        "/api/arrangements/suggest", Map.of("chart", "Key: G\nMeter: 3/4\nTempo: 138\nG D Em C"))
                .json();
        assertThat(suggested.path("figures")).hasSize(5);
        assertThat(texts(suggested.path("figures"), "figure")).contains("bass-and-two");
        assertThat(suggested.path("figures").path(0).path("reasons")).isNotEmpty();
        assertThat(suggested.path("figures"))
                .allSatisfy(each -> assertThat(each.path("apart")).isEmpty());
        assertThat(suggested.path("common").path(0).asString()).isEqualTo("Written for 3/4.");
        assertThat(texts(suggested.path("presets"), "id")).containsExactly("hymn", "alone", "singer", "band");
        assertThat(suggested
                        .path("presets")
                        .path(3)
                        .path("choices")
                        .path("withBassPlayer")
                        .asBoolean())
                .isTrue();
        String id = SERVER.post(
                        "/api/songs", Map.of("chart", "Title: Three for the Deck\nMeter: 3/4\nTempo: 138\nG D Em C"))
                .json()
                .path("id")
                .asString();
        JsonNode fitting = SERVER.get("/api/songs/fitting?figure=bass-and-two").json();
        assertThat(StreamSupport.stream(fitting.spliterator(), false)
                        .filter(each -> each.path("fits").asBoolean())
                        .map(each -> each.path("id").asString())
                        .collect(Collectors.toSet()))
                .contains(id);
        assertThat(SERVER.get("/api/songs/fitting?figure=none").status()).isEqualTo(404);
    }

    @Test
    void what_to_try_is_told_apart_for_a_hand_and_a_level() {
        String chart = "Key: B♭\nTempo: 66\nB♭maj7 Dm7 Gm7 E♭maj7 B♭maj7 Dm7 Gm7 F7";
        JsonNode figures = SERVER.post("/api/arrangements/suggest", Map.of("chart", chart, "apart", true))
                .json()
                .path("figures");
        assertThat(figures).allSatisfy(each -> assertThat(each.path("apart")).hasSizeBetween(1, 2));
        String usual = figures.toString();
        String small = SERVER.post(
                        "/api/arrangements/suggest",
                        Map.of("chart", chart, "apart", true, "hand", Map.of("left", Map.of("spanMm", 160))))
                .json()
                .path("figures")
                .toString();
        assertThat(small).contains("of your 160.").isNotEqualTo(usual);
        assertThat(SERVER.post("/api/arrangements/suggest", Map.of("chart", chart, "apart", true, "level", 1))
                        .json()
                        .path("figures")
                        .toString())
                .isNotEqualTo(usual);
        assertThat(SERVER.post("/api/arrangements/suggest", Map.of("chart", chart, "level", 6))
                        .problem())
                .contains("expected 1 to 5");
    }

    @Test
    void what_there_is_to_choose_from() {
        JsonNode thereIs = SERVER.get("/api/arrangements/choices").json();
        Map<String, JsonNode> rows = new HashMap<>();
        thereIs.path("choices").forEach(row -> rows.putIfAbsent(row.path("id").asString(), row));
        assertThat(texts(rows.get("bassLine").path("values"), "id"))
                .contains("root", "five-finger", "alternating", "octave", "rocking", "smooth", "pedal", "walking");
        assertThat(texts(rows.get("leadIn").path("values"), "id"))
                .contains("none", "scale", "below", "above", "fifth", "run", "walk-up", "cadence");
        assertThat(texts(rows.get("voicing").path("values"), "id"))
                .contains(
                        "single",
                        "octave",
                        "open-fifth",
                        "fifth-octave",
                        "tenth",
                        "spread",
                        "close",
                        "guide-tones",
                        "rooted-shell",
                        "rootless");
        assertThat(texts(thereIs.path("costs"), "id"))
                .contains("bass-movement", "mud", "reach", "doubled-leading-tone");
    }

    @Test
    void files_hold_both_hands_the_tune_or_the_left_hand_alone() {
        String path = "/api/songs/"
                + SERVER.post(
                                "/api/songs",
                                Map.of("chart", "| C |\nTune: E4/2 G4\n", "choices", Map.of("figure", "hand-split")))
                        .json()
                        .path("id")
                        .asString()
                + "/export/musicxml?parts=";
        assertThat(SERVER.get(path + "left").text()).doesNotContain("<staves>");
        assertThat(SERVER.get(path + "both").text()).contains("<staves>2</staves>");
        String lead = SERVER.get(path + "lead-left").text();
        assertThat(lead)
                .contains("<step>E</step>")
                .contains("<staves>2</staves>")
                .contains("half");
        assertThat(SERVER.get(path + "feet").problem()).contains("expected left, both, lead, lead-left or bass");
    }
}
