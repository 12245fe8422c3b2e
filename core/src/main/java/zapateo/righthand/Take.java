package zapateo.righthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Swing;
import zapateo.rhythm.Tempo;
import zapateo.rhythm.Ticks;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Timeline;
import zapateo.song.TuneNote;

/**
 * What was played against the metronome, as a melody can be written: each beat's onsets are put on the division that
 * lies nearest to them, the plain one where two lie alike; the whole take is decided together by the exact search.
 *
 * @param bars the melody, bar by bar, each filled with notes and rests
 */
public record Take(List<List<TuneNote>> bars) {

    /**
     * A key that was struck.
     *
     * @param ms from the first beat of the first bar
     * @param held how long it was down
     */
    public record Struck(double ms, double held, Pitch pitch) {}

    /**
     * Into how many equal parts a beat is divided.
     *
     * @param cost how seldom it comes, on the scale of half the square of a usual unevenness
     * @param empty the same for each part of it that nothing is struck on
     */
    private record Division(int parts, double cost, double empty) {}

    private static final List<Division> OF_TWO =
            List.of(new Division(1, 0, 0), new Division(2, 0.2, 0), new Division(3, 1, 0.8), new Division(4, 1.6, 0.4));
    private static final List<Division> OF_THREE =
            List.of(new Division(1, 0, 0), new Division(3, 0.2, 0), new Division(6, 2, 0.4));
    /** How far off a hand usually plays: uniform to 40 ms either way spreads by 23. */
    private static final double UNEVEN_MS = 24;
    /** Another division than in the beat before. */
    private static final double CHANGE = 0.3;
    /** Two keys on one place of a line: the later one has to go somewhere else. */
    private static final double CROWDED = 100;
    /** A gap that is shorter than this part of a beat is no rest. */
    private static final double LEGATO = 0.34;

    /**
     * A bar that is played over.
     *
     * @param ms when a tick of it comes, counted from its bar line
     */
    public record Under(Meter meter, int ticks, IntToDoubleFunction ms) {

        /** One in an even tempo. */
        public static Under of(Meter meter, int ticks, Tempo tempo) {
            return new Under(meter, ticks, tempo::millisecondsOf);
        }

        /** As a song's bar goes, its fermatas too, played so many times as fast. */
        static Under of(Bar bar, Timeline timeline, double faster) {
            return new Under(
                    bar.meter(), bar.ticks(), tick -> timeline.between(bar.tick(), bar.tick() + tick) / faster);
        }
    }

    /**
     * A beat of those bars, or what is left of one at a bar's end.
     *
     * @param ms when it begins
     * @param tick where it begins from the first bar's start
     */
    private record Beat(double ms, double msLong, int tick, int ticks, List<Division> divisions) {

        private double end() {
            return ms + msLong;
        }
    }

    /**
     * One beat read in one way: where each of its keys lies, in parts; the last of them may be the next beat's first.
     */
    private record Reading(
            Division division, int beat, boolean firstTaken, boolean spills, List<Integer> places, double cost) {}

    /** The same metre and tempo throughout. */
    public static Take of(List<Struck> struck, Tempo tempo, Meter meter) {
        return of(struck, List.of(Under.of(meter, meter.barTicks(), tempo)));
    }

    /**
     * Over a song.
     *
     * @param first index of the bar it begins with
     * @param faster than the song's own tempos, as a factor
     */
    public static Take of(List<Struck> struck, Song song, int first, double faster) {
        // The clicks one plays to are even: a take is heard against written time.
        Timeline timeline = Timeline.of(song, Swing.NONE);
        return of(
                struck,
                song.bars().subList(first, song.bars().size()).stream()
                        .map(bar -> Under.of(bar, timeline, faster))
                        .toList());
    }

