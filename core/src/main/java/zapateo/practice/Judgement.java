package zapateo.practice;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import zapateo.rhythm.Side;

/**
 * How a take went.
 *
 * @param notes one for each note of the passage, in its order
 * @param added keys nobody asked for
 * @param delayMs how late everything is: the instrument, or the player
 * @param pace how many times as long as asked it took, from the first note to the last, stops left out
 * @param clean whether it counts: all struck, nothing wrong or added, gone through without a stop, 95 of 100 onsets
 *     right
 * @param right share of the asked notes that came when they should
 * @param unevenMs how far onsets lie from even, on the average (standard deviation)
 * @param stops where it stood still
 * @param again where it began anew
 * @param hands each hand that played, by itself
 * @param mend the three things to mend first
 * @param good what was good
 */
public record Judgement(
        List<Heard> notes,
        List<Added> added,
        double delayMs,
        double pace,
        boolean clean,
        double right,
        double unevenMs,
        List<Stop> stops,
        List<Again> again,
        List<OfHand> hands,
        List<Finding> mend,
        List<Finding> good) {

    /**
     * One hand.
     *
     * @param unevenMs how far its onsets lie from even
     * @param swing the long over the short part of its beats, with the one that was asked; empty where it has too few
     *     of them
     */
    public record OfHand(Side hand, double unevenMs, Optional<Swung> swing) {}

    /** @param pairs beats of two onsets it is the mean of */
    public record Swung(double ratio, double asked, int pairs) {}

    public enum Verdict {
        RIGHT,
        EARLY,
        LATE,
        WRONG,
        MISSED,
        OCTAVE
    }

    /**
     * An asked note as it was heard.
     *
     * @param off milliseconds after its time, below zero before it; 0 where it was missed
     * @param key index of the key that was struck; empty where it was missed
     */
    public record Heard(Passage.Note asked, Verdict verdict, double off, Optional<Integer> key) {

        boolean isInTime() {
            return verdict == Verdict.RIGHT || verdict == Verdict.LATE || verdict == Verdict.EARLY;
        }
    }

    public record Added(int key, double ms, int midi, int bar) {}

    /** @param before index of the asked note it went on with */
    public record Stop(int bar, double ms, int before) {}

    /** Began anew in bar {@code to} when it had come to bar {@code from}. */
    public record Again(int from, int to) {}

    /**
     * A thing to say.
     *
     * @param weight how much it matters
     * @param bars indices, in order
     * @param args for its words
     */
    public record Finding(String code, double weight, List<Integer> bars, Map<String, String> args) {

        public Finding {
            bars = List.copyOf(bars);
            args = Map.copyOf(args);
        }

        /** @param args names and values by turns */
        static Finding of(String code, double weight, List<Integer> bars, Object... args) {
            Map<String, String> named = new HashMap<>();
            for (int at = 0; at < args.length; at += 2) {
                named.put(String.valueOf(args[at]), String.valueOf(args[at + 1]));
            }
            return new Finding(code, weight, List.copyOf(new TreeSet<>(bars)), named);
        }
    }
}
