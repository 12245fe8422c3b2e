package zapateo.server.problems;

import java.net.URI;
import java.sql.SQLException;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import zapateo.refusal.Refused;
import zapateo.search.Patience;

/** Every error leaves the server as a problem document: what happened, what is safe, what was expected. */
@RestControllerAdvice
public class ProblemDocuments extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(ProblemDocuments.class);
    private static final String DISK_FULL = "53100";
    /** Class 22 of the SQL states: the data itself is at fault, e.g. a NUL character. */
    private static final String DATA_AT_FAULT = "22";
    /** Classes 23 and 40: another request kept the same thing at the same moment. */
    private static final Set<String> OVERTAKEN = Set.of("23", "40");
    /** What is kept is being put in the place of something else (docs/COPIES.md): nothing may be written meanwhile. */
    private static final String READ_ONLY = "25006";
    /** Classes of a server that cannot be reached or has no room for one more: none at all, 08, 53 and 57. */
    private static final Set<String> AWAY = Set.of("", "08", "53", "57");

    @ExceptionHandler(Refusal.class)
    ResponseEntity<ProblemDetail> answered(Refusal refusal) {
        ResponseEntity.BodyBuilder answer = ResponseEntity.status(refusal.status());
        if (refusal.type().equals(Refusal.BUSY)) {
            answer.header(HttpHeaders.RETRY_AFTER, "1");
        }
        return answer.body(refused(refusal));
    }

    private static ProblemDetail refused(Refusal refusal) {
        ProblemDetail document = document(refusal.status(), refusal.type(), refusal.getMessage());
        if (!refusal.problems().isEmpty()) {
            document.setProperty("problems", refusal.problems());
            ProblemView first = refusal.problems().get(0);
            document.setProperty("line", first.line());
            document.setProperty("column", first.column());
            document.setProperty("expected", first.expected());
        }
        return document;
    }

    /** What the core refuses is the sender's mistake, and named in it; whatever else it throws is a fault of ours. */
    @ExceptionHandler(Refused.class)
    ProblemDetail unusable(Refused e) {
        return document(HttpStatus.UNPROCESSABLE_CONTENT, "unusable", e.getMessage());
    }

    /** Asking again would take as long again. */
    @ExceptionHandler(Patience.GivenUp.class)
    ProblemDetail givenUp() {
        return document(
                HttpStatus.UNPROCESSABLE_CONTENT,
                "too-much",
                "This took more than its share of computing, or nobody waited for it any more, and was given up. "
                        + "Nothing was changed; a part of the song at a time will do.");
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ResponseEntity<ProblemDetail> database(Exception e) {
        ProblemDetail document = documentOf(e);
        ResponseEntity.BodyBuilder answer = ResponseEntity.status(document.getStatus());
        if (document.getStatus() == HttpStatus.SERVICE_UNAVAILABLE.value()) {
            answer.header(HttpHeaders.RETRY_AFTER, "1");
        }
        return answer.body(document);
    }

    private ProblemDetail documentOf(Exception e) {
        // What a row holds may be refused while it is read.
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof Refusal refusal) {
                return refused(refusal);
            }
        }
        String state = sqlState(e);
        if (DISK_FULL.equals(state)) {
            return document(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "disk-full",
                    "The disk is full, so this was not saved. What was saved before is safe; make room and try again.");
        }
        if (state.startsWith(DATA_AT_FAULT)) {
            return document(
                    HttpStatus.UNPROCESSABLE_CONTENT, "unusable", "The text holds a character that cannot be stored.");
        }
        if (READ_ONLY.equals(state)) {
            return document(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "database",
                    "A copy is being put in the place of what is kept, so this was not saved. What is on your "
                            + "screen is kept there and will be saved in a moment.");
        }
        String kind = state.length() < 2 ? "" : state.substring(0, 2);
        if (OVERTAKEN.contains(kind)) {
            return document(
                    HttpStatus.CONFLICT,
                    "overtaken",
                    "Another request kept this at the same moment. Nothing of this one was kept; load it again and "
                            + "send it once more.");
        }
        if (!AWAY.contains(kind)) {
            return fault(e);
        }
        LOG.warn("the database did not answer: {}", e.getMessage());
        return document(
                HttpStatus.SERVICE_UNAVAILABLE,
                "database",
                "The database does not answer. What was saved before is safe; what is on your screen is kept there "
                        + "and will be saved when it is back.");
    }

    /** A form that cannot be taken apart, as one without its border or one cut off. */
    @ExceptionHandler(MultipartException.class)
    ProblemDetail brokenForm(MultipartException e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof BodyLimit.TooLarge large) {
                return BodyLimit.document(large.most());
            }
        }
        LOG.warn(
                "a form that cannot be read: {}",
                e.getMostSpecificCause().getClass().getSimpleName());
        return document(
                HttpStatus.BAD_REQUEST,
                "unreadable",
                "The form cannot be read: expected multipart/form-data with a boundary, whole, and a file in the "
                        + "part named file.");
    }

    /** Parameters of an address or of a form that are not encoded as they have to be. */
    @ExceptionHandler(InvalidParameterException.class)
    ProblemDetail brokenParameters(InvalidParameterException e) {
        LOG.warn("parameters that cannot be read");
        return document(
                HttpStatus.BAD_REQUEST,
                "unreadable",
                "The parameters cannot be read: expected % with two hexadecimal digits, and UTF-8.");
    }

    @ExceptionHandler(Exception.class)
    ProblemDetail unforeseen(Exception e) {
        return isOfClientGone(e) ? null : fault(e);
    }

    /** Nobody hears the answer: that is told to those who look for it, and answered to nobody. */
    private static boolean isOfClientGone(Exception e) {
        if (!DisconnectedClientHelper.isClientDisconnectedException(e)) {
            return false;
        }
        LOG.debug("the client went away: {}", e.getMessage());
        return true;
    }

    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return isOfClientGone(e) ? null : super.handleExceptionInternal(e, body, headers, status, request);
    }

    private static ProblemDetail fault(Exception e) {
        LOG.error("unforeseen", e);
        return document(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unforeseen",
                "Something went wrong that should not. What was saved before is safe.");
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (e.getMostSpecificCause() instanceof BodyLimit.TooLarge large) {
            return answer(BodyLimit.document(large.most()));
        }
        if (e.getCause() instanceof InvalidTypeIdException kind && kind.getTypeId() == null) {
            return answer(
                    document(HttpStatus.UNPROCESSABLE_CONTENT, "unusable", path(kind) + ".kind: expected a kind"));
        }
        ProblemDetail document = document(
                HttpStatus.BAD_REQUEST, "unreadable", "The request cannot be read as JSON of the expected shape.");
        if (e.getCause() instanceof JacksonException json) {
            document.setDetail(describe(json));
            if (json.getLocation() != null && json.getLocation().getLineNr() > 0) {
                document.setProperty("line", json.getLocation().getLineNr());
                document.setProperty("column", json.getLocation().getColumnNr());
            }
        }
        return answer(document);
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        String detail = e.getBindingResult().getFieldErrors().stream()
                .map(ProblemDocuments::describe)
                .sorted()
                .collect(Collectors.joining("; "));
        return answer(document(HttpStatus.UNPROCESSABLE_CONTENT, "unusable", detail));
    }

    /** What a parameter of an address may be. */
    @Override
    protected ResponseEntity<Object> handleHandlerMethodValidationException(
            HandlerMethodValidationException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        String detail = e.getParameterValidationResults().stream()
                .flatMap(each -> each.getResolvableErrors().stream()
                        .map(error -> (error instanceof FieldError field
                                        ? field.getField()
                                        : each.getMethodParameter().getParameterName())
                                + ": " + error.getDefaultMessage()))
                .sorted()
                .collect(Collectors.joining("; "));
        return answer(document(HttpStatus.UNPROCESSABLE_CONTENT, "unusable", detail));
    }

    private static String describe(FieldError error) {
        return error.getField() + ": " + error.getDefaultMessage();
    }

    private static String path(JacksonException json) {
        return json.getPath().stream()
                .map(step -> step.getPropertyName() == null ? "[" + step.getIndex() + "]" : step.getPropertyName())
                .collect(Collectors.joining("."));
    }

    /** What is wrong with JSON, with the path to it. */
    public static String describe(JacksonException json) {
        String path = path(json);
        if (json instanceof InvalidTypeIdException kind) {
            return "Field \"" + path + "\" is of no kind there is: \"" + kind.getTypeId() + "\".";
        }
        if (json instanceof UnrecognizedPropertyException unknown) {
            return "Unknown field \"" + path + "\". Expected one of: "
                    + unknown.getKnownPropertyIds().stream()
                            .map(String::valueOf)
                            .sorted()
                            .collect(Collectors.joining(", "))
                    + ".";
        }
        if (json instanceof StreamReadException) {
            return "The request is not well-formed JSON.";
        }
        return path.isEmpty()
                ? "The request is not an object of the expected shape."
                : "Field \"" + path + "\" has the wrong type.";
    }

    private static String sqlState(Throwable e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && sql.getSQLState() != null) {
                return sql.getSQLState();
            }
        }
        return "";
    }

    static ProblemDetail document(HttpStatus status, String type, String detail) {
        ProblemDetail document = ProblemDetail.forStatusAndDetail(status, detail);
        document.setType(URI.create("/problems/" + type));
        return document;
    }

    private static ResponseEntity<Object> answer(ProblemDetail document) {
        return ResponseEntity.status(document.getStatus()).body(document);
    }
}
