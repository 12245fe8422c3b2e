package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.names.Names;
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
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.ToneFit;

/**
 * What is played where the melody rests (HANDBOOK §9): a chord rolled down to end on the "&", a run into the next note,
 * the chord upward, an echo of what was just heard. The same seed fills the same way.
 */
public final class Fills {

    /** What a gap is filled with. */
    public enum Kind {
        ROLL_DOWN,
        RUN,
        ARPEGGIO,
        ECHO;

        public String id() {
            return Names.of(this);
        }
    }

    private static final int VELOCITY = 62;
    private static final int TRIPLET = Ticks.PER_QUARTER / 3;
    private static final int LONGEST = 8;
    private static final int ECHOED = 4;
    private static final int HIGHEST = Pitch.parse("C7").midi();
    /** Notes of a fill do not follow one another faster than this. */
    private static final double QUICKEST_MS = 120;

    private final Song song;
    private final List<Stroke> tune;
    private final LeftTop left;
    private final Hand hand;
    private final SplittableRandom random;

    /**
     * Where the melody rests for a beat at least, between two of its notes or after the last one of a bar that goes on.
     */
    private record Gap(int after, int from, int to) {}

    private Fills(Song song, List<Stroke> tune, List<Stroke> left, Hand hand, long seed) {
        this.song = song;
        this.tune = tune;
        this.left = new LeftTop(left);
        this.hand = hand;
        this.random = new SplittableRandom(seed);
    }

    /**
     * @param tune what the right hand plays of the melody, in order
     * @param left what the left hand plays, as written
     * @param plain numbers of bars, as written, whose rests stay rests
     */
    public static List<Stroke> of(
            Song song, List<Stroke> tune, List<Stroke> left, Hand hand, long seed, List<Integer> plain) {
        return new Fills(song, tune, left, hand, seed).play(plain);
    }

    private List<Stroke> play(List<Integer> plain) {
        List<Stroke> fills = new ArrayList<>();
        for (Gap gap : gaps()) {
            int first = random.nextInt(Kind.values().length);
            boolean rests = plain.contains(song.barAt(gap.from).number());
            for (int i = 0; i < Kind.values().length && !rests; i++) {
                List<Stroke> filled = filled(Kind.values()[(first + i) % Kind.values().length], gap);
                fills.addAll(filled);
                rests = !filled.isEmpty();
            }
        }
        return fills;
    }

    private List<Gap> gaps() {
        List<Gap> gaps = new ArrayList<>();
        for (int i = 0; i < tune.size(); i++) {
            int from = tune.get(i).written().end();
            int to = i + 1 < tune.size()
                    ? tune.get(i + 1).written().tick()
                    : song.bars().get(tune.get(i).bar()).end();
            Bar bar = song.barAt(from);
            if (to - from >= bar.meter().beatTicks()) {
                gaps.add(new Gap(i, from, Math.min(to, from + LONGEST * Ticks.PER_QUARTER)));
            }
        }
        return gaps;
    }

    private List<Stroke> filled(Kind kind, Gap gap) {
        return switch (kind) {
            case ROLL_DOWN -> rolledDown(gap);
            case RUN -> run(gap);
            case ARPEGGIO -> arpeggio(gap);
            case ECHO -> echo(gap);
        };
    }

    /** The lower notes of the chord downward in triplets, the lowest on the "&" (EXAMPLES 27). */
    private List<Stroke> rolledDown(Gap gap) {
        Bar bar = song.barAt(gap.from);
        int beat = bar.meter().beatTicks();
        int start = bar.tick() + (gap.from - bar.tick() + beat - 1) / beat * beat;
        Optional<ChordSymbol> chord = song.chordAt(start);
        if (bar.meter().isCompound() || chord.isEmpty() || start + beat > gap.to || tooQuick(bar, TRIPLET)) {
            return List.of();
        }
        Optional<Shape> shape = nearest(chord.get(), start, start + beat);
        if (shape.isEmpty()) {
            return List.of();
        }
        List<Stroke> strokes = new ArrayList<>();
        List<PartNote> notes =
                shape.get().notes().subList(0, Math.min(3, shape.get().notes().size()));
        for (int i = 0; i < notes.size(); i++) {
            strokes.add(stroke(
                    Kind.ROLL_DOWN,
                    start + i * TRIPLET,
                    TRIPLET,
                    notes.get(notes.size() - 1 - i).pitch(),
                    chord.get()));
        }
        return strokes;
    }

