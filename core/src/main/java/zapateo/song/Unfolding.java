package zapateo.song;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import zapateo.harmony.Key;
import zapateo.refusal.Refused;
import zapateo.rhythm.Tempo;

/**
 * From the song as it is written to the bars in the order they are played: repeats, endings, sections played again, the
 * order of the form.
 */
final class Unfolding {

    private final List<WrittenSection> written;
    private final Map<String, Integer> passes = new HashMap<>();
    /**
     * By number, which a bar keeps where the form plays it again; what has none, a pick-up or a silence before it, by
     * itself.
     */
    private final Map<Object, Integer> barPasses = new HashMap<>();

    private final List<Section> sections = new ArrayList<>();
    private final List<Key> keys = new ArrayList<>();
    private final List<Tempo> tempos = new ArrayList<>();
    /** A pick-up is not counted, so that the longest song has room for the silent beat before it in a file. */
    private final int most;

    private Key key;
    private Tempo tempo;
    private int index;
    private int chords;
    private int tick;

    /** A bar that is only equal to itself. */
    private record Identity(WrittenBar bar) {

        @Override
        public boolean equals(Object other) {
            return other instanceof Identity same && same.bar == bar;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(bar);
        }
    }

    private Unfolding(List<WrittenSection> written, Key key, Tempo tempo) {
        this.written = written;
        this.key = key;
        this.tempo = tempo;
        this.most = Song.MOST_BARS
                + (written.stream()
                                .flatMap(section -> section.bars().stream())
                                .findFirst()
                                .filter(each -> each.number() == 0)
                                .isPresent()
                        ? 1
                        : 0);
        sign(key, tempo);
    }

    /**
     * The sections as played.
     *
     * @param form places of sections in the order they are played; empty for the order they are written in
     * @throws Refused when more than the most bars come out
     */
    static List<Section> of(List<WrittenSection> written, List<Integer> form, Key key, Tempo tempo) {
        Unfolding unfolding = new Unfolding(written, key, tempo);
        (form.isEmpty() ? IntStream.range(0, written.size()).boxed().toList() : form).forEach(unfolding::play);
        return unfolding.sections;
    }

    /** Whether the signs in force when a section begins are those of the song, whatever was played before it. */
    private void play(int place) {
        WrittenSection section = written.get(place);
        List<WrittenBar> played = new ArrayList<>(
                rounds(section.again().map(written::get).orElse(section).bars()));
        if (section.again().isPresent()) {
            int kept = Math.max(0, played.size() - section.bars().size());
            played.subList(kept, played.size()).clear();
            played.addAll(section.bars());
        }
        key = keys.get(section.again().orElse(place));
        tempo = tempos.get(section.again().orElse(place));
        int pass = passes.merge(section.name(), 1, Integer::sum);
        List<Bar> bars = new ArrayList<>();
        for (WrittenBar bar : played) {
            key = bar.marks().key().orElse(key);
            tempo = bar.marks().tempo().orElse(tempo);
            if (index >= most) {
                throw new Refused("more than " + Song.MOST_BARS + " bars as played: expected at most " + Song.MOST_BARS
                        + " bars");
            }
            chords += bar.chords().size();
            if (chords > Song.MOST_CHORDS) {
                throw new Refused("more than " + Song.MOST_CHORDS + " chords as played: expected at most "
                        + Song.MOST_CHORDS + " chords");
            }
            bars.add(new Bar(
                    index++,
                    barPasses.merge(bar.number() == 0 ? new Identity(bar) : (Object) bar.number(), 1, Integer::sum),
                    tick,
                    key,
                    tempo,
                    -1,
                    bar));
            tick += bar.ticks();
        }
        if (!bars.isEmpty()) {
            sections.add(new Section(section.name(), pass, vamps(bars), section.part()));
        }
    }

    /**
     * The key and the tempo each section begins in as it is written; one that is played out of its written order begins
     * in them too.
     */
    private void sign(Key home, Tempo first) {
        Key signed = home;
        Tempo marked = first;
        for (WrittenSection section : written) {
            keys.add(signed);
            tempos.add(marked);
            for (WrittenBar bar : section.bars()) {
                signed = bar.marks().key().orElse(signed);
                marked = bar.marks().tempo().orElse(marked);
            }
        }
    }

    private static List<Bar> vamps(List<Bar> bars) {
        List<Bar> marked = new ArrayList<>(bars);
        for (int i = 0; i < bars.size(); i++) {
            if (bars.get(i).written().marks().closes().filter(Repeat::vamp).isPresent()) {
                int from = i;
                while (from > 0 && !bars.get(from).written().marks().opens()) {
                    from--;
                }
                for (int each = from; each <= i; each++) {
                    marked.set(each, bars.get(each).vampFrom(bars.get(from).index()));
                }
            }
        }
        return marked;
    }

    /** The bars of one section with its repeats played out. */
    private static List<WrittenBar> rounds(List<WrittenBar> bars) {
        List<WrittenBar> played = new ArrayList<>();
        int[] last = lastEndings(bars);
        int start = 0;
        int round = 1;
        int at = 0;
        while (at < bars.size() && played.size() <= Song.MOST_BARS) {
            WrittenBar bar = bars.get(at);
            WrittenBar.Marks marks = bar.marks();
            if (marks.opens() && at != start) {
                start = at;
                round = 1;
            }
            boolean skipped = !marks.endings().isEmpty() && !marks.endings().contains(round);
            if (!skipped) {
                played.add(bar);
                int rounds = Math.max(marks.closes().map(Repeat::times).orElse(1), last[at]);
                if (marks.closes().isPresent() && round < rounds) {
                    round++;
                    at = start;
                    continue;
                }
                boolean leaves = marks.closes().isPresent()
                        || !marks.endings().isEmpty()
                                && (at + 1 == bars.size()
                                        || bars.get(at + 1).marks().endings().isEmpty());
                if (leaves && (marks.endings().isEmpty() || round >= rounds)) {
                    start = at + 1;
                    round = 1;
                    at = afterEndings(bars, at, marks);
                    continue;
                }
            }
            at++;
        }
        return played;
    }

    /** For each bar under an ending the highest round any ending of its group is for, 1 for the others. */
    private static int[] lastEndings(List<WrittenBar> bars) {
        int[] last = new int[bars.size()];
        int from = 0;
        while (from < last.length) {
            int highest = 1;
            int to = from;
            while (to < last.length && !bars.get(to).marks().endings().isEmpty()) {
                highest = Math.max(highest, Collections.max(bars.get(to).marks().endings()));
                to++;
            }
            Arrays.fill(last, from, Math.max(to, from + 1), highest);
            from = Math.max(to, from + 1);
        }
        return last;
    }

    private static int afterEndings(List<WrittenBar> bars, int at, WrittenBar.Marks marks) {
        int next = at + 1;
        while (!marks.endings().isEmpty()
                && next < bars.size()
                && !bars.get(next).marks().endings().isEmpty()
                && !bars.get(next).marks().opens()) {
            next++;
        }
        return next;
    }
}
