package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static zapateo.lefthand.Played.arrange;
import static zapateo.lefthand.Played.notes;
import static zapateo.lefthand.Played.song;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.choice.Options;
import zapateo.hand.Hand;
import zapateo.hand.TooWide;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Lock;
import zapateo.lefthand.Played;
import zapateo.lefthand.Weights;
import zapateo.part.Origin;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Role;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** Choices for a song, a section, some bars, some beats; locks; weights; feel; the ending. */
class ChoicesTest {

    private static final String TWO_PARTS = "Key: C~[Verse]~C F~[Chorus]~G C";

    private static Options options(String figure) {
        return Choices.figure(figure).song();
    }

    private static Choices.Override bars(String bars, Optional<String> beats, String figure) {
        return new Choices.Override(
                Choices.Run.parse(bars), Optional.empty(), beats.map(Choices.Run::parse), options(figure));
    }

    private static List<String> figures(Arrangement arrangement) {
        return arrangement.song().bars().stream()
                .map(bar -> arrangement.strokes().stream()
                        .filter(stroke -> stroke.bar() == bar.index())
                        .map(stroke -> stroke.reason().args().get("figure"))
                        .distinct()
                        .collect(Collectors.joining("+")))
                .toList();
    }

    @Test
    void a_section_has_its_own_figure() {
        assertThat(figures(arrange(TWO_PARTS, Choices.figure("held").section("Chorus", options("pulse-quarters")))))
                .containsExactly("held", "held", "pulse-quarters", "pulse-quarters");
    }

    @Test
    void one_bar_is_broken_out_by_hand_and_goes_before_its_section() {
        Choices choices = Choices.figure("held")
                .section("Chorus", options("pulse-quarters"))
                .override(bars("3", Optional.empty(), "stacked"));
        assertThat(figures(arrange(TWO_PARTS, choices))).containsExactly("held", "held", "stacked", "pulse-quarters");
    }

    @Test
    void beats_inside_a_bar_have_their_own_figure() {
        Arrangement broken = arrange(
                TWO_PARTS, Choices.figure("pulse-quarters").override(bars("2", Optional.of("3-4"), "driving-octaves")));
        assertThat(figures(broken).get(1)).isEqualTo("pulse-quarters+driving-octaves");
        assertThat(broken.strokes().stream().filter(stroke -> stroke.bar() == 1))
                .extracting(stroke -> stroke.written().tick() - 3840)
                .containsExactly(0, 960, 1920, 2400, 2880, 3360);
    }

    @Test
    void a_choice_can_be_for_the_second_time_round_alone() {
        Choices choices = Choices.figure("held")
                .override(new Choices.Override(
                        Choices.Run.parse("1-2"), Optional.of(2), Optional.empty(), options("pulse-quarters")));
        assertThat(figures(arrange("Key: C~|: C | F :|", choices)))
                .containsExactly("held", "held", "pulse-quarters", "pulse-quarters");
    }

    @Test
    void what_a_choice_names_that_the_song_has_not_is_said() {
        Choices choices = Choices.figure("held")
                .section("Bridge", options("pulse-quarters"))
                .override(bars("40-41", Optional.empty(), "stacked"));
        assertThat(arrange(TWO_PARTS, choices).notices())
                .extracting(Reason::code)
                .containsExactlyInAnyOrder("section-unused", "bars-unused");
        assertThat(arrange(TWO_PARTS, Choices.figure("charleston").with(LeftChoice.LEAD_IN, "scale"))
                        .notices())
                .extracting(Reason::code)
                .containsExactly("lead-in-unused");
        assertThat(arrange(TWO_PARTS, Choices.figure("held").with(LeftChoice.BASS_LINE, "walking"))
                        .notices())
                .extracting(Reason::code)
                .containsExactly("line-unused");
        assertThatThrownBy(() ->
                        arrange(TWO_PARTS, Choices.figure("held").override(bars("1", Optional.empty(), "polka"))))
                .hasMessageContaining("figure \"polka\": expected one of held");
        assertThatThrownBy(() -> Choices.Run.parse("8-5"))
                .hasMessageContaining("expected the first and not before it the last");
        assertThatThrownBy(() -> Choices.Run.parse("x")).hasMessageContaining("expected a number or first-last");
        assertThatThrownBy(() -> new Weights(Map.of("beauty", 1.0)))
                .hasMessageContaining("cost \"beauty\": expected one of bass-movement");
        assertThatThrownBy(() -> new Weights(Map.of("mud", 11.0))).hasMessageContaining("expected 0 to 10");
    }

