package zapateo.server.songs;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import zapateo.arrangement.Arrangement;
import zapateo.format.Hands;
import zapateo.format.MidiWriter;
import zapateo.format.MusicXmlWriter;

/** The files a song can leave as. */
enum SongFile {
    MID("audio/midi", (chart, arrangement, hands) -> MidiWriter.write(arrangement.get(), hands)),
    MUSICXML("application/vnd.recordare.musicxml+xml", (chart, arrangement, hands) -> MusicXmlWriter.write(arrangement.get(), hands)),
    /** The chart as it was typed. */
    TXT("text/plain;charset=UTF-8", (chart, arrangement, hands) -> chart.getBytes(StandardCharsets.UTF_8));

    private final String mediaType;
    private final Writer writer;

    SongFile(String mediaType, Writer writer) {
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

    /** @param arrangement made only if this kind of file needs it */
    byte[] write(String chart, Supplier<Arrangement> arrangement, Hands hands) {
        return writer.write(chart, arrangement, hands);
    }

    private interface Writer {
        byte[] write(String chart, Supplier<Arrangement> arrangement, Hands hands);
    }
}
