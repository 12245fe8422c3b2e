package zapateo.lefthand;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What to do with a stroke the hand cannot span. */
public enum Tenths {
    PLAY, ROLL, PEDAL, OMIT;

    public static Optional<Tenths> named(String name) {
        return Arrays.stream(values()).filter(each -> each.id().equals(name)).findFirst();
    }

    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }
}
