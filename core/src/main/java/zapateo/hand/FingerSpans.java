package zapateo.hand;

import java.util.function.IntUnaryOperator;
import zapateo.rhythm.DataFile;

/**
 * How far two fingers of a right hand lie apart at the least and the most, in semitones (Parncutt et al. 1997, from
 * memory: {@code finger-spans.csv}). Below zero they cross.
 *
 * @param minPrac can just be played, crossed or closed
 * @param minComf comfortable at the least
 * @param minRel relaxed at the least
 * @param maxRel relaxed at the most
 * @param maxComf comfortable at the most
 * @param maxPrac can just be played, stretched
 */
record FingerSpans(int minPrac, int minComf, int minRel, double maxRel, double maxComf, double maxPrac) {

    static final int FINGERS = 5;
    private static final FingerSpans[][] TABLE = read();

    /** Of two different fingers, in either order. */
    static FingerSpans of(int one, int other) {
        return TABLE[Math.min(one, other)][Math.max(one, other)];
    }

    /** What a hand stretches changes with its size; how closely its fingers lie does not. */
    FingerSpans stretched(double times) {
        return new FingerSpans(minPrac, minComf, minRel, maxRel * times, maxComf * times, maxPrac * times);
    }

    private static FingerSpans[][] read() {
        FingerSpans[][] table = new FingerSpans[FINGERS + 1][FINGERS + 1];
        DataFile.text("hand/finger-spans.csv")
                .lines()
                .filter(line -> !line.isBlank() && Character.isDigit(line.charAt(0)))
                .forEach(line -> {
                    String[] cells = line.split(",");
                    IntUnaryOperator semitones = column -> Integer.parseInt(cells[column].strip());
                    table[cells[0].charAt(0) - '0'][cells[0].charAt(2) - '0'] = new FingerSpans(
                            semitones.applyAsInt(1),
                            semitones.applyAsInt(2),
                            semitones.applyAsInt(3),
                            semitones.applyAsInt(4),
                            semitones.applyAsInt(5),
                            semitones.applyAsInt(6));
                });
        return table;
    }
}
