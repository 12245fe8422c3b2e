package zapateo.format;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;

/** The kinds of files a song can come from, told apart by their content. */
public enum FileFormat {
    CHART, MUSICXML, COMPRESSED_MUSICXML, ABC, MIDI, WORDS_WITH_CHORDS_ABOVE, WORDS_WITH_CHORDS_INSIDE, UNKNOWN;

    private static final int MOST_BYTES = 1 << 20;
    private static final Pattern ABC_TUNE = Pattern.compile("(?m)^X:\\s*[0-9]+");
    private static final Pattern ABC_KEY = Pattern.compile("(?m)^K:");

    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** What {@code content} is by its looks; a name or an ending is not asked for. */
    public static FileFormat of(byte[] content) {
        if (starts(content, "MThd")) {
            return MIDI;
        }
        if (starts(content, "PK\u0003\u0004")) {
            return COMPRESSED_MUSICXML;
        }
        String text = text(content);
        String head = text.stripLeading();
        if (head.startsWith("<")) {
            return MUSICXML;
        }
        if (ABC_TUNE.matcher(text).find() && ABC_KEY.matcher(text).find()) {
            return ABC;
        }
        if (text.chars().filter(each -> each == 0 || each == 0xFFFD).count() > 0) {
            return UNKNOWN;
        }
        return ChordSheetReader.looks(text);
    }

    /** Reads a file of any kind. */
    public static FileReading read(byte[] content) {
        return read(content, MidiTracks.FOUND);
    }

    /** @param tracks of a MIDI file, which tracks hold the melody and the chords */
    public static FileReading read(byte[] content, MidiTracks tracks) {
        if (content.length > MOST_BYTES) {
            return FileReading.refused(UNKNOWN, "file-too-long", 1, 1, content.length + " bytes", "at most " + MOST_BYTES);
        }
        FileFormat format = of(content);
        return switch (format) {
            case MIDI -> MidiReader.read(content, tracks);
            case COMPRESSED_MUSICXML -> CompressedMusicXml.read(content);
            case MUSICXML -> MusicXmlReader.read(content, MUSICXML);
            case ABC -> AbcReader.read(text(content));
            case WORDS_WITH_CHORDS_ABOVE, WORDS_WITH_CHORDS_INSIDE -> ChordSheetReader.read(text(content), format);
            case CHART -> chart(text(content));
            default -> FileReading.refused(UNKNOWN, "file-unknown", 1, 1, "", "MusicXML, ABC, a Standard MIDI File, words with chords, or a chart");
        };
    }

    private static FileReading chart(String text) {
        ChartReading reading = ChartParser.parse(text);
        return FileReading.of(CHART, reading.song(), reading.problems());
    }

    private static boolean starts(byte[] content, String with) {
        return content.length >= with.length() && new String(content, 0, with.length(), StandardCharsets.ISO_8859_1).equals(with);
    }

    /** UTF-8, UTF-16 where a byte order mark says so, and for old files Latin 1. */
    public static String text(byte[] content) {
        if (content.length >= 2 && (content[0] == (byte) 0xFE && content[1] == (byte) 0xFF || content[0] == (byte) 0xFF && content[1] == (byte) 0xFE)) {
            return new String(content, StandardCharsets.UTF_16);
        }
        String text = decode(content, StandardCharsets.UTF_8).orElseGet(() -> new String(content, StandardCharsets.ISO_8859_1));
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private static Optional<String> decode(byte[] content, Charset charset) {
        try {
            return Optional.of(charset.newDecoder().onMalformedInput(CodingErrorAction.REPORT).decode(ByteBuffer.wrap(content)).toString());
        } catch (CharacterCodingException wrong) {
            return Optional.empty();
        }
    }
}
