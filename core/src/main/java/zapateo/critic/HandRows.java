package zapateo.critic;

import java.util.List;
import java.util.Map;
import zapateo.hand.Ease;
import zapateo.hand.Keyboard;
import zapateo.part.Mending;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;
import zapateo.song.Bar;

/** Rows about hands and fingers. */
final class HandRows {

    private static final int THUMB = 1;
    private static final int LITTLE = 5;
    private static final int FIFTH = 7;
    private static final int TENTH = 15;
    /** The pedal may change this much after a bass. */
    private static final int BLUR = 300;

    private HandRows() {}

    /** L18: a stroke wider than the hand opens is neither rolled, caught nor thinned. */
    static void beyondTheHand(Score score, Marks marks) {
        for (int at = 0; at < score.strokes().size(); at++) {
            Stroke stroke = score.strokes().get(at);
            boolean wide = (stroke.hand() == Side.LEFT
                                    ? score.pianist().leftOnKeys()
                                    : score.pianist().rightOnKeys())
                            .easeOf(stroke.keys())
                    == Ease.OUT_OF_REACH;
            if (wide
                    && stroke.roll().isEmpty()
                    && stroke.mended(Mending.Cause.HAND).isEmpty()) {
                marks.add(
                        stroke.bar(),
                        List.of(at),
                        Map.of(
                                "low",
                                stroke.lowest().toString(),
                                "high",
                                stroke.highest().toString()));
            }
        }
    }

    /** B1: the hands strike one key, cross, or the right hand goes below the left. */
    static void runTogether(Score score, Marks marks) {
        for (int at : score.of(Side.RIGHT)) {
            Stroke right = score.strokes().get(at);
            for (int other :
                    score.soundingIn(right.written().tick(), right.written().end())) {
                Stroke with = score.strokes().get(other);
                boolean together = with.hand() == Side.LEFT
                        && with.written().tick() < right.written().end()
                        && right.written().tick() < with.written().end();
                if (together && right.lowest().midi() <= with.highest().midi()) {
                    marks.add(
                            right.bar(),
                            List.of(other, at),
                            Map.of(
                                    "left",
                                    with.highest().toString(),
                                    "right",
                                    right.lowest().toString()));
                }
            }
        }
    }

