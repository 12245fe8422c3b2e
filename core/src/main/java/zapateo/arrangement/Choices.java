package zapateo.arrangement;

import java.util.Optional;
import zapateo.rhythm.Register;

/**
 * What a player asked for; everything may be left open.
 *
 * @param figure     id of a figure
 * @param voicing    id of a voicing; open lets the figure's usual one in
 * @param register   where the bass lies
 * @param swingRatio long to short eighth, 1 to 4; open follows the feel and the tempo
 */
public record Choices(Optional<String> figure, Optional<String> voicing, Optional<Register> register, Optional<Double> swingRatio) {

    public static final Choices OPEN = new Choices(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    public static Choices figure(String id) {
        return new Choices(Optional.of(id), OPEN.voicing, OPEN.register, OPEN.swingRatio);
    }

    public Choices voicing(String id) {
        return new Choices(figure, Optional.of(id), register, swingRatio);
    }

    public Choices register(Register where) {
        return new Choices(figure, voicing, Optional.of(where), swingRatio);
    }

    public Choices swingRatio(double ratio) {
        return new Choices(figure, voicing, register, Optional.of(ratio));
    }
}
