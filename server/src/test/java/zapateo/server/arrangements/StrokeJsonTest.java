package zapateo.server.arrangements;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.annotation.JsonSerialize;
import tools.jackson.databind.json.JsonMapper;

/**
 * Strokes are written as the library writes a record by itself: the fields of its view, those that are absent left out,
 * in their order.
 */
class StrokeJsonTest {

    private static final JsonMapper OURS = JsonMapper.builder().build();
    private static final JsonMapper LIBRARY =
            JsonMapper.builder().addMixIn(StrokeView.class, ByItself.class).build();

    @JsonSerialize(using = ValueSerializer.None.class)
    private interface ByItself {}

    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void a_stroke_is_written_as_its_view_says(int seed) throws ReflectiveOperationException {
        // The first has every field, the second none of those that may be absent.
        StrokeView stroke = stroke(seed, seed == 0 ? 1 : seed == 1 ? 0 : new Random(seed).nextDouble());
        assertThat(OURS.writeValueAsString(stroke)).isEqualTo(LIBRARY.writeValueAsString(stroke));
        assertThat(OURS.writeValueAsString(List.of(stroke, stroke)))
                .isEqualTo(LIBRARY.writeValueAsString(List.of(stroke, stroke)));
    }

    private static StrokeView stroke(int seed, double told) throws ReflectiveOperationException {
        Random random = new Random(seed);
        RecordComponent[] fields = StrokeView.class.getRecordComponents();
        Object[] values = Arrays.stream(fields)
                .map(field -> field.getType().isPrimitive() || random.nextDouble() < told ? value(field, random) : null)
                .toArray();
        return (StrokeView) StrokeView.class.getDeclaredConstructors()[0].newInstance(values);
    }

    private static Object value(RecordComponent field, Random random) {
        Class<?> type = field.getType();
        int number = random.nextInt(-4_000, 4_000);
        if (type == int.class || type == Integer.class) {
            return number;
        } else if (type == Double.class) {
            return number / 10.0;
        } else if (type == Boolean.class) {
            return random.nextBoolean();
        } else if (type == StrokeView.WrittenView.class) {
            return new StrokeView.WrittenView(number, -number);
        } else if (type == StrokeView.RolledView.class) {
            return new StrokeView.RolledView("quick", number, 0);
        } else if (field.getName().equals("noted")) {
            return random.ints(random.nextInt(4)).boxed().toList();
        } else if (type == List.class) {
            return List.of(
                    new StrokeView.NoteView(60, "C4", "root", null, null),
                    new StrokeView.NoteView(number, "F♯3", "5", number, 5));
        }
        assertThat(type)
                .as("a kind of field that no test knows: %s", field.getName())
                .isEqualTo(String.class);
        return "A♭ \"" + number + "\" \n";
    }
}
