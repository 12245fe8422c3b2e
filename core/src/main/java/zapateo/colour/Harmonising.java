package zapateo.colour;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.YamlFields;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.ChordSpan;
import zapateo.song.Song;
import zapateo.song.ToneFit;
import zapateo.song.TuneNote;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * First chords for a melody that has none, to be corrected by ear: the exact search over the key's chords and a few
 * borrowed ones ({@code harmonising.yaml}), weighing how much of the melody each carries against how usual it is after
 * the one before.
 */
public final class Harmonising {

    private static final YamlFields FILE = DataFile.yaml("colour/harmonising.yaml");
    private static final double ELSE = Double.parseDouble(FILE.text("else"));
    private static final Map<String, Mode> MODES = Map.of("major", Mode.read("major"), "minor", Mode.read("minor"));
    /** What a whole bar of notes that are no tones of the chord costs, against one rare step. */
    private static final double STRANGE = 7;

    private static final double OUTSIDE = 6;
    private static final double VOICED = 0.5;
    private static final double UNDER_A_HELD_NOTE = 4;
    /** A phrase that comes home from home. */
    private static final double STAYS_HOME = 0;

    private static final Map<String, String> DEGREES = Map.ofEntries(
            Map.entry("I", "1"),
            Map.entry("II", "2"),
            Map.entry("III", "3"),
            Map.entry("IV", "4"),
            Map.entry("V", "5"),
            Map.entry("VI", "6"),
            Map.entry("VII", "7"));

    private Harmonising() {}

    /** How often a chord may change. */
    public enum Pace {
        BAR,
        HALF,
        BEAT;

        private int ticks(WrittenBar bar) {
            int beats = bar.meter().beats();
            return switch (this) {
                case BAR -> bar.ticks();
                case HALF -> beats % 2 == 0 ? bar.ticks() / 2 : bar.ticks();
                case BEAT -> bar.meter().beatTicks();
            };
        }
    }

    /**
     * A taste.
     *
     * @param borrowed what a chord that is not of the key costs more
     * @param sevenths whether chords have theirs
     * @param inversions whether the basses are chosen too, as for voices
     */
    public record Style(String id, String name, double borrowed, boolean sevenths, boolean inversions) {

        private static final List<Style> ALL = FILE.fields("styles").names().stream()
                .map(id -> {
                    YamlFields fields = FILE.fields("styles").fields(id);
                    return new Style(
                            id,
                            fields.text("name"),
                            Double.parseDouble(fields.text("borrowed")),
                            fields.text("sevenths").equals("yes"),
                            fields.names().contains("inversions"));
                })
                .toList();
        /** The usual one comes first. */
        public static final Style USUAL = ALL.get(0);

        public static List<Style> all() {
            return ALL;
        }

        public static Optional<Style> named(String id) {
            return ALL.stream().filter(style -> style.id.equals(id)).findFirst();
        }
    }

    /**
     * Of one mode: its chords by their numerals, {@code phrase} what a phrase comes to rest on, {@code closing} what
     * leads home there, {@code voices} what costs more where voices are written.
     */
    private record Mode(
            Map<String, String> chords,
            Map<String, Double> plain,
            Map<String, Map<String, Double>> from,
            Map<String, Double> start,
            Map<String, Double> end,
            Map<String, Double> phrase,
            Map<String, Double> closing,
            Map<String, Double> voices,
            Map<String, String> sevenths,
            List<String> borrowed) {

        private static Mode read(String name) {
            YamlFields fields = FILE.fields(name);
            Map<String, Map<String, Double>> from = new HashMap<>();
            fields.names().stream()
                    .filter(each -> each.startsWith("from-"))
                    .forEach(each -> from.put(each.substring("from-".length()), numbers(fields, each)));
            return new Mode(
                    fields.texts("chords"),
                    numbers(fields, "plain"),
                    from,
                    numbers(fields, "start"),
                    numbers(fields, "end"),
                    numbers(fields, "phrase"),
                    numbers(fields, "closing"),
                    numbers(fields, "voices"),
                    fields.texts("sevenths"),
                    fields.list("borrowed", each -> each));
        }

        private static Map<String, Double> numbers(YamlFields fields, String name) {
            Map<String, Double> numbers = new LinkedHashMap<>();
            fields.texts(name).forEach((key, value) -> numbers.put(key, Double.valueOf(value)));
            return numbers;
        }

        private boolean isHome(String numeral) {
            return end.containsKey(numeral);
        }
    }

