package zapateo.lefthand;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Pitch;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.TuneNote;

/**
 * How loudness goes through the phrases of a song: up to the bar where the tune is highest, or the harmony furthest
 * from home, and down to the cadence (HANDBOOK §7a; the numbers are the project's own).
 */
final class Phrasing {

    private static final int PHRASE = 4;
    private static final int TOP = 4;
    private static final int CADENCE = -1;
    /** Where nothing speaks for another bar. */
    private static final int THIRD = 2;

    private final Map<Integer, Integer> byBar = new HashMap<>();

    private Phrasing() {}

    static Phrasing of(Song song) {
        Phrasing phrasing = new Phrasing();
        for (Section section : song.sections()) {
            List<Bar> bars = section.bars();
            for (int from = 0; from < bars.size(); ) {
                // What is left over belongs to the last phrase.
                int to = bars.size() - from < 2 * PHRASE - 1 ? bars.size() : from + PHRASE;
                phrasing.shape(bars.subList(from, to));
                from = to;
            }
        }
        return phrasing;
    }

    /** Steps of velocity to add in a bar. */
    int at(Bar bar) {
        return byBar.getOrDefault(bar.index(), 0);
    }

    private void shape(List<Bar> phrase) {
        int top = top(phrase);
        int last = phrase.size() - 1;
        for (int i = 0; i <= last; i++) {
            double up = i <= top
                    ? top == 0 ? TOP : (double) TOP * i / top
                    : TOP - (double) (TOP - CADENCE) * (i - top) / (last - top);
            byBar.put(phrase.get(i).index(), (int) Math.round(up));
        }
    }

    private static int top(List<Bar> phrase) {
        List<Integer> inside = IntStream.range(0, phrase.size()).boxed().toList();
        Optional<Integer> highest = inside.stream()
                .filter(i -> highest(phrase.get(i)).isPresent())
                .max(Comparator.comparingInt(i -> highest(phrase.get(i)).orElseThrow()));
        return highest.orElseGet(() -> inside.stream()
                .max(Comparator.comparingInt((Integer i) -> strange(phrase.get(i)))
                        .thenComparingInt(i -> -Math.abs(i - THIRD)))
                .orElse(0));
    }

    private static OptionalInt highest(Bar bar) {
        return bar.tune().stream()
                .map(TuneNote::pitch)
                .flatMap(Optional::stream)
                .mapToInt(Pitch::midi)
                .max();
    }

    /** How many tones of a bar's chords the key has not. */
    private static int strange(Bar bar) {
        return (int) bar.chords().stream()
                .map(ChordSpan::chord)
                .flatMap(Optional::stream)
                .map(ChordSymbol::tones)
                .flatMap(List::stream)
                .filter(tone -> !bar.key().holds(tone))
                .distinct()
                .count();
    }
}
