package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.harmony.Functions;
import zapateo.harmony.Key;

class UnderstandingSongTest {

    private static Song song(String chart) {
        return ChartParser.parse(chart).song().orElseThrow();
    }

    private static List<String> degrees(Song song) {
        Understanding understanding = Understanding.of(song);
        return song.writtenBars().stream()
                .flatMap(bar -> IntStream.range(0, bar.chords().size())
                        .boxed()
                        .flatMap(span -> understanding.place(bar, span).stream()))
                .map(place -> place.degree().roman())
                .toList();
    }

    @Test
    void a_key_the_chart_names_rules_until_it_names_another() {
        assertThat(degrees(song("Key: C\n| C | G7 |\n[B]\n| (key E♭) E♭ | B♭7 | (key C) G7 | C |")))
                .containsExactly("I", "V7", "I", "V7", "V7", "I");
    }

    @Test
    void without_a_key_the_keys_that_are_found_rule_where_they_are_found() {
        Song song = song("| C | F | G7 | C |\n| Am | Dm | G7 | C |\n| E♭ | A♭ | B♭7 | E♭ |\n| Cm | Fm | B♭7 | E♭ |\n");
        Understanding understanding = Understanding.of(song);
        assertThat(understanding.regions())
                .extracting(region -> region.key() + "@" + region.bar())
                .containsExactly("C@0", "E♭@8");
        assertThat(degrees(song).subList(8, 12)).containsExactly("I", "IV", "V7", "I");
        assertThat(Understanding.degrees(song).regions()).isEqualTo(understanding.regions());
    }

    /**
     * Heading, degrees and changes of key speak of one key: the mode that is found is the mode that rules (HANDBOOK §4:
     * Mixolydian has a ♭VII and no leading tone).
     */
    @Test
    void the_mode_that_is_found_rules() {
        Song song = song("D C G D D C G D");
        assertThat(song.key()).hasToString("D mixolydian");
        assertThat(degrees(song)).containsExactly("I", "♭VII", "IV", "I", "I", "♭VII", "IV", "I");
        assertThat(Understanding.of(song).regions())
                .singleElement()
                .satisfies(region -> assertThat(region.key()).isEqualTo(song.key()));
        assertThat(Understanding.degrees(song).regions())
                .isEqualTo(Understanding.of(song).regions());
    }

    @Test
    void a_named_key_is_kept_though_the_chords_wander_and_the_wandering_is_told() {
        Understanding understanding =
                Understanding.of(song("Key: C\n| C | F | G7 | C |\n" + "| E♭ | A♭ | B♭7 | E♭ |\n".repeat(3)));
        assertThat(understanding.regions())
                .extracting(region -> region.key().toString())
                .containsExactly("C", "E♭");
    }

    @Test
    void the_next_chord_is_looked_for_over_bar_lines_and_silences() {
        assertThat(degrees(song("Key: C\n| C | A7 | N.C. | Dm |"))).containsExactly("I", "V7/ii", "ii");
        assertThat(degrees(song("Key: C\n| C | C7 | F |"))).containsExactly("I", "V7/IV", "IV");
        assertThat(degrees(song("Key: C\n| C | C7 | C7 | F |")))
                .as("a chord held over a bar line goes on to what comes after it")
                .containsExactly("I", "V7/IV", "V7/IV", "IV");
        assertThat(degrees(song("Key: C\n| C | C7 | C |"))).containsExactly("I", "I7", "I");
    }

    @Test
    void each_place_tells_what_it_shares_with_the_next() {
        Song song = song("Key: C\n| C | Am |");
        Understanding understanding = Understanding.of(song);
        Understanding.Place first =
                understanding.place(song.writtenBars().get(0), 0).orElseThrow();
        assertThat(first.leading().orElseThrow().movement()).isEqualTo(2);
        assertThat(first.leading().orElseThrow().common())
                .extracting(Object::toString)
                .containsExactly("C", "E");
        assertThat(understanding
                        .place(song.writtenBars().get(1), 0)
                        .orElseThrow()
                        .leading())
                .isEmpty();
        assertThat(understanding.place(song.writtenBars().get(1), 5)).isEmpty();
        assertThat(first.degree().role()).isEqualTo(Functions.Role.OWN);
    }

    @Test
    void a_song_of_silence_is_understood_too() {
        Song song = song("| N.C. | N.C. |");
        assertThat(Understanding.of(song).keys()).isEmpty();
        assertThat(song.key()).isEqualTo(Key.C_MAJOR);
        assertThat(EasyKeys.of(song)).hasSize(12);
    }

    /** Key signatures and white keys: common practice. */
    @ParameterizedTest(name = "{0} is easiest in {1}")
    @CsvSource({
        "Key: B\\n| B | E | F♯7 |, C",
        "Key: E♭m\\n| E♭m | A♭m | B♭7 |, Am",
        "Key: C\\n| C | F | G7 |, C",
        "Key: D♭\\n| D♭ | G♭ | A♭7 |, C"
    })
    void the_easiest_key_has_few_signs_and_white_basses(String chart, String key) {
        List<EasyKeys.Ranked> ranked = EasyKeys.of(song(chart.replace("\\n", "\n")));
        assertThat(ranked.get(0).key()).hasToString(key);
        assertThat(ranked)
                .extracting(each -> each.key().tonic().chroma())
                .doesNotHaveDuplicates()
                .hasSize(12);
        assertThat(ranked).extracting(EasyKeys.Ranked::effort).isSorted();
        assertThat(ranked).filteredOn(each -> each.way().semitones() == 0).hasSize(1);
    }

    @Test
    void the_shares_of_black_keys_are_shares() {
        EasyKeys.Ranked c = EasyKeys.of(song("Key: C\n| C | F | E7 | C |")).stream()
                .filter(each -> each.key().equals(Key.C_MAJOR))
                .findFirst()
                .orElseThrow();
        assertThat(c.blackRoots()).isZero();
        assertThat(c.blackTones()).as("the G♯ of E7, one of thirteen tones").isBetween(0.07, 0.08);
    }

    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void every_chord_of_every_song_has_its_place(int seed) {
        Song song = song(SeededCharts.full(seed));
        Understanding understanding = Understanding.of(song);
        for (WrittenBar bar : song.writtenBars()) {
            for (int span = 0; span < bar.chords().size(); span++) {
                assertThat(understanding.place(bar, span).isPresent())
                        .isEqualTo(bar.chords().get(span).chord().isPresent());
                understanding.place(bar, span).ifPresent(place -> {
                    assertThat(place.degree().roman()).isNotBlank();
                    assertThat(place.degree().numbers()).isNotBlank();
                    place.otherName().ifPresent(other -> assertThat(other).isNotEqualTo(place.chord()));
                    place.respelled()
                            .ifPresent(other -> assertThat(other.root().chroma())
                                    .isEqualTo(place.chord().root().chroma()));
                });
            }
        }
        assertThat(understanding.regions().get(0).bar()).isZero();
        assertThat(understanding.regions())
                .extracting(Understanding.Region::bar)
                .isSorted();
    }
}
