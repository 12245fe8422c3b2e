package zapateo.righthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.part.Grace;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * Licks made for a bar: each tone by its role in the chord that sounds, in the octave nearest to where the right hand
 * has its tunes, clear of the left hand.
 */
public final class Licks {

    private static final double HOME = Pitch.parse("B4").midi();
    private static final int HIGHEST = Pitch.parse("C7").midi();
    private static final int VELOCITY = 78;
    private static final Interval THIRD = Interval.parse("3");
    private static final Interval FOURTH = Interval.parse("4");
    /** Faster than this nobody should have to learn it. */
    private static final double QUICKEST_MS = 75;

    private final Song song;
    private final LeftTop left;
    private final Hand hand;

    /** @param left what the left hand plays, as written, in the order of time */
    public Licks(Song song, List<Stroke> left, Hand hand) {
        this.song = song;
        this.left = new LeftTop(left);
        this.hand = hand;
    }

    /** A lick and what it is in a bar. */
    public record Offered(Lick lick, List<Stroke> strokes) {}

    /** What suits the chord of a bar, its tempo and the hand. */
    public List<Offered> over(Bar bar) {
        return Lick.all().stream()
                .filter(lick -> suits(lick, bar))
                .map(lick -> new Offered(lick, of(lick, bar)))
                .toList();
    }

    boolean suits(Lick lick, Bar bar) {
        Optional<ChordSymbol> chord =
                bar.chords().stream().flatMap(span -> span.chord().stream()).findFirst();
        return chord.filter(lick::suits).isPresent()
                && isSlowEnough(bar, lick)
                && of(lick, bar).stream().allMatch(stroke -> hand.easeOf(stroke.keys()) != Ease.OUT_OF_REACH);
    }

    private static boolean isSlowEnough(Bar bar, Lick lick) {
        return lick.steps(bar.meter()).stream()
                .filter(step -> !step.grace())
                .allMatch(step -> bar.tempo().millisecondsOf(step.ticks()) >= QUICKEST_MS);
    }

