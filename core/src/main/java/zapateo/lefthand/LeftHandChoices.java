package zapateo.lefthand;

import zapateo.rhythm.Figure;
import zapateo.rhythm.Register;

/** What the player chose for the left hand, complete. */
public record LeftHandChoices(Figure figure, Voicing voicing, Register register) {
}
