package zapateo.lefthand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * What the numbered roles of a figure or a voicing become over a slash bass or on a seventh; the tables of
 * {@code spacings.yaml}.
 */
public record Spacing(Map<String, Map<Role, Role>> byCase) {

    private static final Map<String, Spacing> ALL = readAll();

    public static List<String> names() {
        return ALL.keySet().stream().sorted().toList();
    }

    static Spacing named(String name) {
        if (!ALL.containsKey(name)) {
            throw new Refused("spacing \"" + name + "\": expected one of " + String.join(", ", names()));
        }
        return ALL.get(name);
    }

    Role on(ChordSymbol chord, Role role) {
        return casesOf(chord).filter(byCase::containsKey).findFirst().map(name -> byCase.get(name).getOrDefault(role, role)).orElse(role);
    }

    private static Stream<String> casesOf(ChordSymbol chord) {
        if (chord.over().isEmpty()) {
            boolean seventh = chord.quality().tone(7).isPresent();
            return Stream.of(chord.quality().isDominant() ? "dominant" : seventh ? "seventh-chord" : chord.quality().isMinor() ? "minor" : "");
        }
        return Stream.of(chord.bassDegree().map(degree -> switch (degree) {
            case 2, 3, 4 -> "third";
            case 5 -> "fifth";
            case 6, 7 -> "seventh";
            default -> "other";
        }).orElseGet(() -> Math.floorMod(chord.bass().chroma() - chord.root().chroma(), 12) >= 9 ? "seventh" : "other"));
    }

    private static Map<String, Spacing> readAll() {
        YamlFields file = DataFile.yaml("lefthand/spacings.yaml");
        Map<String, Spacing> all = new HashMap<>();
        file.names().forEach(name -> {
            Map<String, Map<Role, Role>> cases = new HashMap<>();
            YamlFields fields = file.fields(name);
            fields.names().forEach(each -> {
                Map<Role, Role> roles = new HashMap<>();
                fields.texts(each).forEach((from, to) -> roles.put(Role.parse(from), Role.parse(to)));
                cases.put(each, roles);
            });
            all.put(name, new Spacing(cases));
        });
        return all;
    }
}
