package zapateo.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.ChordSymbol;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.Bar;
import zapateo.song.Song;

/** The best consistent set of colours for all of a song at once. */
public final class WholeSong {

    public static final int LEAST = 1;
    public static final int RICHEST = 4;

    /** What an offer has to be worth at each amount, and what it costs to colour two chords in a row. */
    private static final double[] WORTH = {2.3, 1.6, 0.9, 0.2};

    private static final double[] DENSE = {3, 1.2, 0.5, 0.1};
    /** A second time may be so much richer. */
    private static final double AGAIN = 0.4;

    private static final double BEST = 3;
    private static final double COST = 0.5;
    /** Colours within so many bars are nearby. */
    private static final int NEARBY = 2;

    private static final double TASTE = 0.6;
    private static final double DRESSED = 0.1;
    private static final double AGAIN_THE_SAME = 0.3;
    private static final double HABIT = 0.8;

    private WholeSong() {}

    /**
     * What happens at one chord.
     *
     * @param at which chord
     * @param offer that begins here, empty for none
     * @param inside how many chords the offer that began before still covers, this one with them
     * @param spiced whether the phrase has had its spice, this one with it
     * @param gain what it adds
     */
    record Step(ColourPlace at, Optional<Offer> offer, int inside, boolean spiced, double gain) {

        private int covers() {
            return offer.map(each -> each.before().size() - 1).orElse(Math.max(0, inside - 1));
        }
    }

    static List<CostTerm<Step>> terms(int amount) {
        return List.of(
                CostTerm.own("worth", 1, step -> -step.gain()),
                CostTerm.step("forbidden", 1, (from, to) -> isAllowed(from, to) ? 0 : Double.POSITIVE_INFINITY),
                CostTerm.step("dense", DENSE[amount - 1], WholeSong::crowd),
                CostTerm.step("same", AGAIN_THE_SAME, (from, to) -> isTheSame(from, to) ? 1 : 0));
    }

    /**
     * Two coloured chords in a row are much where one of them moves; chords that only have a tone more are hardly
     * noticed.
     */
    private static double crowd(Step from, Step to) {
        boolean coloured = from.offer().isPresent() || from.inside() > 0;
        if (!coloured || to.offer().isEmpty()) {
            return 0;
        }
        boolean moves = from.offer().filter(offer -> offer.after().size() == 1).isEmpty()
                || to.offer().get().after().size() > 1;
        return moves ? 1 : DRESSED;
    }

    /** Whether one thing happens twice running; a tone more on every chord is one dress, and no repetition. */
    private static boolean isTheSame(Step from, Step to) {
        return from.offer().isPresent()
                && to.offer()
                        .filter(offer -> offer.after().size() > 1
                                && offer.rule().equals(from.offer().get().rule()))
                        .isPresent();
    }

    private static boolean isAllowed(Step from, Step to) {
        if (from.covers() != to.inside()) {
            return false;
        }
        boolean had = from.spiced() && from.at().phrase() == to.at().phrase();
        boolean spice = to.offer().filter(offer -> offer.rule().spice()).isPresent();
        if (spice && had || to.spiced() != (had || spice)) {
            return false;
        }
        return !(from.offer().isPresent() && to.offer().isPresent())
                || agree(from.offer().get(), to.offer().get());
    }

    /** One colour may not take away what the other stands on. */
    private static boolean agree(Offer first, Offer second) {
        ChordSymbol leaves = first.after().get(first.after().size() - 1).chord();
        ChordSymbol enters = second.after().get(0).chord();
        boolean keepsNext = first.rule().chord().then().isEmpty()
                || enters.root().equals(second.before().get(0).root());
        boolean keepsBefore = second.rule().chord().before().isEmpty()
                || leaves.root()
                        .equals(first.before().get(first.before().size() - 1).root());
        return keepsNext && keepsBefore;
    }

    static List<List<Step>> layers(Offers offers, int amount, long seed) {
        return layers(offers, new Wish(amount, seed, 0, Integer.MAX_VALUE, Set.of()));
    }

    /**
     * What is wished of a colouring.
     *
     * @param first index of the first bar as played, and the last
     * @param habits how each chord is dressed most often elsewhere in the song
     */
    record Wish(int amount, long seed, int first, int last, Set<Dress> habits) {

