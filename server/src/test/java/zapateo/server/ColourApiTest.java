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

/** Other chords worth hearing, over HTTP; the fields are those that others rely on. */
class ColourApiTest {

    private static final String CHART = "Title: Night boat\nKey: C\n| C | Dm | G | C | F | C | G7 | C |";
    private static final Map<String, Object> PASSING =
            Map.of("bar", 1, "tick", 0, "over", List.of("C"), "rule", "passing-diminished-up", "variant", "half");

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static List<String> texts(JsonNode list, String field) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(each ->
                        field.isEmpty() ? each.asString() : each.path(field).asString())
                .toList();
    }

    @Test
    void the_book_has_every_rule_with_its_styles_and_why() {
        JsonNode book = SERVER.get("/api/colours").json();
        assertThat(book.path("rules").size()).isGreaterThanOrEqualTo(45);
        assertThat(texts(book.path("styles"), "text")).contains("Gospel", "Tango");
        assertThat(texts(book.path("rules"), "why"))
                .allSatisfy(why -> assertThat(why).isNotBlank());
    }

    @Test
    void offers_for_a_bar_say_what_is_heard_and_why() {
        JsonNode offers = SERVER.post("/api/colours/offers", Map.of("chart", CHART, "bars", "1", "style", "stride"))
                .json()
                .path("offers");
        JsonNode passing = StreamSupport.stream(offers.spliterator(), false)
                .filter(each -> each.path("rule").asString().equals("passing-diminished-up"))
                .findFirst()
                .orElseThrow();
        assertThat(passing.path("bar").asInt()).isZero();
        assertThat(passing.path("pass").asInt()).isEqualTo(1);
        assertThat(texts(passing.path("before"), "")).containsExactly("C");
        assertThat(texts(passing.path("after"), "symbol")).containsExactly("C", "C♯°7");
        assertThat(passing.path("after").path(1).path("ticks").asInt()).isEqualTo(1920);
        assertThat(texts(passing.path("keeps"), "")).containsExactly("E", "G");
        assertThat(passing.path("clash").path("with").asInt()).isZero();
        assertThat(passing.path("reason").asString()).contains("climbs by semitones");
        assertThat(passing.path("with").path(1).path("keys").size()).isEqualTo(4);
        assertThat(SERVER.post("/api/colours/places", Map.of("chart", CHART, "bars", "0-8", "style", "stride"))
                        .json()
                        .path("bars")
                        .size())
                .isGreaterThan(3);
    }

    /** A long song's answer stays small, and what it keeps is written out at once. */
    @Test
    void of_two_thousand_bars_the_best_of_each_place_is_told_and_all_can_be_written() {
        String chart = "Key: C\n" + "| C | Dm | G | C |\n".repeat(500);
        RealServer.Answer offers = SERVER.post("/api/colours/offers", Map.of("chart", chart, "bars", "0-2000"));
        assertThat(offers.text().length()).isLessThan(1_000_000);
        JsonNode all = offers.json().path("offers");
        assertThat(all.size()).isBetween(100, 400);
        JsonNode colours = SERVER.post("/api/colours/song", Map.of("chart", chart, "style", "gospel", "amount", 3))
                .json()
                .path("choices");
        JsonNode written = SERVER.post(
                        "/api/colours/write",
                        "{\"chart\":\"" + chart.replace("\n", "\\n") + "\",\"choices\":" + colours + "}")
                .json();
        assertThat(written.path("left").asInt()).isZero();
        assertThat(written.path("chart").asString().lines().count()).isEqualTo(501);
    }

    @Test
    void the_whole_song_comes_back_as_choices_that_can_be_sent_again() {
        JsonNode choices = SERVER.post(
                        "/api/colours/song",
                        Map.of(
                                "chart",
                                CHART,
                                "choices",
                                Map.of("figure", "held"),
                                "style",
                                "gospel",
                                "amount",
                                3,
                                "seed",
                                7))
                .json()
                .path("choices");
        assertThat(choices.path("figure").asString()).isEqualTo("held");
        assertThat(choices.path("colours").size()).isGreaterThan(3);
        JsonNode bars = SERVER.post(
                        "/api/arrangements",
                        "{\"chart\":\"" + CHART.replace("\n", "\\n") + "\",\"choices\":" + choices + "}")
                .json()
                .path("bars");
        assertThat(StreamSupport.stream(bars.spliterator(), false)
                        .filter(bar -> bar.path("borrowed").size() > 0)
                        .count())
                .isGreaterThan(3);
    }

    @Test
    void a_kept_colour_is_heard_kept_and_exported_and_the_chart_stays() {
        Map<String, Object> choices = Map.of("figure", "held", "colours", List.of(PASSING));
        JsonNode bar = SERVER.post("/api/arrangements", Map.of("chart", CHART, "choices", choices))
                .json()
                .path("bars")
                .path(0);
        assertThat(texts(bar.path("chords"), "symbol")).containsExactly("C", "C♯°7");
        assertThat(texts(bar.path("chords"), "degree")).containsExactly("I", "♯i°7");
        assertThat(texts(bar.path("borrowed"), "symbol")).containsExactly("C");
        String song = SERVER.post("/api/songs", Map.of("chart", CHART, "choices", choices))
                .json()
                .path("id")
                .asString();
        assertThat(SERVER.get("/api/songs/" + song)
                        .json()
                        .path("choices")
                        .path("colours")
                        .path(0)
                        .path("rule")
                        .asString())
                .isEqualTo("passing-diminished-up");
        assertThat(SERVER.get("/api/songs/" + song + "/export/musicxml?parts=both")
                        .text())
                .contains("diminished-seventh");
        assertThat(SERVER.get("/api/songs/" + song + "/export/musicxml?parts=lead")
                        .text())
                .contains("diminished-seventh");
        assertThat(SERVER.get("/api/songs/" + song + "/export/abc?parts=lead").text())
                .contains("dim7");
        assertThat(SERVER.get("/api/songs/" + song + "/export/txt").text()).contains("| C | Dm |");
    }

    @Test
    void a_colour_is_weighed_for_the_hands_and_written_into_the_chart() {
        JsonNode hand = SERVER.post(
                        "/api/colours/hand",
                        Map.of(
                                "arrangement",
                                Map.of("chart", CHART, "choices", Map.of("figure", "stride-root-chord")),
                                "colour",
                                PASSING))
                .json();
        assertThat(hand.path("before").asDouble()).isPositive();
        assertThat(hand.path("barAfter").asDouble()).isPositive();
        JsonNode written = SERVER.post(
                        "/api/colours/write",
                        Map.of("chart", CHART, "choices", Map.of("figure", "held", "colours", List.of(PASSING))))
                .json();
        assertThat(written.path("chart").asString()).contains("| C C♯°7 | Dm |");
        assertThat(written.path("choices").has("colours")).isFalse();
        assertThat(written.path("left").asInt()).isZero();
    }

    /**
     * What is heard one time only stands in the chart once the repeat is written out, and it is told where each bar
     * went.
     */
    @Test
    void with_the_repeats_written_out_a_colour_of_one_time_is_written_too() {
        Map<String, Object> second = Map.of(
                "bar",
                1,
                "pass",
                2,
                "tick",
                0,
                "over",
                List.of("C"),
                "rule",
                "tonic-seventh-to-four",
                "variant",
                "all");
        Map<String, Object> body = Map.of(
                "chart",
                "key: C\n|: C | F :| G | C |",
                "choices",
                Map.of("figure", "held", "colours", List.of(second)));
        assertThat(SERVER.post("/api/colours/write", body).json().path("left").asInt())
                .isOne();
        JsonNode written =
                SERVER.post("/api/colours/write?repeats=written-out", body).json();
        assertThat(written.path("chart").asString())
                .contains("| C | F | C7 | F |")
                .doesNotContain(":|");
        assertThat(written.path("left").asInt()).isZero();
        assertThat(written.path("choices").has("colours")).isFalse();
        assertThat(StreamSupport.stream(written.path("moved").spliterator(), false)
                        .map(move -> move.path("from").asInt() + "."
                                + move.path("pass").asInt() + ">"
                                + move.path("to").asInt()))
                .containsExactly("1.1>1", "2.1>2", "1.2>3", "2.2>4", "3.1>5", "4.1>6");
        RealServer.Answer refused = SERVER.post("/api/colours/write?repeats=twice", body);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("as-they-are or written-out");
    }

    @Test
    void some_bars_are_coloured_in_another_style_and_the_rest_stays() {
        JsonNode whole = SERVER.post("/api/colours/song", Map.of("chart", CHART, "style", "gospel", "amount", 3))
                .json()
                .path("choices");
        JsonNode some = SERVER.post(
                        "/api/colours/song",
                        "{\"chart\":\"" + CHART.replace("\n", "\\n") + "\",\"choices\":" + whole
                                + ",\"style\":\"jazz\",\"amount\":4,\"from\":0,\"to\":1}")
                .json()
                .path("choices");
        java.util.function.Function<JsonNode, List<String>> later =
                choices -> StreamSupport.stream(choices.path("colours").spliterator(), false)
                        .filter(colour -> colour.path("bar").asInt() > 2)
                        .map(JsonNode::toString)
                        .sorted()
                        .toList();
        assertThat(later.apply(some)).isEqualTo(later.apply(whole)).isNotEmpty();
        assertThat(some).isNotEqualTo(whole);
    }

    /** One chord of some length laid otherwise: spread wide, held, the others as they were. */
    @Test
    void a_chord_can_be_spread_wide_in_one_place() {
        Map<String, Object> spread =
                Map.of("bar", 1, "tick", 0, "over", List.of("C"), "rule", "spread-out", "variant", "spread");
        JsonNode offers = SERVER.post("/api/colours/offers", Map.of("chart", CHART, "bars", "1"))
                .json()
                .path("offers");
        assertThat(texts(offers, "rule")).contains("spread-out");
        JsonNode strokes = SERVER.post(
                        "/api/arrangements",
                        Map.of(
                                "chart",
                                CHART,
                                "choices",
                                Map.of("figure", "stride-root-chord", "colours", List.of(spread))))
                .json()
                .path("strokes");
        List<JsonNode> first = StreamSupport.stream(strokes.spliterator(), false)
                .filter(stroke -> stroke.path("bar").asInt() == 0)
                .toList();
        assertThat(first).hasSize(1);
        assertThat(texts(first.get(0).path("notes"), "name")).containsExactly("C2", "G2", "E3");
        assertThat(StreamSupport.stream(strokes.spliterator(), false)
                        .filter(stroke -> stroke.path("bar").asInt() == 1)
                        .count())
                .isEqualTo(4);
    }

    /** What is improvised on is what is heard. */
    @Test
    void the_right_hands_notes_follow_the_coloured_chords() {
        JsonNode chords = SERVER.post(
                        "/api/right-hand/notes", Map.of("chart", CHART, "choices", Map.of("colours", List.of(PASSING))))
                .json()
                .path("chords");
        assertThat(texts(chords, "chord")).startsWith("C", "C♯°7", "Dm");
        assertThat(texts(
                        SERVER.post("/api/right-hand/notes", Map.of("chart", CHART))
                                .json()
                                .path("chords"),
                        "chord"))
                .startsWith("C", "Dm");
    }

    @Test
    void what_lost_its_ground_waits_and_says_so() {
        JsonNode answer = SERVER.post(
                        "/api/arrangements",
                        Map.of(
                                "chart",
                                CHART.replace("| C | Dm", "| Em | Dm"),
                                "choices",
                                Map.of("colours", List.of(PASSING))))
                .json();
        assertThat(texts(answer.path("problems"), "message"))
                .anyMatch(message -> message.contains("The colour kept in bar 1 over C waits"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "offers;{'chart':'| C |','bars':'1','style':'disco'};style",
                "offers;{'chart':'| C |','bars':'x'};bars",
                "offers;{'chart':'| C |'};bars",
                "song;{'chart':'| C |','style':'jazz','amount':9};expected 1 to 4",
                "song;{'chart':'| C |','style':'jazz'};amount",
                "write;{'chart':'| C "
                        + "|','choices':{'colours':[{'bar':1,'tick':0,'over':['C'],'rule':'mine','variant':'a'}]}}"
                        + ";there is none of that name",
                "write;{'chart':'| C "
                        + "|','choices':{'colours':[{'bar':1,'tick':0,'over':['C'],'rule':'added-sixth',"
                        + "'variant':'a'}]}};expected one of sixth",
                "offers;{'chart':'','bars':'1'};chart"
            })
    void what_cannot_be_is_refused_with_its_place(String path, String body, String told) {
        RealServer.Answer answer = SERVER.post("/api/colours/" + path, body.replace('\'', '"'));
        assertThat(answer.status()).isBetween(400, 422);
        assertThat(answer.text()).contains(told);
    }
}
