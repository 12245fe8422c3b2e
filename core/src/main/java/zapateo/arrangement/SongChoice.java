package zapateo.arrangement;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import zapateo.choice.Choice;
import zapateo.choice.Choice.Place;
import zapateo.choice.Range;
import zapateo.colour.Form;
import zapateo.lefthand.Ending;
import zapateo.lefthand.LeftChoice;
import zapateo.righthand.RightChoice;

/** What can be chosen for a song as a whole, and the table of all choices. */
public final class SongChoice {

    private static final Set<Place> SONG = EnumSet.of(Place.SONG);
    private static final Set<Place> LEFT = EnumSet.of(Place.SONG, Place.SECTION, Place.BARS);
    private static final int MOST_BARS = 2000;
    private static final int MOST_TEXT = 400;
    private static final List<Choice<?>> ROWS = new ArrayList<>();

    /** An ending's last bar as the figure goes. */
    public static final String FIGURE_GOES_ON = "figure";

    public static final Choice<Integer> LEVEL = Choice.row(
                    "level", Range.whole(Level.EASIEST, Level.FULLEST), LEFT, "made easier or fuller by rule")
            .apart()
            .in(ROWS);

    public static final Choice<List<Integer>> WAYS = Choice.row(
                    "ways",
                    Range.wholes(
                            "one number from 0 to 20 for each of the five levels", Level.FULLEST, Level.FULLEST, 0, 20),
                    SONG,
                    "which of its ways each level takes, as found last; held while the levels rise with them")
            .fallsWith(LeftChoice.FIGURE)
            .apart()
            .in(ROWS);

    public static final Choice<Double> SWING_RATIO = Choice.row(
                    "swingRatio", Range.number(1, 4), SONG, "the long eighth to the short one")
            .in(ROWS);

    public static final Choice<String> ENDING = Choice.row(
                    "ending",
                    Range.oneOf(endings().stream().map(Choice.Thing::id).toList()),
                    SONG,
                    "what the last bar is")
            .naming(book -> endings())
            .in(ROWS);

    public static final Choice<Form.Intro> INTRO = Choice.row(
                    "intro", Range.oneOf(Form.Intro.class), SONG, "what comes before the song")
            .usually(Form.Intro.NONE)
            .apart()
            .in(ROWS);

    public static final Choice<String> INTRO_CHORDS = Choice.row(
                    "introChords",
                    Range.text("the chords of an intro of one's own as a chart has them, as Cm7 | F7", MOST_TEXT),
                    SONG,
                    "the chords of an intro of one's own")
            .apart()
            .in(ROWS);

    public static final Choice<Boolean> INTRO_WAITS = Choice.row(
                    "introWaits", Range.yesNo(), SONG, "whether the intro goes round until the player goes on")
            .usually(false)
            .apart()
            .in(ROWS);

    public static final Choice<List<String>> TIMES = Choice.row(
                    "times",
                    Range.texts(
                            "a section's place from 1 and how often it is played, as 2@3",
                            "[1-9][0-9]{0,2}@[1-8]",
                            MOST_BARS),
                    SONG,
                    "how often sections are played")
            .usually(List.of())
            .apart()
            .in(ROWS);

    public static final Choice<Integer> TAGS = Choice.row(
                    "tags", Range.whole(0, 3), SONG, "how often the last line comes again")
            .usually(0)
            .apart()
            .in(ROWS);

    public static final Choice<String> LAST_BAR = Choice.row(
                    "lastBar",
                    Range.text("the chords of one bar as a chart has them, as Fm6 . C .", MOST_TEXT),
                    SONG,
                    "the chords of another last bar")
            .apart()
            .in(ROWS);

    public static final Choice<List<String>> BREAKS = Choice.row(
                    "breaks",
                    Range.texts(
                            "a bar's number and perhaps which time, as 8 or 8@2",
                            "[0-9]{1,4}(@[1-9][0-9]?)?",
                            MOST_BARS),
                    SONG,
                    "bars that stop after their first beat")
            .usually(List.of())
            .apart()
            .in(ROWS);

    public static final Choice<String> VAMP = Choice.row(
                    "vamp",
                    Range.matching("bars that go round until the player goes on, as 5-8", "[0-9]{1,4}-[0-9]{1,4}"),
                    SONG,
                    "which bars go round until the player goes on")
            .apart()
            .in(ROWS);

    public static final Choice<String> KEY_UP = Choice.row(
                    "keyUp",
                    Range.matching(
                            "a section's place from 1 and how many semitones from there, 1 to 4, as 3@2",
                            "[1-9][0-9]{0,2}@[1-4]"),
                    SONG,
                    "from where on it is played in a higher key")
            .apart()
            .in(ROWS);

    public static final Choice<Form.Close> CLOSE = Choice.row(
                    "close", Range.oneOf(Form.Close.class), SONG, "what the last bars do")
            .usually(Form.Close.PLAIN)
            .apart()
            .in(ROWS);

    public static final Choice<Boolean> RITARD = Choice.row(
                    "ritard", Range.yesNo(), SONG, "whether the last two bars slow down")
            .usually(false)
            .apart()
            .in(ROWS);

    public static final Choice<Long> SEED = Choice.row(
                    "seed", Range.seed(), SONG, "of the gentle unevenness for listening")
            .in(ROWS);

    public static final Choice<List<String>> SPICES = Choice.row(
                    "spices",
                    Range.texts(
                            "what a lively player does in a bar, as walk-up@8, or plain@8",
                            "[a-z-]{2,20}@[0-9]{1,4}",
                            MOST_BARS),
                    SONG,
                    "what is kept of liveliness, by the bars' numbers; plain leaves a bar as it is")
            .usually(List.of())
            .apart()
            .in(ROWS);

    public static final Choice<List<String>> WAVED_OFF = Choice.row(
                    "wavedOff",
                    Range.texts("faults of a row in a bar, as L6@5", "[A-Z][0-9]{1,2}@[0-9]{1,4}", MOST_BARS),
                    SONG,
                    "faults a strict reader marks that are meant so, by the bars' numbers")
            .usually(List.of())
            .apart()
            .in(ROWS);

    private static final List<Choice<?>> TABLE = Stream.of(LeftChoice.all(), ROWS, RightChoice.all())
            .<Choice<?>>flatMap(List::stream)
            .toList();

    private SongChoice() {}

    /** All that can be chosen, the hands' rows among them. */
    public static List<Choice<?>> table() {
        return TABLE;
    }

    /** All that may hold in a place, in the order of the table. */
    public static List<Choice<?>> in(Place place) {
        return TABLE.stream().filter(each -> each.places().contains(place)).toList();
    }

    private static List<Choice.Thing> endings() {
        return Stream.concat(
                        Ending.all().stream().map(each -> new Choice.Thing(each.id(), each.name(), each.use())),
                        Stream.of(new Choice.Thing(FIGURE_GOES_ON, "The figure goes on", "No ending of its own.")))
                .toList();
    }
}
