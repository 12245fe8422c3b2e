package zapateo.critic;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Origin;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Tune;

/** The row about what fills: fills, licks and unisons. */
final class FillRows {

    private static final Set<Origin> FILLS = EnumSet.of(Origin.FILL, Origin.LICK, Origin.UNISON);
    private static final int TRAVEL = 14;
    private static final int TRAVEL_MS = 300;
    private static final int SOON = 8;

    private FillRows() {}

    /**
     * R6: a fill steps on the melody, ends off the last chord, leaves the chord's third wrong, comes again too soon, or
     * asks the hand to travel too far.
     */
    static void fills(Score score, Marks marks) {
        List<Tune.Sung> sung = Tune.of(score.song());
        List<Integer> right = score.of(Side.RIGHT);
        for (int i = 0; i < right.size(); i++) {
            Stroke stroke = score.strokes().get(right.get(i));
            if (!FILLS.contains(stroke.nature().origin())) {
                continue;
            }
            boolean steps = stroke.nature().origin() == Origin.FILL
                    && sung.stream()
                            .anyMatch(note -> note.tick() < stroke.written().end()
                                    && stroke.written().tick() < note.tick() + note.ticks());
            Stroke next = i + 1 < right.size() ? score.strokes().get(right.get(i + 1)) : null;
            Bar bar = score.song().bars().get(stroke.bar());
            boolean far = next != null
                    && Math.abs(next.highest().midi() - stroke.highest().midi()) > TRAVEL
                    && bar.tempo()
                                    .millisecondsOf(next.written().tick()
                                            - stroke.written().tick())
                            < TRAVEL_MS;
            if (steps || far) {
                marks.add(
                        stroke.bar(),
                        List.of(right.get(i)),
                        Map.of("note", stroke.highest().toString(), "what", steps ? "melody" : "travel"));
            }
        }
        List<List<Integer>> fills = fills(score, right);
        for (int i = 0; i < fills.size(); i++) {
            List<Integer> fill = fills.get(i);
            Stroke end = score.strokes().get(fill.get(fill.size() - 1));
            Optional<ChordSymbol> chord = score.song().chordAt(end.written().tick());
            List<Song.Placed> chords = score.chords();
            boolean last = !chords.isEmpty()
                    && end.written().tick() >= chords.get(chords.size() - 1).tick();
            boolean off = last
                    && chord.filter(each -> !Tones.isOf(each, end.highest().midi()))
                            .isPresent();
            boolean wrong =
                    chord.filter(each -> Tones.isTheOther(each, end.highest().midi())
                                            && !Tones.isOf(each, end.highest().midi()))
                                    .isPresent()
                            && !score.asked(end).is(Trait.BLUES);
            boolean again = i > 0
                    && end.bar() - score.strokes().get(fills.get(i - 1).get(0)).bar() < SOON
                    && same(score, fills.get(i - 1), fill);
            if (off || wrong || again) {
                marks.add(
                        end.bar(),
                        List.of(fill.get(fill.size() - 1)),
                        Map.of("note", end.highest().toString(), "what", again ? "again" : "end"));
            }
        }
    }

    /** Runs of strokes that fill together: one origin, a bar and the next. */
    private static List<List<Integer>> fills(Score score, List<Integer> right) {
        List<List<Integer>> fills = new ArrayList<>();
        Stroke before = null;
        for (int at : right) {
            Stroke stroke = score.strokes().get(at);
            if (FILLS.contains(stroke.nature().origin())) {
                boolean goesOn = before != null
                        && before.nature().origin() == stroke.nature().origin()
                        && stroke.written().tick() - before.written().end()
                                < score.last().meter().beatTicks();
                if (!goesOn) {
                    fills.add(new ArrayList<>());
                }
                fills.get(fills.size() - 1).add(at);
            }
            before = stroke;
        }
        return fills;
    }

    private static boolean same(Score score, List<Integer> one, List<Integer> other) {
        return one.size() > 2 && keys(score, one).equals(keys(score, other));
    }

    private static String keys(Score score, List<Integer> fill) {
        int from = score.strokes().get(fill.get(0)).written().tick();
        return fill.stream()
                .map(score.strokes()::get)
                .map(stroke -> stroke.highest() + "@" + (stroke.written().tick() - from))
                .collect(Collectors.joining(" "));
    }
}
