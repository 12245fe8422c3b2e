package zapateo.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zapateo.refusal.Refused;

/**
 * What to practise today, in its order.
 *
 * @param minutes all of it, pauses too; never more than there are
 * @param warnings songs whose date cannot be kept at this pace
 */
public record Plan(List<Item> items, int minutes, List<Warning> warnings) {

    private static final int LEAST_MINUTES = 5;
    private static final int MOST_MINUTES = 240;
    /** A song that is due sooner than this goes before the others. */
    private static final double SOON_DAYS = 14;
    /** What waited so long comes whatever else there is. */
    private static final int FORGOTTEN_AFTER = 12;

    public enum What {
        DUE,
        SPOT,
        JOIN,
        RUN_THROUGH,
        PAUSE
    }

    /**
     * A song that is being learned.
     *
     * @param goal beats a minute
     * @param until the day it has to be ready, counted from anywhere
     * @param level what it is played at, 0 for off
     * @param seconds how long it is at its goal
     * @param pieces what there is to practise in it, the hardest first, then the phrases
     */
    public record Learned(
            String song, double goal, Optional<Integer> until, int level, double seconds, List<Piece> pieces) {}

    /** @param first number of the first bar in the chart */
    public record Piece(int first, int last, Layer layer, double difficulty) {}

    /**
     * One thing to do.
     *
     * @param why a code for its reason: hardest, failed, due, join, ready, rest
     * @param tempo beats a minute; 0 for a pause
     */
    public record Item(
            What what,
            String song,
            int first,
            int last,
            Layer layer,
            double tempo,
            int minutes,
            String why,
            int days) {}

    /**
     * A date that is too near.
     *
     * @param days it would take
     * @param left there are
     * @param lower a tempo that could be reached
     */
    public record Warning(String song, int days, int left, double lower, boolean lowerLevel) {}

    public static Plan of(int today, int minutes, List<Learned> songs, List<Memory> known) {
        if (minutes < LEAST_MINUTES || minutes > MOST_MINUTES) {
            throw new Refused(minutes + " minutes: expected " + LEAST_MINUTES + " to " + MOST_MINUTES);
        }
        return new Day(today, minutes, songs, known).plan();
    }

    /** What is made of one day. */
    private static final class Day {

        private final int today;
        private final int minutes;
        private final List<Learned> songs;
        private final List<Memory> known;
        private final List<Item> hard = new ArrayList<>();
        private final List<Item> due = new ArrayList<>();
        private final List<Item> last = new ArrayList<>();
        private final Set<Memory.Place> taken = new HashSet<>();
        private int left;

        private Day(int today, int minutes, List<Learned> songs, List<Memory> known) {
            this.today = today;
            this.minutes = minutes;
            this.songs = songs.stream()
                    .sorted(Comparator.comparingDouble(this::pressing).thenComparing(Learned::song))
                    .toList();
            this.known = known;
            int pauses = Math.max(0, (minutes - 1) / (Numbers.PAUSE_AFTER + Numbers.PAUSE));
            this.left = minutes - pauses * Numbers.PAUSE;
        }

        private double pressing(Learned song) {
            return song.until().map(until -> (double) until - today).orElse(SOON_DAYS * 4);
        }

        private Plan plan() {
            int all = left;
            overdue(FORGOTTEN_AFTER, 0);
            runThrough();
            hardest(all - (int) Math.round(all * Numbers.HARD));
            overdue(0, 0);
            hardest(0);
            List<Item> items = new ArrayList<>();
            // The hardest while fresh, with what joins it; then what is due; a run through last.
            items.addAll(hard);
            items.addAll(due);
            items.addAll(last);
            List<Item> rested = rested(items);
            return new Plan(rested, rested.stream().mapToInt(Item::minutes).sum(), warnings());
        }

        private Optional<Learned> song(String id) {
            return songs.stream().filter(song -> song.song().equals(id)).findFirst();
        }

