package zapateo.hand;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import zapateo.arrangement.AsBefore;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/**
 * No finger and no measure of what a hand can do changes unseen: seeded parts of lines, double notes and chords, for
 * both hands and three sizes, with their fingers, what those cost by each rule, and how hard they are. Where a change
 * is meant, {@code -Dhands.write=true} writes them anew.
 */
class HandFixturesTest {

    private static final int PARTS = 72;
    private static final int QUARTER = 960;
    private static final List<String> NAMES = List.of("C", "D♭", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B");
    private static final double[] SPANS = {165, 201, 232};
    private static final int[] LENGTHS = {QUARTER / 4, QUARTER / 2, QUARTER / 2, QUARTER, 2 * QUARTER};
    private static final List<List<Integer>> SHAPES = List.of(
            List.of(0),
            List.of(0),
            List.of(0, 12),
            List.of(0, 7),
            List.of(0, 4),
            List.of(0, 3),
            List.of(0, 4, 7),
            List.of(0, 3, 8),
            List.of(0, 5, 9),
            List.of(0, 4, 7, 11),
            List.of(0, 2),
            List.of(0, 16),
            List.of(0, 7, 16),
            List.of(0, 3, 6, 9),
            List.of(0, 1),
            List.of(0, 9),
            List.of(0, 10, 16));

    @Test
    void every_hand_does_as_before() throws IOException {
        AsBefore.expect(
                "hands",
                IntStream.range(0, PARTS).mapToObj(HandFixturesTest::row).toList(),
                "parts whose fingers or measures changed");
    }

    private static String row(int seed) {
        Side side = seed % 2 == 0 ? Side.LEFT : Side.RIGHT;
        Hand hand = Hand.of(SPANS[seed % SPANS.length]);
        List<Stroke> strokes = part(seed, side);
        Fingering fingering = FingerSearch.of(
                strokes,
                side,
                hand,
                i -> 60_000.0 / 120 * strokes.get(i).written().ticks() / QUARTER,
                Fingering.Locks.NONE);
        int bars = strokes.get(strokes.size() - 1).bar() + 1;
        List<BarTime> times = IntStream.range(0, bars)
                .mapToObj(bar -> new BarTime(bar * 4 * QUARTER, 4 * QUARTER, QUARTER, 120))
                .toList();
        Playability play = Playability.of(times, List.of(new Playability.Played(side, hand, strokes, fingering)));
        String fingers = fingering.fingers().stream()
                .map(each -> Arrays.stream(each).mapToObj(String::valueOf).collect(Collectors.joining("-")))
                .collect(Collectors.joining(" "));
        String rules = new TreeMap<>(fingering.byRule())
                .entrySet().stream()
                        .filter(each -> Math.abs(each.getValue()) > 0.004)
                        .map(each -> each.getKey() + " " + round(each.getValue()))
                        .collect(Collectors.joining(" "));
        String measured = play.bars().stream()
                .map(bar -> round(Math.min(999, bar.maxTempo())) + "/" + round(bar.jumpMm()) + "/"
                        + new TreeMap<>(bar.spots())
                                .values().stream()
                                        .map(spots -> spots.stream()
                                                .map(spot -> String.valueOf(spot.stroke()))
                                                .collect(Collectors.joining(".")))
                                        .collect(Collectors.joining("|")))
                .collect(Collectors.joining(" "));
        return String.join(
                ",",
                String.valueOf(seed),
                side.letter(),
                fingers,
                round(fingering.total()),
                rules,
                measured,
                String.valueOf(play.song()).replace(',', ';').replaceAll("(\\.[0-9]{3})[0-9]+", "$1"));
    }

    private static String round(double value) {
        return String.format(Locale.ROOT, "%.2f", value);
    }

    /** Lines by step and by leap, repeated notes, patterns that come again, double notes, chords, rests. */
    private static List<Stroke> part(int seed, Side side) {
        Random random = new Random(seed);
        List<Stroke> strokes = new ArrayList<>();
        int key = side == Side.LEFT ? 45 : 69;
        int tick = 0;
        boolean line = seed % 3 == 0;
        List<Integer> pattern = random.ints(4, -4, 9).boxed().toList();
        int length = LENGTHS[random.nextInt(LENGTHS.length)];
        for (int i = 0; i < 22; i++) {
            if (!line) {
                length = LENGTHS[random.nextInt(LENGTHS.length)];
            }
            int low = seed % 4 == 1 ? key + pattern.get(i % 4) : key;
            List<Integer> shape = line ? List.of(0) : SHAPES.get(random.nextInt(SHAPES.size()));
            strokes.add(stroke(
                    tick,
                    length,
                    side,
                    shape.stream().map(each -> low + each).toList(),
                    i % 5 == 0 ? Mark.HEEL : Mark.TOE));
            tick += random.nextInt(8) == 0 ? 2 * length : length;
            int by = random.nextInt(10) < 7 ? random.nextInt(5) - 2 : random.nextInt(25) - 12;
            key = Math.max(side == Side.LEFT ? 36 : 58, Math.min(side == Side.LEFT ? 58 : 80, key + by));
        }
        return strokes;
    }

    private static Stroke stroke(int tick, int ticks, Side side, List<Integer> keys, Mark mark) {
        List<PartNote> notes = keys.stream()
                .map(HandFixturesTest::pitch)
                .map(pitch -> PartNote.of(pitch, Role.BASS))
                .toList();
        TickSpan span = TickSpan.of(tick, ticks);
        return new Stroke(
                side,
                tick / (4 * QUARTER),
                0,
                span,
                span,
                mark,
                false,
                notes,
                Optional.empty(),
                Nature.of(Origin.FIGURE),
                Reason.of("figure-stroke", Map.of()));
    }

    private static Pitch pitch(int midi) {
        return Pitch.onKey(midi, PitchClass.parse(NAMES.get(midi % 12)));
    }
}
