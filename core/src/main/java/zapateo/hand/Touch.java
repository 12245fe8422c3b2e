package zapateo.hand;

import java.util.List;
import zapateo.rhythm.Side;

/**
 * The keys of one stroke as the fingering sees them.
 *
 * @param keys  MIDI note numbers, low to high
 * @param quick whether it follows the one before within half a second
 * @param white whether all of them are white
 */
record Touch(List<Integer> keys, boolean quick, boolean white) {

    static Touch of(List<Integer> keys, boolean quick) {
        boolean white = true;
        for (int key : keys) {
            white &= !Keyboard.isBlack(key);
        }
        return new Touch(keys, quick, white);
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
