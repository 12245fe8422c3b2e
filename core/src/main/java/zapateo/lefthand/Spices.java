package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zapateo.part.Origin;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * A song, not a bar: which bars a lively player plays otherwise, and how. One bar in each stretch of eight (or four) is
 * changed, the one with the best reason in the song; what it gets hangs on its stretch alone, so that an edit elsewhere
 * changes nothing here. Where no liveliness is asked for there is none.
 */
final class Spices {

    /** Bars that a held chord may have begun ago. */
    private static final int LONGEST = 8;

    /** How readily a figure's own other bar is taken, beside the chances of the rest. */
    private static final int OWN = 40;

    private static final Spices NONE = new Spices(List.of(), Map.of(), Set.of(), Set.of());

    private final List<Cut> cuts;
    private final Map<Integer, Spice> byBar;
    /** Bars of which a person has said what they get, by index. */
    private final Set<Integer> said;

    /** Bars that take their figure's own other bar, by index. */
    private final Set<Integer> varied;

    private Spices(List<Cut> cuts, Map<Integer, Spice> byBar, Set<Integer> said, Set<Integer> varied) {
        this.cuts = cuts;
        this.byBar = byBar;
        this.said = said;
        this.varied = varied;
    }

    static Spices of(Song song, List<Cut> cuts, Plan plan) {
        if (cuts.stream().allMatch(cut -> cut.choices().get(LeftChoice.LIVELINESS) == Liveliness.NONE)) {
            return NONE;
        }
        Map<Integer, List<Cut>> cutsOf =
                cuts.stream().collect(Collectors.groupingBy(cut -> cut.bar().index()));
        List<LivelyPlaces.Place> places = LivelyPlaces.of(song, cutsOf);
        Map<Integer, Spice> taken = new TreeMap<>();
        Set<Integer> said = new HashSet<>();
        Set<Integer> varied = new HashSet<>();
        for (LivelyPlaces.Place place : places) {
            plan.spice(place.bar()).ifPresent(wanted -> {
                said.add(place.bar().index());
                possible(place, cutsOf, cuts)
                        .filter(spice -> wanted.equals(spice.id()))
                        .findFirst()
                        .ifPresent(spice -> taken.put(place.bar().index(), spice));
            });
        }
        int before = -2;
        for (List<LivelyPlaces.Place> stretch : LivelyPlaces.stretches(places, cutsOf)) {
            List<LivelyPlaces.Place> best = new ArrayList<>(stretch);
            best.sort(Comparator.comparingDouble(place -> -place.weight(plan.seed())));
            for (LivelyPlaces.Place place : best) {
                int index = place.bar().index();
                boolean beside = index - before < 2 || said.contains(index);
                if (!beside && gives(place, cutsOf, cuts, plan.seed(), taken, varied)) {
                    before = index;
                    break;
                }
            }
        }
        return new Spices(cuts, taken, said, varied);
    }

    /** Whether something can be done with a bar; then that is taken, or its figure's own other bar. */
    private static boolean gives(
            LivelyPlaces.Place place,
            Map<Integer, List<Cut>> cutsOf,
            List<Cut> cuts,
            long seed,
            Map<Integer, Spice> taken,
            Set<Integer> varied) {
        int index = place.bar().index();
        List<Cut> own = cutsOf.getOrDefault(index, List.of());
        Liveliness liveliness = own.get(0).choices().get(LeftChoice.LIVELINESS);
        List<Spice> there = possible(place, cutsOf, cuts)
                .filter(spice -> place.where().stream().anyMatch(spice.where()::contains))
                .toList();
        // What answers the best reason goes before what could be done anywhere.
        double best =
                there.stream().mapToDouble(spice -> reason(place, spice)).max().orElse(0);
        List<Spice> possible =
                there.stream().filter(spice -> reason(place, spice) == best).toList();
        int sum = possible.stream().mapToInt(spice -> spice.chance(liveliness)).sum();
        int dice = place.dice(seed, sum + (hasOwn(own) ? OWN : 0));
        for (Spice spice : possible) {
            dice -= spice.chance(liveliness);
            if (dice < 0) {
                taken.put(index, spice);
                return true;
            }
        }
        if (hasOwn(own)) {
            varied.add(index);
        }
        return hasOwn(own);
    }

