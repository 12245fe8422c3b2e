package zapateo.refusal;

/**
 * What a caller asked for cannot be done as asked: the message names the value and what was expected. It is the only
 * exception by which the core refuses a caller's mistake; any other that leaves it is a fault of the core's own.
 */
public class Refused extends RuntimeException {

    private static final long serialVersionUID = 1;

    public Refused(String message) {
        super(message);
    }

    public Refused(String message, Throwable cause) {
        super(message, cause);
    }
}
