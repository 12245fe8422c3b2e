package zapateo.rhythm;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.refusal.Refused;

/**
 * A bar of a figure that stands in for the usual one now and then.
 *
 * @param when which bars it takes
 * @param bars its strokes in each metre it is written for
 */
public record Variation(When when, Map<Meter, List<FigureStroke>> bars) {

    /**
     * Which bars a variation takes.
     *
     * @param kind every so many bars of a section, its last bar, or the last bar of the song
     * @param every bars from one to the next, 0 where they are not counted
     * @param lively whether it waits for liveliness to be asked for
     */
    public record When(Kind kind, int every, boolean lively) {

        /** What decides. */
        public enum Kind {
            EVERY,
            SECTION,
            LAST
        }

        private static final Pattern EVERY = Pattern.compile("every ([2-9]|1[0-6])");

        private static final String LIVELY = "lively ";

        static When parse(String text) {
            boolean lively = text.startsWith(LIVELY);
            String written = lively ? text.substring(LIVELY.length()) : text;
            Matcher every = EVERY.matcher(written);
            if (every.matches()) {
                return new When(Kind.EVERY, Integer.parseInt(every.group(1)), lively);
            }
            return switch (written) {
                case "section" -> new When(Kind.SECTION, 0, lively);
                case "last" -> new When(Kind.LAST, 0, lively);
                default ->
                    throw new Refused("variation \"" + text
                            + "\": expected every 2 to every 16, section or last, with lively before it at will");
            };
        }

        /** @param inSection place of the bar in its section, from 1 */
        boolean takes(int inSection, boolean lastOfSection, boolean lastOfSong) {
            return switch (kind) {
                case EVERY -> inSection % every == 0 && !lastOfSong;
                case SECTION -> lastOfSection && !lastOfSong;
                case LAST -> lastOfSong;
            };
        }

        @Override
        public String toString() {
            return (lively ? LIVELY : "")
                    + (kind == Kind.EVERY ? "every " + every : kind == Kind.SECTION ? "section" : "last");
        }
    }
}