    /** This octave here: the rest is laid around it. */
    @Test
    void a_locked_octave_is_kept_and_the_others_follow() {
        String chart = "Key: C~C F G C";
        Choices open = Choices.figure("two-feel");
        Stroke free = arrange(chart, open).left().strokes().get(0);
        assertThat(free.lowest()).hasToString("C2");
        Arrangement locked = arrange(
                chart,
                open.lock(new Choices.PlacedLock(
                        1,
                        Optional.empty(),
                        1,
                        new Lock(Optional.of(Pitch.parse("C3")), Optional.empty(), Optional.empty()))));
        assertThat(locked.left().strokes().get(0).lowest()).hasToString("C3");
        assertThat(locked.laid().cost())
                .isGreaterThan(arrange(chart, open).laid().cost());
        assertThat(locked.notices()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 3, 5})
    void a_locked_inversion_is_kept(int bottom) {
        Choices choices = Choices.figure("stride-root-chord")
                .lock(new Choices.PlacedLock(
                        2, Optional.empty(), 1, new Lock(Optional.empty(), Optional.of(bottom), Optional.empty())));
        Stroke chord = arrange("Key: C~C F C", choices).left().strokes().stream()
                .filter(stroke -> stroke.bar() == 1 && stroke.notes().size() > 1)
                .findFirst()
                .orElseThrow();
        assertThat(chord.notes().get(0).role()).isEqualTo(Role.tone(bottom));
    }

    @Test
    void a_locked_top_is_kept_and_one_that_cannot_be_is_said() {
        Choices kept = Choices.figure("stride-root-chord")
                .lock(new Choices.PlacedLock(
                        1,
                        Optional.empty(),
                        1,
                        new Lock(Optional.empty(), Optional.empty(), Optional.of(Pitch.parse("G4")))));
        assertThat(arrange("Key: C~C F", kept).left().strokes().get(1).highest())
                .hasToString("G4");
        Choices strange = Choices.figure("stride-root-chord")
                .lock(new Choices.PlacedLock(
                        1,
                        Optional.empty(),
                        1,
                        new Lock(Optional.empty(), Optional.empty(), Optional.of(Pitch.parse("F♯4")))));
        assertThat(arrange("Key: C~C F", strange).notices())
                .extracting(Reason::code)
                .containsExactly("lock-unkept");
    }

    @Test
    void the_top_line_is_kept_still_where_that_is_wanted() {
        Options keep =
                Options.OPEN.with(LeftChoice.FIGURE, "nearest-inversions").with(LeftChoice.KEEP_TOP, true);
        String chart = "Key: C~C Am F C G Em C F";
        assertThat(topMovement(arrange(chart, Choices.OPEN.song(keep))))
                .isLessThanOrEqualTo(topMovement(arrange(chart, Choices.figure("nearest-inversions"))));
    }

    private static int topMovement(Arrangement arrangement) {
        List<Integer> tops = arrangement.song().bars().stream()
                .map(bar -> arrangement.strokes().stream()
                        .filter(stroke -> stroke.bar() == bar.index())
                        .mapToInt(stroke -> stroke.highest().midi())
                        .max()
                        .orElseThrow())
                .toList();
        return IntStream.range(1, tops.size())
                .map(i -> Math.abs(tops.get(i) - tops.get(i - 1)))
                .sum();
    }

    @Test
    void a_weight_changes_what_is_chosen() {
        String chart = "Key: C~C F B♭ E♭ A♭ D♭";
        double usual = bassTravel(arrange(chart, Choices.figure("two-feel")));
        double still = bassTravel(arrange(
                chart,
                Choices.figure("two-feel").weights(new Weights(Map.of("bass-movement", 10.0, "bass-register", 0.0)))));
        assertThat(still).isLessThanOrEqualTo(usual);
    }

    private static double bassTravel(Arrangement arrangement) {
        List<Stroke> first = arrangement.left().strokes().stream()
                .filter(stroke -> stroke.written().tick() % 3840 == 0)
                .toList();
        return IntStream.range(1, first.size())
                .map(i -> Math.abs(
                        first.get(i).lowest().midi() - first.get(i - 1).lowest().midi()))
                .sum();
    }

