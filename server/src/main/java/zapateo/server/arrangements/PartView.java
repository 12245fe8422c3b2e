package zapateo.server.arrangements;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import zapateo.hand.Difficulty;
import zapateo.server.bounds.NameOf;

/**
 * What makes something hard.
 *
 * @param id reach, jumps, fingers, rhythm, together or reading
 * @param value 0 to 100
 * @param strokes that make it so, by their places; none for the whole song, nor for reading, which all of a bar's
 *     strokes share
 */
public record PartView(@NameOf(Difficulty.Part.class) String id, double value, List<Integer> strokes) {

    static List<PartView> of(Difficulty difficulty, Function<Difficulty.Part, List<Integer>> strokes) {
        return Arrays.stream(Difficulty.Part.values())
                .map(part -> new PartView(part.id(), Told.tenth(difficulty.part(part)), strokes.apply(part)))
                .toList();
    }
}
