package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import zapateo.hand.TooWide;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Register;
import zapateo.rhythm.YamlFields;
import zapateo.song.Song;

/**
 * Several choices at once; the rows of {@code presets.yaml}.
 *
 * @param id     stable name
 * @param name   as a player says it
 * @param use    one line: when to take it
 * @param figure by metre, else by feel
 * @param set    the other choices by their name
 */
public record Preset(String id, String name, String use, Map<String, String> figure, Map<String, String> set) {

    private static final Set<String> CHOICES = Set.of("voicing", "bassLine", "leadIn", "register", "tenths", "variations", "withBassPlayer");
    private static final List<Preset> ALL = readAll();

    public static List<Preset> all() {
        return ALL;
    }

    public static Optional<Preset> named(String id) {
        return ALL.stream().filter(preset -> preset.id().equals(id)).findFirst();
    }

    /** What it sets for a song. */
    public Options options(Song song) {
        String id = figure.getOrDefault(song.meter().toString(), figure.get(song.feel().id()));
        return optionsOf(set).over(Options.OPEN.figure(id));
    }

    /** Choices by their names, as the data files have them. */
    static Options optionsOf(Map<String, String> set) {
        Function<String, Optional<String>> value = choice -> Optional.ofNullable(set.get(choice));
        return new Options(Optional.empty(), value.apply("voicing"), value.apply("register").map(name -> Register.valueOf(name.toUpperCase(java.util.Locale.ROOT))), value.apply("bassLine"),
                value.apply("leadIn"), value.apply("tenths").map(name -> TooWide.named(name).orElseThrow()), value.apply("variations").map("yes"::equals),
                value.apply("withBassPlayer").map("yes"::equals), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    private static List<Preset> readAll() {
        YamlFields file = DataFile.yaml("arrangement/presets.yaml");
        List<Preset> all = new ArrayList<>();
        file.names().forEach(id -> {
            YamlFields fields = file.fields(id).allow(Set.of("name", "use", "figure", "set"));
            fields.fields("set").allow(CHOICES);
            all.add(new Preset(id, fields.text("name"), fields.text("use"), fields.texts("figure"), fields.texts("set")));
        });
        return List.copyOf(all);
    }
}
