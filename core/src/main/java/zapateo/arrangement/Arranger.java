package zapateo.arrangement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.hand.Playability;
import zapateo.lefthand.LeftHand;
import zapateo.lefthand.Realised;
import zapateo.part.Part;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.rhythm.Swing;
import zapateo.song.Song;
import zapateo.song.Timeline;

/** Turns a song, choices and a hand into an arrangement; at a level it takes the ways that the choices name ({@link LevelLadder} finds them). Holds nothing but the figure book; safe to share between threads. */
public final class Arranger {

    /** How soon after a chord the pedal goes down again: the old chord's sound has stopped, the new key is still held. */
    private static final int PEDAL_LAG = 240;
    private static final int UNSTRUCK = Integer.MIN_VALUE;

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
        return played(lay(song, choices, pianist), choices, pianist);
    }

    /** The figures that choices name or leave to what is usual; what there is not is passed over. */
    List<Figure> figures(Choices choices) {
        return Stream.concat(choices.figures().stream(), Stream.of(choices.song().orUsual(Choice.FIGURE))).distinct().sorted().flatMap(id -> book.figure(id).stream()).toList();
    }

    /** A song whose keys and times are found, before it is given to fingers. */
    private record Laid(Song song, Swing swing, Timeline timeline, Realised realised, List<Holding> holding, List<Stroke> strokes, List<Reason> notices) {
    }

    private Laid lay(Song song, Choices choices, Pianist pianist) {
        ChoicePlan plan = new ChoicePlan(book, choices, song, pianist);
        Swing swing = choices.song().get(Choice.SWING_RATIO).map(Swing::of).orElseGet(() -> song.feel().at(song.tempo()));
        Timeline timeline = Timeline.of(song, swing);
        BothHands both = BothHands.of(song, choices.right(), LeftHand.place(song, plan, pianist), pianist);
        Realised realised = both.left();
        List<Stroke> strokes = new Heard(song, timeline, choices.song().get(Choice.SEED)).of(both.strokes());
        List<Reason> notices = new ArrayList<>(plan.notices());
        notices.addAll(realised.notices());
        notices.addAll(both.notices());
        notices.addAll(Altered.said(song, strokes));
        return new Laid(song, swing, timeline, realised, plan.holding(), strokes, notices);
    }

    private static Arrangement played(Laid laid, Choices choices, Pianist pianist) {
        Fingers fingers = new Fingers(laid.song(), laid.timeline(), choices.fingers());
        Playability.Played left = fingers.of(part(Side.LEFT, laid.strokes()), pianist.leftOnKeys());
        Playability.Played right = fingers.of(part(Side.RIGHT, laid.strokes()), pianist.rightOnKeys());
        return new Arrangement(laid.song(), laid.swing(), new Part(Side.LEFT, left.strokes()), new Part(Side.RIGHT, right.strokes()), pedal(laid.realised().chords(), laid.strokes()),
                laid.notices(), laid.holding(), laid.realised(), Playability.of(fingers.bars(), List.of(left, right)));
    }

    private static Part part(Side hand, List<Stroke> strokes) {
        return new Part(hand, strokes.stream().filter(stroke -> stroke.hand() == hand).toList());
    }

    /** Lifted when a chord is struck, down again before its first key is let go (HANDBOOK §7); one that is struck early changes the pedal early. */
    private static List<Pedal> pedal(List<Realised.LaidChord> chords, List<Stroke> strokes) {
        int[] struck = new int[chords.size()];
        int[] released = new int[chords.size()];
        for (int i = 0; i < struck.length; i++) {
            struck[i] = UNSTRUCK;
        }
        strokes.stream().sorted(Comparator.comparingInt(Stroke::firstTick)).forEach(stroke -> {
            if (struck[stroke.chord()] == UNSTRUCK && stroke.mark() != Mark.LEAD) {
                struck[stroke.chord()] = stroke.firstTick();
                released[stroke.chord()] = stroke.sounding().end();
            }
        });
        List<Pedal> pedal = new ArrayList<>();
        int last = Integer.MIN_VALUE;
        for (int i = 0; i < struck.length; i++) {
            if (struck[i] == UNSTRUCK || !chords.get(i).pedal()) {
                continue;
            }
            int lifted = chords.get(i).end();
            for (int next = i + 1; next < struck.length && chords.get(next).tick() <= lifted; next++) {
                if (struck[next] != UNSTRUCK) {
                    lifted = Math.min(lifted, struck[next]);
                    break;
                }
                lifted = Math.max(lifted, chords.get(next).end());
            }
            int down = Math.max(last == Integer.MIN_VALUE ? last : last + 1, struck[i] + Math.max(1, Math.min(PEDAL_LAG, Math.min((lifted - struck[i]) / 4, (released[i] - struck[i]) / 2))));
            if (lifted > down) {
                pedal.add(new Pedal(down, lifted));
                last = lifted;
            }
        }
        return pedal;
    }
}
