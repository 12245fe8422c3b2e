package zapateo.lefthand;

import java.util.Optional;
import java.util.stream.IntStream;
import zapateo.harmony.Key;
import zapateo.part.PartNote;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Role;

/** What stands a tenth over a bass that moves. */
final class TenthOver {

    static final int DEGREE = 10;
    private static final int MINOR = 15;

    private TenthOver() {}

    /**
     * The tone of the chord a tenth over a bass that moves, else the key's; a minor one over a chromatic note, as a
     * diminished chord passes.
     *
     * @param falls whether it leads down: over a chromatic note that does, the chord's own tone goes before the
     *     diminished one
     */
    static PartNote of(Pitch bass, Cut cut, boolean falls) {
        Key key = cut.bar().key();
        int chroma = Math.floorMod(bass.midi(), Pitch.OCTAVE);
        boolean passes = Naming.tone(chroma, cut.chord()).isEmpty() && !Naming.inKey(chroma, key);
        int minor = bass.midi() + MINOR;
        // Over a suspended chord the fourth, or the second, stands in the third's place.
        Optional<Pitch> suspended = chroma != cut.chord().root().chroma()
                        || cut.chord().quality().tone(3).isPresent()
                ? Optional.empty()
                : cut.chord()
                        .quality()
                        .tone(4)
                        .or(() -> cut.chord().quality().tone(2))
                        .map(tone -> Pitch.onKey(
                                bass.midi() + Pitch.OCTAVE + tone.semitones() % Pitch.OCTAVE,
                                cut.chord().tone(tone).simple()));
        if (suspended.isPresent()) {
            return PartNote.of(suspended.get(), Role.tone(DEGREE));
        }
        Optional<Integer> own = IntStream.of(minor, minor + 1)
                .filter(each -> Naming.tone(Math.floorMod(each, Pitch.OCTAVE), cut.chord())
                        .isPresent())
                .boxed()
                .findFirst();
        int tenth = passes
                ? own.filter(each -> falls).orElse(minor)
                : own.orElseGet(() -> IntStream.of(minor, minor + 1)
                        .filter(each -> Naming.inKey(Math.floorMod(each, Pitch.OCTAVE), key))
                        .findFirst()
                        .orElse(minor));
        return PartNote.of(
                Pitch.onKey(
                        tenth,
                        Naming.of(
                                Math.floorMod(tenth, Pitch.OCTAVE),
                                cut.chord(),
                                cut.chord(),
                                key,
                                bass.pitchClass(),
                                0)),
                Role.tone(DEGREE));
    }
}
