package zapateo.critic;

import java.util.List;
import java.util.Map;
import zapateo.hand.Ease;
import zapateo.part.Mending;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;

/** Rows about hands and fingers. */
final class HandRows {

    private static final int THUMB = 1;
    private static final int LITTLE = 5;
    private static final int FIFTH = 7;
    private static final int TENTH = 15;

    private HandRows() {
    }

    /** L18: a stroke wider than the hand opens is neither rolled, caught nor thinned. */
    static void beyondTheHand(Score score, Marks marks) {
        for (int at = 0; at < score.strokes().size(); at++) {
            Stroke stroke = score.strokes().get(at);
            boolean wide = (stroke.hand() == Side.LEFT ? score.pianist().leftOnKeys() : score.pianist().rightOnKeys()).easeOf(stroke.keys()) == Ease.OUT_OF_REACH;
            if (wide && stroke.roll().isEmpty() && stroke.mended(Mending.Cause.HAND).isEmpty()) {
                marks.add(stroke.bar(), List.of(at), Map.of("low", stroke.lowest().toString(), "high", stroke.highest().toString()));
            }
        }
    }

    /** B1: the hands strike one key, cross, or the right hand goes below the left. */
    static void runTogether(Score score, Marks marks) {
        List<Integer> left = score.of(Side.LEFT);
        for (int at : score.of(Side.RIGHT)) {
            Stroke right = score.strokes().get(at);
            for (int other : left) {
                Stroke with = score.strokes().get(other);
                boolean together = with.written().tick() < right.written().end() && right.written().tick() < with.written().end();
                if (together && right.lowest().midi() <= with.highest().midi()) {
                    marks.add(right.bar(), List.of(other, at), Map.of("left", with.highest().toString(), "right", right.lowest().toString()));
                }
            }
        }
    }

    /** B5: a roll, tenth or catch has lost its partner when room was made. */
    static void lostPartner(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            boolean thinned = stroke.nature().mended().contains(Mending.LEFT_THINNED);
            boolean tenth = stroke.nature().roles().stream().anyMatch(role -> role.toString().equals("10"));
            if (thinned && (stroke.roll().isPresent() || tenth) && stroke.highest().midi() - stroke.lowest().midi() < TENTH && stroke.notes().size() < 2) {
                marks.add(stroke.bar(), List.of(at), Map.of("note", stroke.lowest().toString()));
            }
        }
    }

    /** F1: an open fifth not by 5-1, unless the hand goes on upward or a sixth or seventh on the same bass follows. */
    static void openFifth(Score score, Marks marks) {
        List<Integer> left = score.of(Side.LEFT);
        for (int i = 0; i < left.size(); i++) {
            Stroke stroke = score.strokes().get(left.get(i));
            int[] keys = stroke.keys();
            if (keys.length != 2 || keys[1] - keys[0] != FIFTH || stroke.notes().get(0).finger() == 0) {
                continue;
            }
            Stroke next = i + 1 < left.size() ? score.strokes().get(left.get(i + 1)) : null;
            boolean goesOn = next != null && (next.highest().midi() > keys[1] || next.lowest().midi() == keys[0] && next.notes().size() > 1);
            boolean byStep = next != null && next.notes().size() == 2 && Math.abs(next.lowest().midi() - keys[0]) <= 2;
            if (!goesOn && !byStep && !(stroke.notes().get(0).finger() == LITTLE && stroke.notes().get(1).finger() == THUMB)) {
                marks.add(stroke.bar(), List.of(left.get(i)), Map.of("fingers", stroke.notes().get(0).finger() + "-" + stroke.notes().get(1).finger()));
            }
        }
    }

    /** F2: an octave by inner fingers; 4-1 on black keys is right. */
    static void innerOctave(Score score, Marks marks) {
        for (int at = 0; at < score.strokes().size(); at++) {
            Stroke stroke = score.strokes().get(at);
            if (stroke.notes().size() != 2 || stroke.highest().midi() - stroke.lowest().midi() != Pitch.OCTAVE || stroke.notes().get(0).finger() == 0) {
                continue;
            }
            int outer = Math.max(stroke.notes().get(0).finger(), stroke.notes().get(1).finger());
            int inner = Math.min(stroke.notes().get(0).finger(), stroke.notes().get(1).finger());
            boolean black = stroke.lowest().pitchClass().alteration() != 0;
            if (inner != THUMB || outer < (black ? LITTLE - 1 : LITTLE)) {
                marks.add(stroke.bar(), List.of(at), Map.of("fingers", stroke.notes().get(0).finger() + "-" + stroke.notes().get(1).finger()));
            }
        }
    }

    /** M4: an inner or upper tone is louder than its chord, because it happens to be a root. */
    static void thumps(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            int low = stroke.notes().get(0).velocity();
            stroke.notes().stream().skip(1).filter(note -> note.velocity() > low).map(PartNote::pitch).findFirst()
                    .ifPresent(pitch -> marks.add(stroke.bar(), List.of(at), Map.of("note", pitch.toString())));
        }
    }
}
