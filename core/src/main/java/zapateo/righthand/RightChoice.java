package zapateo.righthand;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import zapateo.choice.Choice;
import zapateo.choice.Choice.Place;
import zapateo.choice.Range;
import zapateo.righthand.RightChoices.Manner;
import zapateo.righthand.RightChoices.Shapes;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Top;
import zapateo.righthand.RightChoices.Under;

/** What can be chosen for the right hand, for a song or in part for a section. */
public final class RightChoice {

    private static final Set<Place> RIGHT = EnumSet.of(Place.RIGHT);
    private static final Set<Place> MANNERS = EnumSet.of(Place.RIGHT, Place.RIGHT_SECTION);
    private static final int MOST_BARS = 2000;
    private static final Range<List<Integer>> BARS =
            Range.wholes("a list of bars' numbers, at most " + MOST_BARS, 0, MOST_BARS, 0, Integer.MAX_VALUE);
    private static final List<Choice<?>> ROWS = new ArrayList<>();

    public static final Choice<Style> STYLE = Choice.row(
                    "style", Range.oneOf(Style.class), MANNERS, "what the right hand plays")
            .usually(Style.NONE)
            .in(ROWS);

    public static final Choice<String> FIGURE = Choice.row(
                    "figure", Range.id("the id of a right-hand figure"), MANNERS, "the rhythm of its chords")
            .naming(Choice.figures(true))
            .apart()
            .in(ROWS);

    public static final Choice<Top> TOP = Choice.row(
                    "top", Range.oneOf(Top.class), MANNERS, "what the highest notes of its chords do")
            .usually(Top.NEAREST)
            .in(ROWS);

    public static final Choice<Under> UNDER = Choice.row(
                    "under", Range.oneOf(Under.class), MANNERS, "what lies under a melody")
            .usually(Under.ALONE)
            .in(ROWS);

    public static final Choice<Shapes> SHAPES = Choice.row(
                    "shapes", Range.oneOf(Shapes.class), MANNERS, "which chords it strikes")
            .usually(Shapes.EACH)
            .in(ROWS);

    public static final Choice<Long> CHORUS = Choice.row("chorus", Range.seed(), RIGHT, "of an improvised chorus")
            .usually(1L)
            .in(ROWS);

    public static final Choice<Manner> MANNER = Choice.row(
                    "manner", Range.oneOf(Manner.class), MANNERS, "what an improvised chorus is made of")
            .usually(Manner.MIXED)
            .in(ROWS);

    public static final Choice<Long> FILLS = Choice.row(
                    "fills", Range.seed(), RIGHT, "of what is played where the melody rests; open leaves its rests")
            .in(ROWS);

    public static final Choice<List<Integer>> PLAIN = Choice.row("plain", BARS, RIGHT, "bars whose rests stay rests")
            .usually(List.of())
            .in(ROWS);

    public static final Choice<Boolean> UNISON = Choice.row(
                    "unison", Range.yesNo(), RIGHT, "whether both hands go up the chord together before a section")
            .usually(false)
            .in(ROWS);

    public static final Choice<List<Integer>> AS_THEY_ARE = Choice.row(
                    "asTheyAre", BARS, RIGHT, "bars in which the hands may run together")
            .usually(List.of())
            .in(ROWS);

    private RightChoice() {}

    public static List<Choice<?>> all() {
        return List.copyOf(ROWS);
    }
}