    /** As it is in a bar; what goes beyond a shorter bar is left out. Empty in a bar without chords. */
    public List<Stroke> of(Lick lick, Bar bar) {
        if (bar.chords().stream().noneMatch(span -> span.chord().isPresent())) {
            return List.of();
        }
        List<Lick.Step> steps = lick.steps(bar.meter()).stream()
                .filter(step -> step.tick() < bar.ticks())
                .toList();
        List<List<Pitch>> struck = steps.stream()
                .map(step -> step.tones().stream()
                        .map(tone -> pitch(tone, lick, bar, step.tick()))
                        .sorted(Comparator.comparingInt(Pitch::midi))
                        .toList())
                .toList();
        int octaves = octaves(struck, left.over(bar.tick(), bar.end()));
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            Lick.Step step = steps.get(i);
            boolean leanedOn = i > 0 && steps.get(i - 1).grace();
            int from = bar.tick() + step.tick() + (leanedOn ? Lick.GRACE : 0);
            int to = Math.min(bar.end(), bar.tick() + step.tick() + step.ticks());
            if (struck.get(i).isEmpty() || to <= from) {
                continue;
            }
            List<PartNote> notes = struck.get(i).stream()
                    .map(pitch -> PartNote.of(pitch, Role.TUNE).octaves(octaves).struck(VELOCITY))
                    .toList();
            TickSpan span = TickSpan.of(from, to - from);
            Reason why = Reason.of(
                    "lick",
                    Map.of(
                            "name",
                            lick.name(),
                            "chord",
                            chordAt(bar, step.tick()).toString()));
            Nature plain = Nature.of(Origin.LICK);
            Nature nature = step.grace()
                    ? plain.with(new Grace(Grace.Place.NOTE, Lick.GRACE))
                    : leanedOn ? plain.with(new Grace(Grace.Place.LEANED_ON, Lick.GRACE)) : plain;
            strokes.add(Stroke.of(Side.RIGHT, bar.index(), 0, span, Mark.TOE, false, notes, nature, why));
        }
        return strokes;
    }

    /** The octave in which its middle lies nearest to home, higher where the left hand is. */
    private static int octaves(List<List<Pitch>> struck, int leftTop) {
        List<Integer> keys =
                struck.stream().flatMap(List::stream).map(Pitch::midi).toList();
        double middle = keys.stream().mapToInt(Integer::intValue).average().orElse(HOME);
        int lowest = keys.stream().mapToInt(Integer::intValue).min().orElse(0);
        int highest = keys.stream().mapToInt(Integer::intValue).max().orElse(0);
        int octaves = (int) Math.round((HOME - middle) / Pitch.OCTAVE);
        while (lowest + Pitch.OCTAVE * octaves < leftTop + Comping.CLEAR_OF_LEFT
                && highest + Pitch.OCTAVE * (octaves + 1) <= HIGHEST) {
            octaves++;
        }
        return octaves;
    }

    private Pitch pitch(Lick.Tone tone, Lick lick, Bar bar, int tick) {
        ChordSymbol chord = tone.next() ? next(bar) : chordAt(bar, tick);
        PitchClass root = lick.ofKey() ? bar.key().tonic() : chord.root();
        Interval degree = tone.literal() || lick.ofKey() ? tone.degree() : resolved(tone.degree(), chord, bar.key());
        return Pitch.onKey(
                Pitch.OCTAVE * 5 + root.chroma() + degree.semitones() + Pitch.OCTAVE * tone.octaves(),
                root.plus(degree).simple());
    }

    /**
     * The chord's own tone of that number, else its scale's, else the major scale's; a suspension stands for the third.
     */
    private static Interval resolved(Interval degree, ChordSymbol chord, Key key) {
        Optional<Interval> own = chord.quality()
                .tone(degree.number())
                .or(() -> chord.quality().tone(degree.number() + 7))
                .map(tone -> tone.semitones() >= Pitch.OCTAVE ? tone.up(-1) : tone);
        if (own.isPresent()) {
            return own.get();
        }
        if (degree.equals(THIRD) && chord.quality().has(4, 5)) {
            return FOURTH;
        }
        return ChordScale.of(chord, key)
                .flatMap(scale -> scale.notes().stream()
                        .filter(note -> note.number() == degree.number())
                        .findFirst())
                .orElse(degree);
    }

    /** The chord at a tick of a bar, in a silence the bar's first. */
    private ChordSymbol chordAt(Bar bar, int tick) {
        return song.chordAt(bar.tick() + tick)
                .orElseGet(() -> bar.chords().stream()
                        .flatMap(span -> span.chord().stream())
                        .findFirst()
                        .orElseThrow());
    }

    private ChordSymbol next(Bar bar) {
        boolean last = bar.index() + 1 == song.bars().size();
        return (last
                        ? Optional.<ChordSymbol>empty()
                        : song.bars().get(bar.index() + 1).chords().get(0).chord())
                .orElse(chordAt(bar, bar.ticks() - 1));
    }

    /**
     * The right hand with licks in some bars in place of what it had there.
     *
     * @param right in the order of time
     * @param licks by the bar's index
     */
    public List<Stroke> put(List<Stroke> right, Map<Integer, Lick> licks) {
        List<Stroke> now = new ArrayList<>();
        for (Stroke stroke : right) {
            int end = stroke.written().end();
            for (int bar = stroke.bar() + 1;
                    bar < song.bars().size() && song.bars().get(bar).tick() < end;
                    bar++) {
                // What is tied into a bar that has a lick now ends before it.
                end = licks.containsKey(bar) ? song.bars().get(bar).tick() : end;
            }
            if (!licks.containsKey(stroke.bar())) {
                now.add(
                        end == stroke.written().end()
                                ? stroke
                                : stroke.moved(
                                        stroke.bar(),
                                        TickSpan.of(
                                                stroke.written().tick(),
                                                end - stroke.written().tick())));
            }
        }
        licks.forEach((bar, lick) -> now.addAll(of(lick, song.bars().get(bar))));
        now.sort(Stroke.IN_TIME);
        return now;
    }
}