        private Optional<Memory> memory(String song, Piece piece) {
            return known.stream()
                    .filter(each -> each.song().equals(song)
                            && each.first() == piece.first()
                            && each.last() == piece.last()
                            && each.layer() == piece.layer())
                    .findFirst();
        }

        private boolean fits(int wanted) {
            return wanted <= left;
        }

        private void take(List<Item> where, Item item) {
            where.add(item);
            left -= item.minutes();
            taken.add(new Memory.Place(item.song(), item.first(), item.last(), item.layer()));
        }

        /** What is due and has waited so many days, the longest first. */
        private void overdue(int days, int kept) {
            List<Memory> waiting = known.stream()
                    .filter(each -> each.due() <= today
                            && today - each.lastDay() >= days
                            && song(each.song()).isPresent())
                    .sorted(Comparator.comparingInt(Memory::lastDay)
                            .thenComparing(Memory::well)
                            .thenComparing(Memory::song)
                            .thenComparingInt(Memory::first))
                    .toList();
            for (Memory memory : waiting) {
                if (left - Numbers.DUE >= kept && !taken.contains(memory.place())) {
                    Ladder ladder = new Ladder(song(memory.song()).orElseThrow().goal(), List.of());
                    take(
                            due,
                            new Item(
                                    What.DUE,
                                    memory.song(),
                                    memory.first(),
                                    memory.last(),
                                    memory.layer(),
                                    ladder.start(memory.clean()).tempo(),
                                    Numbers.DUE,
                                    memory.well() ? "due" : "failed",
                                    today - memory.lastDay()));
                }
            }
        }

        /** Of the most pressing song whose passages have all been clean once. */
        private void runThrough() {
            for (Learned song : songs) {
                List<Memory> own = known.stream()
                        .filter(each -> each.song().equals(song.song()))
                        .toList();
                double slowest = own.stream()
                        .mapToDouble(each -> each.clean().orElse(0.0))
                        .min()
                        .orElse(0);
                double tempo = Math.max(song.goal() * Numbers.LEAST, Math.min(song.goal(), slowest));
                int takes = (int) Math.max(1, Math.ceil(song.seconds() * song.goal() / tempo / 60));
                if (last.isEmpty() && slowest > 0 && takes <= minutes * Numbers.RUN_THROUGH && fits(takes)) {
                    int first =
                            song.pieces().stream().mapToInt(Piece::first).min().orElse(1);
                    int end = song.pieces().stream().mapToInt(Piece::last).max().orElse(1);
                    take(
                            last,
                            new Item(
                                    What.RUN_THROUGH,
                                    song.song(),
                                    first,
                                    end,
                                    Layer.BOTH,
                                    Math.floor(tempo),
                                    takes,
                                    "ready",
                                    0));
                }
            }
        }

        /**
         * Hard spots that are not at their goal, song by song in turn, each joined to its neighbours once it is clean.
         */
        private void hardest(int kept) {
            for (int round = 0; left - Numbers.DUE >= kept && round < 40; round++) {
                boolean found = false;
                for (Learned song : songs) {
                    Optional<Piece> next = song.pieces().stream()
                            .filter(piece -> !taken.contains(
                                    new Memory.Place(song.song(), piece.first(), piece.last(), piece.layer())))
                            .filter(piece -> wants(song, piece))
                            .findFirst();
                    if (next.isPresent() && left - Numbers.DUE >= kept) {
                        found = true;
                        spot(song, next.get());
                    }
                }
                if (!found) {
                    return;
                }
            }
        }

        /** New, or not at its goal and due. */
        private boolean wants(Learned song, Piece piece) {
            Optional<Memory> memory = memory(song.song(), piece);
            return memory.isEmpty()
                    || memory.get()
                                    .clean()
                                    .filter(tempo -> tempo >= song.goal() - 0.5)
                                    .isEmpty()
                            && memory.get().due() <= today;
        }

