package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.arrangement.ReadOver;
import zapateo.arrangement.SongChoice;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Liveliness;
import zapateo.song.Song;

/**
 * Walking lines against forty bars written out by hand from HANDBOOK §6b and §6 (common practice): the same kind of
 * answer on every beat that decides – the bass where a chord begins, a step, the next chord's fifth or a chord tone a
 * third away before it changes – and mostly the same in between.
 */
class WalkingLineTest {

    private static final double ALIKE = 0.5;

    /**
     * On the first beat, the half and where a group begins a line has tones of the chord, but for the last note before
     * the next one. Source: HANDBOOK §6b (strong beats have the chord's tones); which beats are strong: TimeTest.
     */
    @ParameterizedTest(name = "{0}")
    @ValueSource(strings = {"12/8", "5/4", "7/4", "4/4", "6/4"})
    void strong_beats_have_tones_of_the_chord(String meter) {
        List<String> strange = new ArrayList<>();
        for (long seed = 1; seed <= 12; seed++) {
            Song song =
                    Played.song("Key: F~Meter: " + meter + "~Tempo: 120~| F | F | Dm7 | Dm7 | Gm7 | Gm7 | C7 | C7 |");
            Arrangement arrangement = Played.ARRANGER.arrange(
                    song, Choices.figure("walking").endsHeld(false).with(SongChoice.SEED, seed), Pianist.USUAL);
            List<Stroke> line = arrangement.left().strokes();
            for (int i = 0; i + 1 < line.size(); i++) {
                int tick = line.get(i).written().tick();
                ChordSymbol chord = song.chordAt(tick).orElseThrow();
                boolean leads = !song.chordAt(line.get(i + 1).written().tick()).equals(Optional.of(chord));
                boolean strong =
                        song.meter().isStrong(Math.floorMod(tick, song.meter().barTicks()));
                int key = line.get(i).lowest().midi();
                if (strong && !leads && chord.tones().stream().noneMatch(tone -> tone.chroma() == key % 12)) {
                    strange.add(seed + ": " + line.get(i).lowest() + " over " + chord + " at " + tick);
                }
            }
        }
        assertThat(strange).isEmpty();
    }

