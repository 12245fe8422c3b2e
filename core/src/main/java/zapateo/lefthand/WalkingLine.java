package zapateo.lefthand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.part.Origin;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Role;
import zapateo.rhythm.Ticks;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/**
 * A bass that walks (HANDBOOK §6b): each chord begins on its bass, which comes back on the first beat of every second
 * bar while the chord stays; strong beats have the chord's tones, weak ones pass, the last note before a change leads
 * into the next bass. The cheapest line of all, where what a note costs depends on the two before it: it goes somewhere
 * and comes back, and does not tread on the spot.
 */
final class WalkingLine {

    private static final int HOME = 41;
    private static final int TURNS_BACK = 52;
    private static final int HIGHEST = 55;
    /** What has its octave or tenth over it leaves room for that. */
    private static final int HIGHEST_OF_TWO = 46;

    private static final Interval MAJOR_SECOND = Interval.parse("2");
    private static final double STEPS = 0.3;
    /** On the second beat of every other bar, so that held chords do not all begin 1 2 3; a dominant goes 1 3 5 6. */
    private static final double STEPS_AGAIN = 1.2;

    private static final int STEP = 2;
    private static final int THIRD = 4;
    private static final int FIFTH = 7;
    private static final double NEVER = 60;

    private final List<Cut> cuts;
    /** Diminished chords that want to pass over it. */
    private final List<Planned> passing;

    private final int lowest;
    /** What comes again and again is found once. */
    private final Map<Beat, List<Note>> known = new HashMap<>();

    private final Map<List<Note>, Map<List<Note>, List<Move>>> moves = new IdentityHashMap<>();

    private WalkingLine(List<Cut> cuts, List<Planned> passing, int lowest) {
        this.cuts = cuts;
        this.passing = passing;
        this.lowest = lowest;
    }

    /** What a note of the line is to its chord. */
    enum Kind {
        BASS,
        TONE,
        STEP,
        APPROACH
    }

    /**
     * A note it may take.
     *
     * @param fifth of the chord it leads to, 0 to 11, -1 where it leads to none
     * @param third whether it leads from a tone of the chord a third away
     * @param arc 1 where the line would rather rise, -1 where it would fall, 0 where it may do either
     */
    record Note(Pitch pitch, Kind kind, double cost, int fifth, int arc, boolean third) {

        int key() {
            return pitch.midi();
        }
    }

    /** A note and the one before it, if there is one. */
    private record Move(Note before, Note now) {

        int step() {
            return before == null ? 0 : now.key() - before.key();
        }
    }

    /**
     * What decides which notes a beat may have.
     *
     * @param stays bars the chord has lasted already
     * @param first whether it is the first of its bar
     * @param into the chord it leads to, where it does
     * @param highest the highest key it may go to
     * @param passing whether a diminished chord passes over it, so that it comes from below
     * @param beside 1 or -1 where the next bass is a semitone above or below
     * @param rises whether it goes up to a minor tonic from its dominant
     * @param second whether it is the second beat of its bar
     * @param turn alternates from bar to bar, so that equal chords do not make equal cells
     */
    private record Beat(
            ChordSymbol chord,
            Key key,
            boolean opens,
            int stays,
            boolean first,
            boolean strong,
            Optional<ChordSymbol> into,
            int beside,
            boolean rises,
            boolean second,
            int turn,
            int highest,
            boolean passing) {}

    /** @param lowest the lowest key it may go to */
    static Map<Planned, Note> of(List<Cut> cuts, List<Planned> strokes, int lowest) {
        WalkingLine line = new WalkingLine(
                cuts,
                strokes.stream()
                        .filter(stroke -> stroke.roles().get(0).kind() == Role.Kind.PASSING)
                        .toList(),
                lowest);
        Map<Planned, Note> found = new IdentityHashMap<>();
        List<Planned> run = new ArrayList<>();
        for (Planned stroke : strokes) {
            if (stroke.roles().contains(Role.WALK)) {
                boolean goesOn =
                        run.isEmpty() || stroke.cut() <= run.get(run.size() - 1).cut() + 1;
                if (!goesOn) {
                    line.walk(run, found);
                    run.clear();
                }
                run.add(stroke);
            }
        }
        line.walk(run, found);
        return found;
    }

