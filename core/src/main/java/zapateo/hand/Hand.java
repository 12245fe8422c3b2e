package zapateo.hand;

import java.util.Optional;
import zapateo.refusal.Refused;

/**
 * One player's hand, stretched. The values are those of a full-size keyboard; {@link #on} brings them to a narrower
 * one.
 *
 * @param spanMm thumb tip to little-finger tip, 120 to 300 mm
 * @param thumbIndexMm thumb tip to index tip, 40 mm to the whole span
 * @param indexLittleMm index tip to little-finger tip, 40 mm to the whole span
 */
public record Hand(double spanMm, double thumbIndexMm, double indexLittleMm) {

    public static final double SMALLEST = 120;
    public static final double LARGEST = 300;
    /** No two fingers of a hand that plays open less. */
    public static final double SMALLEST_INNER = 40;

    /** Women's average in Boyle, Boyle & Booker 2015, from memory: what is written for it suits most people. */
    public static final Hand USUAL = Hand.of(201);

    /** Up to this share of the span a stretch can be held without strain (the project's own choice). */
    static final double COMFORTABLE_SHARE = 0.90;

    /** Narrow keys can make a hand wider than any other. */
    private static final double WIDEST_ON_NARROW_KEYS = 2 * LARGEST;

    /** @throws Refused naming what was given and what was expected */
    public Hand {
        if (!(spanMm >= SMALLEST && spanMm <= WIDEST_ON_NARROW_KEYS)) {
            throw new Refused("span of " + spanMm + " mm: expected 120 to 300");
        }
        checkInner("thumb to index", thumbIndexMm, spanMm);
        checkInner("index to little finger", indexLittleMm, spanMm);
    }

    private static void checkInner(String what, double mm, double spanMm) {
        if (!(mm >= SMALLEST_INNER && mm <= spanMm)) {
            throw new Refused(what + " of " + mm + " mm: expected 40 to the whole span of " + spanMm);
        }
    }

    /** A hand whose inner fingers open as usual for its span. */
    public static Hand of(double spanMm) {
        return of(spanMm, Optional.empty(), Optional.empty());
    }

    /**
     * What was not measured is taken as usual for the span.
     *
     * @throws Refused naming what was given and what was expected
     */
    public static Hand of(double spanMm, Optional<Double> thumbIndexMm, Optional<Double> indexLittleMm) {
        if (!(spanMm <= LARGEST)) {
            throw new Refused("span of " + spanMm + " mm: expected 120 to 300");
        }
        return new Hand(
                spanMm,
                thumbIndexMm.orElse(spanMm * usualShare(1, 2)),
                indexLittleMm.orElse(spanMm * usualShare(2, 5)));
    }

    private static double usualShare(int finger, int other) {
        return FingerSpans.of(finger, other).maxPrac() / FingerSpans.of(1, 5).maxPrac();
    }

    /** The same hand as keys of another width feel to it. */
    public Hand on(Instrument instrument) {
        double times = Keyboard.OCTAVE / instrument.octaveMm();
        return times == 1 ? this : new Hand(spanMm * times, thumbIndexMm * times, indexLittleMm * times);
    }

    /**
     * How far two of its fingers open, in millimetres: measured, or in the proportions of {@link FingerSpans} to what
     * was.
     *
     * @param finger 1 the thumb to 5 the little finger, another one than {@code other}
     */
    public double opens(int finger, int other) {
        int low = Math.min(finger, other);
        int high = Math.max(finger, other);
        double widest = FingerSpans.of(low, high).maxPrac();
        if (low > 1) {
            return indexLittleMm * widest / FingerSpans.of(2, 5).maxPrac();
        }
        return high == 2
                ? thumbIndexMm
                : high == 5 ? spanMm : spanMm * widest / FingerSpans.of(1, 5).maxPrac();
    }

    /** How much wider than the usual hand's these two fingers open. */
    double width(int finger, int other) {
        return opens(finger, other) / USUAL.opens(finger, other);
    }

    /** How it stands to two keys struck together by thumb and little finger. */
    public Ease easeOf(int lowKey, int highKey) {
        return easeOf(1, 5, lowKey, highKey);
    }

    /**
     * How two of its fingers stand to two keys struck together. Thumb and little finger meet black and white keys at
     * different depths and go diagonally; the long fingers between reach into the keys without opening.
     */
    public Ease easeOf(int finger, int other, int lowKey, int highKey) {
        boolean wide = Math.min(finger, other) == 1 || Math.abs(finger - other) == 3;
        double stretch = wide ? Keyboard.stretch(lowKey, highKey) : Keyboard.between(lowKey, highKey);
        double opens = opens(finger, other);
        if (stretch <= COMFORTABLE_SHARE * opens) {
            return Ease.COMFORTABLE;
        }
        if (stretch <= opens) {
            return Ease.STRETCH;
        }
        return Keyboard.stretchAtEdges(lowKey, highKey) <= opens ? Ease.KEY_EDGE : Ease.OUT_OF_REACH;
    }

    /** How it stands to keys struck together, low to high, by the fingers that suit them best. */
    public Ease easeOf(int[] keys) {
        return switch (keys.length) {
            case 0, 1 -> Ease.COMFORTABLE;
            case 2 -> easeOf(keys[0], keys[1]);
            default -> Grip.easiest(this::easeOf, keys);
        };
    }
}
