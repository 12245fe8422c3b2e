package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.choice.Options;
import zapateo.colour.ColourRule;
import zapateo.colour.Coloured;
import zapateo.colour.Formed;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.hand.Playability;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.LeftHand;
import zapateo.lefthand.Realised;
import zapateo.part.Part;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Timeline;

/**
 * Turns a song, choices and a hand into an arrangement; at a level it takes the ways that the choices name
 * ({@link LevelLadder} finds them). Holds nothing but the figure book; safe to share between threads.
 */
public final class Arranger {

    private static final int PASSING_FROM = 3;
    private static final String HELD = "held";

    private final FigureBook book;

    public Arranger(FigureBook book) {
        this.book = book;
    }

    /** @throws Refused when a choice names something there is not, with what could stand there */
    public Arrangement arrange(Song song, Choices choices, Hand hand) {
        return arrange(song, choices, Pianist.of(hand));
    }

    /** @throws Refused when a choice names something there is not, with what could stand there */
    public Arrangement arrange(Song song, Choices choices, Pianist pianist) {
        Formed.Result formed = Formed.of(song, Building.of(choices.song()));
        return played(lay(coloured(formed.song(), choices), formed.waiting(), choices, pianist), choices, pianist);
    }

    /** A song with its colours, as far as its level has them: the two easiest have no chords in passing. */
    private static Coloured coloured(Song song, Choices choices) {
        return choices.song()
                        .get(SongChoice.LEVEL)
                        .filter(level -> level < PASSING_FROM)
                        .isPresent()
                ? Coloured.plainer(song, choices.colours())
                : Coloured.of(song, choices.colours());
    }

    /** The figures that choices name or leave to what is usual; what there is not is passed over. */
    List<Figure> figures(Choices choices) {
        return Stream.concat(
                        choices.figures().stream(), Stream.of(choices.song().orUsual(LeftChoice.FIGURE)))
                .distinct()
                .sorted()
                .flatMap(id -> book.figure(id).stream())
                .toList();
    }

    /** A song whose keys and times are found, before it is given to fingers. */
    private record Laid(
            Coloured coloured,
            Feels feels,
            Timeline timeline,
            Realised realised,
            List<Holding> holding,
            List<Stroke> strokes,
            List<Reason> notices) {

        private Song song() {
            return coloured.song();
        }
    }

    private Laid lay(Coloured coloured, List<String> waiting, Choices choices, Pianist pianist) {
        Song song = coloured.song();
        ChoicePlan plan = new ChoicePlan(book, Building.thinned(song, voiced(coloured, choices)), song, pianist);
        List<Holding> holding = plan.holding();
        Feels feels = Feels.of(song, choices.song().get(SongChoice.SWING_RATIO), holding);
        Timeline timeline = Timeline.of(song, feels.swing(), feels.straight());
        BothHands both = BothHands.of(song, choices.right(), book, LeftHand.place(song, plan, pianist), pianist);
        Realised realised = both.left();
        List<Stroke> strokes = new Heard(song, timeline, choices.song().get(SongChoice.SEED))
                .of(Building.fading(
                        song, choices.song(), Balance.of(Shades.of(song).on(song, both.strokes()))));
        List<Reason> notices = new ArrayList<>(plan.notices());
        coloured.parked()
                .forEach(colour -> notices.add(Reason.of(
                        "colour-parked",
                        Map.of("bar", String.valueOf(colour.bar()), "chords", String.join(" ", colour.over())))));
        waiting.forEach(what -> notices.add(Reason.of("form-waiting", Map.of("what", what))));
        notices.addAll(feels.notices(song));
        notices.addAll(realised.notices());
        notices.addAll(both.notices());
        notices.addAll(Altered.said(song, strokes));
        return new Laid(coloured, feels, timeline, realised, holding, strokes, notices);
    }

    /** Where a colour is the same chord laid otherwise, its voicing is held there. */
    private static Choices voiced(Coloured coloured, Choices choices) {
        Choices all = choices;
        for (Coloured.Heard heard : coloured.sounding()) {
            Optional<String> voicing = ColourRule.named(heard.colour().rule()).flatMap(ColourRule::voicing);
            if (voicing.isPresent()) {
                Bar bar = coloured.song().barAt(heard.tick());
                int beat = bar.meter().beatTicks();
                Choices.Run beats = new Choices.Run(
                        (heard.tick() - bar.tick()) / beat + 1,
                        Math.max(
                                (heard.tick() - bar.tick()) / beat + 1,
                                (Math.min(heard.tick() + heard.ticks(), bar.end()) - bar.tick()) / beat));
                all = all.override(new Choices.Override(
                        new Choices.Run(bar.number(), bar.number()),
                        Optional.of(bar.pass()),
                        Optional.of(beats),
                        Options.OPEN.with(LeftChoice.FIGURE, HELD).with(LeftChoice.VOICING, voicing.get())));
            }
        }
        return all;
    }

    private static Arrangement played(Laid laid, Choices choices, Pianist pianist) {
        Fingers fingers = new Fingers(laid.song(), laid.timeline(), choices.fingers());
        Playability.Played left = fingers.of(part(Side.LEFT, laid.strokes()), pianist.leftOnKeys());
        Playability.Played right = fingers.of(part(Side.RIGHT, laid.strokes()), pianist.rightOnKeys());
        return new Arrangement(
                laid.coloured(),
                laid.feels(),
                new Part(Side.LEFT, left.strokes()),
                new Part(Side.RIGHT, right.strokes()),
                Pedalling.of(laid.song(), laid.timeline(), laid.realised().chords(), laid.strokes()),
                laid.notices(),
                laid.holding(),
                laid.realised(),
                Playability.of(fingers.bars(), List.of(left, right)));
    }

    private static Part part(Side hand, List<Stroke> strokes) {
        return new Part(
                hand, strokes.stream().filter(stroke -> stroke.hand() == hand).toList());
    }
}