    /**
     * Where in the song a chord might stand: within which bar, from which tick to which, how surely a phrase comes to
     * rest in it, and whether it has done so before in that bar.
     */
    private record Piece(WrittenBar bar, int from, int to, double rests, boolean rested) {

        private boolean arrives() {
            return rests > 0;
        }

        private Optional<Pitch> tune() {
            return bar.tune().stream()
                    .filter(note -> note.pitch().isPresent() && note.tick() <= from && note.end() > from)
                    .findFirst()
                    .flatMap(TuneNote::pitch);
        }

        /** Whether a note of the melody begins in it. */
        private boolean moves() {
            return bar.tune().stream()
                    .anyMatch(note -> note.pitch().isPresent() && note.tick() >= from && note.tick() < to);
        }

        private boolean isStrong() {
            return bar.meter().isStrong(from);
        }
    }

    /** A chord that might stand in one place. */
    private record Way(
            String numeral,
            ChordSymbol chord,
            double strange,
            double outside,
            Piece piece,
            OuterVoices.Place outer,
            boolean moves) {}

    /** The song with chords under its melody in every bar; what chords it had are not looked at. */
    public static Song of(Song song, Pace pace) {
        return of(song, pace, Style.USUAL);
    }

    /** The same to a certain taste. */
    public static Song of(Song song, Pace pace, Style style) {
        Key key = song.key();
        Mode mode = MODES.get(key.mode().isMinor() ? "minor" : "major");
        List<Piece> pieces = pieces(song, pace);
        List<List<Way>> layers = new ArrayList<>();
        for (Piece piece : pieces) {
            layers.add(ways(mode, style, key, piece, layers.isEmpty(), layers.size() == pieces.size() - 1));
        }
        List<CostTerm<Way>> terms = new ArrayList<>(List.of(
                CostTerm.own("strange-notes", STRANGE, Way::strange),
                CostTerm.own("plain", 1, way -> plain(mode, style, way.numeral)),
                CostTerm.own("begins-and-ends", 1, Way::outside),
                CostTerm.<Way>step("follows", 1, (from, to) -> follows(mode, style, from, to)),
                CostTerm.<Way>step("closing", 1, (from, to) -> closing(mode, from, to))));
        if (style.inversions) {
            terms.add(CostTerm.own("bass", 1, way -> OuterVoices.own(way.outer, key)));
            terms.add(CostTerm.<Way>step("outer-voices", 1, (from, to) -> OuterVoices.step(from.outer, to.outer)));
        }
        return with(song, ShortestPath.through(layers, terms).steps(), pace);
    }

    /** Where voices are written all chords of the key are nearly as good, but those without a leading tone. */
    private static double plain(Mode mode, Style style, String numeral) {
        double plain = mode.plain.getOrDefault(numeral, ELSE) * (style.inversions ? VOICED : 1)
                + (style.inversions ? mode.voices.getOrDefault(numeral, 0.0) : 0);
        return Math.max(0, plain + (mode.borrowed.contains(numeral) ? style.borrowed : 0));
    }

    /** How readily one follows another; where a phrase has come to rest its chord stays. */
    private static double follows(Mode mode, Style style, Way from, Way to) {
        if (to.piece.rested) {
            return from.chord.equals(to.chord) ? 0 : OUTSIDE;
        }
        // Under a note that is held the chord stays.
        if (style.inversions && !to.moves) {
            return from.chord.equals(to.chord) ? 0 : UNDER_A_HELD_NOTE;
        }
        return mode.from
                .getOrDefault(from.numeral, Map.of())
                .getOrDefault(to.numeral, style.inversions && from.numeral.equals(to.numeral) ? ELSE / 2 : ELSE);
    }

    /** Into the last chord of a phrase that ends at home: from a dominant on its root, best of all. */
    private static double closing(Mode mode, Way from, Way to) {
        if (!to.piece.arrives() || !mode.isHome(to.numeral)) {
            return 0;
        }
        boolean turned = from.chord.over().isPresent() && !mode.isHome(from.numeral);
        return to.piece.rests * mode.closing.getOrDefault(from.numeral, mode.isHome(from.numeral) ? STAYS_HOME : ELSE)
                + (turned ? ELSE : 0);
    }

