package zapateo.song;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.refusal.Refused;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;

/**
 * A song: its heading, what is written and, unfolded from it, what is played. The two are views of one value; equality
 * looks at the heading and the written song.
 */
public final class Song {

    public static final String UNTITLED = "Untitled";
    public static final int MOST_BARS = 2_000;
    /** Places where a chord stands, as played: what the searches take their time for. */
    public static final int MOST_CHORDS = 8_000;

    private final Heading heading;
    private final List<WrittenSection> written;
    private final List<Integer> form;
    private final List<Section> sections;
    private final List<Bar> bars;
    /** Chords that are played in place of the written ones, by the bar's index; empty for most songs. */
    private final Map<Integer, List<ChordSpan>> replaced;

    private final Optional<Raised> raised;
    /** What is played where nothing is replaced. */
    private final List<Section> unfolded;

    /**
     * What stands above the first bar.
     *
     * @param key the chart's own, or the likeliest one
     * @param keyGiven whether the chart names it
     */
    public record Heading(String title, Key key, boolean keyGiven, Meter meter, Tempo tempo, Feel feel) {}

    /**
     * From where on it is played in another key than it is written in.
     *
     * @param bar index of the first bar as played
     */
    public record Raised(int bar, Transposition way) {}

    private Song(
            Heading heading,
            List<WrittenSection> written,
            List<Integer> form,
            List<Section> unfolded,
            Map<Integer, List<ChordSpan>> replaced,
            Optional<Raised> raised) {
        this.heading = heading;
        this.written = List.copyOf(written);
        this.form = List.copyOf(form);
        this.replaced = Map.copyOf(replaced);
        this.unfolded = unfolded;
        this.raised = raised;
        this.sections = replaced.isEmpty() && raised.isEmpty()
                ? unfolded
                : unfolded.stream().map(this::replaced).toList();
        this.bars =
                sections.stream().flatMap(section -> section.bars().stream()).toList();
        if (bars.isEmpty()) {
            throw new Refused("song \"" + heading.title() + "\" has no bars: expected one at least");
        }
    }

    /**
     * @param form places of written sections in the order they are played; empty for the order they are written in
     * @throws Refused when it has no bars, or more than {@value #MOST_BARS} of them or {@value #MOST_CHORDS} chords as
     *     played
     */
    public static Song of(Heading heading, List<WrittenSection> written, List<Integer> form) {
        return new Song(
                heading,
                written,
                form,
                Unfolding.of(List.copyOf(written), List.copyOf(form), heading.key(), heading.tempo()),
                Map.of(),
                Optional.empty());
    }

    private Section replaced(Section section) {
        return new Section(
                section.name(),
                section.pass(),
                section.bars().stream()
                        .map(bar -> raised(Optional.ofNullable(replaced.get(bar.index()))
                                .map(bar::chords)
                                .orElse(bar)))
                        .toList(),
                section.part());
    }

    private Bar raised(Bar bar) {
        return raised.filter(each -> bar.index() >= each.bar())
                .map(each -> bar.moved(each.way(), bar.index() == each.bar()))
                .orElse(bar);
    }

    /** The same song in another key from a bar on, melody and all; what is written stays as it is. */
    public Song raised(Raised from) {
        return new Song(heading, written, form, unfolded, replaced, Optional.of(from));
    }

    /**
     * The same song with other chords in bars as they are played; what is written stays as it is.
     *
     * @param chords by the bar's index, each filling its bar from end to end
     */
    public Song played(Map<Integer, List<ChordSpan>> chords) {
        Map<Integer, List<ChordSpan>> all = new HashMap<>(replaced);
        all.putAll(chords);
        return new Song(heading, written, form, unfolded, all, raised);
    }