    /**
     * @param struck in any order; keys struck together are one, the highest
     * @param bars what was played over, from the first; the last one goes on as long as the take does
     */
    public static Take of(List<Struck> struck, List<Under> bars) {
        List<Struck> line = line(struck, bars.get(0));
        if (line.isEmpty()) {
            return new Take(List.of());
        }
        List<Integer> barEnds = new ArrayList<>();
        List<Beat> beats = beats(bars, line.get(line.size() - 1).ms(), barEnds);
        List<List<Struck>> byBeat = new ArrayList<>();
        beats.forEach(beat -> byBeat.add(new ArrayList<>()));
        // What is struck in the last moment of a beat may be meant for the next one: it is read there, or here.
        int at = 0;
        for (Struck each : line) {
            while (each.ms() >= beats.get(at).end()) {
                at++;
            }
            byBeat.get(at).add(each);
        }
        List<List<Reading>> layers = new ArrayList<>();
        for (int beat = 0; beat < beats.size(); beat++) {
            layers.add(readings(byBeat.get(beat), beat, beats.get(beat)));
        }
        ShortestPath.Joint<Reading> joint = new ShortestPath.Joint<>(
                reading -> reading.spills() ? 2 : 1, reading -> reading.beat() == 0 ? 0 : reading.firstTaken() ? 2 : 1);
        List<Reading> found = ShortestPath.through(
                        layers,
                        List.of(
                                CostTerm.own("off-the-division", 1, Reading::cost),
                                CostTerm.step(
                                        "change",
                                        CHANGE,
                                        (from, to) -> from.division().equals(to.division())
                                                        || to.places().isEmpty()
                                                        || from.places().isEmpty()
                                                ? 0
                                                : 1)),
                        joint)
                .steps();
        return written(found, byBeat, beats, barEnds);
    }

    /** Enough of them for a note that falls to the beat behind the last one. */
    private static List<Beat> beats(List<Under> bars, double lastMs, List<Integer> barEnds) {
        List<Beat> beats = new ArrayList<>();
        double ms = 0;
        int tick = 0;
        for (int i = 0; beats.isEmpty() || beats.get(beats.size() - 1).ms() <= lastMs; i++) {
            Under bar = bars.get(Math.min(i, bars.size() - 1));
            for (int from = 0; from < bar.ticks(); from += bar.meter().beatTicks()) {
                int ticks = Math.min(bar.meter().beatTicks(), bar.ticks() - from);
                double msLong = bar.ms().applyAsDouble(from + ticks) - bar.ms().applyAsDouble(from);
                beats.add(new Beat(ms, msLong, tick + from, ticks, bar.meter().isCompound() ? OF_THREE : OF_TWO));
                ms += msLong;
            }
            tick += bar.ticks();
            barEnds.add(tick);
        }
        return beats;
    }

    /** One key at a time, the highest of those struck within a thirty-second. */
    private static List<Struck> line(List<Struck> struck, Under first) {
        double together = Math.min(45, first.ms().applyAsDouble(Ticks.PER_QUARTER / 8));
        List<Struck> sorted = new ArrayList<>(struck);
        sorted.sort(Comparator.comparingDouble(Struck::ms));
        List<Struck> line = new ArrayList<>();
        for (Struck each : sorted) {
            Struck before = line.isEmpty() ? null : line.get(line.size() - 1);
            if (before != null
                    && each.ms() - before.ms() < together
                    && !before.pitch().equals(each.pitch())
                    && Math.abs(before.pitch().midi() - each.pitch().midi()) > 2) {
                line.set(line.size() - 1, before.pitch().midi() > each.pitch().midi() ? before : each);
            } else {
                line.add(each);
            }
        }
        return line;
    }

    private static List<Reading> readings(List<Struck> keys, int at, Beat beat) {
        List<Reading> readings = new ArrayList<>();
        for (Division division : beat.divisions()) {
            for (boolean taken : new boolean[] {false, true}) {
                for (boolean spills : new boolean[] {false, true}) {
                    if (!spills || !keys.isEmpty()) {
                        readings.add(reading(keys, at, beat, division, taken, spills));
                    }
                }
            }
        }
        return readings;
    }

