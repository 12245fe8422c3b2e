package zapateo.format;

import zapateo.names.Names;

/** The kinds of files a song can come from. */
public enum FileFormat {
    CHART,
    MUSICXML,
    COMPRESSED_MUSICXML,
    ABC,
    MIDI,
    WORDS_WITH_CHORDS_ABOVE,
    WORDS_WITH_CHORDS_INSIDE,
    UNKNOWN;

    public String id() {
        return Names.of(this);
    }
}
