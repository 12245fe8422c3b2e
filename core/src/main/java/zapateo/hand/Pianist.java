package zapateo.hand;

/**
 * Who plays, and on what.
 *
 * @param tenths what to do with what is wider than an octave and than the hand
 * @param octaves what to do with an octave, or less, that is wider than the hand
 */
public record Pianist(Hand left, Hand right, Instrument instrument, TooWide tenths, TooWide octaves) {

    public static final Pianist USUAL = of(Hand.USUAL);

    /** Two hands alike on a full-size piano; what is too wide is rolled. */
    public static Pianist of(Hand hand) {
        return new Pianist(hand, hand, Instrument.FULL, TooWide.ROLL, TooWide.ROLL);
    }

    public Pianist on(Instrument other) {
        return new Pianist(left, right, other, tenths, octaves);
    }

    /** The left hand as the keys of the instrument feel to it. */
    public Hand leftOnKeys() {
        return left.on(instrument);
    }

    /** The right hand as the keys of the instrument feel to it. */
    public Hand rightOnKeys() {
        return right.on(instrument);
    }
}
