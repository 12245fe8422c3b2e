package zapateo.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.refusal.Refused;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.song.ChartParser;
import zapateo.song.ChartText;
import zapateo.song.ChordSpan;
import zapateo.song.Grid;
import zapateo.song.Pin;
import zapateo.song.Problem;
import zapateo.song.Repeat;
import zapateo.song.Song;
import zapateo.song.TuneNote;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * Puts a song together bar by bar as a file tells it: a chord lasts until the next one, a bar may be shorter than its
 * metre.
 */
final class SongBuilder {

    private static final int SMALLEST = 240;
    private static final int LONGEST_NAME = 60;
    private static final int LONGEST_TITLE = 120;

    String title = Song.UNTITLED;
    Optional<Key> key = Optional.empty();
    Optional<Meter> meter = Optional.empty();
    Optional<Double> quarters = Optional.empty();
    Feel feel = Feel.STRAIGHT;
    private final List<Problem> problems;
    private final List<String> names = new ArrayList<>();
    private final List<List<WrittenBar>> sections = new ArrayList<>();
    private Optional<ChordSymbol> sounding = Optional.empty();
    private int bars;
    private int numbered;

    SongBuilder(List<Problem> problems) {
        this.problems = problems;
        this.names.add("");
        this.sections.add(new ArrayList<>());
    }

    /** A bar while a file is read. */
    static final class Draft {
        final Meter meter;
        final int line;
        int ticks;
        /** Chords by their place; empty for N.C. */
        final TreeMap<Integer, Optional<ChordSymbol>> chords = new TreeMap<>();

        List<TuneNote> tune = new ArrayList<>();
        final List<Integer> holds = new ArrayList<>();
        final List<Pin> pins = new ArrayList<>();
        final List<String> words = new ArrayList<>();
        Optional<Key> key = Optional.empty();
        Optional<Double> quarters = Optional.empty();
        boolean opens;
        List<Integer> endings = List.of();
        Optional<Repeat> closes = Optional.empty();
        boolean guessed;

        Draft(Meter meter, int line) {
            this.meter = meter;
            this.line = line;
        }

        void pin(String text) {
            String plain = text.replace('"', '\'').replaceAll("[\\r\\n]+", " ").strip();
            boolean warning = plain.startsWith("!");
            String inside = (warning ? plain.substring(1) : plain).strip();
            if (!inside.isEmpty()) {
                pins.add(new Pin(inside.length() > Pin.LONGEST ? inside.substring(0, Pin.LONGEST) : inside, warning));
            }
        }
    }

    boolean isFull() {
        return bars > Song.MOST_BARS;
    }

    int bars() {
        return bars;
    }

    void section(String name) {
        String plain = name.replaceAll("[\\[\\]|\\r\\n]", " ").strip();
        String cut =
                plain.length() > LONGEST_NAME ? plain.substring(0, LONGEST_NAME).strip() : plain;
        if (sections.get(sections.size() - 1).isEmpty()) {
            names.set(names.size() - 1, cut);
        } else {
            names.add(cut);
            sections.add(new ArrayList<>());
        }
    }

    void title(String text) {
        String plain = text.replaceAll("[\\r\\n]+", " ").strip();
        // Two strokes would begin a comment in a chart.
        String safe = plain.replace("//", "/ /");
        if (!safe.isEmpty()) {
            title = safe.length() > LONGEST_TITLE
                    ? safe.substring(0, LONGEST_TITLE).strip()
                    : safe;
        }
    }

    void add(Draft draft) {
        if (draft.ticks <= 0 || ++bars > Song.MOST_BARS) {
            return;
        }
        Meter metre = draft.meter;
        int ticks = (draft.ticks + SMALLEST - 1) / SMALLEST * SMALLEST;
        if (ticks > metre.barTicks()) {
            metre = wider(draft, ticks);
            ticks = Math.min(ticks, metre.barTicks());
        }
        boolean pickup = bars == 1 && ticks < metre.barTicks();
        WrittenBar.Marks marks = marks(draft, metre);
        int number = pickup ? 0 : ++numbered;
        sections.get(sections.size() - 1)
                .add(new WrittenBar(number, metre, ticks, chords(draft, metre, ticks), tune(draft, ticks), marks));
    }

    private Meter wider(Draft draft, int ticks) {
        for (int unit : new int[] {draft.meter.unit(), 8, 16}) {
            int part = 3840 / unit;
            if (ticks % part == 0 && ticks / part <= 16) {
                problems.add(new Problem(
                        Problem.Severity.WARNING,
                        "bar-overfull",
                        draft.line,
                        1,
                        0,
                        "bar " + (numbered + 1),
                        draft.meter + "; it is taken as " + ticks / part + "/" + unit));
                return Meter.of(ticks / part, unit);
            }
        }
        problems.add(new Problem(
                Problem.Severity.WARNING,
                "bar-overfull",
                draft.line,
                1,
                0,
                "bar " + (numbered + 1),
                draft.meter + "; it is cut off"));
        return draft.meter;
    }

