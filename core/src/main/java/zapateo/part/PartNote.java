package zapateo.part;

import zapateo.pitch.Pitch;

/**
 * One key of a stroke.
 *
 * @param role       what it is to its chord, as figures write it
 * @param delayTicks how much later than the stroke it sounds, in a rolled chord; below zero it sounds before the stroke's own tick
 * @param velocity   how hard it is struck, 1 to 127 (MIDI 1.0)
 */
public record PartNote(Pitch pitch, String role, int delayTicks, int velocity) {

    public static final int PLAIN = 66;

    public static PartNote of(Pitch pitch, String role) {
        return new PartNote(pitch, role, 0, PLAIN);
    }

    public PartNote delayed(int ticks) {
        return new PartNote(pitch, role, ticks, velocity);
    }

    public PartNote struck(int how) {
        return new PartNote(pitch, role, delayTicks, Math.max(1, Math.min(127, how)));
    }
}
