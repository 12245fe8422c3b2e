package zapateo.choice;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import zapateo.names.Names;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;

/**
 * Something a player can choose; a row of a table. Readers of requests and of kept songs, the description of the HTTP
 * surface, the fields of a screen, the comparison of arrangements, presets and levels go by it: another choice is
 * another row, and the rule that asks for it.
 *
 * @param id its name in open data; in one place it is unique
 * @param range what it may be
 * @param usual what it is where it is left open; empty where something else decides, the figure, the song or the
 *     player's hand
 * @param places where it may hold
 * @param auto whether {@code auto} may be written for leaving it open
 * @param falls the choice it belongs to: with another value of that it is dropped
 * @param along the choice that is chosen alike with it where one is asked for both
 * @param fromLevel the first level that leaves it standing
 * @param things where it names something, all there is, the figures of a book among them
 * @param offered the ids of those a figure takes; empty for all
 * @param usualOf what is heard of it with a figure where it is left open
 * @param apart whether it is set by something of its own, not by a field among the others
 * @param use one line: what it decides
 */
public record Choice<T>(
        String id,
        Range<T> range,
        Optional<T> usual,
        Set<Place> places,
        boolean auto,
        Optional<Choice<?>> falls,
        Optional<Choice<T>> along,
        int fromLevel,
        Optional<Things> things,
        Function<Figure, Optional<List<String>>> offered,
        Function<Figure, Optional<T>> usualOf,
        boolean apart,
        String use) {

    /** What there is to name. */
    public interface Things {

        /** @param book the figures that are known beside those of the right hand that ship */
        List<Thing> all(FigureBook book);
    }

    /** Something that can be chosen by its id. */
    public record Thing(String id, String name, String use) {}

    /** Where a choice may hold. */
    public enum Place {
        SONG,
        SECTION,
        BARS,
        RIGHT,
        RIGHT_SECTION;

        public String id() {
            return Names.of(this);
        }
    }

    private static final String AUTO = "auto";

    /** The same whatever figures there are. */
    public static <N> Things things(
            List<N> all, Function<N, String> id, Function<N, String> name, Function<N, String> use) {
        List<Thing> things = all.stream()
                .map(each -> new Thing(id.apply(each), name.apply(each), use.apply(each)))
                .toList();
        return book -> things;
    }

    /** All figures of a hand. */
    public static Things figures(boolean ofRightHand) {
        return book -> (ofRightHand ? FigureBook.ofTheRightHand().and(book) : book)
                .figures().stream()
                        .filter(figure -> figure.isOfRightHand() == ofRightHand)
                        .map(figure -> new Thing(figure.id(), figure.name(), figure.use()))
                        .toList();
    }

    public static <T> Row<T> row(String id, Range<T> range, Set<Place> places, String use) {
        return new Row<>(id, range, places, use);
    }

    /** One on the way into its table. */
    public static final class Row<T> {

        private static final int EASIEST = 1;

        private final String id;
        private final Range<T> range;
        private final Set<Place> places;
        private final String use;
        private Optional<T> usual = Optional.empty();
        private boolean auto;
        private Optional<Choice<?>> falls = Optional.empty();
        private Optional<Choice<T>> along = Optional.empty();
        private int fromLevel = EASIEST;
        private Optional<Things> things = Optional.empty();
        private Function<Figure, Optional<List<String>>> offered = figure -> Optional.empty();
        private Function<Figure, Optional<T>> usualOf = figure -> Optional.empty();
        private boolean apart;

        private Row(String id, Range<T> range, Set<Place> places, String use) {
            this.id = id;
            this.range = range;
            this.places = places;
            this.use = use;
        }

        public Row<T> usually(T value) {
            usual = Optional.of(value);
            return this;
        }

        public Row<T> orAuto() {
            auto = true;
            return this;
        }

        public Row<T> fallsWith(Choice<?> other) {
            falls = Optional.of(other);
            return this;
        }

        public Row<T> along(Choice<T> other) {
            along = Optional.of(other);
            return this;
        }

        public Row<T> from(int level) {
            fromLevel = level;
            return this;
        }

        public Row<T> naming(Things all) {
            things = Optional.of(all);
            return this;
        }

        public Row<T> offering(Function<Figure, Optional<List<String>>> ids) {
            offered = ids;
            return this;
        }

        public Row<T> usuallyOf(Function<Figure, Optional<T>> value) {
            usualOf = value;
            return this;
        }

        public Row<T> apart() {
            apart = true;
            return this;
        }

        public Choice<T> in(List<Choice<?>> table) {
            Choice<T> choice = new Choice<>(
                    id, range, usual, places, auto, falls, along, fromLevel, things, offered, usualOf, apart, use);
            table.add(choice);
            return choice;
        }
    }

    /** Whether something written leaves it open. */
    boolean isOpen(Object written) {
        return written == null || auto && written.equals(AUTO);
    }

    @Override
    public boolean equals(Object other) {
        return this == other;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(this);
    }
}
