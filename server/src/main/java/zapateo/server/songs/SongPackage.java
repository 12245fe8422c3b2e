package zapateo.server.songs;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Everything of a song in one file: a zip of its chart as text, MusicXML and MIDI for other programs, and a JSON of
 * what else there is of it (docs/PACKAGE.md). Only the chart and the JSON are read back.
 *
 * @param title of the song
 * @param chart as it was typed
 * @param open the arrangement that is open
 * @param others the song's other arrangements, in their order
 * @param figures files of the player's own figures that these name, by their ids
 */
record SongPackage(String title, String chart, Named open, List<Named> others, Map<String, String> figures) {

    /** Which shape the JSON has; those before it are read too ({@link BroughtSong}). */
    static final int FORMAT = 1;

    static final String SONG = "song.json";
    static final String CHART = "chart.txt";

    SongPackage {
        others = List.copyOf(others);
        figures = new TreeMap<>(figures);
    }

    /** An arrangement by its name. */
    record Named(String name, StoredChoices choices) {}

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
        return StoredChoices.asSent(json, arrangement.choices.choices()).put("name", arrangement.name);
    }
}
