package zapateo.arrangement;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import zapateo.colour.Form;
import zapateo.hand.TooWide;
import zapateo.lefthand.BassLine;
import zapateo.lefthand.Ending;
import zapateo.lefthand.LeadIn;
import zapateo.lefthand.Voicing;
import zapateo.lefthand.WithBass;
import zapateo.names.Names;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Register;
import zapateo.righthand.RightChoices.Manner;
import zapateo.righthand.RightChoices.Shapes;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Top;
import zapateo.righthand.RightChoices.Under;

/**
 * Something a player can choose; the rows of the one table below. Readers of requests and of kept songs, the
 * description of the HTTP surface, the comparison of arrangements, presets and levels go by it: another choice is
 * another row, and the rule that asks for it.
 *
 * @param id its name in open data; in one place it is unique
 * @param range what it may be
 * @param usual what it is where it is left open; empty where something else decides, the figure, the song or the
 *     player's hand
 * @param places where it may hold
 * @param auto whether {@code auto} may be written for leaving it open
 * @param falls the choice it belongs to: with another value of that it is dropped
 * @param fromLevel the first level that leaves it standing
 * @param things where it names something, the ids of all there are, those of a book of figures among them
 * @param use one line: what it decides
 */
public record Choice<T>(
        String id,
        Range<T> range,
        Optional<T> usual,
        Set<Place> places,
        boolean auto,
        Optional<Choice<?>> falls,
        int fromLevel,
        Optional<Things> things,
        String use) {

    /** What there is to name. */
    public interface Things {

        /** @param book the figures that are known beside those of the right hand that ship */
        List<String> ids(FigureBook book);
    }

    /** Where a choice may hold. */
    public enum Place {
        SONG,
        SECTION,
        BARS,
        RIGHT,
        RIGHT_SECTION;

        public String id() {
            return Names.of(this);
        }
    }

    private static final Set<Place> SONG = EnumSet.of(Place.SONG);
    private static final Set<Place> LEFT = EnumSet.of(Place.SONG, Place.SECTION, Place.BARS);
    private static final Set<Place> RIGHT = EnumSet.of(Place.RIGHT);
    private static final Set<Place> MANNERS = EnumSet.of(Place.RIGHT, Place.RIGHT_SECTION);
    private static final int MOST_BARS = 2000;
    private static final int MOST_TEXT = 400;
    private static final int MOST_STROKES = 2000;
    private static final List<Choice<?>> ROWS = new ArrayList<>();

    public static final Choice<String> FIGURE = row(
                    "figure", Range.id("the id of a figure"), LEFT, "the figure of the left hand")
            .naming(book -> figures(book, false))
            .usually("held")
            .in();
    public static final Choice<String> VOICING = row(
                    "voicing",
                    Range.id("auto or the id of a voicing"),
                    LEFT,
                    "which tones of a chord are taken together")
            .naming(book -> Voicing.all().stream().map(Voicing::id).toList())
            .orAuto()
            .fallsWith(FIGURE)
            .in();
    public static final Choice<Register> REGISTER = row(
                    "register", Range.oneOf(Register.class), LEFT, "where the bass lies")
            .in();
    public static final Choice<String> BASS_LINE = row(
                    "bassLine",
                    Range.id("auto or the id of a bass line"),
                    LEFT,
                    "what the basses do in place of the figure's own")
            .naming(book -> BassLine.all().stream().map(BassLine::id).toList())
            .orAuto()
            .in();
    public static final Choice<WithBass> WITH_BASS = row(
                    "withBass", Range.oneOf(WithBass.class), LEFT, "what is struck together with basses")
            .from(4)
            .in();
    public static final Choice<String> LEAD_IN = row(
                    "leadIn", Range.id("auto or the id of a lead-in"), LEFT, "how a change is led into")
            .naming(book -> LeadIn.all().stream().map(LeadIn::id).toList())
            .orAuto()
            .from(4)
            .in();
    public static final Choice<TooWide> TENTHS = row(
                    "tenths", Range.oneOf(TooWide.class), LEFT, "what is done with a stroke the hand cannot span")
            .in();
    public static final Choice<TooWide> OCTAVES = row(
                    "octaves", Range.oneOf(TooWide.class), LEFT, "what is done with an octave the hand cannot span")
            .in();
    public static final Choice<Boolean> VARIATIONS = row(
                    "variations", Range.yesNo(), LEFT, "whether figures may vary their bars")
            .usually(true)
            .from(4)
            .in();
    public static final Choice<Liveliness> LIVELINESS = row(
                    "liveliness", Range.oneOf(Liveliness.class), LEFT, "how much is varied from bar to bar")
            .usually(Liveliness.NONE)
            .from(3)
            .in();
    public static final Choice<Boolean> WITH_BASS_PLAYER = row(
                    "withBassPlayer", Range.yesNo(), LEFT, "whether someone else has the bass")
            .usually(false)
            .in();
    public static final Choice<Boolean> KEEP_TOP = row(
                    "keepTop", Range.yesNo(), LEFT, "whether the top note should rather stay where it is")
            .usually(false)
            .in();
    public static final Choice<Boolean> PEDAL = row(
                    "pedal", Range.yesNo(), LEFT, "whether the sustaining pedal is used")
            .in();
    public static final Choice<List<FigureStroke>> STROKES = row(
                    "strokes",
                    Range.strokes(
                            "the strokes of one bar as a figure's file has them, as 1@0:960 3+5@960:960", MOST_STROKES),
                    EnumSet.of(Place.BARS),
                    "a bar broken out by hand: its strokes in place of the figure's")
            .fallsWith(FIGURE)
            .in();
    public static final Choice<Integer> LEVEL = row(
                    "level", Range.whole(Level.EASIEST, Level.FULLEST), LEFT, "made easier or fuller by rule")
            .in();

    public static final Choice<List<Integer>> WAYS = row(
                    "ways",
                    Range.wholes(
                            "one number from 0 to 20 for each of the five levels", Level.FULLEST, Level.FULLEST, 0, 20),
                    SONG,
                    "which of its ways each level takes, as found last; held while the levels rise with them")
            .fallsWith(FIGURE)
            .in();
    public static final Choice<Double> SWING_RATIO = row(
                    "swingRatio", Range.number(1, 4), SONG, "the long eighth to the short one")
            .in();
    public static final Choice<String> ENDING =
            row("ending", Range.oneOf(endings()), SONG, "what the last bar is").in();
    public static final Choice<Form.Intro> INTRO = row(
                    "intro", Range.oneOf(Form.Intro.class), SONG, "what comes before the song")
            .usually(Form.Intro.NONE)
            .in();
    public static final Choice<String> INTRO_CHORDS = row(
                    "introChords",
                    Range.text("the chords of an intro of one's own as a chart has them, as Cm7 | F7", MOST_TEXT),
                    SONG,
                    "the chords of an intro of one's own")
            .in();
    public static final Choice<Boolean> INTRO_WAITS = row(
                    "introWaits", Range.yesNo(), SONG, "whether the intro goes round until the player goes on")
            .usually(false)
            .in();
    public static final Choice<List<String>> TIMES = row(
                    "times",
                    Range.texts(
                            "a section's place from 1 and how often it is played, as 2@3",
                            "[1-9][0-9]{0,2}@[1-8]",
                            MOST_BARS),
                    SONG,
                    "how often sections are played")
            .usually(List.of())
            .in();
    public static final Choice<Integer> TAGS = row(
                    "tags", Range.whole(0, 3), SONG, "how often the last line comes again")
            .usually(0)
            .in();
    public static final Choice<String> LAST_BAR = row(
                    "lastBar",
                    Range.text("the chords of one bar as a chart has them, as Fm6 . C .", MOST_TEXT),
                    SONG,
                    "the chords of another last bar")
            .in();
    public static final Choice<List<String>> BREAKS = row(
                    "breaks",
                    Range.texts(
                            "a bar's number and perhaps which time, as 8 or 8@2",
                            "[0-9]{1,4}(@[1-9][0-9]?)?",
                            MOST_BARS),
                    SONG,
                    "bars that stop after their first beat")
            .usually(List.of())
            .in();
    public static final Choice<String> VAMP = row(
                    "vamp",
                    Range.matching("bars that go round until the player goes on, as 5-8", "[0-9]{1,4}-[0-9]{1,4}"),
                    SONG,
                    "which bars go round until the player goes on")
            .in();
    public static final Choice<String> KEY_UP = row(
                    "keyUp",
                    Range.matching(
                            "a section's place from 1 and how many semitones from there, 1 to 4, as 3@2",
                            "[1-9][0-9]{0,2}@[1-4]"),
                    SONG,
                    "from where on it is played in a higher key")
            .in();
    public static final Choice<Form.Close> CLOSE = row(
                    "close", Range.oneOf(Form.Close.class), SONG, "what the last bars do")
            .usually(Form.Close.PLAIN)
            .in();
    public static final Choice<Boolean> RITARD = row(
                    "ritard", Range.yesNo(), SONG, "whether the last two bars slow down")
            .usually(false)
            .in();

    public static final Choice<Long> SEED = row("seed", Range.seed(), SONG, "of the gentle unevenness for listening")
            .in();

    public static final Choice<List<String>> SPICES = row(
                    "spices",
                    Range.texts(
                            "what a lively player does in a bar, as walk-up@8, or plain@8",
                            "[a-z-]{2,20}@[0-9]{1,4}",
                            MOST_BARS),
                    SONG,
                    "what is kept of liveliness, by the bars' numbers; plain leaves a bar as it is")
            .usually(List.of())
            .in();
    public static final Choice<List<String>> WAVED_OFF = row(
                    "wavedOff",
                    Range.texts("faults of a row in a bar, as L6@5", "[A-Z][0-9]{1,2}@[0-9]{1,4}", MOST_BARS),
                    SONG,
                    "faults a strict reader marks that are meant so, by the bars' numbers")
            .usually(List.of())
            .in();

    public static final Choice<Style> STYLE = row(
                    "style", Range.oneOf(Style.class), MANNERS, "what the right hand plays")
            .usually(Style.NONE)
            .in();
    public static final Choice<String> RIGHT_FIGURE = row(
                    "figure", Range.id("the id of a right-hand figure"), MANNERS, "the rhythm of its chords")
            .naming(book -> figures(FigureBook.ofTheRightHand().and(book), true))
            .in();
    public static final Choice<Top> TOP = row(
                    "top", Range.oneOf(Top.class), MANNERS, "what the highest notes of its chords do")
            .usually(Top.NEAREST)
            .in();
    public static final Choice<Under> UNDER = row(
                    "under", Range.oneOf(Under.class), MANNERS, "what lies under a melody")
            .usually(Under.ALONE)
            .in();
    public static final Choice<Shapes> SHAPES = row(
                    "shapes", Range.oneOf(Shapes.class), MANNERS, "which chords it strikes")
            .usually(Shapes.EACH)
            .in();
    public static final Choice<Long> CHORUS = row("chorus", Range.seed(), RIGHT, "of an improvised chorus")
            .usually(1L)
            .in();
    public static final Choice<Manner> MANNER = row(
                    "manner", Range.oneOf(Manner.class), MANNERS, "what an improvised chorus is made of")
            .usually(Manner.MIXED)
            .in();
    public static final Choice<Long> FILLS = row(
                    "fills", Range.seed(), RIGHT, "of what is played where the melody rests; open leaves its rests")
            .in();
    public static final Choice<List<Integer>> PLAIN = row(
                    "plain",
                    Range.wholes("a list of bars' numbers, at most " + MOST_BARS, 0, MOST_BARS, 0, Integer.MAX_VALUE),
                    RIGHT,
                    "bars whose rests stay rests")
            .usually(List.of())
            .in();
    public static final Choice<Boolean> UNISON = row(
                    "unison", Range.yesNo(), RIGHT, "whether both hands go up the chord together before a section")
            .usually(false)
            .in();
    public static final Choice<List<Integer>> AS_THEY_ARE = row(
                    "asTheyAre",
                    Range.wholes("a list of bars' numbers, at most " + MOST_BARS, 0, MOST_BARS, 0, Integer.MAX_VALUE),
                    RIGHT,
                    "bars in which the hands may run together")
            .usually(List.of())
            .in();

    /** An ending's last bar as the figure goes. */
    public static final String FIGURE_GOES_ON = "figure";

    private static final String AUTO = "auto";

    private static List<String> endings() {
        return Stream.concat(Ending.all().stream().map(Ending::id), Stream.of("figure"))
                .toList();
    }

    private static List<String> figures(FigureBook book, boolean ofRightHand) {
        return book.figures().stream()
                .filter(figure -> figure.isOfRightHand() == ofRightHand)
                .map(Figure::id)
                .toList();
    }

    public static List<Choice<?>> all() {
        return List.copyOf(ROWS);
    }

    /** How a value of several is written. */
    public static String idOf(Enum<?> value) {
        return Range.name(value);
    }

    /** All that may hold in a place, in the order of the table. */
    public static List<Choice<?>> in(Place place) {
        return ROWS.stream().filter(each -> each.places.contains(place)).toList();
    }

    private static <T> Row<T> row(String id, Range<T> range, Set<Place> places, String use) {
        return new Row<>(
                id, range, Optional.empty(), places, false, Optional.empty(), Level.EASIEST, Optional.empty(), use);
    }

    /** One on the way into the table. */
    private record Row<T>(
            String id,
            Range<T> range,
            Optional<T> usual,
            Set<Place> places,
            boolean auto,
            Optional<Choice<?>> falls,
            int fromLevel,
            Optional<Things> things,
            String use) {

        private Row<T> usually(T value) {
            return new Row<>(id, range, Optional.of(value), places, auto, falls, fromLevel, things, use);
        }

        private Row<T> orAuto() {
            return new Row<>(id, range, usual, places, true, falls, fromLevel, things, use);
        }

        private Row<T> fallsWith(Choice<?> other) {
            return new Row<>(id, range, usual, places, auto, Optional.of(other), fromLevel, things, use);
        }

        private Row<T> from(int level) {
            return new Row<>(id, range, usual, places, auto, falls, level, things, use);
        }

        private Row<T> naming(Things things) {
            return new Row<>(id, range, usual, places, auto, falls, fromLevel, Optional.of(things), use);
        }

        private Choice<T> in() {
            Choice<T> choice = new Choice<>(id, range, usual, places, auto, falls, fromLevel, things, use);
            ROWS.add(choice);
            return choice;
        }
    }

    /** Whether something written leaves it open. */
    boolean isOpen(Object written) {
        return written == null || auto && written.equals(AUTO);
    }

    @Override
    public boolean equals(Object other) {
        return this == other;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(this);
    }
}
