package zapateo.part;

import java.util.List;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Role;

/**
 * One key of a stroke.
 *
 * @param role what it is to its chord, or to the melody
 * @param delayTicks how much later than the stroke it sounds, in a rolled chord; below zero it sounds before the
 *     stroke's own tick
 * @param velocity how hard it is struck, 1 to 127 (MIDI 1.0)
 * @param finger 1 the thumb to 5, 0 until fingers are chosen
 */
public record PartNote(Pitch pitch, Role role, int delayTicks, int velocity, int finger) {

    public static final int PLAIN = 66;

    public static PartNote of(Pitch pitch, Role role) {
        return new PartNote(pitch, role, 0, PLAIN, 0);
    }

    /** The note numbers of some, in their order. */
    public static int[] keys(List<PartNote> notes) {
        int[] keys = new int[notes.size()];
        for (int i = 0; i < keys.length; i++) {
            keys[i] = notes.get(i).pitch().midi();
        }
        return keys;
    }

    public PartNote delayed(int ticks) {
        return new PartNote(pitch, role, ticks, velocity, finger);
    }

    public PartNote struck(int how) {
        return new PartNote(pitch, role, delayTicks, Math.max(1, Math.min(127, how)), finger);
    }

    public PartNote fingered(int by) {
        return new PartNote(pitch, role, delayTicks, velocity, by);
    }

    /** The same on the key so many octaves higher. */
    public PartNote octaves(int up) {
        return new PartNote(Pitch.of(pitch.pitchClass(), pitch.octave() + up), role, delayTicks, velocity, finger);
    }
}
