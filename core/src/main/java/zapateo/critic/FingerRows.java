package zapateo.critic;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;

/** Rows about the fingers of chords, repetitions and lines. */
final class FingerRows {

    private static final int THUMB = 1;
    private static final int INDEX = 2;
    private static final int SLOW_MS = 250;

    private FingerRows() {}

    /** F3: a close chord of three by other fingers than usual, and none shared with a neighbour. */
    static void threeNotes(Score score, Marks marks) {
        for (Side side : Side.values()) {
            List<Integer> line = score.of(side);
            for (int i = 0; i < line.size(); i++) {
                Stroke stroke = score.strokes().get(line.get(i));
                int[] keys = stroke.keys();
                if (keys.length != 3
                        || stroke.notes().get(0).finger() == 0
                        || !isTriad(keys)
                        || i > 0 && isOneGrip(score.strokes().get(line.get(i - 1)), stroke)) {
                    continue;
                }
                String fingers = fingers(stroke);
                boolean shared = i > 0 && shares(stroke, score.strokes().get(line.get(i - 1)))
                        || i + 1 < line.size() && shares(stroke, score.strokes().get(line.get(i + 1)));
                if (!shared && !usual(side, keys).equals(fingers)) {
                    marks.add(
                            stroke.bar(), List.of(line.get(i)), Map.of("fingers", fingers, "usual", usual(side, keys)));
                }
            }
        }
    }

    /** A note just before, within the same octave, has a finger of the same grip: 5, then 4-2-1. */
    private static boolean isOneGrip(Stroke before, Stroke stroke) {
        boolean beside = before.notes().size() == 1
                && before.written().end() >= stroke.written().tick()
                && Math.max(
                                stroke.highest().midi() - before.lowest().midi(),
                                before.lowest().midi() - stroke.lowest().midi())
                        <= Pitch.OCTAVE;
        return beside || isHeld(before, stroke);
    }

    /** What the hand holds already takes a finger. */
    static boolean isHeld(Stroke before, Stroke stroke) {
        return before.written().end() > stroke.written().tick();
    }

    /** Thirds and one fourth, or a tritone in place of it: what has a root position and two inversions. */
    private static boolean isTriad(int[] keys) {
        int low = keys[1] - keys[0];
        int high = keys[2] - keys[1];
        return Math.min(low, high) >= 3 && Math.max(low, high) <= 6 && low + high <= 9;
    }

    /**
     * Root position and the second inversion's wide step lie under different fingers: the fourth, where it is, decides.
     */
    private static String usual(Side side, int[] keys) {
        boolean fourthAbove = keys[2] - keys[1] >= 5;
        boolean fourthBelow = keys[1] - keys[0] >= 5;
        if (side == Side.RIGHT) {
            return fourthAbove ? "1-2-5" : "1-3-5";
        }
        return fourthBelow ? "5-2-1" : "5-3-1";
    }

    private static boolean shares(Stroke stroke, Stroke other) {
        return stroke.notes().stream()
                .anyMatch(note -> other.notes().stream()
                        .anyMatch(
                                with -> with.pitch().midi() == note.pitch().midi() && with.finger() == note.finger()));
    }

    private static String fingers(Stroke stroke) {
        return String.join(
                "-",
                stroke.notes().stream()
                        .map(PartNote::finger)
                        .map(String::valueOf)
                        .toList());
    }

    /** F4: the thumb goes under the index, outward. */
    static void thumbUnderIndex(Score score, Marks marks) {
        for (Side side : Side.values()) {
            List<Integer> line = score.of(side);
            for (int i = 1; i < line.size(); i++) {
                Stroke before = score.strokes().get(line.get(i - 1));
                Stroke now = score.strokes().get(line.get(i));
                int step = (now.lowest().midi() - before.lowest().midi()) * (side == Side.RIGHT ? 1 : -1);
                boolean joined = before.written().end() >= now.written().tick()
                        && before.notes().size() == 1
                        && now.notes().size() == 1;
                if (joined
                        && before.notes().get(0).finger() == INDEX
                        && now.notes().get(0).finger() == THUMB
                        && step > 0
                        && step <= 4
                        && !cameOver(score, line, i)) {
                    marks.add(
                            now.bar(),
                            List.of(line.get(i - 1), line.get(i)),
                            Map.of(
                                    "from",
                                    before.lowest().toString(),
                                    "to",
                                    now.lowest().toString()));
                }
            }
        }
    }

