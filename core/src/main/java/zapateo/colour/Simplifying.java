package zapateo.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/**
 * A song said with chords one knows.
 *
 * @param changes in the order of the chart
 * @param left chords nothing known comes near, each once
 */
public record Simplifying(List<Change> changes, List<ChordSymbol> left) {

    /**
     * @param bar place of the written bar, from 0
     * @param number as the chart counts it
     * @param chord place in the bar, from 0
     */
    public record Change(int bar, int number, int chord, ChordSymbol from, Simplifier.Change change) {}

    public static Simplifying of(Song song, Simplifier simplifier) {
        List<Change> changes = new ArrayList<>();
        List<ChordSymbol> left = new ArrayList<>();
        List<WrittenBar> bars = song.writtenBars();
        for (int bar = 0; bar < bars.size(); bar++) {
            for (int chord = 0; chord < bars.get(bar).chords().size(); chord++) {
                Optional<ChordSymbol> symbol = bars.get(bar).chords().get(chord).chord();
                Optional<Simplifier.Change> change = symbol.flatMap(simplifier::of);
                if (change.isPresent()) {
                    changes.add(new Change(bar, bars.get(bar).number(), chord, symbol.get(), change.get()));
                } else {
                    symbol.filter(each -> !simplifier.knows(each) && !left.contains(each))
                            .ifPresent(left::add);
                }
            }
        }
        return new Simplifying(changes, left);
    }
}
