package zapateo.rhythm;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The figures that ship with Zapateo: one YAML file each under {@code figures/}, in the order of {@code figures/book.txt}.
 * A mistake in a file is refused when the book is opened, with the file and the line.
 */
public final class FigureBook {

    private static final String FOLDER = "figures/";

    private final Map<String, Figure> byId = new LinkedHashMap<>();

    private FigureBook() {
    }

    /** This book with more figures at its end; one with an id that is taken replaces it. */
    public FigureBook with(List<Figure> more) {
        FigureBook book = new FigureBook();
        book.byId.putAll(byId);
        more.forEach(figure -> book.byId.put(figure.id(), figure));
        return book;
    }

    /** Opens the book that ships. */
    public static FigureBook open() {
        FigureBook book = new FigureBook();
        for (String id : DataFile.text(FOLDER + "book.txt").lines().filter(line -> !line.isBlank() && !line.startsWith("#")).toList()) {
            String file = id.strip() + ".yaml";
            book.byId.put(id.strip(), FigureFile.parse(file, DataFile.text(FOLDER + file)));
        }
        return book;
    }

    public List<Figure> figures() {
        return List.copyOf(byId.values());
    }

    public Optional<Figure> figure(String id) {
        return Optional.ofNullable(byId.get(id));
    }
}
