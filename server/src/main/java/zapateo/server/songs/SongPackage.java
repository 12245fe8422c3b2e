package zapateo.server.songs;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.server.problems.Refusal;

/**
 * Everything of a song in one file: a zip of its chart as text, MusicXML and MIDI for other programs, and a JSON of what else there is of it (docs/PACKAGE.md). Only the chart and the JSON are read back.
 *
 * @param title   of the song
 * @param chart   as it was typed
 * @param open    the arrangement that is open
 * @param others  the song's other arrangements, in their order
 * @param figures files of the player's own figures that these name, by their ids
 */
record SongPackage(String title, String chart, Named open, List<Named> others, Map<String, String> figures) {

    /** Which shape the JSON has; those before it are read too. */
    private static final int FORMAT = 1;
    private static final String SONG = "song.json";
    private static final String CHART = "chart.txt";
    private static final byte[] ZIP = {'P', 'K', 3, 4};
    private static final int MOST_ENTRIES = 50;

    SongPackage {
        others = List.copyOf(others);
        figures = new TreeMap<>(figures);
    }

    /** An arrangement by its name. */
    record Named(String name, StoredChoices choices) {
    }

    /** @param more files for other programs, by their names */
    byte[] written(JsonMapper json, Map<String, byte[]> more) {
        ObjectNode song = json.createObjectNode().put("package", FORMAT).put("title", title);
        song.set("arrangement", written(json, open));
        var all = song.putArray("others");
        others.forEach(each -> all.add(written(json, each)));
        song.set("figures", json.valueToTree(figures));
        Map<String, byte[]> entries = new LinkedHashMap<>();
        entries.put(CHART, chart.getBytes(StandardCharsets.UTF_8));
        entries.put(SONG, json.writerWithDefaultPrettyPrinter().writeValueAsBytes(song));
        entries.putAll(more);
        return Zips.of(entries);
    }

    /** What its own figures say goes along in full, so that their hashes here mean nothing elsewhere. */
    private static ObjectNode written(JsonMapper json, Named arrangement) {
        return new StoredChoices(arrangement.choices.choices(), Map.of()).written(json).put("name", arrangement.name);
    }

    /**
     * Empty where a file is none.
     *
     * @throws Refusal where it is one that cannot be read, naming the place and what was expected
     */
    static Optional<SongPackage> read(JsonMapper json, byte[] file) {
        if (file.length < ZIP.length || !Arrays.equals(file, 0, ZIP.length, ZIP, 0, ZIP.length)) {
            return Optional.empty();
        }
        Map<String, byte[]> entries = Zips.read(file, "a package", MOST_ENTRIES, Set.of(SONG, CHART)::contains);
        if (!entries.containsKey(SONG)) {
            return Optional.empty();
        }
        if (!entries.containsKey(CHART)) {
            throw Refusal.unusable("the package has no " + CHART + ": expected the song's chart beside " + SONG);
        }
        try {
            JsonNode song = json.readTree(entries.get(SONG));
            if (song.path("package").asInt() < 1) {
                throw Refusal.unusable(SONG + ", package: expected the number of its format, 1 to " + FORMAT);
            }
            if (song.path("package").asInt() > FORMAT) {
                throw Refusal.newer("A package of format " + song.path("package").asInt() + ": this Zapateo reads up to " + FORMAT + ".");
            }
            List<Named> others = new ArrayList<>();
            song.path("others").forEach(each -> others.add(named(json, each)));
            Map<String, String> figures = new TreeMap<>();
            song.path("figures").properties().forEach(each -> figures.put(each.getKey(), each.getValue().asString()));
            return Optional.of(new SongPackage(song.path("title").asString(""), new String(entries.get(CHART), StandardCharsets.UTF_8), named(json, song.path("arrangement")), others, figures));
        } catch (JacksonException e) {
            throw Refusal.unusable(SONG + ": " + e.getOriginalMessage());
        }
    }

    private static Named named(JsonMapper json, JsonNode node) {
        // Before choices had a number they stood beside the name.
        JsonNode choices = node.has("format") ? node : node.path("choices");
        return new Named(node.path("name").asString("alone"), StoredChoices.read(json, choices.isMissingNode() ? null : choices));
    }
}
