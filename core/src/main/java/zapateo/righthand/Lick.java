package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Interval;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;
import zapateo.rhythm.YamlFields;

/**
 * A small device of one bar, by what its notes are to the chord; the rows of {@code licks.yaml}.
 *
 * @param over the chords it is for
 * @param ofKey whether its degrees are those of the key, whatever the chord
 * @param forms its notes by the metre they are made for
 * @param practise how to practise it
 */
public record Lick(
        String id, String name, List<Family> over, boolean ofKey, Map<Meter, List<Step>> forms, String practise) {

    /** What kinds of chord there are to it. */
    public enum Family {
        MAJOR,
        DOMINANT,
        MINOR,
        ANY;

        private static Family read(String name) {
            return valueOf(name.toUpperCase(java.util.Locale.ROOT));
        }

        static Family of(ChordSymbol chord) {
            return chord.quality().isDominant()
                    ? DOMINANT
                    : chord.quality().has(3, 4) ? MAJOR : chord.quality().has(3, 3) ? MINOR : ANY;
        }
    }

    /**
     * What is struck together, or a rest.
     *
     * @param tick from the bar line
     * @param grace whether it leans on the next one, which comes that much later
     */
    record Step(List<Tone> tones, int tick, int ticks, boolean grace) {}

    /**
     * One tone.
     *
     * @param literal whether the distance holds whatever the chord's own tone of that number is
     * @param next whether it is a tone of the next chord
     */
    record Tone(Interval degree, boolean literal, int octaves, boolean next) {}

    private static final Meter FOUR_FOUR = Meter.parse("4/4");
    private static final Meter THREE_FOUR = Meter.parse("3/4");
    private static final Meter SIX_EIGHT = Meter.parse("6/8");
    static final int GRACE = Ticks.PER_QUARTER / 8;
    private static final Pattern STEP = Pattern.compile("(~?)(r|[^/~]+)(?:/(1|2|4|8|16|32)(\\.|t)?)?");
    private static final Pattern TONE = Pattern.compile("(>?)([b#]?[1-7])([',]*)");
    private static final List<Lick> ALL = readAll();

    public static List<Lick> all() {
        return ALL;
    }

    public static Optional<Lick> named(String id) {
        return ALL.stream().filter(lick -> lick.id().equals(id)).findFirst();
    }

    /** Whether it is made for a chord. */
    public boolean suits(ChordSymbol chord) {
        return over.contains(Family.ANY) || over.contains(Family.of(chord));
    }

    /** Its notes in a metre: those made for it, else those of a metre that counts as it does. */
    List<Step> steps(Meter meter) {
        return forms.getOrDefault(meter, forms.get(meter.isCompound() ? SIX_EIGHT : FOUR_FOUR));
    }

    private static List<Lick> readAll() {
        YamlFields file = DataFile.yaml("righthand/licks.yaml");
        return file.names().stream()
                .map(id -> {
                    YamlFields fields = file.fields(id);
                    return new Lick(
                            id,
                            fields.text("name"),
                            fields.list("over", Family::read),
                            fields.has("of"),
                            Map.of(
                                    FOUR_FOUR,
                                    fields.value("notes", Lick::steps),
                                    THREE_FOUR,
                                    fields.value("3/4", Lick::steps),
                                    SIX_EIGHT,
                                    fields.value("6/8", Lick::steps)),
                            fields.text("practise"));
                })
                .toList();
    }

    private static List<Step> steps(String text) {
        List<Step> steps = new ArrayList<>();
        int at = 0;
        int ticks = Ticks.PER_QUARTER;
        for (String word : text.split(" ")) {
            Matcher match = STEP.matcher(word);
            if (!match.matches()) {
                throw new Refused("\"" + word + "\": expected a tone and its length, as in 3/8");
            }
            boolean grace = !match.group(1).isEmpty();
            ticks = match.group(3) == null ? ticks : Ticks.ofPart(Integer.parseInt(match.group(3)), match.group(4));
            steps.add(new Step(
                    match.group(2).equals("r") ? List.of() : tones(match.group(2)), at, grace ? GRACE : ticks, grace));
            at += grace ? 0 : ticks;
        }
        return List.copyOf(steps);
    }

    private static List<Tone> tones(String text) {
        return java.util.Arrays.stream(text.split("\\+"))
                .map(each -> {
                    Matcher match = TONE.matcher(each);
                    if (!match.matches()) {
                        throw new Refused("\"" + each + "\": expected a degree 1 to 7");
                    }
                    int octaves = match.group(3)
                            .chars()
                            .map(sign -> sign == '\'' ? 1 : -1)
                            .sum();
                    return new Tone(
                            Interval.parse(match.group(2)),
                            !Character.isDigit(match.group(2).charAt(0)),
                            octaves,
                            !match.group(1).isEmpty());
                })
                .toList();
    }
}
