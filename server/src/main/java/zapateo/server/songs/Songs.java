package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.players.Player;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** Keeps songs. Every save keeps all the states before it; a stale one changes nothing. */
@Service
class Songs {

    /** What a song's first arrangement is called. */
    private static final String FIRST = "alone";

    private final SongMapper mapper;

    Songs(SongMapper mapper) {
        this.mapper = mapper;
    }

    List<SongRow> all(Player player) {
        return mapper.all(player.id());
    }

    /** As the repertoire lists them; a chart is read only where it was not summed up yet. */
    List<LineRow> lines(Player player) {
        return mapper.lines(player.id()).stream().map(line -> {
            if (line.summary() != null && line.summary().isOfToday()) {
                return line;
            }
            Summary summary = Summary.of(mapper.chart(line.id()));
            mapper.sumUp(line.id(), line.version(), summary);
            return new LineRow(line.id(), line.title(), line.figure(), summary, line.version(), line.updatedAt());
        }).toList();
    }

    SongRow get(Player player, UUID id) {
        return mapper.find(player.id(), id).orElseThrow(() -> Refusal.notFound("The song " + id));
    }

    @Transactional
    SongRow create(Player player, SongRequest request) {
        OffsetDateTime now = now();
        SongRow song = new SongRow(UUID.randomUUID(), player.id(), title(request), request.chart(), choices(request), arrangement(request, FIRST), others(request, OtherArrangements.NONE), 1, now, now);
        mapper.insert(song, Summary.of(song.chart()));
        mapper.keepVersion(song.id());
        return song;
    }

    @Transactional
    SongRow change(Player player, UUID id, SongRequest request) {
        if (request.version() == null) {
            throw Refusal.unusable("version: expected the version that was loaded");
        }
        SongRow present = get(player, id);
        String arrangement = arrangement(request, present.arrangement());
        if (mapper.update(player.id(), id, request.version(), title(request), request.chart(), choices(request), arrangement, others(request, present.others()), Summary.of(request.chart()), now()) == 0) {
            throw Refusal.stale(request.version(), get(player, id).version());
        }
        mapper.keepVersion(id);
        return get(player, id);
    }

    List<VersionRow> versions(Player player, UUID id) {
        return mapper.versions(get(player, id).id());
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

    private static ChoicesRequest choices(SongRequest request) {
        return request.choices() == null ? ChoicesRequest.NONE : request.choices().checked("choices.");
    }

    private static String arrangement(SongRequest request, String present) {
        return request.arrangement() == null ? present : request.arrangement().strip();
    }

    /** Names are told apart by their letters, small or large. */
    private static OtherArrangements others(SongRequest request, OtherArrangements present) {
        if (request.others() == null) {
            return present;
        }
        Set<String> names = new HashSet<>();
        names.add(arrangement(request, "").toLowerCase(Locale.ROOT));
        request.others().forEach(other -> {
            if (!names.add(other.name().strip().toLowerCase(Locale.ROOT))) {
                throw Refusal.unusable("arrangement \"" + other.name() + "\": expected each name once");
            }
            other.choices().checked("others." + other.name() + ".choices.");
        });
        return new OtherArrangements(request.others());
    }

    private static String title(SongRequest request) {
        if (request.title() != null && !request.title().isBlank()) {
            return request.title().strip();
        }
        return ChartParser.parse(request.chart()).song().map(Song::title).orElse(Song.UNTITLED);
    }

    private static OffsetDateTime now() {
        return OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MILLIS);
    }
}
