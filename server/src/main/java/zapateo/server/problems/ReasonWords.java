package zapateo.server.problems;

import java.util.Locale;
import java.util.ResourceBundle;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import zapateo.part.Reason;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/** Words for reasons, from {@code reasons.properties}: a reason's arguments stand in braces by their names. */
@Component
public class ReasonWords {

    private static final Pattern ARGUMENT = Pattern.compile("\\{([a-zA-Z]+)}");

    private final ResourceBundle words = ResourceBundle.getBundle("reasons", Locale.ROOT);

    /** What a role of figures and voicings is called. */
    public String role(String written) {
        return words.containsKey("role-" + written) ? words.getString("role-" + written) : written;
    }

    /** @param brief how it stands over its step */
    public record Step(String name, String brief) {}

    /** What a role is called where a figure is written for a hand. */
    public Step step(Side hand, Role role) {
        String[] said = words.getString("step-" + hand.letter() + "-" + role).split(" \\| ");
        return new Step(said[0], said.length > 1 ? said[1] : role.toString());
    }

    /** Whether there are words for a code. */
    public boolean has(String code) {
        return words.containsKey(code);
    }

    public String of(Reason reason) {
        Matcher argument = ARGUMENT.matcher(words.getString(reason.code()));
        return argument.replaceAll(
                match -> Matcher.quoteReplacement(reason.args().getOrDefault(match.group(1), "")));
    }
}
