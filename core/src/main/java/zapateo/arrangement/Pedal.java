package zapateo.arrangement;

/** The sustaining pedal held from one tick to another; before the first bar both may lie below zero. */
public record Pedal(int down, int up) {

    public Pedal {
        if (up <= down) {
            throw new IllegalArgumentException("pedal from " + down + " to " + up + ": expected some time between");
        }
    }

    public Pedal later(int by) {
        return new Pedal(down + by, up + by);
    }
}
