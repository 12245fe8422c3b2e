package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zapateo.choice.Options;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.lefthand.Placed;
import zapateo.lefthand.Realised;
import zapateo.part.Ceiling;
import zapateo.part.GivenRun;
import zapateo.part.Needs;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.righthand.Chorus;
import zapateo.righthand.Comping;
import zapateo.righthand.Crossing;
import zapateo.righthand.Fills;
import zapateo.righthand.FourParts;
import zapateo.righthand.GivesWay;
import zapateo.righthand.Lick;
import zapateo.righthand.Licks;
import zapateo.righthand.MelodyOctave;
import zapateo.righthand.Restored;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices;
import zapateo.righthand.RightChoices.Under;
import zapateo.righthand.TuneHand;
import zapateo.righthand.Unison;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * The left hand as it is played, and both hands' strokes: the right one is laid over the left where that would lie
 * alone, then the left is laid once more with what the right needs.
 *
 * @param strokes of both, as written, in the order of time
 */
record BothHands(Realised left, List<Stroke> strokes, List<Reason> notices) {

    private static final FigureBook BOOK = FigureBook.ofTheRightHand();

    /**
     * @param own figures of the player's own, among others
     * @throws Refused when a figure or a lick is none of the right hand's, with what could stand there
     */
    static BothHands of(Song song, RightHand right, FigureBook own, Placed placed, Pianist pianist) {
        if (right.rests()) {
            Realised left = placed.fitted();
            return new BothHands(left, left.strokes(), List.of());
        }
        return new Meet(song, right, BOOK.and(own), placed, pianist).both();
    }

    /** One song's hands on the way to each other. */
    private static final class Meet {

        private final Song song;
        private final RightHand right;
        private final FigureBook book;
        private final Placed placed;
        private final List<Stroke> left;
        private final Pianist pianist;
        private final Hand hand;
        private final Set<Integer> asTheyAre;
        private final List<Reason> notices = new ArrayList<>();
        /** Indices of bars in which something lies under a tune. */
        private final Set<Integer> under = new HashSet<>();
        /** What the left hand has of a hymn. */
        private final List<GivenRun> parts = new ArrayList<>();

        private Meet(Song song, RightHand right, FigureBook book, Placed placed, Pianist pianist) {
            this.book = book;
            this.song = song;
            this.right = right;
            this.placed = placed;
            this.left = of(placed.strokes(), Side.LEFT);
            this.pianist = pianist;
            this.hand = pianist.rightOnKeys();
            this.asTheyAre = song.bars().stream()
                    .filter(bar -> right.orUsual(RightChoice.AS_THEY_ARE).contains(bar.number()))
                    .map(Bar::index)
                    .collect(Collectors.toSet());
        }

        private BothHands both() {
            List<Stroke> own = of(placed.strokes(), Side.RIGHT);
            // Bars in which a figure has both hands stay as they are, save for a tune.
            List<Stroke> asked = new Licks(song, left, hand).put(bySection(), licks());
            Set<Integer> voiced = parts.stream()
                    .flatMap(run -> run.strokes().stream())
                    .map(Stroke::bar)
                    .collect(Collectors.toSet());
            Set<Integer> taken = own.stream()
                    .map(Stroke::bar)
                    .filter(bar -> !voiced.contains(bar))
                    .collect(Collectors.toSet());
            List<Stroke> played = asked.stream()
                    .filter(stroke -> stroke.nature().origin().isTune() || !taken.contains(stroke.bar()))
                    .toList();
            List<GivenRun> runs = parts;
            if (right.orUsual(RightChoice.UNISON)) {
                Unison unison = Unison.before(song, left, inTime(played, own));
                runs = GivenRun.over(parts, unison.left());
                played = unison.right().stream()
                        .filter(stroke -> !stroke.nature().origin().isLaid())
                        .toList();
            }
            Realised realised =
                    placed.within(new Needs(ceilings(played), runs, asTheyAre)).fitted();
            List<Stroke> leftNow = ofLaidChords(of(realised.strokes(), Side.LEFT), realised.chords());
            GivesWay given =
                    GivesWay.to(ofLaidChords(played, realised.chords()), of(realised.strokes(), Side.RIGHT), hand);
            List<Stroke> rightNow = Restored.in(song, leftNow, given.strokes(), hand, under, given.bars());
            taken.removeAll(given.bars());
            note("right-taken", taken);
            note("right-gives-way", given.bars());
            notices.addAll(Altered.kept(song, rightNow, Crossing.between(leftNow, rightNow)));
            return new BothHands(realised, inTime(leftNow, rightNow), notices);
        }

        private void note(String code, Set<Integer> bars) {
            if (!bars.isEmpty()) {
                notices.add(Reason.of(code, Map.of("count", String.valueOf(bars.size()))));
            }
        }

        private List<Ceiling> ceilings(List<Stroke> strokes) {
            return Ceiling.under(strokes.stream()
                    .filter(stroke -> !asTheyAre.contains(stroke.bar()))
                    .toList());
        }

