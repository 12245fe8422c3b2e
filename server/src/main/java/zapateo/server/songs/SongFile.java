package zapateo.server.songs;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import zapateo.arrangement.Arrangement;
import zapateo.format.Hands;
import zapateo.format.MidiWriter;
import zapateo.format.MusicXmlWriter;

/** The files a song can leave as. */
enum SongFile {
    MID("audio/midi", MidiWriter::write),
    MUSICXML("application/vnd.recordare.musicxml+xml", MusicXmlWriter::write),
    /** The chart as it was typed. */
    TXT("text/plain;charset=UTF-8", (arrangement, hands) -> new byte[0]);

    private final String mediaType;
    private final BiFunction<Arrangement, Hands, byte[]> writer;

    SongFile(String mediaType, BiFunction<Arrangement, Hands, byte[]> writer) {
        this.mediaType = mediaType;
        this.writer = writer;
    }

    static Optional<SongFile> named(String extension) {
        return Arrays.stream(values()).filter(file -> file.extension().equals(extension)).findFirst();
    }

    String extension() {
        return name().toLowerCase(Locale.ROOT);
    }

    String mediaType() {
        return mediaType;
    }

    byte[] write(Arrangement arrangement, Hands hands) {
        return writer.apply(arrangement, hands);
    }
}
