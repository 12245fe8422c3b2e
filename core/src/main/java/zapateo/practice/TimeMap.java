package zapateo.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * When each asked time came, for a player who drifts: a curve through what lies around it, what falls out of it left
 * aside (local regression with robust weights).
 */
final class TimeMap {

    private static final int AROUND = 16;
    private static final int ROUNDS = 2;
    private static final double OUTLIER = 4;
    private static final double LEAST_MS = 8;
    private static final double CUBE = 3;
    private static final int LINE = 4;
    private static final int CURVE = 6;

    private final double[] due;
    private final double[] came;
    private final double[] trust;

    private TimeMap(double[] due, double[] came) {
        this.due = due;
        this.came = came;
        this.trust = new double[due.length];
        Arrays.fill(trust, 1);
    }

    /** @param points asked time and when it came, by asked time */
    static TimeMap of(List<double[]> points) {
        TimeMap map = onsets(points);
        for (int round = 0; round < ROUNDS; round++) {
            double[] off = IntStream.range(0, map.due.length)
                    .mapToDouble(at -> Math.abs(map.came[at] - map.at(map.due[at])))
                    .toArray();
            double spread = Math.max(LEAST_MS, 1.48 * median(off));
            for (int at = 0; at < off.length; at++) {
                double far = off[at] / (OUTLIER * spread);
                map.trust[at] = far >= 1 ? 1e-6 : (1 - far * far) * (1 - far * far);
            }
        }
        return map;
    }

    /** What is struck together is one point. */
    private static TimeMap onsets(List<double[]> points) {
        List<double[]> onsets = new ArrayList<>();
        for (int from = 0; from < points.size(); ) {
            int to = from;
            while (to < points.size() && points.get(to)[0] - points.get(from)[0] < Passage.TOGETHER) {
                to++;
            }
            List<double[]> together = points.subList(from, to);
            onsets.add(new double[] {
                median(together.stream().mapToDouble(point -> point[0]).toArray()),
                median(together.stream().mapToDouble(point -> point[1]).toArray())
            });
            from = to;
        }
        return new TimeMap(
                onsets.stream().mapToDouble(point -> point[0]).toArray(),
                onsets.stream().mapToDouble(point -> point[1]).toArray());
    }

    static double median(double[] values) {
        if (values.length == 0) {
            return 0;
        }
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int half = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }

    /** When an asked time comes. */
    double at(double asked) {
        int from = Arrays.binarySearch(due, asked);
        from = from < 0 ? -from - 1 : from;
        int low = Math.max(0, Math.min(from - AROUND / 2, due.length - AROUND));
        int high = Math.min(due.length, low + AROUND);
        double reach = 1;
        for (int at = low; at < high; at++) {
            reach = Math.max(reach, Math.abs(due[at] - asked) * 1.001);
        }
        double[] sums = new double[5];
        double[] off = new double[3];
        for (int at = low; at < high; at++) {
            double weight = trust[at] * Math.pow(1 - Math.pow(Math.abs(due[at] - asked) / reach, CUBE), CUBE);
            double x = (due[at] - asked) / reach;
            double y = came[at] - due[at];
            double power = weight;
            for (int n = 0; n < sums.length; n++) {
                sums[n] += power;
                if (n < off.length) {
                    off[n] += power * y;
                }
                power *= x;
            }
        }
        if (sums[0] < 1e-9) {
            return asked
                    + median(IntStream.range(low, high)
                            .mapToDouble(at -> came[at] - due[at])
                            .toArray());
        }
        // Few points say nothing of the tempo, some nothing of how it changes; outside of them it goes on as it was
        // asked.
        return asked + (high - low < LINE ? off[0] / sums[0] : high - low < CURVE ? line(sums, off) : curve(sums, off));
    }

    private static double line(double[] s, double[] y) {
        double determinant = s[0] * s[2] - s[1] * s[1];
        return determinant < 1e-6 * s[0] * s[0] ? y[0] / s[0] : (s[2] * y[0] - s[1] * y[1]) / determinant;
    }

    /** The value at zero of the parabola through weighted points, by Cramer's rule. */
    private static double curve(double[] s, double[] y) {
        double determinant = s[0] * (s[2] * s[4] - s[3] * s[3])
                - s[1] * (s[1] * s[4] - s[2] * s[3])
                + s[2] * (s[1] * s[3] - s[2] * s[2]);
        if (determinant < 1e-7 * s[0] * s[2] * s[4]) {
            return line(s, y);
        }
        return (y[0] * (s[2] * s[4] - s[3] * s[3])
                        - s[1] * (y[1] * s[4] - s[3] * y[2])
                        + s[2] * (y[1] * s[3] - s[2] * y[2]))
                / determinant;
    }
}
