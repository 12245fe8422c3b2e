package zapateo.critic;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Jumps;
import zapateo.harmony.ChordSymbol;
import zapateo.part.LowIntervalLimits;
import zapateo.part.Origin;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;

/** Rows about what a style asks, and about the whole song. */
final class StyleRows {

    private static final double USUAL_SPAN = 201;
    private static final int FOURTH_UP = 5;
    private static final int MINOR_SEVENTH = 10;
    private static final int LONG_SONG = 32;
    private static final double COPIES_SOME = 0.9;
    private static final double COPIES_MUCH = 0.8;
    private static final Set<Set<Integer>> BOSSA_BASSES = Set.of(
            Set.of(0, 1440, 1920, 3360), Set.of(0, 1920), Set.of(0, 1440, 1920), Set.of(1440, 1920, 3360), Set.of(0));

    private StyleRows() {}

    /** L15: inside the tempo range a figure claims, a hand of 201 mm cannot play half of its bars. */
    static void outOfTempo(Score score, Marks marks) {
        Jumps jumps = new Jumps(Hand.of(USUAL_SPAN));
        Set<Integer> late = new TreeSet<>();
        int claimed = 0;
        for (Bar bar : score.song().bars()) {
            Asked.Claims claims = score.asked().get(bar.index()).claims();
            double quarters = bar.tempo().bpm() * bar.tempo().beatTicks() / Ticks.PER_QUARTER;
            claimed += quarters >= claims.slowest() && quarters <= claims.fastest() ? 1 : 0;
        }
        List<Integer> left = score.of(Side.LEFT);
        for (int i = 1; i < left.size() && claimed == score.song().bars().size(); i++) {
            Stroke before = score.strokes().get(left.get(i - 1));
            Stroke now = score.strokes().get(left.get(i));
            double seconds = score.song()
                            .bars()
                            .get(now.bar())
                            .tempo()
                            .millisecondsOf(
                                    now.sounding().tick() - before.sounding().tick())
                    / 1000;
            if (seconds > 0 && jumps.seconds(before, now) > seconds) {
                late.add(now.bar());
            }
        }
        if (2 * late.size() > score.song().bars().size()) {
            marks.add(late.iterator().next(), List.of(), Map.of("bars", String.valueOf(late.size())));
        }
    }

    /** L16: the rhythm is not that of the name. */
    static void notTheStyle(Score score, Marks marks) {
        for (Bar bar : score.song().bars()) {
            Asked asked = score.asked().get(bar.index());
            List<Stroke> left = score.within(bar.tick(), bar.end()).stream()
                    .map(score.strokes()::get)
                    .filter(stroke -> stroke.hand() == Side.LEFT)
                    .toList();
            if (!bar.meter().equals(Meter.parse("4/4"))
                    || bar.chords().size() > 2
                    || left.isEmpty()
                    || bar.index() == score.last().index()) {
                continue;
            }
            Set<Integer> basses = left.stream()
                    .filter(stroke ->
                            (stroke.notes().size() == 1 || stroke.mark() == Mark.HEEL) && stroke.mark() != Mark.LEAD)
                    .map(stroke -> stroke.written().tick() - bar.tick())
                    .collect(Collectors.toSet());
            List<Integer> chords = left.stream()
                    .filter(stroke ->
                            stroke.mark() == Mark.TOE && stroke.notes().size() > 1)
                    .map(stroke -> stroke.written().tick() - bar.tick())
                    .toList();
            boolean bossa = asked.is(Trait.BOSSA)
                    && (!BOSSA_BASSES.contains(basses)
                            || !chords.isEmpty() && chords.stream().allMatch(tick -> tick % Ticks.PER_QUARTER == 0));
            boolean slipped = asked.is(Trait.SLIPS)
                    && left.stream()
                            .anyMatch(stroke ->
                                    stroke.accent() && stroke.written().tick() == bar.tick());
            boolean tumbao = asked.is(Trait.TUMBAO)
                    && bar.index() > 0
                    && score.asked().get(bar.index() - 1).is(Trait.TUMBAO)
                    && basses.contains(0)
                    && follows(score, bar);
            if (bossa || slipped || tumbao) {
                marks.add(bar.index(), score.within(bar.tick(), bar.tick() + 1), Map.of("family", asked.family()));
                return;
            }
        }
    }

