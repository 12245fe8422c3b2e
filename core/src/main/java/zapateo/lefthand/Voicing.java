package zapateo.lefthand;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * Which tones of a chord the hand takes together; the rows of {@code voicings.yaml}.
 *
 * @param id    stable name
 * @param name  standard term
 * @param tones roles, low to high
 */
public record Voicing(String id, String name, List<Role> tones, String spacing) {

    private static final Map<String, Voicing> ALL = readAll();

    public static List<Voicing> all() {
        return List.copyOf(ALL.values());
    }

    public static Optional<Voicing> named(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    private static Map<String, Voicing> readAll() {
        YamlFields file = Resources.yaml("voicings.yaml");
        Map<String, Voicing> all = new LinkedHashMap<>();
        file.names().forEach(id -> {
            YamlFields fields = file.fields(id).allow(Set.of("name", "tones", "spacing"));
            List<Role> tones = fields.value("tones", text -> Arrays.stream(text.split("\\+")).map(Role::parse).toList());
            all.put(id, new Voicing(id, fields.text("name"), tones, fields.text("spacing")));
        });
        return all;
    }
}
