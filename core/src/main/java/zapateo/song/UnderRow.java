package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.Key;

/**
 * The lines of words and of melody under one row of bars, a part for each bar: the first of a kind is for the first
 * time the row is played, the next for the second.
 */
final class UnderRow {

    private static final int LONGEST_WORDS = 200;

    private final List<Problem> problems;
    private int verses;
    private int tunes;

    UnderRow(List<Problem> problems) {
        this.problems = problems;
    }

    /** A line of melody that was read. */
    record Tunes(TuneNotation notation, int pass, List<Word> cells) {}

    /**
     * Puts a line into its bars.
     *
     * @param row the bars above it, changed in place
     * @param signature the key that is signed before them
     */
    Optional<Tunes> read(Word name, Word value, List<WrittenBar> row, Key signature) {
        boolean words = name.text().equalsIgnoreCase("words");
        List<Word> all = value.cells();
        if (all.size() > row.size()) {
            problems.add(Problem.error(
                    "under-too-many",
                    all.get(row.size()).stripped(),
                    "at most " + row.size() + " parts, one for each bar above"));
        }
        if (words && all.stream().anyMatch(cell -> cell.text().length() > LONGEST_WORDS)) {
            problems.add(Problem.error(
                    "words-too-long", value.stripped(), "at most " + LONGEST_WORDS + " characters under a bar"));
            return Optional.empty();
        }
        List<Word> cells = all.subList(0, Math.min(row.size(), all.size()));
        if (words) {
            words(cells, row);
            return Optional.empty();
        }
        Tunes read = new Tunes(TuneNotation.named(name.text()), ++tunes, List.copyOf(cells));
        tunes(read, row, signature);
        return Optional.of(read);
    }

    private void words(List<Word> cells, List<WrittenBar> row) {
        for (int i = 0; i < cells.size(); i++) {
            WrittenBar bar = row.get(i);
            row.set(i, bar.marks(withWords(bar.marks(), cells.get(i).text().strip())));
        }
        verses++;
    }

    private WrittenBar.Marks withWords(WrittenBar.Marks marks, String words) {
        List<String> all = new ArrayList<>(marks.words());
        while (all.size() < verses && !words.isEmpty()) {
            all.add("");
        }
        if (!words.isEmpty()) {
            all.add(words);
        }
        return marks.words(all);
    }

    private void tunes(Tunes read, List<WrittenBar> row, Key before) {
        Key signature = before;
        for (int i = 0; i < read.cells().size(); i++) {
            WrittenBar bar = row.get(i);
            signature = bar.marks().key().orElse(signature);
            List<TuneNote> notes = read.notation().read(read.cells().get(i), bar, signature, problems);
            row.set(i, read.pass() > 1 && notes.isEmpty() ? bar : bar.tune(read.pass(), notes));
        }
    }
}
