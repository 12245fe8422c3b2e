package zapateo.practice;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.names.Names;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;

/** What of an arrangement is asked for. */
public enum Layer {
    /** The lowest key of each bass, lead-in and step of a line. */
    BASSES,
    /** What the left hand strikes without its basses. */
    CHORDS,
    LEFT,
    /** The melody, with what is struck under it. */
    TUNE,
    RIGHT,
    BOTH;

    public String id() {
        return Names.of(this);
    }

    /** @throws Refused naming what was given and what was expected */
    public static Layer of(String id) {
        return Arrays.stream(values())
                .filter(layer -> layer.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused("layer \"" + id + "\": expected one of "
                        + Arrays.stream(values()).map(Layer::id).collect(Collectors.joining(", "))));
    }

    /** Whether who plays the other plays all of this. */
    boolean isIn(Layer other) {
        return this == other
                || other == BOTH
                || other == LEFT && (this == BASSES || this == CHORDS)
                || other == RIGHT && this == TUNE;
    }

    /** Which notes of a stroke it asks for, low to high. */
    List<Integer> of(Stroke stroke) {
        List<Integer> all = IntStream.range(0, stroke.notes().size()).boxed().toList();
        boolean left = stroke.hand() == Side.LEFT;
        boolean bass = left && stroke.mark() != Mark.TOE;
        return switch (this) {
            case BASSES -> bass ? all.subList(0, 1) : List.of();
            case CHORDS -> !left ? List.of() : bass ? all.subList(1, all.size()) : all;
            case LEFT -> left ? all : List.of();
            case TUNE -> !left && stroke.nature().origin().isSung() ? all : List.of();
            case RIGHT -> left ? List.of() : all;
            case BOTH -> all;
        };
    }
}
