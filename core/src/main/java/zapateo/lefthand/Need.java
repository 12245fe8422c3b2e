package zapateo.lefthand;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/**
 * What decides a chord's candidates; equal needs share one list.
 *
 * @param upper what the close chord is filled with
 * @param together what is struck at once, and how often
 * @param fixed the key a walking line has the bass on already
 * @param outer whether it is the song's first chord or its last
 * @param right whether the chord above is the right hand's
 * @param under strokes that make room for the other hand, and how often
 * @param run what is played one tone after another
 * @param inKey tones it does not name
 * @param bassSpacing of the figure
 * @param alternates whether its last bass is the fifth
 * @param resolves whether it is a dominant on its way home
 * @param between seconds from a bass to the chord above it, the shortest there are
 * @param said tones that make the chord what it is, as far as its time allows
 */
record Need(
        ChordSymbol chord,
        Key key,
        Register register,
        Optional<Voicing> upper,
        Optional<Voicing> shape,
        boolean bass,
        BassLine.Basses way,
        Map<Struck, Integer> together,
        Optional<Pitch> fixed,
        Lock lock,
        boolean outer,
        boolean right,
        Map<Under, Integer> under,
        Run run,
        List<Interval> said,
        KeyTones inKey,
        String bassSpacing,
        boolean alternates,
        double between,
        boolean resolves) {

    /**
     * Strokes of one tone each, one after the other.
     *
     * @param roles of the figure
     * @param hands that play them
     */
    record Run(String spacing, List<Role> roles, List<Side> hands) {

        static final Run NONE = new Run("open", List.of(), List.of());

        List<List<Role>> on(Placement placement, List<Interval> said) {
            return new Broken(placement, Spacing.named(spacing), said, hands).of(roles);
        }
    }

    /** A stroke of the left hand below a ceiling. */
    record Under(List<Role> roles, String spacing, boolean rolled, int ceiling) {}

    /**
     * Roles that strokes take at once, before they are fitted to the chord.
     *
     * @param close whether it is the chord in its own window
     * @param rolls whether there is time to roll it, if it must be, however often it comes
     */
    record Struck(List<Role> roles, String spacing, boolean close, boolean rolls) {}
}
