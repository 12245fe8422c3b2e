package zapateo.critic;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Origin;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;

/** Rows about the place a bar has: one beat of chord, the metre, the section that comes again, the end. */
final class PlaceRows {

    private static final int FEWEST_TO_END = 4;
    private static final int BLUES_BARS = 12;
    private static final int STEP = 2;
    private static final int E1 = 28;
    private static final int C3 = 48;
    private static final Meter TWO_FOUR = Meter.parse("2/4");

    private PlaceRows() {}

    /** L27: a chord of one beat is a chord alone in a style that has a bass, or its bass comes after it. */
    static void withoutBass(Score score, Marks marks) {
        for (Song.Placed place : score.chords()) {
            Asked asked = score.asked().get(place.bar().index());
            ChordSymbol chord = place.chord().orElseThrow();
            boolean free = place.span().ticks() > place.bar().meter().beatTicks()
                    || asked.is(Trait.BASSLESS)
                    || asked.is(Trait.CLOSE)
                    || asked.is(Trait.RUNS)
                    || asked.bassPlayer()
                    || asked.family().equals("hits");
            List<Integer> inside = score.within(place.tick(), place.end());
            List<Stroke> left = inside.stream()
                    .map(score.strokes()::get)
                    .filter(stroke -> stroke.hand() == Side.LEFT)
                    .toList();
            if (free || left.isEmpty()) {
                continue;
            }
            Stroke first = left.get(0);
            boolean alone = first.mark() == Mark.TOE
                    && first.notes().size() > 1
                    && score.notesAt(first.written().tick()).stream()
                            .noneMatch(note -> Math.floorMod(note.pitch().midi(), 12)
                                            == chord.bass().chroma()
                                    && note.pitch().midi() <= first.lowest().midi());
            if (alone) {
                marks.add(
                        place.bar().index(),
                        inside,
                        Map.of("chord", place.span().written()));
            }
        }
    }

    /** L28: in 2/4 a style of bass and chord has no chord after its bass, in 5/4 no bass on 4. */
    static void otherMetre(Score score, Marks marks) {
        for (Bar bar : score.song().bars()) {
            Asked asked = score.asked().get(bar.index());
            List<Integer> inside = score.within(bar.tick(), bar.end()).stream()
                    .filter(at -> score.strokes().get(at).hand() == Side.LEFT)
                    .toList();
            boolean stays =
                    bar.chords().size() == 1 && bar.index() != score.last().index() && !inside.isEmpty();
            if (!stays || !asked.is(Trait.JUMPS) || asked.isPlain() || asked.single()) {
                continue;
            }
            List<Stroke> left = inside.stream().map(score.strokes()::get).toList();
            boolean two = bar.meter().equals(TWO_FOUR) && left.stream().noneMatch(stroke -> stroke.mark() == Mark.TOE);
            boolean five = bar.meter().beats() == 5
                    && left.stream()
                            .noneMatch(stroke -> stroke.mark() == Mark.HEEL
                                    && stroke.written().tick() - bar.tick()
                                            == 3 * bar.meter().beatTicks());
            if (two || five) {
                marks.add(bar.index(), inside, Map.of("meter", bar.meter().toString()));
            }
        }
    }

    /** L30: the last chord of a song is in the middle of its pattern. */
    static void noEnd(Score score, Marks marks) {
        List<Song.Placed> chords = score.chords();
        Bar last = score.last();
        if (score.song().bars().size() < FEWEST_TO_END || last.vamp() > 0 || chords.isEmpty()) {
            return;
        }
        Song.Placed place = chords.get(chords.size() - 1);
        boolean leadsBack = place.chord().orElseThrow().quality().isDominant()
                && !score.asked().get(last.index()).is(Trait.BLUES);
        List<Integer> inside = score.within(place.tick(), last.end()).stream()
                .filter(at -> score.strokes().get(at).hand() == Side.LEFT)
                .toList();
        boolean ends = inside.stream()
                .map(score.strokes()::get)
                .anyMatch(stroke -> stroke.nature().origin() == Origin.ENDING);
        if (!leadsBack && !ends && inside.size() > 1) {
            marks.add(last.index(), inside, Map.of("chord", place.span().written()));
        }
    }

