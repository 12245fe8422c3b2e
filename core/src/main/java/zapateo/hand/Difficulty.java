package zapateo.hand;

import zapateo.names.Names;

/**
 * How hard something is to play, 0 (nothing to do) to 100 (as hard as it gets), with its parts, each 0 to 100. A part
 * grows quickly at first and ever more slowly: 100·(1 − e^(−load/scale)), the load being what a bar asks on the
 * average. The weights and scales are the project's own; the figures are estimates.
 */
public record Difficulty(double reach, double jumps, double fingers, double rhythm, double together, double reading) {

    private static final int STROKES_OF_A_BAR = 4;
    private static final double EASY_END = 0.6;
    private static final Part[] PARTS = Part.values();

    public static final Difficulty NONE = new Difficulty(0, 0, 0, 0, 0, 0);

    /**
     * What makes a bar hard, in the order of the record; the shares add up to 1, the scale is the load at which a part
     * is 63.
     */
    public enum Part {
        /** Keys struck together: how much of what the hand spans they take. */
        REACH(0.25, 3),
        /** From stroke to stroke: how much of the time there is the jump takes, squared. */
        JUMPS(0.2, 3),
        /** Points of the fingering's rules. */
        FINGERS(0.25, 35),
        /** How many strokes, how fast, how far off the beat. */
        RHYTHM(0.15, 6),
        /** Where the two hands strike at different times, or both at once in quick succession. */
        TOGETHER(0.05, 6),
        /** How many different keys to read. */
        READING(0.1, 8);

        private final double share;
        private final double scale;

        Part(double share, double scale) {
            this.share = share;
            this.scale = scale;
        }

        public String id() {
            return Names.of(this);
        }

        /** How much it counts in the whole, 0 to 1. */
        public double share() {
            return share;
        }

        double of(double load) {
            return 100 * (1 - Math.exp(-load / scale));
        }
    }

    /** @param loads by part */
    static Difficulty of(double[] loads) {
        return new Difficulty(
                Part.REACH.of(loads[0]),
                Part.JUMPS.of(loads[1]),
                Part.FINGERS.of(loads[2]),
                Part.RHYTHM.of(loads[3]),
                Part.TOGETHER.of(loads[4]),
                Part.READING.of(loads[5]));
    }

    /** Of one stroke, on the scale of a bar of {@link #STROKES_OF_A_BAR} like it. */
    static Difficulty ofStroke(double[] loads) {
        double[] ofBar = new double[loads.length];
        for (int part = 0; part < loads.length; part++) {
            ofBar[part] = loads[part] * STROKES_OF_A_BAR;
        }
        return of(ofBar);
    }

    public double part(Part part) {
        return switch (part) {
            case REACH -> reach;
            case JUMPS -> jumps;
            case FINGERS -> fingers;
            case RHYTHM -> rhythm;
            case TOGETHER -> together;
            case READING -> reading;
        };
    }

    /** The whole: its parts by their shares, drawn out at the easy end, where small steps matter most. */
    public double total() {
        double mean = 0;
        for (Part part : PARTS) {
            mean += part.share * part(part);
        }
        return 100 * Math.pow(mean / 100, EASY_END);
    }
}