    private static double reason(LivelyPlaces.Place place, Spice spice) {
        return place.where().stream()
                .filter(spice.where()::contains)
                .mapToDouble(Spice.Where::reason)
                .max()
                .orElse(0);
    }

    private static Stream<Spice> possible(LivelyPlaces.Place place, Map<Integer, List<Cut>> cutsOf, List<Cut> cuts) {
        List<Cut> own = cutsOf.getOrDefault(place.bar().index(), List.of());
        boolean none = own.isEmpty()
                || own.get(0).choices().get(LeftChoice.LIVELINESS) == Liveliness.NONE
                || own.get(0).choices().byHand()
                || own.get(0).place().lastOfSong();
        return none
                ? Stream.of()
                : Spice.all().stream()
                        .filter(spice ->
                                spice.suits(own.get(0).choices().figure().family()) && can(spice, own, cuts));
    }

    boolean isNone() {
        return this == NONE;
    }

    /** By the bar's index. */
    Map<Integer, Spice> byBar() {
        return byBar;
    }

    /** A variation of its own stands in the bar already. */
    private static boolean hasOwn(List<Cut> own) {
        Cut cut = own.get(0);
        return own.size() == 1
                && cut.fillsBar()
                && cut.choices().get(LeftChoice.VARIATIONS)
                && cut.choices()
                        .figure()
                        .variation(
                                cut.bar().meter(),
                                cut.place().inSection(),
                                cut.place().lastOfSection(),
                                cut.place().lastOfSong(),
                                cut.choices().get(LeftChoice.LIVELINESS))
                        .isPresent();
    }

    private static boolean can(Spice spice, List<Cut> own, List<Cut> cuts) {
        Cut first = own.get(0);
        Cut last = own.get(own.size() - 1);
        boolean oneChord = own.size() == 1 && first.fillsBar();
        boolean walks = first.choices().figure().plays(Role.Kind.WALKING)
                || first.choices().line().filter(BassLine::walks).isPresent();
        return switch (spice.device()) {
            case LEAD ->
                last.choices().leadIn().isEmpty()
                        && !leadsOn(last)
                        && Basses.hasPlace(last.choices())
                        && last.index() + 1 < cuts.size()
                        && leads(
                                last, cuts.get(last.index() + 1), spice.leadIn().orElseThrow());
            case STOP -> oneChord && !first.choices().figure().isHeld();
            case HOLD -> oneChord && !walks && movesLate(first);
            case THIN -> oneChord && !walks && !first.choices().figure().isHeld();
            case WITH -> first.choices().hasBass() && begins(first, spice.role().orElseThrow());
            case EARLY ->
                first.index() > 0
                        && first.begins()
                        && !first.early()
                        && !walks
                        && cuts.get(first.index() - 1).end() == first.tick()
                        && cuts.get(first.index() - 1).ticks() > Ticks.PER_QUARTER;
        };
    }

    /** Whether something is struck in the bar's second half that could be left out for what rings. */
    private static boolean movesLate(Cut cut) {
        Figure figure = cut.choices().figure();
        int half = SpicedBars.firstHalf(cut.bar());
        List<FigureStroke> own = figure.bar(cut.bar().meter(), 0).stream()
                .filter(stroke -> stroke.hand() == Side.LEFT && !stroke.ofNext())
                .toList();
        boolean chordsEarly = own.stream().anyMatch(stroke -> stroke.mark() == Mark.TOE && stroke.tick() < half);
        boolean chords = own.stream().anyMatch(stroke -> stroke.mark() == Mark.TOE);
        return !figure.isHeld() && (chordsEarly || !chords) && own.stream().anyMatch(stroke -> stroke.tick() > half);
    }

