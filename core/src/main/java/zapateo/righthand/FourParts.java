package zapateo.righthand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.part.GivenRun;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.search.ShortestPath;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * A melody as a hymn book has it: three voices under it, written as one, tenor and bass for the left hand, alto under
 * the tune for the right. The lower three move where the chord changes and where a note of the tune begins on a beat.
 *
 * @param left tenor and bass, bar by bar in place of what the left hand has there
 * @param right strokes of the right hand
 * @param octaves how many the tune was moved up, so that four voices have room
 */
public record FourParts(List<GivenRun> left, List<Stroke> right, int octaves) {

    private static final int BASS_LOWEST = Pitch.parse("E2").midi();
    private static final int BASS_HIGHEST = Pitch.parse("C4").midi();
    private static final int TENOR_LOWEST = Pitch.parse("C3").midi();
    private static final int TENOR_HIGHEST = Pitch.parse("A4").midi();
    private static final int ALTO_LOWEST = Pitch.parse("F3").midi();
    private static final int ALTO_HIGHEST = Pitch.parse("D5").midi();
    private static final int SOPRANO_LOWEST = Pitch.parse("C4").midi();
    private static final int TUNE_HIGHEST = Pitch.parse("A5").midi();
    private static final int SOPRANO_HIGHEST = Pitch.parse("G5").midi();
    /** Alto and tenor lie within an octave, and a little apart where hands do not have it otherwise. */
    private static final int WIDEST_INSIDE = 16;

    private static final int SOFTER = 18;

    /** From one change of the lower voices to the next. */
    private record Moment(Bar bar, TickSpan span, ChordSymbol chord, Stroke tune) {}

    /**
     * @param melody its single notes
     * @param bars indices of the bars that are to be so
     */
    public static FourParts of(Song song, List<Stroke> melody, Set<Integer> bars, Pianist pianist) {
        Hand leftHand = pianist.leftOnKeys();
        Hand rightHand = pianist.rightOnKeys();
        int octaves = octaves(melody);
        List<Stroke> sung = octaves == 0
                ? melody
                : melody.stream()
                        .map(stroke -> stroke.playing(stroke.notes().stream()
                                .map(note -> note.octaves(octaves))
                                .toList()))
                        .toList();
        List<Moment> moments = moments(song, sung, bars);
        List<List<Voices>> layers = moments.stream()
                .map(moment -> voices(moment, leftHand, rightHand))
                .toList();
        List<Voices> found =
                ShortestPath.through(layers, Voices.terms(song.key())).steps();
        List<Stroke> low = new ArrayList<>();
        List<Stroke> high = new ArrayList<>(
                sung.stream().filter(stroke -> bars.contains(stroke.bar())).toList());
        Map<Integer, Integer> places = IntStream.range(0, high.size())
                .boxed()
                .collect(Collectors.toMap(i -> high.get(i).written().tick(), i -> i, (first, second) -> first));
        for (int i = 0; i < moments.size(); i++) {
            Moment moment = moments.get(i);
            List<PartNote> inLeft = new ArrayList<>();
            List<PartNote> inRight = new ArrayList<>();
            for (int voice = 0; voice < 3; voice++) {
                int key = found.get(i).keys().get(voice);
                if (key >= 0) {
                    boolean over = voice == 2
                            || voice == 1 && leftHand.easeOf(found.get(i).keys().get(0), key) == Ease.OUT_OF_REACH;
                    (over ? inRight : inLeft).add(note(moment, key));
                }
            }
            if (!inLeft.isEmpty()) {
                low.add(stroke(Side.LEFT, moment, inLeft));
            }
            addRight(high, places, moment, inRight);
        }
        high.sort(Stroke.IN_TIME);
        Map<Integer, List<Stroke>> byBar = low.stream().collect(Collectors.groupingBy(Stroke::bar));
        List<GivenRun> runs = new ArrayList<>();
        for (Bar bar : song.bars()) {
            List<Stroke> own = byBar.getOrDefault(bar.index(), List.of());
            if (bars.contains(bar.index()) && !own.isEmpty()) {
                runs.add(new GivenRun(TickSpan.of(bar.tick(), bar.end() - bar.tick()), own));
            }
        }
        return new FourParts(runs, high, octaves);
    }

    /** The one in which least of the tune lies beyond a soprano's; its own, where that is nearly as good. */
    private static int octaves(List<Stroke> melody) {
        return IntStream.of(0, -1, 1)
                .boxed()
                .min(Comparator.comparingInt(octaves -> Math.abs(octaves)
                        + melody.stream()
                                .mapToInt(stroke -> beyond(stroke.highest().midi() + octaves * Pitch.OCTAVE))
                                .sum()))
                .orElseThrow();
    }

    private static int beyond(int key) {
        return Math.max(0, SOPRANO_LOWEST - key) + Math.max(0, key - TUNE_HIGHEST);
    }

    /** What lies under the tune is struck with it where it is as long, else in a stroke of its own. */
    private static void addRight(List<Stroke> high, Map<Integer, Integer> places, Moment moment, List<PartNote> notes) {
        if (notes.isEmpty()) {
            return;
        }
        int at = places.getOrDefault(moment.tune.written().tick(), -1);
        if (at >= 0 && moment.tune.written().equals(moment.span)) {
            List<PartNote> all = new ArrayList<>(notes);
            all.add(moment.tune.notes().get(0));
            high.set(
                    at,
                    moment.tune.playing(all).as(Nature.of(Origin.UNDER_TUNE)).because(why(moment.chord)));
        } else {
            high.add(stroke(Side.RIGHT, moment, notes));
        }
    }

