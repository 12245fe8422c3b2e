package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.YamlFields;

/**
 * A scale that may be played over a chord; the rows of {@code scales.yaml}.
 *
 * @param id the standard name
 * @param name as a player says it
 * @param notes from the chord's root up
 */
public record ChordScale(String id, String name, List<Interval> notes) {

    private static final int FIFTH = 7;
    private static final List<ChordScale> ALL = readAll();

    public static List<ChordScale> all() {
        return ALL;
    }

    /** The one that holds the chord's tones and most of the key's; empty for a chord that no scale here holds. */
    public static Optional<ChordScale> of(ChordSymbol chord, Key key) {
        ChordScale best = null;
        for (ChordScale scale : ALL) {
            if (scale.holds(chord) && (best == null || scale.shared(chord, key) > best.shared(chord, key))) {
                best = scale;
            }
        }
        return Optional.ofNullable(best);
    }

    /** Its notes over a chord, spelled from its root. */
    public List<PitchClass> on(ChordSymbol chord) {
        return notes.stream().map(note -> chord.root().plus(note).simple()).toList();
    }

    private boolean holds(ChordSymbol chord) {
        // Over an altered fifth there is no plain one.
        boolean altered = chord.quality()
                        .tone(5)
                        .filter(fifth -> fifth.semitones() != FIFTH)
                        .isPresent()
                && !chord.quality().has(5, FIFTH);
        return !(altered && has(FIFTH))
                && chord.quality().tones().stream().allMatch(tone -> has(tone.semitones() % Pitch.OCTAVE));
    }

    private boolean has(int semitones) {
        return notes.stream().anyMatch(note -> note.semitones() == semitones);
    }

    private long shared(ChordSymbol chord, Key key) {
        return on(chord).stream()
                .filter(note -> key.scale().stream().anyMatch(own -> own.chroma() == note.chroma()))
                .count();
    }

    private static List<ChordScale> readAll() {
        YamlFields file = DataFile.yaml("righthand/scales.yaml");
        List<ChordScale> all = new ArrayList<>();
        file.names()
                .forEach(id -> all.add(new ChordScale(
                        id, file.fields(id).text("name"), file.fields(id).list("notes", Interval::parse))));
        return List.copyOf(all);
    }
}
