package zapateo.lefthand;

import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;

/**
 * Tones a chord does not name, as its key has them (HANDBOOK §7).
 *
 * @param ninth whether a ninth is a major one; else the octave stands for it
 * @param sixth whether a sixth is a major one; else it is minor
 */
record KeyTones(boolean ninth, boolean sixth) {

    /** Where no key is known. */
    static final KeyTones PLAIN = new KeyTones(true, true);

    private static final int FOURTH_UP = 5;
    private static final Interval MAJOR_NINTH = Interval.parse("2");
    private static final Interval MAJOR_SIXTH = Interval.parse("6");
    private static final Interval MINOR_SIXTH = Interval.parse("b6");

    /**
     * A minor tonic has its major sixth in every style that adds one; a dominant on the way to a minor chord has a
     * minor one.
     */
    static KeyTones of(ChordSymbol chord, Key key, Optional<ChordSymbol> next) {
        boolean toMinor = chord.quality().isDominant()
                && next.filter(after -> after.quality().isMinor()
                                && Math.floorMod(
                                                after.root().chroma()
                                                        - chord.root().chroma(),
                                                Pitch.OCTAVE)
                                        == FOURTH_UP)
                        .isPresent();
        boolean minor = toMinor
                || key.holds(chord.root().plus(MINOR_SIXTH))
                        && !key.holds(chord.root().plus(MAJOR_SIXTH))
                        && chord.root().chroma() != key.tonic().chroma();
        return new KeyTones(key.holds(chord.root().plus(MAJOR_NINTH)), !minor);
    }
}