        private void spot(Learned song, Piece piece) {
            Optional<Memory> memory = memory(song.song(), piece);
            Ladder ladder = new Ladder(song.goal(), List.of());
            double tempo = ladder.start(memory.flatMap(Memory::clean)).tempo();
            int takes = Math.min(left, Numbers.SPOT);
            take(
                    hard,
                    new Item(
                            What.SPOT,
                            song.song(),
                            piece.first(),
                            piece.last(),
                            piece.layer(),
                            tempo,
                            takes,
                            memory.filter(each -> !each.well()).isPresent() ? "failed" : "hardest",
                            0));
            int first = Math.max(
                    song.pieces().stream().mapToInt(Piece::first).min().orElse(piece.first()), piece.first() - 1);
            int end =
                    Math.min(song.pieces().stream().mapToInt(Piece::last).max().orElse(piece.last()), piece.last() + 1);
            boolean wider = first < piece.first() || end > piece.last();
            if (memory.flatMap(Memory::clean).isPresent() && wider && fits(Numbers.JOIN)) {
                take(
                        hard,
                        new Item(
                                What.JOIN,
                                song.song(),
                                first,
                                end,
                                piece.layer(),
                                ladder.down(tempo),
                                Numbers.JOIN,
                                "join",
                                0));
            }
        }

        /** With a pause before so many minutes have gone by. */
        private List<Item> rested(List<Item> items) {
            List<Item> all = new ArrayList<>();
            int since = 0;
            for (Item item : items) {
                int sum = all.stream().mapToInt(Item::minutes).sum();
                if (since > 0
                        && since + item.minutes() > Numbers.PAUSE_AFTER
                        && sum + Numbers.PAUSE + remaining(items, item) <= minutes) {
                    all.add(new Item(What.PAUSE, "", 0, 0, Layer.BOTH, 0, Numbers.PAUSE, "rest", 0));
                    since = 0;
                }
                all.add(item);
                since += item.minutes();
            }
            return List.copyOf(all);
        }

        private static int remaining(List<Item> items, Item from) {
            return items.subList(items.indexOf(from), items.size()).stream()
                    .mapToInt(Item::minutes)
                    .sum();
        }

        /** What its hardest passages still have to climb, a few steps a day, two or three of them a day. */
        private List<Warning> warnings() {
            List<Warning> warnings = new ArrayList<>();
            int aDay = Math.max(1, minutes / (Numbers.SPOT + Numbers.JOIN) / Math.max(1, songs.size()));
            for (Learned song : songs) {
                Ladder ladder = new Ladder(song.goal(), List.of());
                int steps = song.pieces().stream()
                        .mapToInt(piece -> ladder.steps(
                                ladder.start(memory(song.song(), piece).flatMap(Memory::clean))
                                        .tempo()))
                        .sum();
                int days = (int) Math.ceil(steps / (double) (Numbers.STEPS_A_DAY * aDay));
                int there =
                        song.until().map(until -> Math.max(0, until - today)).orElse(Integer.MAX_VALUE);
                if (days > there) {
                    warnings.add(new Warning(
                            song.song(),
                            days,
                            there,
                            reachable(song, ladder, there * Numbers.STEPS_A_DAY * aDay),
                            song.level() > 1));
                }
            }
            return warnings;
        }

        /** The fastest tempo all its passages could come to in so many steps. */
        private double reachable(Learned song, Ladder ladder, int steps) {
            List<Double> rungs = ladder.rungs(ladder.start(Optional.empty()).tempo());
            double best = rungs.isEmpty() ? song.goal() : rungs.get(0);
            for (double tempo : rungs) {
                Ladder lower = new Ladder(tempo, List.of());
                int needed = song.pieces().stream()
                        .mapToInt(piece -> lower.steps(Math.min(
                                tempo,
                                ladder.start(memory(song.song(), piece).flatMap(Memory::clean))
                                        .tempo())))
                        .sum();
                best = needed <= steps ? Math.max(best, tempo) : best;
            }
            return best;
        }
    }
}
