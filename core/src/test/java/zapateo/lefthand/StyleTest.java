package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.arrangement.Pedal;
import zapateo.arrangement.SongChoice;
import zapateo.hand.Hand;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.song.Bar;
import zapateo.song.Song;

/** Endings, pedal, loudness and tempo as each style has them (HANDBOOK §7 and §8). */
class StyleTest {

    private static final String SONG = "Key: C~Tempo: %d~| C | Am | Dm | G7 | C | Am7 | G7 | %s |";

    private static Arrangement arrange(String last, Choices choices) {
        return Played.arrange(SONG.formatted(100, last), choices);
    }

    private static List<Stroke> lastBar(Arrangement arrangement) {
        return arrangement.left().strokes().stream()
                .filter(stroke -> stroke.bar() == 7)
                .toList();
    }

    private static String notes(List<Stroke> strokes) {
        return String.join(
                " ",
                strokes.stream()
                        .map(stroke -> String.join(
                                "+",
                                stroke.notes().stream()
                                        .map(note -> note.pitch().toString())
                                        .toList()))
                        .toList());
    }

    /** The usual ending of a family; the chord keeps its colour, in swing a sixth takes a ninth (HANDBOOK §7a). */
    @ParameterizedTest(name = "{0} on {1}: {2}")
    @CsvSource({
        "spread-eighths,C,C2+G2+E3",
        "spread-eighths,C6,C2+A2+E3",
        "held,Cmaj7,C2+B2+E3",
        "stride-root-chord,C,C2 E3+G3+C4 C2",
        "rock-eighths,C,C2+G2+C3",
        "slow-waltz,C,C2 E3+G3+C4",
        "two-feel,C6,C2+A2+D3+E3",
        "bossa,Cm7,C2 G1 C2",
        "samba,C6,C2 G1 C2",
        "partido,C6,C2 G1 C2+A2+E3",
        "anticipated-bass,Cm,C2+C3",
        "nearest-inversions,C,C3+E3+G3"
    })
    void families_end_in_their_way(String figure, String last, String notes) {
        List<Stroke> strokes = lastBar(arrange(last, Choices.figure(figure)));
        assertThat(notes(strokes)).isEqualTo(notes);
        assertThat(strokes).allMatch(stroke -> stroke.nature().origin() == Origin.ENDING);
    }

    /**
     * Latin: a stroke and out. March and country: bass, chord, bass. A choice says otherwise, and an unknown one is
     * refused by name.
     */
    @Test
    void endings_are_a_choice() {
        assertThat(lastBar(arrange("C", Choices.figure("habanera"))))
                .hasSize(1)
                .allMatch(stroke -> stroke.written().ticks() == 960);
        List<Stroke> march = lastBar(arrange("C", Choices.figure("march")));
        assertThat(march).extracting(stroke -> stroke.written().tick() % 3840).containsExactly(0, 960, 1920);
        assertThat(march.get(0).lowest()).isEqualTo(march.get(2).lowest());
        assertThat(lastBar(arrange("C", Choices.figure("march").with(SongChoice.ENDING, "held"))))
                .hasSize(1);
        assertThat(notes(lastBar(arrange("C", Choices.figure("held").with(SongChoice.ENDING, "rising")))))
                .isEqualTo("C2 G2 E3");
        assertThat(lastBar(arrange("C", Choices.figure("march").with(SongChoice.ENDING, "figure"))))
                .noneMatch(stroke -> stroke.nature().origin() == Origin.ENDING);
        assertThat(Ending.all()).extracting(Ending::id).startsWith("held").doesNotHaveDuplicates();
        assertThatThrownBy(() -> Ending.Stroke.parse("1+5@x:1"))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("roles@beat:beats");
    }

    /**
     * The stroke of two keys and more is never louder inside or on top because a root happens to stand there
     * (FAULTS.md, M4).
     */
    @ParameterizedTest
    @MethodSource("figures")
    void nothing_thumps(String figure) {
        for (Stroke stroke : arrange("C", Choices.figure(figure)).left().strokes()) {
            int lowest = stroke.notes().get(0).velocity();
            assertThat(stroke.notes())
                    .allMatch(note -> note.velocity() <= lowest && note.velocity() >= 40 && note.velocity() <= 100);
        }
    }

