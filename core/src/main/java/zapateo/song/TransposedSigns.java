package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;

/** What of a chart moves to another key beside its chords and its melody: the key line and changes of key. */
final class TransposedSigns {

    static final Pattern KEY_LINE = Pattern.compile("(?im)^(\\s*key\\s*:\\s*)([^\\r\\n]*?)([ \\t]*(?://.*)?)$");
    private static final Pattern KEY_SIGN = Pattern.compile("\\(key\\s+([^)]+)\\)");

    private TransposedSigns() {}

    static List<ChartCells.Cut> of(String text, Transposition by) {
        List<ChartCells.Cut> cuts = new ArrayList<>();
        keys(text, KEY_LINE, 2, by, cuts);
        keys(text, KEY_SIGN, 1, by, cuts);
        return cuts;
    }

    private static void keys(String text, Pattern sign, int group, Transposition by, List<ChartCells.Cut> cuts) {
        Matcher match = sign.matcher(text);
        while (match.find()) {
            Key.read(match.group(group))
                    .ifPresent(known -> cuts.add(new ChartCells.Cut(
                            match.start(group), match.end(group), by.of(known).toString())));
        }
    }
}
