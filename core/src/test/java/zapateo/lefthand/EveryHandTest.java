package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Instrument;
import zapateo.hand.Pianist;
import zapateo.hand.TooWide;
import zapateo.part.Mending;
import zapateo.part.PartNote;
import zapateo.part.Roll;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Mark;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** Arrangements for hands and instruments of every size. */
class EveryHandTest {

    private static final List<Song> SONGS =
            IntStream.of(3, 8, 21, 34).mapToObj(SeededCharts::song).toList();

    static Stream<String> figures() {
        return FigureBook.open().figures().stream().map(Figure::id);
    }

    /** Spans from 150 to 250 mm in steps of 5. */
    @ParameterizedTest
    @MethodSource("figures")
    void no_hand_is_asked_for_more_than_it_has_and_a_larger_one_has_less_altered(String figure) {
        for (Song song : SONGS) {
            long before = Long.MAX_VALUE;
            for (int span = 150; span <= 250; span += 5) {
                Hand hand = Hand.of(span);
                Arrangement arrangement = Played.ARRANGER.arrange(song, Choices.figure(figure), hand);
                for (Stroke stroke : arrangement.left().strokes()) {
                    assertThat(stroke.roll().isPresent() || hand.easeOf(stroke.keys()) != Ease.OUT_OF_REACH)
                            .as("%d mm: %s", span, stroke)
                            .isTrue();
                }
                long altered = arrangement.left().strokes().stream()
                        .filter(stroke -> stroke.mended(Mending.Cause.HAND).isPresent())
                        .count();
                assertThat(altered).as("%s, %d mm", song, span).isLessThanOrEqualTo(before);
                before = altered;
            }
        }
    }

    /** The same arrangement in a larger hand. */
    @ParameterizedTest
    @MethodSource("figures")
    void the_same_arrangement_is_never_harder_for_a_larger_hand(String figure) {
        Arrangement arrangement = Played.ARRANGER.arrange(SONGS.get(0), Choices.figure(figure), Hand.of(150));
        double before = Double.POSITIVE_INFINITY;
        for (int span = 150; span <= 250; span += 5) {
            double total =
                    arrangement.playedBy(Pianist.of(Hand.of(span))).song().total();
            assertThat(total).as("%d mm", span).isLessThanOrEqualTo(before + 1e-9);
            before = total;
        }
    }

    /**
     * A hand of 150 mm cannot strike an octave: it is dropped or rolled as the player said, played only if that is
     * wanted.
     */
    @ParameterizedTest(name = "octaves: {0}")
    @CsvSource({"OMIT,1,false", "ROLL,2,true", "PLAY,2,false"})
    void an_octave_too_wide_is_done_as_the_player_said(TooWide way, int notes, boolean rolled) {
        Arrangement arrangement = Played.ARRANGER.arrange(
                Played.song("C | F | G | C"),
                Choices.figure("held")
                        .endsHeld(false)
                        .with(LeftChoice.VOICING, "octave")
                        .with(LeftChoice.OCTAVES, way),
                Hand.of(150));
        assertThat(arrangement.left().strokes()).allSatisfy(stroke -> {
            assertThat(stroke.notes()).hasSize(notes);
            assertThat(stroke.roll().isPresent()).isEqualTo(rolled);
            assertThat(stroke.mended(Mending.Cause.HAND).map(Mending::id)).contains(way.id());
        });
        assertThat(arrangement.notices()).anySatisfy(notice -> {
            assertThat(notice.code()).isEqualTo("altered-" + way.id());
            assertThat(notice.args()).containsEntry("bars", "1, 2, 3, 4").containsEntry("count", "4");
        });
    }

    /**
     * HANDBOOK §7 and §8: bass before the beat, the upper note on it, caught by the pedal; without a pedal it is only
     * rolled.
     */
    @Test
    void a_tenth_too_wide_is_rolled_up_to_the_beat() {
        for (TooWide way : List.of(TooWide.ROLL, TooWide.PEDAL)) {
            Arrangement arrangement = Played.ARRANGER.arrange(
                    Played.song("Tempo: 100~D♭ | A♭ | D♭ | G♭"),
                    Choices.figure("held")
                            .endsHeld(false)
                            .with(LeftChoice.VOICING, "tenth")
                            .with(LeftChoice.TENTHS, way),
                    Hand.of(190));
            assertThat(arrangement.left().strokes()).allSatisfy(stroke -> {
                Roll roll = stroke.roll().orElseThrow();
                assertThat(stroke.notes().get(0).delayTicks())
                        .isEqualTo(-roll.leadTicks())
                        .isNegative();
                assertThat(stroke.notes().get(1).delayTicks()).isZero();
                assertThat(arrangement.song().bars().get(stroke.bar()).tempo().millisecondsOf(roll.leadTicks()))
                        .isLessThanOrEqualTo(120);
            });
        }
    }

