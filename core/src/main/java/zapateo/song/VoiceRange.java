package zapateo.song;

import java.util.List;
import java.util.Optional;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.refusal.Refused;

/**
 * What a voice, or whatever else is to have the tune, reaches.
 *
 * @param low the lowest note that sits well
 * @param high the highest one
 * @param lowest the lowest there is at all
 * @param highest the highest
 * @param turn where the voice breaks: no place for a held note
 */
public record VoiceRange(Pitch low, Pitch high, Pitch lowest, Pitch highest, Optional<Pitch> turn) {

    /** A voice goes a little further than it likes to (the project's own choice). */
    private static final int FURTHER = 2;

    private static final double UNREACHED = 100;
    private static final double HELD = 1.5;
    private static final double LAST = 2;
    private static final List<Integer> OCTAVES = List.of(0, -1, 1, -2);

    public VoiceRange {
        if (low.midi() >= high.midi()) {
            throw new Refused("range " + low + " to " + high + ": expected the lower note first");
        }
        if (lowest.midi() > low.midi() || highest.midi() < high.midi()) {
            throw new Refused(
                    "extremes " + lowest + " to " + highest + ": expected them outside " + low + " to " + high);
        }
    }

    /** With what lies a tone beyond it as its extremes. */
    public static VoiceRange of(Pitch low, Pitch high) {
        return new VoiceRange(low, high, beyond(low, -FURTHER), beyond(high, FURTHER), Optional.empty());
    }

    /** A note so many semitones away. */
    static Pitch beyond(Pitch pitch, int semitones) {
        int key = pitch.midi() + semitones;
        return Pitch.onKey(key, PitchClass.simplest(Math.floorMod(key, Pitch.OCTAVE)));
    }

    /**
     * How a melody lies in it.
     *
     * @param octaves how many the voice sings it higher than it is written, below zero lower
     * @param inside the share of it that sits well, 0 to 1: long notes and the last count for more
     * @param beyond by how many semitones it lies outside on the average
     * @param onTurn the share that is held on the break
     * @param lowest its lowest note as it is sung
     * @param highest its highest
     * @param reached whether no note lies beyond the extremes
     */
    public record Fit(
            int octaves, double inside, double beyond, double onTurn, Pitch lowest, Pitch highest, boolean reached) {

        /** The less the better. */
        public double cost() {
            return beyond + onTurn + (reached ? 0 : UNREACHED);
        }
    }

    /** The melody moved by semitones and sung in the octave that suits best; empty for a song without one. */
    public Optional<Fit> fit(Song song, int semitones) {
        List<Tune.Sung> notes = Tune.of(song);
        Fit best = null;
        for (int octaves : notes.isEmpty() ? List.<Integer>of() : OCTAVES) {
            Fit fit = fit(song, notes, semitones + Pitch.OCTAVE * octaves, octaves);
            if (best == null || fit.cost() < best.cost() - 1e-9) {
                best = fit;
            }
        }
        return Optional.ofNullable(best);
    }

    private Fit fit(Song song, List<Tune.Sung> notes, int by, int octaves) {
        double all = 0;
        double inside = 0;
        double beyond = 0;
        double held = 0;
        Tune.Sung low = notes.get(0);
        Tune.Sung high = low;
        for (int i = 0; i < notes.size(); i++) {
            Tune.Sung note = notes.get(i);
            int key = note.pitch().midi() + by;
            boolean isHeld =
                    note.ticks() >= 2 * song.bars().get(note.bar()).meter().beatTicks();
            double weight = note.ticks() * (isHeld ? HELD : 1) * (i == notes.size() - 1 ? LAST : 1);
            int outside = Math.max(0, Math.max(low().midi() - key, key - high().midi()));
            all += weight;
            inside += outside == 0 ? weight : 0;
            beyond += weight * outside;
            held += isHeld && turn.filter(at -> Math.abs(at.midi() - key) <= 1).isPresent() ? weight : 0;
            low = note.pitch().midi() < low.pitch().midi() ? note : low;
            high = note.pitch().midi() > high.pitch().midi() ? note : high;
        }
        Pitch deepest = beyond(low.pitch(), by);
        Pitch top = beyond(high.pitch(), by);
        return new Fit(
                octaves,
                inside / all,
                beyond / all,
                held / all,
                deepest,
                top,
                deepest.midi() >= lowest.midi() && top.midi() <= highest.midi());
    }
}
