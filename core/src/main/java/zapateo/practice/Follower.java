package zapateo.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * Which of the asked notes each key that was struck is: the cheapest way through the passage, kept as a few dozen ways
 * side by side, so that the work grows with the take. Every way has its own idea of when things are due: a delay from
 * the beginning, a tempo that drifts, a stop, a bar played once more.
 */
final class Follower {

    /** Ways that are kept side by side; one that costs so much more than the best is given up. */
    private static final int WAYS = 40;

    private static final double HOPELESS = 16;
    private static final double ADDED = 2;
    private static final double MISSED = 1.4;
    /** Twice the square of how far off, in spreads, up to this. */
    private static final double SPREAD_MS = 55;
    /** After a long time it may be so much of that off. */
    private static final double LONG = 0.05;

    private static final double FAR = 3.2;
    private static final double STOPS = 5;
    private static final double AGAIN = 5;
    private static final double ELSEWHERE = 9;
    private static final double DELAY_MS = 120;
    private static final double DELAY_SPREAD_MS = 350;
    private static final double FOLLOWS = 0.3;
    private static final double DRIFTS = 0.06;
    private static final double SLOWER = 1.7;
    private static final double QUICKER = 0.6;
    /** How many asked notes ahead a hand that stopped may go on. */
    private static final int AHEAD = 12;
    /** How many of the last keys may still lie out of order. */
    private static final int REMEMBERED = 24;

    private static final int BARS_BACK = 3;

    private final Passage passage;
    private final double[] due;
    private final Map<Integer, int[]> byKey = new HashMap<>();
    /** The first asked note of each bar. */
    private final List<Integer> openings = new ArrayList<>();
    /** Of each asked note, which of them opens its bar. */
    private final int[] openingOf;

    private Follower(Passage passage) {
        this.passage = passage;
        this.due = passage.notes().stream().mapToDouble(Passage.Note::ms).toArray();
        Map<Integer, List<Integer>> keys = new HashMap<>();
        this.openingOf = new int[due.length];
        int bar = -1;
        for (int at = 0; at < due.length; at++) {
            keys.computeIfAbsent(passage.notes().get(at).midi(), key -> new ArrayList<>())
                    .add(at);
            if (passage.notes().get(at).bar() != bar) {
                openings.add(at);
                bar = passage.notes().get(at).bar();
            }
            openingOf[at] = openings.size() - 1;
        }
        keys.forEach((key, all) ->
                byKey.put(key, all.stream().mapToInt(Integer::intValue).toArray()));
    }

    /** How a key came where it is taken to be. */
    enum Step {
        ON,
        STOPPED,
        AGAIN
    }

    /**
     * A key that is one of the asked notes.
     *
     * @param key index of the key as it was struck
     * @param asked index of the note
     */
    record Match(int key, int asked, Step step) {}

    /** One way through the keys so far; a chain back to the first. */
    private static final class Way {
        private final Way before;
        private final int asked;
        private final int key;
        private final Step step;
        private final int furthest;
        private final double cost;
        /** An asked time, when it came, and how many played milliseconds an asked one lasts. */
        private final double anchor;

        private final double came;
        private final double pace;

        private Way(
                Way before,
                int asked,
                int key,
                Step step,
                int furthest,
                double cost,
                double anchor,
                double came,
                double pace) {
            this.before = before;
            this.asked = asked;
            this.key = key;
            this.step = step;
            this.furthest = furthest;
            this.cost = cost;
            this.anchor = anchor;
            this.came = came;
            this.pace = pace;
        }

        private double expected(double due) {
            return came + (due - anchor) * pace;
        }

        /** Whether it has that note already, since the last time it began anew. */
        private boolean has(int note) {
            int left = REMEMBERED;
            for (Way way = this; way != null && left > 0; way = way.before, left--) {
                if (way.asked == note) {
                    return true;
                }
                if (way.step == Step.AGAIN) {
                    return false;
                }
            }
            return false;
        }

        private Way plus(double more) {
            return new Way(before, asked, key, step, furthest, cost + more, anchor, came, pace);
        }
    }

    static List<Match> follow(Passage passage, Take take) {
        return new Follower(passage).through(take);
    }

    private List<Match> through(Take take) {
        List<Way> ways = List.of(new Way(null, -1, -1, Step.ON, -1, 0, 0, Double.NaN, 1));
        for (int key = 0; key < take.keys().size(); key++) {
            List<Way> next = new ArrayList<>();
            for (Way way : ways) {
                next.add(way.plus(ADDED));
                extend(way, key, take.keys().get(key), next);
            }
            ways = best(next);
        }
        Way best = ways.stream()
                .min(Comparator.comparingDouble(way -> way.cost + MISSED * Math.max(0, due.length - 1 - way.furthest)))
                .orElseThrow();
        List<Match> matches = new ArrayList<>();
        for (Way way = best; way != null; way = way.before) {
            if (way.asked >= 0) {
                matches.add(new Match(way.key, way.asked, way.step));
            }
        }
        Collections.reverse(matches);
        return matches;
    }

