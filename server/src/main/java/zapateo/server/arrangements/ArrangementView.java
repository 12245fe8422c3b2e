package zapateo.server.arrangements;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import zapateo.arrangement.Arrangement;
import zapateo.hand.Keyboard;
import zapateo.part.PartNote;
import zapateo.part.Roll;
import zapateo.part.Stroke;
import zapateo.rhythm.Ticks;
import zapateo.server.charts.ChartView.PinView;
import zapateo.server.charts.ChartView.TempoView;
import zapateo.server.problems.ProblemView;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.Understanding;

/**
 * An arrangement as two hands play it. Ticks count from the start of the song.
 *
 * @param swingRatio long to short eighth, 1 for straight
 */
public record ArrangementView(int ticksPerQuarter, String title, String key, String feel, double swingRatio, TempoView tempo, List<ArrangedBarView> bars,
                              List<StrokeView> strokes, List<PedalView> pedal, List<ProblemView> problems) {

    /**
     * @param pass       which time its section is played, from 1
     * @param bpm        the tempo in force, in the beats of the song's own
     * @param holds      fermatas: what lies under one lasts twice as long
     * @param vamp       index of the first bar of the vamp it belongs to, null outside of one; a vamp goes round until told
     * @param pins       notes and warnings pinned to it
     * @param difficulty null until it is measured
     * @param maxTempo   null until it is measured
     */
    public record ArrangedBarView(int index, int number, String section, int pass, String meter, int beatTicks, int tick, int ticks, List<ArrangedChordView> chords,
                          double bpm, List<HoldView> holds, @Schema(types = {"integer", "null"}) Integer vamp, List<PinView> pins,
                          @Schema(types = {"number", "null"}) Double difficulty, @Schema(types = {"number", "null"}) Double maxTempo) {

        private static ArrangedBarView of(Bar bar, Section section, Song song, Understanding understanding) {
            List<ArrangedChordView> chords = new ArrayList<>();
            for (int i = 0; i < bar.chords().size(); i++) {
                ChordSpan span = bar.chords().get(i);
                chords.add(new ArrangedChordView(span.written(), bar.tick() + span.tick(), span.ticks(),
                        understanding.place(bar.written(), i).map(place -> place.degree().roman()).orElse("")));
            }
            return new ArrangedBarView(bar.index(), bar.number(), section.name(), section.pass(), bar.meter().toString(), bar.meter().beatTicks(), bar.tick(), bar.ticks(), chords,
                    bar.tempo().quartersPerMinute() * Ticks.PER_QUARTER / song.tempo().beatTicks(),
                    bar.chords().stream().filter(ChordSpan::held).map(span -> new HoldView(bar.tick() + span.tick(), span.ticks())).toList(),
                    bar.vamp() < 0 ? null : bar.vamp(), bar.written().marks().pins().stream().map(pin -> new PinView(pin.text(), pin.warning())).toList(), null, null);
        }
    }

    public record HoldView(int tick, int ticks) {
    }

    public record ArrangedChordView(String symbol, int tick, int ticks, String degree) {
    }

    /**
     * @param tick      where it sounds; {@code written} is where the score has it
     * @param stretchMm from its lowest to its highest key, 0 for one note
     * @param rolled    null when struck together
     */
    public record StrokeView(@Schema(allowableValues = {"L", "R"}) String hand, int bar, int tick, int ticks, WrittenView written,
                             @Schema(allowableValues = {"heel", "toe", "lead"}) String mark, boolean accent, double stretchMm,
                             @Schema(types = {"object", "null"}) RolledView rolled, ReasonView reason, List<NoteView> notes) {

        private static StrokeView of(Stroke stroke) {
            return new StrokeView(stroke.hand().letter(), stroke.bar(), stroke.sounding().tick(), stroke.sounding().ticks(),
                    new WrittenView(stroke.written().tick(), stroke.written().ticks()), stroke.mark().id(), stroke.accent(),
                    Math.round(10 * Keyboard.stretch(stroke.lowest().midi(), stroke.highest().midi())) / 10.0,
                    stroke.roll().map(RolledView::of).orElse(null), new ReasonView(stroke.reason().code(), stroke.reason().args()),
                    stroke.notes().stream().map(NoteView::of).toList());
        }
    }

    public record WrittenView(int tick, int ticks) {
    }

    /** @param leadTicks how long before the stroke's tick it begins; @param spreadTicks from first note to last */
    public record RolledView(@Schema(allowableValues = {"quick", "broken"}) String kind, int leadTicks, int spreadTicks) {

        private static RolledView of(Roll roll) {
            return new RolledView(roll.kind().name().toLowerCase(Locale.ROOT), roll.leadTicks(), roll.spreadTicks());
        }
    }

    public record ReasonView(String code, Map<String, String> args) {
    }

    /**
     * @param delayTicks how much later than the stroke it sounds, below zero before it
     * @param velocity   how hard, 1 to 127
     * @param finger     null until fingers are chosen
     */
    public record NoteView(int midi, String name, String role, int delayTicks, int velocity, @Schema(types = {"integer", "null"}) Integer finger) {

        private static NoteView of(PartNote note) {
            return new NoteView(note.pitch().midi(), note.pitch().toString(), note.role(), note.delayTicks(), note.velocity(), null);
        }
    }

    public record PedalView(int down, int up) {
    }

    static ArrangementView of(Arrangement arrangement, List<ProblemView> problems) {
        Song song = arrangement.song();
        List<ArrangedBarView> bars = new ArrayList<>();
        Understanding understanding = Understanding.degrees(song);
        song.sections().forEach(section -> section.bars().forEach(bar -> bars.add(ArrangedBarView.of(bar, section, song, understanding))));
        return new ArrangementView(Ticks.PER_QUARTER, song.title(), song.key().toString(), song.feel().id(), arrangement.swing().ratio(),
                TempoView.of(song.tempo()), bars, arrangement.strokes().stream().map(StrokeView::of).toList(),
                arrangement.pedal().stream().map(pedal -> new PedalView(pedal.down(), pedal.up())).toList(), problems);
    }
}
