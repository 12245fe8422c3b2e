package zapateo.format;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zapateo.harmony.Key;
import zapateo.harmony.Mode;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.TuneNote;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/** What each kind of file can say of a song, and the song that is left when it has said all it can. */
public enum Holding {
    CHART(EnumSet.allOf(Feature.class)),
    MUSICXML(EnumSet.complementOf(EnumSet.of(
            Feature.FORM,
            Feature.EARLY,
            Feature.GUESSES,
            Feature.WORDS_ALONE,
            Feature.OTHER_TUNES,
            Feature.SIGNS_AT_ONCE))),
    ABC(EnumSet.complementOf(EnumSet.of(
            Feature.FORM,
            Feature.EARLY,
            Feature.GUESSES,
            Feature.WORDS_ALONE,
            Feature.OTHER_TUNES,
            Feature.VAMP,
            Feature.TIMES,
            Feature.SIGNS_AT_ONCE))),
    MIDI(EnumSet.of(Feature.TUNE, Feature.SECTIONS));

    /** Something a song may have. */
    public enum Feature {
        CHORDS,
        TUNE,
        SECTIONS,
        REPEATS,
        TIMES,
        VAMP,
        /** An order line, and sections played again. */
        FORM,
        EARLY,
        FERMATA,
        PINS,
        WORDS,
        /** Words under bars without a melody. */
        WORDS_ALONE,
        /** Another melody the second time. */
        OTHER_TUNES,
        MODES,
        GUESSES,
        FEEL,
        /** Bars cut short, other than a pick-up at the beginning. */
        SHORT_BARS,
        /** A sign of key or tempo in the first bar that differs from the heading. */
        SIGNS_AT_ONCE
    }

    private final Set<Feature> features;

    Holding(Set<Feature> features) {
        this.features = features;
    }

    public Set<Feature> features() {
        return features;
    }

    public boolean holds(Feature feature) {
        return features.contains(feature);
    }

    /** The song without what this kind of file cannot say; what is played stays the same as far as it can. */
    public Song reduce(Song song) {
        boolean unfold = !holds(Feature.REPEATS)
                || !holds(Feature.FORM)
                        && (!song.form().isEmpty()
                                || song.written().stream()
                                        .anyMatch(section -> section.again().isPresent()))
                || !holds(Feature.TIMES)
                        && song.writtenBars().stream()
                                .anyMatch(bar -> bar.marks()
                                        .closes()
                                        .filter(repeat -> repeat.times() > 2)
                                        .isPresent())
                || !holds(Feature.OTHER_TUNES)
                        && song.writtenBars().stream()
                                .anyMatch(bar -> !bar.marks().tunes().isEmpty())
                || !holds(Feature.VAMP)
                        && song.writtenBars().stream()
                                .anyMatch(bar -> bar.marks()
                                        .closes()
                                        .filter(repeat -> repeat.vamp())
                                        .isPresent());
        List<WrittenSection> sections = unfold ? unfolded(song) : song.written();
        List<WrittenSection> kept = sections.stream()
                .map(section -> new WrittenSection(
                        holds(Feature.SECTIONS) ? section.name() : "",
                        section.bars().stream().map(this::reduce).toList(),
                        section.again()))
                .toList();
        Song.Heading heading = holds(Feature.SIGNS_AT_ONCE)
                ? song.heading()
                : withFirstSigns(song.heading(), sections.get(0).bars().get(0).marks());
        Key key = holds(Feature.MODES)
                        || heading.key().mode() == Mode.MAJOR
                        || heading.key().mode() == Mode.MINOR
                ? heading.key()
                : plain(heading.key());
        return Song.of(
                new Song.Heading(
                        heading.title(),
                        key,
                        heading.keyGiven(),
                        heading.meter(),
                        heading.tempo(),
                        holds(Feature.FEEL) ? heading.feel() : Feel.STRAIGHT),
                holds(Feature.SIGNS_AT_ONCE) ? kept : withoutFirstSigns(kept),
                unfold ? List.of() : song.form());
    }

    private static Song.Heading withFirstSigns(Song.Heading heading, WrittenBar.Marks marks) {
        return new Song.Heading(
                heading.title(),
                marks.key().orElse(heading.key()),
                heading.keyGiven() || marks.key().isPresent(),
                heading.meter(),
                marks.tempo().orElse(heading.tempo()),
                heading.feel());
    }

