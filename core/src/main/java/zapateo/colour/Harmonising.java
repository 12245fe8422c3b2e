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
 * First chords for a melody that has none, to be corrected by ear: the exact search over the key's chords and a few borrowed ones ({@code harmonising.yaml}), weighing how
 * much of the melody each carries against how usual it is after the one before.
 */
public final class Harmonising {

    private static final YamlFields FILE = DataFile.yaml("colour/harmonising.yaml");
    private static final double ELSE = Double.parseDouble(FILE.text("else"));
    private static final Map<String, Mode> MODES = Map.of("major", Mode.read("major"), "minor", Mode.read("minor"));
    /** What a whole bar of notes that are no tones of the chord costs, against one rare step. */
    private static final double STRANGE = 7;
    private static final double OUTSIDE = 6;
    private static final Map<String, String> DEGREES = Map.ofEntries(Map.entry("I", "1"), Map.entry("II", "2"), Map.entry("III", "3"), Map.entry("IV", "4"), Map.entry("V", "5"), Map.entry("VI", "6"),
            Map.entry("VII", "7"));

    private Harmonising() {
    }

    /** How often a chord may change. */
    public enum Pace {
        BAR, HALF, BEAT;

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
     */
    public record Style(String id, String name, double borrowed, boolean sevenths) {

        private static final List<Style> ALL = FILE.fields("styles").names().stream().map(id -> {
            YamlFields fields = FILE.fields("styles").fields(id);
            return new Style(id, fields.text("name"), Double.parseDouble(fields.text("borrowed")), fields.text("sevenths").equals("yes"));
        }).toList();
        /** The usual one comes first. */
        public static final Style USUAL = ALL.get(0);

        public static List<Style> all() {
            return ALL;
        }

        public static Optional<Style> named(String id) {
            return ALL.stream().filter(style -> style.id.equals(id)).findFirst();
        }
    }

    /** Of one mode: its chords by their numerals. */
    private record Mode(Map<String, String> chords, Map<String, Double> plain, Map<String, Map<String, Double>> from, Map<String, Double> start, Map<String, Double> end, Map<String, String> sevenths, List<String> borrowed) {

        private static Mode read(String name) {
            YamlFields fields = FILE.fields(name);
            Map<String, Map<String, Double>> from = new HashMap<>();
            fields.names().stream().filter(each -> each.startsWith("from-")).forEach(each -> from.put(each.substring("from-".length()), numbers(fields, each)));
            return new Mode(fields.texts("chords"), numbers(fields, "plain"), from, numbers(fields, "start"), numbers(fields, "end"), fields.texts("sevenths"), fields.list("borrowed", each -> each));
        }

        private static Map<String, Double> numbers(YamlFields fields, String name) {
            Map<String, Double> numbers = new LinkedHashMap<>();
            fields.texts(name).forEach((key, value) -> numbers.put(key, Double.valueOf(value)));
            return numbers;
        }
    }

    /** A chord that might stand in one place. */
    private record Way(String numeral, ChordSymbol chord, double strange, double outside) {
    }

    /** The song with chords under its melody in every bar; what chords it had are not looked at. */
    public static Song of(Song song, Pace pace) {
        return of(song, pace, Style.USUAL);
    }

    /** The same to a certain taste. */
    public static Song of(Song song, Pace pace, Style style) {
        List<WrittenBar> bars = song.writtenBars();
        List<List<Way>> layers = new ArrayList<>();
        Mode mode = MODES.get(song.key().mode().isMinor() ? "minor" : "major");
        int pieces = 0;
        for (WrittenBar bar : bars) {
            for (int tick = 0; tick < bar.ticks(); tick += pace.ticks(bar)) {
                layers.add(ways(mode, style, song.key(), bar, tick, Math.min(bar.ticks(), tick + pace.ticks(bar)), pieces == 0));
                pieces++;
            }
        }
        int last = layers.size() - 1;
        layers.set(last, layers.get(last).stream().map(way -> new Way(way.numeral, way.chord, way.strange, mode.end.containsKey(way.numeral) ? 0 : OUTSIDE)).toList());
        List<Way> found = ShortestPath.through(layers, List.of(CostTerm.own("strange-notes", STRANGE, Way::strange), CostTerm.own("plain", 1, way -> Math.max(0, mode.plain.getOrDefault(way.numeral, ELSE) + (mode.borrowed.contains(way.numeral) ? style.borrowed : 0))),
                CostTerm.own("begins-and-ends", 1, Way::outside), CostTerm.<Way>step("follows", 1, (from, to) -> mode.from.getOrDefault(from.numeral, Map.of()).getOrDefault(to.numeral, ELSE)))).steps();
        return with(song, found, pace);
    }

    private static List<Way> ways(Mode mode, Style style, Key key, WrittenBar bar, int from, int to, boolean first) {
        List<Way> ways = new ArrayList<>();
        mode.chords.forEach((numeral, sign) -> {
            ChordSymbol chord = ChordSymbol.parse(key.tonic().plus(degree(numeral, key)).simple() + (style.sevenths ? mode.sevenths.getOrDefault(numeral, sign) : sign));
            ways.add(new Way(numeral, chord, strange(chord, bar, from, to), first && !mode.start.containsKey(numeral) ? OUTSIDE / 2 : 0));
        });
        return ways;
    }

    /** The root of a numeral: of a minor key that of its own scale. */
    private static Interval degree(String numeral, Key key) {
        boolean flat = numeral.startsWith("b");
        // The numeral ends where the chord's quality begins: iidim is ii.
        String plain = numeral.replaceFirst("^b?([IViv]+).*", "$1").toUpperCase(java.util.Locale.ROOT);
        Interval major = Interval.parse(DEGREES.get(plain));
        boolean lowered = flat || key.mode().isMinor() && (plain.equals("III") || plain.equals("VI") || plain.equals("VII"));
        return lowered ? Interval.of(major.steps(), major.semitones() - 1) : major;
    }

    /** The share of a stretch whose notes are no tones of the chord; what is long or on the beat counts more. */
    private static double strange(ChordSymbol chord, WrittenBar bar, int from, int to) {
        double strange = 0;
        double all = 0;
        for (TuneNote note : bar.tune()) {
            int length = Math.min(note.end(), to) - Math.max(note.tick(), from);
            if (note.pitch().isPresent() && length > 0) {
                double weight = length * (note.tick() % bar.meter().beatTicks() == 0 ? 1.5 : 1) * (note.tick() == from ? 1.5 : 1);
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
            sections.add(new WrittenSection(section.name(), bars, section.again()));
        }
        return Song.of(song.heading(), sections, song.form());
    }
}
