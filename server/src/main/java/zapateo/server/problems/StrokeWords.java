package zapateo.server.problems;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import zapateo.lefthand.BassLine;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.rhythm.Role;

/**
 * What is said of a stroke and its notes. Which sentence is taken is decided by what the stroke is; its reason fills
 * the gaps.
 */
@Component
public class StrokeWords {

    private static final Map<Origin, String> RULES = Map.of(
            Origin.CHORUS,
            "rule-chorus",
            Origin.LICK,
            "rule-lick",
            Origin.UNISON,
            "unison",
            Origin.FILL,
            "rule-fill",
            Origin.COMPING,
            "rule-comping");

    private final ReasonWords words;

    StrokeWords(ReasonWords words) {
        this.words = words;
    }

    /** Why it is struck there, its roles by their names. */
    public String why(Stroke stroke) {
        Map<String, String> args = new HashMap<>(stroke.reason().args());
        args.computeIfPresent(
                "stroke",
                (key, roles) -> Arrays.stream(roles.split("\\+"))
                        .map(role -> "the " + words.role(role))
                        .collect(Collectors.joining(", ")));
        args.computeIfPresent(
                "line",
                (key, line) ->
                        BassLine.named(line).map(BassLine::name).orElse(line).toLowerCase(Locale.ROOT));
        return words.of(Reason.of(stroke.reason().code(), args));
    }

    /** Which rule put one of its notes where it is. */
    public String rule(PartNote note, Stroke stroke) {
        Map<String, String> args = new HashMap<>(stroke.reason().args());
        args.put("note", note.pitch().toString());
        args.put("name", words.role(note.role().toString().replaceFirst("^n", "")));
        String code = stroke.nature().origin().isLaid()
                ? laid(note, stroke, args)
                : stroke.nature().origin().isTune()
                        ? note.role().equals(Role.TUNE) ? "rule-tune" : "rule-under"
                        : RULES.get(stroke.nature().origin());
        return words.of(Reason.of(code, args));
    }

    /** The chord it is said to play, empty where it plays none. */
    public String chord(Stroke stroke) {
        return stroke.reason().args().getOrDefault("chord", "");
    }

    private static String laid(PartNote note, Stroke stroke, Map<String, String> args) {
        Role first = stroke.nature().roles().get(0);
        boolean close =
                stroke.nature().roles().size() == 1 && (first.isOfClose() || first.kind() == Role.Kind.GUIDE_TONES);
        return switch (note.role().kind()) {
            case LEAD_IN -> "rule-lead";
            case PASSING -> "rule-passing";
            case WALKING -> "rule-walk-" + args.getOrDefault("step", "step");
            case NEIGHBOUR -> "rule-neighbour";
            default ->
                close
                        ? "rule-close"
                        : !note.role().equals(Role.BASS)
                                ? "rule-tone"
                                : args.containsKey("over") ? "rule-over" : "rule-bass";
        };
    }
}