    @Test
    void tenths_are_the_players_unless_the_song_says_otherwise() {
        Pianist thin = new Pianist(Hand.of(190), Hand.of(190), Instrument.FULL, TooWide.OMIT, TooWide.ROLL);
        assertThat(Played.ARRANGER
                        .arrange(Played.song("D♭ | A♭"), Choices.figure("held").with(LeftChoice.VOICING, "tenth"), thin)
                        .left()
                        .strokes())
                .extracting(stroke -> stroke.notes().stream()
                        .map(note -> note.pitch().pitchClass().toString())
                        .toList())
                .as("the bass stays")
                .containsExactly(List.of("D♭"), List.of("A♭"));
        assertThat(Played.ARRANGER
                        .arrange(
                                Played.song("D♭ | A♭"),
                                Choices.figure("held")
                                        .with(LeftChoice.VOICING, "tenth")
                                        .with(LeftChoice.TENTHS, TooWide.ROLL),
                                thin)
                        .left()
                        .strokes())
                .allSatisfy(stroke -> assertThat(stroke.roll()).isPresent());
    }

    /** Arrangements stay on the keys there are. */
    @ParameterizedTest
    @ValueSource(ints = {49, 61, 73, 76, 88})
    void every_figure_stays_on_the_instruments_keys(int keys) {
        Instrument instrument = new Instrument(keys, 164.5, true);
        figures()
                .forEach(figure -> SONGS.forEach(song -> assertThat(Played.ARRANGER
                                .arrange(song, Choices.figure(figure), Pianist.USUAL.on(instrument))
                                .strokes())
                        .flatExtracting(Stroke::notes)
                        .extracting(PartNote::pitch)
                        .allSatisfy(pitch -> assertThat(pitch.midi())
                                .as(figure)
                                .isBetween(instrument.lowest(), instrument.highest()))));
    }

    @Test
    void an_instrument_without_a_pedal_is_not_pedalled() {
        Pianist dry = Pianist.of(Hand.of(170)).on(new Instrument(61, 164.5, false));
        Arrangement arrangement = Played.ARRANGER.arrange(
                Played.song("C | F | G | C"),
                Choices.figure("spread-eighths").with(LeftChoice.TENTHS, TooWide.PEDAL),
                dry);
        assertThat(arrangement.pedal()).isEmpty();
        assertThat(Played.ARRANGER
                        .arrange(
                                Played.song("C | F | G | C"),
                                Choices.figure("held")
                                        .with(LeftChoice.VOICING, "tenth")
                                        .with(LeftChoice.TENTHS, TooWide.PEDAL),
                                dry)
                        .notices())
                .extracting(notice -> notice.code())
                .contains("altered-roll")
                .doesNotContain("altered-pedal");
    }

    /** On narrow keys a hand reaches further: 190 mm on octaves of 141 mm are as 222 mm on full ones. */
    @Test
    void narrow_keys_make_a_hand_larger() {
        Hand hand = Hand.of(190);
        Instrument narrow = new Instrument(88, 141, true);
        assertThat(hand.on(narrow).spanMm()).isCloseTo(221.7, org.assertj.core.api.Assertions.within(0.05));
        assertThat(Played.ARRANGER
                        .arrange(
                                Played.song("C | F"),
                                Choices.figure("held").with(LeftChoice.VOICING, "tenth"),
                                Pianist.of(hand).on(narrow))
                        .left()
                        .strokes())
                .allSatisfy(stroke -> assertThat(stroke.roll()).isEmpty());
        assertThat(Played.ARRANGER
                        .arrange(
                                Played.song("C | F"),
                                Choices.figure("held").with(LeftChoice.VOICING, "tenth"),
                                Pianist.of(hand))
                        .left()
                        .strokes())
                .allSatisfy(stroke -> assertThat(stroke.roll()).isPresent());
    }

    /** FAULTS.md F8: the bass of a pattern by 5, also where it lies beside the last note of the one before. */
    @Test
    void a_pattern_begins_with_the_little_finger() {
        Arrangement arrangement = Played.ARRANGER.arrange(
                Played.song("Key: C~Tempo: 90~| C | Am | F | G |"),
                Choices.figure("spread-eighths").endsHeld(false),
                Hand.of(201));
        assertThat(arrangement.left().strokes().stream().filter(stroke -> stroke.mark() == Mark.HEEL))
                .hasSize(8)
                .allMatch(stroke -> stroke.notes().get(0).finger() == 5);
    }
}
