package zapateo.colour;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Interval;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.YamlFields;

/**
 * A way to say a chord otherwise; a row of {@code colour/rules/*.yaml}, where its fields are told.
 *
 * @param kind the file it stands in: what sort of colour it is
 * @param chord what it looks for
 * @param covers the degrees of the chords it takes after the first
 * @param goesOn whether it takes a chord that goes on in the next bars, where there is one
 * @param makes its variants by name
 * @param styles how well each style takes it, 1 to 3
 * @param spice whether once in a phrase is enough
 * @param raises by how many semitones the song goes up after it, 0 for all but a few
 * @param voicing how the left hand lays the chord there, held; empty for all that say another chord
 * @param why the sentence that says what it does
 */
public record ColourRule(
        String id,
        String name,
        String kind,
        Look chord,
        List<Set<Integer>> covers,
        boolean goesOn,
        Map<String, List<Made>> makes,
        Map<ColourStyle, Integer> styles,
        boolean spice,
        int raises,
        Optional<String> voicing,
        String why) {

    private static final Set<String> FIELDS = Set.of(
            "name", "keys", "on", "is", "covers", "beats", "most", "then", "before", "place", "makes", "styles",
            "spice", "raises", "voicing", "why");
    private static final Set<String> BESIDE = Set.of("up", "on", "is", "except");
    private static final int MOST_WEIGHT = 3;
    private static final List<ColourRule> ALL = readAll();
    private static final Map<String, ColourRule> BY_ID = new LinkedHashMap<>();

    static {
        ALL.forEach(rule -> BY_ID.put(rule.id, rule));
    }

    /**
     * What a chord has to be.
     *
     * @param minor the key's mode, empty for both
     * @param on semitones above the tonic, empty for all
     * @param is signs behind the root, empty for all
     * @param beats how long at least
     * @param then what follows
     * @param before what comes before
     * @param place all of them hold
     */
    record Look(
            Optional<Boolean> minor,
            Set<Integer> on,
            Set<String> is,
            int beats,
            int most,
            Optional<Beside> then,
            Optional<Beside> before,
            Set<ColourPlace.Mark> place) {

        boolean fits(ColourPlace at) {
            return minor.filter(each -> each != at.key().mode().isMinor()).isEmpty()
                    && (on.isEmpty() || on.contains(above(at.chord(), at.key())))
                    && isOne(is, at.chord())
                    && at.chord().bass().chroma() == at.chord().root().chroma()
                    && at.ticks() >= beats * at.beat()
                    && at.ticks() <= most * at.beat()
                    && at.marks().containsAll(place)
                    && then.filter(each -> at.next()
                                    .filter(next -> each.fits(at.chord(), next, next, at.key()))
                                    .isEmpty())
                            .isEmpty()
                    && before.filter(each -> at.before()
                                    .map(other -> !each.fits(other, at.chord(), other, at.key()))
                                    .orElse(!each.onlyForbids()))
                            .isEmpty();
        }
    }

    /**
     * What a chord beside it has to be.
     *
     * @param up semitones from root to root
     * @param on of the key
     * @param except degrees it must not stand on
     */
    record Beside(Set<Integer> up, Set<Integer> on, Set<Integer> except, Set<String> is) {

        /** Whether it asks for nothing, so that where there is no chord nothing is wrong. */
        private boolean onlyForbids() {
            return up.isEmpty() && on.isEmpty() && is.isEmpty();
        }

        private boolean fits(ChordSymbol from, ChordSymbol to, ChordSymbol it, Key key) {
            int moved = Math.floorMod(to.root().chroma() - from.root().chroma(), 12);
            return (up.isEmpty() ? moved != 0 || !on.isEmpty() || !except.isEmpty() : up.contains(moved))
                    && (on.isEmpty() || on.contains(above(it, key)))
                    && !except.contains(above(it, key))
                    && isOne(is, it);
        }
    }

    private static int above(ChordSymbol chord, Key key) {
        return Math.floorMod(chord.root().chroma() - key.tonic().chroma(), 12);
    }

    private static boolean isOne(Set<String> signs, ChordSymbol chord) {
        String written = chord.quality().written();
        return signs.isEmpty() || signs.contains(written.isEmpty() ? "maj" : written);
    }

    /** Whether it is for what is played a second time, and so for one time alone. */
    boolean isForLater() {
        return chord.place().contains(ColourPlace.Mark.AGAIN);
    }

    public static List<ColourRule> all() {
        return ALL;
    }

    public static Optional<ColourRule> named(String id) {
        return Optional.ofNullable(BY_ID.get(id));
    }

    /** How many chords it takes at a place; 0 where it does not fit. */
    int fits(List<ColourPlace> places, int at) {
        int count = goesOn ? same(places, at) : 1 + covers.size();
        if (at + count > places.size()) {
            return 0;
        }
        for (int i = 1; i < count; i++) {
            ColourPlace before = places.get(at + i - 1);
            ColourPlace place = places.get(at + i);
            boolean taken = place.tick() == before.end()
                    && place.key().equals(before.key())
                    && (goesOn
                            || covers.get(i - 1).contains(above(place.chord(), place.key()))
                                    && place.chord().over().isEmpty());
            if (!taken) {
                return 0;
            }
        }
        return chord.fits(span(places, at, count)) ? count : 0;
    }

    /** How many bars a chord goes on for, where that is two or four. */
    private static int same(List<ColourPlace> places, int at) {
        int count = 1;
        while (at + count < places.size()
                && count < 4
                && places.get(at + count).chord().equals(places.get(at).chord())
                && places.get(at + count).tick() == places.get(at + count - 1).end()) {
            count++;
        }
        return count == 3 ? 2 : count;
    }

    static ColourPlace span(List<ColourPlace> places, int at, int count) {
        return places.get(at).with(places.subList(at + 1, at + count));
    }

    private static List<ColourRule> readAll() {
        List<ColourRule> all = new ArrayList<>();
        for (String kind : DataFile.text("colour/rules.txt").strip().split("\\s+")) {
            YamlFields file = DataFile.yaml("colour/rules/" + kind + ".yaml");
            file.names().forEach(id -> all.add(read(id, kind, file.fields(id).allow(FIELDS))));
        }
        return List.copyOf(all);
    }

    /** Reads rules as the files have them; for who writes new ones. */
    static List<ColourRule> parse(String kind, String yaml) {
        YamlFields file = YamlFields.parse(kind + ".yaml", yaml);
        return file.names().stream()
                .map(id -> read(id, kind, file.fields(id).allow(FIELDS)))
                .toList();
    }

    private static ColourRule read(String id, String kind, YamlFields fields) {
        List<String> keys = fields.has("keys") ? fields.list("keys", ColourRule::mode) : List.of();
        boolean goesOn = fields.has("covers") && !fields.isList("covers");
        List<Set<Integer>> covered =
                goesOn || !fields.has("covers") ? List.of() : fields.lists("covers", ColourRule::degree);
        Set<Integer> on = covered.isEmpty() ? degrees(fields, "on") : covered.get(0);
        Look look = new Look(
                keys.size() == 1 ? Optional.of(keys.get(0).equals("minor")) : Optional.empty(),
                on,
                signs(fields),
                fields.has("beats") ? fields.value("beats", Integer::valueOf) : 1,
                fields.has("most") ? fields.value("most", Integer::valueOf) : Integer.MAX_VALUE / 10_000,
                beside(fields, "then"),
                beside(fields, "before"),
                fields.has("place") ? Set.copyOf(fields.list("place", ColourRule::mark)) : Set.of());
        Map<String, List<Made>> makes = new LinkedHashMap<>();
        YamlFields variants = fields.fields("makes");
        variants.names().forEach(variant -> makes.put(variant, variants.value(variant, Made::all)));
        Map<ColourStyle, Integer> styles = new EnumMap<>(ColourStyle.class);
        YamlFields weights = fields.fields("styles");
        weights.names()
                .forEach(style ->
                        styles.put(weights.name(style, ColourStyle::of), weights.value(style, ColourRule::weight)));
        return new ColourRule(
                id,
                fields.text("name"),
                kind,
                look,
                covered.isEmpty() ? List.of() : covered.subList(1, covered.size()),
                goesOn,
                makes,
                styles,
                fields.has("spice") && fields.text("spice").equals("yes"),
                fields.has("raises") ? fields.value("raises", Integer::valueOf) : 0,
                fields.has("voicing") ? Optional.of(fields.text("voicing")) : Optional.empty(),
                fields.text("why"));
    }

    private static Optional<Beside> beside(YamlFields fields, String name) {
        if (!fields.has(name)) {
            return Optional.empty();
        }
        YamlFields inner = fields.fields(name).allow(BESIDE);
        return Optional.of(new Beside(
                inner.has("up") ? Set.copyOf(inner.list("up", Integer::valueOf)) : Set.of(),
                degrees(inner, "on"),
                degrees(inner, "except"),
                signs(inner)));
    }

    private static Set<Integer> degrees(YamlFields fields, String name) {
        return fields.has(name) ? Set.copyOf(fields.list(name, ColourRule::degree)) : Set.of();
    }

    private static Set<String> signs(YamlFields fields) {
        return fields.has("is") ? Set.copyOf(fields.list("is", sign -> sign)) : Set.of();
    }

    private static int degree(String text) {
        return Interval.parse(text.replace('♭', 'b').replace('♯', '#')).semitones() % 12;
    }

    private static String mode(String text) {
        if (!text.equals("major") && !text.equals("minor")) {
            throw new Refused("key \"" + text + "\": expected major or minor");
        }
        return text;
    }

    private static int weight(String text) {
        int weight = Integer.parseInt(text);
        if (weight < 1 || weight > MOST_WEIGHT) {
            throw new Refused("weight " + weight + ": expected 1 to " + MOST_WEIGHT);
        }
        return weight;
    }

    private static ColourPlace.Mark mark(String text) {
        try {
            return ColourPlace.Mark.valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
        } catch (IllegalArgumentException e) {
            throw new Refused(
                    "place \"" + text
                            + "\": expected one of phrase-end, section-end, last, not-last, again, returns, "
                            + "before-last-section",
                    e);
        }
    }
}
