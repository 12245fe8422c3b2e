package zapateo.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Building;
import zapateo.arrangement.Choices;
import zapateo.arrangement.SongChoice;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Played;
import zapateo.refusal.Refused;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.ChartParser;
import zapateo.song.ChartText;
import zapateo.song.SeededCharts;
import zapateo.song.Song;
import zapateo.song.SongPart;

/**
 * Intros, tags and endings. The chords of each were worked out by hand in three keys; what they are made of: HANDBOOK
 * §10 and §12a, else common practice.
 */
class FormedTest {

    private static final String C = "Key: C~Tempo: 120~[A]~| C | Am | F | G7 |~[B]~| F | C | G7 | C |~";
    private static final String E_FLAT = "Key: E♭~Tempo: 120~[A]~| E♭ | Cm | A♭ | B♭7 |~[B]~| A♭ | E♭ | B♭7 | E♭ |~";
    private static final String A_MINOR = "Key: Am~Tempo: 120~[A]~| Am | F | Dm | E7 |~[B]~| Dm | Am | E7 | Am |~";
    private static final String G_SEVENTHS = "Key: G~Tempo: 120~[A]~| Gmaj7 | Em7 | Am7 | D7 |~";
    private static final String D_WALTZ = "Key: D~Meter: 3/4~Tempo: 120~[A]~| D | Bm | Em | A7 |~";

    private static Options options(String choices) {
        Options options = Options.OPEN;
        for (String each : choices.isEmpty() ? new String[0] : choices.split("; ")) {
            String[] parts = each.split(" ", 2);
            options = Options.read(SongChoice.in(Choice.Place.SONG), "", Map.of(parts[0], value(parts[0], parts[1])))
                    .over(options);
        }
        return options;
    }

    private static Object value(String name, String text) {
        return switch (name) {
            case "times", "breaks" -> List.of(text.split(" "));
            case "tags" -> Integer.valueOf(text);
            case "introWaits", "ritard" -> Boolean.valueOf(text);
            default -> text;
        };
    }

    private static Song formed(String chart, String choices) {
        return Formed.of(Played.song(chart), Building.of(options(choices))).song();
    }

    private static Song song(String name) {
        return Played.song(
                switch (name) {
                    case "C" -> C;
                    case "E♭" -> E_FLAT;
                    case "Am" -> A_MINOR;
                    case "G7ths" -> G_SEVENTHS;
                    default -> D_WALTZ;
                });
    }

    private static String chords(Song song, SongPart part) {
        return song.sections().stream()
                .filter(section -> section.part() == part)
                .flatMap(section -> section.bars().stream())
                .map(FormedTest::chords)
                .collect(Collectors.joining(" | "));
    }