    /** The index went over the thumb from this very key, and comes back: 5-3-2-1-2-1-2-3 of a boogie. */
    private static boolean cameOver(Score score, List<Integer> line, int at) {
        Stroke earlier = at < 2 ? null : score.strokes().get(line.get(at - 2));
        return earlier != null
                && earlier.notes().size() == 1
                && earlier.notes().get(0).finger() == THUMB
                && earlier.lowest().midi()
                        == score.strokes().get(line.get(at)).lowest().midi();
    }

    /** F5: one stroke is repeated by other fingers though there is time. */
    static void fingeredAnew(Score score, Marks marks) {
        for (Side side : Side.values()) {
            List<Integer> line = score.of(side);
            for (int i = 1; i < line.size(); i++) {
                Stroke before = score.strokes().get(line.get(i - 1));
                Stroke now = score.strokes().get(line.get(i));
                double ms = score.song()
                        .bars()
                        .get(now.bar())
                        .tempo()
                        .millisecondsOf(now.written().tick() - before.written().tick());
                if (now.notes().get(0).finger() > 0
                        && before.bar() == now.bar()
                        && ms > SLOW_MS
                        && Arrays.equals(before.keys(), now.keys())
                        && !fingers(before).equals(fingers(now))) {
                    marks.add(
                            now.bar(),
                            List.of(line.get(i - 1), line.get(i)),
                            Map.of("before", fingers(before), "now", fingers(now)));
                }
            }
        }
    }

    /** F6: neighbours of a scale by a gap between fingers. */
    static void gap(Score score, Marks marks) {
        for (Side side : Side.values()) {
            List<Integer> line = score.of(side);
            for (int i = 3; i < line.size(); i++) {
                List<Stroke> four = List.of(
                        score.strokes().get(line.get(i - 3)),
                        score.strokes().get(line.get(i - 2)),
                        score.strokes().get(line.get(i - 1)),
                        score.strokes().get(line.get(i)));
                if (isScale(four) && gaps(four)) {
                    marks.add(
                            four.get(3).bar(),
                            line.subList(i - 3, i + 1),
                            Map.of(
                                    "fingers",
                                    String.join(
                                            "-",
                                            four.stream()
                                                    .map(FingerRows::fingers)
                                                    .toList())));
                }
            }
        }
    }

    private static boolean isScale(List<Stroke> four) {
        int way = Integer.signum(
                four.get(1).lowest().midi() - four.get(0).lowest().midi());
        for (int i = 0; i < four.size(); i++) {
            if (four.get(i).notes().size() != 1 || four.get(i).notes().get(0).finger() == 0) {
                return false;
            }
            int step = i == 0
                    ? way
                    : four.get(i).lowest().midi() - four.get(i - 1).lowest().midi();
            if (i > 0
                    && (Integer.signum(step) != way
                            || Math.abs(step) > 2
                            || four.get(i - 1).written().end()
                                    < four.get(i).written().tick())) {
                return false;
            }
        }
        return way != 0;
    }

    private static boolean gaps(List<Stroke> four) {
        boolean gap = false;
        for (int i = 1; i < four.size(); i++) {
            int before = four.get(i - 1).notes().get(0).finger();
            int now = four.get(i).notes().get(0).finger();
            if (before == THUMB || now == THUMB) {
                // A passing of the thumb begins another position; from the thumb to the next but one is a gap only
                // inside one.
                if (Math.abs(before - now) != 1 && Math.abs(before - now) < 2) {
                    return false;
                }
                if (Math.abs(before - now) >= 2) {
                    return gap;
                }
                continue;
            }
            gap |= Math.abs(before - now) > 1;
        }
        return gap;
    }
}
