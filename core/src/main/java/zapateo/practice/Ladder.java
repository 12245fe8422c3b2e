package zapateo.practice;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import zapateo.refusal.Refused;

/**
 * Tempos to climb to a goal, one after the other; each has to be clean before the next.
 *
 * @param goal beats a minute
 * @param stops tempos of one's own, rising; empty for small steps
 */
public record Ladder(double goal, List<Double> stops) {

    private static final int MOST_STEPS = 60;

    public Ladder {
        if (!(goal >= Passage.SLOWEST && goal <= Passage.FASTEST)) {
            throw new Refused("goal " + goal + ": expected " + (int) Passage.SLOWEST + " to " + (int) Passage.FASTEST
                    + " beats a minute");
        }
        stops = stops.stream()
                .filter(stop -> stop < goal && stop >= goal * Numbers.LEAST)
                .sorted()
                .toList();
    }

    /**
     * Where someone stands on it.
     *
     * @param clean passes in a row that were clean at this tempo
     * @param failed passes in a row that were not
     */
    public record Rung(double tempo, int clean, int failed) {}

    /** Where to begin: at what was clean last, else well below the goal. */
    public Rung start(Optional<Double> lastClean) {
        double least = goal * Numbers.LEAST;
        double from = stops.isEmpty() ? Math.max(Math.round(goal * Numbers.START), Math.ceil(least)) : stops.get(0);
        return new Rung(Math.min(goal, Math.max(least, lastClean.orElse(from))), 0, 0);
    }

    /** After a pass: up when enough in a row were clean, down when as many were not. */
    public Rung after(Rung now, boolean clean) {
        Rung counted = new Rung(now.tempo(), clean ? now.clean() + 1 : 0, clean ? 0 : now.failed() + 1);
        if (counted.clean() >= Numbers.CLEAN && now.tempo() < goal) {
            return new Rung(up(now.tempo()), 0, 0);
        }
        return counted.failed() >= Numbers.FAILED ? new Rung(down(now.tempo()), 0, 0) : counted;
    }

    /** The next tempo, the goal at the most. */
    public double up(double tempo) {
        return Math.min(
                goal,
                stops.stream()
                        .filter(stop -> stop > tempo + 0.5)
                        .findFirst()
                        .orElseGet(() -> stops.isEmpty() ? step(tempo) : goal));
    }

    /** The tempo before, a good third of the goal at the least. */
    public double down(double tempo) {
        double least = Math.ceil(goal * Numbers.LEAST);
        if (!stops.isEmpty()) {
            return stops.stream()
                    .filter(stop -> stop < tempo - 0.5)
                    .reduce((one, other) -> other)
                    .orElse(stops.get(0));
        }
        OptionalDouble number = Numbers.METRONOME.stream()
                .filter(each -> tempo >= each * (1 + Numbers.UP_LEAST) && tempo <= each * (1 + Numbers.UP_MOST))
                .mapToDouble(Integer::doubleValue)
                .max();
        return Math.min(tempo, Math.max(least, number.orElse(Math.round(tempo / (1 + middle())))));
    }

    private static double middle() {
        return (Numbers.UP_LEAST + Numbers.UP_MOST) / 2;
    }

    private static double step(double tempo) {
        return Numbers.METRONOME.stream()
                .filter(each -> each >= tempo * (1 + Numbers.UP_LEAST) && each <= tempo * (1 + Numbers.UP_MOST))
                .mapToDouble(Integer::doubleValue)
                .min()
                .orElse(Math.max(Math.ceil(tempo * (1 + Numbers.UP_LEAST)), Math.round(tempo * (1 + middle()))));
    }

    /** All tempos from one up to the goal. */
    public List<Double> rungs(double from) {
        return java.util.stream.Stream.iterate(from, tempo -> tempo < goal, this::up)
                .limit(MOST_STEPS)
                .toList();
    }

    /** How many steps are left. */
    int steps(double from) {
        return rungs(from).size();
    }
}
