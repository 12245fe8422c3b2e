package zapateo.rhythm;

import java.util.Arrays;
import zapateo.names.Names;
import zapateo.refusal.Refused;

/** Where a figure's strokes fall. */
public enum Times {
    /** Where it is written. */
    OWN,
    /** Where the melody has its accents. */
    TUNE,
    /** On the eighths on which the left hand strikes nothing; the right hand's only. */
    GAPS;

    public String id() {
        return Names.of(this);
    }

    static Times read(String text) {
        return Arrays.stream(values())
                .filter(each -> each.id().equals(text))
                .findFirst()
                .orElseThrow(() -> new Refused("times \"" + text + "\": expected own, tune or gaps"));
    }
}