    static Stream<String> figures() {
        return FigureBook.open().figures().stream().map(Figure::id);
    }

    private static List<Integer> loud(String figure) {
        return arrange("C", Choices.figure(figure)).left().strokes().stream()
                .filter(stroke -> stroke.bar() == 0)
                .map(stroke -> stroke.notes().get(0))
                .map(PartNote::velocity)
                .toList();
    }

    /**
     * HANDBOOK §7: stride bass 74, after-beat 62, 3 a little over 1; swing leans on 2 and 4; shuffle on the beat; waltz
     * 1 over 2 and 3 by 14.
     */
    @Test
    void styles_lean_where_they_lean() {
        assertThat(loud("stride-root-chord")).containsExactly(74, 62, 77, 62);
        assertThat(loud("four-in-a-bar"))
                .satisfies(bar -> assertThat(bar.get(1)).isGreaterThan(bar.get(0)));
        assertThat(loud("shuffle-fifth-sixth"))
                .satisfies(bar -> assertThat(bar.get(0) - bar.get(1)).isEqualTo(10));
        List<Integer> waltz = Played.arrange(
                        "Key: C~Meter: 3/4~| C | G7 |",
                        Choices.figure("bass-and-two").endsHeld(false))
                .left()
                .strokes()
                .stream()
                .map(stroke -> stroke.notes().get(0).velocity())
                .toList();
        assertThat(waltz.get(0) - waltz.get(1)).isEqualTo(14);
    }

    /**
     * HANDBOOK §7a: a phrase rises to the bar where its tune is highest and falls to its cadence; the last chord is
     * softer.
     */
    @ParameterizedTest(name = "highest in bar {0}")
    @ValueSource(ints = {0, 1, 2})
    void phrases_rise_to_their_own_top(int top) {
        StringBuilder tune = new StringBuilder("Melody: |");
        for (int bar = 0; bar < 8; bar++) {
            tune.append(bar % 4 == top ? " c'4 |" : " e4 |");
        }
        Arrangement arrangement = Played.arrange(
                "Key: C~Meter: 4/4~| C | F | G | C | F | G | C | C |~" + tune, Choices.figure("stride-root-chord"));
        List<Integer> basses = firstBasses(arrangement);
        assertThat(basses.get(top))
                .isEqualTo(basses.stream().max(Integer::compare).orElseThrow());
        assertThat(basses.get(3)).isLessThan(basses.get(top));
        assertThat(basses.get(7)).isEqualTo(66);
    }

    /**
     * Without a tune the harmony says where: D7 lies outside C. Inside a chord the lowest tone carries the rest (M9).
     */
    @Test
    void a_phrase_without_a_tune_leans_on_its_strangest_chord() {
        Arrangement arrangement = Played.arrange(
                "Key: C~| C | D7 | G | C | C | F | Fm6 | C | C | C | C | C |", Choices.figure("stride-root-chord"));
        List<Integer> basses = firstBasses(arrangement);
        assertThat(basses.get(1)).isGreaterThan(basses.get(2));
        assertThat(basses.get(6)).isGreaterThan(basses.get(5));
        assertThat(arrangement.left().strokes())
                .filteredOn(stroke -> stroke.notes().size() > 2)
                .allSatisfy(stroke -> assertThat(stroke.notes().get(1).velocity())
                        .isLessThan(stroke.notes().get(0).velocity()));
    }

    private static List<Integer> firstBasses(Arrangement arrangement) {
        return arrangement.left().strokes().stream()
                .filter(stroke -> stroke.written().tick() % 3840 == 0)
                .map(stroke -> stroke.notes().get(0).velocity())
                .toList();
    }

