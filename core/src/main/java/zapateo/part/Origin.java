package zapateo.part;

import zapateo.names.Names;

/** What put a stroke where it is. */
public enum Origin {
    /** A figure's own stroke on its chord. */
    FIGURE("figure-stroke", Kind.LAID),
    /** One of a figure's varied bar. */
    VARIATION("variation", Kind.LAID),
    /** One of a bar that was broken out by hand. */
    BY_HAND("by-hand", Kind.LAID),
    /** Struck early for the chord that arrives after it. */
    ANTICIPATION("anticipation", Kind.LAID),
    /** A bass of a chosen line in place of the figure's. */
    LINE("bass-line", Kind.LAID),
    /** Into the next bass. */
    LEAD_IN("lead-in", Kind.LAID),
    /** A step of a walking line. */
    WALK("walking", Kind.LAID),
    /** A bass that a fuller level strikes with more. */
    FULLER("fuller", Kind.LAID),
    /** A bass with what the player wants struck with it. */
    WITH_BASS("with-bass", Kind.LAID),
    /** The held last chord. */
    ENDING("ending", Kind.LAID),
    /** The melody alone. */
    TUNE("tune", Kind.SUNG),
    /** The melody with what is under it. */
    UNDER_TUNE("tune", Kind.SUNG),
    /** A lower voice of a hymn. */
    PARTS("parts", Kind.ADDED),
    /** A chord of the right hand over the left. */
    COMPING("comping", Kind.ADDED),
    /** An improvised line. */
    CHORUS("chorus", Kind.SUNG),
    /** What is played where the melody rests. */
    FILL("fill", Kind.ADDED),
    /** A small device put into a bar. */
    LICK("lick", Kind.SUNG),
    /** Both hands up the chord before a section. */
    UNISON("unison", Kind.SUNG);

    /** Laid over the chart's chords by a figure; a line to be sung; or added to those. */
    private enum Kind {
        LAID,
        SUNG,
        ADDED
    }

    private final String id = Names.of(this);
    private final String code;
    private final Kind kind;

    Origin(String code, Kind kind) {
        this.code = code;
        this.kind = kind;
    }

    public String id() {
        return id;
    }

    /** The code of the reason that says so in words. */
    public String code() {
        return code;
    }

    /** Whether it comes of a figure laid over the chords, so that its chord could be laid otherwise. */
    public boolean isLaid() {
        return kind == Kind.LAID;
    }

    /** Whether its top note belongs to a line of single notes: a melody or what stands for one. */
    public boolean isSung() {
        return kind == Kind.SUNG;
    }

    /** Whether it carries a note of the song's melody. */
    public boolean isTune() {
        return this == TUNE || this == UNDER_TUNE;
    }
}
