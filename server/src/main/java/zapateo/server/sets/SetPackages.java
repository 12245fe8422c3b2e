package zapateo.server.sets;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.server.players.Player;
import zapateo.server.problems.LeftOut;
import zapateo.server.problems.ProblemDocuments;
import zapateo.server.problems.Refusal;
import zapateo.server.songs.Packages;
import zapateo.server.songs.SongView;
import zapateo.server.songs.Songs;
import zapateo.server.songs.Zips;
import zapateo.server.work.Works;

/** Evenings on their way to another Zapateo and back: the order as JSON, and each song's own package beside it. */
@Service
public class SetPackages {

    private static final int FORMAT = 1;
    private static final String SET = "set.json";
    private static final int MOST_ENTRIES = 250;

    private final Sets sets;
    private final Songs songs;
    private final Packages packages;
    private final Validator validator;
    private final Works works;
    private final JsonMapper json;

    SetPackages(Sets sets, Songs songs, Packages packages, Validator validator, Works works, JsonMapper json) {
        this.sets = sets;
        this.songs = songs;
        this.packages = packages;
        this.validator = validator;
        this.works = works;
        this.json = json;
    }

    /** All of one moment: what is deleted or saved meanwhile changes nothing of it. */
    @Transactional(isolation = Isolation.REPEATABLE_READ)
    byte[] of(Player player, SetRow set) {
        int songs = (int) set.items().all().stream()
                .filter(item -> !item.isBreak())
                .map(SetItem::song)
                .distinct()
                .count();
        Map<UUID, String> names = new LinkedHashMap<>();
        Map<String, byte[]> entries = new LinkedHashMap<>();
        ObjectNode order = order(
                player,
                set,
                song -> names.computeIfAbsent(song.id(), id -> {
                    String name = String.format("songs/%02d %s.zip", names.size() + 1, Packages.fileName(song.title()));
                    works.isAt(entries.size(), songs);
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
        ObjectNode order = json.createObjectNode()
                .put("set", FORMAT)
                .put("title", set.title())
                .put("place", set.place());
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
                song.others().stream()
                        .filter(each -> each.id().equals(item.arrangement()))
                        .findFirst()
                        .ifPresent(each -> written.put("arrangement", each.name()));
            }
            items.add(written);
        }
        return order;
    }

    /** The orders of all evenings, each song by its entry. */
    public List<ObjectNode> orders(Player player, Map<UUID, String> files) {
        return sets.all(player).stream()
                .map(each -> order(player, sets.get(player, each.id()), song -> files.get(song.id())))
                .toList();
    }

    /**
     * An evening that was read and held against the rules of what is saved.
     *
     * @param leftOut what may not be kept of it
     */
    public record Ready(SetRequest set, LeftOut leftOut) {}

    /**
     * Songs come in as new ones, in their order; what may not be saved is left out and told.
     *
     * @throws Refusal where the file cannot be read or is not whole, naming the place and what was expected
     */
    @Transactional
    SetView bring(Player player, byte[] file) {
        // Pages that were added for paper are left aside.
        Map<String, byte[]> entries =
                Zips.read(file, "the file", MOST_ENTRIES, name -> name.equals(SET) || name.endsWith(".zip"));
        if (!entries.containsKey(SET)) {
            throw Refusal.unusable("the file has no " + SET
                    + ": expected an evening as it was taken away; a single song is brought in from the repertoire");
        }
        LeftOut leftOut = new LeftOut();
        Map<String, SongView> brought = new LinkedHashMap<>();
        try {
            Ready ready = ready(
                    json.readTree(entries.get(SET)),
                    name -> Optional.ofNullable(entries.get(name))
                            .map(song -> brought.computeIfAbsent(name, key -> {
                                Packages.Ready each = packages.ready(player, song, name);
                                leftOut.addAll(name + ": ", each.leftOut());
                                return packages.keep(player, each);
                            })));
            if (ready.set().items().isEmpty() && !ready.leftOut().told().isEmpty()) {
                throw Refusal.unusable(SET + ", " + ready.leftOut().told().get(0));
            }
            leftOut.addAll("", ready.leftOut());
            return sets.view(player, keep(player, ready)).leavingOut(leftOut.told());
        } catch (JacksonException e) {
            throw Refusal.unusable(SET + ": " + e.getOriginalMessage());
        }
    }

    /** Within what the caller keeps together. */
    public SetRow keep(Player player, Ready ready) {
        return sets.create(player, ready.set());
    }

    /**
     * An evening of a written order.
     *
     * @param files the song of each entry, empty where there is none
     * @throws Refusal naming the place and what was expected
     */
    public Ready ready(JsonNode order, Function<String, Optional<SongView>> files) {
        int format = order.path("set").asInt(0);
        if (format < 1) {
            throw Refusal.unusable(SET + ", set: expected the number of its format, 1 to " + FORMAT);
        }
        if (format > FORMAT) {
            throw Refusal.newer("An evening of format " + format + ": this Zapateo reads up to " + FORMAT + ".");
        }
        LeftOut leftOut = new LeftOut();
        List<SetItem> items = new ArrayList<>();
        JsonNode written = order.path("items");
        for (int i = 0; i < written.size(); i++) {
            if (items.size() == SetRequest.MOST_ITEMS) {
                leftOut.add("items: " + (written.size() - i) + " of " + written.size() + ", expected at most "
                        + SetRequest.MOST_ITEMS);
                break;
            }
            item(written.get(i), "items[" + i + "]", files, leftOut).ifPresent(items::add);
        }
        return new Ready(
                new SetRequest(
                        text(order, "title", leftOut), day(order, leftOut), text(order, "place", leftOut), items, null),
                leftOut);
    }

    private Optional<SetItem> item(
            JsonNode written, String path, Function<String, Optional<SongView>> files, LeftOut leftOut) {
        if (!(written.deepCopy() instanceof ObjectNode item)) {
            leftOut.add(path + ": expected a song or a break");
            return Optional.empty();
        }
        String name = item.path("file").asString("");
        String arrangement = item.path("arrangement").asString("");
        item.remove(List.of("file", "arrangement", "song"));
        SetItem read = read(item, path, leftOut);
        if (name.isEmpty()) {
            if (read.minutes() == null) {
                leftOut.add(path + ": expected a song, or the minutes of a break");
                return Optional.empty();
            }
            return Optional.of(read);
        }
        SongView kept = files.apply(name)
                .orElseThrow(() ->
                        Refusal.unusable(SET + ": " + name + " is not in the file: expected each song beside " + SET));
        UUID id = kept.others().stream()
                .filter(other -> other.name().equals(arrangement))
                .findFirst()
                .map(other -> other.id())
                .orElse(null);
        return Optional.of(new SetItem(
                kept.id(), id, read.semitones(), read.tempo(), read.minutes(), read.note(), read.remark(), read.who()));
    }

    /** What of an item may be kept: what is wrong with one of its fields is told, the field is left out. */
    private SetItem read(ObjectNode item, String path, LeftOut leftOut) {
        ObjectNode stays = json.createObjectNode();
        item.properties().forEach(each -> {
            try {
                SetItem alone =
                        json.treeToValue(json.createObjectNode().set(each.getKey(), each.getValue()), SetItem.class);
                Set<ConstraintViolation<SetItem>> wrong = validator.validate(alone);
                if (wrong.isEmpty()) {
                    stays.set(each.getKey(), each.getValue());
                } else {
                    leftOut.add(path + "." + each.getKey() + ": "
                            + wrong.iterator().next().getMessage());
                }
            } catch (JacksonException unread) {
                leftOut.add(path + ": " + ProblemDocuments.describe(unread));
            }
        });
        return json.treeToValue(stays, SetItem.class);
    }

    private static String text(JsonNode order, String field, LeftOut leftOut) {
        String text = order.path(field).asString("").replace("\u0000", "");
        if (text.length() <= SetRequest.LONGEST_TEXT) {
            return text;
        }
        leftOut.add(
                field + ": what comes after " + SetRequest.LONGEST_TEXT + " of its " + text.length() + " characters");
        return text.substring(0, SetRequest.LONGEST_TEXT);
    }

    private LocalDate day(JsonNode order, LeftOut leftOut) {
        String day = order.path("playedOn").asString("");
        try {
            LocalDate read = day.isEmpty() ? null : LocalDate.parse(day);
            if (validator.validateValue(SetRequest.class, "playedOn", read).isEmpty()) {
                return read;
            }
        } catch (DateTimeException unread) {
            // Told below.
        }
        leftOut.add("playedOn \"" + day + "\": expected a day such as 2027-01-09");
        return null;
    }
}
