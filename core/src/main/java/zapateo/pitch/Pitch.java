package zapateo.pitch;

import zapateo.refusal.Refused;

/**
 * One key of the piano with its spelling, in scientific notation: C4 is middle C, MIDI note 60; A4 is 440 Hz, MIDI note
 * 69 (MIDI 1.0; ISO 16). B♯3 and C4 are the same key and two pitches.
 */
public record Pitch(PitchClass pitchClass, int octave) {

    /** Semitones of an octave. */
    public static final int OCTAVE = 12;

    /** The lowest and highest keys of a full piano, A0 and C8, as MIDI note numbers. */
    public static final int LOWEST_KEY = 21;

    public static final int HIGHEST_KEY = 108;

    private static final double CONCERT_A = 440.0;

    public static Pitch of(PitchClass pitchClass, int octave) {
        return new Pitch(pitchClass, octave);
    }

    /**
     * Reads a name such as {@code E♭3} or {@code C#-1}.
     *
     * @throws Refused naming what was given and what was expected
     */
    public static Pitch parse(String name) {
        PitchClass.Prefix read = PitchClass.prefixOf(name)
                .filter(prefix -> name.substring(prefix.length()).matches("-?[0-9]{1,2}"))
                .orElseThrow(() -> new Refused("pitch \"" + name + "\": expected a name such as E♭3"));
        return of(read.pitchClass(), Integer.parseInt(name.substring(read.length())));
    }

    /**
     * The pitch spelled {@code name} that lies on the key {@code midi}.
     *
     * @throws Refused naming what was given and what was expected
     */
    public static Pitch onKey(int midi, PitchClass name) {
        if (Math.floorMod(midi, 12) != name.chroma()) {
            throw new Refused(name + " does not lie on key " + midi);
        }
        int natural = midi - name.alteration();
        return of(name, Math.floorDiv(natural, 12) - 1);
    }

    /** MIDI note number. */
    public int midi() {
        return 12 * (octave + 1) + pitchClass.letter().semitones() + pitchClass.alteration();
    }

    /** Hertz in equal temperament at A4 = 440. */
    public double frequency() {
        return CONCERT_A * Math.pow(2, (midi() - 69) / 12.0);
    }

    /** Place on the staff counted in letters from C0; lines and spaces follow it, not the key. */
    public int staffPlace() {
        return 7 * octave + pitchClass.letter().ordinal();
    }

    @Override
    public String toString() {
        return pitchClass.toString() + octave;
    }
}
