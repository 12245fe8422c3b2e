package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.pitch.Pitch;

/** What of a chart moves to another key beside its chords: the key line, changes of key, the notes of the tune. */
final class TransposedSigns {

    private static final Pattern KEY_LINE = Pattern.compile("(?im)^(\\s*key\\s*:\\s*)([^\\r\\n]*?)([ \\t]*(?://.*)?)$");
    private static final Pattern KEY_SIGN = Pattern.compile("\\(key\\s+([^)]+)\\)");
    private static final Pattern TUNE_LINE = Pattern.compile("(?im)^(\\s*tune\\s*:)(.*)$");
    private static final Pattern TUNE_NOTE = Pattern.compile("(?<![\\w♭♯])([A-Ga-g](?:##|bb|𝄪|𝄫|[#b♯♭x])?)(-?[0-9])(?=[/*~\\s|]|$)");

    private TransposedSigns() {
    }

    static List<ChartEdit.Cut> of(String text, Transposition by) {
        List<ChartEdit.Cut> cuts = new ArrayList<>();
        keys(text, KEY_LINE, 2, by, cuts);
        keys(text, KEY_SIGN, 1, by, cuts);
        Matcher tune = TUNE_LINE.matcher(text);
        while (tune.find()) {
            Matcher note = TUNE_NOTE.matcher(tune.group(2));
            while (note.find()) {
                Pitch moved = by.of(Pitch.parse(note.group(1) + note.group(2)));
                cuts.add(new ChartEdit.Cut(tune.start(2) + note.start(), tune.start(2) + note.end(), moved.toString()));
            }
        }
        return cuts;
    }

    private static void keys(String text, Pattern sign, int group, Transposition by, List<ChartEdit.Cut> cuts) {
        Matcher match = sign.matcher(text);
        while (match.find()) {
            Key.read(match.group(group)).ifPresent(known -> cuts.add(new ChartEdit.Cut(match.start(group), match.end(group), by.of(known).toString())));
        }
    }
}
