package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;

/**
 * What is made of a song as it is played: written out, raised, with other chords. Facts of notation are common
 * practice.
 */
class SongAsPlayedTest {

    private static Song song(String chart) {
        return ChartParser.parse(chart.replace('~', '\n')).song().orElseThrow();
    }

    private static String text(Song song) {
        return ChartText.write(song).replace("\n", "~");
    }

    /** Each bar's chords, bar by bar; what says nothing is a dash. */
    private static String chords(Song song) {
        return song.bars().stream()
                .map(bar -> bar.chords().stream()
                        .map(span -> span.chord().map(Object::toString).orElse("-"))
                        .collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    private static String tune(List<TuneNote> notes) {
        return notes.stream()
                .map(note -> note.pitch().map(Object::toString).orElse("r") + "@" + note.tick() + "+" + note.ticks())
                .collect(Collectors.joining(" "));
    }

    @Test
    void written_out_each_time_stands_for_itself_with_its_own_words_and_tune() {
        Song song = song("Key: C~| (pickup 1) G7 |: C | (key G) (tempo 90) D :|~Words: | (pickup) up | one la | two lo "
                + "|~Words: | | three | four |");
        Song out = song.writtenOut();
        assertThat(chords(out)).isEqualTo("G7 | C | D | C | D");
        assertThat(out.bars()).extracting(Bar::number).containsExactly(0, 1, 2, 3, 4);
        assertThat(out.bars()).extracting(Bar::pass).containsOnly(1);
        assertThat(out.bars())
                .extracting(bar -> bar.key().toString())
                .containsExactlyElementsOf(
                        song.bars().stream().map(bar -> bar.key().toString()).toList())
                .contains("C", "G");
        assertThat(out.bars())
                .extracting(Bar::tempo)
                .containsExactlyElementsOf(song.bars().stream().map(Bar::tempo).toList());
        assertThat(out.written().get(0).bars().get(2).marks().key())
                .map(Key::toString)
                .contains("G");
        assertThat(out.written().get(0).bars().get(1).marks().key()).isEmpty();
        assertThat(out.bars()).noneMatch(bar -> bar.written().marks().opens());
    }

    @Test
    void a_vamp_stays_a_vamp_when_it_is_written_out() {
        Song out = song("| C |: F | G :| vamp | Am |").writtenOut();
        assertThat(chords(out)).isEqualTo("C | F | G | Am");
        assertThat(out.bars().stream().map(Bar::vamp).toList())
                .isEqualTo(song("| C |: F | G :| vamp | Am |").bars().stream()
                        .map(Bar::vamp)
                        .toList());
    }

    @Test
    void raised_from_a_bar_on_chords_tune_and_key_go_up_and_what_is_written_stays() {
        Song song = song("Key: F~| F | B♭ C7 | F |~Melody: | A8 | B4 c4 | A8 |");
        Song raised = song.raised(new Song.Raised(1, Transposition.by(2, song.key())));
        assertThat(chords(raised)).isEqualTo("F | C D7 | G");
        assertThat(raised.bars()).extracting(bar -> bar.key().toString()).containsExactly("F", "G", "G");
        assertThat(tune(raised.bars().get(1).tune())).isEqualTo("C5@0+1920 D5@1920+1920");
        assertThat(tune(raised.bars().get(0).tune())).isEqualTo("A4@0+3840");
        assertThat(raised.bars().get(1).written().marks().key())
                .map(Key::toString)
                .contains("G");
        assertThat(raised.bars().get(2).written().marks().key()).isEmpty();
        assertThat(raised.written()).isEqualTo(song.written());
        assertThat(raised)
                .isNotEqualTo(song)
                .isEqualTo(song.raised(new Song.Raised(1, Transposition.by(2, song.key()))));
        assertThat(raised.hashCode())
                .isEqualTo(song.raised(new Song.Raised(1, Transposition.by(2, song.key())))
                        .hashCode())
                .isNotEqualTo(song.hashCode());
    }

    @Test
    void other_chords_are_played_in_one_round_only() {
        Song song = song("|: C | F :|");
        Song played = song.played(Map.of(3, song("| Dm7 G7 |").bars().get(0).chords()));
        assertThat(chords(played)).isEqualTo("C | F | C | Dm7 G7");
        assertThat(chords(played.played(Map.of(0, song("| Am |").bars().get(0).chords()))))
                .isEqualTo("Am | F | C | Dm7 G7");
        assertThat(chords(song)).isEqualTo("C | F | C | F");
        assertThat(played.heading()).isEqualTo(song.heading());
    }

    @Test
    void accents_of_a_tune_are_what_lasts_a_beat_on_it_and_what_is_held_over_one() {
        Bar bar = song("| C |~Melody: | c2 d e2 f g2 |").bars().get(0);
        // c on 1 lasts a beat; d on 2 is short; e on "2 and" is held over 3; f on "3 and" ends with it; g on 4 lasts.
        assertThat(tune(bar.accents())).isEqualTo("C5@0+960 E5@1440+960 G5@2880+960");
        assertThat(song("| C |~Melody: | z2 c2 z4 |").bars().get(0).accents())
                .extracting(TuneNote::tick)
                .containsExactly(960);
        assertThat(song("| C |~Melody: | c/2 d3/2 e2 f4 |").bars().get(0).accents())
                .extracting(TuneNote::tick)
                .containsExactly(960, 1920);
    }

    @Test
    void a_chord_is_found_where_it_sounds() {
        Song song = song("| C F | G |");
        assertThat(song.chordAt(1919)).map(Object::toString).contains("C");
        assertThat(song.chordAt(1920)).map(Object::toString).contains("F");
        assertThat(song.chordAt(7680)).isEmpty();
        assertThat(song.placedAt(3840).orElseThrow().fillsBar()).isTrue();
        assertThat(song.placedAt(0).orElseThrow().fillsBar()).isFalse();
        assertThat(song.chords().map(Song.Placed::tick)).containsExactly(0, 1920, 3840);
        assertThat(song("| C |").hasTune()).isFalse();
        assertThat(song("| C |~Melody: | c8 |").hasTune()).isTrue();
        assertThat(song("| C |")).isNotEqualTo(song("| F |")).isNotEqualTo("C");
    }

    /** HANDBOOK §9: a voice gives one note again and again life, a piano does not. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "c c c c c c d2; C5x6@0",
                "c c c c c d3;",
                "z8 | c c c c c c c2; C5x7@1",
                "c2 d d d d d d | e e e e e e f2; D5x6@0 E5x6@1",
                "c2 c2 c2 c2 | c2 c2 d4; C5x6@0"
            })
    void a_tune_that_stays_on_one_key_is_noticed(String tune, String found) {
        String chords = tune.contains("|") ? "| C | C |" : "| C |";
        assertThat(Monotone.of(song(chords + "~Melody: | " + tune + " |")).stream()
                        .map(each -> each.pitch() + "x" + each.times() + "@" + each.bar())
                        .collect(Collectors.joining(" ")))
                .isEqualTo(found == null ? "" : found);
    }

    @ParameterizedTest(name = "{0}, {1} of {2}: {3}, bars at {4}")
    @CsvSource(
            delimiter = ';',
            value = {
                "0;COPY;C F C F G Am;0 1 4 5",
                "1;COPY;C F G Am G Am;0 1 2 3",
                "0;DELETE;G Am;- - 0 1",
                "1;DELETE;C F;0 1 - -",
                "0;LATER;G Am C F;2 3 0 1",
                "1;EARLIER;G Am C F;2 3 0 1",
                "0;EARLIER;C F G Am;0 1 2 3",
                "1;LATER;C F G Am;0 1 2 3"
            })
    void a_section_is_put_behind_itself_taken_out_or_moved_past_its_neighbour(
            int place, SectionChange change, String chords, String places) {
        String chart = "Title: T\n[V]\n| C | F |\n[B]\n| G | Am |";
        String changed = ChartEdit.of(chart).section(place, change);
        assertThat(chords(song(changed)).replace(" |", "")).isEqualTo(chords);
        boolean moves = !changed.equals(chart);
        if (moves) {
            assertThat(BarMoves.section(song(chart).written(), place, change).places().stream()
                            .map(each -> each.map(String::valueOf).orElse("-"))
                            .collect(Collectors.joining(" ")))
                    .isEqualTo(places);
        }
    }

    @Test
    void a_repeated_heading_has_no_bars_to_move() {
        List<WrittenSection> sections = song("[V]~| C | F |~[V] again").written();
        assertThat(BarMoves.section(sections, 1, SectionChange.COPY).places())
                .containsExactly(Optional.of(0), Optional.of(1));
    }

    @ParameterizedTest(name = "a bar of {0}")
    @CsvSource({
        "(short 1) C, (short 1)",
        "(short 1/8) C, (short 1/8)",
        "(short 3/8) C, (short 3/8)",
        "(short 5/16) C, (short 5/16)",
        "(short 3) C, (short 3)"
    })
    void a_short_bar_is_written_as_long_as_it_is(String bar, String written) {
        Song song = song("| G | " + bar + " | F |");
        assertThat(text(song)).contains(written);
        assertThat(song(ChartText.write(song))).isEqualTo(song);
    }
}
