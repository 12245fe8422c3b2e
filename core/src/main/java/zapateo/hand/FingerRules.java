package zapateo.hand;

/**
 * The twelve rules of the ergonomic model of fingering of Parncutt, Sloboda, Clarke, Raekallio and Desain 1997 (from
 * memory), for a right hand; a left hand is its mirror. Fingers are 1 to 5, places semitones rising towards the little
 * finger's side, an interval the second place less the first. What is stretched is measured by the hand at hand, what
 * lies close is not.
 */
final class FingerRules {

    private static final int THUMB = 1;
    private final FingerSpans[][] spans = new FingerSpans[FingerSpans.FINGERS + 1][FingerSpans.FINGERS + 1];

    FingerRules(Hand hand) {
        for (int one = 1; one <= FingerSpans.FINGERS; one++) {
            for (int other = 1; other <= FingerSpans.FINGERS; other++) {
                spans[one][other] =
                        one == other ? null : FingerSpans.of(one, other).stretched(hand.width(one, other));
            }
        }
    }

    /** Of two different fingers, in either order. */
    FingerSpans spans(int finger, int other) {
        return spans[finger][other];
    }

    private static int opened(int from, int to, int interval) {
        return from < to ? interval : -interval;
    }

    /** Rule 1: two points for each semitone beyond what is comfortable, wide or close. */
    double stretch(int from, int to, int interval) {
        return from == to ? 0 : 2 * beyond(from, to, interval);
    }

    private double beyond(int from, int to, int interval) {
        int opened = opened(from, to, interval);
        return Math.max(0, Math.max(opened - spans[from][to].maxComf(), spans[from][to].minComf() - opened));
    }

    /** Rule 2: one point for each semitone closer than relaxed where the thumb takes part, else two. */
    double smallSpan(int from, int to, int interval) {
        return from == to ? 0 : perThumb(from, to) * Math.max(0, spans[from][to].minRel() - opened(from, to, interval));
    }

    /** Rule 3: the same for each semitone wider than relaxed. */
    double largeSpan(int from, int to, int interval) {
        return from == to ? 0 : perThumb(from, to) * Math.max(0, opened(from, to, interval) - spans[from][to].maxRel());
    }

    private static int perThumb(int from, int to) {
        return from == THUMB || to == THUMB ? 1 : 2;
    }

    /** Rule 4: two points for a full change of the hand's position within three notes, one for a half. */
    double positionChanges(int first, int second, int third, int place1, int place2, int place3) {
        if (first == third ? place1 == place3 : beyond(first, third, place3 - place1) == 0) {
            return 0;
        }
        boolean between = place2 > Math.min(place1, place3) && place2 < Math.max(place1, place3);
        return second == THUMB && between && (first == third || outOfPractice(first, third, place3 - place1)) ? 2 : 1;
    }

    /** Whether two different fingers can play the interval at all. */
    boolean outOfPractice(int from, int to, int interval) {
        int opened = opened(from, to, interval);
        return opened > spans[from][to].maxPrac() || opened < spans[from][to].minPrac();
    }

    /** Rule 5: one point for each semitone of such a change beyond what is comfortable. */
    double positionChangeSize(int first, int third, int place1, int place3) {
        return first == third ? Math.abs(place3 - place1) : beyond(first, third, place3 - place1);
    }

    /** Rule 6: one point for each ring or little finger. */
    static double weakFinger(int finger) {
        return finger >= 4 ? 1 : 0;
    }

    /** Rule 7: one point where the third, fourth and fifth finger follow one another in any order. */
    static double threeFourFive(int first, int second, int third) {
        return first >= 3 && second >= 3 && third >= 3 && first != second && second != third && first != third ? 1 : 0;
    }

    /** Rule 8: one point for a third finger followed by the fourth. */
    static double threeToFour(int from, int to) {
        return from == 3 && to == 4 ? 1 : 0;
    }

    /** Rule 9: one point for the third finger on a white key beside the fourth on a black one. */
    static double fourOnBlack(int from, int to, boolean fromBlack, boolean toBlack) {
        return from == 3 && to == 4 && !fromBlack && toBlack || from == 4 && to == 3 && fromBlack && !toBlack ? 1 : 0;
    }

    /** Rule 10: one point for a thumb on a black key, two more for each neighbour on a white one. */
    static double thumbOnBlack(int finger, boolean black, boolean whiteBefore, boolean whiteAfter) {
        return finger == THUMB && black ? 1 + (whiteBefore ? 2 : 0) + (whiteAfter ? 2 : 0) : 0;
    }

    /** Rule 11: two points for each neighbour on a white key of a little finger on a black one. */
    static double fiveOnBlack(int finger, boolean black, boolean whiteBefore, boolean whiteAfter) {
        return finger == 5 && black ? (whiteBefore ? 2 : 0) + (whiteAfter ? 2 : 0) : 0;
    }

    /**
     * Rule 12: one point for passing the thumb on the same level, three where it goes from a finger on white up to
     * black.
     */
    static double thumbPassing(int from, int to, int interval, boolean fromBlack, boolean toBlack) {
        boolean under = to == THUMB && from > THUMB && interval > 0;
        boolean over = from == THUMB && to > THUMB && interval < 0;
        if (!under && !over) {
            return 0;
        }
        boolean fingerBlack = under ? fromBlack : toBlack;
        boolean thumbBlack = under ? toBlack : fromBlack;
        return fingerBlack == thumbBlack ? 1 : thumbBlack ? 3 : 0;
    }
}
