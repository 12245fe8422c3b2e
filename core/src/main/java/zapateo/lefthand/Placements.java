package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.harmony.ChordSymbol;
import zapateo.part.PartNote;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.search.CostTerm;

/** The candidates for a chord's place on the keyboard and what each costs. */
final class Placements {

    private static final int OCTAVE = 12;
    private static final int CHORD_HOME = (Register.CHORD_LOWEST + Register.CHORD_HIGHEST) / 2;
    private static final int CLEAR_OF_BASS = 3;

    private final Register register;
    private final boolean withCloseChord;

    Placements(Register register, boolean withCloseChord) {
        this.register = register;
        this.withCloseChord = withCloseChord;
    }

    /**
     * A candidate with its mud counted once.
     *
     * @param mud intervals struck together that lie too low
     */
    record Candidate(Placement placement, int mud) {
    }

    /** Every place the chord may have; {@code together} are the role sets its strokes take at once. */
    List<Candidate> of(ChordSymbol chord, List<List<Role>> together) {
        List<Candidate> candidates = new ArrayList<>();
        List<List<PartNote>> closeChords = withCloseChord ? CloseChords.of(chord) : List.of(List.of());
        for (int key = register.lowest(); key <= register.highest(); key++) {
            if (key % OCTAVE != chord.bass().chroma()) {
                continue;
            }
            Pitch bass = Pitch.onKey(key, chord.bass());
            for (List<PartNote> close : closeChords) {
                if (close.isEmpty() || close.get(0).pitch().midi() - key >= CLEAR_OF_BASS) {
                    Placement placement = new Placement(chord, bass, close);
                    candidates.add(new Candidate(placement, together.stream().mapToInt(roles -> LowIntervalLimits.broken(placement.notes(roles))).sum()));
                }
            }
        }
        return candidates;
    }

    /** What makes one place worse than another (HANDBOOK §5 and §6); weights are the project's own. */
    List<CostTerm<Candidate>> costs() {
        return List.of(
                CostTerm.step("bass movement", 1, (from, to) -> Math.abs(bass(to) - bass(from))),
                CostTerm.step("leap over an octave", 8, (from, to) -> Math.abs(bass(to) - bass(from)) > OCTAVE ? 1 : 0),
                CostTerm.own("bass register", 0.5, each -> Math.abs(bass(each) - register.home())),
                CostTerm.step("chord movement", 1, (from, to) -> movement(from.placement().close(), to.placement().close())),
                CostTerm.own("chord register", 0.3, Placements::farFromHome),
                CostTerm.own("tones left out", 2, Placements::leftOut),
                CostTerm.own("mud", 6, Candidate::mud));
    }

    private static int bass(Candidate candidate) {
        return candidate.placement().bass().midi();
    }

    private static double farFromHome(Candidate candidate) {
        List<PartNote> close = candidate.placement().close();
        return close.isEmpty() ? 0 : Math.abs(close.stream().mapToInt(note -> note.pitch().midi()).average().orElseThrow() - CHORD_HOME);
    }

    private static int leftOut(Candidate candidate) {
        List<PartNote> close = candidate.placement().close();
        return close.isEmpty() ? 0 : Math.max(0, Math.min(4, candidate.placement().chord().quality().tones().size()) - close.size());
    }

    /** Semitones the voices of one chord travel to the next; where one has more notes, each goes to its nearest. */
    private static double movement(List<PartNote> from, List<PartNote> to) {
        if (from.size() == to.size()) {
            int sum = 0;
            for (int i = 0; i < from.size(); i++) {
                sum += Math.abs(from.get(i).pitch().midi() - to.get(i).pitch().midi());
            }
            return sum;
        }
        return from.isEmpty() || to.isEmpty() ? 0 : Math.max(nearest(from, to), nearest(to, from));
    }

    private static int nearest(List<PartNote> from, List<PartNote> to) {
        int sum = 0;
        for (PartNote note : from) {
            int least = Integer.MAX_VALUE;
            for (PartNote other : to) {
                least = Math.min(least, Math.abs(note.pitch().midi() - other.pitch().midi()));
            }
            sum += least;
        }
        return sum;
    }
}
