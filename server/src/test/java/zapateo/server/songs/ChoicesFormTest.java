package zapateo.server.songs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.arrangements.RightRequest;
import zapateo.server.problems.Refusal;

/** What is kept of choices. The files of earlier forms are written out here as they were kept (this program's own). */
class ChoicesFormTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String PLACED = """
            "overrides": [{"bars": "3-4", "pass": 2, "beats": "1-2", "figure": "held", "strokes": "1@0:960"}],
            "locks": [{"bar": 1, "pass": 1, "beat": 3.0, "bass": "E♭2", "bottom": 3, "top": "G4"}],
            "fingers": [{"hand": "L", "bar": 2, "pass": 1, "tick": 960, "note": "C3", "finger": 4}],
            "colours": [{"bar": 2, "pass": 1, "tick": 0, "over": ["C"], "rule": "added-tones", "variant": "six"}],
            """;
    private static final String ALL = """
            {"figure": "two-feel", "bassLine": "walking", "liveliness": "some", "seed": 7, "wavedOff": ["L6@5"],
             "sections": {"Verse": {"register": "deep"}, "song": {"pedal": false}}, "costs": {"mud": 2.0},
             %s
             "right": {"style": "comping", "top": "third", "licks": [{"bar": 3, "lick": "two-guides"}],
                       "sections": {"Verse": {"style": "none"}}},
             "parked": {%s "licks": [{"bar": 9, "lick": "two-guides"}], "plain": [4], "asTheyAre": [5, 6]}}
            """.formatted(PLACED, PLACED);

    @ParameterizedTest
    @ValueSource(strings = {"{}", "{\"figure\": \"held\"}", "{\"right\": {\"style\": \"none\"}}", "all"})
    void what_is_kept_is_what_was_sent(String text) {
        ChoicesRequest sent = JSON.readValue(text.equals("all") ? ALL : text, ChoicesRequest.class);
        ObjectNode written = new StoredChoices(sent, Map.of()).written(JSON);
        assertThat(written.path("format").asInt()).isEqualTo(4);
        assertThat(StoredChoices.read(JSON, JSON.readTree(written.toString())).choices())
                .isEqualTo(sent);
        assertThat(JSON.readValue(StoredChoices.choicesOf(written).toString(), ChoicesRequest.class))
                .isEqualTo(sent);
    }

    @Test
    void the_form_is_its_own() {
        JsonNode kept = ChoicesForm.kept(JSON.readTree(ALL));
        assertThat(kept.path("song").propertyNames()).contains("figure", "seed").doesNotContain("locks", "sections");
        assertThat(kept.path("bars").path(0).path("choices").path("strokes").asString())
                .isEqualTo("1@0:960");
        assertThat(kept.path("right").path("song").path("top").asString()).isEqualTo("third");
        assertThat(kept.path("parked").path("bars")).hasSize(1);
    }

    static Stream<Class<?>> parts() {
        return Stream.of(
                ChoicesRequest.LockRequest.class,
                ChoicesRequest.FingerRequest.class,
                ChoicesRequest.ColourRequest.class,
                ChoicesRequest.OverrideRequest.class,
                ChoicesRequest.ParkedRequest.class,
                RightRequest.LickRequest.class);
    }

    /** A new field of what is sent has a place in what is kept, or this fails. */
    @ParameterizedTest
    @MethodSource("parts")
    void nothing_that_is_sent_is_lost(Class<?> part) {
        ObjectNode all = JSON.createObjectNode();
        List<String> names = Arrays.stream(part.getRecordComponents())
                .map(RecordComponent::getName)
                .filter(name -> !name.equals("values"))
                .toList();
        boolean parked = part == ChoicesRequest.ParkedRequest.class;
        names.forEach(name -> {
            if (parked) {
                all.putArray(name).add(3);
            } else {
                all.put(name, 3);
            }
        });
        ObjectNode sent = JSON.createObjectNode();
        if (parked) {
            sent.set("parked", all);
        } else {
            String list = part == ChoicesRequest.OverrideRequest.class
                    ? "overrides"
                    : part.getSimpleName().replace("Request", "s").toLowerCase(Locale.ROOT);
            (list.equals("licks") ? sent.putObject("right") : sent)
                    .putArray(list)
                    .add(all);
        }
        assertThat(ChoicesForm.sent(ChoicesForm.kept(sent)).toString()).contains(names);
        if (!parked) {
            assertThat(ChoicesForm.sent(ChoicesForm.kept(sent))).isEqualTo(sent);
        }
    }

    static Stream<String> earlier() {
        return Stream.of(
                "{\"figure\": \"held\", \"overrides\": [{\"bars\": \"5\", \"figure\": \"stacked\"}]}",
                "{\"format\": 2, \"choices\": {\"figure\": \"held\"}, "
                        + "\"ownFigures\": {\"mine\": \"0b3f0f3e-52ba-4fd0-8e3b-4f3f6d3c9a10\"}}",
                "{\"format\": 3, \"choices\": {\"figure\": \"held\", \"colours\": [{\"bar\": 1, \"tick\": 0, "
                        + "\"over\": [\"C\"], \"rule\": \"added-tones\", \"variant\": \"six\"}]}}");
    }

    @ParameterizedTest
    @MethodSource("earlier")
    void what_was_kept_before_is_read(String kept) {
        StoredChoices read = StoredChoices.read(JSON, JSON.readTree(kept));
        assertThat(read.choices().values()).containsEntry("figure", "held");
        assertThat(read.ownFigures()).hasSize(kept.contains("ownFigures") ? 1 : 0);
        // Written anew it is of today's form, and the same.
        assertThat(StoredChoices.read(JSON, read.written(JSON))).isEqualTo(read);
    }

    @Test
    void what_was_kept_after_today_is_refused() {
        assertThatThrownBy(() -> StoredChoices.read(JSON, JSON.readTree("{\"format\": 5, \"kept\": {}}")))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("format 5")
                .hasMessageContaining("up to 4");
    }
}
