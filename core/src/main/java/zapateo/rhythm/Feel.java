package zapateo.rhythm;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import zapateo.names.Names;

/** How the two halves of a beat share it. */
public enum Feel {
    STRAIGHT,
    SWING,
    SHUFFLE;

    public static Optional<Feel> named(String name) {
        return Arrays.stream(values())
                .filter(feel -> feel.id().equals(name.strip().toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    public String id() {
        return Names.of(this);
    }

    /** The long to short ratio this feel has at a tempo; 1 is straight. */
    public Swing at(Tempo tempo) {
        return switch (this) {
            case STRAIGHT -> Swing.NONE;
            case SWING -> Swing.at(tempo);
            case SHUFFLE -> Swing.of(2);
        };
    }
}
