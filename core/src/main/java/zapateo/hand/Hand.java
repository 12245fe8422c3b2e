package zapateo.hand;

/**
 * One player's hand.
 *
 * @param spanMm thumb tip to little-finger tip when stretched, 120 to 300 mm
 */
public record Hand(double spanMm) {

    public static final double SMALLEST = 120;
    public static final double LARGEST = 300;

    /** Women's average in Boyle, Boyle & Booker 2015, from memory: what is written for it suits most people. */
    public static final Hand USUAL = new Hand(201);

    /** Up to this share of the span a stretch can be held without strain (the project's own choice). */
    static final double COMFORTABLE_SHARE = 0.90;

    public Hand {
        if (!(spanMm >= SMALLEST && spanMm <= LARGEST)) {
            throw new IllegalArgumentException("span of " + spanMm + " mm: expected 120 to 300");
        }
    }

    public static Hand of(double spanMm) {
        return new Hand(spanMm);
    }

    /** How it stands to two keys struck together. */
    public Ease easeOf(int lowKey, int highKey) {
        double stretch = Keyboard.stretch(lowKey, highKey);
        if (stretch <= COMFORTABLE_SHARE * spanMm) {
            return Ease.COMFORTABLE;
        }
        if (stretch <= spanMm) {
            return Ease.STRETCH;
        }
        return Keyboard.stretchAtEdges(lowKey, highKey) <= spanMm ? Ease.KEY_EDGE : Ease.OUT_OF_REACH;
    }
}
