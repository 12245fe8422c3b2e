package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.lefthand.LeftChoice;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.YamlFields;
import zapateo.song.Song;

/**
 * Several choices at once; the rows of {@code presets.yaml}.
 *
 * @param id stable name
 * @param name as a player says it
 * @param use one line: when to take it
 * @param figure by metre, else by feel
 * @param set the other choices
 */
public record Preset(String id, String name, String use, Map<String, String> figure, Options set) {

    private static final List<Preset> ALL = readAll();

    public static List<Preset> all() {
        return ALL;
    }

    public static Optional<Preset> named(String id) {
        return ALL.stream().filter(preset -> preset.id().equals(id)).findFirst();
    }

    /** What it sets for a song. */
    public Options options(Song song) {
        String id = figure.getOrDefault(
                song.meter().toString(), figure.get(song.feel().id()));
        return set.over(Options.OPEN.with(LeftChoice.FIGURE, id));
    }

    /** Choices by their names, as the data files have them; there {@code yes} and {@code no} are words. */
    static Options optionsOf(Map<String, String> set) {
        Map<String, Object> written = new HashMap<>();
        set.forEach((name, value) ->
                written.put(name, value.equals("yes") || value.equals("no") ? (Object) value.equals("yes") : value));
        return Options.read(SongChoice.in(Choice.Place.SECTION), "", written);
    }

    private static List<Preset> readAll() {
        YamlFields file = DataFile.yaml("arrangement/presets.yaml");
        List<Preset> all = new ArrayList<>();
        file.names().forEach(id -> {
            YamlFields fields = file.fields(id).allow(Set.of("name", "use", "figure", "set"));
            all.add(new Preset(
                    id,
                    fields.text("name"),
                    fields.text("use"),
                    fields.texts("figure"),
                    optionsOf(fields.texts("set"))));
        });
        return List.copyOf(all);
    }
}
