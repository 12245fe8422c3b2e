package zapateo.lefthand;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zapateo.choice.Choice;
import zapateo.choice.Choice.Place;
import zapateo.choice.Options;
import zapateo.choice.Range;
import zapateo.hand.TooWide;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Register;

/** What can be chosen for the left hand, for a song, a section or some bars. */
public final class LeftChoice {

    private static final Set<Place> LEFT = EnumSet.of(Place.SONG, Place.SECTION, Place.BARS);
    private static final int MOST_STROKES = 2000;
    private static final List<Choice<?>> ROWS = new ArrayList<>();

    public static final Choice<String> FIGURE = Choice.row(
                    "figure", Range.id("the id of a figure"), LEFT, "the figure of the left hand")
            .naming(Choice.figures(false))
            .apart()
            .usually("held")
            .in(ROWS);

    public static final Choice<String> BASS_LINE = Choice.row(
                    "bassLine",
                    Range.id("auto or the id of a bass line"),
                    LEFT,
                    "what the basses do in place of the figure's own")
            .naming(Choice.things(BassLine.all(), BassLine::id, BassLine::name, BassLine::use))
            .orAuto()
            .in(ROWS);

    public static final Choice<WithBass> WITH_BASS = Choice.row(
                    "withBass", Range.oneOf(WithBass.class), LEFT, "what is struck together with basses")
            .from(4)
            .offering(LeftChoice::whereALineIs)
            .in(ROWS);

    public static final Choice<String> LEAD_IN = Choice.row(
                    "leadIn", Range.id("auto or the id of a lead-in"), LEFT, "how a change is led into")
            .naming(Choice.things(LeadIn.all(), LeadIn::id, LeadIn::name, LeadIn::use))
            .offering(LeftChoice::whereALineIs)
            .usuallyOf(figure -> figure.manner().leadIn())
            .orAuto()
            .from(4)
            .in(ROWS);

    public static final Choice<String> VOICING = Choice.row(
                    "voicing",
                    Range.id("auto or the id of a voicing"),
                    LEFT,
                    "which tones of a chord are taken together")
            .naming(Choice.things(Voicing.all(), Voicing::id, Voicing::name, Voicing::use))
            .offering(figure -> Optional.of(figure.manner().voicings()))
            .usuallyOf(figure -> figure.manner().voicings().stream().findFirst())
            .orAuto()
            .fallsWith(FIGURE)
            .in(ROWS);

    public static final Choice<Register> REGISTER = Choice.row(
                    "register", Range.oneOf(Register.class), LEFT, "where the bass lies")
            .offering(figure -> Optional.of(
                    figure.manner().registers().stream().map(Register::id).toList()))
            .usuallyOf(figure -> figure.manner().registers().stream().findFirst())
            .in(ROWS);

    public static final Choice<TooWide> OCTAVES = Choice.row(
                    "octaves", Range.oneOf(TooWide.class), LEFT, "what is done with an octave the hand cannot span")
            .apart()
            .in(ROWS);

    public static final Choice<TooWide> TENTHS = Choice.row(
                    "tenths", Range.oneOf(TooWide.class), LEFT, "what is done with a stroke the hand cannot span")
            .along(OCTAVES)
            .in(ROWS);

    public static final Choice<Liveliness> LIVELINESS = Choice.row(
                    "liveliness", Range.oneOf(Liveliness.class), LEFT, "how much is varied from bar to bar")
            .usually(Liveliness.NONE)
            .from(3)
            .in(ROWS);

    public static final Choice<Boolean> VARIATIONS = Choice.row(
                    "variations", Range.yesNo(), LEFT, "whether figures may vary their bars")
            .usually(true)
            .from(4)
            .fallsWith(LIVELINESS)
            .apart()
            .in(ROWS);

    public static final Choice<Boolean> WITH_BASS_PLAYER = Choice.row(
                    "withBassPlayer", Range.yesNo(), LEFT, "whether someone else has the bass")
            .usually(false)
            .in(ROWS);

    public static final Choice<Boolean> KEEP_TOP = Choice.row(
                    "keepTop", Range.yesNo(), LEFT, "whether the top note should rather stay where it is")
            .usually(false)
            .in(ROWS);

    public static final Choice<Boolean> PEDAL = Choice.row(
                    "pedal", Range.yesNo(), LEFT, "whether the sustaining pedal is used")
            .usuallyOf(figure -> Optional.of(figure.manner().pedal()))
            .in(ROWS);

    public static final Choice<List<FigureStroke>> STROKES = Choice.row(
                    "strokes",
                    Range.strokes(
                            "the strokes of one bar as a figure's file has them, as 1@0:960 3+5@960:960", MOST_STROKES),
                    EnumSet.of(Place.BARS),
                    "a bar broken out by hand: its strokes in place of the figure's")
            .fallsWith(FIGURE)
            .apart()
            .in(ROWS);

    private LeftChoice() {}

    public static List<Choice<?>> all() {
        return List.copyOf(ROWS);
    }

    /** Those whose value is all there is to them; the others name things. */
    private static final List<Choice<?>> PLAIN = ROWS.stream()
            .filter(each ->
                    !Set.of(FIGURE, VOICING, BASS_LINE, LEAD_IN, STROKES).contains(each))
            .toList();

    /** What is said of them, and of those that are open what is usual. */
    public static Options plain(Options chosen) {
        return chosen.filled(PLAIN);
    }

    /** What is of single basses has no place in a figure without such. */
    private static Optional<List<String>> whereALineIs(Figure figure) {
        return figure.hasLine() ? Optional.empty() : Optional.of(List.of());
    }
}