    private static Stroke stroke(Side hand, Moment moment, List<PartNote> notes) {
        List<PartNote> upwards = notes.stream()
                .sorted(Comparator.comparingInt(note -> note.pitch().midi()))
                .toList();
        return Stroke.of(
                hand,
                moment.bar.index(),
                0,
                moment.span,
                Mark.TOE,
                false,
                upwards,
                Nature.of(Origin.PARTS),
                why(moment.chord));
    }

    private static Reason why(ChordSymbol chord) {
        return Reason.of(Origin.PARTS.code(), Map.of("chord", chord.toString()));
    }

    private static PartNote note(Moment moment, int key) {
        ChordSymbol chord = moment.chord;
        Interval tone = chord.quality().tones().stream()
                .filter(each -> chord.tone(each).chroma() == Math.floorMod(key, Pitch.OCTAVE))
                .findFirst()
                .orElse(null);
        Role role = tone == null ? Role.STRANGE_BASS : Role.tone(tone.number());
        return PartNote.of(
                        Pitch.onKey(
                                key,
                                tone == null ? chord.bass() : chord.tone(tone).simple()),
                        role)
                .struck(moment.tune.notes().get(0).velocity() - SOFTER);
    }

    private static List<Moment> moments(Song song, List<Stroke> melody, Set<Integer> bars) {
        List<Moment> moments = new ArrayList<>();
        for (Bar bar : song.bars()) {
            List<Stroke> own = melody.stream()
                    .filter(stroke -> stroke.written().tick() < bar.end()
                            && stroke.written().end() > bar.tick())
                    .toList();
            if (!bars.contains(bar.index()) || own.isEmpty()) {
                continue;
            }
            TreeSet<Integer> ticks = new TreeSet<>();
            bar.chords().forEach(span -> ticks.add(bar.tick() + span.tick()));
            own.stream()
                    .map(stroke -> stroke.written().tick())
                    .filter(tick -> tick >= bar.tick()
                            && (tick - bar.tick()) % bar.meter().beatTicks() == 0)
                    .forEach(ticks::add);
            for (int tick : ticks) {
                Integer next = ticks.higher(tick);
                int end = next == null ? bar.end() : next;
                Optional<Stroke> tune = own.stream()
                        .filter(stroke -> stroke.written().tick() <= tick
                                && stroke.written().end() > tick)
                        .findFirst();
                Optional<ChordSymbol> chord = song.chordAt(tick);
                if (chord.isPresent() && tune.isPresent()) {
                    moments.add(new Moment(bar, TickSpan.of(tick, end - tick), chord.get(), tune.get()));
                }
            }
        }
        return moments;
    }

    /** Every way to lay the lower three; fewer of them where two hands cannot reach all. */
    private static List<Voices> voices(Moment moment, Hand left, Hand right) {
        int soprano = moment.tune.highest().midi();
        // Over a tune beyond a choir's, alto and tenor go along.
        int up = Math.max(0, soprano - SOPRANO_HIGHEST);
        List<Integer> basses =
                keys(List.of(moment.chord.bass().chroma()), BASS_LOWEST, Math.min(BASS_HIGHEST, soprano - 1));
        List<Integer> tones =
                moment.chord.tones().stream().map(tone -> tone.chroma()).toList();
        List<Voices> ways = new ArrayList<>();
        for (int bass : basses) {
            for (int tenor : keys(tones, Math.max(TENOR_LOWEST, bass + 1), Math.min(TENOR_HIGHEST + up, soprano - 1))) {
                for (int alto :
                        keys(tones, Math.max(ALTO_LOWEST, tenor + 1), Math.min(ALTO_HIGHEST + up, soprano - 1))) {
                    boolean inLeft = left.easeOf(bass, tenor) != Ease.OUT_OF_REACH
                            && right.easeOf(alto, soprano) != Ease.OUT_OF_REACH;
                    boolean reached = inLeft || right.easeOf(new int[] {tenor, alto, soprano}) != Ease.OUT_OF_REACH;
                    if (reached
                            && soprano - alto <= Pitch.OCTAVE
                            && alto - tenor <= WIDEST_INSIDE
                            && states(moment.chord, bass, tenor, alto, soprano)) {
                        ways.add(new Voices(List.of(bass, tenor, alto, soprano), moment.chord));
                    }
                }
            }
        }
        if (ways.isEmpty()) {
            int bass = basses.isEmpty() ? Voices.ABSENT : basses.get(basses.size() - 1);
            ways.add(new Voices(List.of(bass, Voices.ABSENT, Voices.ABSENT, soprano), moment.chord));
        }
        return ways;
    }

    /** With its third, or what stands for it, and its seventh. */
    private static boolean states(ChordSymbol chord, int... keys) {
        return chord.quality().tones().stream()
                .filter(tone -> tone.number() == 3 || tone.number() == 4 || tone.number() == 7 || tone.number() == 6)
                .allMatch(tone -> Arrays.stream(keys)
                        .anyMatch(key -> Math.floorMod(key, Pitch.OCTAVE)
                                == chord.tone(tone).chroma()));
    }

    private static List<Integer> keys(List<Integer> chromas, int lowest, int highest) {
        List<Integer> keys = new ArrayList<>();
        for (int key = lowest; key <= highest; key++) {
            if (chromas.contains(Math.floorMod(key, Pitch.OCTAVE))) {
                keys.add(key);
            }
        }
        return keys;
    }
}
