package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A piece of chart text and where it stands; line and column count from 1. */
public record Word(String text, int line, int column) {

    /** Where {@code part}, which begins {@code from} characters into this, stands. */
    Word part(String part, int from) {
        return new Word(part, line, column + from);
    }

    /**
     * The words inside, apart at white space; what stands in quotes or in parentheses is one. Read once from left to
     * right, however they are nested.
     */
    List<Word> words() {
        List<Word> words = new ArrayList<>();
        Reading reading = new Reading(text);
        for (int from = reading.start(0); from < text.length(); from = reading.start(from)) {
            int end = reading.end(from);
            words.add(part(text.substring(from, end), from));
            from = end;
        }
        return words;
    }

    /** The first word from a place in it on; empty where there is none. */
    Optional<Word> firstWord(int place) {
        Reading reading = new Reading(text);
        int from = reading.start(place);
        return from < text.length()
                ? Optional.of(part(text.substring(from, reading.end(from)), from))
                : Optional.empty();
    }

    /** Remembers where the next quote and the next closing parenthesis stand, so that nothing is looked for twice. */
    private static final class Reading {

        private final String text;
        private int quote = -1;
        private int close = -1;

        private Reading(String text) {
            this.text = text;
        }

        private int start(int from) {
            int at = from;
            while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
                at++;
            }
            return at;
        }

        private int end(int from) {
            char first = text.charAt(from);
            if (first == '"') {
                int end = text.indexOf('"', from + 1);
                return end < 0 ? text.length() : end + 1;
            }
            if (first == '(') {
                quote = quote < from ? next('"', from) : quote;
                close = close < from ? next(')', from) : close;
                if (close < quote) {
                    return close + 1;
                }
            }
            int at = from;
            while (at < text.length() && !Character.isWhitespace(text.charAt(at))) {
                at++;
            }
            return at;
        }

        private int next(char wanted, int from) {
            int found = text.indexOf(wanted, from);
            return found < 0 ? Integer.MAX_VALUE : found;
        }
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
