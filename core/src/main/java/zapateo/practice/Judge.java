package zapateo.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import zapateo.practice.Judgement.Verdict;
import zapateo.rhythm.Side;

/** Sets what was played against what was asked. */
public final class Judge {

    /** Of a hundred onsets, for a pass that counts. */
    private static final double CLEAN = 0.95;
    /** What is rolled is free in this but for the note on the beat. */
    private static final double ROLL_MS = 140;

    private static final int HANDS_FROM = 8;
    private static final double PITCH = 1 / 14.0;
    private static final double NEAR_MS = 100;
    private static final double LOOKED_FOR_MS = 140;

    private final Passage passage;
    private final Take take;
    private final boolean mostRolled;
    private final List<Follower.Match> matches;
    /**
     * Of each key: which stretch of even going it is in, -1 before the first; a stop or a new beginning opens another.
     */
    private final int[] stretchOf;

    private final List<TimeMap> maps = new ArrayList<>();
    private final int[] keyOf;
    private final int[] stretchOfNote;
    private final double[] lag = new double[Side.values().length];

    private Judge(Passage passage, Take take) {
        this.passage = passage;
        this.take = take;
        this.mostRolled =
                passage.notes().stream().filter(note -> note.roll().isEmpty()).count() * 3
                        < passage.notes().size();
        this.matches = Follower.follow(passage, take);
        this.stretchOf = new int[take.keys().size()];
        this.keyOf = new int[passage.notes().size()];
        this.stretchOfNote = new int[passage.notes().size()];
    }

    public static Judgement of(Passage passage, Take take) {
        return new Judge(passage, take).judged();
    }

    private Judgement judged() {
        stretches();
        fit();
        Judgement.Heard[] heard = new Judgement.Heard[passage.notes().size()];
        List<Integer> missed = new ArrayList<>();
        for (int at = 0; at < heard.length; at++) {
            Passage.Note asked = passage.notes().get(at);
            if (keyOf[at] < 0) {
                missed.add(at);
                heard[at] = new Judgement.Heard(asked, Verdict.MISSED, 0, Optional.empty());
            } else {
                double off = off(at);
                heard[at] = new Judgement.Heard(asked, timed(asked, off), off, Optional.of(keyOf[at]));
            }
        }
        List<Integer> free = unasked();
        pair(heard, missed, free);
        List<Judgement.Added> added = free.stream()
                .map(key -> new Judgement.Added(
                        key, take.keys().get(key).ms(), take.keys().get(key).midi(), barAt(key)))
                .toList();
        List<Judgement.Heard> notes = List.of(heard);
        List<Judgement.Stop> stops = stops();
        List<Judgement.Again> again = again();
        double right = (double) notes.stream()
                        .filter(each -> each.verdict() == Verdict.RIGHT)
                        .count()
                / notes.size();
        boolean struck = notes.stream()
                .allMatch(each -> each.verdict() == Verdict.RIGHT
                        || each.verdict() == Verdict.EARLY
                        || each.verdict() == Verdict.LATE);
        double uneven = uneven(notes);
        Findings.Pass pass = new Findings.Pass(
                passage,
                take,
                notes,
                added,
                stops,
                again,
                this::came,
                lag[Side.LEFT.ordinal()] - lag[Side.RIGHT.ordinal()],
                uneven,
                pace());
        return new Judgement(
                notes,
                added,
                delay(),
                pace(),
                struck && added.isEmpty() && stops.isEmpty() && again.isEmpty() && right >= CLEAN,
                right,
                uneven,
                stops,
                again,
                Findings.hands(pass),
                Findings.mend(pass),
                Findings.good(pass));
    }

    private static Verdict timed(Passage.Note asked, double off) {
        double tolerance = asked.roll().filter(roll -> !roll.onBeat()).isPresent()
                ? Math.max(ROLL_MS, asked.tolerance())
                : asked.tolerance();
        return off > tolerance ? Verdict.LATE : off < -tolerance ? Verdict.EARLY : Verdict.RIGHT;
    }

    /**
     * Parts the keys where the player stopped or began anew, and takes of a bar that was played again the last time.
     */
    private void stretches() {
        Arrays.fill(keyOf, -1);
        Arrays.fill(stretchOf, -1);
        int stretch = 0;
        int at = 0;
        for (int key = 0; key < stretchOf.length; key++) {
            if (at < matches.size() && matches.get(at).key() == key) {
                Follower.Match match = matches.get(at++);
                stretch += match.step() != Follower.Step.ON && match != matches.get(0) ? 1 : 0;
                keyOf[match.asked()] = key;
                stretchOfNote[match.asked()] = stretch;
            }
            stretchOf[key] = stretch;
        }
        // What is missing belongs to what was struck before it, else after it.
        int last = IntStream.range(0, keyOf.length)
                .filter(note -> keyOf[note] >= 0)
                .map(note -> stretchOfNote[note])
                .findFirst()
                .orElse(0);
        for (int note = 0; note < keyOf.length; note++) {
            last = keyOf[note] >= 0 ? stretchOfNote[note] : last;
            stretchOfNote[note] = last;
        }
    }

