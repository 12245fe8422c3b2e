package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.song.Problem;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/** Files put together event by event, by the Standard MIDI File specification 1.0. */
class MidiReaderTest {

    private static final int RESOLUTION = 480;

    private final Sequence sequence;
    private final Track signs;

    MidiReaderTest() throws Exception {
        sequence = new Sequence(Sequence.PPQ, RESOLUTION);
        signs = sequence.createTrack();
    }

    private void meta(long tick, int type, int... data) throws Exception {
        byte[] bytes = new byte[data.length];
        for (int i = 0; i < data.length; i++) {
            bytes[i] = (byte) data[i];
        }
        signs.add(new MidiEvent(new MetaMessage(type, bytes, bytes.length), tick));
    }

    private static void note(Track track, int channel, int key, long from, long to) throws Exception {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, channel, key, 80), from));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, channel, key, 0), to));
    }

    private FileReading read(MidiTracks tracks) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 1, out);
        return SongReader.read(out.toByteArray(), tracks);
    }

    private Song song() throws Exception {
        return read(MidiTracks.FOUND).song().orElseThrow();
    }

    private static String tune(Song song) {
        return song.writtenBars().stream()
                .map(bar -> bar.tune().stream()
                        .map(note -> note.pitch().map(Object::toString).orElse("r") + ":" + note.ticks()
                                + (note.tied() ? "~" : ""))
                        .collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    @Test
    void metres_keys_tempos_and_markers_are_those_of_the_song() throws Exception {
        meta(0, 0x58, 3, 2, 24, 8);
        meta(0, 0x59, -2, 1);
        meta(0, 0x51, 0x07, 0xA1, 0x20);
        meta(0, 0x06, 'V', 'e', 'r', 's', 'e');
        meta(3 * RESOLUTION, 0x58, 6, 3, 36, 8);
        meta(3 * RESOLUTION, 0x51, 0x0F, 0x42, 0x40);
        note(sequence.createTrack(), 0, 67, 0, 6 * RESOLUTION);
        Song song = song();
        assertThat(song.meter()).hasToString("3/4");
        assertThat(song.key()).hasToString("Gm");
        assertThat(song.tempo().quartersPerMinute()).isEqualTo(120);
        assertThat(song.written().get(0).name()).isEqualTo("Verse");
        assertThat(song.writtenBars()).extracting(bar -> bar.meter().toString()).containsExactly("3/4", "6/8");
        assertThat(song.writtenBars().get(1).marks().tempo().orElseThrow().quartersPerMinute())
                .isEqualTo(60);
        assertThat(tune(song)).isEqualTo("G4:2880~ | G4:2880");
    }

    /** A player is never on the grid: thirty-seconds and triplet eighths are found. */
    @ParameterizedTest(name = "{0} to {1} is {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "0;480;C5:960",
                "7;468;C5:960",
                "-0;238;C5:480",
                "0;155;C5:320",
                "0;118;C5:240",
                "243;470;r:480 C5:480",
                "158;322;r:320 C5:320"
            })
    void what_was_played_is_set_on_the_grid(long from, long to, String expected) throws Exception {
        note(sequence.createTrack(), 0, 72, from, to);
        assertThat(tune(song())).startsWith(expected);
    }

    @Test
    void the_melody_is_the_highest_line_that_is_not_chords_and_drums_are_passed_over() throws Exception {
        Track chords = sequence.createTrack();
        Track voice = sequence.createTrack();
        Track drums = sequence.createTrack();
        for (int beat = 0; beat < 4; beat++) {
            for (int key : new int[] {84, 88, 91}) {
                note(chords, 1, key, beat * RESOLUTION, (beat + 1) * RESOLUTION);
            }
            note(voice, 0, 60 + 2 * beat, beat * RESOLUTION, (beat + 1) * RESOLUTION);
            note(drums, 9, 99, beat * RESOLUTION, (beat + 1) * RESOLUTION);
        }
        FileReading reading = read(MidiTracks.FOUND);
        assertThat(reading.tracks()).extracting(FileReading.Track::number).containsExactly(2, 3);
        assertThat(tune(reading.song().orElseThrow())).isEqualTo("C4:960 D4:960 E4:960 F♯4:960");
        Song harmonised =
                read(new MidiTracks(Optional.of(3), Optional.of(2))).song().orElseThrow();
        assertThat(harmonised.writtenBars().get(0).chords())
                .extracting(span -> span.written())
                .containsExactly("C");
    }

    @Test
    void two_notes_at_once_give_the_higher_and_overlapping_ones_give_way() throws Exception {
        Track voice = sequence.createTrack();
        note(voice, 0, 60, 0, 2 * RESOLUTION);
        note(voice, 0, 64, 0, 2 * RESOLUTION);
        note(voice, 0, 67, RESOLUTION, 2 * RESOLUTION);
        note(voice, 0, 65, 2 * RESOLUTION, 3 * RESOLUTION);
        assertThat(tune(read(new MidiTracks(Optional.of(2), Optional.empty()))
                        .song()
                        .orElseThrow()))
                .isEqualTo("E4:960 G4:960 F4:960 r:960");
    }

    @Test
    void keys_that_make_no_chord_are_told_with_their_bar() throws Exception {
        Track chords = sequence.createTrack();
        for (int key : new int[] {60, 61, 62, 63, 66}) {
            note(chords, 0, key, 0, 4 * RESOLUTION);
        }
        List<Problem> problems =
                read(new MidiTracks(Optional.empty(), Optional.of(2))).problems();
        assertThat(problems).extracting(Problem::code).contains("midi-chord-unnamed");
    }

    @Test
    void a_file_in_frames_and_an_empty_one_are_refused() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Sequence frames = new Sequence(Sequence.SMPTE_25, 40);
        frames.createTrack();
        MidiSystem.write(frames, 1, out);
        assertThat(SongReader.read(out.toByteArray()).problems())
                .extracting(Problem::code)
                .containsExactly("midi-frames");
        assertThat(SongReader.read("MThd".getBytes(StandardCharsets.US_ASCII)).problems())
                .extracting(Problem::code)
                .containsExactly("midi-broken");
        assertThat(read(MidiTracks.FOUND).song().map(Song::writtenBars).map(List::size))
                .as("a file without a note is one bar of silence")
                .contains(1);
        assertThat(song().writtenBars()).extracting(WrittenBar::tune).containsExactly(List.of());
    }
}
