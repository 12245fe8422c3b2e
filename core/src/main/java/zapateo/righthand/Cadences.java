package zapateo.righthand;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import zapateo.pitch.Pitch;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * Where the dominant at a section's end and the chord it goes to begin, and the song's last chord where that is at
 * home.
 */
final class Cadences {

    private static final int FIFTH = 7;

    private Cadences() {}

    /** Ticks from the song's start. */
    static Set<Integer> of(Song song) {
        Set<Integer> ticks = new HashSet<>();
        List<Song.Placed> all =
                song.chords().filter(place -> place.chord().isPresent()).toList();
        int from = 0;
        for (Section section : song.sections()) {
            int end = section.bars().get(section.bars().size() - 1).end();
            int to = from;
            while (to < all.size() && all.get(to).tick() < end) {
                to++;
            }
            List<Song.Placed> own = all.subList(from, to);
            from = to;
            for (int i = own.size() - 1; i > 0; i--) {
                if (own.get(i).bar().index()
                                >= section.bars().get(section.bars().size() - 1).index() - 1
                        && isDominant(own.get(i - 1), own.get(i))) {
                    ticks.add(own.get(i - 1).tick());
                    ticks.add(own.get(i).tick());
                    break;
                }
            }
        }
        all.stream()
                .reduce((one, other) -> other)
                .filter(last -> last.chord().orElseThrow().root().chroma()
                        == song.key().tonic().chroma())
                .ifPresent(last -> ticks.add(last.tick()));
        return ticks;
    }

    private static boolean isDominant(Song.Placed one, Song.Placed other) {
        return one.chord().orElseThrow().quality().isMajor()
                && Math.floorMod(
                                one.chord().get().root().chroma()
                                        - other.chord().orElseThrow().root().chroma(),
                                Pitch.OCTAVE)
                        == FIFTH;
    }
}
