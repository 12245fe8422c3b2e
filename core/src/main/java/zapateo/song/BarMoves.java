package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Where the bars of a chart went when it was changed, so that what hangs on a bar can go with it.
 *
 * @param places for each written bar as it was before, in order, its place now, from 0; empty where it is gone
 */
public record BarMoves(List<Optional<Integer>> places) {

    public BarMoves {
        places = List.copyOf(places);
    }

    /**
     * One bar's way, as the chart numbers them.
     *
     * @param to empty where the bar is gone
     * @param pass where repeats are written out: which time it was played
     */
    public record Move(int from, Optional<Integer> to, Optional<Integer> pass) {}

    /** Bars {@code from} to {@code to} of so many, both included, taken out and put before bar {@code before}. */
    public static BarMoves moved(int bars, int from, int to, int before) {
        List<Integer> order = new ArrayList<>(IntStream.range(0, bars).boxed().toList());
        List<Integer> run = List.copyOf(order.subList(from, to + 1));
        order.removeAll(run);
        order.addAll(before > to ? before - run.size() : Math.min(before, from), run);
        return new BarMoves(IntStream.range(0, bars)
                .mapToObj(bar -> Optional.of(order.indexOf(bar)))
                .toList());
    }

    /** So many bars new before a place. */
    public static BarMoves inserted(int bars, int before, int many) {
        return new BarMoves(IntStream.range(0, bars)
                .mapToObj(bar -> Optional.of(bar < before ? bar : bar + many))
                .toList());
    }

    /** Bars {@code from} to {@code to} taken out, both included. */
    public static BarMoves deleted(int bars, int from, int to) {
        return new BarMoves(IntStream.range(0, bars)
                .mapToObj(bar -> bar >= from && bar <= to
                        ? Optional.<Integer>empty()
                        : Optional.of(bar < from ? bar : bar - (to - from + 1)))
                .toList());
    }

    /** A whole section, by its place from 0, put behind itself once more, taken out, or moved past its neighbour. */
    public static BarMoves section(List<WrittenSection> sections, int place, SectionChange change) {
        int bars = sections.stream().mapToInt(section -> section.bars().size()).sum();
        int from = sections.subList(0, place).stream()
                .mapToInt(section -> section.bars().size())
                .sum();
        int many = sections.get(place).bars().size();
        if (many == 0) {
            return inserted(bars, bars, 0);
        }
        return switch (change) {
            case COPY -> inserted(bars, from + many, many);
            case DELETE -> deleted(bars, from, from + many - 1);
            case EARLIER ->
                moved(
                        bars,
                        from,
                        from + many - 1,
                        from - sections.get(place - 1).bars().size());
            case LATER ->
                moved(
                        bars,
                        from,
                        from + many - 1,
                        from + many + sections.get(place + 1).bars().size());
        };
    }

    /**
     * Of a text that was changed freely: what is alike from the start and from the end stays with its bar; between,
     * bars are taken in their order, and those that are too many are gone.
     */
    public static BarMoves between(List<WrittenBar> before, List<WrittenBar> after) {
        int same = 0;
        int most = Math.min(before.size(), after.size());
        while (same < most && alike(before.get(same), after.get(same))) {
            same++;
        }
        int last = 0;
        while (last < most - same && alike(before.get(before.size() - 1 - last), after.get(after.size() - 1 - last))) {
            last++;
        }
        int changed = after.size() - last;
        int end = before.size() - last;
        return new BarMoves(IntStream.range(0, before.size())
                .mapToObj(bar -> bar >= end
                        ? Optional.of(bar - before.size() + after.size())
                        : bar < changed ? Optional.of(bar) : Optional.<Integer>empty())
                .toList());
    }

    private static boolean alike(WrittenBar one, WrittenBar other) {
        return one.number(other.number()).equals(other);
    }

    /** By the numbers of the chart; only what has another one now, or none. */
    public List<Move> byNumber(List<WrittenBar> before, List<WrittenBar> after) {
        List<Move> moves = new ArrayList<>();
        for (int bar = 0; bar < before.size(); bar++) {
            int from = before.get(bar).number();
            Optional<Integer> to = places.get(bar)
                    .filter(place -> place < after.size())
                    .map(place -> after.get(place).number());
            if (to.filter(number -> number == from).isEmpty()) {
                moves.add(new Move(from, to, Optional.empty()));
            }
        }
        return moves;
    }
}
