package zapateo.server.arrangements;

import com.github.benmanes.caffeine.cache.Caffeine;
import org.springframework.cache.caffeine.CaffeineCacheManager;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import zapateo.arrangement.Arrangement;

/**
 * How much of what was computed is held: by strokes, of which a song of 64 bars has some hundred, each about a kilobyte
 * with what explains it.
 */
@Configuration
class ComputedConfig {

    private static final int MOST_STROKES = 30_000;
    private static final int MOST_TOLD_STROKES = 60_000;
    private static final int MOST_LETTERS = 200_000;
    private static final int MOST_WAYS = 2_000;
    private static final int MOST_LENGTHS = 5_000;
    /** What the rest of an arrangement weighs, its bars and what explains it. */
    private static final int BARE = 20;

    @Bean
    CaffeineCacheManager caches() {
        CaffeineCacheManager manager = new CaffeineCacheManager();
        manager.registerCustomCache(
                Computed.READINGS,
                Caffeine.newBuilder()
                        .maximumWeight(MOST_LETTERS)
                        .weigher((Object chart, Object reading) -> BARE + ((String) chart).length())
                        .build());
        manager.registerCustomCache(
                Computed.ARRANGEMENTS,
                Caffeine.newBuilder()
                        .maximumWeight(MOST_STROKES)
                        .weigher((Object key, Object value) -> BARE
                                + ((Arrangement) value).left().strokes().size()
                                + ((Arrangement) value).right().strokes().size())
                        .build());
        manager.registerCustomCache(
                Computed.VIEWS,
                Caffeine.newBuilder()
                        .maximumWeight(MOST_TOLD_STROKES)
                        .weigher((Object key, Object value) ->
                                BARE + ((ArrangementView) value).strokes().size())
                        .build());
        manager.registerCustomCache(
                Computed.WAYS, Caffeine.newBuilder().maximumSize(MOST_WAYS).build());
        manager.registerCustomCache(
                Computed.LENGTHS,
                Caffeine.newBuilder().maximumSize(MOST_LENGTHS).build());
        return manager;
    }
}