    private static List<WrittenSection> withoutFirstSigns(List<WrittenSection> sections) {
        List<WrittenSection> changed = new ArrayList<>(sections);
        List<WrittenBar> bars = new ArrayList<>(sections.get(0).bars());
        WrittenBar.Marks marks = bars.get(0).marks();
        bars.set(
                0,
                bars.get(0)
                        .marks(new WrittenBar.Marks(
                                Optional.empty(),
                                Optional.empty(),
                                marks.opens(),
                                marks.endings(),
                                marks.closes(),
                                marks.pins(),
                                marks.words(),
                                marks.tunes(),
                                marks.guessed())));
        changed.set(
                0,
                new WrittenSection(sections.get(0).name(), bars, sections.get(0).again()));
        return changed;
    }

    /** The major or minor key with a mode's signature and third. */
    private static Key plain(Key key) {
        return key.mode().isMinor()
                ? Key.of(PitchClass.onLine(key.fifths() + 3), Mode.MINOR)
                : Key.of(PitchClass.onLine(key.fifths()), Mode.MAJOR);
    }

    private WrittenBar reduce(WrittenBar bar) {
        WrittenBar.Marks marks = bar.marks();
        boolean worded = holds(Feature.WORDS)
                && (holds(Feature.WORDS_ALONE)
                        || bar.tune().stream().anyMatch(note -> note.pitch().isPresent()));
        Optional<Key> key = marks.key()
                .map(change -> holds(Feature.MODES) || change.mode() == Mode.MAJOR || change.mode() == Mode.MINOR
                        ? change
                        : plain(change));
        WrittenBar.Marks kept = new WrittenBar.Marks(
                key,
                marks.tempo(),
                marks.opens(),
                marks.endings(),
                marks.closes(),
                holds(Feature.PINS) ? marks.pins() : List.of(),
                worded ? marks.words() : List.of(),
                marks.tunes(),
                holds(Feature.GUESSES) && marks.guessed());
        List<TuneNote> tune = holds(Feature.WORDS_ALONE)
                        || bar.tune().stream().anyMatch(note -> note.pitch().isPresent())
                ? bar.tune()
                : List.of();
        Meter meter = bar.isShort() && bar.number() > 0 && !holds(Feature.SHORT_BARS)
                ? Meter.lasting(bar.ticks())
                : bar.meter();
        return new WrittenBar(bar.number(), meter, bar.ticks(), chords(bar), tune, kept);
    }

    private List<ChordSpan> chords(WrittenBar bar) {
        if (!holds(Feature.CHORDS)) {
            return List.of(ChordSpan.silence(0, bar.ticks()));
        }
        return bar.chords().stream()
                .map(span -> new ChordSpan(
                        span.chord().isEmpty() && !holds(Feature.GUESSES) ? ChordSpan.NO_CHORD : span.written(),
                        span.chord(),
                        span.tick(),
                        span.ticks(),
                        holds(Feature.EARLY) && span.early(),
                        holds(Feature.FERMATA) && span.held()))
                .toList();
    }

    /** As played, numbered through; the key and the tempo that rule where a section comes again are written there. */
    private static List<WrittenSection> unfolded(Song song) {
        List<WrittenSection> sections = new ArrayList<>();
        int number = 0;
        Bar before = null;
        for (Section section : song.sections()) {
            List<WrittenBar> bars = new ArrayList<>();
            for (Bar bar : section.bars()) {
                boolean first = before == null;
                Key keyBefore = first ? song.key() : before.key();
                Tempo tempoBefore = first ? song.tempo() : before.tempo();
                WrittenBar.Marks written = bar.written().marks();
                WrittenBar.Marks plain = new WrittenBar.Marks(
                        Optional.of(bar.key()).filter(key -> !key.equals(keyBefore)),
                        Optional.of(bar.tempo()).filter(tempo -> !tempo.equals(tempoBefore)),
                        false,
                        List.of(),
                        Optional.empty(),
                        written.pins(),
                        written.words(),
                        List.of(),
                        written.guessed());
                number += first && bar.number() == 0 ? 0 : 1;
                bars.add(bar.written().tune(bar.tune()).number(number).marks(plain));
                before = bar;
            }
            sections.add(WrittenSection.of(section.name(), bars));
        }
        return sections;
    }
}