    /** B5: a roll, tenth or catch has lost its partner when room was made. */
    static void lostPartner(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            boolean thinned = stroke.nature().mended().contains(Mending.LEFT_THINNED);
            boolean tenth = stroke.nature().roles().stream()
                    .anyMatch(role -> role.toString().equals("10"));
            if (thinned
                    && (stroke.roll().isPresent() || tenth)
                    && stroke.highest().midi() - stroke.lowest().midi() < TENTH
                    && stroke.notes().size() < 2) {
                marks.add(
                        stroke.bar(),
                        List.of(at),
                        Map.of("note", stroke.lowest().toString()));
            }
        }
    }

    /** F1: an open fifth not by 5-1, unless the hand goes on upward or a sixth or seventh on the same bass follows. */
    static void openFifth(Score score, Marks marks) {
        List<Integer> left = score.of(Side.LEFT);
        for (int i = 0; i < left.size(); i++) {
            Stroke stroke = score.strokes().get(left.get(i));
            int[] keys = stroke.keys();
            boolean holds = i > 0 && FingerRows.isHeld(score.strokes().get(left.get(i - 1)), stroke);
            if (keys.length != 2
                    || keys[1] - keys[0] != FIFTH
                    || stroke.notes().get(0).finger() == 0
                    || holds) {
                continue;
            }
            Stroke next = i + 1 < left.size() ? score.strokes().get(left.get(i + 1)) : null;
            boolean goesOn = next != null
                    && (next.highest().midi() > keys[1]
                            || next.lowest().midi() == keys[0] && next.notes().size() > 1);
            boolean byStep = next != null
                    && next.notes().size() == 2
                    && Math.abs(next.lowest().midi() - keys[0]) <= 2;
            if (!goesOn
                    && !byStep
                    && !(stroke.notes().get(0).finger() == LITTLE
                            && stroke.notes().get(1).finger() == THUMB)) {
                marks.add(
                        stroke.bar(),
                        List.of(left.get(i)),
                        Map.of(
                                "fingers",
                                stroke.notes().get(0).finger() + "-"
                                        + stroke.notes().get(1).finger()));
            }
        }
    }

    /** F2: an octave by inner fingers; 4-1 on black keys is right. */
    static void innerOctave(Score score, Marks marks) {
        for (int at = 0; at < score.strokes().size(); at++) {
            Stroke stroke = score.strokes().get(at);
            if (stroke.notes().size() != 2
                    || stroke.highest().midi() - stroke.lowest().midi() != Pitch.OCTAVE
                    || stroke.notes().get(0).finger() == 0) {
                continue;
            }
            int outer = Math.max(
                    stroke.notes().get(0).finger(), stroke.notes().get(1).finger());
            int inner = Math.min(
                    stroke.notes().get(0).finger(), stroke.notes().get(1).finger());
            boolean black = Keyboard.isBlack(stroke.lowest().midi());
            if (inner != THUMB || outer < (black ? LITTLE - 1 : LITTLE)) {
                marks.add(
                        stroke.bar(),
                        List.of(at),
                        Map.of(
                                "fingers",
                                stroke.notes().get(0).finger() + "-"
                                        + stroke.notes().get(1).finger()));
            }
        }
    }

    /** M4: an inner or upper tone is louder than its chord, because it happens to be a root. */
    static void thumps(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            int low = stroke.notes().get(0).velocity();
            stroke.notes().stream()
                    .filter(note -> note.velocity() > low)
                    .map(PartNote::pitch)
                    .findFirst()
                    .ifPresent(pitch -> marks.add(stroke.bar(), List.of(at), Map.of("note", pitch.toString())));
        }
    }

    /** B3: more than two octaves lie between the hands for over two bars. */
    static void holeBetween(Score score, Marks marks) {
        int wide = 0;
        for (Bar bar : score.song().bars()) {
            List<Stroke> here = score.within(bar.tick(), bar.end()).stream()
                    .map(score.strokes()::get)
                    .toList();
            int left = here.stream()
                    .filter(stroke -> stroke.hand() == Side.LEFT)
                    .mapToInt(stroke -> stroke.highest().midi())
                    .max()
                    .orElse(Integer.MAX_VALUE);
            int right = here.stream()
                    .filter(stroke -> stroke.hand() == Side.RIGHT)
                    .mapToInt(stroke -> stroke.lowest().midi())
                    .min()
                    .orElse(Integer.MIN_VALUE);
            boolean line =
                    here.stream().filter(stroke -> stroke.hand() == Side.LEFT).allMatch(HandRows::isBass);
            boolean lineAndTune = (line || score.asked().get(bar.index()).is(Trait.BASS_ONLY))
                    && here.stream()
                            .filter(stroke -> stroke.hand() == Side.RIGHT)
                            .allMatch(HandRows::isOfALine);
            wide = left != Integer.MAX_VALUE
                            && right != Integer.MIN_VALUE
                            && right - left > 2 * Pitch.OCTAVE
                            && !lineAndTune
                    ? wide + 1
                    : 0;
            if (wide > 2) {
                marks.add(bar.index(), score.within(bar.tick(), bar.end()), Map.of("bars", String.valueOf(wide)));
            }
        }
    }

    /** A bass alone, or made broad by its octave or its fifth. */
    private static boolean isBass(Stroke stroke) {
        int span = stroke.highest().midi() - stroke.lowest().midi();
        return stroke.notes().size() == 1 || stroke.notes().size() == 2 && (span == Pitch.OCTAVE || span == FIFTH);
    }

    /** One tone, or a tune with its third or sixth under it. */
    private static boolean isOfALine(Stroke stroke) {
        Origin origin = stroke.nature().origin();
        boolean tune = origin == Origin.TUNE || origin == Origin.UNDER_TUNE;
        return stroke.notes().size() == 1
                || tune
                        && stroke.notes().size() == 2
                        && stroke.highest().midi() - stroke.lowest().midi() < Pitch.OCTAVE;
    }

    /** M5: the pedal blurs: two chords' basses ring together in a style that jumps or walks. */
    static void blurs(Score score, Marks marks) {
        for (Score.Steps step : score.bassSteps()) {
            Stroke before = score.strokes().get(step.before());
            Stroke now = score.strokes().get(step.now());
            boolean dry = score.asked(now).is(Trait.JUMPS) || score.asked(now).is(Trait.WALKS);
            if (dry
                    && step.from().tick() != step.to().tick()
                    && before.lowest().midi() != now.lowest().midi()
                    && score.heardUntil(step.before()) > now.written().tick() + BLUR) {
                marks.add(
                        now.bar(),
                        List.of(step.before(), step.now()),
                        Map.of(
                                "from",
                                before.lowest().toString(),
                                "to",
                                now.lowest().toString()));
            }
        }
    }

    /** F7: one finger on two keys in turn in a line. */
    static void oneFinger(Score score, Marks marks) {
        for (Side side : Side.values()) {
            List<Integer> line = score.of(side);
            for (int i = 1; i < line.size(); i++) {
                Stroke before = score.strokes().get(line.get(i - 1));
                Stroke now = score.strokes().get(line.get(i));
                boolean singles = before.notes().size() == 1
                        && now.notes().size() == 1
                        && before.notes().get(0).finger() > 0;
                int away = Math.abs(now.lowest().midi() - before.lowest().midi());
                boolean slides = before.lowest().pitchClass().alteration() != 0 && away <= 2;
                // Over more than a fifth the hand goes along: that is no line.
                boolean follows = before.written().end() >= now.written().tick() && away > 0 && away <= FIFTH;
                if (singles
                        && follows
                        && !slides
                        && before.notes().get(0).finger() == now.notes().get(0).finger()) {
                    marks.add(
                            now.bar(),
                            List.of(line.get(i - 1), line.get(i)),
                            Map.of(
                                    "finger",
                                    String.valueOf(now.notes().get(0).finger()),
                                    "from",
                                    before.lowest().toString(),
                                    "to",
                                    now.lowest().toString()));
                }
            }
        }
    }
}
