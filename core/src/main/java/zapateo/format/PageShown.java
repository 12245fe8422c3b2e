package zapateo.format;

/**
 * What stands on a page beside the notes.
 *
 * @param pins notes and warnings where they were pinned
 * @param degrees of the chords, over their symbols
 */
public record PageShown(FingersShown fingers, boolean pins, boolean degrees) {

    public static PageShown of(FingersShown fingers) {
        return new PageShown(fingers, false, false);
    }
}
