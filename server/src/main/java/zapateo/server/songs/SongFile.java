package zapateo.server.songs;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import zapateo.arrangement.Arrangement;
import zapateo.colour.WrittenOut;
import zapateo.format.AbcWriter;
import zapateo.format.BassPartWriter;
import zapateo.format.FingersShown;
import zapateo.format.Hands;
import zapateo.format.LeadSheetWriter;
import zapateo.format.MidiWriter;
import zapateo.format.MusicXmlWriter;
import zapateo.names.Names;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartText;
import zapateo.song.Song;

/** The files a song can leave as. */
enum SongFile {
    MID(
            "audio/midi",
            (chart, arrangement, wanted) -> MidiWriter.write(arrangement.get(), wanted.hands),
            MidiWriter::lead),
    MUSICXML(
            "application/vnd.recordare.musicxml+xml",
            (chart, arrangement, wanted) -> MusicXmlWriter.write(arrangement.get(), wanted.hands, wanted.fingers),
            LeadSheetWriter::write),
    /** A lead sheet whichever parts are asked for. */
    ABC(
            "text/vnd.abc;charset=UTF-8",
            (chart, arrangement, wanted) -> abc(WrittenOut.of(arrangement.get().coloured())),
            SongFile::abc),
    /** The chart as it was typed. */
    TXT(
            "text/plain;charset=UTF-8",
            (chart, arrangement, wanted) -> chart.getBytes(StandardCharsets.UTF_8),
            song -> ChartText.write(song).getBytes(StandardCharsets.UTF_8));

    private final String mediaType;
    private final Writer writer;
    private final Function<Song, byte[]> lead;

    SongFile(String mediaType, Writer writer, Function<Song, byte[]> lead) {
        this.mediaType = mediaType;
        this.writer = writer;
        this.lead = lead;
    }

    static Optional<SongFile> named(String extension) {
        return Arrays.stream(values())
                .filter(file -> file.extension().equals(extension))
                .findFirst();
    }

    private static byte[] abc(Song song) {
        return AbcWriter.write(song).getBytes(StandardCharsets.UTF_8);
    }

    String extension() {
        return Names.of(this);
    }

    String mediaType() {
        return mediaType;
    }

    /** @param arrangement made only if this kind of file needs it */
    byte[] write(String chart, Supplier<Arrangement> arrangement, Wanted wanted) {
        return writer.write(chart, arrangement, wanted);
    }

    /** The chords and the tune alone, with their repeats where this kind of file has such signs. */
    byte[] lead(Song song) {
        return lead.apply(song);
    }

    /** A bass player's part; MusicXML and MIDI have one. */
    byte[] bass(Supplier<Arrangement> line) {
        return switch (this) {
            case MUSICXML -> BassPartWriter.write(line.get());
            case MID -> MidiWriter.write(line.get(), Hands.LEFT);
            default -> throw Refusal.unusable("parts \"bass\": expected musicxml or mid for it");
        };
    }

    /** What of it, and how it is fingered. */
    record Wanted(Hands hands, FingersShown fingers) {}

    private interface Writer {
        byte[] write(String chart, Supplier<Arrangement> arrangement, Wanted wanted);
    }
}
