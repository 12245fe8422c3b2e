package zapateo.bench;

/** The chart that is measured: 64 bars, two chords in every other one, slash basses and sevenths. */
final class LongChart {

    static final String TEXT = "Title: Sixty-four\nKey: E♭\nTempo: 96\n"
            + ("| E♭ | B♭7/D Cm7 | A♭maj7 | E♭/G Gdim7 |\n| Fm7 | B♭9 B♭7/A♭ | E♭/G C7 | Fm7 B♭7 |\n").repeat(8);

    /**
     * Two thousand bars, the most there are: two sections in two keys, without a key line, so that the keys are found
     * too.
     */
    static final String LONGEST = "Title: Two thousand\n[A]\n"
            + ("| E♭ | B♭7/D Cm7 | A♭maj7 | E♭/G Gdim7 |\n| Fm7 | B♭9 B♭7/A♭ | E♭/G C7 | Fm7 B♭7 |\n").repeat(125)
            + "[B]\n" + ("| G | Em7 | Am7 D7 | Gmaj7 |\n").repeat(250);

    /** The eight bars again and again. */
    static String of(int bars) {
        return "Title: Long\nKey: E♭\nTempo: 96\n"
                + ("| E♭ | B♭7/D Cm7 | A♭maj7 | E♭/G Gdim7 |\n| Fm7 | B♭9 B♭7/A♭ | E♭/G C7 | Fm7 B♭7 |\n")
                        .repeat(bars / 8);
    }

    /** The eight bars with a melody that goes down into the left hand and up again. */
    static String withTune(int bars) {
        return "Title: Long\nKey: E♭\nTempo: 96\n"
                + ("| E♭ | B♭7/D Cm7 | A♭maj7 | E♭/G Gdim7 |\nMelody: | g4 e2 B2 | F4 G4 | C4 E,4 | G4 z4 |\n"
                                + "| Fm7 | B♭9 B♭7/A♭ | E♭/G C7 | Fm7 B♭7 |\nMelody: | A,6 C2 | D4 F4 | G4 =E4 | F4 "
                                + "z4 |\n")
                        .repeat(bars / 8);
    }

    private LongChart() {}
}
