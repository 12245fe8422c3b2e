package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A piece of chart text and where it stands; line and column count from 1. */
public record Word(String text, int line, int column) {

    /** A remark in quotes, a sign in parentheses, or whatever stands between spaces. */
    private static final Pattern WORDS = Pattern.compile("\"[^\"]*\"?|\\([^)\"]*\\)|\\S+");

    /** Where {@code part}, which begins {@code from} characters into this, stands. */
    Word part(String part, int from) {
        return new Word(part, line, column + from);
    }

    /** The words inside, apart at white space; what stands in quotes or in parentheses is one. */
    List<Word> words() {
        List<Word> words = new ArrayList<>();
        Matcher match = WORDS.matcher(text);
        while (match.find()) {
            words.add(part(match.group(), match.start()));
        }
        return words;
    }

    /** Without the white space round it. */
    Word stripped() {
        int lead = text.length() - text.stripLeading().length();
        return part(text.strip(), lead);
    }

    boolean isBlank() {
        return text.isBlank();
    }

    /** Apart at bar lines; one before the first and one behind the last are only decoration. */
    List<Word> cells() {
        List<Word> cells = new ArrayList<>();
        int from = 0;
        for (int at = text.indexOf('|'); at >= 0; at = text.indexOf('|', from)) {
            cells.add(part(text.substring(from, at), from));
            from = at + 1;
        }
        cells.add(part(text.substring(from), from));
        if (cells.get(0).isBlank() && cells.size() > 1) {
            cells.remove(0);
        }
        if (cells.get(cells.size() - 1).isBlank() && cells.size() > 1) {
            cells.remove(cells.size() - 1);
        }
        return cells;
    }

    /** A line up to its comment, which begins the line or stands behind a space. */
    static String withoutRemark(String line) {
        for (int at = line.indexOf("//"); at >= 0; at = line.indexOf("//", at + 1)) {
            if (at == 0 || Character.isWhitespace(line.charAt(at - 1))) {
                return line.substring(0, at);
            }
        }
        return line;
    }

    /** A line up to its comment: two strokes begin one unless they stand in quotes. */
    static String withoutComment(String line) {
        boolean quoted = false;
        for (int i = 0; i + 1 < line.length(); i++) {
            if (line.charAt(i) == '"') {
                quoted = !quoted;
            } else if (!quoted && line.charAt(i) == '/' && line.charAt(i + 1) == '/') {
                return line.substring(0, i);
            }
        }
        return line;
    }
}
