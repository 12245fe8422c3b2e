package zapateo.critic;

import zapateo.harmony.ChordSymbol;

/** What a key is to a chord. */
final class Tones {

    private static final int MINOR_THIRD = 3;
    private static final int MAJOR_THIRD = 4;
    private static final int MINOR_SEVENTH = 10;
    private static final int MAJOR_SEVENTH = 11;

    private Tones() {}

    /** Semitones above its root, 0 to 11. */
    static int above(ChordSymbol chord, int key) {
        return Math.floorMod(key - chord.root().chroma(), 12);
    }

    /** Whether it is one of the chord's tones, or the bass it is written over. */
    static boolean isOf(ChordSymbol chord, int key) {
        int above = above(chord, key);
        return Math.floorMod(key, 12) == chord.bass().chroma()
                || chord.quality().tones().stream().anyMatch(tone -> Math.floorMod(tone.semitones(), 12) == above);
    }

    /** Whether it is the other third or the other seventh. */
    static boolean isTheOther(ChordSymbol chord, int key) {
        int above = above(chord, key);
        boolean third = above == MINOR_THIRD && chord.quality().has(3, MAJOR_THIRD)
                || above == MAJOR_THIRD && chord.quality().has(3, MINOR_THIRD);
        boolean seventh = above == MAJOR_SEVENTH && chord.quality().has(7, MINOR_SEVENTH)
                || above == MINOR_SEVENTH && chord.quality().has(7, MAJOR_SEVENTH);
        return third || seventh;
    }
}
