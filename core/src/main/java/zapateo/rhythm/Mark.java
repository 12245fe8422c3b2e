package zapateo.rhythm;

import java.util.Locale;

/** How a stroke is drawn on the step line: a heel for a bass, a toe for what lies above it. */
public enum Mark {
    HEEL, TOE;

    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }
}
