package zapateo.arrangement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import zapateo.hand.Keyboard;
import zapateo.hand.Pianist;
import zapateo.hand.Playability;
import zapateo.lefthand.LeftChoice;
import zapateo.names.Names;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.song.Song;

/**
 * What sets figures apart from one another on one song: each is laid for the hand that plays it, and what it is the
 * most or the least of is said.
 */
public final class ToldApart {

    /** So much of a song tells what a figure does with it. */
    private static final int BARS = 32;
    /** A first section that is longer is not tried with every figure. */
    private static final int MOST_BARS = 200;

    private static final int MOST_SAID = 2;
    /** So many times what is felt is much; of what is much the first is said. */
    private static final double MUCH = 3;

    private ToldApart() {}

    /**
     * What is measured, with how much of it sets two figures apart, as a share of the larger; the threshold is the
     * project's own.
     */
    private enum Trait {
        PACE(0.15, Measured::seconds),
        REACH(0.1, Measured::reach),
        TEMPO(0.1, Measured::fastest),
        EFFORT(0.15, Measured::effort),
        FULLNESS(0.2, Measured::keys),
        DEPTH(0.08, Measured::lowest);

        private final double felt;
        private final ToDoubleFunction<Measured> measure;

        Trait(double felt, ToDoubleFunction<Measured> measure) {
            this.felt = felt;
            this.measure = measure;
        }

        private String code(boolean most) {
            return "apart-" + Names.of(this) + (most ? "-most" : "-least");
        }
    }

    /**
     * A figure on a song.
     *
     * @param seconds between two strokes, on the average
     * @param reach the widest that is struck together, in millimetres on the player's keys
     * @param fastest that the hand can play it, in the song's own beats
     * @param effort 0 to 100
     * @param keys struck together, on the average
     * @param lowest key, as a MIDI note number
     */
    private record Measured(
            double seconds, double reach, double fastest, double effort, double keys, double lowest, String name) {

        private static Measured of(Arrangement laid, Pianist pianist) {
            List<Stroke> left = laid.left().strokes();
            double scale = pianist.instrument().octaveMm() / Keyboard.OCTAVE;
            double seconds = laid.timeline().between(0, laid.song().ticks()) / 1000;
            double reach = left.stream()
                    .filter(stroke -> stroke.roll().isEmpty())
                    .mapToDouble(stroke -> scale
                            * Keyboard.stretch(
                                    stroke.lowest().midi(), stroke.highest().midi()))
                    .max()
                    .orElse(0);
            Optional<Stroke> deepest = left.stream()
                    .min(Comparator.comparingInt(stroke -> stroke.lowest().midi()));
            return new Measured(
                    seconds / Math.max(1, left.size()),
                    reach,
                    laid.maxTempo(),
                    laid.play().song().total(),
                    left.stream()
                            .mapToInt(stroke -> stroke.notes().size())
                            .average()
                            .orElse(0),
                    deepest.map(stroke -> stroke.lowest().midi()).orElse(0),
                    deepest.map(stroke -> stroke.lowest().toString()).orElse(""));
        }

        private Map<String, String> args(Pianist pianist) {
            return Map.of(
                    "seconds",
                    String.format(Locale.ROOT, "%.1f", seconds),
                    "mm",
                    String.valueOf(Math.round(reach)),
                    "span",
                    String.valueOf(Math.round(pianist.left().spanMm())),
                    "tempo",
                    String.valueOf((int) fastest),
                    "keys",
                    String.format(Locale.ROOT, "%.1f", keys),
                    "lowest",
                    name,
                    "effort",
                    String.valueOf(Math.round(effort)));
        }
    }

