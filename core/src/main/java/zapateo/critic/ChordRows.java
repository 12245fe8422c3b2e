package zapateo.critic;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.part.LowIntervalLimits;
import zapateo.part.Origin;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.Song;

/** Rows about chords of the left hand: how low, how high, how near each other. */
final class ChordRows {

    private static final int HELD = 480;
    private static final int G1 = 31;
    private static final int A1 = 33;
    private static final int C3 = 48;
    private static final int G4 = 67;
    private static final int HIGHEST_JUMPED_BASS = 46;
    private static final int MAJOR_THIRD = 4;
    private static final int FOURTH = 6;
    private static final int FIFTH = 7;

    private ChordRows() {}

    /** L2: what is struck together and held lies too low for its intervals. */
    static void struckMud(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            if (stroke.roll().isPresent()
                    || stroke.written().ticks() < HELD
                    || score.asked(stroke).is(Trait.ROCKS)) {
                continue;
            }
            int[] keys = stroke.keys();
            for (int low = 0; low < keys.length; low++) {
                for (int high = low + 1; high < keys.length; high++) {
                    if (LowIntervalLimits.isMud(keys, low, high, hasFifthBelow(score, stroke, keys[low]))) {
                        marks.add(
                                stroke.bar(),
                                List.of(at),
                                Map.of(
                                        "low",
                                        stroke.notes().get(low).pitch().toString(),
                                        "high",
                                        stroke.notes().get(high).pitch().toString()));
                    }
                }
            }
        }
    }

    /** Whether a tone a fifth or more below sounds with it, struck or held by the pedal. */
    private static boolean hasFifthBelow(Score score, Stroke stroke, int key) {
        return score.notesAt(stroke.written().tick()).stream()
                .anyMatch(note -> key - note.pitch().midi() >= FIFTH);
    }

    /** L3: a tone a second above a low bass is struck with it, or caught by the pedal. */
    static void lowSecond(Score score, Marks marks) {
        List<Integer> left = score.of(Side.LEFT);
        for (int at : left) {
            Stroke bass = score.strokes().get(at);
            if (bass.mark() != Mark.HEEL || score.asked(bass).is(Trait.ROCKS)) {
                continue;
            }
            int low = bass.lowest().midi();
            Optional<Song.Placed> chord = score.chordOf(bass);
            for (int other : score.within(
                    bass.written().tick(),
                    chord.map(Song.Placed::end).orElse(bass.written().tick() + 1))) {
                Stroke with = score.strokes().get(other);
                if (with.hand() != Side.LEFT) {
                    continue;
                }
                int tick = with.written().tick();
                boolean together = tick == bass.written().tick()
                        || tick > bass.written().tick()
                                && chord.isPresent()
                                && tick < chord.get().end()
                                && bass.written().end() <= tick
                                && score.heardUntil(at) > with.sounding().tick();
                if (together && with.mark() != Mark.LEAD) {
                    with.notes().stream()
                            .filter(note -> note.pitch().midi() - low >= 1
                                    && note.pitch().midi() - low <= 2
                                    && note.pitch().midi() < C3)
                            .findFirst()
                            .ifPresent(note -> marks.add(
                                    bass.bar(),
                                    List.of(at, other),
                                    Map.of(
                                            "bass",
                                            bass.lowest().toString(),
                                            "note",
                                            note.pitch().toString())));
                }
            }
        }
    }

    /** L4: a close chord leaves C3 to G4; a bass lies too high for a style that jumps. */
    static void register(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            Asked asked = score.asked(stroke);
            int low = stroke.lowest().midi();
            int high = stroke.highest().midi();
            boolean rolledEnd = stroke.bar() == score.last().index()
                    && (stroke.roll().isPresent() || stroke.nature().origin() == Origin.ENDING);
            // Root and shell struck as one lie where their thirds are clear (L2), whatever the chord above a bass of
            // its own keeps.
            boolean shell = stroke.mark() == Mark.HEEL
                    && low >= HIGHEST_JUMPED_BASS
                    && stroke.notes().get(0).role().equals(Role.BASS);
            boolean close = stroke.notes().size() >= 3
                    && high - low <= Pitch.OCTAVE
                    && isSideBySide(stroke.keys())
                    && !shell
                    && !asked.is(Trait.OCTAVES)
                    && !asked.is(Trait.OPEN);
            boolean bass = stroke.mark() == Mark.HEEL
                    && stroke.notes().size() == 1
                    && asked.is(Trait.JUMPS)
                    && !asked.bassPlayer()
                    && !asked.is(Trait.BASSLESS);
            boolean deep = stroke.mark() == Mark.HEEL
                    && asked.family().equals("arpeggio")
                    && score.heardUntil(at) > stroke.written().end()
                    && low < (fifthStandsOn(score, at) ? G1 : A1);
            if (close && !rolledEnd && (low < C3 || high > G4)
                    || bass && low > HIGHEST_JUMPED_BASS
                    || deep && !rolledEnd) {
                String notes = low == high ? stroke.lowest().toString() : stroke.lowest() + " to " + stroke.highest();
                marks.add(stroke.bar(), List.of(at), Map.of("notes", notes));
            }
        }
    }

    /** Whether no tone stands more than a fourth over the one below it: a chord with a wider gap is spread. */
    private static boolean isSideBySide(int[] keys) {
        for (int i = 1; i < keys.length; i++) {
            if (keys[i] - keys[i - 1] > FOURTH) {
                return false;
            }
        }
        return true;
    }

    /** Whether the next tone of the left hand, in the same chord, is the fifth over a bass. */
    private static boolean fifthStandsOn(Score score, int bass) {
        Stroke stroke = score.strokes().get(bass);
        int end = score.chordOf(stroke)
                .map(Song.Placed::end)
                .orElse(stroke.written().end());
        return stroke.notes().stream()
                        .anyMatch(note -> note.pitch().midi() - stroke.lowest().midi() == FIFTH)
                || score.within(stroke.written().tick() + 1, end).stream()
                        .map(score.strokes()::get)
                        .filter(other -> other.hand() == Side.LEFT)
                        .findFirst()
                        .filter(other -> other.lowest().midi() - stroke.lowest().midi() == FIFTH)
                        .isPresent();
    }

    /** L17: the top of a chord leaps over a major third where an inversion is nearer. */
    static void topLeaps(Score score, Marks marks) {
        Stroke before = null;
        // Said on its bass since: the top may go on from there.
        Stroke shell = null;
        int placeBefore = -1;
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            if (isShell(score, stroke)) {
                shell = stroke;
                continue;
            }
            // A tenor of four voices goes its own way.
            if (stroke.mark() != Mark.TOE
                    || stroke.notes().size() < 2
                    || stroke.nature().origin() == Origin.PARTS
                    || score.asked(stroke).is(Trait.RUNS)
                    || score.asked(stroke).is(Trait.OPEN)) {
                continue;
            }
            boolean section = before != null
                    && !score.song()
                            .barAt(stroke.written().tick())
                            .written()
                            .equals(score.song().barAt(before.written().tick()).written())
                    && opensSection(score, stroke);
            if (before != null
                    && !section
                    && score.asked(stroke).figure().equals(score.asked(before).figure())
                    && Math.abs(stroke.highest().midi() - before.highest().midi()) > MAJOR_THIRD
                    && (shell == null
                            || Math.abs(stroke.highest().midi()
                                            - shell.highest().midi())
                                    > MAJOR_THIRD)
                    && nearer(score, stroke, before.highest().midi())) {
                marks.add(
                        stroke.bar(),
                        List.of(placeBefore, at),
                        Map.of(
                                "from",
                                before.highest().toString(),
                                "to",
                                stroke.highest().toString()));
            }
            before = stroke;
            shell = null;
            placeBefore = at;
        }
    }

    /** A chord that is said on its bass alone: its top is as near to the ear as the last after-beat's. */
    private static boolean isShell(Score score, Stroke stroke) {
        return stroke.mark() == Mark.HEEL
                && stroke.notes().size() > 1
                && score.chordOf(stroke)
                        .filter(place -> score.within(place.tick(), place.end()).stream()
                                .map(score.strokes()::get)
                                .noneMatch(other -> other.hand() == Side.LEFT && other.mark() == Mark.TOE))
                        .isPresent();
    }

    private static boolean opensSection(Score score, Stroke stroke) {
        return score.song().sections().stream()
                .anyMatch(section -> section.bars().get(0).index() == stroke.bar());
    }

    /** Whether another inversion of the same tones has a top no more than a major third away, between C3 and G4. */
    private static boolean nearer(Score score, Stroke stroke, int top) {
        int span = stroke.highest().midi() - stroke.lowest().midi();
        return stroke.notes().stream().anyMatch(note -> {
            for (int key = note.pitch().midi() % 12; key <= G4; key += 12) {
                if (Math.abs(key - top) <= MAJOR_THIRD && key - Math.max(span, 7) >= C3 - 5) {
                    return true;
                }
            }
            return false;
        });
    }
}
