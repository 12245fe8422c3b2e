package zapateo.part;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Which of some strokes are written to sound in a span of time, found without going through all of them. */
public final class Sounding {

    private final List<Stroke> inTime;
    private final int[] places;
    private final int longest;

    /** @param strokes in any order */
    public Sounding(List<Stroke> strokes) {
        places = IntStream.range(0, strokes.size())
                .boxed()
                .sorted(Comparator.comparingInt(
                        place -> strokes.get(place).written().tick()))
                .mapToInt(Integer::intValue)
                .toArray();
        inTime = IntStream.of(places).mapToObj(strokes::get).toList();
        longest = strokes.stream()
                .mapToInt(stroke -> stroke.written().ticks())
                .max()
                .orElse(0);
    }

    /** Places in the list of those of which something is heard from {@code from} to before {@code to}. */
    public IntStream in(int from, int to) {
        return IntStream.range(firstFrom(from - longest), firstFrom(to))
                .filter(at -> inTime.get(at).written().end() > from)
                .map(at -> places[at]);
    }

    /** Places in the list of those that begin from {@code from} to before {@code to}. */
    public IntStream beginningIn(int from, int to) {
        return IntStream.range(firstFrom(from), firstFrom(to)).map(at -> places[at]);
    }

    /** How many begin before a tick. */
    private int firstFrom(int tick) {
        int low = 0;
        int high = inTime.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (inTime.get(middle).written().tick() < tick) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