    private WrittenBar.Marks marks(Draft draft, Meter metre) {
        WrittenBar.Marks marks = WrittenBar.Marks.NONE
                .pins(draft.pins)
                .words(trimmed(draft.words))
                .endings(draft.endings)
                .closes(draft.closes);
        marks = draft.opens ? marks.opening() : marks;
        marks = draft.guessed ? marks.guess() : marks;
        marks = draft.key.isPresent() ? marks.key(draft.key.get()) : marks;
        return draft.quarters.isPresent() ? marks.tempo(tempo(draft.quarters.get(), metre)) : marks;
    }

    private static List<String> trimmed(List<String> words) {
        List<String> kept = new ArrayList<>(words.stream()
                .map(line -> line.replace('|', ' ').replace("//", "/").strip())
                .map(line -> line.length() > 200 ? line.substring(0, 200) : line)
                .toList());
        while (!kept.isEmpty() && kept.get(kept.size() - 1).isEmpty()) {
            kept.remove(kept.size() - 1);
        }
        return kept;
    }

    static Tempo tempo(double quarters, Meter metre) {
        double bpm = Math.round(quarters * 960 / metre.beatTicks() * 10) / 10.0;
        return Tempo.of(Math.max(Tempo.SLOWEST, Math.min(Tempo.FASTEST, bpm)), metre.beatTicks());
    }

    private List<ChordSpan> chords(Draft draft, Meter metre, int ticks) {
        TreeMap<Integer, Optional<ChordSymbol>> at = new TreeMap<>();
        Optional<Grid> grid = Grid.fitting(metre, draft.chords.keySet());
        for (Map.Entry<Integer, Optional<ChordSymbol>> each : draft.chords.entrySet()) {
            int place = grid.isPresent() ? each.getKey() : (each.getKey() + SMALLEST / 2) / SMALLEST * SMALLEST;
            if (place < ticks) {
                at.put(place, each.getValue());
            }
        }
        at.putIfAbsent(0, sounding);
        List<ChordSpan> spans = new ArrayList<>();
        List<Integer> places = new ArrayList<>(at.keySet());
        for (int i = 0; i < places.size(); i++) {
            int from = places.get(i);
            int length = (i + 1 < places.size() ? places.get(i + 1) : ticks) - from;
            Optional<ChordSymbol> chord = at.get(from);
            boolean held = draft.holds.stream().anyMatch(hold -> hold >= from && hold < from + length);
            spans.add(chord.map(each -> new ChordSpan(each.toString(), chord, from, length, false, held))
                    .orElseGet(() -> new ChordSpan(ChordSpan.NO_CHORD, Optional.empty(), from, length, false, held)));
            sounding = chord;
        }
        return spans;
    }

    /** The notes that fit, with a rest where the file leaves a hole; nothing at all for a bar of rests. */
    private static List<TuneNote> tune(Draft draft, int ticks) {
        if (draft.tune.stream().noneMatch(note -> note.pitch().isPresent())) {
            return List.of();
        }
        List<TuneNote> notes = new ArrayList<>();
        int at = 0;
        for (TuneNote note : draft.tune) {
            if (note.tick() < at || note.tick() >= ticks) {
                continue;
            }
            if (note.tick() > at) {
                notes.add(new TuneNote(Optional.empty(), at, note.tick() - at, false));
            }
            notes.add(
                    new TuneNote(note.pitch(), note.tick(), Math.min(note.ticks(), ticks - note.tick()), note.tied()));
            at = Math.min(ticks, note.end());
        }
        if (at < ticks) {
            notes.add(new TuneNote(Optional.empty(), at, ticks - at, false));
        }
        return notes;
    }

    /** The song as a chart says it, so that what comes in is what the chart can hold; empty when there is no bar. */
    Optional<Song> build() {
        List<WrittenSection> written = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            if (!sections.get(i).isEmpty()) {
                written.add(WrittenSection.of(names.get(i), sections.get(i)));
            }
        }
        if (written.isEmpty()) {
            return Optional.empty();
        }
        if (bars > Song.MOST_BARS) {
            return tooMany("more than " + Song.MOST_BARS + " bars");
        }
        Meter first = meter.orElse(written.get(0).bars().get(0).meter());
        Song.Heading heading = new Song.Heading(
                title,
                key.orElse(Key.C_MAJOR),
                key.isPresent(),
                first,
                tempo(quarters.orElse(100.0 * first.beatTicks() / 960), first),
                feel);
        try {
            return ChartParser.parse(ChartText.write(Song.of(heading, written, List.of())))
                    .song();
        } catch (Refused tooMany) {
            return tooMany("more than " + Song.MOST_BARS + " bars as played");
        }
    }

    private Optional<Song> tooMany(String found) {
        problems.add(new Problem(
                Problem.Severity.ERROR, "too-many-bars", 1, 1, 0, found, "at most " + Song.MOST_BARS + " bars"));
        return Optional.empty();
    }
}
