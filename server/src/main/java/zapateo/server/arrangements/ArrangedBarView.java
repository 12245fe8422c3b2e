package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
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
 * @param bpm the tempo in force, in the beats of the song's own
 * @param holds fermatas: what lies under one lasts twice as long
 * @param vamp index of the first bar of the vamp it belongs to; a vamp goes round until told
 * @param pins notes and warnings pinned to it
 * @param difficulty 0 to 100
 * @param parts the same by what makes it hard, with the strokes that do
 * @param maxTempo the fastest its jumps and repeated notes allow, in the song's beats a minute; 400 where nothing
 *     limits it
 * @param meeting how the hands meet
 * @param choices what holds at its beginning
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ArrangedBarView(
        @NameOf(SongPart.class) @Schema(description = "absent where it is chart")
        String part,

        int index,
        int number,
        String section,
        int pass,
        @Schema(description = "absent where it is 1") Integer round,
        @Schema(description = HoldingView.BEFORE) String meter,
        @Schema(description = HoldingView.BEFORE) Integer beatTicks,
        int tick,
        int ticks,
        List<ArrangedChordView> chords,

        @Schema(description = "absent where no colour changes them")
        List<BorrowedView> borrowed,

        @Schema(description = HoldingView.BEFORE) Double bpm,

        @Schema(description = "absent where there are none") List<HoldView> holds,

        @Schema(description = "absent outside of one") Integer vamp,

        @Schema(description = "absent where there are none") List<PinView> pins,

        double difficulty,

        @Schema(description = "absent where it was not asked for")
        List<PartView> parts,

        double maxTempo,

        @Schema(description = "absent where only one hand plays")
        MeetingView meeting,

        @Schema(description = HoldingView.BEFORE) HoldingView choices) {

    static ArrangedBarView of(
            Bar bar,
            Section section,
            Arrangement arrangement,
            Understanding understanding,
            Map<Playability.Spot, Integer> places,
            boolean withParts,
            Meeting meeting) {
        Optional<Bar> before = bar.index() == 0
                ? Optional.empty()
                : Optional.of(arrangement.song().bars().get(bar.index() - 1));
        Song song = arrangement.song();
        Playability.BarPlay play = arrangement.play().bars().get(bar.index());
        List<ArrangedChordView> chords = new ArrayList<>();
        for (int i = 0; i < bar.chords().size(); i++) {
            ChordSpan span = bar.chords().get(i);
            chords.add(new ArrangedChordView(
                    span.written(),
                    bar.tick() + span.tick(),
                    span.ticks(),
                    withParts
                            ? Told.tenth(arrangement.changeAt(bar.tick() + span.tick(), bar.tick() + span.end()))
                            : null,
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
                ? null
                : own.stream()
                        .map(span -> new BorrowedView(span.written(), bar.tick() + span.tick(), span.ticks()))
                        .toList();
        return new ArrangedBarView(
                Told.unless("chart", section.part().id()),
                bar.index(),
                bar.number(),
                section.name(),
                section.pass(),
                bar.pass() == 1 ? null : bar.pass(),
                asBefore(bar, before, each -> each.meter().toString()),
                asBefore(bar, before, each -> each.meter().beatTicks()),
                bar.tick(),
                bar.ticks(),
                chords,
                borrowed,
                asBefore(
                        bar,
                        before,
                        each -> each.tempo().quartersPerMinute()
                                * Ticks.PER_QUARTER
                                / song.tempo().beatTicks()),
                some(bar.chords().stream()
                        .filter(ChordSpan::held)
                        .map(span -> new HoldView(bar.tick() + span.tick(), span.ticks()))
                        .toList()),
                bar.vamp() < 0 ? null : bar.vamp(),
                some(bar.written().marks().pins().stream()
                        .map(pin -> new PinView(pin.text(), pin.warning()))
                        .toList()),
                Told.tenth(play.difficulty().total()),
                withParts
                        ? PartView.of(
                                play.difficulty(),
                                part -> play.spots().get(part).stream()
                                        .map(places::get)
                                        .sorted()
                                        .toList())
                        : null,
                Told.tenth(arrangement.maxTempo(bar.index())),
                MeetingView.of(meeting),
                HoldingView.of(
                        arrangement.holding().get(bar.index()),
                        before.map(each -> arrangement.holding().get(each.index())),
                        song.feel()));
    }

    private static <T> List<T> some(List<T> list) {
        return list.isEmpty() ? null : list;
    }

    private static <T> T asBefore(Bar bar, Optional<Bar> before, Function<Bar, T> told) {
        T now = told.apply(bar);
        return before.map(told).filter(now::equals).isPresent() ? null : now;
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

    /** @param change how hard it is for the left hand to come to it from what was before, 0 to 100 */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record ArrangedChordView(
            String symbol,
            int tick,
            int ticks,

            @Schema(description = "absent where it was not asked for")
            Double change,

            String degree) {}
}
