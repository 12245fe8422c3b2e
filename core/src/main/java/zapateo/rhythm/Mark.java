package zapateo.rhythm;

import zapateo.names.Names;

/**
 * How a stroke is drawn on the step line: a heel for a bass, a toe for what lies above it, a half heel for a note that
 * leads on.
 */
public enum Mark {
    HEEL,
    TOE,
    LEAD;

    private final String id = Names.of(this);

    public String id() {
        return id;
    }
}
