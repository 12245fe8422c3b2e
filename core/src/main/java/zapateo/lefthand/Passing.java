package zapateo.lefthand;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.part.PartNote;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Role;

/**
 * The diminished seventh over a walking bass that comes from a semitone below into the next chord's (HANDBOOK §10,
 * passing diminished).
 */
final class Passing {

    private static final Voicing NEAREST = Voicing.named("nearest").orElseThrow();

    private Passing() {}

    /** Its notes, as near as can be to the chord before; none where no bass rises by a semitone under it. */
    static List<PartNote> over(
            Planned passing,
            List<Planned> here,
            Optional<Planned> next,
            Map<Planned, WalkingLine.Note> walk,
            Placement before) {
        Optional<Pitch> bass = here.stream()
                .filter(stroke -> walk.containsKey(stroke) && stroke.tick() == passing.tick())
                .map(stroke -> walk.get(stroke).pitch())
                .findFirst();
        boolean rises = bass.isPresent()
                && next.map(walk::get)
                        .filter(note -> note.key() == bass.get().midi() + 1)
                        .isPresent();
        boolean last = bass.isPresent()
                && here.stream().noneMatch(stroke -> walk.containsKey(stroke) && stroke.tick() > passing.tick());
        if (!rises || !last) {
            return List.of();
        }
        ChordSymbol diminished = ChordSymbol.parse(bass.get().pitchClass() + "dim7");
        return CloseChords.of(diminished, NEAREST, KeyTones.PLAIN, true, true, List.of(), false).stream()
                .min(Comparator.comparingInt(notes -> apart(notes, before.upper())))
                .orElse(List.of())
                .stream()
                .map(note -> PartNote.of(note.pitch(), Role.PASSES))
                .toList();
    }

    private static int apart(List<PartNote> one, List<PartNote> other) {
        int sum = Math.abs(one.size() - other.size());
        for (PartNote note : one) {
            sum += other.stream()
                    .mapToInt(
                            each -> Math.abs(each.pitch().midi() - note.pitch().midi()))
                    .min()
                    .orElse(0);
        }
        return sum;
    }
}
