package zapateo.rhythm;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zapateo.refusal.Refused;

/**
 * A figure as the text of a file, YAML or the part of it that is JSON; see any file in {@code figures/} for the form.
 */
public final class FigureFile {

    private static final Pattern TEMPO = Pattern.compile("([0-9]{2,3})-([0-9]{2,3})");
    private static final Pattern ID = Pattern.compile("[a-z0-9]+(-[a-z0-9]+){0,9}");
    private static final Set<String> TAGS = Set.of("major", "minor", "modal", "blues", "jazz", "plain");
    private static final int MOST_STROKES = 64;
    private static final int LONGEST_TEXT = 200;
    private static final Set<Role> USUAL_LINE = Set.of(Role.BASS, Role.parse("5_"), Role.WALK);

    private FigureFile() {}

    /**
     * @param file what to call it in an error
     * @throws Refused with the file, the line and what was expected
     */
    public static Figure parse(String file, String yaml) {
        YamlFields fields = YamlFields.parse(file, yaml).allow(FIELDS.keySet());
        Matcher tempo = fields.value("tempo", FigureFile::tempo);
        Figure.Suits suits = new Figure.Suits(
                fields.list("feel", FigureFile::feel),
                fields.value("level", text -> number(text, "level", 1, 5)),
                Integer.parseInt(tempo.group(1)),
                Integer.parseInt(tempo.group(2)),
                fields.has("chords") ? fields.value("chords", text -> number(text, "chords a bar", 1, 4)) : 2,
                fields.has("suits") ? fields.list("suits", FigureFile::tag) : List.of());
        Figure.Manner manner = new Figure.Manner(
                fields.text("spacing"),
                fields.has("register") ? fields.list("register", FigureFile::register) : List.of(Register.DEEP),
                fields.has("voicings") ? fields.list("voicings", each -> each) : List.of(),
                fields.value("pedal", text -> oneOf(text, "yes", "no").equals("yes")),
                fields.has("lifts") ? fields.value("lifts", Lifts::named) : Lifts.CHANGE,
                fields.has("line") ? new LinkedHashSet<>(fields.list("line", Role::parse)) : USUAL_LINE,
                fields.has("cut")
                        && fields.value("cut", text -> oneOf(text, "restart", "keep"))
                                .equals("keep"),
                fields.has("roll") ? fields.value("roll", FigureFile::rolling) : Rolling.BEAT,
                fields.has("bass")
                        && fields.value("bass", text -> oneOf(text, "yes", "no"))
                                .equals("no"),
                fields.has("leadIn") ? Optional.of(fields.text("leadIn")) : Optional.empty(),
                fields.has("times") ? fields.value("times", Times::read) : Times.OWN,
                fields.has("turns")
                        && fields.value("turns", text -> oneOf(text, "bar", "chord"))
                                .equals("bar"));
        List<Variation> variations = fields.has("variations") ? variations(fields.fields("variations")) : List.of();
        return new Figure(
                fields.value("id", FigureFile::id),
                fields.value("name", text -> shortText("name", text)),
                fields.value("family", text -> shortText("family", text)),
                fields.value("use", text -> shortText("use", text)),
                suits,
                manner,
                bars(fields.fields("bars")),
                variations);
    }

    /** The fields there are, in the order they are written in, and how each is; what is empty is left out. */
    private static final Map<String, Function<Figure, String>> FIELDS = fields();

    private static Map<String, Function<Figure, String>> fields() {
        Map<String, Function<Figure, String>> fields = new LinkedHashMap<>();
        fields.put("id", Figure::id);
        fields.put("name", figure -> quoted(figure.name()));
        fields.put("family", figure -> quoted(figure.family()));
        fields.put("use", figure -> quoted(figure.use()));
        fields.put("feel", figure -> list(figure.suits().feels().stream().map(Feel::id)));
        fields.put("level", figure -> String.valueOf(figure.suits().level()));
        fields.put(
                "tempo",
                figure -> figure.suits().minTempo() + "-" + figure.suits().maxTempo());
        fields.put("chords", figure -> String.valueOf(figure.suits().chords()));
        fields.put("suits", figure -> list(figure.suits().tags().stream()));
        fields.put("spacing", figure -> quoted(figure.manner().spacing()));
        fields.put(
                "register", figure -> list(figure.manner().registers().stream().map(Register::id)));
        fields.put(
                "voicings", figure -> list(figure.manner().voicings().stream().map(FigureFile::quoted)));
        fields.put("pedal", figure -> figure.manner().pedal() ? "yes" : "no");
        fields.put("lifts", figure -> figure.manner().lifts().id());
        fields.put(
                "line",
                figure -> list(figure.manner().line().stream()
                        .map(role -> quoted(role.toString()))
                        .sorted()));
        fields.put("cut", figure -> figure.manner().keeps() ? "keep" : "restart");
        fields.put("roll", figure -> figure.manner().rolling().id());
        fields.put("bass", figure -> figure.manner().bassless() ? "no" : "yes");
        fields.put(
                "leadIn",
                figure -> figure.manner().leadIn().map(FigureFile::quoted).orElse(""));
        fields.put("times", figure -> figure.manner().times().id());
        fields.put("turns", figure -> figure.manner().phrased() ? "bar" : "chord");
        fields.put("bars", FigureFile::bars);
        fields.put("variations", FigureFile::variations);
        return fields;
    }

    /** The text that {@link #parse} reads as the same figure. */
    public static String write(Figure figure) {
        StringBuilder text = new StringBuilder();
        FIELDS.forEach((name, field) -> {
            String value = field.apply(figure);
            if (!value.isEmpty()) {
                text.append(name)
                        .append(value.startsWith("\n") ? ":" : ": ")
                        .append(value)
                        .append('\n');
            }
        });
        return text.toString();
    }

