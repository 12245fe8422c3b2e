package zapateo.hand;

import zapateo.part.PartNote;
import zapateo.part.Stroke;

/**
 * How long a hand needs from one stroke to the next. What lies inside a comfortable reach takes a finger's time; beyond
 * it the hand jumps the rest of the way and needs log₂(2·distance / width of the key) bits (Fitts 1954) at about 17 a
 * second.
 */
public final class Jumps {

    /**
     * Practised jumps; aimed taps take longer (Fitts 1954: about 10). The project's own estimate, a little over the 15
     * of HANDBOOK §8: stride stays possible at ♩ = 180 to 200, a march with its fifth below at 110.
     */
    private static final double BITS_PER_SECOND = 17;

    private static final double WHITE_WIDTH = Keyboard.WHITE_KEY;
    private static final double BLACK_WIDTH = 13.7;
    /** From finger to finger: about twelve notes a second (common practice). */
    private static final double FINGER_SECONDS = 0.08;
    /** The same key again: about seven a second with one finger (common practice). */
    private static final double REPEAT_SECONDS = 0.14;

    private final Hand hand;

    public Jumps(Hand hand) {
        this.hand = hand;
    }

    /** Millimetres the hand has to jump between two strokes, beyond what it reaches without. */
    public double distance(Stroke from, Stroke to) {
        int low = Math.min(from.lowest().midi(), to.lowest().midi());
        int high = Math.max(from.highest().midi(), to.highest().midi());
        return Math.max(0, Keyboard.between(low, high) - Hand.COMFORTABLE_SHARE * hand.spanMm());
    }

    /** Seconds the hand needs from the one to the other at the least. */
    public double seconds(Stroke from, Stroke to) {
        return Math.max(repeats(from, to) ? REPEAT_SECONDS : FINGER_SECONDS, seconds(distance(from, to), to.keys()));
    }

    /** Seconds the hand flies from one key to others above it at the least; nothing where it reaches them. */
    public double seconds(int from, int[] to) {
        return seconds(
                Math.max(0, Keyboard.between(from, to[to.length - 1]) - Hand.COMFORTABLE_SHARE * hand.spanMm()), to);
    }

    private static double seconds(double distance, int[] to) {
        double width = WHITE_WIDTH;
        for (int key : to) {
            width = Keyboard.isBlack(key) ? BLACK_WIDTH : width;
        }
        return distance <= width / 2 ? 0 : Math.log(2 * distance / width) / Math.log(2) / BITS_PER_SECOND;
    }

    private static boolean repeats(Stroke from, Stroke to) {
        // Low to high both: where what one has lies above the other, nothing comes again.
        if (from.lowest().midi() > to.highest().midi()
                || from.highest().midi() < to.lowest().midi()) {
            return false;
        }
        for (PartNote note : from.notes()) {
            for (PartNote other : to.notes()) {
                if (other.pitch().midi() == note.pitch().midi()) {
                    return true;
                }
            }
        }
        return false;
    }
}
