package zapateo.server.sets;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.server.players.Player;
import zapateo.server.problems.Refusal;
import zapateo.server.songs.Packages;
import zapateo.server.songs.SongView;
import zapateo.server.songs.Songs;
import zapateo.server.songs.Zips;

/** Evenings on their way to another Zapateo and back: the order as JSON, and each song's own package beside it. */
@Service
public class SetPackages {

    private static final int FORMAT = 1;
    private static final String SET = "set.json";
    private static final int MOST_ENTRIES = 250;

    private final Sets sets;
    private final Songs songs;
    private final Packages packages;
    private final JsonMapper json;

    SetPackages(Sets sets, Songs songs, Packages packages, JsonMapper json) {
        this.sets = sets;
        this.songs = songs;
        this.packages = packages;
        this.json = json;
    }

    byte[] of(Player player, SetRow set) {
        Map<UUID, String> names = new LinkedHashMap<>();
        Map<String, byte[]> entries = new LinkedHashMap<>();
        ObjectNode order = order(player, set, song -> names.computeIfAbsent(song.id(), id -> {
            String name = String.format("songs/%02d %s.zip", names.size() + 1, Packages.fileName(song.title()));
            entries.put(name, packages.of(player, song.id()));
            return name;
        }));
        Map<String, byte[]> all = new LinkedHashMap<>();
        all.put(SET, json.writerWithDefaultPrettyPrinter().writeValueAsBytes(order));
        all.putAll(entries);
        return Zips.of(all);
    }

    /**
     * The order of an evening; songs that are gone are left out of it.
     *
     * @param files the entry of each song
     */
    private ObjectNode order(Player player, SetRow set, Function<SongView, String> files) {
        ObjectNode order = json.createObjectNode().put("set", FORMAT).put("title", set.title()).put("place", set.place());
        if (set.playedOn() != null) {
            order.put("playedOn", set.playedOn().toString());
        }
        var items = order.putArray("items");
        for (SetItem item : set.items().all()) {
            ObjectNode written = json.valueToTree(item);
            written.remove("song");
            written.remove("arrangement");
            if (!item.isBreak()) {
                SongView song = songs.found(player, item.song()).orElse(null);
                if (song == null) {
                    continue;
                }
                written.put("file", files.apply(song));
                song.others().stream().filter(each -> each.id().equals(item.arrangement())).findFirst().ifPresent(each -> written.put("arrangement", each.name()));
            }
            items.add(written);
        }
        return order;
    }

    /** The orders of all evenings, each song by its entry. */
    public List<ObjectNode> orders(Player player, Map<UUID, String> files) {
        return sets.all(player).stream().map(each -> order(player, sets.get(player, each.id()), song -> files.get(song.id()))).toList();
    }

    /**
     * Songs come in as new ones, in their order; nothing is kept where one of them cannot be read.
     *
     * @throws Refusal naming the place and what was expected
     */
    @Transactional
    SetRow bring(Player player, byte[] file) {
        // Pages that were added for paper are left aside.
        Map<String, byte[]> entries = Zips.read(file, "the file", MOST_ENTRIES, name -> name.equals(SET) || name.endsWith(".zip"));
        if (!entries.containsKey(SET)) {
            throw Refusal.unusable("the file has no " + SET + ": expected an evening as it was taken away; a single song is brought in from the repertoire");
        }
        Map<String, SongView> brought = new LinkedHashMap<>();
        try {
            return keep(player, json.readTree(entries.get(SET)), name -> Optional.ofNullable(entries.get(name)).map(song -> brought.computeIfAbsent(name, key -> packages.bring(player, song, name))));
        } catch (JacksonException e) {
            throw Refusal.unusable(SET + ": " + e.getOriginalMessage());
        }
    }

    /**
     * An evening of a written order.
     *
     * @param files the song of each entry, empty where there is none
     * @throws Refusal naming the place and what was expected
     */
    public SetRow keep(Player player, JsonNode order, Function<String, Optional<SongView>> files) {
        int format = order.path("set").asInt(0);
        if (format < 1) {
            throw Refusal.unusable(SET + ", set: expected the number of its format, 1 to " + FORMAT);
        }
        if (format > FORMAT) {
            throw Refusal.newer("An evening of format " + format + ": this Zapateo reads up to " + FORMAT + ".");
        }
        try {
            List<SetItem> items = new ArrayList<>();
            for (JsonNode each : order.path("items")) {
                ObjectNode item = (ObjectNode) each.deepCopy();
                String name = item.path("file").asString("");
                String arrangement = item.path("arrangement").asString("");
                item.remove(List.of("file", "arrangement"));
                SetItem read = json.treeToValue(item, SetItem.class);
                if (name.isEmpty()) {
                    items.add(read);
                    continue;
                }
                SongView kept = files.apply(name).orElseThrow(() -> Refusal.unusable(SET + ": " + name + " is not in the file: expected each song beside " + SET));
                UUID id = kept.others().stream().filter(other -> other.name().equals(arrangement)).findFirst().map(other -> other.id()).orElse(null);
                items.add(new SetItem(kept.id(), id, read.semitones(), read.tempo(), read.minutes(), read.note(), read.remark(), read.who()));
            }
            String day = order.path("playedOn").asString("");
            return sets.create(player, new SetRequest(order.path("title").asString(""), day.isEmpty() ? null : LocalDate.parse(day), order.path("place").asString(""), items, null));
        } catch (JacksonException | ClassCastException | DateTimeException e) {
            throw Refusal.unusable(SET + ": " + (e instanceof JacksonException wrong ? wrong.getOriginalMessage() : e.getMessage()));
        }
    }
}
