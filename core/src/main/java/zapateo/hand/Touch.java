package zapateo.hand;

import java.util.List;
import zapateo.rhythm.Side;

/**
 * The keys of one stroke as the fingering sees them.
 *
 * @param keys  MIDI note numbers, low to high
 * @param quick whether it follows the one before within half a second
 */
record Touch(List<Integer> keys, boolean quick) {

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

    boolean white() {
        return keys.stream().noneMatch(Keyboard::isBlack);
    }
}