    @Test
    void variations_come_with_liveliness_and_can_be_switched_off() {
        String eight = "Key: C~Feel: swing~C Am F G C Am F G C F C F C F C G";
        Choices stride = Choices.figure("stride-root-chord");
        assertThat(IntStream.range(0, 20)
                        .mapToObj(seed -> arrange(
                                eight,
                                stride.with(LeftChoice.LIVELINESS, Liveliness.SOME)
                                        .with(SongChoice.SEED, (long) seed)))
                        .flatMap(arrangement -> arrangement.strokes().stream()))
                .anyMatch(stroke -> stroke.nature().origin() == Origin.VARIATION && stroke.bar() == 7);
        assertThat(arrange(eight, stride).strokes())
                .noneMatch(stroke -> stroke.nature().origin() == Origin.VARIATION);
        Options off = Options.OPEN
                .with(LeftChoice.FIGURE, "stride-root-chord")
                .with(LeftChoice.LIVELINESS, Liveliness.SOME)
                .with(LeftChoice.VARIATIONS, false);
        assertThat(arrange(eight, Choices.OPEN.song(off)).strokes())
                .noneMatch(stroke -> stroke.reason().code().equals("lead-in"));
    }

    /**
     * Any song of four bars or more ends, wherever it does; one whose last dominant leads back to its beginning goes on
     * (HANDBOOK §7a).
     */
    @Test
    void the_ending() {
        String home = "Key: C~C Am F G C Am G C";
        assertThat(arrange(home, Choices.figure("spread-eighths")).strokes())
                .anyMatch(stroke -> stroke.reason().code().equals("ending"));
        assertThat(arrange(home, Choices.figure("spread-eighths").endsHeld(false))
                        .strokes())
                .noneMatch(stroke -> stroke.reason().code().equals("ending"));
        assertThat(arrange("Key: C~C Am F G C Am F G", Choices.figure("spread-eighths"))
                        .strokes())
                .noneMatch(stroke -> stroke.reason().code().equals("ending"));
        assertThat(arrange("Key: C~C", Choices.figure("spread-eighths")).strokes())
                .hasSize(8);
    }

    /** A blues ends on its tonic's seventh, a song in the key it came to; a turnaround and a vamp lead back. */
    @ParameterizedTest
    @CsvSource({
        "Key: F~F7 B♭7 F7 F7 B♭7 B♭7 F7 D7 Gm7 C7 F7 F7,true",
        "Key: F~F7 B♭7 F7 F7 B♭7 B♭7 F7 D7 Gm7 C7 F7 C7,false",
        "Key: C~| C | F | G7 | C | (key D) A7 | D | A7 | D |,true",
        "Key: Am~Am Dm Am E7,false",
        "Key: Am~Am F Dm Am,true",
        "Key: C~C F Dm,false"
    })
    void where_a_song_ends(String chart, boolean ends) {
        assertThat(arrange(chart, Choices.figure("spread-eighths")).strokes().stream()
                        .anyMatch(stroke -> stroke.reason().code().equals("ending")))
                .isEqualTo(ends);
    }

