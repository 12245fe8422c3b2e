package zapateo.colour;

import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Transposition;

/**
 * A colour that is kept at a place of the song.
 *
 * @param bar as numbered in the chart
 * @param pass which time it is played; open is every time
 * @param tick from the bar line
 * @param over the chords it stands over, as they are written; where others stand it rests
 * @param variant of the rule
 */
public record KeptColour(int bar, Optional<Integer> pass, int tick, List<String> over, String rule, String variant) {

    public KeptColour {
        over = List.copyOf(over);
    }

    /** For the song in another key. */
    public KeptColour moved(Transposition way) {
        return new KeptColour(
                bar,
                pass,
                tick,
                over.stream()
                        .map(symbol -> ChordSymbol.read(symbol)
                                .map(way::of)
                                .map(ChordSymbol::toString)
                                .orElse(symbol))
                        .toList(),
                rule,
                variant);
    }

    /** Whether it is one for a bar as it is played. */
    boolean isFor(ColourPlace place) {
        return place.bar().number() == bar
                && pass.filter(each -> each != place.bar().pass()).isEmpty()
                && place.tick() - place.bar().tick() == tick;
    }
}
