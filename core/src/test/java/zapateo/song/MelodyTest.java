package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.rhythm.Ticks;

/**
 * The melody as ABC's notes under a row of bars, a second time's melody, and what is changed of it on the staff. ABC
 * 2.1 §4 for what its signs mean.
 */
class MelodyTest {

    private static Song song(String chart) {
        return ChartParser.parse(chart).song().orElseThrow();
    }

    private static String names(List<TuneNote> notes) {
        return notes.stream()
                .map(note ->
                        note.pitch().map(Pitch::toString).orElse("r") + ":" + note.ticks() + (note.tied() ? "~" : ""))
                .collect(Collectors.joining(" "));
    }

    @Test
    void notes_are_eighths_of_abc_and_the_keys_signature_counts() {
        Song song = song("Key: E♭\n| E♭ | (key D) D | A |\nMelody: | E2 A/ B3/2 =A2 A2- | F,4 (3cde z2 | A4 ^G4 |\n");
        assertThat(song.writtenBars())
                .map(bar -> names(bar.tune()))
                .containsExactly(
                        "E♭4:960 A♭4:240 B♭4:720 A4:960 A4:960~",
                        "F♯3:1920 C♯5:320 D5:320 E5:320 r:960",
                        "A4:1920 G♯4:1920");
    }

    @Test
    void without_a_key_line_nothing_is_signed_whatever_key_is_found() {
        assertThat(names(song("| E♭ | B♭7 | E♭ |\nMelody: | E8 | D8 | _E8 |\n")
                        .writtenBars()
                        .get(0)
                        .tune()))
                .isEqualTo("E4:3840");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '!', textBlock = """
            C8 H2   ! tune-unread   ! H
            C8 D    ! tune-too-long ! D
            C4 "F"D ! tune-unread   ! "
            C4      ! tune-short    ! C4
            C,,,,,,4 ! tune-unread ! C,,,,,,4
            """)
    void what_cannot_be_read_is_named_with_its_place(String cell, String code, String found) {
        String line = "Melody: | " + cell + " |";
        Problem problem = ChartParser.parse("| C |\n" + line + "\n").problems().get(0);

        assertThat(problem.code()).isEqualTo(code);
        assertThat(problem.found()).isEqualTo(found);
        assertThat(line.substring(problem.column() - 1)).startsWith(found);
    }

    @Test
    void two_strokes_behind_a_note_shorten_it_and_behind_a_space_begin_a_comment() {
        ChartReading read = ChartParser.parse("| C |\nMelody: | C// D// E/ F3 G4 | // slower\n");
        assertThat(read.problems()).isEmpty();
        assertThat(names(read.song().orElseThrow().writtenBars().get(0).tune()))
                .isEqualTo("C4:120 D4:120 E4:240 F4:1440 G4:1920");
    }

    @Test
    void a_second_line_is_the_melody_of_the_second_time_with_other_words() {
        Song song = song("[Verse]\n|: C | G :|\nWords: lamps | out\nWords: all the harbour | out\nMelody: | c4 G4 | B8 "
                + "|\nMelody: | (3ccc c2 G4 |\n\n[Verse] again\n");
        assertThat(song.bars())
                .map(bar -> names(bar.tune()))
                .containsExactly(
                        "C5:1920 G4:1920",
                        "B4:3840",
                        "C5:320 C5:320 C5:320 C5:960 G4:1920",
                        "B4:3840",
                        "C5:1920 G4:1920",
                        "B4:3840",
                        "C5:1920 G4:1920",
                        "B4:3840");
        assertThat(Tune.of(song)).filteredOn(note -> note.bar() == 2).hasSize(5);
        assertThat(ChartText.write(song)).contains("Melody: | c4 G4 | B8 |\nMelody: | (3c c c c2 G4 |  |");
        assertThat(song(ChartText.write(song)).bars())
                .map(bar -> names(bar.tune()))
                .isEqualTo(song.bars().stream().map(bar -> names(bar.tune())).toList());
    }

