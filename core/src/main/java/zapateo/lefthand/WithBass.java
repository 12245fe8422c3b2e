package zapateo.lefthand;

import java.util.List;
import zapateo.harmony.ChordSymbol;
import zapateo.rhythm.Role;

/** What is struck together with a figure's basses, where a player says so. */
public enum WithBass {
    ALONE,
    OCTAVE,
    TENTH,
    FILLED_TENTH;

    private static final Role FIFTH_BELOW = Role.parse("5_");
    private static final Role FIFTH = Role.tone(5);
    private static final Role SEVENTH = Role.tone(7);
    private static final Role OCTAVE_ABOVE = Role.tone(8);
    private static final Role TENTH_ABOVE = Role.tone(10);

    /** Whether a stroke is a bass: alone, or with its octave or its tenth. */
    static boolean takes(List<Role> roles) {
        Role lowest = roles.get(0);
        Role highest = roles.get(roles.size() - 1);
        boolean doubled = highest.equals(OCTAVE_ABOVE) || highest.equals(TENTH_ABOVE);
        return roles.size() == 1
                ? lowest.equals(Role.BASS) || lowest.equals(FIFTH_BELOW) || lowest.equals(Role.WALK)
                : doubled && (lowest.equals(Role.BASS) || lowest.equals(Role.WALK));
    }

    /**
     * That bass with what belongs to it. A fifth below has its own octave; for tenths the root comes again in its
     * place. A tenth is filled with the seventh, where the chord has one, else with the fifth; a line that walks has
     * octaves and tenths alone.
     */
    List<Role> on(List<Role> roles, ChordSymbol chord) {
        Role bass = roles.get(0);
        return switch (this) {
            case ALONE -> List.of(bass);
            case OCTAVE -> List.of(bass, bass.equals(FIFTH_BELOW) ? FIFTH : OCTAVE_ABOVE);
            case TENTH -> List.of(rooted(bass), TENTH_ABOVE);
            case FILLED_TENTH ->
                bass.equals(Role.WALK)
                        ? TENTH.on(roles, chord)
                        : List.of(Role.BASS, chord.quality().tone(7).isPresent() ? SEVENTH : FIFTH, TENTH_ABOVE);
        };
    }

    private static Role rooted(Role bass) {
        return bass.equals(FIFTH_BELOW) ? Role.BASS : bass;
    }
}
