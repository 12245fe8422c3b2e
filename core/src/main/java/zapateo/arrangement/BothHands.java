package zapateo.arrangement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.lefthand.Realised;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.righthand.Apart;
import zapateo.righthand.Chorus;
import zapateo.righthand.Comping;
import zapateo.righthand.Fills;
import zapateo.righthand.RightChoices;
import zapateo.righthand.TuneHand;
import zapateo.song.Song;

/**
 * A left hand and what the right one is to do over it, kept apart.
 *
 * @param strokes of both, as written, in the order of time
 */
record BothHands(List<Stroke> strokes, List<Reason> notices) {

    private static final Comparator<Stroke> IN_TIME = Comparator.comparingInt((Stroke stroke) -> stroke.written().tick()).thenComparing(Stroke::hand);
    private static final FigureBook BOOK = FigureBook.ofTheRightHand();

    /** @throws IllegalArgumentException when the figure is none of the right hand's, with what could stand there */
    static BothHands of(Song song, Choices.Right right, Realised realised, Pianist pianist) {
        if (right.style() == RightChoices.Style.NONE) {
            return new BothHands(realised.strokes(), List.of());
        }
        List<Stroke> left = realised.strokes().stream().filter(stroke -> stroke.hand() == Side.LEFT).toList();
        List<Stroke> own = realised.strokes().stream().filter(stroke -> stroke.hand() == Side.RIGHT).toList();
        List<Reason> notices = new ArrayList<>();
        List<Stroke> played = placed(played(song, right, left, pianist.rightOnKeys(), notices), realised.chords());
        if (!own.isEmpty()) {
            // Bars in which a figure has both hands stay as they are.
            Set<Integer> taken = new HashSet<>();
            own.forEach(stroke -> taken.add(stroke.bar()));
            notices.add(Reason.of("right-taken", Map.of("count", String.valueOf(taken.size()))));
            played = new ArrayList<>(played.stream().filter(stroke -> !taken.contains(stroke.bar())).toList());
            played.addAll(own);
            played.sort(IN_TIME);
        }
        Apart apart = Apart.of(left, played);
        notices.addAll(Altered.kept(song, apart.right(), apart.kept()));
        List<Stroke> both = new ArrayList<>(apart.left());
        both.addAll(apart.right());
        both.sort(IN_TIME);
        return new BothHands(both, notices);
    }

    private static List<Stroke> played(Song song, Choices.Right right, List<Stroke> left, Hand hand, List<Reason> notices) {
        if (right.style() == RightChoices.Style.MELODY) {
            if (!song.hasTune()) {
                notices.add(Reason.of("no-tune", Map.of()));
            }
            List<Stroke> tune = TuneHand.of(song, left, hand, right.under());
            if (right.fills().isEmpty()) {
                return tune;
            }
            List<Stroke> filled = new ArrayList<>(tune);
            filled.addAll(Fills.of(song, tune, left, hand, right.fills().get(), right.plain()));
            filled.sort(IN_TIME);
            return filled;
        }
        if (right.style() == RightChoices.Style.IMPROVISE) {
            return Chorus.of(song, right.chorus());
        }
        String id = right.figure().orElse(Comping.usual(song));
        Figure figure = BOOK.figure(id).orElseThrow(() -> new IllegalArgumentException(
                "right-hand figure \"" + id + "\": expected one of " + String.join(", ", BOOK.figures().stream().map(Figure::id).toList())));
        return Comping.of(song, left, hand, new RightChoices(right.style(), figure, right.top(), right.under()));
    }

    /** Each stroke as one of the chord that is laid there. */
    private static List<Stroke> placed(List<Stroke> strokes, List<Realised.LaidChord> chords) {
        List<Stroke> placed = new ArrayList<>();
        int at = 0;
        for (Stroke stroke : strokes) {
            while (at + 1 < chords.size() && chords.get(at + 1).tick() <= stroke.written().tick()) {
                at++;
            }
            placed.add(stroke.of(at));
        }
        return placed;
    }
}
