package zapateo.colour;

import zapateo.song.Song;
import zapateo.song.ToneFit;

/**
 * What of a melody is against the chords under it.
 *
 * @param clashes notes that clash, or should not be held
 * @param rubs notes of a beat or more that lie a semitone over a tone of the chord, whatever they resolve to
 */
record Against(int clashes, int rubs) {

    private static final int CLASH = 1_000;
    static final Against NOTHING = new Against(0, 0);

    static Against of(Song song, int from, int to) {
        int clashes = 0;
        int rubs = 0;
        for (ToneFit.Heard heard : ToneFit.of(song, from, to)) {
            clashes += clashes(heard) ? 1 : 0;
            rubs += rubs(song, heard) ? 1 : 0;
        }
        return new Against(clashes, rubs);
    }

    /** Each bar's, a clash for more than any number of rubs. */
    static int[] byBar(Song song) {
        int[] bars = new int[song.bars().size()];
        ToneFit.of(song).forEach(heard -> bars[heard.bar()] += clashes(heard) ? CLASH : rubs(song, heard) ? 1 : 0);
        return bars;
    }

    private static boolean clashes(ToneFit.Heard heard) {
        return heard.kind() == ToneFit.Kind.CLASH || heard.avoid();
    }

    private static boolean rubs(Song song, ToneFit.Heard heard) {
        return !clashes(heard)
                && heard.kind() != ToneFit.Kind.CHORD_TONE
                && heard.against().isPresent()
                && heard.ticks() >= song.bars().get(heard.bar()).meter().beatTicks();
    }

    boolean isMoreThan(Against other) {
        return clashes > other.clashes || clashes + rubs > other.clashes + other.rubs;
    }
}
