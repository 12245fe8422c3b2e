package zapateo.righthand;

import zapateo.names.Names;
import zapateo.rhythm.Figure;

/**
 * What the right hand is to do with chords.
 *
 * @param figure the rhythm of its chords
 * @param top what the highest notes of its chords do
 * @param shapes which chords it strikes
 */
public record RightChoices(Figure figure, Top top, Shapes shapes) {

    /** What it plays. */
    public enum Style {
        NONE,
        COMPING,
        MELODY,
        IMPROVISE;

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

    /** Which chords are struck. */
    public enum Shapes {
        /** Each chord in its nearest inversion. */
        EACH,
        /**
         * One shape held for as long as it carries the chords, four bars at most, while the bass moves (EXAMPLES 26).
         */
        HELD,
        /** The chord and the one on its fourth in turn over a bass that stays (HANDBOOK §9). */
        TURN;

        public String id() {
            return RightChoices.id(this);
        }
    }

    /** What lies under a note of the melody. */
    public enum Under {
        ALONE,
        CLOSE,
        OPEN,
        THIRDS,
        SIXTHS,
        OCTAVES,
        BLOCK,
        THIRD,
        /** Three voices under it, tenor and bass of them for the left hand. */
        PARTS;

        public String id() {
            return RightChoices.id(this);
        }
    }

    /** What an improvised chorus is made of. */
    public enum Manner {
        /** The chord's tones and its scale. */
        MIXED,
        /** The five notes of the key that are safe over all of it. */
        PENTATONIC,
        /** The key's blues scale. */
        BLUES,
        /** The tones of each chord alone. */
        CHORDAL
    }

    private static String id(Enum<?> value) {
        return Names.of(value);
    }
}