    private void extend(Way way, int key, Take.Key struck, List<Way> next) {
        int[] all = byKey.getOrDefault(struck.midi(), new int[0]);
        if (Double.isNaN(way.came)) {
            begin(way, key, struck, all, next);
            return;
        }
        TreeSet<Integer> near = new TreeSet<>();
        int at = nearest(all, way, struck.ms());
        for (int i = Math.max(0, at - 1); i <= Math.min(all.length - 1, at + 1); i++) {
            near.add(all[i]);
        }
        for (int asked : near) {
            double off = struck.ms() - way.expected(due[asked]);
            if (Math.abs(off) < 3 * passage.window() && !way.has(asked)) {
                next.add(on(way, key, asked, struck, off));
            }
        }
        // After a stop it goes on where it was.
        int after = Arrays.binarySearch(all, way.furthest + 1);
        for (int i = after < 0 ? -after - 1 : after; i < all.length && all[i] <= way.furthest + AHEAD; i++) {
            double off = struck.ms() - way.expected(due[all[i]]);
            if (off > passage.window()) {
                next.add(new Way(
                        way,
                        all[i],
                        key,
                        Step.STOPPED,
                        all[i],
                        way.cost + STOPS + skipped(way, all[i]),
                        due[all[i]],
                        struck.ms(),
                        way.pace));
            }
            break;
        }
        int now = openingOf[Math.max(0, way.furthest)];
        for (int back = now; back >= Math.max(0, now - BARS_BACK + 1); back--) {
            again(way, key, struck, all, openings.get(back), next);
        }
        if (now >= BARS_BACK) {
            again(way, key, struck, all, 0, next);
        }
    }

    private void again(Way way, int key, Take.Key struck, int[] all, int opening, List<Way> next) {
        for (int asked : begins(all, opening)) {
            next.add(new Way(
                    way,
                    asked,
                    key,
                    Step.AGAIN,
                    asked,
                    way.cost + AGAIN + MISSED * (asked - opening),
                    due[asked],
                    struck.ms(),
                    way.pace));
        }
    }

    /** The first key of all: near the beginning, a little late as every instrument is, or at another bar. */
    private void begin(Way way, int key, Take.Key struck, int[] all, List<Way> next) {
        for (int opening : openings) {
            for (int asked : begins(all, opening)) {
                double off = (struck.ms() - due[asked] - DELAY_MS) / DELAY_SPREAD_MS;
                double cost = opening == 0 ? Math.min(ELSEWHERE - 1, off * off / 2) : ELSEWHERE;
                next.add(new Way(
                        way,
                        asked,
                        key,
                        Step.ON,
                        asked,
                        way.cost + cost + MISSED * (asked - opening),
                        due[asked],
                        struck.ms(),
                        1));
            }
        }
    }

    /** Notes on that key among the first that are asked from an opening on. */
    private List<Integer> begins(int[] all, int opening) {
        List<Integer> found = new ArrayList<>();
        int from = Arrays.binarySearch(all, opening);
        for (int i = from < 0 ? -from - 1 : from;
                i < all.length && all[i] < opening + AHEAD && due[all[i]] < due[opening] + 2 * passage.beatMs();
                i++) {
            found.add(all[i]);
        }
        return found;
    }

    private Way on(Way way, int key, int asked, Take.Key struck, double off) {
        double since = Math.abs(due[asked] - way.anchor);
        double spread = off / Math.max(SPREAD_MS, LONG * since);
        double cost =
                way.cost + Math.min(FAR, spread * spread / 2) + (asked > way.furthest ? skipped(way, asked) : -MISSED);
        double pace =
                way.pace + (Math.abs(off) < passage.window() ? DRIFTS * off / Math.max(200, passage.beatMs()) : 0);
        return new Way(
                way,
                asked,
                key,
                Step.ON,
                Math.max(way.furthest, asked),
                cost,
                due[asked],
                way.expected(due[asked]) + FOLLOWS * off,
                Math.max(QUICKER, Math.min(SLOWER, pace)));
    }

    private static double skipped(Way way, int asked) {
        return MISSED * (asked - way.furthest - 1);
    }

    /** Where among its notes the one lies that is expected next to that time. */
    private int nearest(int[] all, Way way, double ms) {
        double wanted = way.anchor + (ms - way.came) / way.pace;
        int low = 0;
        int high = all.length;
        while (low < high) {
            int middle = (low + high) / 2;
            if (due[all[middle]] < wanted) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return Math.min(low, all.length - 1);
    }

    /** The cheapest, one of each place and time. */
    private static List<Way> best(List<Way> all) {
        all.sort(Comparator.comparingDouble(way -> way.cost));
        List<Way> kept = new ArrayList<>();
        java.util.Set<Long> places = new java.util.HashSet<>();
        double limit = all.get(0).cost + HOPELESS;
        for (Way way : all) {
            if (kept.size() == WAYS || way.cost > limit) {
                break;
            }
            long time = Double.isNaN(way.came) ? 0 : Math.round(way.expected(0) / 25);
            if (places.add(((long) way.furthest << 40) + ((long) way.asked << 20) + Math.floorMod(time, 1 << 20))) {
                kept.add(way);
            }
        }
        return kept;
    }
}
