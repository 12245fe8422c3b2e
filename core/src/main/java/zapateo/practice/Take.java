package zapateo.practice;

import java.util.Comparator;
import java.util.List;

/**
 * What was played.
 *
 * @param keys in the order they were struck
 * @param pedal in the order of time; empty where no pedal was heard of
 */
public record Take(List<Key> keys, List<PedalMove> pedal) {

    public Take {
        keys = keys.stream()
                .sorted(Comparator.comparingDouble(Key::ms).thenComparingInt(Key::midi))
                .toList();
        pedal = pedal.stream().sorted(Comparator.comparingDouble(PedalMove::ms)).toList();
    }

    /**
     * A key that was struck.
     *
     * @param ms from when the first asked beat was due
     * @param held how long it was down, in ms
     * @param velocity 1 to 127
     */
    public record Key(double ms, double held, int midi, int velocity) {}

    public record PedalMove(double ms, boolean down) {}
}
