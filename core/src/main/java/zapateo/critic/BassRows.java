package zapateo.critic;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.part.LowIntervalLimits;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;
import zapateo.song.Song;

/** Rows about basses. */
final class BassRows {

    private static final int LOWEST_BASS = 28;
    private static final int HIGHEST_BASS = 52;
    /** Above this a bass that is jumped to lies too high itself (L4). */
    private static final int HIGHEST_OF_JUMPS = 46;

    /** Pop, rock and blues have theirs no higher than C3 (L31). */
    private static final int HIGHEST_OF_LOW = 48;

    private static final int WIDE = 8;
    private static final int STEP = 2;
    /** A broken chord under the pedal goes no lower (L4). */
    private static final int LOWEST_OF_PEDALLED = 33;

    /** Four voices have theirs from E2 up (L31). */
    private static final int LOWEST_OF_HYMNS = 40;

    private static final int MIDDLE = 48;

    private BassRows() {}

    /** L1: the lowest note at a chord's start is not its bass. */
    static void wrongBass(Score score, Marks marks) {
        List<Song.Placed> chords = score.chords();
        for (int i = 0; i < chords.size(); i++) {
            Song.Placed place = chords.get(i);
            Asked asked = score.asked().get(place.bar().index());
            ChordSymbol chord = place.chord().orElseThrow();
            boolean same = i > 0
                    && chords.get(i - 1).chord().orElseThrow().bass().chroma()
                            == chord.bass().chroma();
            boolean lastBar = place.bar().index() == score.last().index();
            boolean free = asked.is(Trait.BASSLESS) || asked.bassPlayer() || same || asked.is(Trait.CLOSE) && !lastBar;
            boolean passing = place.span().tick() % place.bar().meter().beatTicks() != 0
                    || place.bar().meter().beats() > 1
                            && place.span().tick() / place.bar().meter().beatTicks() % 2 == 1
                            && place.span().ticks() <= place.bar().meter().beatTicks();
            List<PartNote> notes = score.notesAt(place.tick());
            if (free || passing || notes.isEmpty()) {
                continue;
            }
            Pitch lowest = notes.stream()
                    .map(PartNote::pitch)
                    .min((one, other) -> one.midi() - other.midi())
                    .orElseThrow();
            if (Math.floorMod(lowest.midi(), 12) != chord.bass().chroma()) {
                marks.add(
                        place.bar().index(),
                        score.within(place.tick(), place.tick() + 1),
                        Map.of(
                                "chord",
                                place.span().written(),
                                "note",
                                lowest.toString(),
                                "bass",
                                chord.bass().toString()));
            }
        }
    }

    /** L5: from one chord's bass to the next the bass leaps where it need not. */
    static void brokenLine(Score score, Marks marks) {
        List<Score.Steps> steps = score.bassSteps();
        for (int i = 0; i < steps.size(); i++) {
            Score.Steps step = steps.get(i);
            Stroke before = score.strokes().get(step.before());
            Stroke now = score.strokes().get(step.now());
            Asked asked = score.asked(now);
            if (step.from().tick() == step.to().tick()
                    || asked.is(Trait.OCTAVES)
                    || asked.is(Trait.BASSLESS)
                    || asked.is(Trait.CLOSE)) {
                continue;
            }
            int low = before.lowest().midi();
            int next = now.lowest().midi();
            int leap = Math.abs(next - low);
            int nearer = next > low ? next - Pitch.OCTAVE : next + Pitch.OCTAVE;
            boolean wide = leap > Pitch.OCTAVE
                    || leap >= WIDE
                            && leap < Pitch.OCTAVE
                            && nearer >= lowest(score, step.now())
                            && nearer <= highest(asked)
                            && Math.abs(nearer - low) < leap;
            // What would be mud in the nearer octave is not nearer to anything.
            boolean clear = leap > Pitch.OCTAVE || LowIntervalLimits.mud(moved(now, nearer - next), nearer) == 0;
            if (wide && clear && !turnsAtTheEnd(score, steps, i, nearer - next)) {
                marks.add(
                        now.bar(),
                        List.of(step.before(), step.now()),
                        Map.of(
                                "from",
                                before.lowest().toString(),
                                "to",
                                now.lowest().toString(),
                                "semitones",
                                String.valueOf(leap)));
            }
        }
    }

