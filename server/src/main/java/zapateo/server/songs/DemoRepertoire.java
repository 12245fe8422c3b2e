package zapateo.server.songs;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;
import zapateo.arrangement.Preset;
import zapateo.colour.ColourStyle;
import zapateo.colour.WholeSong;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.players.Player;
import zapateo.song.ChartParser;

/** The lounge pianist's set aboard the night ferry Aurora, loaded once into a new database. */
@Component
@Order(1)
class DemoRepertoire implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(DemoRepertoire.class);
    private static final String FIGURE_LINE = "// figure: ";
    private static final String RIGHT_LINE = "// right: ";
    private static final String COLOUR_LINE = "// colour: ";
    private static final Map<String, String> OCCASIONS = Map.of("singer", "with a singer", "band", "with the band");

    private final SongMapper mapper;
    private final Songs songs;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final boolean wanted;

    DemoRepertoire(
            SongMapper mapper,
            Songs songs,
            TransactionTemplate transaction,
            JsonMapper json,
            @Value("${zapateo.demo}") boolean wanted) {
        this.mapper = mapper;
        this.songs = songs;
        this.transaction = transaction;
        this.json = json;
        this.wanted = wanted;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        Resource[] charts = new PathMatchingResourcePatternResolver().getResources("classpath:demo/*.txt");
        transaction.executeWithoutResult(status -> {
            // Decided once, at the first start: one that began empty stays so.
            if (mapper.reach("demo repertoire") == 1 && wanted) {
                for (Resource chart : charts) {
                    load(chart);
                }
                LOG.info("loaded {} demo songs", charts.length);
            }
        });
    }

    /** The same song for other occasions, as the presets have it. */
    private static List<NamedChoices> others(String chart) {
        return ChartParser.parse(chart)
                .song()
                .map(song -> Preset.all().stream()
                        .filter(preset -> OCCASIONS.containsKey(preset.id()))
                        .map(preset -> new NamedChoices(
                                null, OCCASIONS.get(preset.id()), ChoicesRequest.of(preset.options(song))))
                        .toList())
                .orElse(List.of());
    }

    private static Optional<String> said(String text, String line) {
        return text.lines()
                .filter(each -> each.startsWith(line))
                .findFirst()
                .map(each -> each.substring(line.length()).strip());
    }

    /** @param said a style and an amount, as in {@code gospel 2} */
    private static List<ChoicesRequest.ColourRequest> colours(String chart, String said) {
        String[] words = said.split(" ");
        return ChartParser.parse(chart)
                .song()
                .map(song -> WholeSong.of(song, ColourStyle.of(words[0]), Integer.parseInt(words[1]), 0))
                .orElse(List.of())
                .stream()
                .map(ChoicesRequest.ColourRequest::of)
                .toList();
    }

    private void load(Resource resource) {
        try {
            String text = resource.getContentAsString(StandardCharsets.UTF_8);
            String figure = said(text, FIGURE_LINE).orElseThrow();
            String right = said(text, RIGHT_LINE)
                    .map(choices -> ", \"right\": " + choices)
                    .orElse("");
            String kept = "{\"figure\": \"" + figure + "\"" + right + "}";
            String chart = text.lines()
                    .filter(line ->
                            Stream.of(FIGURE_LINE, RIGHT_LINE, COLOUR_LINE).noneMatch(line::startsWith))
                    .reduce("", (all, line) -> all + line + "\n");
            ChoicesRequest choices = json.readValue(kept, ChoicesRequest.class)
                    .colours(said(text, COLOUR_LINE)
                            .map(colour -> colours(chart, colour))
                            .orElse(List.of()));
            songs.create(Player.ONLY, new SongRequest(null, chart, choices, null, "alone", others(chart), null));
        } catch (IOException e) {
            throw new IllegalStateException("the demo chart " + resource.getFilename() + " cannot be read", e);
        }
    }
}
