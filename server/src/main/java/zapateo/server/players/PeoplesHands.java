package zapateo.server.players;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import zapateo.hand.Pianist;
import zapateo.server.problems.Refusal;

/** The hands that are kept, of which one pair is in use. */
@Service
public class PeoplesHands {

    private static final int MOST = 100;

    private final HandsMapper mapper;

    PeoplesHands(HandsMapper mapper) {
        this.mapper = mapper;
    }

    /** Who plays: the pair in use, or a usual one. */
    public Pianist pianist(Player player) {
        return mapper.inUse(player.id()).map(row -> row.measures().pianist()).orElse(Pianist.USUAL);
    }

    public List<HandsRow> all(Player player) {
        return mapper.all(player.id());
    }

    /** Kept and taken into use at once. */
    @Transactional
    HandsRow keep(Player player, String name, Measures measures) {
        HandsRow row = row(player, name, measures, true);
        mapper.putAside(player.id());
        mapper.insert(row);
        return row;
    }

    /** Kept beside those there are, and in use only where none is. */
    @Transactional
    public void add(Player player, String name, Measures measures) {
        mapper.insert(row(player, name, measures, mapper.inUse(player.id()).isEmpty()));
    }

    private HandsRow row(Player player, String name, Measures measures, boolean inUse) {
        if (mapper.all(player.id()).size() >= MOST) {
            throw Refusal.unusable("hands: " + MOST + " are kept already; delete one first");
        }
        measures.pianist();
        return new HandsRow(UUID.randomUUID(), player.id(), name.strip(), measures, inUse, 1, now(), now());
    }

    @Transactional
    HandsRow change(Player player, UUID id, String name, Measures measures, Integer version) {
        HandsRow present = get(player, id);
        measures.pianist();
        if (version == null) {
            throw Refusal.unusable("version: expected the one that was loaded");
        }
        if (mapper.update(player.id(), id, version, name.strip(), measures, now()) == 0) {
            throw Refusal.stale(version, present.version());
        }
        return get(player, id);
    }

    @Transactional
    HandsRow take(Player player, UUID id) {
        get(player, id);
        mapper.putAside(player.id());
        mapper.take(player.id(), id);
        return get(player, id);
    }

    @Transactional
    void delete(Player player, UUID id) {
        if (mapper.delete(player.id(), id, now()) == 0) {
            throw Refusal.notFound("This pair of hands");
        }
    }

    private HandsRow get(Player player, UUID id) {
        return mapper.find(player.id(), id).orElseThrow(() -> Refusal.notFound("This pair of hands"));
    }

    private static OffsetDateTime now() {
        return OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MICROS);
    }
}
