package zapateo.server.keeping;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.refusal.Refused;
import zapateo.server.figures.Figures;
import zapateo.server.players.HandsController.HandsRequest;
import zapateo.server.players.HandsRow;
import zapateo.server.players.PeoplesHands;
import zapateo.server.players.Player;
import zapateo.server.problems.LeftOut;
import zapateo.server.problems.ProblemDocuments;
import zapateo.server.problems.Refusal;
import zapateo.server.sets.SetPackages;
import zapateo.server.songs.Packages;
import zapateo.server.songs.SongView;
import zapateo.server.songs.Songs;
import zapateo.server.songs.Zips;
import zapateo.server.work.Works;

/**
 * All songs, evenings, figures and hands in one file of open formats, and back: what is brought is added
 * (docs/PACKAGE.md).
 */
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
    private final Validator validator;
    private final Works works;
    private final JsonMapper json;

    Everything(
            Songs songs,
            SetPackages sets,
            Packages packages,
            Figures figures,
            PeoplesHands hands,
            Validator validator,
            Works works,
            JsonMapper json) {
        this.songs = songs;
        this.sets = sets;
        this.packages = packages;
        this.figures = figures;
        this.hands = hands;
        this.validator = validator;
        this.works = works;
        this.json = json;
    }

    /**
     * How much was added.
     *
     * @param leftOut what of the file may not be kept, a sentence each
     */
    public record Brought(int songs, int evenings, int figures, int hands, List<String> leftOut) {}

    /** All of one moment: what is deleted or saved meanwhile changes nothing of it. */
    @Transactional(isolation = Isolation.REPEATABLE_READ)
    byte[] of(Player player) {
        Map<UUID, String> names = new LinkedHashMap<>();
        songs.titles(player).entrySet().stream()
                .sorted(Map.Entry.comparingByValue())
                .forEach(each -> names.put(
                        each.getKey(),
                        String.format("songs/%03d %s.zip", names.size() + 1, Packages.fileName(each.getValue()))));
        ObjectNode about = json.createObjectNode().put("everything", FORMAT);
        about.set("songs", json.valueToTree(names.values()));
        about.set("evenings", json.valueToTree(sets.orders(player, names)));
        about.set("figures", json.valueToTree(figures.texts(player)));
        var all = about.putArray("hands");
        // The pair in use comes first, so that it is the one in use where there was none.
        hands.all(player).stream()
                .sorted(Comparator.comparing(HandsRow::inUse).reversed())
                .forEach(row ->
                        all.addObject().put("name", row.name()).set("measures", json.valueToTree(row.measures())));
        Map<String, byte[]> entries = new LinkedHashMap<>();
        entries.put(ABOUT, json.writerWithDefaultPrettyPrinter().writeValueAsBytes(about));
        names.forEach((id, name) -> {
            works.isAt(entries.size() - 1, names.size());
            entries.put(name, packages.of(player, id));
        });
        return Zips.of(entries);
    }

    /**
     * Adds what it holds. What may not be saved is left out, line by line, and told; hands of a name that is there
     * already stay as they are.
     *
     * @throws Refusal where the file cannot be read or is not whole, naming the place and what was expected
     */
    @Transactional
    Brought bring(Player player, byte[] file) {
        Map<String, byte[]> entries =
                Zips.read(file, "the file", MOST_ENTRIES, name -> name.equals(ABOUT) || name.startsWith("songs/"));
        if (!entries.containsKey(ABOUT)) {
            throw Refusal.unusable("the file has no " + ABOUT
                    + ": expected a file of \"Take everything away\"; a song or an evening is brought in "
                    + "where it is listed");
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
            LeftOut leftOut = new LeftOut();
            Map<String, SongView> brought = songs(player, about.path("songs"), entries, leftOut);
            int own = own(player, about.path("figures"), leftOut);
            int evenings = evenings(player, about.path("evenings"), brought, leftOut);
            return new Brought(
                    brought.size(), evenings, own, pairs(player, about.path("hands"), leftOut), leftOut.told());
        } catch (JacksonException e) {
            throw Refusal.unusable(ABOUT + ": " + e.getOriginalMessage());
        }
    }

    private int evenings(Player player, JsonNode orders, Map<String, SongView> brought, LeftOut leftOut) {
        int added = 0;
        for (int i = 0; i < orders.size(); i++) {
            String place = "evenings[" + i + "]";
            SetPackages.Ready ready = sets.ready(orders.get(i), name -> Optional.ofNullable(brought.get(name)));
            leftOut.addAll(place + ".", ready.leftOut());
            sets.keep(player, ready);
            added++;
        }
        return added;
    }

    /** Each once, however often it is named. */
    private Map<String, SongView> songs(Player player, JsonNode names, Map<String, byte[]> entries, LeftOut leftOut) {
        Map<String, SongView> brought = new LinkedHashMap<>();
        Set<String> again = new LinkedHashSet<>();
        for (JsonNode each : names) {
            String name = each.asString("");
            if (brought.containsKey(name)) {
                again.add(name);
                continue;
            }
            if (!entries.containsKey(name)) {
                throw Refusal.unusable(
                        ABOUT + ", songs: \"" + name + "\" is not in the file: expected each song beside " + ABOUT);
            }
            Packages.Ready ready = packages.ready(player, entries.get(name), name);
            leftOut.addAll(name + ": ", ready.leftOut());
            brought.put(name, packages.keep(player, ready));
        }
        again.forEach(name -> leftOut.add(name + ": named more than once, brought in once"));
        return brought;
    }

    private int own(Player player, JsonNode files, LeftOut leftOut) {
        Map<String, String> own = new TreeMap<>();
        files.properties().forEach(each -> {
            try {
                figures.checked(each.getValue().asString(""));
                own.put(each.getKey(), each.getValue().asString(""));
            } catch (Refusal unplayable) {
                leftOut.add("figures." + each.getKey() + ": " + unplayable.getMessage());
            }
        });
        figures.taken(player, own);
        return own.size();
    }

    private int pairs(Player player, JsonNode pairs, LeftOut leftOut) {
        int added = 0;
        for (int i = 0; i < pairs.size(); i++) {
            try {
                HandsRequest pair = json.treeToValue(pairs.get(i), HandsRequest.class);
                Set<ConstraintViolation<HandsRequest>> wrong = validator.validate(pair);
                if (!wrong.isEmpty()) {
                    ConstraintViolation<HandsRequest> first = wrong.iterator().next();
                    leftOut.add("hands[" + i + "]." + first.getPropertyPath() + ": " + first.getMessage());
                } else if (hands.all(player).stream()
                        .noneMatch(row -> row.name().equals(pair.name()))) {
                    hands.add(player, pair.name(), pair.measures());
                    added++;
                }
            } catch (JacksonException unread) {
                leftOut.add("hands[" + i + "]: " + ProblemDocuments.describe(unread));
            } catch (Refused unusable) {
                leftOut.add("hands[" + i + "]: " + unusable.getMessage());
            }
        }
        return added;
    }
}
