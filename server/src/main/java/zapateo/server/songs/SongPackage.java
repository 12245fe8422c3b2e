package zapateo.server.songs;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
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
    private static final int MOST_BYTES = 4 << 20;
    /** The same song is the same file, whenever it is made. */
    private static final LocalDateTime TIMELESS = LocalDateTime.of(1980, 1, 1, 0, 0);

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
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> each : entries.entrySet()) {
                ZipEntry entry = new ZipEntry(each.getKey());
                entry.setTimeLocal(TIMELESS);
                zip.putNextEntry(entry);
                zip.write(each.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
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
        Map<String, String> entries = entries(file);
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
            return Optional.of(new SongPackage(song.path("title").asString(""), entries.get(CHART), named(json, song.path("arrangement")), others, figures));
        } catch (JacksonException e) {
            throw Refusal.unusable(SONG + ": " + e.getOriginalMessage());
        }
    }

    private static Named named(JsonMapper json, JsonNode node) {
        // Before choices had a number they stood beside the name.
        JsonNode choices = node.has("format") ? node : node.path("choices");
        return new Named(node.path("name").asString("alone"), StoredChoices.read(json, choices.isMissingNode() ? null : choices));
    }

    /** The texts in it that are read; never more than a song could have. */
    private static Map<String, String> entries(byte[] file) {
        Map<String, String> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file), StandardCharsets.UTF_8)) {
            int count = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (++count > MOST_ENTRIES) {
                    throw Refusal.unusable("a package of more than " + MOST_ENTRIES + " files: expected fewer");
                }
                if (entry.getName().equals(SONG) || entry.getName().equals(CHART)) {
                    byte[] content = zip.readNBytes(MOST_BYTES + 1);
                    if (content.length > MOST_BYTES) {
                        throw Refusal.unusable(entry.getName() + " of more than " + (MOST_BYTES >> 20) + " MiB: expected less");
                    }
                    entries.put(entry.getName(), new String(content, StandardCharsets.UTF_8));
                }
            }
        } catch (ZipException e) {
            return Map.of();
        } catch (IOException | IllegalArgumentException e) {
            throw Refusal.unusable("the package cannot be unpacked: " + e.getMessage());
        }
        return entries;
    }
}
