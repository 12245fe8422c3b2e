package zapateo.part;

import zapateo.names.Names;

/**
 * What was done to a stroke that could not be struck as it was meant: because of the hand that strikes it, or to make
 * room for the other one.
 */
public enum Mending {
    ROLL(Cause.HAND),
    PEDAL(Cause.HAND),
    OMIT(Cause.HAND),
    PLAY(Cause.HAND),
    LEFT_THINNED(Cause.ROOM),
    LEFT_REVOICED(Cause.ROOM),
    LEFT_LOWERED(Cause.ROOM),
    RIGHT_RAISED(Cause.ROOM);

    /** Why it was done. */
    public enum Cause {
        /** The hand cannot span it. */
        HAND("altered"),
        /** The hands would have run together. */
        ROOM("crossing");

        private final String code;

        Cause(String code) {
            this.code = code;
        }

        /** How the codes of notices about it begin. */
        public String code() {
            return code;
        }
    }

    private final Cause cause;

    Mending(Cause cause) {
        this.cause = cause;
    }

    public Cause cause() {
        return cause;
    }

    public String id() {
        return Names.of(this);
    }
}
