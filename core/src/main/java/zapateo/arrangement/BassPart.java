package zapateo.arrangement;

import java.util.List;
import java.util.Map;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.lefthand.LeftChoice;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Meter;
import zapateo.righthand.RightChoices;
import zapateo.song.Song;

/**
 * What a bass player has, where one is there: the line alone, by the style of the left hand (common practice); form and
 * colours are the song's own.
 */
public final class BassPart {

    private static final String HELD = "held";
    private static final Map<String, String> BY_FAMILY = Map.of(
            "swing",
            "walking",
            "stride",
            "walking",
            "blues",
            "walking",
            "boogie",
            "walking",
            "shuffle",
            "walking",
            "bossa",
            "bossa",
            "samba",
            "bossa",
            "rumba",
            "anticipated-bass",
            "gospel",
            "walking");
    private static final String PLAIN = "two-feel";
    /** Quarters a minute up to which a line walks. */
    private static final double WALKS = 240;

    private static final List<Choice<?>> KEPT = List.of(SongChoice.SWING_RATIO, SongChoice.CLOSE);

    private BassPart() {}

    /** The choices that have it played by a left hand alone. */
    public static Choices of(Song song, Choices choices, FigureBook book) {
        String family = book.figure(choices.song().orUsual(LeftChoice.FIGURE))
                .map(Figure::family)
                .orElse("");
        String wanted = BY_FAMILY.getOrDefault(family, PLAIN);
        String line = wanted.equals("walking") && song.tempo().quartersPerMinute() > WALKS ? PLAIN : wanted;
        boolean fits =
                song.bars().stream().map(bar -> bar.meter()).distinct().allMatch(meter -> accepts(book, line, meter));
        Options options = fits
                ? Options.OPEN.with(LeftChoice.FIGURE, line)
                : Options.OPEN.with(LeftChoice.FIGURE, HELD).with(LeftChoice.VOICING, "single");
        options = options.with(LeftChoice.PEDAL, false).with(SongChoice.ENDING, SongChoice.FIGURE_GOES_ON);
        for (Choice<?> choice : Building.CHOICES) {
            options = keeping(choice, choices.song(), options);
        }
        for (Choice<?> choice : KEPT) {
            options = keeping(choice, choices.song(), options);
        }
        return new Choices(
                options,
                Map.of(),
                List.of(),
                List.of(),
                choices.weights(),
                List.of(),
                RightHand.of(RightChoices.Style.NONE),
                choices.colours());
    }

    private static boolean accepts(FigureBook book, String figure, Meter meter) {
        return book.figure(figure)
                .filter(each -> each.bars().containsKey(meter))
                .isPresent();
    }

    private static <T> Options keeping(Choice<T> choice, Options from, Options into) {
        return from.get(choice).map(value -> into.with(choice, value)).orElse(into);
    }
}
