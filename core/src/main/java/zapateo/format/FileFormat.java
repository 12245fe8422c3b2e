package zapateo.format;

import java.util.Locale;

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
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
