package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Meter;

/** Reads what stands between two bar lines, keeping the metre and the bar before in mind. */
final class BarReader {

    private static final Pattern METER = Pattern.compile("\\(([^)]*)\\)?");
    private static final Pattern DOTS = Pattern.compile("\\.+");
    private static final Pattern SILENCE = Pattern.compile("(?i)n\\.?c\\.?");

    private final List<Problem> problems;
    private Meter meter;
    private Optional<Spans> before = Optional.empty();

    BarReader(Meter meter, List<Problem> problems) {
        this.meter = meter;
        this.problems = problems;
    }

    Meter meter() {
        return meter;
    }

    /** The chords of one bar; {@code cell} is not blank. */
    List<ChordSpan> read(Word cell) {
        List<Entry> entries = new ArrayList<>();
        boolean repeat = false;
        boolean dotted = false;
        for (Word word : cell.words()) {
            if (word.text().startsWith("(")) {
                changeMeter(word, !entries.isEmpty() || repeat);
            } else if (word.text().equals("%")) {
                repeat = true;
                reportMixed(word, entries);
            } else if (repeat) {
                problems.add(Problem.error("repeat-mixed", word, "% alone in its bar, or chords without it"));
            } else if (DOTS.matcher(word.text()).matches()) {
                dotted = true;
                entries.addAll(dots(word, entries.isEmpty()));
            } else {
                entries.add(chord(word));
            }
        }
        List<ChordSpan> spans = repeat ? repeated(cell) : entries.isEmpty() ? silence(cell) : dotted ? onBeats(cell, entries) : shared(cell, entries);
        before = Optional.of(new Spans(meter, spans));
        return spans;
    }

    private void changeMeter(Word word, boolean late) {
        Matcher match = METER.matcher(word.text());
        Optional<Meter> read = match.matches() && word.text().endsWith(")") ? Meter.read(match.group(1)) : Optional.empty();
        if (read.isEmpty()) {
            problems.add(Problem.error("meter-unread", word, "a metre such as (3/4)"));
        } else if (late) {
            problems.add(Problem.error("meter-late", word, "a change of metre before the bar's first chord"));
        } else {
            meter = read.get();
        }
    }

    private void reportMixed(Word word, List<Entry> entries) {
        if (!entries.isEmpty()) {
            problems.add(Problem.error("repeat-mixed", word, "% alone in its bar, or chords without it"));
        }
    }

    private List<Entry> dots(Word word, boolean first) {
        if (first) {
            problems.add(Problem.error("dot-first", word, "a chord before the first ."));
        }
        return IntStream.range(0, word.text().length()).mapToObj(i -> first && i == 0 ? Entry.silent(ChordSpan.NO_CHORD) : Entry.DOT).toList();
    }

    private Entry chord(Word word) {
        if (SILENCE.matcher(word.text()).matches()) {
            return Entry.silent(ChordSpan.NO_CHORD);
        }
        Optional<ChordSymbol> chord = ChordSymbol.read(word.text());
        if (chord.isEmpty()) {
            boolean rooted = Character.isUpperCase(word.text().charAt(0)) && PitchClass.prefixOf(word.text()).isPresent();
            problems.add(Problem.error(rooted ? "chord-unknown" : "not-a-chord", word,
                    rooted ? "one of the known kinds, as in Cm7, F♯ø, B♭maj7 or G7/B" : "a chord such as C, Am7 or B♭/D, or . % N.C. |"));
        }
        return chord.map(Entry::of).orElseGet(() -> Entry.silent(word.text()));
    }

    private List<ChordSpan> repeated(Word cell) {
        if (before.isEmpty() || !before.get().meter().equals(meter)) {
            problems.add(Problem.error("repeat-nothing", cell.stripped(), before.isEmpty() ? "a bar before %" : "a bar of " + meter + " before %"));
            return silence(cell);
        }
        return before.get().chords();
    }

    private List<ChordSpan> silence(Word cell) {
        return List.of(new ChordSpan(ChordSpan.NO_CHORD, Optional.empty(), 0, meter.barTicks()));
    }

    private List<ChordSpan> onBeats(Word cell, List<Entry> entries) {
        int beats = meter.beats();
        if (entries.size() != beats) {
            problems.add(Problem.error("beats-unfilled", cell.stripped(),
                    beats + " beats in " + meter + ", as in " + write(fitted(entries, beats))));
        }
        return spans(fitted(entries, beats));
    }

    /** Chords without dots share the bar evenly, by whole beats. */
    private List<ChordSpan> shared(Word cell, List<Entry> entries) {
        int beats = meter.beats();
        int chords = entries.size();
        if (chords > beats) {
            problems.add(Problem.error("too-many-chords", cell.stripped(), "at most " + beats + " in a bar of " + meter + ", one a beat"));
            return spans(fitted(entries, beats));
        }
        List<Entry> withDots = new ArrayList<>();
        for (int i = 0; i < chords; i++) {
            withDots.add(entries.get(i));
            int more = beats / chords - 1 + (i < beats % chords ? 1 : 0);
            IntStream.range(0, more).forEach(each -> withDots.add(Entry.DOT));
        }
        if (beats % chords != 0) {
            problems.add(Problem.error("uneven-share", cell.stripped(), "a dot for every further beat, as in " + write(withDots)));
        }
        return spans(withDots);
    }

    private static List<Entry> fitted(List<Entry> entries, int beats) {
        List<Entry> fitted = new ArrayList<>(entries.subList(0, Math.min(beats, entries.size())));
        while (fitted.size() < beats) {
            fitted.add(Entry.DOT);
        }
        return fitted;
    }

    private static String write(List<Entry> entries) {
        return entries.stream().map(Entry::written).collect(Collectors.joining(" "));
    }

    private List<ChordSpan> spans(List<Entry> beats) {
        List<ChordSpan> spans = new ArrayList<>();
        int beat = meter.beatTicks();
        for (int i = 0; i < beats.size(); ) {
            int next = i + 1;
            while (next < beats.size() && beats.get(next) == Entry.DOT) {
                next++;
            }
            Entry entry = beats.get(i);
            spans.add(new ChordSpan(entry.written(), entry.chord(), i * beat, (next - i) * beat));
            i = next;
        }
        return spans;
    }

    private record Entry(String written, Optional<ChordSymbol> chord) {

        private static final Entry DOT = new Entry(".", Optional.empty());

        private static Entry of(ChordSymbol chord) {
            return new Entry(chord.toString(), Optional.of(chord));
        }

        private static Entry silent(String written) {
            return new Entry(written, Optional.empty());
        }
    }

    private record Spans(Meter meter, List<ChordSpan> chords) {
    }
}
