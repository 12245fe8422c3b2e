package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.colour.Harmonising;
import zapateo.critic.Critic;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.lefthand.LeftChoice;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Under;
import zapateo.song.ChartParser;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/** Hymns in four parts: their cadences by hand, and what a teacher of part writing looks for (common practice). */
class FourPartsTest {

    private static final Harmonising.Style HYMN =
            Harmonising.Style.named("hymn").orElseThrow();
    private static final int FIFTH = 7;
    private static final int OCTAVE = 12;

    /** One made tune and the numerals its phrases close on. */
    private record Hymn(String name, Song song, List<String> cadences) {

        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Hymn> hymns() {
        try (var text = FourPartsTest.class.getResourceAsStream("hymns.txt")) {
            return new String(text.readAllBytes(), StandardCharsets.UTF_8)
                            .lines()
                            .filter(line -> !line.startsWith("#"))
                            .map(line -> line.split(" ; "))
                            .map(fields -> new Hymn(
                                    fields[0], song(fields[1], fields[2], fields[3]), List.of(fields[4].split(" "))))
                            .toList()
                            .stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Song song(String key, String meter, String tune) {
        return ChartParser.parse("Key: " + key + "\nMeter: " + meter + "\n|"
                        + " N.C. |".repeat(tune.split("\\|").length) + "\nTune: | " + tune + " |")
                .song()
                .orElseThrow();
    }

    /** What an organist closes on stands in hymns.txt, worked by hand before it was looked at what the program does. */
    @ParameterizedTest
    @MethodSource("hymns")
    void phrases_close_as_an_organist_closes_them(Hymn hymn) {
        Song written = Harmonising.of(hymn.song, Harmonising.Pace.BEAT, HYMN);
        List<WrittenBar> bars = written.writtenBars();
        for (int i = 0; i < hymn.cadences.size(); i++) {
            String wanted = hymn.cadences.get(i);
            int bar = 2 * i + 1;
            List<ChordSymbol> chords = IntStream.rangeClosed(0, bar)
                    .mapToObj(bars::get)
                    .flatMap(each -> each.chords().stream())
                    .flatMap(span -> span.chord().stream())
                    .toList();
            ChordSymbol last = chords.get(chords.size() - 1);
            ChordSymbol before = chords.get(chords.size() - 2);
            String found = numeral(hymn.song.key(), last);
            if (wanted.contains("-")) {
                assertThat(numeral(hymn.song.key(), before) + "-" + found)
                        .as("bar %d of %s", bar + 1, bars)
                        .isEqualTo(wanted);
                assertThat(before.over())
                        .as("bar %d of %s: a dominant on its root", bar + 1, bars)
                        .isEmpty();
            } else if (!wanted.equals(".")) {
                assertThat(List.of(wanted.split(",")))
                        .as("bar %d of %s", bar + 1, bars)
                        .contains(found);
            }
            assertThat(i % 2 == 0 || last.over().isEmpty())
                    .as("four bars end on a root")
                    .isTrue();
        }
        assertThat(Critic.harmonisation(written, true)).isEmpty();
        assertThat(written.chords()
                        .filter(place -> place.chord().orElseThrow().over().isPresent())
                        .count())
                .as("inversions in %s", written)
                .isPositive();
    }

    /** A capital for a major third, a small one for a minor; the seventh is not told. */
    private static String numeral(Key key, ChordSymbol chord) {
        int degree = Math.floorMod(chord.root().chroma() - key.tonic().chroma(), OCTAVE);
        String[] names = {"I", "bII", "II", "III", "III", "IV", "#IV", "V", "VI", "VI", "VII", "VII"};
        return chord.quality().has(3, 3) ? names[degree].toLowerCase(Locale.ROOT) : names[degree];
    }

    @ParameterizedTest
    @MethodSource("hymns")
    void four_voices_are_written_as_a_teacher_would_have_them(Hymn hymn) {
        Song written = Harmonising.of(hymn.song, Harmonising.Pace.BEAT, HYMN);
        List<int[]> voices = voices(written, Hand.USUAL);
        assertThat(voices).hasSizeGreaterThan(12);
        assertThat(parallels(voices)).as(told(voices)).isEmpty();
        int leading = Math.floorMod(written.key().tonic().chroma() + 11, OCTAVE);
        int contrary = 0;
        int moved = 0;
        for (int i = 0; i < voices.size(); i++) {
            int[] four = voices.get(i);
            assertThat(four).as("voices at place %d", i).hasSize(4);
            assertThat(four).as("voices of place %d", i).isSorted();
            assertThat(four[3] - four[2]).isLessThanOrEqualTo(OCTAVE);
            assertThat(four[2] - four[1]).isLessThanOrEqualTo(OCTAVE + 4);
            assertThat(Arrays.stream(four)
                            .filter(key -> Math.floorMod(key, OCTAVE) == leading)
                            .count())
                    .as("leading tones at place %d of %s", i, told(voices))
                    .isLessThanOrEqualTo(1);
            if (i > 0 && four[0] != voices.get(i - 1)[0] && four[3] != voices.get(i - 1)[3]) {
                moved++;
                contrary += (four[0] > voices.get(i - 1)[0]) != (four[3] > voices.get(i - 1)[3]) ? 1 : 0;
            }
        }
        assertThat(contrary * 5)
                .as("outer voices against one another, five times, of %d", moved)
                .isGreaterThanOrEqualTo(moved * 2);
    }

    /** On tunes drawn by a seed, in every key: each name of a seed stands in what fails. */
    @Test
    void tunes_nobody_tuned_for_have_no_parallels_and_lie_in_small_hands() {
        int places = 0;
        List<String> found = new ArrayList<>();
        for (long seed = 0; seed < 60; seed++) {
            SplittableRandom chance = new SplittableRandom(seed);
            List<String> tonics = List.of("C", "Dm", "Eb", "F#m", "G", "Bbm", "A", "Cm", "B", "Gm");
            Song song = drawn(chance, tonics.get((int) seed % tonics.size()));
            Hand hand = Hand.of(165 + 15 * (seed % 4));
            Arrangement both = arranged(Harmonising.of(song, Harmonising.Pace.BEAT, HYMN), hand);
            List<int[]> voices = voices(both);
            places += voices.size();
            if (!parallels(voices).isEmpty()) {
                found.add("seed " + seed + " " + parallels(voices));
            }
            long number = seed;
            both.strokes()
                    .forEach(stroke -> assertThat(hand.easeOf(stroke.keys()))
                            .as("seed %d: %s", number, stroke)
                            .isNotEqualTo(Ease.OUT_OF_REACH));
        }
        assertThat(places).isGreaterThan(1200);
        assertThat(found).hasSizeLessThanOrEqualTo(places / 200);
    }

    /** The tune is on top and whole, whatever is under it; N.C. has the tune alone. */
    @Test
    void the_tune_is_whole_and_goes_alone_where_no_chord_stands() {
        Song song = ChartParser.parse(
                        "Key: G\n| G | N.C. | D7/F# | G |\nTune: | G4/8 A4/8 B4/4 C5/2 | D5/4 C5/4 B4/2 | A4/4. "
                                + "B4/8 C5/2 | B4/1 |")
                .song()
                .orElseThrow();
        Arrangement both = arranged(song, Hand.USUAL);
        List<Integer> tops = both.strokes().stream()
                .filter(stroke ->
                        stroke.hand() == Side.RIGHT && stroke.nature().origin().isTune())
                .map(stroke -> stroke.highest().midi())
                .toList();
        assertThat(tops).containsExactly(67, 69, 71, 72, 74, 72, 71, 69, 71, 72, 71);
        assertThat(both.strokes().stream()
                        .filter(stroke -> stroke.bar() == 1)
                        .map(stroke -> stroke.notes().size())
                        .collect(Collectors.toSet()))
                .containsOnly(1);
        Stroke bass = both.strokes().stream()
                .filter(stroke -> stroke.bar() == 2 && stroke.hand() == Side.LEFT)
                .findFirst()
                .orElseThrow();
        assertThat(bass.lowest().pitchClass().toString()).isEqualTo("F♯");
    }

    /** A figure that has both hands leaves the voices theirs. */
    @Test
    void voices_go_before_what_a_figure_has_for_the_right_hand() {
        Song song = ChartParser.parse("Key: C\n| C . G7 C | C |\nTune: | E5/4 F5/4 G5/2 | C5/1 |")
                .song()
                .orElseThrow();
        Choices parts = Choices.OPEN.right(RightHand.of(Style.MELODY).with(RightChoice.UNDER, Under.PARTS));
        Arrangement both = new Arranger(FigureBook.open())
                .arrange(song, parts.with(LeftChoice.FIGURE, "four-part-hymn"), Pianist.USUAL);
        assertThat(voices(both)).hasSize(5).allSatisfy(keys -> assertThat(keys).hasSize(4));
        assertThat(both.strokes()).noneMatch(stroke -> stroke.nature().origin().isLaid());
        assertThat(new Arranger(FigureBook.open())
                        .arrange(song, parts.with(LeftChoice.FIGURE, "spread-eighths"), Pianist.USUAL)
                        .pedal())
                .as("voices are bound by the fingers")
                .isEmpty();
    }

    /** An organist moves with the tune; under a long note the chord stays. */
    @Test
    void under_a_held_note_the_chord_stays() {
        Song written =
                Harmonising.of(song("C", "4/4", "E5/1 | D5/2 F5/2 | E5/2. D5/4 | C5/1"), Harmonising.Pace.BEAT, HYMN);
        assertThat(written.writtenBars().get(0).chords()).hasSize(1);
        assertThat(written.writtenBars().get(1).chords().size()).isLessThanOrEqualTo(2);
    }

    private static Song drawn(SplittableRandom chance, String tonic) {
        Key key = ChartParser.parse("Key: " + tonic + "\n| N.C. |")
                .song()
                .orElseThrow()
                .key();
        List<String> bars = new ArrayList<>();
        int at = 7;
        for (int bar = 0; bar < 8; bar++) {
            List<String> notes = new ArrayList<>();
            for (int beat = 0; beat < (bar % 2 == 1 ? 3 : 4); beat++) {
                at = Math.max(2, Math.min(11, at + chance.nextInt(-2, 3)));
                boolean last = bar == 7 && beat == 2;
                int step = last ? at < 4 ? 0 : 7 : at;
                var name = key.scale().get(step % 7);
                int octave = (key.scale().get(0).letter().ordinal() > 4 ? 3 : 4)
                        + (key.scale().get(0).letter().ordinal() + step) / 7;
                notes.add(name.toString().replace("♯", "#").replace("♭", "b")
                        + octave
                        + (bar % 2 == 1 && beat == 2 ? "/2" : "/4"));
            }
            bars.add(String.join(" ", notes));
        }
        return song(tonic, "4/4", String.join(" | ", bars));
    }

    private static Arrangement arranged(Song song, Hand hand) {
        return new Arranger(FigureBook.open())
                .arrange(
                        song,
                        Choices.OPEN.right(RightHand.of(Style.MELODY).with(RightChoice.UNDER, Under.PARTS)),
                        Pianist.of(hand));
    }

    private static List<int[]> voices(Song song, Hand hand) {
        return voices(arranged(song, hand));
    }

    /** All that is struck or held where the left hand strikes, low to high. */
    private static List<int[]> voices(Arrangement both) {
        TreeSet<Integer> ticks = both.strokes().stream()
                .filter(stroke -> stroke.hand() == Side.LEFT)
                .map(stroke -> stroke.written().tick())
                .collect(Collectors.toCollection(TreeSet::new));
        List<int[]> voices = new ArrayList<>();
        for (int tick : ticks) {
            int[] keys = both.strokes().stream()
                    .filter(stroke ->
                            stroke.written().tick() <= tick && stroke.written().end() > tick)
                    .flatMapToInt(stroke -> Arrays.stream(stroke.keys()))
                    .sorted()
                    .toArray();
            voices.add(keys);
        }
        return voices;
    }

    private static List<String> parallels(List<int[]> voices) {
        List<String> found = new ArrayList<>();
        for (int i = 1; i < voices.size(); i++) {
            // Two keys in unison are one here: nothing is told of those.
            for (int low = 0; low < 3 && voices.get(i).length == 4 && voices.get(i - 1).length == 4; low++) {
                for (int high = low + 1; high < 4; high++) {
                    int before = voices.get(i - 1)[high] - voices.get(i - 1)[low];
                    int after = voices.get(i)[high] - voices.get(i)[low];
                    boolean moves = voices.get(i)[low] != voices.get(i - 1)[low]
                            && voices.get(i)[high] != voices.get(i - 1)[high];
                    if (moves
                            && before % OCTAVE == after % OCTAVE
                            && Set.of(0, FIFTH).contains(after % OCTAVE)) {
                        found.add("place " + i + " voices " + low + high);
                    }
                }
            }
        }
        return found;
    }

    private static String told(List<int[]> voices) {
        return voices.stream().map(Arrays::toString).collect(Collectors.joining(" "));
    }
}
