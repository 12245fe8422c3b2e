package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zapateo.part.Origin;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.TuneNote;

/**
 * A song, not a bar: which bars a lively player plays otherwise, and how. What a bar gets hangs on its place, on the
 * seed and on its own number alone, so that an edit elsewhere changes nothing here. Where no liveliness is asked for
 * there is none.
 */
final class Spices {

    private static final int PHRASE = 4;
    /** Bars that a held chord may have begun ago. */
    private static final int LONGEST = 8;

    private static final int HUNDRED = 100;
    private static final Role OCTAVE = Role.tone(8);
    private static final int TUNE_RESTS = Ticks.PER_QUARTER * 3 / 2;
    private static final Spices NONE = new Spices(List.of(), Map.of(), Set.of());

    private final List<Cut> cuts;
    private final Map<Integer, Spice> byBar;
    /** Bars of which a person has said what they get, by index. */
    private final Set<Integer> said;

    private Spices(List<Cut> cuts, Map<Integer, Spice> byBar, Set<Integer> said) {
        this.cuts = cuts;
        this.byBar = byBar;
        this.said = said;
    }

    static Spices of(Song song, List<Cut> cuts, Plan plan) {
        if (cuts.stream().allMatch(cut -> cut.choices().get(LeftChoice.LIVELINESS) == Liveliness.NONE)) {
            return NONE;
        }
        Map<Integer, List<Cut>> cutsOf =
                cuts.stream().collect(Collectors.groupingBy(cut -> cut.bar().index()));
        Map<Integer, Set<Spice.Where>> places = places(song, cutsOf);
        Map<Integer, Spice> taken = new TreeMap<>();
        Set<Integer> said = new HashSet<>();
        cutsOf.forEach((index, own) -> {
            LeftHandChoices choices = own.get(0).choices();
            Optional<String> wanted = plan.spice(own.get(0).bar());
            if (wanted.isPresent()) {
                said.add(index);
            }
            if (choices.get(LeftChoice.LIVELINESS) == Liveliness.NONE
                    || choices.byHand()
                    || own.get(0).place().lastOfSong()
                    || wanted.isEmpty() && hasOwn(own)) {
                return;
            }
            Spice.all().stream()
                    .filter(spice -> wanted.isPresent()
                            ? wanted.get().equals(spice.id())
                            : places.get(index).stream().anyMatch(spice.where()::contains)
                                    && gives(own.get(0).bar(), plan.seed(), spice, choices.get(LeftChoice.LIVELINESS)))
                    .filter(spice -> spice.suits(choices.figure().family()) && can(spice, own, cuts))
                    .findFirst()
                    .ifPresent(spice -> taken.put(index, spice));
        });
        return new Spices(cuts, taken, said);
    }

