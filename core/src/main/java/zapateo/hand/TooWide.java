package zapateo.hand;

import java.util.Arrays;
import java.util.Optional;
import zapateo.names.Names;

/** What to do with keys the hand cannot strike together. */
public enum TooWide {
    /** Leave them as they are; the player answers for it. */
    PLAY,
    /** One after another, quickly. */
    ROLL,
    /** The bass first, held by the pedal. */
    PEDAL,
    /** Only as many as the hand holds. */
    OMIT;

    public static Optional<TooWide> named(String name) {
        return Arrays.stream(values()).filter(each -> each.id().equals(name)).findFirst();
    }

    public String id() {
        return Names.of(this);
    }
}