    /**
     * As it is played, every repeat written out: each bar with its own words and melody; a key or a tempo is signed
     * where it changes.
     */
    public Song writtenOut() {
        List<WrittenSection> all = new ArrayList<>();
        Key key = heading.key();
        Tempo tempo = heading.tempo();
        int first = bars.get(0).number() == 0 ? 0 : 1;
        for (Section section : sections) {
            List<WrittenBar> each = new ArrayList<>();
            for (Bar bar : section.bars()) {
                WrittenBar.Marks marks = bar.written().marks();
                List<String> words = marks.words().isEmpty()
                        ? List.of()
                        : List.of(marks.words()
                                .get(Math.min(bar.pass(), marks.words().size()) - 1));
                WrittenBar.Marks own = new WrittenBar.Marks(
                        Optional.of(bar.key()).filter(Predicate.not(key::equals)),
                        Optional.of(bar.tempo()).filter(Predicate.not(tempo::equals)),
                        bar.vamp() == bar.index(),
                        List.of(),
                        marks.closes().filter(Repeat::vamp),
                        marks.pins(),
                        words,
                        List.of(),
                        marks.guessed());
                key = bar.key();
                tempo = bar.tempo();
                each.add(new WrittenBar(bar.index() + first, bar.meter(), bar.ticks(), bar.chords(), bar.tune(), own));
            }
            all.add(WrittenSection.of(section.part(), section.name(), each));
        }
        return of(heading, all, List.of());
    }

    public Heading heading() {
        return heading;
    }

    /** What is read. */
    public List<WrittenSection> written() {
        return written;
    }

    /** The order of the written sections where the song gives one, else empty. */
    public List<Integer> form() {
        return form;
    }

    /** What is played, section by section. */
    public List<Section> sections() {
        return sections;
    }

    /** What is played, bar by bar. */
    public List<Bar> bars() {
        return bars;
    }

    public List<WrittenBar> writtenBars() {
        return written.stream().flatMap(section -> section.bars().stream()).toList();
    }

    public String title() {
        return heading.title();
    }

    public Key key() {
        return heading.key();
    }

    public boolean keyGiven() {
        return heading.keyGiven();
    }

    public Meter meter() {
        return heading.meter();
    }

    public Tempo tempo() {
        return heading.tempo();
    }

    public Feel feel() {
        return heading.feel();
    }

    public boolean hasTune() {
        return written.stream()
                .flatMap(section -> section.bars().stream())
                .anyMatch(
                        bar -> bar.tune().stream().anyMatch(note -> note.pitch().isPresent()));
    }

    /** The key that is signed at each written bar: without a key line none is until one is changed to. */
    List<Key> signatures(UnaryOperator<Key> moved) {
        List<Key> signatures = new ArrayList<>();
        Key now = heading.keyGiven() ? moved.apply(heading.key()) : Key.C_MAJOR;
        for (WrittenBar bar : writtenBars()) {
            now = bar.marks().key().map(moved).orElse(now);
            signatures.add(now);
        }
        return signatures;
    }

    public int ticks() {
        return bars.get(bars.size() - 1).end();
    }

    /** Chords that are played in place of the written ones, by the bar's index. */
    public Map<Integer, List<ChordSpan>> replaced() {
        return replaced;
    }

    /** From where on it is played in another key. */
    public Optional<Raised> raised() {
        return raised;
    }

    /** Every chord with the bar it stands in as it is played, silences too. */
    public Stream<Placed> chords() {
        return bars.stream().flatMap(bar -> bar.chords().stream().map(span -> new Placed(bar, span)));
    }

    /** The bar that a tick lies in; the first one before the song, the last one behind it. */
    public Bar barAt(int tick) {
        int low = 0;
        int high = bars.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (bars.get(middle).tick() <= tick) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return bars.get(low);
    }

    /** What stands at a tick, a silence too; empty outside of the song. */
    public Optional<Placed> placedAt(int tick) {
        Bar bar = barAt(tick);
        for (ChordSpan span : bar.chords()) {
            if (bar.tick() + span.tick() <= tick && tick < bar.tick() + span.end()) {
                return Optional.of(new Placed(bar, span));
            }
        }
        return Optional.empty();
    }

    /** The chord at a tick, empty where none sounds. */
    public Optional<ChordSymbol> chordAt(int tick) {
        return placedAt(tick).flatMap(Placed::chord);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Song song
                && heading.equals(song.heading)
                && written.equals(song.written)
                && form.equals(song.form)
                && replaced.equals(song.replaced)
                && raised.equals(song.raised);
    }

    @Override
    public int hashCode() {
        return Objects.hash(heading, written, form, replaced, raised);
    }

    /** A chord in its bar. */
    public record Placed(Bar bar, ChordSpan span) {

        /** Ticks from the start of the song. */
        public int tick() {
            return bar.tick() + span.tick();
        }

        public int end() {
            return bar.tick() + span.end();
        }

        public boolean fillsBar() {
            return span.ticks() == bar.ticks();
        }

        public Optional<ChordSymbol> chord() {
            return span.chord();
        }
    }
}
