package zapateo.lefthand;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** Arrangements as text, for a large hand that spans a tenth. */
public final class Played {

    public static final Arranger ARRANGER = new Arranger(FigureBook.open());
    public static final Hand LARGE = Hand.of(240);

    private Played() {}

    /** @param chart its lines parted by ~ */
    public static Song song(String chart) {
        return ChartParser.parse(chart.replace('~', '\n')).song().orElseThrow();
    }

    public static Arrangement arrange(String chart, Choices choices) {
        return ARRANGER.arrange(song(chart), choices, LARGE);
    }

    /** The notes of each bar, one stroke after another, the right hand's with R:. */
    public static String notes(Arrangement arrangement) {
        return bars(
                arrangement,
                stroke -> (stroke.hand() == Side.RIGHT ? "R:" : "")
                        + stroke.notes().stream()
                                .map(note -> note.pitch().toString())
                                .collect(Collectors.joining("+")));
    }

    /** Where each stroke is written and how long, from its bar line. */
    public static String times(Arrangement arrangement) {
        return bars(
                arrangement,
                stroke -> stroke.written().tick()
                        - arrangement.song().bars().get(stroke.bar()).tick() + ":"
                        + stroke.written().ticks());
    }

    private static String bars(Arrangement arrangement, Function<Stroke, String> text) {
        List<Stroke> strokes = arrangement.strokes();
        return arrangement.song().bars().stream()
                .map(bar -> strokes.stream()
                        .filter(stroke -> stroke.bar() == bar.index())
                        .map(text)
                        .collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }
}
