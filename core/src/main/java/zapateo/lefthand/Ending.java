package zapateo.lefthand;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Interval;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * How the last bar of a song that comes home is played; the rows of {@code endings.yaml}.
 *
 * @param id stable name
 * @param name standard term
 * @param use one line: what it is for
 * @param families of the figures it is the usual one for
 * @param goesOn whether the figure goes on before its first stroke
 * @param instead the one that figures take which play no close chord
 * @param adds what is said beside the chord's own tones
 */
public record Ending(
        String id,
        String name,
        String use,
        List<String> families,
        boolean goesOn,
        List<Stroke> strokes,
        Optional<String> instead,
        Optional<Added> adds) {

    /**
     * One of its strokes.
     *
     * @param beat from 0; {@link #HALF} where the second half of the bar begins
     * @param beats it lasts; 0 to the bar's end
     */
    record Stroke(List<Role> roles, boolean rolled, double beat, double beats) {

        static final double HALF = -1;

        private static final Pattern WRITTEN = Pattern.compile("(~)?([^@]+)@(h|[1-9](?:\\.5)?):([0-9](?:\\.5)?|\\*)");

        static Stroke parse(String written) {
            Matcher match = WRITTEN.matcher(written);
            if (!match.matches()) {
                throw new Refused("stroke \"" + written + "\": expected roles@beat:beats, as in 1+5+10@1:*");
            }
            return new Stroke(
                    Arrays.stream(match.group(2).split("\\+")).map(Role::parse).toList(),
                    match.group(1) != null,
                    match.group(3).equals("h") ? HALF : Double.parseDouble(match.group(3)) - 1,
                    match.group(4).equals("*") ? 0 : Double.parseDouble(match.group(4)));
        }

        /** Where it begins in a bar of so many beats. */
        double in(int beats) {
            return beat == HALF ? (beats + 1) / 2 : beat;
        }
    }

    /** A tone that goes with another the chord has. */
    record Added(int on, Interval tone) {}

    private static final Map<String, Ending> ALL = readAll();

    public static List<Ending> all() {
        return List.copyOf(ALL.values());
    }

    public static Optional<Ending> named(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    /** The usual one of a family of figures. */
    public static Ending of(String family) {
        return ALL.values().stream()
                .filter(each -> each.families.contains(family))
                .findFirst()
                .orElse(ALL.values().iterator().next());
    }

    /** Whether a bar of so many beats has room for all of it. */
    boolean fits(int beats) {
        return beats > 1 && strokes.stream().allMatch(stroke -> stroke.in(beats) < beats);
    }

    /** For a figure that strikes close chords, or for one that does not. */
    Ending on(boolean close) {
        return close ? this : instead.map(ALL::get).orElse(this);
    }

    /** What it says of a chord beside what the chord is. */
    Optional<Interval> addedTo(ChordSymbol chord) {
        return adds.filter(each -> chord.quality().tone(each.on()).isPresent()
                        && chord.quality().tone(7).isEmpty()
                        && chord.quality().tone(each.tone().number()).isEmpty())
                .map(Added::tone);
    }

    private static boolean half(String until) {
        if (!until.equals("half")) {
            throw new Refused("until \"" + until + "\": expected half");
        }
        return true;
    }

    private static Map<String, Ending> readAll() {
        YamlFields file = DataFile.yaml("lefthand/endings.yaml");
        Map<String, Ending> all = new LinkedHashMap<>();
        file.names().forEach(id -> {
            YamlFields fields = file.fields(id);
            all.put(
                    id,
                    new Ending(
                            id,
                            fields.text("name"),
                            fields.text("use"),
                            fields.has("families") ? fields.list("families", family -> family) : List.of(),
                            fields.has("until") && fields.value("until", Ending::half),
                            fields.list("strokes", Stroke::parse),
                            fields.has("instead") ? Optional.of(fields.text("instead")) : Optional.empty(),
                            fields.has("adds")
                                    ? Optional.of(new Added(
                                            fields.value("on", Integer::valueOf),
                                            fields.value("adds", Interval::parse)))
                                    : Optional.empty()));
        });
        return all;
    }
}
