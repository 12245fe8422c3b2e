package zapateo.lefthand;

import zapateo.rhythm.Role;

/**
 * What a fuller version strikes together with single basses.
 *
 * @param added the tone that joins the bass
 * @param every each time, else only where a chord begins
 */
public record Fuller(Role added, boolean every) {
}
