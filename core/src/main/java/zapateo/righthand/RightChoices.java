package zapateo.righthand;

import zapateo.rhythm.Figure;

/**
 * What the right hand is to do.
 *
 * @param figure the rhythm of its chords
 * @param top    what the highest notes of its chords do
 * @param under  what lies under a melody
 */
public record RightChoices(Style style, Figure figure, Top top, Under under) {

    /** What it plays. */
    public enum Style {
        NONE, COMPING, MELODY, IMPROVISE;

        public String id() {
            return RightChoices.id(this);
        }
    }

    /** Where the highest note of a chord lies. */
    public enum Top {
        /** Wherever the nearest inversion has it. */
        NEAREST,
        /** As near as can be to the one before: the top notes make a small tune. */
        SMOOTH,
        /** On the third of the chord (EXAMPLES 25). */
        THIRD;

        public String id() {
            return RightChoices.id(this);
        }
    }

    /** What lies under a note of the melody. */
    public enum Under {
        ALONE, CLOSE, OPEN, THIRDS, SIXTHS, OCTAVES, BLOCK;

        public String id() {
            return RightChoices.id(this);
        }
    }

    private static String id(Enum<?> value) {
        return value.name().toLowerCase(java.util.Locale.ROOT);
    }
}
