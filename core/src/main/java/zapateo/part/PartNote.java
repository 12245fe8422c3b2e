package zapateo.part;

import zapateo.pitch.Pitch;

/**
 * One key of a stroke.
 *
 * @param role       what it is to its chord, as figures write it
 * @param delayTicks how much later than the stroke it sounds, in a rolled chord
 */
public record PartNote(Pitch pitch, String role, int delayTicks) {

    public static PartNote of(Pitch pitch, String role) {
        return new PartNote(pitch, role, 0);
    }

    public PartNote delayed(int ticks) {
        return new PartNote(pitch, role, ticks);
    }
}
