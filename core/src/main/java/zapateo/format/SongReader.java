package zapateo.format;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.regex.Pattern;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;

/** Reads a song from a file of any kind; the kinds are told apart by their content. */
public final class SongReader {

    private static final int MOST_BYTES = 1 << 20;
    /** MusicXML says a bar of both hands in some kilobytes. */
    private static final int MOST_BYTES_OF_XML = 16 << 20;

    private static final int HEAD = 4096;
    private static final Pattern ABC_TUNE = Pattern.compile("(?m)^X:\\s*[0-9]+");
    private static final Pattern ABC_KEY = Pattern.compile("(?m)^K:");

    private SongReader() {}

    /** What {@code content} is by its looks; a name or an ending is not asked for. */
    public static FileFormat format(byte[] content) {
        if (starts(content, "MThd")) {
            return FileFormat.MIDI;
        }
        if (starts(content, "PK\u0003\u0004")) {
            return FileFormat.COMPRESSED_MUSICXML;
        }
        String head = FileText.of(Arrays.copyOf(content, Math.min(HEAD, content.length)));
        String text = head.isBlank() || !head.stripLeading().startsWith("<") ? FileText.of(content) : head;
        if (text.stripLeading().startsWith("<")) {
            return FileFormat.MUSICXML;
        }
        if (ABC_TUNE.matcher(text).find() && ABC_KEY.matcher(text).find()) {
            return FileFormat.ABC;
        }
        if (text.chars().filter(each -> each == 0 || each == 0xFFFD).count() > 0) {
            return FileFormat.UNKNOWN;
        }
        return ChordSheetReader.looks(text);
    }

    /** Reads a file of any kind. */
    public static FileReading read(byte[] content) {
        return read(content, MidiTracks.FOUND);
    }

    /** @param tracks of a MIDI file, which tracks hold the melody and the chords */
    public static FileReading read(byte[] content, MidiTracks tracks) {
        if (content.length > MOST_BYTES_OF_XML) {
            return tooLong(FileFormat.UNKNOWN, content, MOST_BYTES_OF_XML);
        }
        FileFormat format = format(content);
        if (content.length > MOST_BYTES && format != FileFormat.MUSICXML && format != FileFormat.COMPRESSED_MUSICXML) {
            return tooLong(format, content, MOST_BYTES);
        }
        return switch (format) {
            case MIDI -> MidiReader.read(content, tracks);
            case COMPRESSED_MUSICXML -> CompressedMusicXml.read(content);
            case MUSICXML -> MusicXmlReader.read(content, FileFormat.MUSICXML);
            case ABC -> AbcReader.read(FileText.of(content));
            case WORDS_WITH_CHORDS_ABOVE, WORDS_WITH_CHORDS_INSIDE ->
                ChordSheetReader.read(FileText.of(content), format);
            case CHART -> chart(FileText.of(content));
            default ->
                FileReading.refused(
                        FileFormat.UNKNOWN,
                        "file-unknown",
                        1,
                        1,
                        "",
                        "MusicXML, ABC, a Standard MIDI File, words with chords, or a chart");
        };
    }

    private static FileReading tooLong(FileFormat format, byte[] content, int most) {
        return FileReading.refused(format, "file-too-long", 1, 1, content.length + " bytes", "at most " + most);
    }

    private static FileReading chart(String text) {
        ChartReading reading = ChartParser.parse(text);
        return FileReading.of(FileFormat.CHART, reading.song(), reading.problems());
    }

    private static boolean starts(byte[] content, String with) {
        return content.length >= with.length()
                && new String(content, 0, with.length(), StandardCharsets.ISO_8859_1).equals(with);
    }
}