    /** Steps of the key up or down into the next note of the melody, the last of them a step from it. */
    private List<Stroke> run(Gap gap) {
        if (gap.after + 1 >= tune.size() || tune.get(gap.after + 1).written().tick() != gap.to) {
            return List.of();
        }
        int part = Ticks.PER_EIGHTH;
        int notes = Math.min(4, (gap.to - gap.from) / part);
        int goal = tune.get(gap.after + 1).highest().midi();
        boolean up = tune.get(gap.after).highest().midi() <= goal;
        int start = gap.to - notes * part;
        Bar bar = song.barAt(start);
        if (notes < 2 || song.chordAt(start).isEmpty() || tooQuick(bar, part)) {
            return List.of();
        }
        List<PitchClass> scale = bar.key().scale();
        List<Pitch> line = new ArrayList<>();
        for (int midi = goal + (up ? -1 : 1);
                line.size() < notes && Math.abs(midi - goal) <= Pitch.OCTAVE;
                midi += up ? -1 : 1) {
            int key = midi;
            scale.stream()
                    .filter(name -> name.chroma() == Math.floorMod(key, Pitch.OCTAVE))
                    .findFirst()
                    .ifPresent(name -> line.add(0, Pitch.onKey(key, name)));
        }
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < line.size(); i++) {
            strokes.add(stroke(
                    Kind.RUN,
                    start + i * part,
                    part,
                    line.get(i),
                    song.chordAt(start + i * part).orElse(song.chordAt(start).get())));
        }
        return clear(strokes) ? strokes : List.of();
    }

    /** The chord's tones upward in eighths from the beat. */
    private List<Stroke> arpeggio(Gap gap) {
        Bar bar = song.barAt(gap.from);
        int beat = bar.meter().beatTicks();
        int start = bar.tick() + (gap.from - bar.tick() + beat - 1) / beat * beat;
        Optional<ChordSymbol> chord = song.chordAt(start);
        int part = Ticks.PER_EIGHTH;
        if (chord.isEmpty() || start + 2 * part > gap.to || tooQuick(bar, part)) {
            return List.of();
        }
        Optional<Shape> shape = nearest(chord.get(), start, Math.min(gap.to, start + 4 * part));
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; shape.isPresent() && i < shape.get().notes().size() && start + (i + 1) * part <= gap.to; i++) {
            strokes.add(stroke(
                    Kind.ARPEGGIO,
                    start + i * part,
                    part,
                    shape.get().notes().get(i).pitch(),
                    chord.get()));
        }
        return strokes;
    }

    /** The last notes before the gap an octave higher, in their own rhythm. */
    private List<Stroke> echo(Gap gap) {
        List<Stroke> heard = new ArrayList<>();
        for (int i = gap.after;
                i >= 0
                        && heard.size() < ECHOED
                        && (i == gap.after
                                || tune.get(i).written().end()
                                        == tune.get(i + 1).written().tick());
                i--) {
            int length =
                    tune.get(gap.after).written().end() - tune.get(i).written().tick();
            if (length > gap.to - gap.from) {
                break;
            }
            heard.add(0, tune.get(i));
        }
        if (heard.size() < 2) {
            return List.of();
        }
        List<Stroke> strokes = new ArrayList<>();
        for (Stroke each : heard) {
            int tick = gap.from + each.written().tick() - heard.get(0).written().tick();
            Pitch pitch = Pitch.of(each.highest().pitchClass(), each.highest().octave() + 1);
            Optional<ChordSymbol> chord = song.chordAt(tick);
            if (pitch.midi() > HIGHEST
                    || chord.isEmpty()
                    || song.barAt(tick).end() < tick + each.written().ticks()
                    || !ToneFit.holds(chord.get(), pitch) && each == heard.get(heard.size() - 1)) {
                return List.of();
            }
            strokes.add(stroke(Kind.ECHO, tick, each.written().ticks(), pitch, chord.get()));
        }
        return strokes;
    }

    private Stroke stroke(Kind kind, int tick, int ticks, Pitch pitch, ChordSymbol chord) {
        TickSpan span = TickSpan.of(tick, ticks);
        return Stroke.of(
                Side.RIGHT,
                song.barAt(tick).index(),
                0,
                span,
                Mark.TOE,
                false,
                List.of(PartNote.of(pitch, Role.FILL).struck(VELOCITY)),
                Nature.of(Origin.FILL),
                Reason.of("fill-" + kind.id(), Map.of("chord", chord.toString())));
    }

    /** The shape of a chord nearest to the melody that lies a third clear of the left hand. */
    private Optional<Shape> nearest(ChordSymbol chord, int from, int to) {
        int floor = left.over(from, to) + Comping.CLEAR_OF_LEFT;
        int near = tune.stream()
                .filter(stroke -> stroke.written().end() <= from)
                .reduce((first, second) -> second)
                .map(stroke -> stroke.highest().midi())
                .orElse(Shape.HIGHEST);
        return Shape.of(chord, hand).stream()
                .filter(shape -> shape.lowest() >= floor)
                .min(java.util.Comparator.comparingInt(shape -> Math.abs(shape.top() - near)));
    }

    private boolean clear(List<Stroke> strokes) {
        return strokes.stream()
                .allMatch(stroke -> stroke.lowest().midi()
                        >= left.over(stroke.written().tick(), stroke.written().end()) + Comping.CLEAR_OF_LEFT);
    }

    private static boolean tooQuick(Bar bar, int ticks) {
        return bar.tempo().millisecondsOf(ticks) < QUICKEST_MS;
    }
}