    @Test
    void a_melody_moves_to_another_key_with_its_signature_and_its_lines_stay_where_they_are() {
        String chart = "Key: F\n| F | (key B♭) B♭ | // over the bar\nMelody: | A2 _B2 =B4 | e4 E4 | // sung\n";
        assertThat(ChartEdit.of(chart)
                        .transpose(Transposition.between(
                                Key.of(zapateo.pitch.PitchClass.parse("F"), zapateo.harmony.Mode.MAJOR),
                                Key.of(zapateo.pitch.PitchClass.parse("G"), zapateo.harmony.Mode.MAJOR))))
                .isEqualTo("Key: G\n| G | (key C) C | // over the bar\nMelody: | B2 c2 ^c4 | f4 F4 | // sung\n");
    }

    private static String changed(String cells, int bar, int tick, String changes) {
        String text = "Key: E♭\n| E♭ | B♭7 | E♭ |\nMelody: " + cells + "\n";
        NoteEdit.Edited edited = new NoteEdit.Edited(text, bar, tick);
        for (String change : changes.split(" ")) {
            String[] parts = change.split("=");
            edited = ChartEdit.of(edited.text())
                    .note(new NoteEdit(
                            edited.bar(),
                            1,
                            edited.tick(),
                            NoteEdit.Change.valueOf(parts[0]),
                            parts.length > 1 ? Optional.of(Pitch.parse(parts[1])) : Optional.empty()));
        }
        return edited.text()
                        .lines()
                        .filter(line -> line.startsWith("Melody"))
                        .findFirst()
                        .orElseThrow()
                        .substring("Melody: ".length())
                + " @" + edited.bar() + ":" + edited.tick();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '!', textBlock = """
            | G4 B4 | z8 | z8 | ! 0 ! 0    ! UP                ! | A4 B4 | z8 | z8 | @0:0
            | G4 B4 | z8 | z8 | ! 0 ! 1920 ! DOWN DOWN         ! | G4 G4 | z8 | z8 | @0:1920
            | G4 B4 | z8 | z8 | ! 0 ! 0    ! SHARPER           ! | ^G4 B4 | z8 | z8 | @0:0
            | G4 B4 | z8 | z8 | ! 0 ! 0    ! FLATTER FLATTER   ! | F4 B4 | z8 | z8 | @0:0
            | G4 B4 | z8 | z8 | ! 0 ! 0    ! OCTAVE_UP         ! | g4 B4 | z8 | z8 | @0:0
            | G4 B4 | z8 | z8 | ! 0 ! 0    ! PITCH=C5          ! | c4 B4 | z8 | z8 | @0:0
            | G4 B4 | z8 | z8 | ! 0 ! 0    ! SHORTER           ! | G3 z B4 | z8 | z8 | @0:0
            | G2 A2 B4 | z8 | z8 | ! 0 ! 0 ! LONGER            ! | G3 A B4 | z8 | z8 | @0:0
            | G2 A2 B4 | z8 | z8 | ! 0 ! 0 ! LONGER LONGER     ! | G4 B4 | z8 | z8 | @0:0
            | G4 B4 | c8 | z8 | ! 0 ! 1920 ! LONGER            ! | G4 B4- | B2 c6 | z8 | @0:1920
            | G4 B4- | B4 c4 | z8 | ! 0 ! 1920 ! DOWN          ! | G4 A4- | A4 c4 | z8 | @0:1920
            | G4 B4- | B4 c4 | z8 | ! 1 ! 0 ! DELETE           ! | G4 z4 | z4 c4 | z8 | @0:1920
            | G4 B4 | z8 | z8 | ! 0 ! 0    ! LATER             ! | B4 G4 | z8 | z8 | @0:1920
            | z4 G2 z2 | z8 | z8 | ! 0 ! 1920 ! EARLIER        ! | z3 G2 z3 | z8 | z8 | @0:1440
            | z4 G2 z2 | z8 | z8 | ! 0 ! 1920 ! LATER LATER LATER ! | z7 G- | G z7 | z8 | @0:3360
            | G4 z4 | z8 | z8 | ! 0 ! 2880 ! ADD               ! | G4 z2 G2 | z8 | z8 | @0:2880
            | G4 z4 | z8 | z8 | ! 0 ! 0    ! ADD=B♭4           ! | G4 B2 z2 | z8 | z8 | @0:1920
            | G4 c4 | z8 | z8 | ! 0 ! 0    ! ADD=B♭4           ! | G2 B2 c4 | z8 | z8 | @0:960
            | G4 z | z8 | z8 | ! 0 ! 0     ! ADD ADD           ! | G4 G2 G2 | z8 | z8 | @0:2880
            | (3GAB c2 z4 | z8 | z8 | ! 0 ! 320 ! DOWN DELETE  ! | (3G z B c2 z4 | z8 | z8 | @0:320
            """)
    void a_note_is_changed_on_the_staff(String cells, int bar, int tick, String changes, String expected) {
        assertThat(changed(cells, bar, tick, changes)).isEqualTo(expected);
    }