    private static List<Piece> pieces(Song song, Pace pace) {
        List<Optional<Arrivals.Arrival>> arrivals = Arrivals.of(song.written());
        List<Piece> pieces = new ArrayList<>();
        List<WrittenBar> bars = song.writtenBars();
        for (int i = 0; i < bars.size(); i++) {
            WrittenBar bar = bars.get(i);
            Optional<Arrivals.Arrival> arrival = arrivals.get(i);
            for (int tick = 0; tick < bar.ticks(); tick += pace.ticks(bar)) {
                int from = tick;
                int to = Math.min(bar.ticks(), tick + pace.ticks(bar));
                pieces.add(new Piece(
                        bar,
                        from,
                        to,
                        arrival.filter(at -> at.tick() >= from && at.tick() < to)
                                .map(Arrivals.Arrival::weight)
                                .orElse(0.0),
                        arrival.filter(at -> at.tick() < from).isPresent()));
            }
        }
        return pieces;
    }

    private static List<Way> ways(Mode mode, Style style, Key key, Piece piece, boolean first, boolean last) {
        List<Way> ways = new ArrayList<>();
        mode.chords.forEach((numeral, sign) -> {
            ChordSymbol chord =
                    ChordSymbol.parse(key.tonic().plus(degree(numeral, key)).simple()
                            + (style.sevenths ? mode.sevenths.getOrDefault(numeral, sign) : sign));
            double strange = strange(chord, piece);
            double outside = (first && !mode.start.containsKey(numeral) ? OUTSIDE / 2 : 0)
                    + (last && !mode.isHome(numeral) ? OUTSIDE : 0)
                    + piece.rests * mode.phrase.getOrDefault(numeral, ELSE);
            ways.add(way(numeral, chord, strange, outside, piece, key));
            if (style.inversions && !first && !piece.arrives() && !piece.rested && !last) {
                List<PitchClass> tones = chord.simpleTones();
                tones.subList(1, tones.size())
                        .forEach(bass -> ways.add(way(numeral, chord.over(bass), strange, outside, piece, key)));
            }
        });
        return ways;
    }

    private static Way way(String numeral, ChordSymbol chord, double strange, double outside, Piece piece, Key key) {
        return new Way(
                numeral,
                chord,
                strange,
                outside,
                piece,
                OuterVoices.Place.of(chord, key, piece.tune(), piece.isStrong(), piece.from == 0),
                piece.moves());
    }

    /** The root of a numeral: of a minor key that of its own scale. */
    private static Interval degree(String numeral, Key key) {
        boolean flat = numeral.startsWith("b");
        // The numeral ends where the chord's quality begins: iidim is ii.
        String plain = numeral.replaceFirst("^b?([IViv]+).*", "$1").toUpperCase(java.util.Locale.ROOT);
        Interval major = Interval.parse(DEGREES.get(plain));
        boolean lowered =
                flat || key.mode().isMinor() && (plain.equals("III") || plain.equals("VI") || plain.equals("VII"));
        return lowered ? Interval.of(major.steps(), major.semitones() - 1) : major;
    }

    /** The share of a stretch whose notes are no tones of the chord; what is long or on the beat counts more. */
    private static double strange(ChordSymbol chord, Piece piece) {
        WrittenBar bar = piece.bar;
        double strange = 0;
        double all = 0;
        for (TuneNote note : bar.tune()) {
            int length = Math.min(note.end(), piece.to) - Math.max(note.tick(), piece.from);
            if (note.pitch().isPresent() && length > 0) {
                double weight = length
                        * (note.tick() % bar.meter().beatTicks() == 0 ? 1.5 : 1)
                        * (note.tick() == piece.from ? 1.5 : 1);
                all += weight;
                strange += ToneFit.holds(chord, note.pitch().get()) ? 0 : weight;
            }
        }
        return all == 0 ? 0 : strange / all;
    }

    private static Song with(Song song, List<Way> found, Pace pace) {
        List<WrittenSection> sections = new ArrayList<>();
        int at = 0;
        for (WrittenSection section : song.written()) {
            List<WrittenBar> bars = new ArrayList<>();
            for (WrittenBar bar : section.bars()) {
                List<ChordSpan> spans = new ArrayList<>();
                for (int tick = 0; tick < bar.ticks(); tick += pace.ticks(bar)) {
                    ChordSymbol chord = found.get(at++).chord();
                    int length = Math.min(bar.ticks(), tick + pace.ticks(bar)) - tick;
                    ChordSpan before = spans.isEmpty() ? null : spans.get(spans.size() - 1);
                    if (before != null && before.chord().filter(chord::equals).isPresent()) {
                        spans.set(spans.size() - 1, before.at(before.tick(), before.ticks() + length));
                    } else {
                        spans.add(ChordSpan.of(chord, tick, length));
                    }
                }
                bars.add(bar.chords(spans));
            }
            sections.add(new WrittenSection(section.name(), bars, section.again(), section.part()));
        }
        return Song.of(song.heading(), sections, song.form());
    }
}
