package zapateo.server.charts;

import java.util.List;
import zapateo.harmony.Degree;
import zapateo.harmony.Key;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Tempo;
import zapateo.server.problems.ProblemView;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Song;

/**
 * A song as it was read.
 *
 * @param key      as a player writes it, e.g. {@code Gm}
 * @param keyGiven false where the likeliest key was found from the chords
 * @param meter    the first bar's, as text
 */
public record ChartView(String title, String key, boolean keyGiven, String mode, String meter,
                        TempoView tempo, String feel, List<SectionView> sections, List<ProblemView> problems) {

    /** @param beatTicks ticks of the beat that is counted, 960 to the quarter */
    public record TempoView(double bpm, int beatTicks) {

        public static TempoView of(Tempo tempo) {
            return new TempoView(tempo.bpm(), tempo.beatTicks());
        }
    }

    public record SectionView(String name, List<BarView> bars) {
    }

    /** @param index from 0 as played; @param number from 1 as written */
    public record BarView(int index, int number, String meter, List<ChordView> chords) {
    }

    /**
     * @param beat  from 1 inside the bar
     * @param tick  from the start of the song
     * @param degree Roman numeral in the key; empty for silence
     * @param tones spelled from the root up
     * @param bass  the lowest note's name; empty for silence
     */
    public record ChordView(String symbol, double beat, double beats, int tick, int ticks,
                            String degree, List<String> tones, String bass) {

        public static ChordView of(Bar bar, ChordSpan span, Key key) {
            double beat = bar.meter().beatTicks();
            return new ChordView(span.written(), 1 + span.tick() / beat, span.ticks() / beat, bar.tick() + span.tick(), span.ticks(),
                    span.chord().map(chord -> Degree.of(chord, key).numeral()).orElse(""),
                    span.chord().map(chord -> chord.tones().stream().map(PitchClass::toString).toList()).orElse(List.of()),
                    span.chord().map(chord -> chord.bass().toString()).orElse(""));
        }
    }

    static ChartView of(Song song, List<ProblemView> problems) {
        List<SectionView> sections = song.sections().stream().map(section -> new SectionView(section.name(), section.bars().stream()
                .map(bar -> new BarView(bar.index(), bar.number(), bar.meter().toString(),
                        bar.chords().stream().map(span -> ChordView.of(bar, span, song.key())).toList())).toList())).toList();
        return new ChartView(song.title(), song.key().toString(), song.keyGiven(), song.key().mode().id(), song.meter().toString(),
                TempoView.of(song.tempo()), song.feel().id(), sections, problems);
    }
}
