package zapateo.rhythm;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The figures that ship with Zapateo: one YAML file each under {@code figures/} for the left hand or both and
 * {@code right-figures/} for the right one, in the order of the folder's {@code book.txt}. A mistake in a file is
 * refused when the book is opened, with the file and the line.
 */
public final class FigureBook {

    private static final String LEFT = "figures/";
    private static final String RIGHT = "right-figures/";

    /** What ships does not change while it runs. */
    private static final Map<String, FigureBook> SHIPPED = new ConcurrentHashMap<>();

    private final Map<String, Figure> byId = new LinkedHashMap<>();

    private FigureBook() {}

    /** This book with more figures at its end; one with an id that is taken replaces it. */
    public FigureBook with(List<Figure> more) {
        FigureBook book = new FigureBook();
        book.byId.putAll(byId);
        more.forEach(figure -> book.byId.put(figure.id(), figure));
        return book;
    }

    /** Opens the book that ships. */
    public static FigureBook open() {
        return SHIPPED.computeIfAbsent(LEFT, FigureBook::read);
    }

    /** Opens the rhythms of the right hand. */
    public static FigureBook ofTheRightHand() {
        return SHIPPED.computeIfAbsent(RIGHT, FigureBook::read);
    }

    private static FigureBook read(String folder) {
        FigureBook book = new FigureBook();
        for (String id : DataFile.text(folder + "book.txt")
                .lines()
                .filter(line -> !line.isBlank() && !line.startsWith("#"))
                .toList()) {
            String file = id.strip() + ".yaml";
            book.byId.put(id.strip(), FigureFile.parse(file, DataFile.text(folder + file)));
        }
        return book;
    }

    public List<Figure> figures() {
        return List.copyOf(byId.values());
    }

    public Optional<Figure> figure(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** Those of this book and of another; what is in both stays as it is here. */
    public FigureBook and(FigureBook others) {
        return others.with(figures());
    }
}
