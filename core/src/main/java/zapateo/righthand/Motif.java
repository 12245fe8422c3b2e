package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import zapateo.song.Bar;

/**
 * What an improvised line is made of: the rhythm of two bars and how it rises and falls, to be stated, answered and
 * varied.
 *
 * @param bars its two bars
 */
record Motif(List<List<Beat>> bars) {

    /**
     * One note.
     *
     * @param tick from the bar line
     * @param move steps of the scale from the note before, 0 where it is free
     */
    record Beat(int tick, int ticks, int move) {

        private Beat moved(int other) {
            return new Beat(tick, ticks, other);
        }
    }

    /** How it comes back. */
    enum Form {
        STATED,
        ANSWERED,
        INVERTED,
        CLOSING
    }

    /** Seconds below which notes follow one another too fast for an easy hand: eighths up to 220 quarters a minute. */
    private static final double BRISK = 60 / 220.0 / 2 - 0.002;
    /** Seconds of a note that is neither hurried nor held. */
    private static final double EASY = 0.2;
    /** An arpeggio goes up by thirds, a line down by steps. */
    private static final int UP = 2;

    private static final int DOWN = -1;
    private static final int TURN = 1;

    /** By a seed, for bars like the given one. */
    static Motif of(Bar bar, SplittableRandom random) {
        List<List<Beat>> bars = new ArrayList<>();
        boolean rises = random.nextBoolean();
        for (int nth = 0; nth < 2; nth++) {
            bars.add(moves(rhythm(bar, nth == 1, random), rises == (nth == 0), random));
        }
        return new Motif(List.copyOf(bars));
    }

    /** One of its two bars as it comes back: an answer ends otherwise, a close ends early and waits. */
    List<Beat> bar(int nth, Form form, Bar bar) {
        List<Beat> own =
                bars.get(nth).stream().filter(beat -> beat.tick() < bar.ticks()).toList();
        return switch (form) {
            case STATED -> own;
            case ANSWERED -> nth == 0 ? own : turned(own);
            case INVERTED ->
                nth == 0 ? own.stream().map(beat -> beat.moved(-beat.move())).toList() : own;
            case CLOSING -> nth == 0 ? own : closing(bar);
        };
    }

    private static List<Beat> turned(List<Beat> own) {
        List<Beat> all = new ArrayList<>(own);
        for (int i = own.size() / 2; i < own.size(); i++) {
            all.set(i, own.get(i).moved(-own.get(i).move()));
        }
        return all;
    }

    /** Down to a note that is held, then a rest. */
    private static List<Beat> closing(Bar bar) {
        int beat = bar.meter().beatTicks();
        int half = bar.meter().isCompound() ? 2 * beat / 3 : beat / 2;
        return bar.ticks() < 2 * beat
                ? List.of(new Beat(0, Math.min(beat, bar.ticks()), 0))
                : List.of(
                        new Beat(0, half, DOWN),
                        new Beat(half, beat - half, DOWN),
                        new Beat(beat, Math.min(beat, bar.ticks() - beat), DOWN));
    }

    /** Beat by beat; never all alike, with a rest of its own in the second bar. */
    private static List<int[]> rhythm(Bar bar, boolean second, SplittableRandom random) {
        int beat = bar.meter().beatTicks();
        int beats = Math.max(1, bar.ticks() / beat);
        if (beats == 2 && !second && !isHurried(bar) && bar.ticks() == 2 * beat) {
            return ofTwo(bar, random.nextBoolean());
        }
        List<int[]> notes = new ArrayList<>();
        int rest = second ? beats - 1 : random.nextInt(3) == 0 ? 0 : -1;
        for (int at = 0; at < beats; at++) {
            int tick = at * beat;
            int length = Math.min(beat, bar.ticks() - tick);
            if (at == rest) {
                if (!second) {
                    notes.add(new int[] {tick + length / 2, length - length / 2});
                }
                continue;
            }
            // One beat of each bar is a long note, beside it are short ones: a rhythm to know again.
            int dice = at == beats / 2
                    ? 0
                    : at == beats / 2 - 1 ? 3 + random.nextInt(bar.meter().isCompound() ? 3 : 6) : random.nextInt(10);
            if (at == beats / 2 && at + 1 < beats && isHurried(bar)) {
                notes.add(new int[] {tick, Math.min(2 * beat, bar.ticks() - tick)});
                at++;
                continue;
            }
            split(bar, tick, length, dice, notes);
        }
        return notes;
    }

    /** Where parts of a beat follow one another too fast. */
    private static boolean isHurried(Bar bar) {
        int beat = bar.meter().beatTicks();
        return bar.tempo().millisecondsOf(bar.meter().isCompound() ? beat / 3 : beat / 2) / 1000 < BRISK;
    }

    /** Short, long, short; where a beat has three parts, long, short, or short, long, and a whole one. */
    private static List<int[]> ofTwo(Bar bar, boolean longFirst) {
        int beat = bar.meter().beatTicks();
        if (!bar.meter().isCompound()) {
            return List.of(new int[] {0, beat / 2}, new int[] {beat / 2, beat}, new int[] {beat / 2 + beat, beat / 2});
        }
        int turn = longFirst ? 2 * beat / 3 : beat / 3;
        return List.of(new int[] {0, turn}, new int[] {turn, beat - turn}, new int[] {beat, beat});
    }

    private static void split(Bar bar, int tick, int beat, int dice, List<int[]> notes) {
        boolean compound = bar.meter().isCompound();
        int part = compound ? beat / 3 : beat / 2;
        if (isHurried(bar) || dice < 2) {
            notes.add(new int[] {tick, beat});
        } else if (compound && dice < 6) {
            notes.add(new int[] {tick, 2 * part});
            notes.add(new int[] {tick + 2 * part, beat - 2 * part});
        } else if (compound || dice == 9 && bar.tempo().millisecondsOf(beat / 3) / 1000 > EASY) {
            for (int third = 0; third < 3; third++) {
                notes.add(new int[] {tick + third * (beat / 3), beat / 3});
            }
        } else {
            notes.add(new int[] {tick, part});
            notes.add(new int[] {tick + part, beat - part});
        }
    }

    /** Runs of three to five one way, then the other: up by thirds, down by steps, no turn after a turn. */
    private static List<Beat> moves(List<int[]> notes, boolean rises, SplittableRandom random) {
        List<Beat> beats = new ArrayList<>();
        boolean up = rises;
        int left = 2 + random.nextInt(3);
        for (int i = 0; i < notes.size(); i++) {
            int move = i == 0 ? 0 : up ? random.nextInt(3) == 0 ? TURN : UP : random.nextInt(4) == 0 ? -UP : DOWN;
            beats.add(new Beat(notes.get(i)[0], notes.get(i)[1], move));
            if (--left == 0) {
                up = !up;
                left = 2 + random.nextInt(3);
            }
        }
        return List.copyOf(beats);
    }
}