    boolean isNone() {
        return byBar.isEmpty() && said.isEmpty();
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

    private static boolean gives(Bar bar, long seed, Spice spice, Liveliness liveliness) {
        long own = seed * 1_000_003
                + bar.number() * 31L
                + bar.pass() * 7L
                + spice.id().hashCode();
        return new SplittableRandom(own).nextInt(HUNDRED) < spice.chance(liveliness);
    }

    /** Where each bar stands in its song. */
    private static Map<Integer, Set<Spice.Where>> places(Song song, Map<Integer, List<Cut>> cutsOf) {
        Map<Integer, Set<Spice.Where>> places = new HashMap<>();
        List<Section> sections = song.sections();
        Map<String, Long> times =
                sections.stream().collect(Collectors.groupingBy(Section::name, Collectors.counting()));
        for (int at = 0; at < sections.size(); at++) {
            Section section = sections.get(at);
            boolean last = at == sections.size() - 1;
            boolean inside = at > 0 && !last;
            List<Bar> bars = section.bars();
            for (int i = 0; i < bars.size(); i++) {
                Set<Spice.Where> where = EnumSet.noneOf(Spice.Where.class);
                boolean ends = i == bars.size() - 1;
                add(where, Spice.Where.SECTION, ends && !last);
                add(where, Spice.Where.RETURN, ends && !last && heard(sections, at + 1));
                add(where, Spice.Where.PHRASE, i % PHRASE == PHRASE - 1 && !ends);
                add(where, Spice.Where.REST, rests(bars.get(i)));
                add(where, Spice.Where.AGAIN, heard(sections, at) && !last && i % 2 == 1);
                add(where, Spice.Where.ONCE, inside && times.get(section.name()) == 1);
                add(where, Spice.Where.FINALE, last && heard(sections, at));
                add(
                        where,
                        Spice.Where.CHANGE,
                        cutsOf.getOrDefault(bars.get(i).index(), List.of()).stream()
                                .findFirst()
                                .filter(Cut::begins)
                                .isPresent());
                places.put(bars.get(i).index(), where);
            }
        }
        return places;
    }

    private static void add(Set<Spice.Where> where, Spice.Where place, boolean holds) {
        if (holds) {
            where.add(place);
        }
    }

    private static boolean heard(List<Section> sections, int at) {
        return sections.subList(0, at).stream()
                .anyMatch(before -> before.name().equals(sections.get(at).name()));
    }

    /** The melody is silent, or holds its last note, for a beat and a half at the bar's end. */
    private static boolean rests(Bar bar) {
        List<TuneNote> tune = bar.tune();
        if (tune.stream().noneMatch(note -> note.pitch().isPresent())) {
            return false;
        }
        int from = tune.stream()
                .filter(note -> note.pitch().isPresent())
                .mapToInt(TuneNote::end)
                .max()
                .orElse(0);
        return bar.ticks() - from >= TUNE_RESTS;
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
                        && Basses.hasPlace(last.choices())
                        && last.index() + 1 < cuts.size()
                        && leads(
                                last, cuts.get(last.index() + 1), spice.leadIn().orElseThrow());
            case STOP -> oneChord && !first.choices().figure().isHeld();
            case HOLD, THIN -> oneChord && !walks && !first.choices().figure().isHeld();
            case WITH -> first.choices().hasBass();
            case EARLY ->
                first.index() > 0
                        && first.begins()
                        && !first.early()
                        && !walks
                        && cuts.get(first.index() - 1).end() == first.tick()
                        && cuts.get(first.index() - 1).ticks() > Ticks.PER_QUARTER;
        };
    }

    private static boolean leads(Cut cut, Cut next, LeadIn leadIn) {
        return cut.end() == next.tick()
                && next.begins()
                && !next.early()
                && cut.chord().bass().chroma() != next.chord().bass().chroma()
                && !leadIn.between(cut.chord(), next.chord()).steps().isEmpty();
    }

