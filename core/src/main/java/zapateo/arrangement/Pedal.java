package zapateo.arrangement;

/** The sustaining pedal held from one tick to another. */
public record Pedal(int down, int up) {

    public Pedal {
        if (down < 0 || up <= down) {
            throw new IllegalArgumentException("pedal from " + down + " to " + up + ": expected some time between");
        }
    }
}
