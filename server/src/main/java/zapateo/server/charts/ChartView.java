package zapateo.server.charts;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.KeyFinder;
import zapateo.harmony.VoiceLeading;
import zapateo.names.Names;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Tempo;
import zapateo.server.problems.ProblemView;
import zapateo.song.Bar;
import zapateo.song.ChartReading;
import zapateo.song.ChordSpan;
import zapateo.song.Pin;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.Understanding;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * A song as it was read, twice: {@code sections} as it is played, {@code written} as it is read.
 *
 * @param key as a player writes it, e.g. {@code Gm}
 * @param keyGiven false where the likeliest key was found from the chords
 * @param keys the likeliest keys by the chords, the first the likeliest, whatever the chart says
 * @param regions where the chords go to another key; one alone for a song that stays at home
 * @param meter the first bar's, as text
 * @param form places of written sections in the order they are played; empty for the written order
 * @param hasTune whether a melody is written
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ChartView(
        String title,
        String key,
        boolean keyGiven,
        String mode,
        List<KeyGuessView> keys,
        List<RegionView> regions,
        String meter,
        TempoView tempo,
        String feel,
        List<Integer> form,
        boolean hasTune,

        @Schema(description = "absent where they were not asked for")
        List<SectionView> sections,

        List<WrittenSectionView> written,
        List<ProblemView> problems) {

    /** @param beatTicks ticks of the beat that is counted, 960 to the quarter */
    public record TempoView(double bpm, int beatTicks) {

        public static TempoView of(Tempo tempo) {
            return new TempoView(tempo.bpm(), tempo.beatTicks());
        }
    }

    /** @param confidence this key's share of all that speaks for any key, 0 to 1 */
    public record KeyGuessView(String key, String mode, double confidence) {

        private static KeyGuessView of(KeyFinder.Guess guess) {
            return new KeyGuessView(
                    guess.key().toString(), guess.key().mode().id(), Math.round(guess.confidence() * 100) / 100.0);
        }
    }

    /** @param bar the first written bar it rules, from 0; @param number the bar's number */
    public record RegionView(String key, String mode, int bar, int number) {}

    /** @param pass which time it is played, from 1 */
    public record SectionView(String name, int pass, List<BarView> bars) {}

    /** @param index from 0 as played; @param number from 1 as written, 0 for a pick-up */
    public record BarView(int index, int number, String meter, List<ChordView> chords) {}

    /**
     * @param beat from 1 inside the bar
     * @param tick from the start of the song
     * @param degree Roman numeral in the key; empty for silence
     * @param tones spelled from the root up
     * @param bass the lowest note's name; empty for silence
     */
    public record ChordView(
            String symbol,
            double beat,
            double beats,
            int tick,
            int ticks,
            String degree,
            List<String> tones,
            String bass) {}

    /**
     * @param again the place of the section it plays once more, null for one of its own; @param firstBar its first
     *     written bar, from 0
     */
    public record WrittenSectionView(
            String name,
            @Schema(types = {"integer", "null"}) Integer again,
            int firstBar,
            List<WrittenBarView> bars) {}

    /** Where a word stands in the text, from 1; the column in UTF-16 units. */
    public record PlaceView(int line, int column, int length) {}

    /** @param times 1 for a vamp, which goes round until told */
    public record RepeatView(int times, boolean vamp) {}

    public record PinView(String text, boolean warning) {}

    /**
     * A bar as written.
     *
     * @param bar from 0 through the whole written song
     * @param cut whether it is shorter than its metre: a pick-up, or cut by a repeat
     * @param played the bars by index in which it is played
     * @param text what stands between its bar lines
     * @param key a change of key, null for none
     * @param bpm a change of tempo, null for none
     * @param endings the rounds it is played in, empty for all
     * @param closes a repeat that closes behind it, null for none
     * @param words its part of the words, a line a verse
     * @param tune whether it has a melody
     * @param guessed whether its length was guessed
     */
    public record WrittenBarView(
            int bar,
            int number,
            String meter,
            int ticks,
            boolean cut,
            int beatTicks,
            List<Integer> played,
            PlaceView place,
            String text,
            @Schema(types = {"string", "null"}) String key,
            @Schema(types = {"number", "null"}) Double bpm,
            boolean opens,
            List<Integer> endings,
            @Schema(types = {"object", "null"}) RepeatView closes,
            List<PinView> pins,
            List<String> words,
            boolean tune,
            boolean guessed,
            List<WrittenChordView> chords) {}

    /**
     * A chord as written and what it means.
     *
     * @param tick from its bar line
     * @param degree Roman numeral; empty for silence
     * @param numbers the same in plain numbers
     * @param role what it does in its key: own, secondary-dominant, flat-second, borrowed, passing-diminished, other;
     *     empty for silence
     * @param above semitones of its root above the tonic of the key that rules, 0 to 11; null for silence
     * @param early whether it comes an eighth early and is tied
     * @param held whether a fermata stands over it
     * @param common tones it shares with the next chord
     * @param movement the least semitones its voices move to the next, null for the last
     * @param otherName its name from its bass, or from another of its tones; null for none
     * @param respelled the key's own spelling where the chart's stands against it; null where it stands well
     */
    public record WrittenChordView(
            String symbol,
            double beat,
            double beats,
            int tick,
            int ticks,
            String degree,
            String numbers,
            String role,
            @Schema(types = {"integer", "null"}) Integer above,
            List<String> tones,
            String bass,
            boolean early,
            boolean held,
            List<String> common,
            @Schema(types = {"integer", "null"}) Integer movement,
            @Schema(types = {"string", "null"}) String otherName,
            @Schema(types = {"string", "null"}) String respelled) {}

    /**
     * @param simple whether double sharps and flats are written as the plain key they lie on
     * @param withSections whether it is told as it is played too
     */
    static ChartView of(
            ChartReading reading, Song song, List<ProblemView> problems, boolean simple, boolean withSections) {
        Understanding understanding = Understanding.of(song);
        List<WrittenBar> bars = song.writtenBars();
        return new ChartView(
                song.title(),
                song.key().toString(),
                song.keyGiven(),
                song.key().mode().id(),
                understanding.keys().stream().map(KeyGuessView::of).toList(),
                understanding.regions().stream()
                        .map(region -> new RegionView(
                                region.key().toString(),
                                region.key().mode().id(),
                                region.bar(),
                                bars.get(region.bar()).number()))
                        .toList(),
                song.meter().toString(),
                TempoView.of(song.tempo()),
                song.feel().id(),
                song.form(),
                song.hasTune(),
                withSections
                        ? song.sections().stream()
                                .map(section -> section(section, understanding, simple))
                                .toList()
                        : null,
                written(reading, song, new Telling(understanding, simple, new IdentityHashMap<>())),
                problems);
    }

    private static SectionView section(Section section, Understanding understanding, boolean simple) {
        return new SectionView(
                section.name(),
                section.pass(),
                section.bars().stream()
                        .map(bar -> new BarView(
                                bar.index(), bar.number(), bar.meter().toString(), chords(bar, understanding, simple)))
                        .toList());
    }

    private static List<ChordView> chords(Bar bar, Understanding understanding, boolean simple) {
        List<ChordView> chords = new ArrayList<>();
        double beat = bar.meter().beatTicks();
        for (int i = 0; i < bar.chords().size(); i++) {
            ChordSpan span = bar.chords().get(i);
            chords.add(new ChordView(
                    span.written(),
                    1 + span.tick() / beat,
                    span.ticks() / beat,
                    bar.tick() + span.tick(),
                    span.ticks(),
                    understanding
                            .place(bar.written(), i)
                            .map(place -> place.degree().roman())
                            .orElse(""),
                    tones(span, simple),
                    bass(span)));
        }
        return chords;
    }

    private static List<WrittenSectionView> written(ChartReading reading, Song song, Telling telling) {
        Map<WrittenBar, List<Integer>> played = new IdentityHashMap<>();
        song.bars()
                .forEach(bar -> played.computeIfAbsent(bar.written(), each -> new ArrayList<>())
                        .add(bar.index()));
        List<WrittenSectionView> sections = new ArrayList<>();
        int at = 0;
        for (WrittenSection section : song.written()) {
            int first = at;
            List<WrittenBarView> bars = new ArrayList<>();
            for (WrittenBar bar : section.bars()) {
                bars.add(bar(
                        at,
                        bar,
                        played.getOrDefault(bar, List.of()),
                        reading.bars().get(at),
                        telling));
                at++;
            }
            sections.add(new WrittenSectionView(section.name(), section.again().orElse(null), first, bars));
        }
        return sections;
    }

    private static WrittenBarView bar(
            int index, WrittenBar bar, List<Integer> played, ChartReading.BarPlace place, Telling telling) {
        WrittenBar.Marks marks = bar.marks();
        List<WrittenChordView> chords = new ArrayList<>();
        for (int i = 0; i < bar.chords().size(); i++) {
            chords.add(chord(bar, i, telling));
        }
        return new WrittenBarView(
                index,
                bar.number(),
                bar.meter().toString(),
                bar.ticks(),
                bar.isShort(),
                bar.meter().beatTicks(),
                played,
                new PlaceView(
                        place.cell().line(),
                        place.cell().column(),
                        place.cell().text().length()),
                place.cell().text(),
                marks.key().map(Object::toString).orElse(null),
                marks.tempo().map(Tempo::bpm).orElse(null),
                marks.opens(),
                marks.endings(),
                marks.closes()
                        .map(repeat -> new RepeatView(repeat.times(), repeat.vamp()))
                        .orElse(null),
                marks.pins().stream().map(ChartView::pin).toList(),
                marks.words(),
                !bar.tune().isEmpty(),
                marks.guessed(),
                chords);
    }

    private static PinView pin(Pin pin) {
        return new PinView(pin.text(), pin.warning());
    }

    /**
     * How a chart's chords are told; what is the same for a chord in its place is worked out once, however often it
     * stands there.
     */
    private record Telling(Understanding understanding, boolean simple, Map<Understanding.Place, InPlace> known) {

        InPlace of(Understanding.Place place) {
            return known.computeIfAbsent(
                    place,
                    each -> new InPlace(
                            each.leading()
                                    .map(leading -> names(leading.common()))
                                    .orElse(List.of()),
                            each.leading().map(VoiceLeading::movement).orElse(null),
                            each.otherName().map(ChordSymbol::toString).orElse(null),
                            each.respelled().map(ChordSymbol::toString).orElse(null)));
        }
    }

    private record InPlace(List<String> common, Integer movement, String otherName, String respelled) {}

    private static WrittenChordView chord(WrittenBar bar, int index, Telling telling) {
        boolean simple = telling.simple();
        ChordSpan span = bar.chords().get(index);
        double beat = bar.meter().beatTicks();
        Optional<Understanding.Place> found = telling.understanding().place(bar, index);
        if (found.isEmpty()) {
            return new WrittenChordView(
                    span.written(),
                    1 + span.tick() / beat,
                    span.ticks() / beat,
                    span.tick(),
                    span.ticks(),
                    "",
                    "",
                    "",
                    null,
                    List.of(),
                    "",
                    span.early(),
                    span.held(),
                    null,
                    null,
                    null,
                    null);
        }
        Understanding.Place place = found.get();
        InPlace there = telling.of(place);
        return new WrittenChordView(
                span.written(),
                1 + span.tick() / beat,
                span.ticks() / beat,
                span.tick(),
                span.ticks(),
                place.degree().roman(),
                place.degree().numbers(),
                Names.of(place.degree().role()),
                Math.floorMod(
                        place.chord().root().chroma() - place.key().tonic().chroma(), 12),
                tones(span, simple),
                bass(span),
                span.early(),
                span.held(),
                there.common(),
                there.movement(),
                there.otherName(),
                there.respelled());
    }

    private static List<String> tones(ChordSpan span, boolean simple) {
        return span.chord()
                .map(chord -> names(simple ? chord.simpleTones() : chord.tones()))
                .orElse(List.of());
    }

    private static List<String> names(List<PitchClass> notes) {
        return notes.stream().map(PitchClass::toString).toList();
    }

    private static String bass(ChordSpan span) {
        return span.chord().map(chord -> chord.bass().toString()).orElse("");
    }
}
