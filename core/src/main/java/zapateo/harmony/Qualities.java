package zapateo.harmony;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/** The kinds of chords there are, by the tables in {@code resources/zapateo/harmony}, and how each is read. */
public final class Qualities {

    private static final QualityTables TABLES = new QualityTables();
    /** Signs that have been read before: a chart says the same few over and over. */
    private static final Map<String, Quality> READ = new ConcurrentHashMap<>();

    private static final int MOST_KEPT = 5_000;

    private Qualities() {}

    /** The base qualities alone, in the table's order. */
    public static List<Quality> all() {
        return TABLES.bases().stream().map(base -> new Quality(base, List.of())).toList();
    }

    public static Collection<Modifier> allModifiers() {
        return TABLES.modifiers();
    }

    /** The quality made of a base and modifiers by their ids, in its one form. */
    public static Quality of(String base, Collection<String> modifiers) {
        return TABLES.canonical(
                TABLES.base(base), modifiers.stream().map(TABLES::modifier).toList());
    }

    /** One with more behind it, in its one form. */
    public static Quality with(Quality quality, Modifier modifier) {
        return TABLES.canonical(
                quality.base(),
                Stream.concat(quality.modifiers().stream(), Stream.of(modifier)).toList());
    }

    /** The quality that is spelled {@code sign}, in any of its usual ways. */
    public static Optional<Quality> spelled(String sign) {
        try {
            return Optional.of(parse(sign));
        } catch (ChordUnreadException unread) {
            return Optional.empty();
        }
    }

    /** @throws ChordUnreadException with the place in {@code sign} */
    static Quality parse(String sign) {
        Quality known = READ.get(sign);
        if (known != null) {
            return known;
        }
        Quality read = new QualityReader(TABLES, QualityTables.plain(sign)).read();
        if (READ.size() < MOST_KEPT) {
            READ.put(sign, read);
        }
        return read;
    }

    /** Every spelling of a base quality with the quality it reads as, in the table's order. */
    public static Map<String, Quality> spellings() {
        Map<String, Quality> all = new LinkedHashMap<>();
        TABLES.readings().forEach((spelling, reading) -> {
            if (reading.refusal().isEmpty()) {
                all.put(spelling, TABLES.canonical(reading.base(), reading.modifiers()));
            }
        });
        return all;
    }
}