    /**
     * Whether the leap begins a line of steps that would leave the range in the octave nearer: such a line jumps once
     * at its end.
     */
    private static boolean turnsAtTheEnd(Score score, List<Score.Steps> steps, int leap, int by) {
        Stroke landing = score.strokes().get(steps.get(leap).now());
        int last = landing.lowest().midi();
        int length = 1;
        for (int i = leap + 1; i < steps.size(); i++) {
            int next = score.strokes().get(steps.get(i).now()).lowest().midi();
            // Towards the end it jumps from.
            if (next == last || Math.abs(next - last) > STEP || Integer.signum(next - last) != Integer.signum(by)) {
                break;
            }
            last = next;
            length++;
        }
        return length > 2 && (last + by < lowest(score, steps.get(leap).now()) || last + by > HIGHEST_BASS);
    }

    /**
     * Lower than this the register of the figure does not go: that of a pedalled arpeggio ends where it rumbles (L4).
     */
    private static int lowest(Score score, int at) {
        Stroke bass = score.strokes().get(at);
        boolean pedalled = score.asked(bass).family().equals("arpeggio")
                && score.heardUntil(at) > bass.written().end();
        if (score.asked(bass).family().equals("hymn")) {
            return LOWEST_OF_HYMNS;
        }
        return pedalled ? LOWEST_OF_PEDALLED : LOWEST_BASS;
    }

    private static int highest(Asked asked) {
        if (asked.is(Trait.JUMPS)) {
            return HIGHEST_OF_JUMPS;
        }
        return asked.isLow() ? HIGHEST_OF_LOW : HIGHEST_BASS;
    }

    private static int[] moved(Stroke stroke, int by) {
        int[] keys = stroke.keys();
        for (int i = 0; i < keys.length; i++) {
            keys[i] += by;
        }
        return keys;
    }

    /** L8: a style that alternates its bass strikes one key twice running in a bar. */
    static void deadAlternation(Score score, Marks marks) {
        for (Score.Steps step : score.bassSteps()) {
            Stroke before = score.strokes().get(step.before());
            Stroke now = score.strokes().get(step.now());
            if (!score.asked(now).is(Trait.ALTERNATES)
                    || now.nature().origin() == Origin.ENDING
                    || before.bar() != now.bar()
                    || before.lowest().midi() != now.lowest().midi()) {
                continue;
            }
            Optional<ChordSymbol> chord = step.to().chord();
            boolean quick = step.to().span().ticks() <= step.to().bar().meter().beatTicks();
            boolean pedal = step.from().tick() != step.to().tick()
                    && (chord.filter(each -> each.over().isPresent()).isPresent()
                            || step.from()
                                    .chord()
                                    .filter(each -> each.over().isPresent())
                                    .isPresent());
            boolean onSeventh = chord.flatMap(ChordSymbol::bassDegree)
                    .filter(degree -> degree == 7)
                    .isPresent();
            if (!quick && !pedal && !onSeventh) {
                marks.add(
                        now.bar(),
                        List.of(step.before(), step.now()),
                        Map.of(
                                "note",
                                now.lowest().toString(),
                                "chord",
                                step.to().span().written()));
            }
        }
    }

    /** B9: with a bass player there the left hand goes below C3. */
    static void underTheBassPlayer(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            if (score.asked(stroke).bassPlayer() && stroke.lowest().midi() < MIDDLE) {
                marks.add(
                        stroke.bar(),
                        List.of(at),
                        Map.of("note", stroke.lowest().toString()));
            }
        }
    }
}