    private static String bars(Figure figure) {
        return figure.bars().entrySet().stream()
                .map(each -> "\n  \"" + each.getKey() + "\": "
                        + list(each.getValue().stream().map(FigureFile::bar)))
                .collect(Collectors.joining());
    }

    private static String variations(Figure figure) {
        StringBuilder text = new StringBuilder();
        figure.variations().forEach(variation -> {
            text.append("\n  \"").append(variation.when()).append("\":");
            variation
                    .bars()
                    .forEach((meter, bar) ->
                            text.append("\n    \"").append(meter).append("\": ").append(bar(bar)));
        });
        return text.toString();
    }

    private static String bar(List<FigureStroke> strokes) {
        return quoted(write(strokes));
    }

    private static String list(Stream<String> values) {
        return values.collect(Collectors.joining(", ", "[", "]"));
    }

    private static String quoted(String text) {
        return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
    }

    private static Map<Meter, List<List<FigureStroke>>> bars(YamlFields fields) {
        Map<Meter, List<List<FigureStroke>>> bars = new LinkedHashMap<>();
        fields.names().forEach(name -> {
            Meter meter = fields.name(name, Meter::parse);
            bars.put(meter, fields.list(name, text -> bar(text, meter)));
        });
        return bars;
    }

    private static List<Variation> variations(YamlFields fields) {
        return fields.names().stream()
                .map(name -> {
                    Map<Meter, List<FigureStroke>> bars = new LinkedHashMap<>();
                    YamlFields inner = fields.fields(name);
                    inner.names().forEach(each -> {
                        Meter meter = inner.name(each, Meter::parse);
                        bars.put(meter, inner.value(each, text -> bar(text, meter)));
                    });
                    return new Variation(fields.name(name, Variation.When::parse), bars);
                })
                .toList();
    }

    private static List<FigureStroke> bar(String text, Meter meter) {
        List<FigureStroke> strokes = strokes(text);
        strokes.stream()
                .filter(stroke -> stroke.tick() >= meter.barTicks())
                .findFirst()
                .ifPresent(stroke -> {
                    throw new Refused("stroke " + stroke + ": expected after the one before it and inside the bar's "
                            + meter.barTicks() + " ticks");
                });
        return strokes;
    }

    /**
     * The strokes of one bar, as {@code 1@0:960 3+5@960:960}.
     *
     * @throws Refused naming the stroke and what was expected
     */
    public static List<FigureStroke> strokes(String text) {
        List<FigureStroke> strokes = Arrays.stream(text.strip().split("\\s+"))
                .map(FigureStroke::parse)
                .toList();
        if (strokes.size() > MOST_STROKES) {
            throw new Refused(strokes.size() + " strokes: expected " + MOST_STROKES + " a bar at most");
        }
        for (int at = 1; at < strokes.size(); at++) {
            if (strokes.get(at).tick() < strokes.get(at - 1).tick()) {
                throw new Refused("stroke " + strokes.get(at) + ": expected after the one before it");
            }
        }
        return strokes;
    }

    /** The text that {@link #strokes} reads as the same. */
    public static String write(List<FigureStroke> strokes) {
        return strokes.stream().map(FigureStroke::toString).collect(Collectors.joining(" "));
    }

    private static Matcher tempo(String text) {
        Matcher match = TEMPO.matcher(text);
        if (!match.matches() || Integer.parseInt(match.group(1)) > Integer.parseInt(match.group(2))) {
            throw new Refused("tempo \"" + text + "\": expected slowest-fastest, as in 60-132");
        }
        return match;
    }

    private static Feel feel(String name) {
        return Feel.named(name)
                .orElseThrow(() -> new Refused("feel \"" + name + "\": expected straight, swing or shuffle"));
    }

    private static int number(String text, String what, int least, int most) {
        if (!text.matches("[0-9]{1,3}") || Integer.parseInt(text) < least || Integer.parseInt(text) > most) {
            throw new Refused(what + " \"" + text + "\": expected " + least + " to " + most);
        }
        return Integer.parseInt(text);
    }

    private static String id(String text) {
        if (!ID.matcher(text).matches() || text.length() > 60) {
            throw new Refused(
                    "id \"" + text + "\": expected small letters and digits with hyphens between, as in bass-and-two");
        }
        return text;
    }

    private static String shortText(String what, String text) {
        if (text.isBlank() || text.length() > LONGEST_TEXT || text.chars().anyMatch(Character::isISOControl)) {
            throw new Refused(what + ": expected 1 to " + LONGEST_TEXT + " characters on one line");
        }
        return text.strip();
    }

    private static String tag(String text) {
        if (!TAGS.contains(text)) {
            throw new Refused("suits \"" + text + "\": expected one of "
                    + String.join(", ", TAGS.stream().sorted().toList()));
        }
        return text;
    }

    private static Register register(String name) {
        return Arrays.stream(Register.values())
                .filter(register -> register.id().equals(name.toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new Refused("register \"" + name + "\": expected deep, medium or middle"));
    }

    private static Rolling rolling(String name) {
        return Arrays.stream(Rolling.values())
                .filter(rolling -> rolling.id().equals(name))
                .findFirst()
                .orElseThrow(() -> new Refused("roll \"" + name + "\": expected beat, before or broken"));
    }

    private static String oneOf(String text, String first, String second) {
        if (!text.equals(first) && !text.equals(second)) {
            throw new Refused("\"" + text + "\": expected " + first + " or " + second);
        }
        return text;
    }
}
