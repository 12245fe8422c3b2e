package zapateo.practice;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import zapateo.rhythm.Side;

/** A player made up: plays a passage as asked but for what is planted, unevenly, drifting, late by a constant. */
final class SimulatedPlayer {

    /** How this one plays. */
    record Manner(double jitterMs, double drift, double delayMs) {}

    enum Mistake {
        WRONG,
        MISSED,
        OCTAVE,
        EARLY,
        LATE,
        ADDED,
        LATE_HAND,
        LATE_TENTH,
        STOP,
        AGAIN,
        PEDAL_LATE
    }

    /**
     * What was planted.
     *
     * @param notes by kind the asked notes it was planted on
     * @param unsure notes whose own unevenness brings them near the edge of what is right
     */
    record Planted(Take take, Map<Mistake, Set<Integer>> notes, int added, Set<Integer> unsure, Set<Integer> bars) {}

    private final Passage passage;
    private final Random random;
    private final Manner manner;

    SimulatedPlayer(Passage passage, Manner manner, long seed) {
        this.passage = passage;
        this.manner = manner;
        this.random = new Random((seed + 1) * 0xD1B54A32D192ED03L);
    }

    /** A tempo that drifts evenly from the first note to the last, to so much slower (above zero) at the end. */
    private double came(double due) {
        double end = Math.max(1, passage.notes().get(passage.notes().size() - 1).ms());
        double share = Math.max(0, due) / end;
        return manner.delayMs() + due + manner.drift() * due * share / 2;
    }

    /** @param rate how many of a hundred notes have a mistake of their own */
    Planted play(Set<Mistake> kinds, double rate) {
        List<Passage.Note> notes = passage.notes();
        Map<Mistake, Set<Integer>> planted = new HashMap<>();
        for (Mistake kind : Mistake.values()) {
            planted.put(kind, new HashSet<>());
        }
        List<Mistake> own = kinds.stream()
                .filter(kind -> kind.compareTo(Mistake.ADDED) <= 0)
                .sorted()
                .toList();
        Set<Integer> unsure = new HashSet<>();
        Set<Integer> bars = new TreeSet<>();
        Side late = random.nextBoolean() ? Side.LEFT : Side.RIGHT;
        double lag = kinds.contains(Mistake.LATE_HAND) ? 45 + random.nextInt(25) : 0;
        int stop = kinds.contains(Mistake.STOP) ? beginning(notes.size() / 3, notes.size() * 2 / 3) : -1;
        double stood = stop < 0 ? 0 : passage.beatMs() * (1.5 + 2 * random.nextDouble());
        int again = kinds.contains(Mistake.AGAIN) ? inside() : -1;
        List<Take.Key> keys = new ArrayList<>();
        int added = 0;
        double shift = 0;
        List<double[]> shifts = new ArrayList<>();
        int safe = -1;
        for (int at = 0; at < notes.size(); at++) {
            Passage.Note note = notes.get(at);
            if (at == stop) {
                shift += stood;
                shifts.add(new double[] {note.ms(), stood});
                planted.get(Mistake.STOP).add(at);
                bars.add(note.bar());
            }
            double jitter = random.nextGaussian() * manner.jitterMs();
            double time = came(note.ms()) + shift + jitter;
            boolean free = note.roll().isEmpty() && note.between() < 4000;
            if (Math.abs(jitter) > 0.6 * note.tolerance() && free) {
                unsure.add(at);
            }
            boolean tenth = kinds.contains(Mistake.LATE_TENTH)
                    && note.roll().filter(Passage.Rolled::before).isPresent()
                    && tail(note) > 1.8 * note.tolerance()
                    && tail(note) < 200;
            if (tenth) {
                // The bass on the beat, its top after it.
                time = came(note.beat() + (note.ms() - note.beat()) + tail(note)) + shift + jitter;
                planted.get(Mistake.LATE_TENTH).add(at);
            }
            if (note.hand() == late) {
                time += lag;
            }
            boolean mistaken = !own.isEmpty()
                    && free
                    && at > 3
                    && at < notes.size() - 3
                    && at > safe
                    && at != stop
                    && random.nextDouble() < rate;
            Mistake kind = mistaken ? own.get(random.nextInt(own.size())) : null;
            int midi = note.midi();
            if (mistaken) {
                safe = at + 4;
                switch (kind) {
                    case WRONG ->
                        midi = other(
                                note,
                                1
                                        + random.nextInt(2) * (random.nextBoolean() ? 1 : -1)
                                        - (random.nextBoolean() ? 3 : 0));
                    case OCTAVE -> midi += random.nextBoolean() ? 12 : -12;
                    case EARLY -> time -= note.tolerance() * (1.8 + random.nextDouble() * 0.5);
                    case LATE -> time += note.tolerance() * (1.8 + random.nextDouble() * 0.5);
                    default -> {}
                }
                boolean possible = midi >= 21
                        && midi <= 108
                        && !asked(midi, note, kind)
                        && !(kind == Mistake.EARLY && note.between() < 70);
                if (!possible) {
                    midi = note.midi();
                    time = came(note.ms()) + shift + jitter + (note.hand() == late ? lag : 0);
                    kind = null;
                } else {
                    unsure.remove(at);
                    planted.get(kind).add(at);
                }
            }
            if (kind != Mistake.MISSED) {
                keys.add(new Take.Key(time, note.held() * 0.9, midi, 64));
            }
            if (kind == Mistake.ADDED) {
                added++;
                int extra = note.midi() + (note.hand() == Side.LEFT ? -1 : 1);
                keys.add(new Take.Key(
                        time + 20 + random.nextInt(30),
                        80,
                        asked(extra, note, Mistake.ADDED) ? note.midi() + (note.hand() == Side.LEFT ? -2 : 2) : extra,
                        50));
            }
            if (at == again) {
                int opening = at;
                while (opening > 0 && notes.get(opening - 1).bar() == note.bar()) {
                    opening--;
                }
                double back = came(note.ms())
                        + passage.beatMs() * 1.3
                        - came(notes.get(opening).ms());
                planted.get(Mistake.AGAIN).add(at);
                bars.add(note.bar());
                shift += back;
                shifts.add(new double[] {note.ms(), back});
                for (int replayed = opening; replayed <= at; replayed++) {
                    keys.add(new Take.Key(
                            came(notes.get(replayed).ms()) + shift + random.nextGaussian() * manner.jitterMs(),
                            300,
                            notes.get(replayed).midi(),
                            64));
                }
            }
        }
        List<Take.PedalMove> pedal = new ArrayList<>();
        for (Passage.PedalSpan span : passage.pedal()) {
            double wait = kinds.contains(Mistake.PEDAL_LATE) && random.nextInt(4) == 0 && span.up() - span.down() > 900
                    ? 320
                    : 60;
            if (wait > 100) {
                planted.get(Mistake.PEDAL_LATE).add(pedal.size());
            }
            pedal.add(new Take.PedalMove(came(span.down()) + shift(shifts, span.down()) + 90, true));
            pedal.add(new Take.PedalMove(came(span.up()) + shift(shifts, span.up()) + wait, false));
        }
        return new Planted(new Take(keys, fitted(pedal)), planted, added, unsure, bars);
    }

