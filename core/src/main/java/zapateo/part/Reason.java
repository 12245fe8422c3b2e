package zapateo.part;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/** Why something is as it is: a code and its arguments. The words are made at the edge. */
public record Reason(String code, Map<String, String> args) {

    public Reason {
        args = Collections.unmodifiableSortedMap(new TreeMap<>(args));
    }

    public Reason with(String arg, String value) {
        TreeMap<String, String> more = new TreeMap<>(args);
        more.put(arg, value);
        return new Reason(code, more);
    }

    public static Reason of(String code, Map<String, String> args) {
        return new Reason(code, args);
    }
}
