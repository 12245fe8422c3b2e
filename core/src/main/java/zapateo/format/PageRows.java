package zapateo.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What a strict reader marks on the page, read from the MusicXML itself: a finger over every note of a bar (P1), a
 * chord symbol over a silent bar (P3), no dynamics or no word for a feel (P4, once), spellings that nobody reads (P5).
 * Tune and chord under it have one length here, so that P2 cannot be.
 */
public final class PageRows {

    /** So many notes with a finger each are a bar full of fingers. */
    private static final int MANY = 5;

    private static final Set<String> STRANGE = Set.of("C-1", "F-1", "E1", "B1");
    private static final int SHARPS = 6;

    private PageRows() {}

    /** @param bar the measure's number, as written */
    public record Mark(String id, String bar) {}

    /** @throws IllegalArgumentException where it is no MusicXML */
    public static List<Mark> read(byte[] musicXml) {
        XmlTree score;
        try {
            score = XmlTree.read(musicXml);
        } catch (XmlTree.Unread e) {
            throw new IllegalArgumentException("MusicXML, line " + e.line + ": " + e.code, e);
        }
        List<Mark> marks = new ArrayList<>();
        int fifths = 0;
        List<XmlTree> measures = all(score, "measure").toList();
        for (XmlTree measure : measures) {
            fifths = all(measure, "fifths")
                    .findFirst()
                    .map(each -> Integer.parseInt(each.text()))
                    .orElse(fifths);
            String bar = measure.attributes.getOrDefault("number", "");
            List<XmlTree> notes = all(measure, "note")
                    .filter(note -> all(note, "pitch").findAny().isPresent())
                    .toList();
            if (notes.size() >= MANY
                    && notes.stream()
                            .allMatch(note -> all(note, "fingering").findAny().isPresent())) {
                marks.add(new Mark("P1", bar));
            }
            boolean symbol = all(measure, "kind").anyMatch(kind -> !kind.text().equals("none"));
            if (notes.isEmpty() && symbol) {
                marks.add(new Mark("P3", bar));
            }
            int key = fifths;
            if (notes.stream().anyMatch(note -> isStrange(note, key))) {
                marks.add(new Mark("P5", bar));
            }
        }
        boolean swings = all(score, "swing").findAny().isPresent();
        if (all(score, "dynamics").findAny().isEmpty()
                || swings && all(score, "words").findAny().isEmpty()) {
            marks.add(new Mark(
                    "P4", measures.isEmpty() ? "" : measures.get(0).attributes.getOrDefault("number", "")));
        }
        return marks;
    }

    /** A double sign, or a white key by its neighbour's name where the key does not have it so. */
    private static boolean isStrange(XmlTree note, int fifths) {
        String step = all(note, "step").findFirst().map(XmlTree::text).orElse("");
        int alter = all(note, "alter")
                .findFirst()
                .map(each -> Integer.parseInt(each.text()))
                .orElse(0);
        boolean ofKey = alter > 0 && fifths >= SHARPS || alter < 0 && fifths <= -SHARPS;
        return Math.abs(alter) > 1 || STRANGE.contains(step + alter) && !ofKey;
    }

    private static Stream<XmlTree> all(XmlTree element, String name) {
        return element.children.stream()
                .flatMap(child -> Stream.concat(
                        Optional.of(child).filter(each -> each.name.equals(name)).stream(), all(child, name)));
    }
}
