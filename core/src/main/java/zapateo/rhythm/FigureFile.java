package zapateo.rhythm;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import zapateo.refusal.Refused;

/**
 * A figure as the text of a file, YAML or the part of it that is JSON; see any file in {@code figures/} for the form.
 */
public final class FigureFile {

    private static final Set<String> FIELDS = Set.of(
            "id",
            "name",
            "family",
            "use",
            "feel",
            "level",
            "tempo",
            "chords",
            "suits",
            "spacing",
            "register",
            "voicings",
            "pedal",
            "lifts",
            "line",
            "cut",
            "roll",
            "bass",
            "leadIn",
            "times",
            "bars",
            "variations");
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
        YamlFields fields = YamlFields.parse(file, yaml).allow(FIELDS);
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
                fields.has("times") ? fields.value("times", Times::read) : Times.OWN);
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

    /** The text that {@link #parse} reads as the same figure. */
    public static String write(Figure figure) {
        StringBuilder text = new StringBuilder();
        Figure.Suits suits = figure.suits();
        Figure.Manner manner = figure.manner();
        line(text, "id", figure.id());
        line(text, "name", quoted(figure.name()));
        line(text, "family", quoted(figure.family()));
        line(text, "use", quoted(figure.use()));
        line(text, "feel", list(suits.feels().stream().map(Feel::id).toList()));
        line(text, "level", suits.level());
        line(text, "tempo", suits.minTempo() + "-" + suits.maxTempo());
        line(text, "chords", suits.chords());
        line(text, "suits", list(suits.tags()));
        line(text, "spacing", quoted(manner.spacing()));
        line(
                text,
                "register",
                list(manner.registers().stream().map(Register::id).toList()));
        line(
                text,
                "voicings",
                list(manner.voicings().stream().map(FigureFile::quoted).toList()));
        line(text, "pedal", manner.pedal() ? "yes" : "no");
        line(text, "lifts", manner.lifts().id());
        line(
                text,
                "line",
                list(manner.line().stream()
                        .map(role -> quoted(role.toString()))
                        .sorted()
                        .toList()));
        line(text, "cut", manner.keeps() ? "keep" : "restart");
        line(text, "roll", manner.rolling().id());
        line(text, "bass", manner.bassless() ? "no" : "yes");
        manner.leadIn().ifPresent(leadIn -> line(text, "leadIn", quoted(leadIn)));
        line(text, "times", manner.times().id());
        text.append("bars:\n");
        figure.bars()
                .forEach((meter, bars) -> text.append("  \"")
                        .append(meter)
                        .append("\": ")
                        .append(list(bars.stream().map(FigureFile::bar).toList()))
                        .append('\n'));
        if (!figure.variations().isEmpty()) {
            text.append("variations:\n");
            figure.variations().forEach(variation -> {
                text.append("  \"").append(variation.when()).append("\":\n");
                variation
                        .bars()
                        .forEach((meter, bar) -> text.append("    \"")
                                .append(meter)
                                .append("\": ")
                                .append(bar(bar))
                                .append('\n'));
            });
        }
        return text.toString();
    }

    private static void line(StringBuilder text, String name, Object value) {
        text.append(name).append(": ").append(value).append('\n');
    }

    private static String bar(List<FigureStroke> strokes) {
        return quoted(write(strokes));
    }

    private static String list(List<String> values) {
        return "[" + String.join(", ", values) + "]";
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
