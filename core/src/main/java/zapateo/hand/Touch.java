package zapateo.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;

/**
 * The keys of one stroke as the fingering sees them.
 *
 * @param keys MIDI note numbers, low to high
 * @param quick whether it follows the one before within half a second
 * @param white whether all of them are white
 * @param fresh whether the hand is set anew for it: a bass after what lay above the one before, what comes after a rest
 * @param opens whether a wider one on the same bass follows: a fifth that goes to its sixth or seventh
 */
record Touch(List<Integer> keys, boolean quick, boolean white, boolean fresh, boolean opens) {

    private static final int WIDEST_OPENING = 3;
    private static final double QUICK_MS = 500;
    /** In an eighth the hand may go anywhere. */
    private static final int REST = Ticks.PER_EIGHTH;

    /** Those of a part. */
    static List<Touch> of(List<Stroke> strokes, IntToDoubleFunction milliseconds) {
        List<Touch> touches = new ArrayList<>();
        for (int i = 0; i < strokes.size(); i++) {
            boolean fresh = i > 0
                    && isSetAnew(
                            strokes.get(i - 1),
                            strokes.get(i),
                            i + 1 < strokes.size() ? strokes.get(i + 1).mark() : Mark.HEEL);
            touches.add(of(keys(strokes.get(i)), i > 0 && milliseconds.applyAsDouble(i) < QUICK_MS, fresh));
        }
        return following(touches);
    }

    private static List<Integer> keys(Stroke stroke) {
        if (stroke.notes().size() == 1) {
            return List.of(stroke.lowest().midi());
        }
        List<Integer> keys = new ArrayList<>(stroke.notes().size());
        for (PartNote note : stroke.notes()) {
            keys.add(note.pitch().midi());
        }
        return keys;
    }

    private static boolean isSetAnew(Stroke before, Stroke stroke, Mark next) {
        return stroke.mark() == Mark.HEEL && (before.mark() == Mark.TOE || next == Mark.TOE)
                || stroke.written().tick() - before.written().end() >= REST;
    }

    static Touch of(List<Integer> keys, boolean quick, boolean fresh) {
        boolean white = true;
        for (int key : keys) {
            white &= !Keyboard.isBlack(key);
        }
        return new Touch(keys, quick, white, fresh, false);
    }

    /** All of them, each with what is known of it only when the next others are. */
    static List<Touch> following(List<Touch> all) {
        List<Touch> known = new ArrayList<>(all);
        for (int i = all.size() - 2; i >= 0; i--) {
            Touch touch = all.get(i);
            Touch next = known.get(i + 1);
            boolean opens = touch.keys.size() == 2
                    && next.keys.size() == 2
                    && touch.keys.get(0).equals(next.keys.get(0))
                    && (touch.keys.equals(next.keys)
                            ? next.opens
                            : next.keys.get(1) > touch.keys.get(1)
                                    && next.keys.get(1) - touch.keys.get(1) <= WIDEST_OPENING);
            known.set(i, new Touch(touch.keys, touch.quick, touch.white, touch.fresh, opens));
        }
        return known;
    }

    boolean single() {
        return keys.size() == 1;
    }

    /** Of the key that so many fingers from the thumb's side reach: semitones rising towards the little finger. */
    int place(int fromThumb, Side side) {
        return side == Side.LEFT ? -keys.get(keys.size() - 1 - fromThumb) : keys.get(fromThumb);
    }

    int key(int fromThumb, Side side) {
        return keys.get(side == Side.LEFT ? keys.size() - 1 - fromThumb : fromThumb);
    }
}
