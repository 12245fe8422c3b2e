package zapateo.pitch;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * An accidental as it stands in a text.
 *
 * @param alteration semitones, -2 to 2
 * @param length characters it takes, 0 when there is none
 */
public record Accidental(int alteration, int length) {

    private static final Map<String, Integer> SIGNS = new LinkedHashMap<>();

    static {
        SIGNS.put("##", 2);
        SIGNS.put("♯♯", 2);
        SIGNS.put("𝄪", 2);
        SIGNS.put("x", 2);
        SIGNS.put("bb", -2);
        SIGNS.put("♭♭", -2);
        SIGNS.put("𝄫", -2);
        SIGNS.put("#", 1);
        SIGNS.put("♯", 1);
        SIGNS.put("b", -1);
        SIGNS.put("♭", -1);
        SIGNS.put("♮", 0);
    }

    /** The accidental that starts at {@code from} in {@code text}, or one of length 0. */
    public static Accidental at(String text, int from) {
        for (Map.Entry<String, Integer> sign : SIGNS.entrySet()) {
            if (text.startsWith(sign.getKey(), from)) {
                return new Accidental(sign.getValue(), sign.getKey().length());
            }
        }
        return new Accidental(0, 0);
    }
}
