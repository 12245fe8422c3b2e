package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.arrangements.Sieve;
import zapateo.server.figures.Figures;
import zapateo.server.players.Player;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartParser;

/** Keeps songs. Every save keeps all the states before it; a stale one changes nothing. */
@Service
public class Songs {

    /** What a song's first arrangement is called. */
    private static final String FIRST = "alone";

    private final SongMapper mapper;
    private final Versions versions;
    private final Figures figures;
    private final Sieve sieve;

    Songs(SongMapper mapper, Versions versions, Figures figures, Sieve sieve) {
        this.mapper = mapper;
        this.versions = versions;
        this.figures = figures;
        this.sieve = sieve;
    }

    List<SongRow> all(Player player) {
        return mapper.all(player.id());
    }

    /** What they are called, in the order of the repertoire. */
    public Map<UUID, String> titles(Player player) {
        Map<UUID, String> titles = new LinkedHashMap<>();
        mapper.lines(player.id()).forEach(line -> titles.put(line.id(), line.title()));
        return titles;
    }

    /** As the repertoire lists them; a chart is read only where it was not summed up yet. */
    List<LineRow> lines(Player player) {
        return mapper.lines(player.id()).stream()
                .map(line -> {
                    if (line.summary() != null && line.summary().isOfToday()) {
                        return line;
                    }
                    Summary summary = Summary.of(mapper.chart(line.id()));
                    mapper.sumUp(line.id(), line.version(), summary);
                    return new LineRow(
                            line.id(), line.title(), line.figure(), summary, line.version(), line.updatedAt());
                })
                .toList();
    }

    SongRow get(Player player, UUID id) {
        return mapper.find(player.id(), id).orElseThrow(() -> Refusal.notFound("The song " + id));
    }

    /** A song for those who play from it; empty where it was taken out of the repertoire. */
    public Optional<SongView> found(Player player, UUID id) {
        return mapper.find(player.id(), id)
                .map(song -> SongView.of(song, Map.of(), choices -> sieve.sift(player, choices)));
    }

    /** A song as it is shown. */
    SongView view(Player player, SongRow song) {
        return SongView.of(song, changedFigures(player, song), choices -> sieve.sift(player, choices));
    }

    /** What of a song's choices can be played. */
    ChoicesRequest playable(Player player, SongRow song) {
        return sieve.sift(player, song.choices().choices()).choices();
    }

    @Transactional
    SongRow create(Player player, SongRequest request) {
        OffsetDateTime now = now();
        UUID id = request.arrangementId() == null ? UUID.randomUUID() : request.arrangementId();
        SongRow song = new SongRow(
                UUID.randomUUID(),
                player.id(),
                title(request),
                request.chart(),
                stored(player, choices(player, request)),
                id,
                arrangement(request, FIRST),
                others(player, request, new StoredArrangement.Others(List.of())),
                1,
                now,
                now);
        mapper.insert(song, Summary.of(song.chart()));
        versions.keep(song);
        return song;
    }

    @Transactional
    SongRow change(Player player, UUID id, SongRequest request) {
        if (request.version() == null) {
            throw Refusal.unusable("version: expected the version that was loaded");
        }
        SongRow present = get(player, id);
        UUID open = request.arrangementId() == null ? present.arrangementId() : request.arrangementId();
        SongRow next = new SongRow(
                id,
                player.id(),
                title(request),
                request.chart(),
                stored(player, choices(player, request)),
                open,
                arrangement(request, present.arrangement()),
                others(player, request, present.others()),
                request.version() + 1,
                present.createdAt(),
                now());
        if (mapper.update(next, Summary.of(request.chart())) == 0) {
            throw Refusal.stale(request.version(), get(player, id).version());
        }
        versions.keep(next);
        return next;
    }

    private StoredChoices stored(Player player, ChoicesRequest choices) {
        return new StoredChoices(choices, figures.hashes(player, choices.figures()));
    }

    /** The figures of one's own that say something else now than when the song was kept, with what they said. */
    Map<String, UUID> changedFigures(Player player, SongRow song) {
        Map<String, UUID> changed = new TreeMap<>(song.choices().ownFigures());
        Map<String, UUID> now = changed.isEmpty() ? Map.of() : figures.hashes(player, changed.keySet());
        changed.entrySet().removeIf(then -> then.getValue().equals(now.get(then.getKey())));
        return changed;
    }

    /** @param before only states before this one */
    List<VersionRow> versions(Player player, UUID id, int before, int most) {
        return versions.thinned(get(player, id).id(), before, most, now());
    }

    Versions.State version(Player player, UUID id, int version) {
        return versions.state(get(player, id).id(), version);
    }

    /** @param name null takes its name away */
    @Transactional
    void nameVersion(Player player, UUID id, int version, String name) {
        versions.name(get(player, id).id(), version, name);
    }

    @Transactional
    void delete(Player player, UUID id) {
        if (mapper.delete(player.id(), id, now()) == 0) {
            throw Refusal.notFound("The song " + id);
        }
    }

    @Transactional
    SongRow restore(Player player, UUID id) {
        mapper.restore(player.id(), id);
        return get(player, id);
    }

    private ChoicesRequest choices(Player player, SongRequest request) {
        return request.choices() == null ? ChoicesRequest.NONE : checked(player, request.choices(), "choices.");
    }

    private ChoicesRequest checked(Player player, ChoicesRequest choices, String path) {
        return choices.checked(path, named -> figures.bookFor(player, named));
    }

    private static String arrangement(SongRequest request, String present) {
        return request.arrangement() == null ? present : request.arrangement().strip();
    }

    /** Names are told apart by their letters, small or large. One that comes without its id is known by its name. */
    private StoredArrangement.Others others(Player player, SongRequest request, StoredArrangement.Others present) {
        if (request.others() == null) {
            return present;
        }
        Set<String> names = new HashSet<>();
        names.add(arrangement(request, "").toLowerCase(Locale.ROOT));
        Map<String, UUID> ids = new HashMap<>();
        present.all().forEach(each -> ids.put(each.name(), each.id()));
        return new StoredArrangement.Others(request.others().stream()
                .map(other -> {
                    if (!names.add(other.name().strip().toLowerCase(Locale.ROOT))) {
                        throw Refusal.unusable("arrangement \"" + other.name() + "\": expected each name once");
                    }
                    checked(player, other.choices(), "others." + other.name() + ".choices.");
                    UUID id = Stream.of(other.id(), ids.get(other.name()))
                            .filter(Objects::nonNull)
                            .findFirst()
                            .orElseGet(UUID::randomUUID);
                    return new StoredArrangement(id, other.name(), stored(player, other.choices()));
                })
                .toList());
    }

    private static String title(SongRequest request) {
        if (request.title() != null && !request.title().isBlank()) {
            return request.title().strip();
        }
        String title = ChartParser.parse(request.chart()).title();
        return title.length() <= SongRequest.LONGEST_TITLE ? title : title.substring(0, SongRequest.LONGEST_TITLE);
    }

    private static OffsetDateTime now() {
        return OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MILLIS);
    }
}
