package zapateo.song;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Reads the order line, {@code Form: Intro Verse Verse Bridge}: names of sections apart at commas or spaces. */
final class FormReader {

    private static final int MOST = 200;

    private FormReader() {}

    /** Places of the sections; a name that is none is reported and passed over. */
    static List<Integer> read(Word value, List<WrittenSection> sections, List<Problem> problems) {
        List<Integer> places = new ArrayList<>();
        String text = value.text();
        int at = 0;
        while (at < text.length() && places.size() < MOST) {
            if (Character.isWhitespace(text.charAt(at))
                    || text.charAt(at) == ','
                    || text.charAt(at) == '-'
                    || text.charAt(at) == '–') {
                at++;
                continue;
            }
            Optional<Integer> place = longest(text, at, sections);
            if (place.isPresent()) {
                places.add(place.get());
                at += sections.get(place.get()).name().length();
            } else {
                Word word = value.part(text.substring(at).split("[\\s,]", 2)[0], at);
                problems.add(Problem.error(
                        "form-unknown",
                        word,
                        "names of sections: "
                                + String.join(
                                        ", ",
                                        sections.stream()
                                                .map(WrittenSection::name)
                                                .filter(name -> !name.isEmpty())
                                                .distinct()
                                                .toList())));
                at += Math.max(1, word.text().length());
            }
        }
        return places;
    }

    private static Optional<Integer> longest(String text, int at, List<WrittenSection> sections) {
        return IntStream.range(0, sections.size())
                .boxed()
                .filter(i -> !sections.get(i).name().isEmpty()
                        && sections.get(i).again().isEmpty())
                .filter(i -> text.regionMatches(
                        true,
                        at,
                        sections.get(i).name(),
                        0,
                        sections.get(i).name().length()))
                .filter(i -> endsThere(text, at + sections.get(i).name().length()))
                .max(Comparator.comparingInt(
                                (Integer i) -> sections.get(i).name().length())
                        .thenComparing(Comparator.reverseOrder()));
    }

    private static boolean endsThere(String text, int at) {
        return at == text.length() || !Character.isLetterOrDigit(text.charAt(at));
    }
}
