package zapateo.harmony;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** Reads what stands behind a chord's root: the longest quality that leaves only modifiers behind it. */
final class QualityReader {

    private static final String BETWEEN = "(), ";

    private final QualityTables tables;
    private final String sign;
    private int farthest;

    QualityReader(QualityTables tables, String sign) {
        this.tables = tables;
        this.sign = sign;
    }

    Quality read() {
        if (count('(') != count(')')) {
            throw new ChordUnreadException("parentheses", Math.max(0, sign.indexOf('(')));
        }
        List<Map.Entry<String, QualityTables.Reading>> starts = tables.readings().entrySet().stream()
                .filter(entry -> sign.startsWith(entry.getKey()))
                .sorted(Comparator.comparingInt((Map.Entry<String, QualityTables.Reading> entry) ->
                                entry.getKey().length())
                        .reversed())
                .toList();
        for (Map.Entry<String, QualityTables.Reading> start : starts) {
            QualityTables.Reading reading = start.getValue();
            List<Modifier> modifiers = new ArrayList<>(reading.modifiers());
            if (!reading.refusal().isEmpty() && start.getKey().length() == sign.length()) {
                throw new ChordUnreadException(reading.refusal(), 0);
            }
            if (reading.refusal().isEmpty() && readModifiers(start.getKey().length(), modifiers)) {
                return tables.canonical(reading.base(), modifiers);
            }
        }
        throw new ChordUnreadException("unknown", farthest);
    }

    private long count(char sought) {
        return sign.chars().filter(each -> each == sought).count();
    }

    /**
     * Whether nothing but modifiers stands from {@code from} on, each named once. A bare number counts in parentheses
     * only.
     */
    private boolean readModifiers(int from, List<Modifier> read) {
        int at = from;
        boolean inside = false;
        while (at < sign.length()) {
            char next = sign.charAt(at);
            if (BETWEEN.indexOf(next) >= 0) {
                inside = next == '(' || inside && next != ')';
                at++;
                continue;
            }
            String spelling = longest(at, inside);
            farthest = Math.max(farthest, at);
            if (spelling.isEmpty() || read.contains(tables.modifierSpellings().get(spelling))) {
                return false;
            }
            read.add(tables.modifierSpellings().get(spelling));
            at += spelling.length();
        }
        return true;
    }

    private String longest(int at, boolean inside) {
        return tables.modifierSpellings().keySet().stream()
                .filter(spelling -> sign.startsWith(spelling, at))
                .filter(spelling -> inside || !Character.isDigit(spelling.charAt(0)))
                // A lone + is the raised fifth only where nothing it could raise follows.
                .filter(spelling ->
                        !spelling.equals("+") || at + 1 == sign.length() || !Character.isDigit(sign.charAt(at + 1)))
                .max(Comparator.comparingInt(String::length))
                .orElse("");
    }
}
