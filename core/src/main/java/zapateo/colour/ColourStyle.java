package zapateo.colour;

import java.util.Arrays;
import java.util.stream.Collectors;
import zapateo.names.Names;
import zapateo.refusal.Refused;

/** What a song is played like, as far as its chords go. */
public enum ColourStyle {
    PLAIN,
    FOLK,
    HYMN,
    GOSPEL,
    POP,
    SOUL,
    JAZZ,
    STRIDE,
    BLUES,
    TANGO,
    LATIN;

    public String id() {
        return Names.of(this);
    }

    /** @throws Refused naming what was given and what was expected */
    public static ColourStyle of(String id) {
        return Arrays.stream(values())
                .filter(style -> style.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused("style \"" + id + "\": expected one of "
                        + Arrays.stream(values()).map(ColourStyle::id).collect(Collectors.joining(", "))));
    }
}
