package zapateo.song;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zapateo.refusal.Refused;

/** Changes single chords inside the bars of a chart's text: to another beat, or for another chord. */
final class ChordCells {

    private final ChartCells cells;

    ChordCells(ChartCells cells) {
        this.cells = cells;
    }

    /** The chord before it takes what becomes free. */
    String move(int bar, int chord, int beat) {
        cells.cell(bar);
        WrittenBar written = cells.song().writtenBars().get(bar);
        List<ChordSpan> spans = spans(written, bar, chord);
        int unit = written.meter().beatTicks();
        int tick = Math.max(0, Math.min(written.ticks() - unit, beat * unit));
        ChordSpan moved = spans.remove(chord);
        if (spans.isEmpty() && tick > 0) {
            spans.add(ChordSpan.silence(0, written.ticks()));
        }
        spans.removeIf(span -> span.tick() == tick);
        spans.add(moved.at(tick, 1));
        spans.sort(Comparator.comparingInt(ChordSpan::tick));
        return cells.set(bar, cells.signs(bar) + ChartText.chords(filled(written, spans)));
    }

    private static WrittenBar filled(WrittenBar bar, List<ChordSpan> spans) {
        List<ChordSpan> filled = new ArrayList<>();
        for (int i = 0; i < spans.size(); i++) {
            int from = i == 0 ? 0 : spans.get(i).tick();
            filled.add(spans.get(i)
                    .at(from, (i + 1 < spans.size() ? spans.get(i + 1).tick() : bar.ticks()) - from));
        }
        return bar.chords(filled);
    }

    /** Where a bar has the word of its chord that word alone is changed; under a % the bar is written out. */
    List<ChartCells.Cut> replaced(List<ChordReplacement> changes) {
        List<ChartCells.Cut> cuts = new ArrayList<>();
        for (ChordReplacement change : changes) {
            List<Word> words = cells.cell(change.bar()).chords();
            if (change.chord() >= 0 && change.chord() < words.size()) {
                Word word = words.get(change.chord());
                cuts.add(cells.replace(word, (word.text().startsWith(">") ? ">" : "") + change.to()));
            } else {
                WrittenBar written = cells.song().writtenBars().get(change.bar());
                List<ChordSpan> spans = spans(written, change.bar(), change.chord());
                spans.set(change.chord(), spans.get(change.chord()).chord(change.to()));
                cuts.add(cells.replace(
                        cells.cell(change.bar()).cell(),
                        cells.signs(change.bar()) + ChartText.chords(written.chords(spans))));
            }
        }
        return cuts;
    }

    private static List<ChordSpan> spans(WrittenBar written, int bar, int chord) {
        List<ChordSpan> spans = new ArrayList<>(written.chords());
        if (chord < 0 || chord >= spans.size()) {
            throw new Refused("chord " + chord + " of bar " + bar + ": expected 0 to " + (spans.size() - 1));
        }
        return spans;
    }
}
