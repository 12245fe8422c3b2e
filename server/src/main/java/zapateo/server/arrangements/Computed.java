package zapateo.server.arrangements;

import com.github.benmanes.caffeine.cache.Cache;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.cache.caffeine.CaffeineCache;
import org.springframework.cache.caffeine.CaffeineCacheManager;
import org.springframework.stereotype.Component;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.hand.Pianist;
import zapateo.server.work.Works;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;

/**
 * What comes of the same content is computed once, as long as there is room: the page, its staff, the reasons, the
 * levels and the files are all asked of one arrangement. Nothing of a person is in a key but hand and instrument.
 */
@Component
class Computed {

    static final String READINGS = "readings";
    static final String ARRANGEMENTS = "arrangements";
    static final String VIEWS = "views";
    static final String WAYS = "ways";
    static final String LENGTHS = "lengths";

    /** @param figures the texts of those that do not ship */
    record Key(String chart, Choices choices, List<String> figures, Pianist pianist) {}

    /** @param waiting how many choices wait for bars that are gone, which is told */
    record ViewKey(Key arrangement, boolean withParts, int waiting) {}

    private final CaffeineCacheManager caches;
    private final Works works;

    Computed(CaffeineCacheManager caches, Works works) {
        this.caches = caches;
        this.works = works;
    }

    ChartReading reading(String chart) {
        return computed(READINGS, chart, () -> ChartParser.parse(chart));
    }

    Arrangement arrangement(Key key, Supplier<Arrangement> made) {
        return computed(ARRANGEMENTS, key, made);
    }

    ArrangementView view(ViewKey key, Supplier<ArrangementView> made) {
        return computed(VIEWS, key, made);
    }

    /** @param key of choices without levels, the left hand's alone */
    List<Integer> ways(Key key, Supplier<List<Integer>> made) {
        return computed(WAYS, key, made);
    }

    /** @param content the hash of a chart and its choices */
    Arranging.Length length(UUID content, Supplier<Arranging.Length> made) {
        return computed(LENGTHS, content, made);
    }

    /**
     * What is there is answered at once; what is not takes a place among those that compute. Who asks for what somebody
     * else computes at the moment waits for that.
     */
    @SuppressWarnings("unchecked")
    private <T> T computed(String name, Object key, Supplier<T> made) {
        Cache<Object, Object> cache = ((CaffeineCache) caches.getCache(name)).getNativeCache();
        Object there = cache.getIfPresent(key);
        if (there == null) {
            works.enter();
            there = cache.get(key, absent -> made.get());
        }
        return (T) there;
    }
}
