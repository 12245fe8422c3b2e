package zapateo.rhythm;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.refusal.Refused;

/**
 * A repeating rhythm of one hand or two, for one bar or more of one chord, in each metre it is written for.
 *
 * @param id stable name
 * @param name standard term, as a player says it
 * @param family the kind it belongs to
 * @param use one sentence: when to take it
 * @param suits what song it is for
 * @param manner how it is laid on the keys
 * @param bars for each metre the strokes of its bars in turn, as long as the chord stays
 * @param variations bars that stand in now and then; the first that takes a bar has it
 */
public record Figure(
        String id,
        String name,
        String family,
        String use,
        Suits suits,
        Manner manner,
        Map<Meter, List<List<FigureStroke>>> bars,
        List<Variation> variations) {

    /**
     * The songs a figure is for.
     *
     * @param feels the feels it suits
     * @param level 1 (first stage) to 5
     * @param minTempo quarter notes a minute
     * @param maxTempo quarter notes a minute
     * @param chords how many chords a bar it carries well
     * @param tags what else speaks for it, such as {@code minor}, {@code blues}, {@code jazz}
     */
    public record Suits(List<Feel> feels, int level, int minTempo, int maxTempo, int chords, List<String> tags) {}

    /**
     * How a figure is laid on the keys.
     *
     * @param spacing which table says what its roles become over a slash bass
     * @param registers where it may lie, its usual place first
     * @param voicings what may fill its {@code v} or {@code c}, the usual one first; empty when it has none
     * @param pedal whether the pedal is used
     * @param lifts when it comes up
     * @param line single roles that are its bass: where a bass line may go
     * @param keeps whether a chord change inside the bar leaves its onsets where they are; else it starts again there
     * @param rolling where its rolled strokes lie against the beat
     * @param bassless whether it leaves the bass to someone else
     * @param leadIn how it leads into the next bass unless the player says otherwise
     * @param times where its strokes fall
     * @param phrased whether its bars take turns as the song's bars do; else as long as a chord stays
     */
    public record Manner(
            String spacing,
            List<Register> registers,
            List<String> voicings,
            boolean pedal,
            Lifts lifts,
            Set<Role> line,
            boolean keeps,
            Rolling rolling,
            boolean bassless,
            Optional<String> leadIn,
            Times times,
            boolean phrased) {}

    /** @throws Refused naming what was given and what was expected */
    public Figure {
        if (bars.isEmpty()) {
            throw new Refused("figure " + id + ": expected the strokes of at least one metre");
        }
        variations = List.copyOf(variations);
    }

    /** The figure under another name. */
    public Figure named(String otherId, String otherName) {
        return new Figure(otherId, otherName, family, use, suits, manner, bars, variations);
    }

    /** The figure with other bars, the same ones every time. */
    Figure playing(Map<Meter, List<List<FigureStroke>>> others) {
        return new Figure(id, name, family, use, suits, manner, others, List.of());
    }

    /** The figure where one bar of it was broken out by hand: that bar every time, whatever its chords. */
    public Figure byHand(Meter meter, List<FigureStroke> bar) {
        Manner kept = new Manner(
                manner.spacing(),
                manner.registers(),
                manner.voicings(),
                manner.pedal(),
                manner.lifts(),
                manner.line(),
                true,
                manner.rolling(),
                manner.bassless(),
                Optional.of("none"),
                Times.OWN,
                false);
        return new Figure(id, name, family, use, suits, kept, Map.of(meter, List.of(bar)), List.of());
    }

    /** What it has for one bar of a metre, as long as the bar; put together where it is not written for the metre. */
    public List<FigureStroke> bar(Meter meter, int nth) {
        return inMeter(meter, nth, meter.barTicks());
    }

    /** The bar that stands in for the usual one, where a variation takes it and is written for the metre. */
    public Optional<List<FigureStroke>> variation(
            Meter meter, int inSection, boolean lastOfSection, boolean lastOfSong, Liveliness liveliness) {
        return variations.stream()
                .filter(each -> each.bars().containsKey(meter)
                        && (!each.when().lively() || liveliness != Liveliness.NONE)
                        && each.when().takes(inSection, lastOfSection, lastOfSong))
                .map(each -> each.bars().get(meter))
                .findFirst();
    }

    /**
     * The strokes of one chord.
     *
     * @param meter the bar's metre; one the figure is not written for is put together from its groups
     * @param nth how many whole bars the same chord has lasted already
     * @param ticks how long the chord lasts in this bar; the figure starts again where it begins
     * @return strokes with ticks counted from the chord's start, none but those for the next chord and those held to
     *     the end ringing beyond it
     */
    public List<FigureStroke> strokes(Meter meter, int nth, int ticks) {
        List<FigureStroke> strokes = new ArrayList<>();
        for (FigureStroke stroke : inMeter(meter, nth, ticks)) {
            if (stroke.tick() < ticks) {
                strokes.add(
                        stroke.length() == FigureStroke.TO_THE_END || stroke.tick() + stroke.length() <= ticks
                                ? stroke
                                : stroke.cutAt(ticks));
            }
        }
        return strokes;
    }

    private List<FigureStroke> inMeter(Meter meter, int nth, int ticks) {
        if (bars.containsKey(meter)) {
            List<List<FigureStroke>> written = bars.get(meter);
            return written.get(nth % written.size());
        }
        if (isHeld()) {
            return bars.values().iterator().next().get(0);
        }
        Optional<List<List<FigureStroke>>> paced = paced(meter);
        if (paced.isPresent()) {
            return paced.get().get(nth % paced.get().size());
        }
        List<FigureStroke> built = new ArrayList<>();
        int start = 0;
        for (int group : ticks == meter.barTicks() ? meter.groups() : List.of(ticks)) {
            int end = Math.min(start + group, ticks);
            for (int at = start; at < end; ) {
                Map.Entry<Meter, List<List<FigureStroke>>> model = modelFor(meter, end - at);
                int length = Math.min(model.getKey().barTicks(), end - at);
                int offset = at;
                boolean last = at + length >= ticks;
                model.getValue().get(0).stream()
                        .filter(stroke -> stroke.tick() < length && (last || !stroke.ofNext()))
                        .forEach(stroke -> built.add(stroke.cutAt(length).later(offset)));
                at += length;
            }
            start += group;
        }
        return built;
    }

    /**
     * A metre with as many beats, its beats divided otherwise: the eighths of 4/4 are long and short in 12/8, those of
     * 12/8 are triplets in 4/4. Only where no written metre divides its beats as this one does.
     */
    private Optional<List<List<FigureStroke>>> paced(Meter meter) {
        if (bars.keySet().stream().anyMatch(each -> each.isCompound() == meter.isCompound())
                || meter.unit() == 8 && !meter.isCompound()) {
            return Optional.empty();
        }
        IntUnaryOperator pace = meter.isCompound() ? Figure::swungInto : tick -> tick * 2 / 3;
        return bars.entrySet().stream()
                .filter(each -> each.getKey().beats() == meter.beats())
                .findFirst()
                .map(each -> each.getValue().stream()
                        .map(bar ->
                                bar.stream().map(stroke -> stroke.paced(pace)).toList())
                        .toList());
    }

    /** The off-beat of a quarter on the last third of a dotted one. */
    private static int swungInto(int tick) {
        int beat = tick / Ticks.PER_QUARTER;
        int inside = tick % Ticks.PER_QUARTER;
        return beat * 3 * Ticks.PER_EIGHTH + (inside <= Ticks.PER_EIGHTH ? inside * 2 : Ticks.PER_EIGHTH + inside);
    }

    /** Whether every stroke lasts as long as its chord, so that no group of the bar strikes it again. */
    public boolean isHeld() {
        for (List<List<FigureStroke>> written : bars.values()) {
            if (anyOf(written, stroke -> stroke.length() != FigureStroke.TO_THE_END || stroke.tick() != 0)) {
                return false;
            }
        }
        return true;
    }

    /**
     * The written metre that a stretch of an unwritten one is cut from: one counted in eighths for one counted in
     * eighths; the shortest that fills it, else the longest.
     */
    private Map.Entry<Meter, List<List<FigureStroke>>> modelFor(Meter meter, int ticks) {
        List<Map.Entry<Meter, List<List<FigureStroke>>>> kin = bars.entrySet().stream()
                .filter(each -> each.getKey().unit() > 4 == meter.unit() > 4)
                .sorted(Comparator.comparingInt(each -> each.getKey().barTicks()))
                .toList();
        List<Map.Entry<Meter, List<List<FigureStroke>>>> able = kin.isEmpty() ? List.copyOf(bars.entrySet()) : kin;
        return able.stream()
                .filter(each -> each.getKey().barTicks() >= ticks)
                .findFirst()
                .orElse(able.get(able.size() - 1));
    }

    /** Every stroke it is written with. */
    public Stream<FigureStroke> written() {
        return Stream.concat(
                bars.values().stream().flatMap(List::stream).flatMap(List::stream),
                variations.stream()
                        .flatMap(each -> each.bars().values().stream())
                        .flatMap(List::stream));
    }

    /** Whether any stroke plays a role of this kind. */
    public boolean plays(Role.Kind kind) {
        return any(stroke -> stroke.plays(kind));
    }

    /** Whether its left hand strikes more than basses. */
    public boolean statesChords() {
        return any(stroke -> stroke.hand() == Side.LEFT
                && !isLine(stroke)
                && stroke.plays(role -> role.isOfClose() || role.kind() == Role.Kind.TONE && role.degree() % 7 == 3));
    }

    /** Whether something holds of a stroke it is written with; asked of every chord of a song, so without a stream. */
    private boolean any(Predicate<FigureStroke> holds) {
        for (List<List<FigureStroke>> written : bars.values()) {
            if (anyOf(written, holds)) {
                return true;
            }
        }
        for (Variation variation : variations) {
            if (anyOf(variation.bars().values(), holds)) {
                return true;
            }
        }
        return false;
    }

    private static boolean anyOf(Iterable<List<FigureStroke>> written, Predicate<FigureStroke> holds) {
        for (List<FigureStroke> bar : written) {
            for (FigureStroke stroke : bar) {
                if (holds.test(stroke)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Whether its basses alternate: a fifth among them, and no two running of one role. */
    public boolean takesTurns() {
        return plays(Role.Kind.FIFTH_BELOW)
                && bars.values().stream().flatMap(List::stream).allMatch(bar -> {
                    List<FigureStroke> basses =
                            bar.stream().filter(this::isLine).toList();
                    return IntStream.range(1, basses.size())
                            .noneMatch(i -> basses.get(i)
                                    .roles()
                                    .equals(basses.get(i - 1).roles()));
                });
    }

    /** The hands it needs, the left one first. */
    public List<Side> hands() {
        return written().map(FigureStroke::hand).distinct().sorted().toList();
    }

    /** Whether it is a rhythm of the right hand alone. */
    public boolean isOfRightHand() {
        return hands().equals(List.of(Side.RIGHT));
    }

    /** Whether a stroke of it is one note of the bass, where another bass line may go. */
    public boolean isLine(FigureStroke stroke) {
        return stroke.hand() == Side.LEFT
                && stroke.roles().size() == 1
                && manner.line().contains(stroke.roles().get(0).ofThis());
    }

    /** Whether it has a bass that a line or a lead-in can take. */
    public boolean hasLine() {
        return any(this::isLine);
    }

    /** What a player counts for its strokes, as in "1 & 2 &". */
    public String count(Meter meter) {
        return Count.of(meter, bar(meter, 0).stream().map(FigureStroke::tick).toList());
    }
}