    /** A piano tone fades: at a slow tempo a chord that stays is struck again, at a quick one it is tied over. */
    @Test
    void a_held_chord_is_tied_over_while_it_sounds() {
        assertThat(Played.times(arrange("Tempo: 160~C % F", Choices.figure("held"))))
                .isEqualTo("0:7680 |  | 0:3840");
        assertThat(Played.times(arrange("Tempo: 50~C % F", Choices.figure("held"))))
                .isEqualTo("0:3840 | 0:3840 | 0:3840");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 7, 99})
    void unevenness_is_heard_and_not_written(long seed) {
        Song song = SeededCharts.song((int) seed);
        Arrangement even = Played.ARRANGER.arrange(song, Choices.figure("stride-root-chord"), Hand.USUAL);
        Arrangement uneven = Played.ARRANGER.arrange(
                song, Choices.figure("stride-root-chord").with(SongChoice.SEED, seed), Hand.USUAL);
        assertThat(uneven.strokes())
                .extracting(Stroke::written)
                .isEqualTo(even.strokes().stream().map(Stroke::written).toList());
        for (int i = 0; i < even.strokes().size(); i++) {
            Stroke one = even.strokes().get(i);
            Stroke other = uneven.strokes().get(i);
            int late = other.sounding().tick() - one.sounding().tick();
            assertThat(song.bars().get(one.bar()).tempo().millisecondsOf(late)).isBetween(0.0, 9.0);
            assertThat(other.sounding().end()).isEqualTo(one.sounding().end());
            assertThat(Math.abs(
                            other.notes().get(0).velocity() - one.notes().get(0).velocity()))
                    .isLessThanOrEqualTo(7);
        }
        assertThat(uneven.strokes()).isNotEqualTo(even.strokes());
        assertThat(Played.ARRANGER.arrange(
                        song, Choices.figure("stride-root-chord").with(SongChoice.SEED, seed), Hand.USUAL))
                .isEqualTo(uneven);
    }

    /** HANDBOOK §7, dynamics: a bass a little stronger than the chords, accents stronger than their neighbours. */
    @Test
    void a_bass_is_stronger_than_its_chords_and_an_accent_than_both() {
        List<Stroke> stride =
                arrange("C", Choices.figure("stride-root-chord")).left().strokes();
        assertThat(stride.get(0).notes().get(0).velocity())
                .isGreaterThan(stride.get(1).notes().get(0).velocity());
        List<Stroke> tango =
                arrange("C", Choices.figure("tango-slipped")).left().strokes();
        assertThat(tango.get(1).notes().get(0).velocity())
                .isGreaterThan(tango.get(2).notes().get(0).velocity());
    }

    /** HANDBOOK §13: play, roll, pedal, leave out. */
    @Test
    void what_to_do_with_a_tenth() {
        Song song = song("Key: E♭~E♭");
        Hand small = Hand.of(180);
        for (TooWide way : TooWide.values()) {
            Stroke stroke = Played.ARRANGER
                    .arrange(
                            song,
                            Choices.figure("held")
                                    .with(LeftChoice.VOICING, "tenth")
                                    .with(LeftChoice.TENTHS, way),
                            small)
                    .left()
                    .strokes()
                    .get(0);
            assertThat(stroke.roll().isPresent()).as(way.id()).isEqualTo(way == TooWide.ROLL || way == TooWide.PEDAL);
            assertThat(stroke.notes()).as(way.id()).hasSize(way == TooWide.OMIT ? 1 : 2);
        }
    }

    /** Anticipations, odd metres and triplets: times off the grid of sixteenths do not swing. */
    @Test
    void triplets_stay_where_they_are_in_a_swung_song() {
        Arrangement relay = arrange("Feel: swing~Tempo: 100~C", Choices.figure("relay"));
        assertThat(relay.strokes())
                .extracting(stroke -> stroke.sounding().tick())
                .startsWith(0, 320, 640);
    }

    @Test
    void presets_say_what_they_set() {
        Song song = song("Feel: swing~Tempo: 140~C6 Am7 Dm7 G7");
        Set<String> figures = Preset.all().stream()
                .map(preset -> preset.options(song).get(LeftChoice.FIGURE).orElseThrow())
                .collect(Collectors.toSet());
        assertThat(Preset.all()).extracting(Preset::id).containsExactly("hymn", "alone", "singer", "band");
        assertThat(figures).contains("charleston", "stride-root-chord");
        for (Preset preset : Preset.all()) {
            for (String meter : List.of("4/4", "3/4", "2/4", "6/8", "9/8", "12/8", "5/4", "7/8")) {
                Song other = song("Meter: " + meter + "~C Am Dm G7");
                Arrangement arrangement =
                        Played.ARRANGER.arrange(other, Choices.OPEN.song(preset.options(other)), Hand.USUAL);
                assertThat(arrangement.strokes())
                        .as(preset.id() + " in " + meter)
                        .isNotEmpty();
                assertThat(arrangement.notices().stream().map(Reason::code))
                        .as(preset.id() + " in " + meter)
                        .isSubsetOf("figure-adapted", "voicing-unused", "register-unused");
            }
        }
        assertThat(notes(arrange(
                        "C Am",
                        Choices.OPEN.song(Preset.named("band").orElseThrow().options(song)))))
                .doesNotContain("2");
    }
}
