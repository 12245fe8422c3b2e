package zapateo.lefthand;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * What the roles of a figure or a voicing become over a bass that is not the root (HANDBOOK §5a); the tables of
 * {@code spacings.yaml}.
 *
 * @param roles by case, one role for another
 * @param broken by case, the rungs of a broken chord from the bass up
 * @param states whether broken figures state the chord
 * @param growls whether close pairs low down are its sound
 * @param window keys a broken figure's left hand lies between
 * @param highest key of a bass under close chords
 */
public record Spacing(
        Map<String, Map<Role, Role>> roles,
        Map<String, List<Role>> broken,
        boolean states,
        boolean growls,
        Optional<Window> window,
        int highest) {

    /** From the lowest key to the highest. */
    record Window(int lowest, int highest) {

        /** By how many keys something lies outside. */
        int outside(int low, int high) {
            return Math.max(0, lowest - low) + Math.max(0, high - highest);
        }
    }

    private static final int FIFTH = 7;
    private static final int MINOR_SEVENTH = 10;
    private static final int C2 = 36;
    private static final int G2 = 43;
    private static final int B2 = 47;
    private static final int HIGHEST_KEY = 127;
    private static final YamlFields FILE = DataFile.yaml("lefthand/spacings.yaml");
    private static final Map<List<Role>, Map<String, List<Role>>> TOGETHER = readTogether();
    private static final Map<String, Spacing> ALL = readAll();

    public static List<String> names() {
        return ALL.keySet().stream().sorted().toList();
    }

    static Spacing named(String name) {
        Spacing found = ALL.get(name);
        if (found == null) {
            throw new Refused("spacing \"" + name + "\": expected one of " + String.join(", ", names()));
        }
        return found;
    }

    /** What roles struck together, or one alone, become. */
    List<Role> on(ChordSymbol chord, Pitch bass, List<Role> struck) {
        List<String> places = places(chord, bass);
        Map<Role, Role> others = first(roles, places).orElse(Map.of());
        if (struck.stream().anyMatch(others::containsKey)) {
            List<Role> mapped =
                    struck.stream().map(role -> others.getOrDefault(role, role)).toList();
            // A role that nothing was said of may still stand in the table of what is struck at once.
            if (!mapped.equals(struck)) {
                return mapped;
            }
        }
        return first(TOGETHER.getOrDefault(struck, Map.of()), places).orElse(struck);
    }

    /**
     * The rungs of a broken chord, the bass first, the last one for all that is higher; none where the chord stands on
     * its root.
     */
    List<Role> rungs(ChordSymbol chord, Pitch bass) {
        return first(broken, places(chord, bass)).orElse(List.of());
    }

    /** What is said of the first case that anything is said of. */
    private static <T> Optional<T> first(Map<String, T> table, List<String> places) {
        for (String place : places) {
            T said = table.get(place);
            if (said != null) {
                return Optional.of(said);
            }
        }
        return Optional.empty();
    }

    /** What the bass is in its chord, the narrowest case first; of a chord in root position, what kind it is. */
    private static List<String> places(ChordSymbol chord, Pitch bass) {
        if (chord.over().isEmpty() || chord.bass().chroma() == chord.root().chroma()) {
            boolean flat = chord.quality()
                    .tone(5)
                    .filter(fifth -> fifth.semitones() < FIFTH)
                    .isPresent();
            boolean diminished = flat && chord.quality().isMinor();
            return Stream.of(
                            flat && bass.midi() < C2 ? "low-flat-fifth" : "",
                            flat && bass.midi() < B2 ? "flat-fifth" : "",
                            !diminished ? "" : chord.quality().has(7, MINOR_SEVENTH) ? "half-diminished" : "diminished",
                            flat ? "" : kind(chord))
                    .filter(each -> !each.isEmpty())
                    .toList();
        }
        String degree = chord.bassDegree()
                .map(Spacing::ofTone)
                .orElseGet(() -> ofStranger(
                        Math.floorMod(chord.bass().chroma() - chord.root().chroma(), Pitch.OCTAVE)));
        boolean fifth = degree.equals("fifth");
        boolean lowest = bass.midi() < C2;
        return Stream.of(
                        fifth && lowest ? "lowest-fifth" : "",
                        lowest || fifth && bass.midi() < G2 ? "low-" + degree : "",
                        degree)
                .filter(each -> !each.isEmpty())
                .toList();
    }

    private static String kind(ChordSymbol chord) {
        return chord.quality().isDominant()
                ? "dominant"
                : chord.quality().tone(7).isPresent()
                        ? "seventh-chord"
                        : chord.quality().isMinor() ? "minor" : "";
    }

    private static String ofTone(int degree) {
        return switch (degree) {
            case 3 -> "third";
            case 4, 11 -> "fourth";
            case 5 -> "fifth";
            case 6, 13 -> "sixth";
            case 7 -> "seventh";
            default -> "second";
        };
    }

    private static String ofStranger(int semitones) {
        return switch (semitones) {
            case 2 -> "second";
            case 5 -> "fourth";
            case 9 -> "sixth";
            case 10, 11 -> "seventh";
            default -> "strange";
        };
    }

    private static Map<List<Role>, Map<String, List<Role>>> readTogether() {
        Map<List<Role>, Map<String, List<Role>>> all = new HashMap<>();
        YamlFields fields = FILE.fields("together");
        fields.names().forEach(struck -> {
            Map<String, List<Role>> cases = new HashMap<>();
            fields.texts(struck).forEach((place, becomes) -> cases.put(place, joined(becomes)));
            all.put(fields.name(struck, Spacing::joined), cases);
        });
        return all;
    }

    private static List<Role> joined(String roles) {
        return Arrays.stream(roles.split("\\+")).map(Role::parse).toList();
    }

    private static Map<String, Spacing> readAll() {
        Map<String, Spacing> all = new HashMap<>();
        YamlFields file = FILE.fields("spacings");
        file.names().forEach(name -> all.put(name, read(file.fields(name))));
        return all;
    }

    private static Spacing read(YamlFields fields) {
        Map<String, Map<Role, Role>> roles = new HashMap<>();
        Map<String, List<Role>> broken = new HashMap<>();
        cases(fields, "roles").forEach(place -> {
            Map<Role, Role> others = new HashMap<>();
            fields.fields("roles").texts(place).forEach((from, to) -> others.put(Role.parse(from), Role.parse(to)));
            roles.put(place, others);
        });
        cases(fields, "broken")
                .forEach(place -> broken.put(place, fields.fields("broken").list(place, Role::parse)));
        return new Spacing(
                roles,
                broken,
                fields.has("states"),
                fields.has("growls"),
                fields.has("lowest")
                        ? Optional.of(new Window(key(fields, "lowest", 0), key(fields, "highest", HIGHEST_KEY)))
                        : Optional.empty(),
                key(fields, "bass", HIGHEST_KEY));
    }

    private static Stream<String> cases(YamlFields fields, String name) {
        return fields.has(name) ? fields.fields(name).names().stream() : Stream.empty();
    }

    private static int key(YamlFields fields, String name, int otherwise) {
        return fields.has(name) ? fields.value(name, Pitch::parse).midi() : otherwise;
    }
}