        private Wish with(Set<Dress> known) {
            return new Wish(amount, seed, first, last, known);
        }

        private boolean holds(ColourPlace place) {
            return place.bar().index() >= first && place.bar().index() <= last;
        }
    }

    /** A chord that has one tone more, or fewer, all through its time. */
    record Dress(ChordSymbol chord, String rule, String variant) {

        private static Optional<Dress> of(Offer offer) {
            return offer.before().size() == 1 && offer.after().size() == 1
                    ? Optional.of(new Dress(
                            offer.before().get(0),
                            offer.rule().id(),
                            offer.colour().variant()))
                    : Optional.empty();
        }
    }

    private static List<List<Step>> layers(Offers offers, Wish wish) {
        List<List<Step>> layers = new ArrayList<>();
        int longest = 0;
        for (int at = 0; at < offers.places().size(); at++) {
            ColourPlace place = offers.places().get(at);
            List<Step> steps = new ArrayList<>();
            for (boolean spiced : new boolean[] {false, true}) {
                steps.add(new Step(place, Optional.empty(), 0, spiced, 0));
                for (int inside = 1; inside <= longest; inside++) {
                    steps.add(new Step(place, Optional.empty(), inside, spiced, 0));
                }
            }
            int most = 0;
            for (Offer offer : wish.holds(place) ? offers.at(at) : List.<Offer>of()) {
                double gain = BEST
                        - COST * offer.cost()
                        - WORTH[wish.amount() - 1]
                        + (place.marks().contains(ColourPlace.Mark.AGAIN) ? AGAIN : 0)
                        + taste(wish.seed(), at, offer)
                        + (Dress.of(offer).filter(wish.habits()::contains).isPresent() ? HABIT : 0);
                if (gain > 0 && offer.rule().voicing().isEmpty()) {
                    steps.add(new Step(place, Optional.of(offer), 0, true, gain));
                    if (!offer.rule().spice()) {
                        steps.add(new Step(place, Optional.of(offer), 0, false, gain));
                    }
                    most = Math.max(most, offer.before().size() - 1);
                }
            }
            longest = Math.max(longest - 1, most);
            layers.add(steps);
        }
        return layers;
    }

    /** Before the first chord nothing was coloured. */
    static List<Step> first(List<Step> steps) {
        return steps.stream()
                .filter(step -> step.inside() == 0
                        && step.spiced()
                                == step.offer()
                                        .filter(offer -> offer.rule().spice())
                                        .isPresent())
                .toList();
    }

    /** After the last one nothing is. */
    static List<Step> last(List<Step> steps) {
        return steps.stream().filter(step -> step.covers() == 0).toList();
    }

    /** How much another reading leans to an offer, or from it. */
    private static double taste(long seed, int at, Offer offer) {
        return seed == 0
                ? 0
                : (new SplittableRandom(seed * 1_000_003
                                                + at * 8_191L
                                                + (offer.colour().rule()
                                                                + offer.colour().variant())
                                                        .hashCode())
                                        .nextDouble()
                                - 0.5)
                        * 2
                        * TASTE;
    }

    /**
     * The colours to keep.
     *
     * @param amount {@value #LEAST}, a little, to {@value #RICHEST}
     * @param seed of another reading; 0 is the first
     */
    public static List<KeptColour> of(Song song, ColourStyle style, int amount, long seed) {
        return of(song, style, amount, seed, 0, Integer.MAX_VALUE);
    }

    /**
     * The colours to keep in some bars.
     *
     * @param first index of the first of them as played
     * @param last index of the last
     */
    public static List<KeptColour> of(Song song, ColourStyle style, int amount, long seed, int first, int last) {
        Offers offers = new Offers(song, Optional.of(style));
        if (offers.places().isEmpty()) {
            return List.of();
        }
        Wish wish = new Wish(amount, seed, first, last, Set.of());
        // What a chord wears most often it wears wherever it may: equal bars are dressed alike.
        return kept(song, singable(song, taken(offers, wish.with(habits(taken(offers, wish))))));
    }

