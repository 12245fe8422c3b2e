package zapateo.lefthand;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Pitch;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * Which tones of a chord the hand takes together; the rows of {@code voicings.yaml}.
 *
 * @param id stable name
 * @param name standard term
 * @param use one line: what it is for
 * @param shapes ways to lay it, each as roles low to high
 * @param dominant the same on a dominant seventh
 * @param window where it lies when it is no part of the bass's reach
 * @param chords which chords have it
 * @param states whether it says what the chord is: a tone that is missing takes the place of one that says less
 * @param then what a long stroke moves to in its second half, else empty
 * @param full whether a chord of four tones has its root again over its bass, but for a dominant
 */
public record Voicing(
        String id,
        String name,
        String use,
        List<List<Role>> shapes,
        List<List<Role>> dominant,
        String spacing,
        Window window,
        Chords chords,
        List<Role> then,
        boolean states,
        boolean full) {

    /** Keys from the lowest to the highest, and the one the middle of a chord would rather be near. */
    record Window(int lowest, int highest, double home) {}

    /** Which chords a voicing is for, and the voicing the others take. */
    record Chords(String on, Optional<String> otherwise) {

        boolean holds(ChordSymbol chord) {
            return switch (on) {
                // Over another bass the root is what tells the chord.
                case "sevenths" ->
                    chord.over().isEmpty()
                            && (chord.quality().tone(7).isPresent()
                                    || chord.quality().tone(6).isPresent());
                case "minor-sevenths" ->
                    chord.quality().has(3, 3)
                            && chord.quality().has(7, 10)
                            && chord.quality().has(5, 7);
                default -> true;
            };
        }
    }

    private static final Set<String> FIELDS = Set.of(
            "name", "use", "shapes", "dominant", "spacing", "window", "home", "on", "else", "then", "states", "full");
    private static final Map<String, Voicing> ALL = readAll();

    public static List<Voicing> all() {
        return List.copyOf(ALL.values());
    }

    public static Optional<Voicing> named(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    @Override
    public int hashCode() {
        return id.hashCode();
    }

    /** Whether its lowest tone is the chord's bass. */
    public boolean hasBass() {
        return shapes.get(0).get(0).equals(Role.BASS);
    }

    /** Itself, or what a chord takes that it is not for. */
    Voicing on(ChordSymbol chord) {
        return chords.holds(chord) ? this : ALL.get(chords.otherwise().orElseThrow());
    }

    /** The ways to lay it on a chord; those that name a tone the chord has not give way to those that do not. */
    List<List<Role>> shapesOn(ChordSymbol chord) {
        List<List<Role>> ways = chord.quality().isDominant() && !dominant.isEmpty() ? dominant : shapes;
        List<List<Role>> own = ways.stream()
                .filter(shape -> shape.stream()
                        .noneMatch(role -> (role.degree() == 7 || role.degree() == 3)
                                && role.sign() == 0
                                && chord.quality().tone(role.degree()).isEmpty()))
                .toList();
        return own.isEmpty() ? ways : own;
    }

    private static Map<String, Voicing> readAll() {
        YamlFields file = DataFile.yaml("lefthand/voicings.yaml");
        Map<String, Voicing> all = new LinkedHashMap<>();
        file.names().forEach(id -> {
            YamlFields fields = file.fields(id).allow(FIELDS);
            all.put(
                    id,
                    new Voicing(
                            id,
                            fields.text("name"),
                            fields.text("use"),
                            fields.list("shapes", Voicing::roles),
                            fields.has("dominant") ? fields.list("dominant", Voicing::roles) : List.of(),
                            fields.text("spacing"),
                            fields.has("window")
                                    ? window(fields.text("window"), fields.text("home"))
                                    : new Window(0, 0, 0),
                            new Chords(
                                    fields.has("on") ? fields.text("on") : "all",
                                    fields.has("else") ? Optional.of(fields.text("else")) : Optional.empty()),
                            fields.has("then") ? fields.value("then", Voicing::roles) : List.of(),
                            fields.has("states"),
                            fields.has("full")));
        });
        return all;
    }

    private static Window window(String range, String home) {
        String[] ends = range.split("-");
        return new Window(
                Pitch.parse(ends[0]).midi(),
                Pitch.parse(ends[1]).midi(),
                Pitch.parse(home).midi());
    }

    private static List<Role> roles(String text) {
        return Arrays.stream(text.split("\\+")).map(Role::parse).toList();
    }
}