    /** When each stretch was played; a hand that is late all through is taken out of it. */
    private void fit() {
        int count = stretchOf.length == 0
                ? 1
                : Math.max(1, Arrays.stream(stretchOf).max().getAsInt() + 1);
        boolean both = Arrays.stream(Side.values()).allMatch(hand -> hits(hand).count() >= HANDS_FROM);
        for (int round = 0; round < (both ? 3 : 1); round++) {
            maps.clear();
            for (int stretch = 0; stretch < count; stretch++) {
                maps.add(TimeMap.of(points(stretch)));
            }
            if (both) {
                for (Side hand : Side.values()) {
                    lag[hand.ordinal()] +=
                            TimeMap.median(hits(hand).mapToDouble(this::off).toArray());
                }
                double middle = (lag[0] + lag[1]) / 2;
                lag[0] -= middle;
                lag[1] -= middle;
            }
        }
    }

    private IntStream hits(Side hand) {
        return IntStream.range(0, keyOf.length)
                .filter(note -> keyOf[note] >= 0
                        && passage.notes().get(note).hand() == hand
                        && tells(passage.notes().get(note)));
    }

    private List<double[]> points(int stretch) {
        List<double[]> points = new ArrayList<>();
        for (Follower.Match match : matches) {
            Passage.Note note = passage.notes().get(match.asked());
            if (stretchOf[match.key()] == stretch && tells(note)) {
                points.add(new double[] {
                    note.ms(),
                    take.keys().get(match.key()).ms() - lag[note.hand().ordinal()]
                });
            }
        }
        if (points.isEmpty()) {
            matches.stream()
                    .filter(match -> stretchOf[match.key()] == stretch)
                    .forEach(match -> points.add(new double[] {
                        passage.notes().get(match.asked()).ms(),
                        take.keys().get(match.key()).ms()
                    }));
        }
        points.sort(Comparator.comparingDouble(point -> point[0]));
        return points;
    }

    /** What tells the time: what is not rolled, where there is enough of it. */
    private boolean tells(Passage.Note note) {
        return mostRolled
                ? note.roll().filter(roll -> !roll.onBeat()).isEmpty()
                : note.roll().isEmpty();
    }

    /** When an asked time came for a note's stretch, its hand's lag with it. */
    private double came(int note, double asked) {
        return maps.get(stretchOfNote[note]).at(asked)
                + lag[passage.notes().get(note).hand().ordinal()];
    }

    private double off(int note) {
        return take.keys().get(keyOf[note]).ms()
                - came(note, passage.notes().get(note).ms());
    }

    /** Keys that are none of the asked notes; those of a bar that was given up and played again count no more. */
    private List<Integer> unasked() {
        boolean[] matched = new boolean[stretchOf.length];
        matches.forEach(match -> matched[match.key()] = true);
        boolean[] givenUp = givenUp();
        List<Integer> free = new ArrayList<>();
        for (int key = 0; key < matched.length; key++) {
            if (!matched[key] && !givenUp[key]) {
                free.add(key);
            }
        }
        return free;
    }

    /** For each key: whether what it was near was begun anew after it. */
    private boolean[] givenUp() {
        int[] anew = new int[matches.size() + 1];
        anew[matches.size()] = -1;
        for (int at = matches.size() - 1; at >= 0; at--) {
            Follower.Match match = matches.get(at);
            anew[at] = match.step() == Follower.Step.AGAIN
                    ? match.asked()
                    : keyOf[match.asked()] == match.key() ? -1 : anew[at + 1];
        }
        boolean[] given = new boolean[stretchOf.length];
        int at = 0;
        for (int key = 0; key < given.length; key++) {
            while (at < matches.size() && matches.get(at).key() <= key) {
                at++;
            }
            given[key] = at > 0 && anew[at] >= 0 && matches.get(at - 1).asked() >= anew[at];
        }
        return given;
    }

