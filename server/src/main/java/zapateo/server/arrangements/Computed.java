package zapateo.server.arrangements;

import java.util.List;
import java.util.function.Supplier;
import org.springframework.cache.annotation.Cacheable;
import org.springframework.stereotype.Component;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.hand.Pianist;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;

/**
 * What comes of the same content is computed once, as long as there is room: the page, its staff, the reasons, the levels and the files are all asked of one arrangement. Nothing of a person is in a
 * key but hand and instrument.
 */
@Component
class Computed {

    static final String READINGS = "readings";
    static final String ARRANGEMENTS = "arrangements";
    static final String VIEWS = "views";
    static final String WAYS = "ways";

    /** @param figures the texts of those that do not ship */
    record Key(String chart, Choices choices, List<String> figures, Pianist pianist) {
    }

    /** @param waiting how many choices wait for bars that are gone, which is told */
    record ViewKey(Key arrangement, boolean withParts, int waiting) {
    }

    @Cacheable(cacheNames = READINGS, key = "#chart", sync = true)
    public ChartReading reading(String chart) {
        return ChartParser.parse(chart);
    }

    @Cacheable(cacheNames = ARRANGEMENTS, key = "#key", sync = true)
    public Arrangement arrangement(Key key, Supplier<Arrangement> made) {
        return made.get();
    }

    @Cacheable(cacheNames = VIEWS, key = "#key", sync = true)
    public ArrangementView view(ViewKey key, Supplier<ArrangementView> made) {
        return made.get();
    }

    /** @param key of choices without levels, the left hand's alone */
    @Cacheable(cacheNames = WAYS, key = "#key", sync = true)
    public List<Integer> ways(Key key, Supplier<List<Integer>> made) {
        return made.get();
    }
}