    /**
     * Whether the bar before played, so that its last stroke could be tied over; a walk into this one is as good as a
     * break.
     */
    private static boolean follows(Score score, Bar bar) {
        Bar before = score.song().bars().get(bar.index() - 1);
        List<Stroke> last = score.within(before.tick(), before.end()).stream()
                .map(score.strokes()::get)
                .filter(stroke ->
                        stroke.written().tick() >= before.end() - before.meter().beatTicks())
                .toList();
        return !last.isEmpty()
                && last.stream().noneMatch(stroke -> stroke.nature().origin() == Origin.LEAD_IN);
    }

    /** L19: a dominant's seventh whose voice could step to its goal in the same hand leaps or stops. */
    static void leftHanging(Score score, Marks marks) {
        List<Song.Placed> chords = score.chords();
        for (int i = 0; i + 1 < chords.size(); i++) {
            ChordSymbol chord = chords.get(i).chord().orElseThrow();
            ChordSymbol next = chords.get(i + 1).chord().orElseThrow();
            Asked asked = score.asked().get(chords.get(i).bar().index());
            boolean falls = chord.quality().isDominant()
                    && Math.floorMod(next.root().chroma() - chord.root().chroma(), 12) == FOURTH_UP
                    && next.quality().tone(3).isPresent();
            if (!falls
                    || asked.isPlain()
                    || asked.is(Trait.BASSLESS)
                    || asked.is(Trait.RUNS)
                    || !asked.equals(score.asked().get(chords.get(i + 1).bar().index()))) {
                continue;
            }
            List<Integer> before = struck(score, chords.get(i));
            List<Integer> after = struck(score, chords.get(i + 1));
            if (before.isEmpty() || after.isEmpty()) {
                continue;
            }
            int from = before.get(before.size() - 1);
            int to = after.get(0);
            Stroke last = score.strokes().get(from);
            Stroke first = score.strokes().get(to);
            int seventh = Math.floorMod(chord.root().chroma() + MINOR_SEVENTH, 12);
            last.notes().stream()
                    .map(note -> note.pitch().midi())
                    .filter(key -> Math.floorMod(key, 12) == seventh)
                    .findFirst()
                    .ifPresent(key -> {
                        boolean goes = first.notes().stream()
                                .map(note -> note.pitch().midi())
                                .anyMatch(goal -> key - goal >= 0 && key - goal <= 2);
                        int third = next.root().chroma()
                                + next.quality().tone(3).orElseThrow().semitones();
                        int goal = key - Math.floorMod(key - third, 12);
                        // Where the goal would be mud over the next bass, below it, or further than the hand reaches,
                        // the voice cannot step.
                        boolean reached = score.pianist()
                                        .leftOnKeys()
                                        .easeOf(new int[] {first.lowest().midi(), goal})
                                != Ease.OUT_OF_REACH;
                        boolean could = reached
                                && goal > first.lowest().midi()
                                && !LowIntervalLimits.isMud(
                                        new int[] {first.lowest().midi(), goal}, 0, 1, false);
                        if (!goes
                                && could
                                && first.notes().size() > 2
                                && last.notes().size() > 2) {
                            marks.add(
                                    first.bar(),
                                    List.of(from, to),
                                    Map.of(
                                            "note",
                                            chord.tone(chord.quality().tone(7).orElseThrow())
                                                    .toString(),
                                            "chord",
                                            chord.toString()));
                        }
                    });
        }
    }

    private static List<Integer> struck(Score score, Song.Placed place) {
        return score.within(place.tick(), place.end()).stream()
                .filter(at -> score.strokes().get(at).hand() == Side.LEFT
                        && score.strokes().get(at).notes().size() > 1)
                .toList();
    }

