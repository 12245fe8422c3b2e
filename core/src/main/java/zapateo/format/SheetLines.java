package zapateo.format;

import java.util.ArrayList;
import java.util.List;
import zapateo.arrangement.Arrangement;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.SongPart;

/**
 * The lines of a page on the music stand (HANDBOOK §12a): so many bars each, a section begins a line, no line has one
 * bar alone where it can be helped.
 *
 * @param lines in the order they are played
 */
public record SheetLines(List<Line> lines) {

    /** The page may be turned behind it with a hand that is free. */
    private static final int FREE = 0;

    private static final int BUSY = 1;
    /** Something is held over the turn. */
    private static final int HELD = 4;
    /** One line of a section is left for the next page. */
    private static final int LAST_LINE = 2;

    public SheetLines {
        lines = List.copyOf(lines);
    }

    /**
     * Some bars side by side.
     *
     * @param first index of the first bar
     * @param last and of the last
     * @param opens whether its section begins here
     * @param turn what it costs to turn the page behind it
     */
    public record Line(
            int first, int last, String section, SongPart part, int pass, boolean opens, boolean closes, int turn) {}

    /** @param most bars in a line */
    public static SheetLines of(Arrangement arrangement, int most) {
        List<Line> lines = new ArrayList<>();
        for (Section section : arrangement.song().sections()) {
            List<Bar> bars = section.bars();
            // A pick-up stands before the first line and takes none of its room.
            int pickUp = bars.size() > 1 && bars.get(0).written().isShort() ? 1 : 0;
            List<Integer> lengths = lengths(bars.size() - pickUp, most);
            lengths.set(0, lengths.get(0) + pickUp);
            int from = 0;
            for (int length : lengths) {
                int to = from + length - 1;
                boolean closes = to == bars.size() - 1;
                boolean oneLeft = !closes && bars.size() - 1 - to <= most;
                lines.add(new Line(
                        bars.get(from).index(),
                        bars.get(to).index(),
                        section.name(),
                        section.part(),
                        section.pass(),
                        from == 0,
                        closes,
                        turn(arrangement, bars.get(to)) + (oneLeft ? LAST_LINE : 0)));
                from = to + 1;
            }
        }
        return new SheetLines(lines);
    }

    /**
     * How many bars each line of a section has: as many as there may be, and what is left over; one bar alone takes one
     * from the line before.
     */
    static List<Integer> lengths(int bars, int most) {
        List<Integer> lengths = new ArrayList<>();
        for (int left = bars; left > 0; left -= Math.min(most, left)) {
            lengths.add(Math.min(most, left));
        }
        int last = lengths.size() - 1;
        if (last > 0 && most > 2 && lengths.get(last) == 1) {
            lengths.set(last - 1, most - 1);
            lengths.set(last, 2);
        }
        return lengths;
    }

    private static int turn(Arrangement arrangement, Bar bar) {
        List<Stroke> strokes = arrangement.strokes();
        if (strokes.stream()
                .anyMatch(stroke ->
                        stroke.onPage().tick() < bar.end() && stroke.onPage().end() > bar.end())) {
            return HELD;
        }
        int beat = bar.end() - bar.meter().beatTicks();
        boolean free = false;
        for (Side side : Side.values()) {
            free |= strokes.stream()
                    .noneMatch(stroke -> stroke.hand() == side
                            && stroke.onPage().end() > beat
                            && stroke.onPage().tick() < bar.end());
        }
        return free ? FREE : BUSY;
    }
}
