package zapateo.part;

import java.util.List;
import zapateo.rhythm.Role;

/** Which notes of a close chord a figure's role takes. */
public final class CloseChord {

    private CloseChord() {}

    /**
     * @param role one that takes its notes from the close chord
     * @param chord low to high; a chord of one note is that note to every role
     */
    public static List<PartNote> take(Role role, List<PartNote> chord) {
        int last = chord.size() - 1;
        return switch (role.kind()) {
            case CLOSE_CHORD -> chord;
            case CLOSE_TONE -> List.of(chord.get(Math.min(role.degree(), chord.size()) - 1));
            case CLOSE_TOP -> List.of(chord.get(last));
            case CLOSE_LOWER -> chord.subList(0, Math.max(1, last));
            case CLOSE_UPPER -> chord.subList(Math.min(1, last), last + 1);
            default -> throw new IllegalArgumentException("role " + role + ": expected one of the close chord");
        };
    }
}
