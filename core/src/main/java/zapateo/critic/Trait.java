package zapateo.critic;

/** What a style does, as far as a reader has to know it to judge fairly. */
public enum Trait {
    /** It leaves the bass to others. */
    BASSLESS,
    /** Basses, and no chord at all. */
    BASS_ONLY,
    /** Its basses walk. */
    WALKS,
    /** The hand jumps from a bass to a chord and back. */
    JUMPS,
    /** Its basses alternate. */
    ALTERNATES,
    /** Even notes that run through changes: broken chords, pulses, shuffles. */
    RUNS,
    /** A lead-in was asked for, or its own rhythm has one. */
    LEADS,
    /** Basses in octaves. */
    OCTAVES,
    /** Fifths and octaves alone: it states no third. */
    OPEN,
    /** Pairs of notes that rock on one bass, as boogie and shuffle have them. */
    ROCKS,
    /** Chords without their bass inside a song are its manner: close broken chords and nearest inversions. */
    CLOSE,
    /** A bossa: dotted basses or plain ones, chords off the beat. */
    BOSSA,
    /** A tango whose accent slips off the beat. */
    SLIPS,
    /** Basses that come early and are tied over the bar line. */
    TUMBAO,
    /** The blues allows it what rubs elsewhere. */
    BLUES
}
