package zapateo.song;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;

/**
 * A song: its heading and its sections, at least one bar in all.
 *
 * @param key      as written, or the likeliest one
 * @param keyGiven whether the chart names it
 */
public record Song(String title, Key key, boolean keyGiven, Meter meter, Tempo tempo, Feel feel, List<Section> sections) {

    public static final String UNTITLED = "Untitled";
    public static final int MOST_BARS = 2_000;

    public Song {
        sections = List.copyOf(sections);
        if (sections.stream().allMatch(section -> section.bars().isEmpty())) {
            throw new IllegalArgumentException("song \"" + title + "\" has no bars: expected one at least");
        }
    }

    public List<Bar> bars() {
        return sections.stream().flatMap(section -> section.bars().stream()).toList();
    }

    public int ticks() {
        List<Bar> bars = bars();
        return bars.get(bars.size() - 1).end();
    }

    /** Every chord with the bar it stands in, silences too. */
    public Stream<Placed> chords() {
        return bars().stream().flatMap(bar -> bar.chords().stream().map(span -> new Placed(bar, span)));
    }

    /** A chord in its bar. */
    public record Placed(Bar bar, ChordSpan span) {

        /** Ticks from the start of the song. */
        public int tick() {
            return bar.tick() + span.tick();
        }

        public boolean fillsBar() {
            return span.ticks() == bar.ticks();
        }

        public Optional<ChordSymbol> chord() {
            return span.chord();
        }
    }
}
