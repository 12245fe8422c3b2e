package zapateo.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Side;

/**
 * How the scales of all keys are fingered: where the fourth finger falls, thumb and the others follow from it. The rows
 * of {@code fourth-finger.csv}.
 *
 * @param tonic semitones above C
 * @param steps of the scale above it
 * @param right the degree that has the fourth finger of the right hand, from 0
 * @param left the same of the left hand
 */
record ScaleTable(int tonic, List<Integer> steps, int right, int left) {

    private static final List<Integer> MAJOR = List.of(0, 2, 4, 5, 7, 9, 11);
    private static final List<List<Integer>> MINOR =
            List.of(List.of(0, 2, 3, 5, 7, 8, 11), List.of(0, 2, 3, 5, 7, 8, 10), List.of(0, 2, 3, 5, 7, 9, 11));
    private static final int[] RIGHT_FROM_FOURTH = {4, 1, 2, 3, 1, 2, 3};
    private static final int[] LEFT_FROM_FOURTH = {4, 3, 2, 1, 3, 2, 1};
    private static final List<ScaleTable> ALL = readAll();

    /** The scale some keys are of; of two with the same tones the one that begins or ends at home. */
    static Optional<ScaleTable> of(List<Integer> keys) {
        Set<Integer> tones = keys.stream()
                .map(key -> Math.floorMod(key, Pitch.OCTAVE))
                .collect(Collectors.toCollection(TreeSet::new));
        List<ScaleTable> found =
                ALL.stream().filter(scale -> scale.tones().equals(tones)).toList();
        List<Integer> ends = List.of(
                Math.floorMod(keys.get(0), Pitch.OCTAVE), Math.floorMod(keys.get(keys.size() - 1), Pitch.OCTAVE));
        return found.stream()
                .filter(scale -> ends.contains(scale.tonic))
                .findFirst()
                .or(() -> found.stream().findFirst());
    }

    private Set<Integer> tones() {
        return steps.stream().map(step -> (tonic + step) % Pitch.OCTAVE).collect(Collectors.toCollection(TreeSet::new));
    }

    /** What a key of it is taken with, in the middle of a run. */
    int finger(int key, Side side) {
        int degree = steps.indexOf(Math.floorMod(key - tonic, Pitch.OCTAVE));
        return side == Side.RIGHT
                ? RIGHT_FROM_FOURTH[Math.floorMod(degree - right, steps.size())]
                : LEFT_FROM_FOURTH[Math.floorMod(degree - left, steps.size())];
    }

    private static List<ScaleTable> readAll() {
        List<ScaleTable> all = new ArrayList<>();
        for (String line : DataFile.text("hand/fourth-finger.csv")
                .lines()
                .filter(line -> Character.isDigit(line.charAt(line.length() - 1)))
                .toList()) {
            List<String> row = List.of(line.split(","));
            int tonic = PitchClass.parse(row.get(0)).chroma();
            int right = Integer.parseInt(row.get(2)) - 1;
            int left = Integer.parseInt(row.get(3)) - 1;
            (row.get(1).equals("major") ? List.of(MAJOR) : MINOR)
                    .forEach(steps -> all.add(new ScaleTable(tonic, steps, right, left)));
        }
        return List.copyOf(all);
    }
}
