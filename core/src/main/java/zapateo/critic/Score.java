package zapateo.critic;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;

/** What is read: a song as two hands play it. */
public final class Score {

    /** A roll begins a quarter before its beat at the most. */
    private static final int LONGEST_LEAD = 960;

    private final Song song;
    private final List<Stroke> strokes;
    private final Pianist pianist;
    private final List<Asked> asked;
    /** Places of the strokes by where they are written, with those ticks. */
    private final int[] order;

    private final int[] ticks;
    /** Until when each stroke is heard, by its place; and the latest of all up to each place of the order. */
    private final int[] heard;

    private final int[] latest;
    private final List<Song.Placed> chords;

    /**
     * @param strokes of both hands, in the order of time
     * @param pedal while it is down, in the order of time
     * @param asked by the bars' indices
     */
    public Score(Song song, List<Stroke> strokes, List<TickSpan> pedal, Pianist pianist, List<Asked> asked) {
        this.song = song;
        this.strokes = List.copyOf(strokes);
        this.pianist = pianist;
        this.asked = List.copyOf(asked);
        this.order = IntStream.range(0, strokes.size())
                .boxed()
                .sorted(Comparator.comparingInt(i -> strokes.get(i).written().tick()))
                .mapToInt(Integer::intValue)
                .toArray();
        this.ticks =
                Arrays.stream(order).map(i -> strokes.get(i).written().tick()).toArray();
        this.heard = new int[strokes.size()];
        for (int i = 0; i < heard.length; i++) {
            heard[i] = heardUntil(strokes.get(i).sounding().end(), pedal);
        }
        this.latest = new int[order.length];
        for (int i = 0; i < order.length; i++) {
            latest[i] = Math.max(heard[order[i]], i == 0 ? Integer.MIN_VALUE : latest[i - 1]);
        }
        this.chords = song.chords().filter(place -> place.chord().isPresent()).toList();
    }

    /** A key that is let go while the pedal is down is heard until it comes up. */
    private static int heardUntil(int end, List<TickSpan> pedal) {
        int low = 0;
        int high = pedal.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            TickSpan down = pedal.get(middle);
            if (down.tick() > end) {
                high = middle - 1;
            } else if (down.end() <= end) {
                low = middle + 1;
            } else {
                return down.end();
            }
        }
        return end;
    }

    public Song song() {
        return song;
    }

    public List<Stroke> strokes() {
        return strokes;
    }

    Pianist pianist() {
        return pianist;
    }

    List<Asked> asked() {
        return asked;
    }

    Asked asked(Stroke stroke) {
        return asked.get(stroke.bar());
    }

    /** Places of one hand's strokes. */
    List<Integer> of(Side hand) {
        return IntStream.range(0, strokes.size())
                .filter(i -> strokes.get(i).hand() == hand)
                .boxed()
                .toList();
    }

    /** Places of the left hand's basses: what is struck as one, lead-ins left out. */
    List<Integer> basses() {
        return of(Side.LEFT).stream()
                .filter(i -> strokes.get(i).mark() == Mark.HEEL)
                .toList();
    }

    /** Two basses of the left hand, one after the other, with the chords they play. */
    record Steps(int before, int now, Song.Placed from, Song.Placed to) {}

    /** All that follow one another, where both stand on a chord. */
    List<Steps> bassSteps() {
        List<Integer> basses = basses();
        List<Steps> steps = new ArrayList<>();
        for (int i = 1; i < basses.size(); i++) {
            Optional<Song.Placed> from = chordOf(strokes.get(basses.get(i - 1)));
            Optional<Song.Placed> to = chordOf(strokes.get(basses.get(i)));
            if (from.isPresent() && to.isPresent()) {
                steps.add(new Steps(basses.get(i - 1), basses.get(i), from.get(), to.get()));
            }
        }
        return steps;
    }

    /** The chords in their order, those of the song as it is played. */
    List<Song.Placed> chords() {
        return chords;
    }

    /** The chord a stroke plays: the one that arrives, for what is struck early. */
    Optional<Song.Placed> chordOf(Stroke stroke) {
        boolean early = stroke.nature().roles().stream().anyMatch(role -> role.ofNext())
                || stroke.nature().origin() == Origin.ANTICIPATION;
        return song.placedAt(early ? stroke.written().end() : stroke.written().tick());
    }

    /** Places of what is struck inside a span, by where it is written; of both hands, in their order. */
    List<Integer> within(int from, int to) {
        return IntStream.range(first(ticks, from), first(ticks, to))
                .map(i -> order[i])
                .sorted()
                .boxed()
                .toList();
    }

    /** Places of what sounds somewhere inside a span, the pedal counted. */
    List<Integer> soundingIn(int from, int to) {
        return IntStream.range(first(latest, from + 1), first(ticks, to))
                .map(i -> order[i])
                .filter(i -> heard[i] > from)
                .sorted()
                .boxed()
                .toList();
    }

    /** The first place in rising numbers that is not below a bound. */
    private static int first(int[] rising, int bound) {
        int low = 0;
        int high = rising.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (rising[middle] < bound) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Until when the stroke at a place is heard. */
    int heardUntil(int at) {
        return heard[at];
    }

    /** The keys that sound somewhere inside a span, as they stand to a root, 0 to 11. */
    Set<Integer> stepsIn(int from, int to, ChordSymbol chord) {
        Set<Integer> steps = new TreeSet<>();
        soundingIn(from, to)
                .forEach(i -> strokes.get(i)
                        .notes()
                        .forEach(note -> steps.add(
                                Math.floorMod(note.pitch().midi() - chord.root().chroma(), 12))));
        return steps;
    }

    /** Notes that sound at a tick, the pedal counted; what is rolled before its beat has begun already. */
    List<PartNote> notesAt(int tick) {
        List<PartNote> notes = new ArrayList<>();
        for (int at : soundingIn(tick, tick + LONGEST_LEAD)) {
            Stroke stroke = strokes.get(at);
            if (stroke.written().tick() + earliest(stroke) <= tick) {
                notes.addAll(stroke.notes());
            }
        }
        return notes;
    }

    private static int earliest(Stroke stroke) {
        return stroke.roll().map(roll -> -roll.leadTicks()).orElse(0);
    }

    Bar last() {
        return song.bars().get(song.bars().size() - 1);
    }
}