    /** Each key on the nearest place that is free, in order; the last one on the next beat where it spills over. */
    private static Reading reading(
            List<Struck> keys, int beatAt, Beat beat, Division division, boolean taken, boolean spills) {
        List<Integer> places = new ArrayList<>();
        int free = taken ? 1 : 0;
        double cost = keys.isEmpty()
                ? 0
                : division.cost()
                        + division.empty()
                                * Math.max(0, division.parts() - keys.size() - (taken ? 1 : 0) + (spills ? 1 : 0));
        for (int i = 0; i < keys.size(); i++) {
            double at = (keys.get(i).ms() - beat.ms()) / beat.msLong();
            boolean over = spills && i == keys.size() - 1;
            int place = over
                    ? division.parts()
                    : Math.max(free, Math.min(division.parts() - 1, (int) Math.round(at * division.parts())));
            double off = (at - place / (double) division.parts()) * beat.msLong() / UNEVEN_MS;
            cost += off * off / 2 + (!over && place >= division.parts() || place < free ? CROWDED : 0);
            places.add(place);
            free = place + 1;
        }
        return new Reading(
                division,
                beatAt,
                taken,
                spills,
                places,
                cost + (free > division.parts() + (spills ? 1 : 0) ? CROWDED : 0));
    }

    private static Take written(
            List<Reading> found, List<List<Struck>> byBeat, List<Beat> beats, List<Integer> barEnds) {
        List<int[]> onsets = new ArrayList<>();
        List<Struck> keys = new ArrayList<>();
        List<Beat> of = new ArrayList<>();
        for (Reading reading : found) {
            Beat beat = beats.get(reading.beat());
            for (int i = 0; i < reading.places().size(); i++) {
                onsets.add(new int[] {
                    beat.tick()
                            + reading.places().get(i)
                                    * beat.ticks()
                                    / reading.division().parts(),
                    beat.ticks() / reading.division().parts()
                });
                keys.add(byBeat.get(reading.beat()).get(i));
                of.add(beat);
            }
        }
        int last = onsets.get(onsets.size() - 1)[0];
        List<Integer> ends = barEnds.subList(
                0, (int) barEnds.stream().filter(end -> end <= last).count() + 1);
        int close = ends.get(ends.size() - 1);
        List<List<TuneNote>> written = new ArrayList<>();
        ends.forEach(end -> written.add(new ArrayList<>()));
        int at = 0;
        for (int i = 0; i < onsets.size(); i++) {
            int from = onsets.get(i)[0];
            int next = i + 1 < onsets.size() ? onsets.get(i + 1)[0] : close;
            put(written, at, from, Optional.empty(), ends);
            int end = end(
                    from,
                    next,
                    keys.get(i).held() / of.get(i).msLong() * of.get(i).ticks(),
                    onsets.get(i)[1],
                    of.get(i).ticks());
            put(written, from, end, Optional.of(keys.get(i).pitch()), ends);
            at = end;
        }
        put(written, at, close, Optional.empty(), ends);
        return new Take(written.stream().map(List::copyOf).toList());
    }

    /** To the next note where it is nearly held so long; else to the division's place where the key was let go. */
    private static int end(int from, int next, double held, int part, int beat) {
        int gap = next - from;
        if (held >= gap - LEGATO * beat || gap <= part) {
            return next;
        }
        int parts = (int) Math.max(1, Math.round(held / part));
        return Math.min(next, from + parts * part);
    }

    /** A note or a rest, parted and tied where a bar line crosses it. */
    private static void put(List<List<TuneNote>> bars, int from, int to, Optional<Pitch> pitch, List<Integer> barEnds) {
        int bar = 0;
        for (int at = from; at < to; ) {
            while (barEnds.get(bar) <= at) {
                bar++;
            }
            int start = bar == 0 ? 0 : barEnds.get(bar - 1);
            int end = Math.min(to, barEnds.get(bar));
            bars.get(bar).add(new TuneNote(pitch, at - start, end - at, pitch.isPresent() && end < to));
            at = end;
        }
    }
}
