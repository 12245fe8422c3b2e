package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Song;

/**
 * A chord in its bar from a tick of the song to another.
 *
 * @param leftTop the highest key the left hand has down while it sounds
 * @param doubles whether its third is the key's leading tone and the left hand has it already
 * @param justLeft keys the left hand has had in the beat before
 */
record Standing(Bar bar, int tick, int end, ChordSymbol chord, int leftTop, boolean doubles, Set<Integer> justLeft) {
    static List<Standing> of(Song song, RightChoices choices, LeftTop tops, Set<Integer> cadences) {
        List<Standing> standing = new ArrayList<>();
        for (Bar bar : song.bars()) {
            for (ChordSpan span : bar.chords()) {
                int from = bar.tick() + span.tick();
                int to = bar.tick() + span.end();
                Optional<ChordSymbol> other = choices.shapes() == RightChoices.Shapes.TURN && !cadences.contains(from)
                        ? Turn.of(bar, span)
                                .filter(chord -> !Turn.leadsToMinor(span, song.chordAt(to))
                                        && !tops.rubs(chord, Turn.middle(bar, span), to))
                        : Optional.empty();
                int parted = other.isPresent() ? Turn.middle(bar, span) : to;
                span.chord()
                        .ifPresent(chord -> standing.add(new Standing(
                                bar,
                                from,
                                parted,
                                other.isPresent() ? Turn.plain(chord) : chord,
                                tops.over(from, parted),
                                tops.hasLeadingTone(chord, bar.key(), from, parted),
                                tops.left(from - bar.meter().beatTicks(), from))));
                other.ifPresent(chord ->
                        standing.add(new Standing(bar, parted, to, chord, tops.over(parted, to), false, Set.of())));
            }
        }
        return standing;
    }
}