    private static String chords(Bar bar) {
        return bar.chords().stream().map(span -> span.written()).collect(Collectors.joining(" "));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                // The last four bars; where they end at home the last one turns to the dominant of the first chord.
                "C;last-four;F | C | G7 | C G7",
                "E♭;last-four;A♭ | E♭ | B♭7 | E♭ B♭7",
                "Am;last-four;Dm | Am | E7 | Am E7",
                // What leads to the first chord already stays as it is.
                "C;first-chords;C | Am | F | G7",
                "E♭;first-chords;E♭ | Cm | A♭ | B♭7",
                "Am;first-chords;Am | F | Dm | E7",
                // I vi ii V, in minor i ♭VI iiø V; two to a bar where it has four beats, one to a bar of three; with
                // sevenths where the song has them.
                "C;turnaround;C Am | Dm G7 | C Am | Dm G7",
                "E♭;turnaround;E♭ Cm | Fm B♭7 | E♭ Cm | Fm B♭7",
                "Am;turnaround;Am F | Bm7♭5 E7 | Am F | Bm7♭5 E7",
                "G7ths;turnaround;G6 Em7 | Am7 D7 | G6 Em7 | Am7 D7",
                "D3;turnaround;D | Bm | Em | A7",
                // The fifth stays in the bass.
                "C;pedal;C/G | F/G | G7sus4 | G7",
                "E♭;pedal;E♭/B♭ | A♭/B♭ | B♭7sus4 | B♭7",
                "Am;pedal;Am/E | Dm/E | E7sus4 | E7"
            })
    void an_intro_says_key_and_feel(String song, String intro, String chords) {
        Song formed =
                Formed.of(song(song), Building.of(options("intro " + intro))).song();
        assertThat(chords(formed, SongPart.INTRO).replace("ø", "m7♭5")).isEqualTo(chords);
        assertThat(formed.sections().get(0).name()).isEqualTo("Intro");
        assertThat(chords(formed, SongPart.CHART))
                .isEqualTo(song(song).bars().stream().map(FormedTest::chords).collect(Collectors.joining(" | ")));
        assertThat(formed.bars().get(0).tune()).isEmpty();
    }

    /** The last line again: each time but the last it turns back by the dominant of its first chord. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "C;1;F | C | G7 | C C7;F | C | G7 | C",
                "E♭;1;A♭ | E♭ | B♭7 | E♭ E♭7;A♭ | E♭ | B♭7 | E♭",
                "Am;1;Dm | Am | E7 | Am A7;Dm | Am | E7 | Am",
                "C;2;F | C | G7 | C C7;F | C | G7 | C C7 | F | C | G7 | C"
            })
    void a_tag_says_the_last_line_again(String name, int times, String line, String tags) {
        Song formed =
                Formed.of(song(name), Building.of(options("tags " + times))).song();
        String chart = chords(formed, SongPart.CHART);
        assertThat(chart.substring(chart.length() - line.length())).isEqualTo(line);
        assertThat(chords(formed, SongPart.TAG)).isEqualTo(tags);
        Bar last = formed.bars().get(formed.bars().size() - 1);
        assertThat(last.number()).isEqualTo(8);
        assertThat(last.pass()).isEqualTo(times + 1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                // IV before the last I: in the first half of the last bar, where the bar before is another chord.
                "C;close amen;G7 | F C", "E♭;close amen;B♭7 | A♭ E♭", "Am;close amen;E7 | Dm Am",
                "C;lastBar Fm6 . C .;G7 | Fm6 C", "E♭;lastBar E♭6;B♭7 | E♭6", "Am;lastBar A;E7 | A",
                "C;breaks 8;G7 | C N.C.", "C;breaks 7;G7 N.C. | C"
            })
    void the_last_bars_are_what_was_asked_for(String name, String choices, String end) {
        String all = chords(Formed.of(song(name), Building.of(options(choices))).song(), SongPart.CHART);
        assertThat(all).endsWith("| " + end);
    }

    /** Where the bar before the last is home already the fourth degree has its second half. */
    @Test
    void a_long_home_is_left_for_the_fourth_degree_and_come_back_to() {
        assertThat(chords(formed("Key: F~| F | C7 | F | F |", "close amen"), SongPart.CHART))
                .isEqualTo("F | C7 | F B♭ | F");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "2@3;A B B B;1 2 3 4 5 6 7 8 5 6 7 8 5 6 7 8",
                "1@2;A A B;1 2 3 4 1 2 3 4 5 6 7 8",
                "1@2 2@2;A A B B;1 2 3 4 1 2 3 4 5 6 7 8 5 6 7 8"
            })
    void sections_are_played_as_often_as_is_wanted(String times, String names, String numbers) {
        Song formed = formed(C, "times " + times);
        assertThat(formed.sections().stream().map(section -> section.name()).collect(Collectors.joining(" ")))
                .isEqualTo(names);
        assertThat(formed.bars().stream()
                        .map(bar -> String.valueOf(bar.number()))
                        .collect(Collectors.joining(" ")))
                .isEqualTo(numbers);
        Map<Integer, Integer> passes =
                formed.bars().stream().collect(Collectors.toMap(Bar::number, Bar::pass, Math::max));
        assertThat(passes.get(5)).isEqualTo((int)
                formed.bars().stream().filter(bar -> bar.number() == 5).count());
    }

    /**
     * From a section's last time on all of it is higher, and the bar before leads there by the dominant of its first
     * chord.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "C;2@2;G7 D7 | G | D | A7 | D;D",
                "C;2@1;G7 D♭7 | G♭ | D♭ | A♭7 | D♭;D♭",
                "E♭;2@2;B♭7 F7 | B♭ | F | C7 | F;F",
                "Am;2@2;E7 B7 | Em | Bm | F♯7 | Bm;Bm"
            })
    void a_key_up_is_led_to(String name, String keyUp, String chords, String key) {
        Song formed =
                Formed.of(song(name), Building.of(options("keyUp " + keyUp))).song();
        assertThat(formed.bars().subList(3, 8).stream().map(FormedTest::chords).collect(Collectors.joining(" | ")))
                .isEqualTo(chords);
        assertThat(formed.bars().get(4).key()).hasToString(key);
        assertThat(formed.bars().get(3).key()).isEqualTo(song(name).key());
    }

    /**
     * 120 quarters a minute: a bar of four lasts two seconds; at 85 and 70 of a hundred it lasts 2000/0.85 and 2000/0.7
     * milliseconds.
     */
    @ParameterizedTest
    @CsvSource({
        "'',16000",
        "intro last-four,24000",
        "tags 2,32000",
        "times 2@3,32000",
        "intro turnaround; times 1@2; tags 1,40000",
        "ritard true,16000",
        "intro pedal; ritard true,24000"
    })
    void the_length_is_that_of_its_bars(String choices, int ms) {
        Arrangement arrangement = Played.ARRANGER.arrange(
                Played.song(C),
                new Choices(
                        options(choices),
                        Map.of(),
                        List.of(),
                        List.of(),
                        Choices.OPEN.weights(),
                        List.of(),
                        Choices.OPEN.right(),
                        List.of()),
                Played.LARGE);
        double slower = choices.contains("ritard") ? 2000 * 120 / 102.0 + 2000 * 120 / 84.0 - 4000 : 0;
        assertThat(arrangement.timeline().ms(arrangement.song().ticks()))
                .isEqualTo(ms + slower, org.assertj.core.data.Offset.offset(0.01));
        assertThat(arrangement.song().ticks()).isEqualTo(ms / 500 * Ticks.PER_QUARTER);
    }

    @Test
    void an_intro_that_waits_and_bars_that_wait_go_round() {
        Song formed = formed(C, "intro turnaround; introWaits true; vamp 5-6");
        assertThat(formed.bars().stream().filter(bar -> bar.vamp() >= 0).map(Bar::index))
                .containsExactly(0, 1, 2, 3, 8, 9);
        assertThat(formed.bars().get(0).number()).isEqualTo(9);
    }

    /** A pick-up takes its time from the intro's last bar, so that the first beat comes where it should. */
    @Test
    void a_pick_up_is_inside_of_the_intro() {
        Song song = java.util.stream.IntStream.range(0, 400)
                .mapToObj(SeededCharts::full)
                .map(text -> ChartParser.parse(text).song().orElseThrow())
                .filter(each -> each.bars().get(0).number() == 0
                        && each.meter().barTicks() == 4 * Ticks.PER_QUARTER
                        && each.writtenBars().stream()
                                .allMatch(bar -> bar.meter().equals(each.meter())))
                .findFirst()
                .orElseThrow();
        Song formed = Formed.of(song, Building.of(options("intro turnaround"))).song();
        assertThat(formed.bars().get(4).number()).isZero();
        assertThat(formed.bars().get(3).ticks() + formed.bars().get(4).ticks())
                .isEqualTo(song.meter().barTicks());
    }

    @Test
    void own_chords_are_read_as_a_chart_has_them() {
        assertThat(chords(formed(C, "intro own; introChords Cm7 | F7 . B♭ ."), SongPart.INTRO))
                .isEqualTo("Cm7 | F7 B♭");
        assertThat(chords(formed(D_WALTZ, "intro own; introChords | D | A7 |"), SongPart.INTRO))
                .isEqualTo("D | A7");
    }

    /** Choices that name bars hold where they did, whatever comes before. */
    @Test
    void what_was_chosen_for_bars_stays_with_them() {
        Choices choices = Choices.OPEN
                .song(options("intro last-four; times 1@2").with(LeftChoice.FIGURE, "held"))
                .override(new Choices.Override(
                        new Choices.Run(2, 2),
                        Optional.of(2),
                        Optional.empty(),
                        Options.OPEN.with(LeftChoice.FIGURE, "two-feel")));
        Arrangement arrangement = Played.ARRANGER.arrange(Played.song(C), choices, Played.LARGE);
        List<Integer> bars = arrangement.song().bars().stream()
                .map(Bar::index)
                .filter(index ->
                        arrangement.holding().get(index).heard().figure().id().equals("two-feel"))
                .toList();
        assertThat(bars).containsExactly(4 + 4 + 1);
    }

    /** The last four bars are held, each softer and with no more tones than the one before. */
    @Test
    void a_fade_grows_thinner_and_softer() {
        Arrangement arrangement = Played.ARRANGER.arrange(
                Played.song(C), Choices.figure("spread-eighths").with(SongChoice.CLOSE, Form.Close.FADE), Played.LARGE);
        int before = Integer.MAX_VALUE;
        int tones = Integer.MAX_VALUE;
        for (int index = 4; index < 8; index++) {
            int at = index;
            int loudest = arrangement.left().strokes().stream()
                    .filter(stroke -> stroke.bar() == at)
                    .flatMap(stroke -> stroke.notes().stream())
                    .mapToInt(note -> note.velocity())
                    .max()
                    .orElseThrow();
            int count = arrangement.left().strokes().stream()
                    .filter(stroke -> stroke.bar() == at)
                    .mapToInt(stroke -> stroke.notes().size())
                    .sum();
            assertThat(loudest).isLessThan(before);
            assertThat(count).isLessThanOrEqualTo(tones);
            before = loudest;
            tones = count;
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "times 5@2;times, section 5: expected 1 to 2",
                "keyUp 9@2;keyUp 9: expected a section from 1 to 2",
                "vamp 3-6;vamp 3-6: expected bars of one section",
                "breaks 40;break 40: expected the number of a bar",
                "lastBar C | F;lastBar \"C | F\": expected the chords of one bar",
                "lastBar Hxyz;lastBar \"Hxyz\": expected chords as a chart has them",
                "intro own;introChords: expected the intro's chords"
            })
    void what_cannot_be_had_is_refused_by_its_name_and_waits_where_it_is_kept(String choices, String message) {
        assertThatThrownBy(() -> Formed.check(Played.song(C), Building.of(options(choices))))
                .isInstanceOf(Refused.class)
                .hasMessageStartingWith(message);
        // The chart may have lost what a kept form names: the song is played without it, and says so.
        assertThat(chords(formed(C, choices), SongPart.CHART)).isEqualTo(chords(Played.song(C), SongPart.CHART));
        Arrangement arrangement =
                Played.ARRANGER.arrange(Played.song(C), Choices.OPEN.song(options(choices)), Played.LARGE);
        assertThat(arrangement.notices())
                .anySatisfy(notice -> assertThat(notice.code()).isEqualTo("form-waiting"));
    }

    /** Written out as a chart and read again it is the same song: 60 seeded songs in forms drawn by their number. */
    @Test
    void written_into_the_chart_it_sounds_the_same() {
        List<String> forms = List.of(
                "intro last-four",
                "intro turnaround; tags 1",
                "intro pedal; times 1@2",
                "tags 2; ritard true",
                "intro first-chords; close amen");
        for (int seed = 0; seed < 60; seed++) {
            Song formed = Formed.of(SeededCharts.song(seed), Building.of(options(forms.get(seed % forms.size()))))
                    .song();
            Song again = ChartParser.parse(ChartText.write(formed.writtenOut()))
                    .song()
                    .orElseThrow();
            assertThat(again.bars().stream().map(FormedTest::chords).toList())
                    .as("seed %d", seed)
                    .isEqualTo(formed.bars().stream().map(FormedTest::chords).toList());
            assertThat(again.ticks()).as("seed %d", seed).isEqualTo(formed.ticks());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "intro none", "close plain"})
    void nothing_asked_for_leaves_the_song_as_it_is(String choices) {
        Song song = Played.song(C);
        assertThat(Formed.of(song, Building.of(options(choices))).song()).isSameAs(song);
    }
}