    /** The chords with what they are led into by; where a person has said what a bar gets the figure varies nothing. */
    List<Cut> led() {
        List<Cut> led = new ArrayList<>(cuts);
        led.replaceAll(
                cut -> said.contains(cut.bar().index()) ? cut.as(cut.choices().unvaried()) : cut);
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
                case WITH -> with(all, bar, spice);
                case STOP -> stop(all, bar, spice);
                case HOLD -> hold(all, bar, spice);
                case THIN -> thin(all, bar, spice);
                case EARLY -> early(all, bar, spice);
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

    private void with(List<Planned> all, Bar bar, Spice spice) {
        Role role = spice.role().orElseThrow();
        all.stream()
                .filter(stroke -> stroke.bar() == bar.index() && stroke.hand() == Side.LEFT)
                .findFirst()
                .filter(stroke -> !doublesThird(stroke, role)
                        && stroke.tick() == bar.tick()
                        && stroke.roles().size() <= 2
                        && !stroke.roles().contains(role)
                        && (stroke.roles().get(0).equals(Role.BASS)
                                || stroke.roles().get(0).equals(Role.WALK)))
                .ifPresent(stroke -> all.set(
                        all.indexOf(stroke),
                        stroke.playing(List.of(stroke.roles().get(0), role), stroke.mark(), Origin.FULLER)
                                .spiced(spice.id())));
    }

    /** A third in the bass is not said twice. */
    private boolean doublesThird(Planned stroke, Role role) {
        return role.equals(OCTAVE)
                && cuts.get(stroke.cut())
                        .chord()
                        .bassDegree()
                        .filter(degree -> degree == 3)
                        .isPresent();
    }

    private static void stop(List<Planned> all, Bar bar, Spice spice) {
        int from = bar.tick() + bar.meter().beatTicks();
        all.removeIf(stroke -> stroke.bar() == bar.index() && stroke.tick() >= from && !stroke.isEarlyIn(bar));
        all.replaceAll(stroke -> stroke.bar() == bar.index() && stroke.tick() < from
                ? stroke.until(Math.min(stroke.end(), from)).spiced(spice.id())
                : stroke);
    }

    private static void hold(List<Planned> all, Bar bar, Spice spice) {
        int half = bar.tick()
                + Math.max(
                        bar.meter().beatTicks(),
                        bar.ticks() / bar.meter().beatTicks() / 2 * bar.meter().beatTicks());
        List<Planned> first = all.stream()
                .filter(stroke -> stroke.bar() == bar.index()
                        && stroke.hand() == Side.LEFT
                        && stroke.tick() < half
                        && stroke.tick() >= bar.tick())
                .toList();
        List<Planned> above =
                first.stream().filter(stroke -> stroke.mark() == Mark.TOE).toList();
        // A bar whose chord comes later would lose it.
        boolean lost = above.isEmpty()
                && all.stream()
                        .anyMatch(stroke -> stroke.bar() == bar.index()
                                && stroke.hand() == Side.LEFT
                                && stroke.mark() == Mark.TOE
                                && stroke.tick() < bar.end());
        List<Planned> kept = lost ? List.of() : above.isEmpty() ? first : above;
        boolean later = all.stream().anyMatch(stroke -> stroke.bar() == bar.index() && stroke.tick() >= bar.end());
        if (kept.isEmpty() || later) {
            return;
        }
        Planned last = kept.get(kept.size() - 1);
        all.removeIf(stroke -> stroke.bar() == bar.index() && stroke.tick() > last.tick() && !stroke.isEarlyIn(bar));
        int end = all.stream()
                .filter(stroke ->
                        stroke.bar() == bar.index() && stroke.tick() > last.tick() && stroke.hand() == Side.LEFT)
                .mapToInt(Planned::tick)
                .min()
                .orElse(bar.end());
        all.set(all.indexOf(last), last.until(Math.max(last.end(), end)).spiced(spice.id()));
    }

    private static void thin(List<Planned> all, Bar bar, Spice spice) {
        List<Planned> toes = all.stream()
                .filter(stroke -> stroke.bar() == bar.index()
                        && stroke.hand() == Side.LEFT
                        && stroke.mark() == Mark.TOE
                        && !stroke.isEarlyIn(bar))
                .toList();
        if (toes.size() < 2) {
            return;
        }
        Planned last = toes.get(toes.size() - 1);
        int at = all.indexOf(last);
        boolean said = toes.subList(0, toes.size() - 1).stream()
                .anyMatch(stroke -> stroke.roles().equals(last.roles()));
        if (!said) {
            return;
        }
        all.remove(at);
        for (int before = at - 1; before >= 0 && all.get(before).bar() == bar.index(); before--) {
            if (all.get(before).hand() == Side.LEFT) {
                boolean joins =
                        all.get(before).end() >= last.tick() && all.get(before).mark() == Mark.TOE;
                all.set(
                        before,
                        (joins ? all.get(before).until(Math.max(all.get(before).end(), last.end())) : all.get(before))
                                .spiced(spice.id()));
                return;
            }
        }
    }

    private static void early(List<Planned> all, Bar bar, Spice spice) {
        int from = bar.tick() - Ticks.PER_EIGHTH;
        List<Planned> there = all.stream()
                .filter(stroke -> stroke.tick() == bar.tick() && stroke.bar() == bar.index())
                .toList();
        boolean taken = all.stream()
                        .anyMatch(stroke -> stroke.tick() >= from
                                && stroke.tick() < bar.tick()
                                && (stroke.origin() == Origin.LEAD_IN || stroke.isEarlyIn(bar)))
                || all.stream().anyMatch(stroke -> stroke.tick() < bar.tick() && stroke.end() > bar.tick());
        if (taken
                || there.isEmpty()
                || there.stream()
                        .anyMatch(stroke -> stroke.origin() != Origin.FIGURE && stroke.origin() != Origin.FULLER)) {
            return;
        }
        all.removeIf(stroke -> stroke.tick() >= from && stroke.tick() < bar.tick());
        all.replaceAll(stroke -> stroke.tick() < from && stroke.end() > from ? stroke.until(from) : stroke);
        there.forEach(stroke -> all.set(
                all.indexOf(stroke),
                stroke.at(bar.index() - 1, from, stroke.ticks() + Ticks.PER_EIGHTH)
                        .playing(stroke.roles(), stroke.mark(), Origin.ANTICIPATION)
                        .spiced(spice.id())));
    }
}