    /** How much later everything is from some asked times on. */
    private static double shift(List<double[]> shifts, double due) {
        return shifts.stream()
                .filter(each -> due >= each[0] - 1)
                .mapToDouble(each -> each[1])
                .sum();
    }

    private static List<Take.PedalMove> fitted(List<Take.PedalMove> moves) {
        List<Take.PedalMove> all = new ArrayList<>();
        for (int at = 0; at < moves.size(); at++) {
            Take.PedalMove move = moves.get(at);
            boolean crosses = move.down() && at > 0 && moves.get(at - 1).ms() >= move.ms();
            all.add(crosses ? new Take.PedalMove(moves.get(at - 1).ms() + 15, true) : move);
        }
        return all;
    }

    private double tail(Passage.Note note) {
        return passage.notes().stream()
                .filter(each -> each.stroke() == note.stroke())
                .mapToDouble(each -> each.beat() - each.ms())
                .max()
                .orElse(0);
    }

    /** The first of a bar between two notes. */
    private int beginning(int from, int to) {
        int at = from + random.nextInt(Math.max(1, to - from));
        while (at + 1 < passage.notes().size()
                && passage.notes().get(at).ms() - passage.notes().get(at - 1).ms() < 60) {
            at++;
        }
        return at;
    }

    /** Well inside a bar: some onsets of it were played. */
    private int inside() {
        List<Passage.Note> notes = passage.notes();
        int at = beginning(notes.size() / 3, notes.size() * 2 / 3);
        for (int tried = at; tried < notes.size() - 4; tried++) {
            int bar = notes.get(tried).bar();
            double ms = notes.get(tried).ms();
            long onsets = notes.stream()
                    .filter(note -> note.bar() == bar && note.ms() <= ms)
                    .map(note -> Math.round(note.beat() / 10))
                    .distinct()
                    .count();
            if (onsets >= 3 && notes.get(tried + 1).ms() - ms > 60) {
                return tried;
            }
        }
        return -1;
    }

    private static int other(Passage.Note note, int by) {
        return note.midi() + (by == 0 ? 1 : by);
    }

    /** Whether such a key is asked for nearby all the same. */
    private boolean asked(int midi, Passage.Note note, Mistake kind) {
        return kind != Mistake.MISSED
                && kind != Mistake.EARLY
                && kind != Mistake.LATE
                && (kind != Mistake.ADDED || midi != note.midi())
                && passage.notes().stream()
                        .anyMatch(
                                each -> each.midi() == midi && Math.abs(each.ms() - note.ms()) < 3 * passage.window());
    }
}