    @Test
    void what_cannot_be_changed_is_refused_in_words() {
        assertThatThrownBy(() -> changed("| G4 z4 | z8 | z8 |", 0, 1920, "UP")).hasMessageContaining("a rest is there");
        assertThatThrownBy(() -> changed("| G4 z4 | z8 | z8 |", 0, 0, "EARLIER"))
                .hasMessageContaining("nothing is before it");
        assertThatThrownBy(() -> changed("| G4 z4 | z8 | c8 |", 2, 0, "LONGER")).hasMessageContaining("no room");
        assertThatThrownBy(() -> changed("| G/4 z31/4 | z8 | c8 |", 0, 0, "SHORTER"))
                .hasMessageContaining("the shortest");
    }

    @Test
    void a_change_the_second_time_stays_in_the_second_time() {
        String chart = "Key: C\n|: C | G :|\nTune: | C5/1 | B4/1 |\nTune: | C5/2 E5/2 | |\n";
        assertThat(ChartEdit.of(chart)
                        .note(new NoteEdit(0, 2, 1920, NoteEdit.Change.UP, Optional.empty()))
                        .text())
                .contains("Tune: | C5/1 | B4/1 |\nTune: | C5/2 F5/2 |  |\n");
        assertThat(ChartEdit.of(chart)
                        .note(new NoteEdit(1, 2, 0, NoteEdit.Change.UP, Optional.empty()))
                        .text())
                .contains("Tune: | C5/1 | C5/1 |\nTune: | C5/2 E5/2 | |\n");
    }

    static IntStream seeds() {
        return IntStream.range(0, 100);
    }

    /**
     * Whatever is done to whatever note: bars stay as long as they are, nothing outside the note's own row changes, and
     * undoing by the opposite brings pitches back.
     */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void seeded_changes_keep_every_bar_whole(int seed) {
        Random random = new Random(seed);
        String chart = SeededCharts.full(seed);
        for (int i = 0; i < 25; i++) {
            ChartEdit edit = ChartEdit.of(chart);
            List<WrittenBar> bars = edit.reading().song().orElseThrow().writtenBars();
            int bar = random.nextInt(bars.size());
            int tick = random.nextInt(bars.get(bar).ticks() / Ticks.PER_EIGHTH) * Ticks.PER_EIGHTH;
            NoteEdit.Change change = NoteEdit.Change.values()[random.nextInt(NoteEdit.Change.values().length)];
            NoteEdit.Edited edited;
            try {
                edited = edit.note(
                        new NoteEdit(bar, 1 + random.nextInt(2), tick, change, Optional.of(Pitch.parse("A♭4"))));
            } catch (Refused refused) {
                assertThat(refused.getMessage()).contains("expected");
                continue;
            }
            ChartEdit after = ChartEdit.of(edited.text());
            assertThat(after.reading().problems())
                    .as(change + " at " + bar + ":" + tick + " of " + chart)
                    .isSubsetOf(edit.reading().problems());
            List<WrittenBar> now =
                    new ArrayList<>(after.reading().song().orElseThrow().writtenBars());
            assertThat(now).hasSameSizeAs(bars);
            assertThat(now)
                    .extracting(WrittenBar::chords)
                    .isEqualTo(bars.stream().map(WrittenBar::chords).toList());
            WrittenBar there = now.get(edited.bar());
            assertThat(edited.tick()).isBetween(0, there.ticks() - 1);
            chart = edited.text();
        }
    }
}
