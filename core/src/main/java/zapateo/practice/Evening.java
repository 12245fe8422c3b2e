package zapateo.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;

/**
 * What an audience hears of an evening's order: three songs running in one key or at one tempo tire it (HANDBOOK §12a).
 */
public final class Evening {

    private static final int TIRING = 3;
    /** Tempos so near are one to the ear (the project's own choice). */
    private static final double SAME_TEMPO = 0.04;

    private Evening() {}

    /**
     * A piece of the evening, or a break.
     *
     * @param key it is played in; empty for a break, or where it is not known
     * @param bpm of quarters; 0 where it is not known
     * @param seconds it lasts
     */
    public record Piece(Optional<String> key, double bpm, double seconds) {

        public static Piece breakOf(double seconds) {
            return new Piece(Optional.empty(), 0, seconds);
        }

        private boolean isBreak() {
            return key.isEmpty() && bpm == 0;
        }
    }

    /** What tires. */
    public enum Same {
        KEY,
        TEMPO
    }

    /** @param first of the pieces by place, and the last of them */
    public record Tiring(Same same, int first, int last) {}

    public static double seconds(List<Piece> pieces) {
        return pieces.stream().mapToDouble(Piece::seconds).sum();
    }

    /** Runs of three and more; a break ends one. */
    public static List<Tiring> tiring(List<Piece> pieces) {
        List<Tiring> all = new ArrayList<>();
        runs(
                pieces,
                Same.KEY,
                (one, other) -> one.key().isPresent() && one.key().equals(other.key()),
                all);
        runs(
                pieces,
                Same.TEMPO,
                (one, other) -> one.bpm() > 0
                        && other.bpm() > 0
                        && Math.abs(one.bpm() - other.bpm()) <= SAME_TEMPO * Math.min(one.bpm(), other.bpm()),
                all);
        return all;
    }

    private static void runs(List<Piece> pieces, Same same, BiPredicate<Piece, Piece> alike, List<Tiring> all) {
        int first = 0;
        for (int i = 1; i <= pieces.size(); i++) {
            boolean goesOn =
                    i < pieces.size() && !pieces.get(i).isBreak() && alike.test(pieces.get(first), pieces.get(i));
            if (!goesOn) {
                if (i - first >= TIRING) {
                    all.add(new Tiring(same, first, i - 1));
                }
                first = i;
            }
        }
    }
}