    /** M1: too many bars are copies of the first though liveliness was asked for. */
    static void mechanical(Score score, Marks marks) {
        List<Bar> bars = score.song().bars();
        Liveliness asked = score.asked().get(0).liveliness();
        if (asked == Liveliness.NONE || bars.size() < LONG_SONG) {
            return;
        }
        String first = shape(score, bars.get(0));
        long copies =
                bars.stream().filter(bar -> shape(score, bar).equals(first)).count();
        if (copies > (asked == Liveliness.MUCH ? COPIES_MUCH : COPIES_SOME) * bars.size()) {
            marks.add(0, List.of(), Map.of("bars", String.valueOf(copies)));
        }
    }

    /**
     * Roles, onsets and lengths of the left hand's bar; of a walking line its steps too, which are what it has of its
     * own.
     */
    private static String shape(Score score, Bar bar) {
        return score.within(bar.tick(), bar.end()).stream()
                .map(score.strokes()::get)
                .filter(stroke -> stroke.hand() == Side.LEFT)
                .map(stroke -> stroke.nature().roles()
                        + (stroke.nature().origin() == Origin.WALK
                                ? String.valueOf(
                                        Math.floorMod(stroke.lowest().midi() - chroma(score, bar), Pitch.OCTAVE))
                                : "")
                        + "@" + (stroke.written().tick() - bar.tick()) + ":"
                        + stroke.written().ticks())
                .collect(Collectors.joining(" "));
    }

    private static int chroma(Score score, Bar bar) {
        return score.song()
                .chordAt(bar.tick())
                .map(chord -> chord.root().chroma())
                .orElse(0);
    }

    /**
     * M2: the same chord with the same neighbours in the same place of a repeated section is played otherwise, though
     * no liveliness was asked for.
     */
    static void restless(Score score, Marks marks) {
        Map<String, List<Section>> byName = new TreeMap<>();
        score.song()
                .sections()
                .forEach(section -> byName.computeIfAbsent(section.name(), name -> new ArrayList<>())
                        .add(section));
        for (List<Section> same : byName.values()) {
            // The last time may end otherwise.
            for (int round = 1; round + 1 < same.size(); round++) {
                for (int i = 1;
                        i + 1
                                < Math.min(
                                        same.get(0).bars().size(),
                                        same.get(round).bars().size());
                        i++) {
                    Bar one = same.get(0).bars().get(i);
                    Bar other = same.get(round).bars().get(i);
                    boolean alike = chords(same.get(0), i).equals(chords(same.get(round), i))
                            && score.asked().get(one.index()).liveliness() == Liveliness.NONE
                            && score.asked()
                                    .get(one.index())
                                    .equals(score.asked().get(other.index()));
                    if (alike && !shape(score, one).equals(shape(score, other))) {
                        marks.add(other.index(), List.of(), Map.of("bar", String.valueOf(one.number())));
                        return;
                    }
                }
            }
        }
    }

    private static String chords(Section section, int at) {
        return section.bars().subList(at - 1, at + 2).stream()
                .map(bar -> bar.chords().stream().map(span -> span.written()).collect(Collectors.joining(" ")))
                .collect(Collectors.joining("|"));
    }

    /** M3: every note of a kind has one loudness. */
    static void flat(Score score, Marks marks) {
        Map<Mark, Set<Integer>> byKind = new HashMap<>();
        List<Stroke> left = score.of(Side.LEFT).stream()
                .map(score.strokes()::get)
                .filter(stroke -> stroke.bar() != score.last().index())
                .toList();
        left.forEach(stroke -> byKind.computeIfAbsent(stroke.mark(), mark -> new HashSet<>())
                .add(stroke.notes().get(0).velocity()));
        if (score.song().bars().size() >= 4
                && !byKind.isEmpty()
                && byKind.values().stream().allMatch(loud -> loud.size() == 1)) {
            marks.add(
                    0,
                    List.of(),
                    Map.of(
                            "loudness",
                            String.valueOf(
                                    byKind.values().iterator().next().iterator().next())));
        }
    }
}
