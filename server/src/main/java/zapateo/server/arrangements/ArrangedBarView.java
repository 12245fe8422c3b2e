package zapateo.server.arrangements;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Meeting;
import zapateo.hand.Playability;
import zapateo.harmony.Degree;
import zapateo.rhythm.Ticks;
import zapateo.righthand.Crossing;
import zapateo.server.bounds.NameOf;
import zapateo.server.charts.ChartView.PinView;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.SongPart;
import zapateo.song.Understanding;

/**
 * A bar of an arrangement, as it is played.
 *
 * @param part of the song: the chart itself, or what its form adds
 * @param pass which time its section is played, from 1
 * @param round which time the bar itself is played, from 1
 * @param borrowed the chart's own chords where a colour stands in their place
 * @param bpm the tempo in force, in the beats of the song's own
 * @param holds fermatas: what lies under one lasts twice as long
 * @param vamp index of the first bar of the vamp it belongs to, null outside of one; a vamp goes round until told
 * @param pins notes and warnings pinned to it
 * @param difficulty 0 to 100
 * @param parts the same by what makes it hard, with the strokes that do; empty where it was not asked for
 * @param maxTempo the fastest its jumps and repeated notes allow, in the song's beats a minute; 400 where nothing
 *     limits it
 * @param meeting how the hands meet; null where only one plays
 * @param choices what holds at its beginning
 */
public record ArrangedBarView(
        @NameOf(SongPart.class) String part,
        int index,
        int number,
        String section,
        int pass,
        int round,
        String meter,
        int beatTicks,
        int tick,
        int ticks,
        List<ArrangedChordView> chords,

        List<BorrowedView> borrowed,
        double bpm,
        List<HoldView> holds,
        @Schema(types = {"integer", "null"}) Integer vamp,
        List<PinView> pins,
        double difficulty,
        List<PartView> parts,
        double maxTempo,
        @Schema(types = {"object", "null"}) MeetingView meeting,
        HoldingView choices) {

    static ArrangedBarView of(
            Bar bar,
            Section section,
            Arrangement arrangement,
            Understanding understanding,
            Map<Playability.Spot, Integer> places,
            boolean withParts,
            Meeting meeting) {
        Song song = arrangement.song();
        Playability.BarPlay play = arrangement.play().bars().get(bar.index());
        List<ArrangedChordView> chords = new ArrayList<>();
        for (int i = 0; i < bar.chords().size(); i++) {
            ChordSpan span = bar.chords().get(i);
            chords.add(new ArrangedChordView(
                    span.written(),
                    bar.tick() + span.tick(),
                    span.ticks(),
                    withParts ? Told.tenth(arrangement.changeAt(bar.tick() + span.tick(), bar.tick() + span.end())) : 0,
                    understanding
                            .place(bar.written(), i)
                            .map(place -> place.degree().roman())
                            .orElseGet(() -> span.chord()
                                    .map(chord -> Degree.of(chord, bar.key(), song.chordAt(bar.tick() + span.end()))
                                            .roman())
                                    .orElse(""))));
        }
        List<ChordSpan> own =
                arrangement.coloured().borrowed().bars().get(bar.index()).chords();
        List<BorrowedView> borrowed = own.equals(bar.chords())
                ? List.of()
                : own.stream()
                        .map(span -> new BorrowedView(span.written(), bar.tick() + span.tick(), span.ticks()))
                        .toList();
        return new ArrangedBarView(
                section.part().id(),
                bar.index(),
                bar.number(),
                section.name(),
                section.pass(),
                bar.pass(),
                bar.meter().toString(),
                bar.meter().beatTicks(),
                bar.tick(),
                bar.ticks(),
                chords,
                borrowed,
                bar.tempo().quartersPerMinute()
                        * Ticks.PER_QUARTER
                        / song.tempo().beatTicks(),
                bar.chords().stream()
                        .filter(ChordSpan::held)
                        .map(span -> new HoldView(bar.tick() + span.tick(), span.ticks()))
                        .toList(),
                bar.vamp() < 0 ? null : bar.vamp(),
                bar.written().marks().pins().stream()
                        .map(pin -> new PinView(pin.text(), pin.warning()))
                        .toList(),
                Told.tenth(play.difficulty().total()),
                withParts
                        ? PartView.of(
                                play.difficulty(),
                                part -> play.spots().get(part).stream()
                                        .map(places::get)
                                        .sorted()
                                        .toList())
                        : List.of(),
                Told.tenth(arrangement.maxTempo(bar.index())),
                MeetingView.of(meeting),
                HoldingView.of(arrangement.holding().get(bar.index()), song.feel()));
    }

    /** A chord of the chart under a colour. */
    public record BorrowedView(String symbol, int tick, int ticks) {}

    /**
     * @param order what strikes on which count, as in {@code 1 LR, 1& L, 2 R}
     * @param mended how room was made where the hands would have run together: left-thinned, left-revoiced,
     *     left-lowered or right-raised
     * @param kept how they run together still: same-key, crossed or too-close
     */
    public record MeetingView(String order, List<String> mended, List<String> kept) {

        private static MeetingView of(Meeting meeting) {
            return meeting.strikes().isEmpty()
                    ? null
                    : new MeetingView(
                            meeting.order(),
                            meeting.mended(),
                            meeting.kept().stream().map(Crossing.Kind::id).toList());
        }
    }

    public record HoldView(int tick, int ticks) {}

    /**
     * @param change how hard it is for the left hand to come to it from what was before, 0 to 100; 0 where it was not
     *     asked for
     */
    public record ArrangedChordView(String symbol, int tick, int ticks, double change, String degree) {}
}