    /** What is kept outside of some bars as played, with what was found for them. */
    public static List<KeptColour> beside(
            Song song, List<KeptColour> kept, List<KeptColour> found, int first, int last) {
        List<KeptColour> all = new ArrayList<>(found);
        for (KeptColour colour : kept) {
            List<Integer> passes = song.bars().stream()
                    .filter(bar -> bar.number() == colour.bar()
                            && colour.pass().filter(pass -> pass != bar.pass()).isEmpty()
                            && (bar.index() < first || bar.index() > last))
                    .map(Bar::pass)
                    .toList();
            long heard = song.bars().stream()
                    .filter(bar -> bar.number() == colour.bar()
                            && colour.pass().filter(pass -> pass != bar.pass()).isEmpty())
                    .count();
            if (heard == passes.size()) {
                all.add(colour);
            } else {
                passes.forEach(pass -> all.add(new KeptColour(
                        colour.bar(),
                        Optional.of(pass),
                        colour.tick(),
                        colour.over(),
                        colour.rule(),
                        colour.variant())));
            }
        }
        all.sort(Comparator.comparingInt(KeptColour::bar)
                .thenComparingInt(KeptColour::tick)
                .thenComparingInt(colour -> colour.pass().orElse(0)));
        return List.copyOf(all);
    }

    private static List<Offer> taken(Offers offers, Wish wish) {
        List<List<Step>> layers = layers(offers, wish);
        layers.set(0, first(layers.get(0)));
        layers.set(layers.size() - 1, last(layers.get(layers.size() - 1)));
        List<Offer> taken = new ArrayList<>();
        ShortestPath.through(layers, terms(wish.amount()))
                .steps()
                .forEach(step -> step.offer().ifPresent(taken::add));
        return taken;
    }

    /** Of each chord the dress it has most often, where it has one more than once. */
    private static Set<Dress> habits(List<Offer> taken) {
        Map<Dress, Integer> times = new LinkedHashMap<>();
        taken.forEach(offer -> Dress.of(offer).ifPresent(dress -> times.merge(dress, 1, Integer::sum)));
        Map<ChordSymbol, Dress> most = new LinkedHashMap<>();
        times.forEach((dress, count) ->
                most.merge(dress.chord(), dress, (one, other) -> times.get(one) >= count ? one : other));
        return most.values().stream().filter(dress -> times.get(dress) > 1).collect(Collectors.toSet());
    }

    /**
     * Two colours that each let the melody be may not do so together: where it is worse the one nearby that costs most
     * goes.
     */
    private static List<Offer> singable(Song song, List<Offer> taken) {
        List<Offer> left = new ArrayList<>(taken);
        int[] without = song.hasTune() ? Against.byBar(song) : new int[0];
        for (int worse = song.hasTune() ? worse(song, left, without) : -1;
                worse >= 0 && !left.isEmpty();
                worse = worse(song, left, without)) {
            int bar = worse;
            left.remove(left.stream()
                    .min(Comparator.comparingInt((Offer offer) -> Math.abs(offer.bar() - bar) / NEARBY)
                            .thenComparingDouble(offer -> -offer.cost()))
                    .orElseThrow());
        }
        return left;
    }

    /** The first bar whose melody is more against its chords than it was, -1 where there is none. */
    private static int worse(Song song, List<Offer> offers, int[] without) {
        int[] with = Against.byBar(coloured(song, offers));
        return IntStream.range(0, with.length)
                .filter(bar -> with[bar] > without[bar])
                .findFirst()
                .orElse(-1);
    }

    private static Song coloured(Song song, List<Offer> offers) {
        return Coloured.of(song, kept(song, offers)).song();
    }

    /** A colour that comes every time its bar is played is kept once for all of them. */
    private static List<KeptColour> kept(Song song, List<Offer> taken) {
        Map<KeptColour, List<Integer>> passes = new LinkedHashMap<>();
        taken.forEach(offer -> passes.computeIfAbsent(offer.colour(), colour -> new ArrayList<>())
                .add(song.bars().get(offer.bar()).pass()));
        List<KeptColour> kept = new ArrayList<>();
        passes.forEach((colour, all) -> {
            long played = song.bars().stream()
                    .filter(bar -> bar.number() == colour.bar())
                    .count();
            if (colour.pass().isPresent() || all.size() == played) {
                kept.add(colour);
            } else {
                all.forEach(pass -> kept.add(new KeptColour(
                        colour.bar(),
                        Optional.of(pass),
                        colour.tick(),
                        colour.over(),
                        colour.rule(),
                        colour.variant())));
            }
        });
        return List.copyOf(kept);
    }
}