    /** L31: the same bar in the same place lies in another octave, or the bass leaves what a style has. */
    static void registerWanders(Score score, Marks marks) {
        for (Stroke bass : score.basses().stream().map(score.strokes()::get).toList()) {
            Asked asked = score.asked(bass);
            int key = bass.lowest().midi();
            // A chord of one beat is struck with its bass, and lies where the chord does.
            boolean oneBeat = score.chordOf(bass)
                    .filter(place -> place.span().ticks() <= place.bar().meter().beatTicks())
                    .isPresent();
            if (asked.isLow()
                    && !oneBeat
                    && !asked.bassPlayer()
                    && !asked.is(Trait.BASSLESS)
                    && (key < E1 || key > C3)) {
                marks.add(bass.bar(), List.of(), Map.of("note", bass.lowest().toString(), "before", ""));
            }
        }
        Map<String, Stroke> known = new HashMap<>();
        Map<String, Integer> times = new TreeMap<>();
        for (Section section : score.song().sections()) {
            int time = times.merge(section.name(), 1, Integer::sum);
            Map<String, Stroke> loop = new HashMap<>();
            for (int i = 0; i < section.bars().size(); i++) {
                Bar bar = section.bars().get(i);
                Optional<Stroke> bass = firstBass(score, bar);
                if (bass.isEmpty() || bar.index() == score.last().index()) {
                    continue;
                }
                String around = around(section, i);
                compare(
                        score,
                        marks,
                        known.putIfAbsent(section.name() + "/" + i + "/" + around, bass.get()),
                        bass.get());
                // What comes round inside a section, and the tonic of a blues.
                compare(score, marks, loop.putIfAbsent(around, bass.get()), bass.get());
                if (isBlues(section) && bar.chords().size() == 1) {
                    compare(score, marks, loop.putIfAbsent("blues " + chords(bar), bass.get()), bass.get());
                }
            }
        }
    }

    private static void compare(Score score, Marks marks, Stroke before, Stroke now) {
        if (before == null
                || before.lowest().midi() == now.lowest().midi()
                || Math.floorMod(before.lowest().midi() - now.lowest().midi(), Pitch.OCTAVE) != 0
                || !score.asked(before).equals(score.asked(now))) {
            return;
        }
        marks.add(
                now.bar(),
                List.of(),
                Map.of(
                        "note",
                        now.lowest().toString(),
                        "before",
                        before.lowest().toString()));
    }

    private static Optional<Stroke> firstBass(Score score, Bar bar) {
        return score.within(bar.tick(), bar.tick() + 1).stream()
                .map(score.strokes()::get)
                .filter(stroke -> stroke.hand() == Side.LEFT
                        && stroke.mark() == Mark.HEEL
                        && stroke.nature().origin() != Origin.WALK)
                .findFirst();
    }

    private static boolean isBlues(Section section) {
        return section.bars().size() == BLUES_BARS
                && section.bars()
                        .get(0)
                        .chords()
                        .get(0)
                        .chord()
                        .filter(chord -> chord.quality().isDominant())
                        .isPresent();
    }

    private static String around(Section section, int at) {
        List<String> bars = new ArrayList<>();
        for (int i = at - 1; i <= at + 1; i++) {
            bars.add(
                    i < 0 || i >= section.bars().size()
                            ? ""
                            : chords(section.bars().get(i)));
        }
        return String.join("|", bars);
    }

    private static String chords(Bar bar) {
        return bar.chords().stream().map(ChordSpan::written).collect(Collectors.joining(" "));
    }

    /** L33: what leads in is the note it leads to, the bass that just sounded, or not needed. */
    static void leadInRepeats(Score score, Marks marks) {
        List<Integer> left = score.of(Side.LEFT);
        Stroke bass = null;
        for (int i = 0; i + 1 < left.size(); i++) {
            Stroke lead = score.strokes().get(left.get(i));
            Stroke target = score.strokes().get(left.get(i + 1));
            if (lead.mark() == Mark.HEEL) {
                bass = lead;
            }
            if (lead.mark() != Mark.LEAD || target.mark() != Mark.HEEL || bass == null) {
                continue;
            }
            int key = lead.lowest().midi();
            boolean pedal = bass.lowest().midi() == target.lowest().midi();
            // A push of its own into a bass that steps says the old one again before it.
            boolean pushes = score.asked(lead).is(Trait.LEADS)
                    && key == bass.lowest().midi()
                    && Math.abs(target.lowest().midi() - key) <= STEP;
            boolean repeats = !pedal
                    && !pushes
                    && (key == target.lowest().midi() || key == bass.lowest().midi());
            if (repeats) {
                marks.add(
                        lead.bar(),
                        List.of(left.get(i), left.get(i + 1)),
                        Map.of(
                                "note",
                                lead.lowest().toString(),
                                "target",
                                target.lowest().toString()));
            }
        }
    }
}
