package zapateo.part;

import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;

/**
 * Why something is as it is: a code and its arguments. The words are made at the edge.
 *
 * @param args in the order of their names
 */
public record Reason(String code, Map<String, String> args) {

    public Reason {
        String[] names = args.keySet().toArray(new String[0]);
        Arrays.sort(names);
        Map<String, String> sorted = new LinkedHashMap<>();
        for (String name : names) {
            sorted.put(name, args.get(name));
        }
        args = Collections.unmodifiableMap(sorted);
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
