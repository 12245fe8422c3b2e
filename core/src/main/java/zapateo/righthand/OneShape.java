package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;

/**
 * One shape held by the right hand while the bass moves under it (HANDBOOK §9): of all three-note shapes of the run's
 * tones (two notes, where it has no more) the one that, over the basses, states most of the chords and rubs least.
 *
 * @param notes low to high, around middle C
 * @param over what it does over each chord
 */
public record OneShape(List<Pitch> notes, List<Over> over) {

    /**
     * @param states tones of the chord that sound, its bass among them
     * @param loses tones of the chord that do not
     * @param adds what sounds and is no tone of the chord
     */
    public record Over(ChordSymbol chord, List<PitchClass> states, List<PitchClass> loses, List<PitchClass> adds) {}

    private static final int LOWEST = Pitch.parse("A3").midi();
    /** What a semitone over a tone of the chord costs against a tone stated, and what any other strange note does. */
    private static final double RUBS = 2;

    private static final double ADDED = 0.2;
    private static final double GUIDE = 0.5;

    /** Of a run of chords; empty for a run of none. */
    public static Optional<OneShape> of(List<ChordSymbol> chords) {
        TreeMap<Integer, PitchClass> names = new TreeMap<>();
        chords.forEach(chord -> chord.tones().forEach(tone -> names.putIfAbsent(tone.chroma(), tone.simple())));
        List<PitchClass> all = new ArrayList<>(names.values());
        // Power chords alone have no three notes to choose from.
        List<PitchClass> best = all.size() < 3 ? all : List.of();
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j < all.size(); j++) {
                for (int k = j + 1; k < all.size(); k++) {
                    List<PitchClass> three = List.of(all.get(i), all.get(j), all.get(k));
                    double worth = chords.stream()
                            .mapToDouble(chord -> worth(chord, three))
                            .sum();
                    if (worth > most + 1e-9) {
                        most = worth;
                        best = three;
                    }
                }
            }
        }
        return best.isEmpty() ? Optional.empty() : Optional.of(laid(best, chords));
    }

    /** Whether it states more of each chord than it rubs against it. */
    boolean carries() {
        List<PitchClass> names = notes.stream().map(Pitch::pitchClass).toList();
        return over.stream()
                .allMatch(each -> worth(each.chord(), names) > 0
                        && names.stream().noneMatch(note -> contradicts(each.chord(), note)));
    }

    /** The other third or seventh of a chord: C natural over A7. */
    private static boolean contradicts(ChordSymbol chord, PitchClass note) {
        int above = Math.floorMod(note.chroma() - chord.root().chroma(), Pitch.OCTAVE);
        boolean own = chord.tones().stream().anyMatch(tone -> tone.chroma() == note.chroma());
        boolean third = (above == 3 || above == 4) && chord.quality().tone(3).isPresent();
        return !own
                && (third
                        || (above == 10 || above == 11)
                                && chord.quality().tone(7).isPresent());
    }

    private static double worth(ChordSymbol chord, List<PitchClass> shape) {
        double worth = 0;
        for (PitchClass note : shape) {
            Optional<PitchClass> tone = chord.tones().stream()
                    .filter(each -> each.chroma() == note.chroma())
                    .findFirst();
            boolean guide = tone.isPresent()
                    && chord.quality().tones().stream()
                            .anyMatch(each -> (each.number() == 3 || each.number() == 7)
                                    && chord.tone(each).chroma() == note.chroma());
            boolean rubs = tone.isEmpty()
                    && chord.tones().stream()
                            .anyMatch(each -> Math.floorMod(note.chroma() - each.chroma(), Pitch.OCTAVE) == 1);
            worth += tone.isPresent() ? 1 + (guide ? GUIDE : 0) : rubs ? -RUBS : -ADDED;
        }
        return worth;
    }

    private static OneShape laid(List<PitchClass> names, List<ChordSymbol> chords) {
        List<Pitch> notes = new ArrayList<>();
        for (int key = LOWEST; key < LOWEST + Pitch.OCTAVE; key++) {
            for (PitchClass name : names) {
                if (Math.floorMod(key, Pitch.OCTAVE) == name.chroma()) {
                    notes.add(Pitch.onKey(key, name));
                }
            }
        }
        return new OneShape(
                List.copyOf(notes),
                chords.stream().map(chord -> over(chord, names)).toList());
    }

    private static Over over(ChordSymbol chord, List<PitchClass> shape) {
        List<PitchClass> tones = chord.simpleTones();
        return new Over(
                chord,
                tones.stream()
                        .filter(tone -> has(shape, tone)
                                || tone.chroma() == chord.bass().chroma())
                        .toList(),
                tones.stream()
                        .filter(tone -> !has(shape, tone)
                                && tone.chroma() != chord.bass().chroma())
                        .toList(),
                shape.stream().filter(note -> !has(tones, note)).toList());
    }

    private static boolean has(List<PitchClass> notes, PitchClass note) {
        return notes.stream().anyMatch(each -> each.chroma() == note.chroma());
    }
}