    /** Key, metre, chart and line; each bar of the line as its notes. */
    @ParameterizedTest(name = "{2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "F;4/4;Gm7 | Gm7 | C7 | C7;G2 B♭2 D3 F3 | G3 F3 D3 D♭3 | C3 E3 G3 A3 | B♭3 A3 G3 E3",
                "B♭;4/4;B♭ | G7 | Cm7 | F7;B♭2 A2 A♭2 F2 | G2 B2 D3 D♭3 | C3 B♭2 G2 E2 | F2 A2 C3 A2",
                "C;4/4;Dm7 G7 | Cmaj7 A7 | Dm7 G7 | Cmaj7;D2 A♭2 G2 D2 | C2 B1 A1 E2 | D2 F2 G2 B2 | C3 G2 E2 C2",
                "Cm;4/4;Dm7♭5 G7 | Cm | Fm | G7;D2 F2 G2 B2 | C3 D3 E♭3 E3 | F3 E♭3 C3 A♭2 | G2 A♭2 B2 D3",
                "F;4/4;F | F7 | B♭ | B♭m;F2 G2 A2 C3 | F3 E♭3 C3 A2 | B♭2 C3 D3 F3 | B♭2 A♭2 G♭2 F2",
                "E♭;4/4;E♭ | C7 | Fm7 | B♭7;E♭2 F2 G2 D♭2 | C2 D2 E2 G2 | F2 G2 A♭2 A2 | B♭2 A♭2 F2 D2",
                "G;3/4;G | E7 | Am7 | D7;G2 A2 F2 | E2 G♯2 B2 | A2 C3 E♭3 | D3 C3 A2",
                "Dm;4/4;Dm | Dm/C | B♭maj7 | A7;D3 A2 F2 D2 | C2 D2 E2 C2 | B♭1 D2 F2 B♭2 | A2 C♯3 E3 C♯3",
                "C;2/4;C | Am | Dm | G7;C2 B1 | A1 C♯2 | D2 F♯2 | G2 B2",
                "A;4/4;A7 | A7 | D7 | D♯°7;A2 C♯3 E3 F♯3 | G3 F♯3 E3 E♭3 | D3 F♯3 A3 E3 | D♯3 F♯3 A3 F♯3"
            })
    void the_same_kind_of_answer(String key, String meter, String chart, String byHand) {
        Song song = Played.song("Key: " + key + "~Meter: " + meter + "~Tempo: 120~| " + chart + " |");
        Arrangement arrangement =
                Played.ARRANGER.arrange(song, Choices.figure("walking").endsHeld(false), Pianist.USUAL);
        List<Integer> played = arrangement.left().strokes().stream()
                .map(stroke -> stroke.lowest().midi())
                .toList();
        List<Integer> written = Arrays.stream(byHand.replace("|", "").trim().split(" +"))
                .map(note -> Pitch.parse(note).midi())
                .toList();
        assertThat(played).hasSameSizeAs(written);
        int alike = 0;
        int free = 0;
        for (int beat = 0; beat < played.size(); beat++) {
            int tick = beat * 960;
            boolean opens =
                    song.placedAt(tick).filter(place -> place.tick() == tick).isPresent()
                            && !song.chordAt(tick).equals(tick == 0 ? Optional.empty() : song.chordAt(tick - 1));
            boolean leads = beat + 1 < played.size() && !song.chordAt(tick).equals(song.chordAt(tick + 960));
            if (opens) {
                assertThat(played.get(beat) % 12).as("beat " + beat).isEqualTo(written.get(beat) % 12);
            } else if (leads) {
                assertThat(leads(song, played, beat))
                        .as("beat " + beat + " of " + played)
                        .isTrue();
                assertThat(leads(song, written, beat))
                        .as("beat " + beat + " by hand")
                        .isTrue();
            } else {
                free++;
                alike += kind(song, played, beat).equals(kind(song, written, beat)) ? 1 : 0;
            }
        }
        assertThat(alike).as(names(arrangement)).isGreaterThanOrEqualTo((int) Math.floor(ALIKE * free));
        assertThat(ReadOver.of(arrangement, Pianist.USUAL))
                .noneMatch(fault -> fault.id().equals("L7"));
    }

    /** A step, the next chord's own fifth, or a tone of the chord a third away. */
    private static boolean leads(Song song, List<Integer> line, int beat) {
        ChordSymbol chord = song.chordAt(beat * 960).orElseThrow();
        ChordSymbol next = song.chordAt(beat * 960 + 960).orElseThrow();
        int away = Math.floorMod(line.get(beat + 1) - line.get(beat), 12);
        boolean third = away == 3 || away == 4 || away == 8 || away == 9;
        return away == 1
                || away == 2
                || away == 10
                || away == 11
                || away == 0 && chord.bass().chroma() == next.bass().chroma()
                || third && holds(chord, line.get(beat))
                || next.quality()
                        .tone(5)
                        .filter(fifth -> next.tone(fifth).chroma() == line.get(beat) % 12)
                        .isPresent();
    }

    private static boolean holds(ChordSymbol chord, int key) {
        return chord.tones().stream().anyMatch(tone -> tone.chroma() == key % 12);
    }

    private static String kind(Song song, List<Integer> line, int beat) {
        return holds(song.chordAt(beat * 960).orElseThrow(), line.get(beat)) ? "tone" : "between";
    }

    private static String names(Arrangement arrangement) {
        return arrangement.left().strokes().stream()
                .map(stroke -> stroke.lowest().toString())
                .collect(Collectors.joining(" "));
    }

    /**
     * A chord that stays has its root back every second bar, an arc over it, and no pair of notes in turn (FAULTS.md
     * L7).
     */
    @ParameterizedTest
    @CsvSource({"C7", "Gm7", "Fmaj7", "B♭", "Dm7♭5", "A7♭9", "E♭6", "Am"})
    void a_chord_that_stays_is_walked_over_and_not_trod_on(String chord) {
        Arrangement arrangement =
                Played.arrange("Key: C~Tempo: 140~| " + (chord + " | ").repeat(8) + "F |", Choices.figure("walking"));
        List<Integer> keys = arrangement.left().strokes().stream()
                .filter(stroke -> stroke.bar() < 8)
                .map(stroke -> stroke.lowest().midi())
                .toList();
        int root = ChordSymbol.parse(chord).root().chroma();
        assertThat(IntStream.of(0, 8, 16, 24).map(beat -> keys.get(beat) % 12)).containsOnly(root);
        assertThat(IntStream.range(0, keys.size() - 3)
                        .filter(i -> keys.get(i).equals(keys.get(i + 2))
                                && keys.get(i + 1).equals(keys.get(i + 3))))
                .isEmpty();
        assertThat(keys.stream().distinct().count()).isGreaterThanOrEqualTo(6);
        assertThat(keys).allMatch(key -> key >= 28 && key <= 55);
    }

    /**
     * With liveliness a skip falls between the beats now and then, quiet and on the chord; the beats stay what they
     * are.
     */
    @ParameterizedTest
    @CsvSource({"NONE,0", "SOME,1", "MUCH,1"})
    void skips_come_with_liveliness(Liveliness liveliness, int least) {
        List<Stroke> line = Played.arrange(
                        "Key: F~Feel: swing~Tempo: 140~| F | D7 | Gm7 | C7 | F | D7 | Gm7 | C7 | F |",
                        Choices.figure("walking").with(LeftChoice.LIVELINESS, liveliness))
                .left()
                .strokes();
        List<Stroke> skips = new ArrayList<>(line.stream()
                .filter(stroke -> stroke.written().tick() % 960 != 0)
                .toList());
        assertThat(skips.size()).isBetween(least, least * 4);
        skips.forEach(skip -> assertThat(skip.notes().get(0).velocity())
                .isLessThan(line.get(0).notes().get(0).velocity()));
    }
}