    /**
     * Pedal by style: stride down with the bass and up on the chord, waltz down on 1 and up on 3, ballads through the
     * chord, walking and marches none.
     */
    @Test
    void the_pedal_is_the_style_s() {
        Arrangement stride = arrange("C", Choices.figure("stride-root-chord").endsHeld(false));
        assertThat(stride.pedal().subList(0, 2))
                .allSatisfy(pedal -> assertThat(pedal.up() % 960).isZero())
                .extracting(pedal -> pedal.up() - pedal.down())
                .allMatch(ticks -> ticks < 960);
        assertThat(stride.pedal()).hasSize(16);
        assertThat(stride.pedalled()).isEmpty();
        List<Pedal> waltz = Played.arrange(
                        "Key: C~Meter: 3/4~| C | G7 |",
                        Choices.figure("bass-and-two").endsHeld(false))
                .pedal();
        assertThat(waltz).extracting(Pedal::up).containsExactly(1920, 2880 + 1920);
        assertThat(arrange("C", Choices.figure("spread-eighths")).pedal()).hasSize(8);
        assertThat(arrange("C", Choices.figure("walking")).pedal()).isEmpty();
        assertThat(arrange("C", Choices.figure("march")).pedal()).isEmpty();
    }

    /** Habanera: through the chord where it is slow, else half bars. */
    @ParameterizedTest(name = "at {0}: {1} times in 8 bars")
    @CsvSource({"60,8", "120,15"})
    void dances_change_the_pedal_where_they_are_quick(int tempo, int times) {
        assertThat(Played.arrange(SONG.formatted(tempo, "C"), Choices.figure("habanera"))
                        .pedal())
                .hasSize(times);
    }

    /** FAULTS.md L15: inside the tempo range a figure claims, a hand of 201 mm plays at least half of its bars. */
    @ParameterizedTest
    @MethodSource("figures")
    void claims_and_limits_are_set_from_each_other(String id) {
        Figure figure = FigureBook.open().figure(id).orElseThrow();
        String meter = figure.bars().keySet().iterator().next().toString();
        String chart = "Key: E♭~Meter: " + meter
                + "~Tempo: %s~| E♭ | B♭7/D | Cm7 | Gm/B♭ | A♭maj7 | E♭/G | Fm7 | B♭7 | E♭6 | C7 | Fm7 | A♭m6 | "
                + "E♭/B♭ | B♭7 | E♭ | E♭ |";
        Song plain = Played.song(chart.formatted("100"));
        long bpm = Math.round(figure.suits().maxTempo() * 960.0 / plain.tempo().beatTicks());
        Song song = Played.song(chart.formatted(String.valueOf(bpm)));
        Arrangement arrangement =
                Played.ARRANGER.arrange(song, Choices.figure(id).endsHeld(false), Hand.of(201));
        List<Double> limits = new ArrayList<>(
                song.bars().stream().map(Bar::index).map(arrangement::maxTempo).toList());
        Collections.sort(limits);
        assertThat(limits.get(limits.size() / 2))
                .as(id + " claims " + figure.suits().maxTempo())
                .isGreaterThanOrEqualTo(song.tempo().bpm());
    }

    /**
     * Common practice: stride at ♩ = 180 to 200, broken octaves in eighths at 152 and tenths at 120 are everyday tempos
     * of a trained player.
     */
    @ParameterizedTest(name = "{0} at {1}")
    @CsvSource({
        "stride-root-chord,180",
        "stride-root-chord,200",
        "driving-octaves,152",
        "stride-tenths,120",
        "rolled-tenths,120"
    })
    void everyday_tempos_are_possible(String figure, int tempo) {
        Arrangement arrangement = Played.ARRANGER.arrange(
                Played.song("Key: C~Tempo: " + tempo + "~| C6 | A7 | Dm7 | G7 | C6 | C7 | F6 | Fm6 |"),
                Choices.figure(figure).endsHeld(false),
                Hand.of(201));
        List<Double> limits = new ArrayList<>(arrangement.song().bars().stream()
                .map(Bar::index)
                .map(arrangement::maxTempo)
                .toList());
        Collections.sort(limits);
        assertThat(limits.get(limits.size() / 2)).isGreaterThanOrEqualTo(tempo);
    }
}