    /** Whether its bar ends on what leads on by itself: a note early, or a lead-in of its own. */
    private static boolean leadsOn(Cut cut) {
        return cut.choices().figure().bar(cut.bar().meter(), 0).stream()
                .anyMatch(stroke -> stroke.ofNext() || stroke.plays(Role.Kind.LEAD_IN));
    }

    /** Whether its bar begins on a bass that could have another tone with it. */
    private static boolean begins(Cut cut, Role with) {
        return cut.choices().figure().bar(cut.bar().meter(), 0).stream()
                .findFirst()
                .filter(stroke -> stroke.tick() == 0
                        && stroke.roles().size() <= 2
                        && !stroke.roles().contains(with)
                        && (stroke.roles().get(0).equals(Role.BASS)
                                || stroke.roles().get(0).equals(Role.WALK)))
                .isPresent();
    }

    private static boolean leads(Cut cut, Cut next, LeadIn leadIn) {
        return cut.end() == next.tick()
                && cut.ticks() - leadIn.lasts() >= Ticks.PER_QUARTER
                && next.begins()
                && !next.early()
                && cut.chord().bass().chroma() != next.chord().bass().chroma()
                && !leadIn.between(cut.chord(), next.chord()).steps().isEmpty();
    }

    /**
     * The chords with what they are led into by. The figure's own other bars stand where one was taken; where a person
     * has said what a bar gets it varies nothing.
     */
    List<Cut> led() {
        List<Cut> led = new ArrayList<>(cuts);
        led.replaceAll(cut -> said.contains(cut.bar().index())
                ? cut.as(cut.choices().unvaried())
                : varied.contains(cut.bar().index())
                        ? cut
                        : cut.as(cut.choices().steady()));
        for (Cut cut : cuts) {
            boolean last = cut.index() + 1 == cuts.size()
                    || cuts.get(cut.index() + 1).bar().index() != cut.bar().index();
            Optional<LeadIn> leadIn = Optional.ofNullable(byBar.get(cut.bar().index()))
                    .flatMap(Spice::leadIn)
                    .filter(each -> last);
            leadIn.ifPresent(each ->
                    led.set(cut.index(), cut.as(led.get(cut.index()).choices().led(each))));
        }
        return led;
    }

    /** The strokes as they are played then. */
    List<Planned> on(List<Planned> planned) {
        if (byBar.isEmpty()) {
            return planned;
        }
        TreeMap<Integer, List<Planned>> strokes = planned.stream()
                .collect(Collectors.groupingBy(Planned::bar, TreeMap::new, Collectors.toCollection(ArrayList::new)));
        Map<Integer, Bar> bars = new HashMap<>();
        cuts.forEach(cut -> bars.putIfAbsent(cut.bar().index(), cut.bar()));
        byBar.forEach((index, spice) -> {
            Bar bar = bars.get(index);
            // An early chord is struck in the bar before, over what may have begun some bars ago.
            int from = spice.device() == Spice.Device.EARLY ? index - LONGEST : index;
            List<Planned> all = new ArrayList<>();
            strokes.subMap(from, true, index, true).values().forEach(all::addAll);
            switch (spice.device()) {
                case LEAD ->
                    all.replaceAll(stroke -> stroke.bar() == index && stroke.origin() == Origin.LEAD_IN
                            ? stroke.spiced(spice.id())
                            : stroke);
                case WITH -> SpicedBars.with(all, bar, spice, cuts);
                case STOP -> SpicedBars.stop(all, bar, spice);
                case HOLD -> SpicedBars.hold(all, bar, spice);
                case THIN -> SpicedBars.thin(all, bar, spice);
                case EARLY -> SpicedBars.early(all, bar, spice);
            }
            strokes.subMap(from, true, index, true).clear();
            all.forEach(stroke -> strokes.computeIfAbsent(stroke.bar(), each -> new ArrayList<>())
                    .add(stroke));
        });
        List<Planned> all = new ArrayList<>(planned.size());
        strokes.values().forEach(all::addAll);
        all.sort(Comparator.comparingInt(Planned::tick).thenComparing(Planned::hand));
        return all;
    }
}
