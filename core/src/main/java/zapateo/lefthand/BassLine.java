package zapateo.lefthand;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.names.Names;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * What the basses of a figure do; the rows of {@code bass-lines.yaml}.
 *
 * @param id stable name
 * @param name standard term
 * @param use one line: what it does
 * @param roles taken in turn by the strokes of a figure's bass
 * @param basses which tone of each chord lies lowest
 */
public record BassLine(String id, String name, String use, List<Role> roles, Basses basses) {

    /** How the lowest tone of a chord is found. */
    public enum Basses {
        /** The chart's. */
        OWN,
        /** The chart's, in the octave that keeps the hand where it is. */
        HAND,
        /** An inversion where the chart leaves it open. */
        INVERSIONS,
        /** One note of the key held under all. */
        PEDAL
    }

    private static final Map<String, BassLine> ALL = readAll();

    public static List<BassLine> all() {
        return List.copyOf(ALL.values());
    }

    public static Optional<BassLine> named(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    public boolean walks() {
        return roles.contains(Role.WALK);
    }

    private static Map<String, BassLine> readAll() {
        YamlFields file = DataFile.yaml("lefthand/bass-lines.yaml");
        Map<String, BassLine> all = new LinkedHashMap<>();
        file.names().forEach(id -> {
            YamlFields fields = file.fields(id).allow(Set.of("name", "use", "roles", "basses"));
            all.put(
                    id,
                    new BassLine(
                            id,
                            fields.text("name"),
                            fields.text("use"),
                            fields.list("roles", Role::parse),
                            fields.value("basses", BassLine::basses)));
        });
        return all;
    }

    private static Basses basses(String name) {
        return Names.find(Basses.class, name)
                .orElseThrow(() -> new Refused("basses \"" + name + "\": expected own, hand, inversions or pedal"));
    }
}
