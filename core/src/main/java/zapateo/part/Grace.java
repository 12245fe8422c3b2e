package zapateo.part;

/**
 * A grace note and what it leans on.
 *
 * @param place whether the stroke is the grace note, or the one after it
 * @param ticks how long the grace note is: by so much the stroke it leans on comes later than the page has it
 */
public record Grace(Place place, int ticks) {

    /** A grace note goes to the next stroke of its hand. */
    public enum Place {
        NOTE,
        LEANED_ON
    }
}
