package zapateo.server.songs;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zapateo.server.problems.Refusal;

/**
 * A song as its file has it (docs/PACKAGE.md), read as JSON and not yet held against the rules of what is saved.
 *
 * @param chart as it was typed
 * @param open the arrangement that is open
 * @param others the song's other arrangements, in their order
 * @param figures files of the player's own figures that these name, by their ids
 */
record BroughtSong(String title, String chart, Named open, List<Named> others, Map<String, String> figures) {

    private static final byte[] ZIP = {'P', 'K', 3, 4};
    private static final int MOST_ENTRIES = 50;

    BroughtSong {
        others = List.copyOf(others);
        figures = new TreeMap<>(figures);
    }

    /** An arrangement by its name, with its choices as they stand there. */
    record Named(String name, JsonNode choices) {}

    /**
     * Empty where a file is none.
     *
     * @throws Refusal where it is one that cannot be read, naming the place and what was expected
     */
    static Optional<BroughtSong> read(JsonMapper json, byte[] file) {
        if (file.length < ZIP.length || !Arrays.equals(file, 0, ZIP.length, ZIP, 0, ZIP.length)) {
            return Optional.empty();
        }
        Map<String, byte[]> entries =
                Zips.read(file, "a package", MOST_ENTRIES, Set.of(SongPackage.SONG, SongPackage.CHART)::contains);
        if (!entries.containsKey(SongPackage.SONG)) {
            return Optional.empty();
        }
        if (!entries.containsKey(SongPackage.CHART)) {
            throw Refusal.unusable("the package has no " + SongPackage.CHART + ": expected the song's chart beside "
                    + SongPackage.SONG);
        }
        try {
            JsonNode song = json.readTree(entries.get(SongPackage.SONG));
            int format = song.path("package").asInt(0);
            if (format < 1) {
                throw Refusal.unusable(
                        SongPackage.SONG + ", package: expected the number of its format, 1 to " + SongPackage.FORMAT);
            }
            if (format > SongPackage.FORMAT) {
                throw Refusal.newer(
                        "A package of format " + format + ": this Zapateo reads up to " + SongPackage.FORMAT + ".");
            }
            List<Named> others = new ArrayList<>();
            song.path("others").forEach(each -> others.add(named(each)));
            Map<String, String> figures = new TreeMap<>();
            song.path("figures")
                    .properties()
                    .forEach(each -> figures.put(each.getKey(), each.getValue().asString("")));
            return Optional.of(new BroughtSong(
                    song.path("title").asString(""),
                    new String(entries.get(SongPackage.CHART), StandardCharsets.UTF_8),
                    named(song.path("arrangement")),
                    others,
                    figures));
        } catch (JacksonException e) {
            throw Refusal.unusable(SongPackage.SONG + ": " + e.getOriginalMessage());
        }
    }

    private static Named named(JsonNode node) {
        // Before choices had a number they stood beside the name.
        return new Named(
                node.path("name").asString("alone"),
                StoredChoices.choicesOf(node.has("format") ? node : node.path("choices")));
    }
}
