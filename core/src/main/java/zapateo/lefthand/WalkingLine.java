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
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.rhythm.Ticks;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/**
 * A bass that walks (HANDBOOK §6): each chord begins on its bass, strong beats have its tones, the last note before a change leads into the next bass
 * by a step; no leap over an octave. The cheapest line through what each beat may have.
 */
final class WalkingLine {

    private static final double HOME = 41;

    private final List<Cut> cuts;
    private final int lowest;
    /** What comes again and again is found once. */
    private final Map<Beat, List<Note>> known = new HashMap<>();

    private WalkingLine(List<Cut> cuts, int lowest) {
        this.cuts = cuts;
        this.lowest = lowest;
    }

    /** What a note of the line is to its chord. */
    enum Kind { BASS, TONE, STEP, APPROACH }

    /** A note it may take. */
    record Note(Pitch pitch, Kind kind, double cost) {

        int key() {
            return pitch.midi();
        }
    }

    /**
     * What decides which notes a beat may have.
     *
     * @param into the bass it leads to, where it does
     */
    private record Beat(ChordSymbol chord, Key key, boolean opens, boolean first, boolean strong, Optional<PitchClass> into) {
    }

    /** @param lowest the lowest key it may go to */
    static Map<Planned, Note> of(List<Cut> cuts, List<Planned> strokes, int lowest) {
        WalkingLine line = new WalkingLine(cuts, lowest);
        Map<Planned, Note> found = new IdentityHashMap<>();
        List<Planned> run = new ArrayList<>();
        for (Planned stroke : strokes) {
            if (stroke.roles().contains(Role.WALK)) {
                boolean goesOn = run.isEmpty() || stroke.cut() <= run.get(run.size() - 1).cut() + 1;
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

    private void walk(List<Planned> run, Map<Planned, Note> found) {
        List<List<Note>> layers = new ArrayList<>();
        for (int i = 0; i < run.size(); i++) {
            boolean first = i == 0 || run.get(i - 1).cut() != run.get(i).cut();
            boolean last = i + 1 < run.size() && run.get(i + 1).cut() != run.get(i).cut();
            layers.add(notes(run.get(i), first, last ? Optional.of(cuts.get(run.get(i + 1).cut())) : Optional.empty()));
        }
        List<Note> steps = ShortestPath.through(layers, COSTS).steps();
        for (int i = 0; i < run.size(); i++) {
            found.put(run.get(i), steps.get(i));
        }
    }

    private static final List<CostTerm<Note>> COSTS = List.of(
            CostTerm.step("walking-step", 1, (from, to) -> from.kind() == Kind.APPROACH ? arrival(Math.abs(to.key() - from.key())) : leap(Math.abs(to.key() - from.key()))),
            CostTerm.own("walking-tone", 1, Note::cost),
            CostTerm.own("walking-register", 0.06, note -> Math.abs(note.key() - HOME)));

    private static double arrival(int semitones) {
        return semitones == 1 || semitones == 2 ? 0 : semitones == 5 || semitones == 7 ? 1.5 : 12 + semitones;
    }

    private static double leap(int semitones) {
        if (semitones > 12) {
            return 60;
        }
        return switch (semitones) {
            case 0 -> 5;
            case 1, 2 -> 0;
            case 3, 4 -> 0.6;
            case 5, 7 -> 1.2;
            case 12 -> 2.5;
            default -> 4;
        };
    }

    private List<Note> notes(Planned stroke, boolean first, Optional<Cut> next) {
        Cut cut = cuts.get(stroke.cut());
        boolean strong = (stroke.tick() - cut.bar().tick()) % (2 * Ticks.PER_QUARTER) == 0;
        Optional<PitchClass> into = next.filter(Cut::begins).map(after -> after.chord().bass()).filter(bass -> bass.chroma() != cut.chord().bass().chroma());
        return known.computeIfAbsent(new Beat(cut.chord(), cut.bar().key(), first && cut.begins(), first, strong, into), this::notes);
    }

    private List<Note> notes(Beat beat) {
        ChordSymbol chord = beat.chord();
        TreeMap<Integer, Note> notes = new TreeMap<>();
        if (beat.opens()) {
            put(notes, chord.bass(), Kind.BASS, 0);
        } else if (beat.into().isPresent()) {
            approach(notes, beat.into().get(), chord, beat.key());
        } else {
            chord.tones().forEach(tone -> put(notes, tone, Kind.TONE, tone.chroma() == chord.bass().chroma() ? (beat.first() ? 0.6 : 1.2) : 0));
            if (!beat.strong()) {
                scale(chord, beat.key()).forEach(step -> put(notes, step, Kind.STEP, 0.4));
            }
        }
        return List.copyOf(notes.values());
    }

    /** The key's steps where the chord is the key's own; over a strange chord steps between its tones. */
    private static List<PitchClass> scale(ChordSymbol chord, Key key) {
        if (chord.tones().stream().allMatch(key::holds)) {
            return key.scale();
        }
        boolean minor = chord.quality().has(3, 3);
        boolean diminished = minor && chord.quality().has(5, 6);
        return (diminished ? List.of("2", "4", "b6") : List.of("2", "4", "6")).stream().map(degree -> chord.root().plus(Interval.parse(degree)).simple()).toList();
    }

    private void approach(TreeMap<Integer, Note> notes, PitchClass target, ChordSymbol chord, Key key) {
        for (int away : new int[] {-1, 1, -2, 2, 7}) {
            int chroma = Math.floorMod(target.chroma() + away, 12);
            Optional<PitchClass> own = chord.tones().stream().filter(tone -> tone.chroma() == chroma).findFirst();
            boolean inKey = key.scale().stream().anyMatch(step -> step.chroma() == chroma);
            if (Math.abs(away) == 1 || inKey || own.isPresent()) {
                PitchClass name = own.orElseGet(() -> inKey ? key.spell(chroma) : chromatic(target, chroma, away, key));
                put(notes, name, Kind.APPROACH, Math.abs(away) == 1 ? 0 : inKey || own.isPresent() ? 0.2 : 1);
            }
        }
    }

    /** A semitone below is written a letter lower, one above a letter higher, where a plain sign is enough. */
    private static PitchClass chromatic(PitchClass target, int chroma, int away, Key key) {
        PitchClass natural = PitchClass.of(target.letter().plus(Integer.signum(away)), 0);
        int alteration = Math.floorMod(chroma - natural.chroma() + 6, 12) - 6;
        return Math.abs(alteration) <= 1 ? PitchClass.of(natural.letter(), alteration) : key.spell(chroma);
    }

    private void put(TreeMap<Integer, Note> notes, PitchClass name, Kind kind, double cost) {
        for (int key = lowest; key <= Register.DEEP.highest(); key++) {
            if (key % 12 == name.chroma()) {
                notes.putIfAbsent(key, new Note(Pitch.onKey(key, name), kind, cost));
            }
        }
    }
}
