package zapateo.song;

import zapateo.names.Names;

/**
 * Something in a chart that cannot stand as it is, and where.
 *
 * @param code names the kind; the words for it are made at the edge
 * @param line from 1
 * @param column from 1, in UTF-16 code units as editors count
 * @param length characters it covers; 0 for a place between two
 * @param found what stands there
 * @param expected what could stand there; where it can be said, the text that mends it
 */
public record Problem(Severity severity, String code, int line, int column, int length, String found, String expected) {

    private static final int LONGEST_QUOTE = 60;

    /** An error leaves something out of the song; a warning only wants to be seen. */
    public enum Severity {
        ERROR,
        WARNING;

        public String id() {
            return Names.of(this);
        }
    }

    public Problem {
        found = found.length() > LONGEST_QUOTE ? found.substring(0, LONGEST_QUOTE) + "…" : found;
    }

    public static Problem error(String code, Word at, String expected) {
        return new Problem(
                Severity.ERROR, code, at.line(), at.column(), at.text().length(), at.text(), expected);
    }

    public static Problem warning(String code, Word at, String expected) {
        return new Problem(
                Severity.WARNING, code, at.line(), at.column(), at.text().length(), at.text(), expected);
    }
}
