package zapateo.lefthand;

import java.util.Optional;
import zapateo.pitch.Pitch;

/**
 * What a player wants kept on one chord; the rest of the song is laid around it.
 *
 * @param bass the key its bass lies on: "this octave here"
 * @param bottom the chord tone its close chord stands on, 1 3 5 7: "this inversion here"
 * @param top the key its highest tone lies on: "keep the top line"
 */
public record Lock(Optional<Pitch> bass, Optional<Integer> bottom, Optional<Pitch> top) {

    public static final Lock NONE = new Lock(Optional.empty(), Optional.empty(), Optional.empty());
}