        /** Every manner over the whole song, of which each section takes the bars that are its own. */
        private List<Stroke> bySection() {
            Map<Options, Set<Integer>> bars = new LinkedHashMap<>();
            song.sections()
                    .forEach(section -> section.bars()
                            .forEach(bar -> bars.computeIfAbsent(right.in(section.name()), each -> new HashSet<>())
                                    .add(bar.index())));
            List<Stroke> all = new ArrayList<>();
            bars.forEach((manner, own) -> played(manner, own).stream()
                    .filter(stroke -> own.contains(stroke.bar()))
                    .forEach(all::add));
            all.sort(Stroke.IN_TIME);
            return all;
        }

        private List<Stroke> played(Options manner, Set<Integer> bars) {
            return switch (manner.orUsual(RightChoice.STYLE)) {
                case NONE -> List.of();
                case IMPROVISE ->
                    inItsOctave(Chorus.of(song, right.orUsual(RightChoice.CHORUS), manner.orUsual(RightChoice.MANNER)));
                case COMPING ->
                    Comping.of(
                            song,
                            left,
                            hand,
                            new RightChoices(
                                    figure(song, manner, book),
                                    manner.orUsual(RightChoice.TOP),
                                    manner.orUsual(RightChoice.SHAPES)));
                case MELODY -> {
                    if (!song.hasTune()) {
                        notices.add(Reason.of("no-tune", Map.of()));
                    }
                    under.addAll(
                            Set.of(Under.ALONE, Under.PARTS).contains(manner.orUsual(RightChoice.UNDER))
                                    ? Set.of()
                                    : bars);
                    List<Stroke> tune = manner.orUsual(RightChoice.UNDER) == Under.PARTS
                            ? inParts(bars)
                            : TuneHand.of(
                                    song,
                                    inItsOctave(TuneHand.alone(song)),
                                    left,
                                    hand,
                                    manner.orUsual(RightChoice.UNDER));
                    yield right.song()
                            .get(RightChoice.FILLS)
                            .map(seed -> inTime(
                                    tune, Fills.of(song, tune, left, hand, seed, right.orUsual(RightChoice.PLAIN))))
                            .orElse(tune);
                }
            };
        }

        private List<Stroke> inParts(Set<Integer> bars) {
            FourParts written = FourParts.of(song, TuneHand.alone(song), bars, pianist);
            parts.addAll(written.left());
            if (written.octaves() != 0) {
                notices.add(Reason.of("parts-octave", Map.of("way", written.octaves() > 0 ? "higher" : "lower")));
            }
            return written.right();
        }

        private List<Stroke> inItsOctave(List<Stroke> line) {
            List<Ceiling> ceilings = ceilings(line);
            return MelodyOctave.settled(
                    line,
                    placed.within(new Needs(ceilings, List.of(), asTheyAre)).above(ceilings),
                    asTheyAre);
        }

        private Map<Integer, Lick> licks() {
            Map<Integer, Lick> byBar = new TreeMap<>();
            for (RightHand.PlacedLick each : right.licks()) {
                Lick lick = Lick.named(each.id())
                        .orElseThrow(() -> new Refused("lick \"" + each.id() + "\": expected one of "
                                + String.join(
                                        ", ", Lick.all().stream().map(Lick::id).toList())));
                song.bars().stream()
                        .filter(bar -> bar.number() == each.bar())
                        .forEach(bar -> byBar.put(bar.index(), lick));
            }
            return byBar;
        }
    }

    private static List<Stroke> of(List<Stroke> strokes, Side hand) {
        return strokes.stream().filter(stroke -> stroke.hand() == hand).toList();
    }

    private static List<Stroke> inTime(List<Stroke> some, List<Stroke> others) {
        List<Stroke> all = new ArrayList<>(some);
        all.addAll(others);
        all.sort(Stroke.IN_TIME);
        return all;
    }

    private static Figure figure(Song song, Options manner, FigureBook book) {
        String id = manner.get(RightChoice.FIGURE).orElse(Comping.usual(song));
        return book.figure(id)
                .filter(Figure::isOfRightHand)
                .orElseThrow(() -> new Refused("right-hand figure \"" + id + "\": expected one of "
                        + String.join(
                                ", ",
                                book.figures().stream()
                                        .filter(Figure::isOfRightHand)
                                        .map(Figure::id)
                                        .toList())));
    }

    /** Each of those strokes as one of the chord that is laid there; the others know theirs. */
    private static List<Stroke> ofLaidChords(List<Stroke> strokes, List<Realised.LaidChord> chords) {
        List<Stroke> known = new ArrayList<>();
        int at = 0;
        for (Stroke stroke : strokes) {
            while (at + 1 < chords.size()
                    && chords.get(at + 1).tick() <= stroke.written().tick()) {
                at++;
            }
            known.add(stroke.nature().origin().isLaid() ? stroke : stroke.ofChord(at));
        }
        return known;
    }
}
