package zapateo.rhythm;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a figure from its YAML text; see any file in {@code figures/} for the form. */
final class FigureFile {

    private static final Set<String> FIELDS = Set.of("id", "name", "family", "use", "feel", "level", "tempo", "spacing", "register", "voicings", "pedal", "bars");
    private static final Pattern TEMPO = Pattern.compile("([0-9]{2,3})-([0-9]{2,3})");

    private FigureFile() {
    }

    static Figure parse(String file, String yaml) {
        YamlFields fields = YamlFields.parse(file, yaml).allow(FIELDS);
        Matcher tempo = fields.value("tempo", FigureFile::tempo);
        return new Figure(fields.text("id"), fields.text("name"), fields.text("family"), fields.text("use"),
                fields.list("feel", FigureFile::feel), fields.value("level", FigureFile::level),
                Integer.parseInt(tempo.group(1)), Integer.parseInt(tempo.group(2)),
                fields.text("spacing"), fields.list("register", FigureFile::register), fields.list("voicings", each -> each),
                fields.value("pedal", FigureFile::yes), bars(fields.fields("bars")));
    }

    private static Map<Meter, List<List<FigureStroke>>> bars(YamlFields fields) {
        Map<Meter, List<List<FigureStroke>>> bars = new LinkedHashMap<>();
        fields.names().forEach(name -> {
            Meter meter = Meter.parse(name);
            bars.put(meter, fields.list(name, text -> bar(text, meter)));
        });
        return bars;
    }

    private static List<FigureStroke> bar(String text, Meter meter) {
        List<FigureStroke> strokes = Arrays.stream(text.strip().split("\\s+")).map(FigureStroke::parse).toList();
        int before = -1;
        for (FigureStroke stroke : strokes) {
            if (stroke.tick() < before || stroke.tick() >= meter.barTicks()) {
                throw new IllegalArgumentException("stroke " + stroke + ": expected after the one before it and inside the bar's "
                        + meter.barTicks() + " ticks");
            }
            before = stroke.tick();
        }
        return strokes;
    }

    private static Matcher tempo(String text) {
        Matcher match = TEMPO.matcher(text);
        if (!match.matches() || Integer.parseInt(match.group(1)) > Integer.parseInt(match.group(2))) {
            throw new IllegalArgumentException("tempo \"" + text + "\": expected slowest-fastest, as in 60-132");
        }
        return match;
    }

    private static Feel feel(String name) {
        return Feel.named(name).orElseThrow(() -> new IllegalArgumentException("feel \"" + name + "\": expected straight, swing or shuffle"));
    }

    private static int level(String text) {
        if (!text.matches("[1-5]")) {
            throw new IllegalArgumentException("level \"" + text + "\": expected 1 to 5");
        }
        return Integer.parseInt(text);
    }

    private static Register register(String name) {
        return Arrays.stream(Register.values()).filter(register -> register.id().equals(name.toLowerCase(Locale.ROOT))).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("register \"" + name + "\": expected deep or middle"));
    }

    private static boolean yes(String text) {
        if (!text.matches("yes|no")) {
            throw new IllegalArgumentException("\"" + text + "\": expected yes or no");
        }
        return text.equals("yes");
    }
}
