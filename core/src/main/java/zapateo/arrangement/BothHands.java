package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.lefthand.Realised;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.righthand.Apart;
import zapateo.righthand.Chorus;
import zapateo.righthand.Comping;
import zapateo.righthand.Fills;
import zapateo.righthand.Lick;
import zapateo.righthand.Licks;
import zapateo.righthand.RightChoices;
import zapateo.righthand.TuneHand;
import zapateo.righthand.Unison;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * A left hand and what the right one is to do over it, kept apart.
 *
 * @param strokes of both, as written, in the order of time
 */
record BothHands(List<Stroke> strokes, List<Reason> notices) {

    private static final FigureBook BOOK = FigureBook.ofTheRightHand();

    /** @throws Refused when a figure or a lick is none of the right hand's, with what could stand there */
    static BothHands of(Song song, RightHand right, Realised realised, Pianist pianist) {
        if (right.rests()) {
            return new BothHands(realised.strokes(), List.of());
        }
        List<Stroke> left = realised.strokes().stream().filter(stroke -> stroke.hand() == Side.LEFT).toList();
        List<Stroke> own = realised.strokes().stream().filter(stroke -> stroke.hand() == Side.RIGHT).toList();
        List<Reason> notices = new ArrayList<>();
        List<Stroke> played = bySection(song, right, left, pianist.rightOnKeys(), notices);
        played = new Licks(song, left, pianist.rightOnKeys()).put(played, placed(song, right.licks()));
        if (!own.isEmpty()) {
            // Bars in which a figure has both hands stay as they are.
            Set<Integer> taken = new HashSet<>();
            own.forEach(stroke -> taken.add(stroke.bar()));
            notices.add(Reason.of("right-taken", Map.of("count", String.valueOf(taken.size()))));
            played = new ArrayList<>(played.stream().filter(stroke -> !taken.contains(stroke.bar())).toList());
            played.addAll(own);
            played.sort(Stroke.IN_TIME);
        }
        Unison unison = right.unison() ? Unison.before(song, left, played) : new Unison(left, played);
        Set<Integer> asTheyAre = song.bars().stream().filter(bar -> right.asTheyAre().contains(bar.number())).map(Bar::index).collect(Collectors.toSet());
        Apart apart = Apart.of(placed(unison.left(), realised.chords()), placed(unison.right(), realised.chords()), asTheyAre);
        notices.addAll(Altered.kept(song, apart.right(), apart.kept()));
        List<Stroke> both = new ArrayList<>(apart.left());
        both.addAll(apart.right());
        both.sort(Stroke.IN_TIME);
        return new BothHands(both, notices);
    }

    /** Every manner over the whole song, of which each section takes the bars that are its own. */
    private static List<Stroke> bySection(Song song, RightHand right, List<Stroke> left, Hand hand, List<Reason> notices) {
        Map<RightHand.Manner, Set<Integer>> bars = new LinkedHashMap<>();
        song.sections().forEach(section -> section.bars().forEach(bar -> bars.computeIfAbsent(right.in(section.name()), each -> new HashSet<>()).add(bar.index())));
        List<Stroke> all = new ArrayList<>();
        bars.forEach((manner, own) -> played(song, manner, right, left, hand, notices).stream().filter(stroke -> own.contains(stroke.bar())).forEach(all::add));
        all.sort(Stroke.IN_TIME);
        return all;
    }

    private static List<Stroke> played(Song song, RightHand.Manner manner, RightHand right, List<Stroke> left, Hand hand, List<Reason> notices) {
        return switch (manner.style()) {
            case NONE -> List.of();
            case IMPROVISE -> Chorus.of(song, right.chorus());
            case COMPING -> Comping.of(song, left, hand, new RightChoices(figure(song, manner), manner.top(), manner.shapes()));
            case MELODY -> {
                if (!song.hasTune()) {
                    notices.add(Reason.of("no-tune", Map.of()));
                }
                List<Stroke> tune = new ArrayList<>(TuneHand.of(song, left, hand, manner.under()));
                right.fills().ifPresent(seed -> tune.addAll(Fills.of(song, List.copyOf(tune), left, hand, seed, right.plain())));
                tune.sort(Stroke.IN_TIME);
                yield tune;
            }
        };
    }

    private static Figure figure(Song song, RightHand.Manner manner) {
        String id = manner.figure().orElse(Comping.usual(song));
        return BOOK.figure(id).orElseThrow(() -> new Refused(
                "right-hand figure \"" + id + "\": expected one of " + String.join(", ", BOOK.figures().stream().map(Figure::id).toList())));
    }

    private static Map<Integer, Lick> placed(Song song, List<RightHand.PlacedLick> licks) {
        Map<Integer, Lick> byBar = new TreeMap<>();
        for (RightHand.PlacedLick placed : licks) {
            Lick lick = Lick.named(placed.id()).orElseThrow(() -> new Refused(
                    "lick \"" + placed.id() + "\": expected one of " + String.join(", ", Lick.all().stream().map(Lick::id).toList())));
            song.bars().stream().filter(bar -> bar.number() == placed.bar()).forEach(bar -> byBar.put(bar.index(), lick));
        }
        return byBar;
    }

    /** Each of those strokes as one of the chord that is laid there; the others know theirs. */
    private static List<Stroke> placed(List<Stroke> strokes, List<Realised.LaidChord> chords) {
        List<Stroke> placed = new ArrayList<>();
        int at = 0;
        for (Stroke stroke : strokes) {
            while (at + 1 < chords.size() && chords.get(at + 1).tick() <= stroke.written().tick()) {
                at++;
            }
            placed.add(stroke.nature().origin().isLaid() ? stroke : stroke.ofChord(at));
        }
        return placed;
    }
}
