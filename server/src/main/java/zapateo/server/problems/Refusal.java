package zapateo.server.problems;

import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that cannot be carried out, as a problem document (RFC 9457). */
public final class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1;

    static final String BUSY = "busy";

    private final HttpStatus status;
    private final String type;
    private final transient List<ProblemView> problems;

    private Refusal(HttpStatus status, String type, String detail, List<ProblemView> problems) {
        super(detail);
        this.status = status;
        this.type = type;
        this.problems = problems;
    }

    public static Refusal notFound(String what) {
        return new Refusal(HttpStatus.NOT_FOUND, "not-found", what + " is not here, or no longer.", List.of());
    }

    public static Refusal stale(int given, int present) {
        return new Refusal(
                HttpStatus.CONFLICT,
                "stale-version",
                "This was changed elsewhere: you hold version " + given + ", version " + present
                        + " is kept. Nothing was overwritten; load it again, or keep yours as a copy.",
                List.of());
    }

    /** JSON that is none of the form that is expected. */
    public static Refusal unreadable(String detail) {
        return new Refusal(HttpStatus.BAD_REQUEST, "unreadable", detail, List.of());
    }

    /** Too much is computed already. */
    public static Refusal busy() {
        return new Refusal(
                HttpStatus.SERVICE_UNAVAILABLE,
                BUSY,
                "Too much is being computed at the moment. Nothing was lost: ask again in a second.",
                List.of());
    }

    /** What a later Zapateo kept. */
    public static Refusal newer(String detail) {
        return new Refusal(HttpStatus.CONFLICT, "newer-format", detail, List.of());
    }

    /** A value that was understood and cannot be used. */
    public static Refusal unusable(String detail) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "unusable", detail, List.of());
    }

    public static Refusal chart(List<ProblemView> problems) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "chart", "No song can be read from this chart.", problems);
    }

    public static Refusal file(List<ProblemView> problems) {
        return new Refusal(
                HttpStatus.UNPROCESSABLE_CONTENT,
                "file",
                "No song can be read from this file. Nothing was changed.",
                problems);
    }

    HttpStatus status() {
        return status;
    }

    String type() {
        return type;
    }

    List<ProblemView> problems() {
        return problems;
    }
}
