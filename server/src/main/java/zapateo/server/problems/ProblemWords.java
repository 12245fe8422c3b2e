package zapateo.server.problems;

import java.text.MessageFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import org.springframework.stereotype.Component;
import zapateo.part.Reason;
import zapateo.song.Problem;

/** Makes the words for what the core reports as codes. */
@Component
public class ProblemWords {

    private static final Map<String, String> FOUND_IN = Map.of(
            "voicing-unused",
            "figure",
            "register-unused",
            "figure",
            "figure-adapted",
            "meter",
            "line-unused",
            "line",
            "lead-in-unused",
            "figure",
            "section-unused",
            "section",
            "bars-unused",
            "bars",
            "lock-unkept",
            "chord");
    private static final Map<String, String> EXPECTED = Map.of(
            "voicing-unused",
            "a figure that takes a voicing, such as held",
            "register-unused",
            "the figure's own register",
            "figure-adapted",
            "one of the figure's own metres",
            "line-unused",
            "a figure with single basses, such as two-feel",
            "lead-in-unused",
            "a figure with single basses, such as two-feel",
            "section-unused",
            "a section of the song",
            "bars-unused",
            "bars of the song",
            "lock-unkept",
            "a place the chord can have");

    private final ResourceBundle words = ResourceBundle.getBundle("problems", Locale.ROOT);
    private final ReasonWords reasons;

    ProblemWords(ReasonWords reasons) {
        this.reasons = reasons;
    }

    public ProblemView of(Problem problem) {
        return new ProblemView(
                problem.severity().id(),
                problem.code(),
                problem.line(),
                problem.column(),
                problem.length(),
                problem.found(),
                problem.expected(),
                message(problem.code(), problem.found(), problem.expected()));
    }

    public List<ProblemView> of(List<Problem> problems) {
        return problems.stream().map(this::of).toList();
    }

    /** A notice about a choice: it has no place in a text. */
    public ProblemView of(Reason notice) {
        String found = notice.args().getOrDefault(FOUND_IN.getOrDefault(notice.code(), ""), "");
        String expected = EXPECTED.getOrDefault(notice.code(), "");
        return new ProblemView(
                Problem.Severity.WARNING.id(), notice.code(), null, null, null, found, expected, reasons.of(notice));
    }

    private String message(String code, String found, String expected) {
        return new MessageFormat(words.getString(code).replace("'", "''"), Locale.ROOT)
                .format(new Object[] {found, expected});
    }
}
