package zapateo.lefthand;

import zapateo.harmony.VoiceLeading;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Register;

/**
 * One way to lay a chord, with what it costs by itself counted once, term by term.
 *
 * @param bass key of the bass, -1 where none is asked for
 * @param upper keys of the chord above, low to high
 * @param top the highest key it strikes
 * @param way how its bass was found
 * @param inversion thirds from the root to the bass where the chart left it open
 * @param position key under the little finger of a hand that stays, else -1
 * @param voices what it strikes together, and where its seventh wants to go
 * @param leaves keys its last bass may be on, where the line goes on from
 */
record Candidate(
        Placement placement,
        int bass,
        int[] upper,
        int top,
        BassLine.Basses way,
        int inversion,
        int position,
        Costs costs,
        int[] leaves,
        Voices voices,
        Home home) {

    /**
     * Where the bass and the middle of the chord would rather lie.
     *
     * @param lowest under it no bass of this figure goes
     * @param highest over it none goes either
     */
    record Home(double bass, double chord, int lowest, int highest) {}

    /** What a place costs by itself. */
    enum Cost {
        /** How far a held bass is from the chord. */
        CLASH,
        /** Close intervals struck together below their limit. */
        MUD,
        /** Kinds of stroke that stretch the hand. */
        REACH,
        /** Strokes the hand cannot take at once. */
        BEYOND,
        /** Tones of the chord it has not. */
        LEFT_OUT,
        /** Semitones struck together. */
        RUB,
        /** Leading tones too many. */
        DOUBLED,
        /** What it takes to keep below the other hand. */
        ROOM,
        /** Keys a broken chord or its bass lies outside the place where it is clear. */
        OUTSIDE,
        /** Hundredths of a second that a jump from its bass to its chord takes longer than there is time. */
        LATE,
        /** In another octave than where the same comes elsewhere. */
        WANDERS
    }

    /** So much of each. */
    static final class Costs {

        private final double[] each = new double[Cost.values().length];

        double of(Cost cost) {
            return each[cost.ordinal()];
        }

        /** While they are counted; what a candidate has stays as it is. */
        Costs add(Cost cost, double more) {
            each[cost.ordinal()] += more;
            return this;
        }

        private Costs with(Cost cost, double more) {
            Costs sum = new Costs();
            System.arraycopy(each, 0, sum.each, 0, each.length);
            return sum.add(cost, more);
        }
    }

    double cost(Cost cost) {
        return costs.of(cost);
    }

    /**
     * What becomes of a dominant's seventh: it goes nowhere, wants to step on from a key, or should sound and does not.
     */
    sealed interface Seventh {

        Seventh FREE = new Free();
        Seventh SILENT = new Silent();

        record Free() implements Seventh {}

        record Silent() implements Seventh {}

        record On(int key) implements Seventh {}
    }

    /**
     * What a chord strikes together.
     *
     * @param keys low to high
     */
    record Voices(int[] keys, Seventh seventh) {}

    /** Whether a seventh could step to its goal and finds nothing there; one that is left out for that is no better. */
    boolean leavesHanging(Candidate from) {
        if (from.voices.seventh() instanceof Seventh.Silent) {
            return true;
        }
        if (!(from.voices.seventh() instanceof Seventh.On seventh) || voices.keys().length < 2) {
            return false;
        }
        for (int key : voices.keys()) {
            if (seventh.key() - key >= 0 && seventh.key() - key <= 2) {
                return false;
            }
        }
        return true;
    }

    /** How far over a major third the top of a chord without its bass leaps. */
    int topLeap(Candidate from) {
        int[] before = from.voices.keys();
        int[] now = voices.keys();
        return before.length < 2 || now.length < 2 || now[0] <= bass || before[0] <= from.bass
                ? 0
                : Math.max(0, Math.abs(now[now.length - 1] - before[before.length - 1]) - MAJOR_THIRD);
    }

    Candidate dearer(Cost cost, double by) {
        return by == 0
                ? this
                : new Candidate(
                        placement,
                        bass,
                        upper,
                        top,
                        way,
                        inversion,
                        position,
                        costs.with(cost, by),
                        leaves,
                        voices,
                        home);
    }

    /** The same with the hand lying over a key. */
    Candidate lying(int over) {
        return new Candidate(placement, bass, upper, top, way, inversion, over, costs, leaves, voices, home);
    }

    boolean hasBass() {
        return bass >= 0;
    }

    double farFromHome() {
        if (upper.length == 0) {
            return 0;
        }
        int sum = 0;
        for (int key : upper) {
            sum += key;
        }
        return Math.abs((double) sum / upper.length - home.chord());
    }

    double bassFromHome() {
        return bass < 0
                ? 0
                : way == BassLine.Basses.HAND
                        ? LEAN * Math.abs(position - home.bass())
                        : Math.abs(bass - home.bass()) + (isHighUnderAChord() ? HIGH : 0);
    }

    /** A deep bass that jumps to its chord stands no higher than B♭2. */
    private boolean isHighUnderAChord() {
        return upper.length > 0 && upper[0] > bass && bass > UNDER_A_CHORD && home.bass() <= Register.DEEP.home();
    }

    double bassMovement(Candidate from) {
        return bass < 0 || from.bass < 0 || staysInPlace(from) || isSmooth(from) ? 0 : from.away(bass);
    }

    /**
     * Over an octave, or nearly one where the other way round is nearer and there is room for it: below a chord up to
     * B♭2.
     */
    boolean leaps(Candidate from) {
        double moved = bassMovement(from);
        int nearer = bass > from.bass ? bass - Pitch.OCTAVE : bass + Pitch.OCTAVE;
        boolean room = nearer >= home.lowest() && nearer <= (upper.length > 0 ? UNDER_A_CHORD : home.highest());
        return moved > Pitch.OCTAVE || moved >= SIXTH && moved < Pitch.OCTAVE && room;
    }

    private int away(int next) {
        int away = Integer.MAX_VALUE;
        // From a fifth under its root or, a little less gladly, from the one above.
        for (int i = 0; i < leaves.length; i++) {
            away = Math.min(away, Math.abs(next - leaves[i]) + ABOVE * i);
        }
        return away;
    }

    /**
     * Where a hand that stays lies is of little weight: only among places that hold the line as well does the one
     * nearer home win.
     */
    private static final double LEAN = 0.02;

    /** In one hand position the fingers find the next key. */
    private boolean staysInPlace(Candidate from) {
        return way == BassLine.Basses.HAND && from.way == BassLine.Basses.HAND;
    }

    double handMovement(Candidate from) {
        int moved = Math.abs(bass - from.bass);
        double seventh = staysInPlace(from) && (moved == MINOR_SEVENTH || moved == MINOR_SEVENTH + 1) ? WEAK_LEAP : 0;
        return seventh + (staysInPlace(from) && position != from.position ? 2 + Math.abs(position - from.position) : 0);
    }

    double handStretch() {
        return position < 0 ? 0 : Math.max(0, position - bass) + Math.max(0, bass - position - FIVE_FINGERS);
    }

    /** How far a line is from stepping: nothing for a step, a little for staying, the rest for a leap. */
    double unstepped(Candidate from) {
        if (!isSmooth(from) || bass < 0 || from.bass < 0) {
            return 0;
        }
        int moved = Math.abs(bass - from.bass);
        // A six-four is passed through by step, or stands over a bass that stays; anything else is weak.
        double weak = moved > STEP && (inversion == WEAK || from.inversion == WEAK) ? WEAK_LEAP : 0;
        return weak + (moved == 0 ? 1.5 : Math.max(0, moved - STEP));
    }

    private boolean isSmooth(Candidate from) {
        return way == BassLine.Basses.INVERSIONS && from.way == BassLine.Basses.INVERSIONS;
    }

    boolean changesPedal(Candidate from) {
        return way == BassLine.Basses.PEDAL && from.way == BassLine.Basses.PEDAL && bass != from.bass;
    }

    double chordMovement(Candidate from) {
        return VoiceLeading.onKeys(from.upper, upper);
    }

    /** Of a chord on its fifth. */
    static final int WEAK = 2;

    private static final int STEP = 2;
    private static final int ABOVE = 2;
    private static final int MINOR_SEVENTH = 10;
    private static final double WEAK_LEAP = 8;
    private static final int MAJOR_THIRD = 4;
    private static final int SIXTH = 8;
    private static final double HIGH = 20;
    private static final int UNDER_A_CHORD = Pitch.parse("B♭2").midi();

    /** Little finger to thumb over five white keys. */
    static final int FIVE_FINGERS = 7;
}