    /**
     * What sets each of the figures apart, in their order: no two say the same.
     *
     * @param level at which they are played, if at one
     */
    public static List<List<Reason>> of(
            Arranger arranger, Song song, List<Figure> figures, Optional<Integer> level, Pianist pianist) {
        Optional<Song> beginning = beginning(song);
        if (beginning.isEmpty() || figures.size() < 2) {
            return figures.stream().map(figure -> List.<Reason>of()).toList();
        }
        List<Measured> measured = figures.stream()
                .map(figure -> Measured.of(arranger.arrange(beginning.get(), chosen(figure, level), pianist), pianist))
                .toList();
        if (measured.stream().allMatch(each -> each.keys() == 0)) {
            return figures.stream().map(figure -> List.<Reason>of()).toList();
        }
        List<Map<Reason, Double>> said = IntStream.range(0, figures.size())
                .mapToObj(at -> (Map<Reason, Double>) new LinkedHashMap<Reason, Double>())
                .toList();
        for (Trait trait : Trait.values()) {
            List<Integer> order = IntStream.range(0, figures.size())
                    .boxed()
                    .sorted(Comparator.comparingDouble(at -> trait.measure.applyAsDouble(measured.get(at))))
                    .toList();
            note(said, trait, false, measured, order.get(0), order.get(1), pianist);
            note(said, trait, true, measured, order.get(order.size() - 1), order.get(order.size() - 2), pianist);
        }
        List<List<Reason>> all = new ArrayList<>();
        for (int at = 0; at < figures.size(); at++) {
            List<Reason> own = said.get(at).entrySet().stream()
                    .sorted(Map.Entry.<Reason, Double>comparingByValue().reversed())
                    .limit(MOST_SAID)
                    .map(Map.Entry::getKey)
                    .toList();
            all.add(own.isEmpty() ? List.of(between(figures, measured, at, pianist)) : own);
        }
        return all;
    }

    /**
     * Of one that is the most and the least of nothing: which other it sounds like here, as at an easy level, or its
     * measures.
     */
    private static Reason between(List<Figure> figures, List<Measured> measured, int at, Pianist pianist) {
        return IntStream.range(0, figures.size())
                .filter(other -> other != at
                        && measured.get(other)
                                .args(pianist)
                                .equals(measured.get(at).args(pianist)))
                .mapToObj(figures::get)
                .findFirst()
                .map(other -> Reason.of("apart-same", Map.of("figure", other.name())))
                .orElseGet(() -> Reason.of(
                        measured.get(at).reach() == 0 ? "apart-between-single" : "apart-between",
                        measured.get(at).args(pianist)));
    }

    /**
     * Says of a figure that it is the most or least of something, if the one next to it is felt to be less or more of
     * it.
     */
    private static void note(
            List<Map<Reason, Double>> said,
            Trait trait,
            boolean most,
            List<Measured> measured,
            int at,
            int next,
            Pianist pianist) {
        double own = trait.measure.applyAsDouble(measured.get(at));
        double other = trait.measure.applyAsDouble(measured.get(next));
        double larger = Math.max(own, other);
        boolean open = trait == Trait.TEMPO && larger >= Playability.NO_LIMIT && most;
        double apart = larger == 0 ? 0 : Math.min(MUCH, Math.abs(own - other) / larger / trait.felt);
        if (apart >= 1 && !open) {
            boolean single = trait == Trait.REACH && own == 0 || trait == Trait.FULLNESS && own == 1;
            said.get(at)
                    .putIfAbsent(
                            Reason.of(
                                    single ? "apart-single" : trait.code(most),
                                    measured.get(at).args(pianist)),
                            apart);
        }
    }

    private static Choices chosen(Figure figure, Optional<Integer> level) {
        Choices with = Choices.OPEN.with(LeftChoice.FIGURE, figure.id());
        return level.map(each -> with.with(SongChoice.LEVEL, each)).orElse(with);
    }

    /** The first sections of a song; empty where the first of them is very long. */
    private static Optional<Song> beginning(Song song) {
        List<Integer> form = song.form().isEmpty()
                ? IntStream.range(0, song.written().size()).boxed().toList()
                : song.form();
        int bars = 0;
        int sections = 0;
        while (sections < form.size() && bars < BARS) {
            bars += song.sections().get(sections).bars().size();
            sections++;
        }
        return bars > MOST_BARS
                ? Optional.empty()
                : Optional.of(Song.of(song.heading(), song.written(), form.subList(0, sections)));
    }
}