    /** A key nobody asked for where a note is missing is that note, an octave off or another one. */
    private void pair(Judgement.Heard[] heard, List<Integer> missed, List<Integer> free) {
        record Pair(int note, int key, double cost, double off) {}
        List<Pair> pairs = new ArrayList<>();
        int low = 0;
        for (int note : missed) {
            Passage.Note asked = passage.notes().get(note);
            double due = came(note, asked.ms());
            double window = Math.min(passage.window(), Math.max(LOOKED_FOR_MS, asked.between() * 0.6));
            while (low < free.size() && take.keys().get(free.get(low)).ms() < due - 4 * passage.window()) {
                low++;
            }
            for (int at = low; at < free.size() && take.keys().get(free.get(at)).ms() < due + window; at++) {
                Take.Key key = take.keys().get(free.get(at));
                double off = key.ms() - due;
                if (Math.abs(off) < window) {
                    int apart = Math.abs(key.midi() - asked.midi());
                    pairs.add(new Pair(
                            note,
                            free.get(at),
                            Math.abs(off) / NEAR_MS + (apart % 12 == 0 ? 0 : Math.min(1, apart * PITCH)),
                            off));
                }
            }
        }
        pairs.sort(Comparator.comparingDouble(Pair::cost));
        boolean[] takenKeys = new boolean[take.keys().size()];
        boolean[] takenNotes = new boolean[heard.length];
        for (Pair pair : pairs) {
            if (!takenKeys[pair.key()] && !takenNotes[pair.note()]) {
                takenKeys[pair.key()] = true;
                takenNotes[pair.note()] = true;
                int apart = Math.abs(take.keys().get(pair.key()).midi()
                        - passage.notes().get(pair.note()).midi());
                Verdict verdict = apart == 0
                        ? timed(passage.notes().get(pair.note()), pair.off())
                        : apart % 12 == 0 ? Verdict.OCTAVE : Verdict.WRONG;
                heard[pair.note()] = new Judgement.Heard(
                        passage.notes().get(pair.note()), verdict, pair.off(), Optional.of(pair.key()));
            }
        }
        free.removeIf(key -> takenKeys[key]);
    }

    private int barAt(int key) {
        int bar = passage.notes().get(0).bar();
        for (Follower.Match match : matches) {
            if (match.key() > key) {
                return match.step() == Follower.Step.ON
                        ? passage.notes().get(match.asked()).bar()
                        : bar;
            }
            bar = passage.notes().get(match.asked()).bar();
        }
        return bar;
    }

    private List<Judgement.Stop> stops() {
        List<Judgement.Stop> stops = new ArrayList<>();
        for (int at = 1; at < matches.size(); at++) {
            Follower.Match match = matches.get(at);
            if (match.step() == Follower.Step.STOPPED && keyOf[match.asked()] == match.key()) {
                Passage.Note asked = passage.notes().get(match.asked());
                Passage.Note before = passage.notes().get(matches.get(at - 1).asked());
                double stood = take.keys().get(match.key()).ms()
                        - take.keys().get(matches.get(at - 1).key()).ms()
                        - (asked.ms() - before.ms());
                stops.add(new Judgement.Stop(asked.bar(), stood, match.asked()));
            }
        }
        return stops;
    }

    private List<Judgement.Again> again() {
        List<Judgement.Again> again = new ArrayList<>();
        for (int at = 1; at < matches.size(); at++) {
            if (matches.get(at).step() == Follower.Step.AGAIN) {
                again.add(new Judgement.Again(
                        passage.notes().get(matches.get(at - 1).asked()).bar(),
                        passage.notes().get(matches.get(at).asked()).bar()));
            }
        }
        return again;
    }

    /** Of what came near its time. */
    private static double uneven(List<Judgement.Heard> notes) {
        double[] off = notes.stream()
                .filter(each -> each.key().isPresent()
                        && each.asked().roll().isEmpty()
                        && (each.verdict() == Verdict.RIGHT
                                || each.verdict() == Verdict.EARLY
                                || each.verdict() == Verdict.LATE))
                .mapToDouble(Judgement.Heard::off)
                .toArray();
        return 1.48 * TimeMap.median(Arrays.stream(off).map(Math::abs).toArray());
    }

    private double delay() {
        int first = IntStream.range(0, keyOf.length)
                .filter(note -> keyOf[note] >= 0)
                .findFirst()
                .orElse(-1);
        return first < 0
                ? 0
                : maps.get(stretchOfNote[first]).at(passage.notes().get(first).ms())
                        - passage.notes().get(first).ms();
    }

    private double pace() {
        double asked = 0;
        double took = 0;
        for (int at = 1; at < matches.size(); at++) {
            if (matches.get(at).step() == Follower.Step.ON) {
                asked += passage.notes().get(matches.get(at).asked()).ms()
                        - passage.notes().get(matches.get(at - 1).asked()).ms();
                took += take.keys().get(matches.get(at).key()).ms()
                        - take.keys().get(matches.get(at - 1).key()).ms();
            }
        }
        return asked <= 0 ? 1 : took / asked;
    }
}