    /**
     * Strokes between the beats are skips: they strike what the beat before them had, an octave higher where there is
     * room.
     */
    private void walk(List<Planned> all, Map<Planned, Note> found) {
        List<Planned> run = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            if (!isSkip(i == 0 ? null : all.get(i - 1), all.get(i))) {
                run.add(all.get(i));
            }
        }
        List<List<Move>> layers = new ArrayList<>();
        List<Note> before = List.of();
        for (int i = 0; i < run.size(); i++) {
            boolean first = i == 0 || run.get(i - 1).cut() != run.get(i).cut();
            boolean last =
                    i + 1 < run.size() && run.get(i + 1).cut() != run.get(i).cut();
            List<Note> now = notes(
                    run.get(i),
                    first,
                    last ? Optional.of(cuts.get(run.get(i + 1).cut())) : Optional.empty());
            layers.add(moves(before, now));
            before = now;
        }
        List<Move> steps = ShortestPath.through(layers, COSTS, JOINT).steps();
        for (int i = 0; i < run.size(); i++) {
            found.put(run.get(i), steps.get(i).now());
        }
        Note beat = null;
        for (Planned stroke : all) {
            beat = found.getOrDefault(stroke, beat);
            if (beat != null && !found.containsKey(stroke)) {
                found.put(
                        stroke,
                        beat.key() + Pitch.OCTAVE <= TURNS_BACK
                                ? new Note(
                                        Pitch.onKey(
                                                beat.key() + Pitch.OCTAVE,
                                                beat.pitch().pitchClass()),
                                        Kind.TONE,
                                        0,
                                        -1,
                                        0,
                                        false)
                                : beat);
            }
        }
    }

    /** Between two beats, soon after one of the line. */
    private boolean isSkip(Planned before, Planned stroke) {
        Cut cut = cuts.get(stroke.cut());
        int beat = Math.min(cut.bar().meter().beatTicks(), Ticks.PER_QUARTER);
        return before != null
                && before.cut() == stroke.cut()
                && (stroke.tick() - cut.bar().tick()) % beat != 0
                && stroke.tick() - before.tick() < beat;
    }

    private List<Move> moves(List<Note> before, List<Note> now) {
        return moves.computeIfAbsent(before, each -> new IdentityHashMap<>()).computeIfAbsent(now, each -> {
            List<Move> all = new ArrayList<>();
            now.forEach(note -> before.stream()
                    .filter(from -> leap(Math.abs(note.key() - from.key())) < NEVER)
                    .forEach(from -> all.add(new Move(from, note))));
            if (all.isEmpty()) {
                // Nowhere near: the first of all, or what has no other way.
                now.forEach(note -> (before.isEmpty() ? java.util.stream.Stream.<Note>of() : before.stream())
                        .forEach(from -> all.add(new Move(from, note))));
            }
            if (before.isEmpty()) {
                now.forEach(note -> all.add(new Move(null, note)));
            }
            return all;
        });
    }

    private static final ShortestPath.Joint<Move> JOINT = new ShortestPath.Joint<>(
            move -> move.now().key(),
            move -> move.before() == null ? 0 : move.before().key());

    private static final List<CostTerm<Move>> COSTS = List.of(
            CostTerm.own(
                    "walking-step",
                    1,
                    move -> move.before() == null
                            ? 0
                            : move.before().kind() == Kind.APPROACH ? arrival(move) : leap(Math.abs(move.step()))),
            CostTerm.own("walking-tone", 1, move -> move.now().cost()),
            CostTerm.own(
                    "walking-register",
                    1,
                    move -> 0.05 * Math.abs(move.now().key() - HOME)
                            + (move.now().key() > TURNS_BACK ? 1.5 : 0)),
            CostTerm.own("walking-arc", 0.8, move -> move.now().arc() * move.step() < 0 ? 1 : 0),
            CostTerm.step("walking-turn", 1, WalkingLine::turn));

    /** A step, a third that the chord has, or the next chord's fifth. */
    private static double arrival(Move move) {
        int away = Math.abs(move.step());
        boolean fifth = (away == 5 || away == FIFTH)
                && Math.floorMod(move.before().key(), Pitch.OCTAVE)
                        == move.before().fifth();
        return away == 1
                ? 0
                : away == STEP
                        ? 0.1
                        : fifth
                                ? 1.6
                                : (away == 3 || away == THIRD) && move.before().third() ? 0.3 : NEVER / 2 + away;
    }

    private static double leap(int semitones) {
        return switch (semitones) {
            case 0 -> 5;
            case 1, 2 -> 0;
            case 3, 4 -> 0.4;
            case 5, 7 -> 1;
            case 6, 8, 9 -> 2.5;
            case 12 -> 2.2;
            default -> NEVER;
        };
    }

    /**
     * What three notes are together: there and back, two leaps one way, a leap that is not taken back, a passing note
     * that does not pass.
     */
    private static double turn(Move from, Move to) {
        if (from.before() == null) {
            return 0;
        }
        int one = from.step();
        int other = to.step();
        double cost = to.now().key() == from.before().key() ? 2.2 : 0;
        boolean sameWay = one * other > 0;
        cost += sameWay && Math.abs(one) >= 5 && Math.abs(other) >= 5 ? 2.5 : 0;
        cost += sameWay && Math.abs(one) > FIFTH ? 0.8 : 0;
        boolean passes = Math.abs(one) <= STEP && Math.abs(other) <= STEP;
        return cost + (from.now().kind() == Kind.STEP && !passes ? 2.5 : 0);
    }

    private static final double THIRD_AWAY = 0.5;
    private static final double FROM_ELSEWHERE = 1.5;

    private List<Note> notes(Planned stroke, boolean first, Optional<Cut> next) {
        Cut cut = cuts.get(stroke.cut());
        boolean opensBar = stroke.tick() == cut.bar().tick();
        boolean strong = cut.bar().meter().isStrong(stroke.tick() - cut.bar().tick());
        Optional<ChordSymbol> into = next.filter(Cut::begins)
                .map(Cut::chord)
                .filter(other -> other.bass().chroma() != cut.chord().bass().chroma());
        Optional<ChordSymbol> after = Optional.of(cut.index() + 1)
                .filter(index -> index < cuts.size())
                .map(index -> cuts.get(index).chord());
        return known.computeIfAbsent(
                new Beat(
                        cut.chord(),
                        cut.bar().key(),
                        first && cut.begins(),
                        cut.nth(),
                        opensBar,
                        strong,
                        into,
                        WalkingTones.beside(cut.chord(), after),
                        after.filter(other -> WalkingTones.rises(cut.chord(), other))
                                .isPresent(),
                        stroke.tick() - cut.bar().tick() == cut.bar().meter().beatTicks(),
                        cut.bar().index() % 2,
                        stroke.roles().size() > 1 && stroke.origin() != Origin.FULLER
                                ? Math.max(HIGHEST_OF_TWO, lowest + Pitch.OCTAVE)
                                : Math.max(HIGHEST, lowest + Pitch.OCTAVE),
                        passing.stream().anyMatch(chord -> chord.tick() == stroke.tick())),
                this::notes);
    }

    private List<Note> notes(Beat beat) {
        ChordSymbol chord = beat.chord();
        int arc = beat.into().isPresent() || beat.opens() ? 0 : beat.stays() % 2 == 0 ? 1 : -1;
        TreeMap<Integer, Note> notes = new TreeMap<>();
        if (beat.opens() || beat.first() && beat.stays() > 0 && beat.stays() % 2 == 0) {
            put(notes, chord.bass(), Kind.BASS, 0, arc, beat.highest());
        } else if (beat.into().isPresent()) {
            approach(notes, beat.into().get(), beat);
        } else {
            // The second tone of equal chords is the third and the fifth in turn.
            chord.tones()
                    .forEach(tone -> put(
                            notes,
                            tone,
                            Kind.TONE,
                            tone.chroma() == chord.bass().chroma()
                                    ? beat.first() ? 0 : 0.8
                                    : beat.first() && isFifth(chord, tone) ? 0 : turned(chord, tone, beat),
                            arc,
                            beat.highest()));
            // Between basses a semitone apart the line has the chord's tones alone (FAULTS L24).
            if (!beat.strong() && beat.beside() == 0) {
                double step = beat.second() && (chord.quality().isDominant() || beat.turn() == 1) ? STEPS_AGAIN : STEPS;
                WalkingTones.scale(chord, beat.key())
                        .forEach(name -> put(notes, name, Kind.STEP, step, arc, beat.highest()));
                if (beat.rises()) {
                    put(notes, chord.root().plus(MAJOR_SECOND).simple(), Kind.STEP, step, arc, beat.highest());
                }
            }
        }
        return List.copyOf(notes.values());
    }

    private static double turned(ChordSymbol chord, PitchClass tone, Beat beat) {
        return isFifth(chord, tone) == (beat.turn() == 1) ? 0.1 : 0.35;
    }

    private static boolean isFifth(ChordSymbol chord, PitchClass tone) {
        return chord.quality()
                .tone(5)
                .filter(fifth -> chord.tone(fifth).chroma() == tone.chroma())
                .isPresent();
    }

    /**
     * A step or a semitone from the next bass, the next chord's fifth, a tone of the chord a third away; never what
     * contradicts the chord that sounds.
     */
    private void approach(TreeMap<Integer, Note> notes, ChordSymbol next, Beat beat) {
        ChordSymbol chord = beat.chord();
        PitchClass target = next.bass();
        int fifth = next.over().isPresent()
                ? -1
                : next.quality()
                        .tone(5)
                        .map(tone -> next.tone(tone).chroma())
                        .orElse(Math.floorMod(target.chroma() + FIFTH, Pitch.OCTAVE));
        for (int away : new int[] {-1, 1, -2, 2, -3, 3, -4, 4, 5, 7}) {
            int chroma = Math.floorMod(target.chroma() + away, Pitch.OCTAVE);
            boolean own = Naming.tone(chroma, chord).isPresent();
            boolean inKey = Naming.inKey(chroma, beat.key());
            boolean contradicts =
                    Math.abs(away) > 1 && (Approach.isTheOther(chord, chroma) || Approach.isUnaltered(chord, chroma))
                            || beat.beside() != 0 && (Math.abs(away) <= STEP && away != -beat.beside() || !own)
                            || beat.rises() && (away == -STEP || away == -THIRD);
            boolean possible = Math.abs(away) == 1
                    || Math.abs(away) == STEP && (own || inKey)
                    || Math.abs(away) <= THIRD && own
                    || chroma == fifth;
            if (possible && !contradicts) {
                double turned =
                        beat.passing() ? away == -1 ? 0 : FROM_ELSEWHERE : (away > 0) == (beat.turn() == 1) ? 0 : 0.2;
                boolean third = Math.abs(away) > STEP && chroma != fifth;
                double cost = third ? THIRD_AWAY : own || inKey ? 0 : 0.2;
                put(
                        notes,
                        Naming.of(chroma, chord, next, beat.key(), target, Math.abs(away) <= STEP ? away : 0),
                        Kind.APPROACH,
                        cost + turned,
                        0,
                        fifth,
                        third,
                        beat.highest());
            }
        }
    }

    private void put(TreeMap<Integer, Note> notes, PitchClass name, Kind kind, double cost, int arc, int highest) {
        put(notes, name, kind, cost, arc, -1, false, highest);
    }

    private void put(
            TreeMap<Integer, Note> notes,
            PitchClass name,
            Kind kind,
            double cost,
            int arc,
            int fifth,
            boolean third,
            int highest) {
        for (int key = lowest; key <= highest; key++) {
            if (key % Pitch.OCTAVE == name.chroma()) {
                notes.putIfAbsent(key, new Note(Pitch.onKey(key, name), kind, cost, fifth, arc, third));
            }
        }
    }
}
