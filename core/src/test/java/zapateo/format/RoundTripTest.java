package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.Endured;
import zapateo.harmony.Qualities;
import zapateo.harmony.Quality;
import zapateo.song.ChartParser;
import zapateo.song.ChartText;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** Out and in again: the same song in everything both kinds of file can say. */
class RoundTripTest {

    static IntStream seeds() {
        return IntStream.range(0, Endured.times(200, 500));
    }

    private static Song song(int seed) {
        return ChartParser.parse(SeededCharts.full(seed)).song().orElseThrow();
    }

    private static void assertSame(FileReading reading, Song expected, byte[] file) {
        assertThat(reading.song())
                .as(new String(file, StandardCharsets.UTF_8) + reading.problems())
                .isPresent();
        assertThat(ChartText.write(reading.song().get())).isEqualTo(ChartText.write(expected));
        assertThat(reading.song().get()).isEqualTo(expected);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void through_musicxml(int seed) {
        byte[] file = LeadSheetWriter.write(song(seed));
        FileReading reading = SongReader.read(file);
        assertThat(reading.format()).isEqualTo(FileFormat.MUSICXML);
        assertThat(reading.problems()).isEmpty();
        assertSame(reading, Holding.MUSICXML.reduce(song(seed)), file);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void through_abc(int seed) {
        byte[] file = AbcWriter.write(song(seed)).getBytes(StandardCharsets.UTF_8);
        FileReading reading = SongReader.read(file);
        assertThat(reading.format()).isEqualTo(FileFormat.ABC);
        assertThat(reading.problems()).as(AbcWriter.write(song(seed))).isEmpty();
        assertSame(reading, Holding.ABC.reduce(song(seed)), file);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void through_the_chart(int seed) {
        byte[] file = ChartText.write(song(seed)).getBytes(StandardCharsets.UTF_8);
        FileReading reading = SongReader.read(file);
        assertThat(reading.format()).isEqualTo(FileFormat.CHART);
        assertSame(reading, song(seed), file);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void through_midi(int seed) {
        byte[] file = MidiWriter.lead(song(seed));
        FileReading reading = SongReader.read(file);
        assertThat(reading.format()).isEqualTo(FileFormat.MIDI);
        Song expected = Holding.MIDI.reduce(song(seed));
        Song found = reading.song().orElseThrow();
        assertThat(found.heading()).isEqualTo(expected.heading());
        assertThat(sounding(found)).isEqualTo(sounding(expected));
        assertThat(found.bars().stream()
                        .map(bar ->
                                bar.meter() + " " + bar.tick() + " " + bar.key().fifths() + " "
                                        + Math.round(bar.tempo().quartersPerMinute()))
                        .toList())
                .isEqualTo(expected.bars().stream()
                        .map(bar ->
                                bar.meter() + " " + bar.tick() + " " + bar.key().fifths() + " "
                                        + Math.round(bar.tempo().quartersPerMinute()))
                        .toList());
    }

    private static List<String> sounding(Song song) {
        return song.bars().stream()
                .flatMap(bar -> bar.written().tune().stream()
                        .filter(note -> note.pitch().isPresent())
                        .map(note -> bar.tick() + note.tick() + ":" + note.ticks() + " "
                                + note.pitch().get().midi()))
                .toList();
    }

    /** A song of every sign: what one kind of file says, the others say too. */
    @Test
    void the_same_tune_as_musicxml_as_mxl_as_abc_and_as_text_is_the_same_song() throws IOException {
        Song song = ChartParser.parse("""
                Title: Four Ways
                Key: Gm
                Meter: 3/4
                Tempo: 96

                [A]
                | (pickup 1) N.C. |: Gm | Cm7 . D7♭9 | "slower" E♭maj7 |1 D7sus4 :|2 Gm/B♭ ||
                Tune: D4/4 | G4/2 A4/8 B♭4 | C5/4 B♭4 A4 | G4/2.~ | G4/2. | G4/2.
                Words: The | har~bour lights | go out | now | once | more

                [B]
                | (key B♭) B♭ (fermata) | F/A |
                """.replace('~', ' ').replace("G4/2. |", "G4/2.~ |"))
                .song()
                .orElseThrow();
        List<byte[]> files = List.of(
                LeadSheetWriter.write(song),
                mxl(LeadSheetWriter.write(song)),
                AbcWriter.write(song).getBytes(StandardCharsets.UTF_8),
                ChartText.write(song).getBytes(StandardCharsets.UTF_8));
        assertThat(files)
                .extracting(file -> SongReader.read(file).format())
                .containsExactly(FileFormat.MUSICXML, FileFormat.COMPRESSED_MUSICXML, FileFormat.ABC, FileFormat.CHART);
        assertThat(files)
                .allSatisfy(file -> assertThat(SongReader.read(file).song()).contains(song));
    }

    static byte[] mxl(byte[] score) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("META-INF/container.xml"));
            zip.write(
                    "<?xml version=\"1.0\"?><container><rootfiles><rootfile full-path=\"a/score.musicxml\"/></rootfiles></container>"
                            .getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("a/score.musicxml"));
            zip.write(score);
        }
        return out.toByteArray();
    }

    @Test
    void every_quality_comes_back_from_its_kind_and_degrees() {
        Qualities.all().forEach(quality -> {
            HarmonyKind said = HarmonyKind.of(quality);
            assertThat(said.quality().orElseThrow().tones())
                    .as(quality.id() + " " + said)
                    .isEqualTo(quality.tones());
            Qualities.allModifiers().forEach(modifier -> {
                Quality more = Qualities.with(quality, modifier);
                assertThat(HarmonyKind.of(more).quality().orElseThrow().tones())
                        .as(more.id() + " " + HarmonyKind.of(more))
                        .isEqualTo(more.tones());
            });
        });
    }
}
