package zapateo.server.keeping;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.server.figures.Figures;
import zapateo.server.players.HandsRow;
import zapateo.server.players.Measures;
import zapateo.server.players.PeoplesHands;
import zapateo.server.players.Player;
import zapateo.server.problems.Refusal;
import zapateo.server.sets.SetPackages;
import zapateo.server.songs.Packages;
import zapateo.server.songs.SongView;
import zapateo.server.songs.Songs;
import zapateo.server.songs.Zips;

/** All songs, evenings, figures and hands in one file of open formats, and back: what is brought is added (docs/PACKAGE.md). */
@Service
public class Everything {

    private static final int FORMAT = 1;
    private static final String ABOUT = "everything.json";
    private static final int MOST_ENTRIES = 5000;

    private final Songs songs;
    private final SetPackages sets;
    private final Packages packages;
    private final Figures figures;
    private final PeoplesHands hands;
    private final JsonMapper json;

    Everything(Songs songs, SetPackages sets, Packages packages, Figures figures, PeoplesHands hands, JsonMapper json) {
        this.songs = songs;
        this.sets = sets;
        this.packages = packages;
        this.figures = figures;
        this.hands = hands;
        this.json = json;
    }

    /** How much was added. */
    public record Brought(int songs, int evenings, int figures, int hands) {
    }

    byte[] of(Player player) {
        Map<UUID, String> names = new LinkedHashMap<>();
        songs.titles(player).entrySet().stream().sorted(Map.Entry.comparingByValue())
                .forEach(each -> names.put(each.getKey(), String.format("songs/%03d %s.zip", names.size() + 1, Packages.fileName(each.getValue()))));
        ObjectNode about = json.createObjectNode().put("everything", FORMAT);
        about.set("songs", json.valueToTree(names.values()));
        about.set("evenings", json.valueToTree(sets.orders(player, names)));
        about.set("figures", json.valueToTree(figures.texts(player)));
        var all = about.putArray("hands");
        // The pair in use comes first, so that it is the one in use where there was none.
        hands.all(player).stream().sorted(Comparator.comparing(HandsRow::inUse).reversed()).forEach(row -> all.addObject().put("name", row.name()).set("measures", json.valueToTree(row.measures())));
        Map<String, byte[]> entries = new LinkedHashMap<>();
        entries.put(ABOUT, json.writerWithDefaultPrettyPrinter().writeValueAsBytes(about));
        names.forEach((id, name) -> entries.put(name, packages.of(player, id)));
        return Zips.of(entries);
    }

    /**
     * Adds all of it, or nothing where a part cannot be read; hands of a name that is there already stay as they are.
     *
     * @throws Refusal naming the place and what was expected
     */
    @Transactional
    Brought bring(Player player, byte[] file) {
        Map<String, byte[]> entries = Zips.read(file, "the file", MOST_ENTRIES, name -> name.equals(ABOUT) || name.startsWith("songs/"));
        if (!entries.containsKey(ABOUT)) {
            throw Refusal.unusable("the file has no " + ABOUT + ": expected a file of \"Take everything away\"; a song or an evening is brought in where it is listed");
        }
        try {
            JsonNode about = json.readTree(entries.get(ABOUT));
            int format = about.path("everything").asInt(0);
            if (format < 1) {
                throw Refusal.unusable(ABOUT + ", everything: expected the number of its format, 1 to " + FORMAT);
            }
            if (format > FORMAT) {
                throw Refusal.newer("A file of format " + format + ": this Zapateo reads up to " + FORMAT + ".");
            }
            Map<String, String> own = new TreeMap<>();
            about.path("figures").properties().forEach(each -> own.put(each.getKey(), each.getValue().asString("")));
            figures.taken(player, own);
            Map<String, SongView> brought = new LinkedHashMap<>();
            for (JsonNode each : about.path("songs")) {
                String name = each.asString("");
                if (!entries.containsKey(name)) {
                    throw Refusal.unusable(ABOUT + ", songs: \"" + name + "\" is not in the file: expected each song beside " + ABOUT);
                }
                brought.put(name, packages.bring(player, entries.get(name), name));
            }
            about.path("evenings").forEach(each -> sets.keep(player, each, name -> Optional.ofNullable(brought.get(name))));
            return new Brought(brought.size(), about.path("evenings").size(), own.size(), pairs(player, about.path("hands")));
        } catch (JacksonException e) {
            throw Refusal.unusable(ABOUT + ": " + e.getOriginalMessage());
        }
    }

    private int pairs(Player player, JsonNode pairs) {
        int added = 0;
        for (JsonNode each : pairs) {
            String name = each.path("name").asString("");
            if (!name.isBlank() && hands.all(player).stream().noneMatch(row -> row.name().equals(name))) {
                hands.add(player, name, json.treeToValue(each.path("measures"), Measures.class));
                added++;
            }
        }
        return added;
    }
}
