package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.server.kept.Content;
import zapateo.server.problems.Refusal;

/**
 * Every state a song was saved in. What states say is kept once; what differs little from what was there before takes
 * little room.
 */
@Component
class Versions {

    /** So many states lean on one text; then one stands by itself again. */
    private static final int LEANING = 100;
    /** A text leans on another one only if that saves this share of its room. */
    private static final double WORTH = 0.5;

    private final VersionMapper mapper;
    private final JsonMapper json;

    Versions(VersionMapper mapper, JsonMapper json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** What a song was in a state. */
    record State(VersionRow row, String chart, StoredArrangement open, StoredArrangement.Others others) {}

    /** Keeps the state a song is in. */
    void keep(SongRow song) {
        ObjectNode arrangements = json.createObjectNode()
                .put("arrangementId", String.valueOf(song.arrangementId()))
                .put("arrangement", song.arrangement());
        arrangements.set("choices", song.choices().written(json));
        arrangements.set("others", song.others().written(json));
        UUID chart = keep(song.id(), song.chart(), mapper.lastChartAlone(song.id(), LEANING));
        UUID choices =
                keep(song.id(), json.writeValueAsString(arrangements), mapper.lastChoicesAlone(song.id(), LEANING));
        Object figure = song.choices().choices().values() == null
                ? null
                : song.choices().choices().values().get("figure");
        mapper.insert(
                song.id(),
                new VersionRow(
                        song.version(),
                        song.title(),
                        song.arrangement(),
                        figure instanceof String id ? id : null,
                        null,
                        chart,
                        choices,
                        song.updatedAt()));
    }

    private UUID keep(UUID song, String text, Optional<ContentRow> base) {
        UUID hash = Content.hash(text);
        if (base.filter(row -> row.hash().equals(hash)).isPresent()
                || mapper.content(song, hash).isPresent()) {
            return hash;
        }
        byte[] alone = Content.pack(text, Optional.empty());
        byte[] leaning = base.map(row -> Content.pack(text, Optional.of(text(song, row))))
                .orElse(alone);
        boolean leans = leaning.length < WORTH * alone.length;
        mapper.keep(
                song, new ContentRow(hash, leans ? base.orElseThrow().hash() : null, leans ? leaning : alone, null));
        return hash;
    }

    List<VersionRow> thinned(UUID song, int before, int most, OffsetDateTime now) {
        return mapper.thinned(song, before, most, now);
    }

    State state(UUID song, int version) {
        VersionRow row =
                mapper.find(song, version).orElseThrow(() -> Refusal.notFound("The state " + version + " of the song"));
        JsonNode arrangements = json.readTree(text(song, row.choicesHash()));
        UUID id = arrangements.has("arrangementId")
                ? UUID.fromString(arrangements.path("arrangementId").asString())
                : null;
        return new State(
                row,
                text(song, row.chartHash()),
                new StoredArrangement(
                        id,
                        arrangements.path("arrangement").asString(),
                        StoredChoices.read(json, arrangements.path("choices"))),
                StoredArrangement.Others.read(json, arrangements.path("others")));
    }

    void name(UUID song, int version, String name) {
        if (mapper.name(song, version, name) == 0) {
            throw Refusal.notFound("The state " + version + " of the song");
        }
    }

    private String text(UUID song, UUID hash) {
        return text(
                song,
                mapper.content(song, hash)
                        .orElseThrow(
                                () -> new IllegalStateException("text " + hash + " of song " + song + " is not kept")));
    }

    private String text(UUID song, ContentRow row) {
        return row.plain() != null
                ? row.plain()
                : Content.unpack(row.packed(), Optional.ofNullable(row.base()).map(base -> text(song, base)));
    }
}
