package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.song.TuneNote;

/** Takes played in by a script, as unevenly as a hand plays. */
class TakeTest {

    private static final double UNEVEN_MS = 40;
    private static final Pitch[] KEYS = {
        Pitch.parse("C5"), Pitch.parse("D5"), Pitch.parse("E5"), Pitch.parse("G5"), Pitch.parse("A4")
    };

    /** One beat's onsets as parts of it. */
    private static final List<int[]> EIGHTHS = List.of(new int[] {1}, new int[] {2}, new int[] {3});

    private static final List<int[]> SIXTEENTHS = List.of(new int[] {1}, new int[] {2}, new int[] {4});

    private record Script(List<Integer> ticks, List<Take.Struck> struck) {}

    /** Whole divisions beat after beat, some beats held over. */
    private static Script script(long seed, int bpm, List<int[]> cells) {
        Random random = new Random(seed);
        double beatMs = 60_000.0 / bpm;
        List<Integer> ticks = new ArrayList<>();
        List<Take.Struck> struck = new ArrayList<>();
        for (int beat = 0; beat < 32; beat++) {
            int parts = random.nextInt(6) == 0 && beat > 0 ? 0 : cells.get(random.nextInt(cells.size()))[0];
            for (int part = 0; part < parts; part++) {
                ticks.add(beat * 960 + part * 960 / parts);
                double ms = Math.max(
                        0, (beat + part / (double) parts) * beatMs + (random.nextDouble() * 2 - 1) * UNEVEN_MS);
                struck.add(new Take.Struck(ms, beatMs / parts * 0.85, KEYS[random.nextInt(KEYS.length)]));
            }
        }
        return new Script(ticks, struck);
    }

    private static List<Integer> onsets(Take take) {
        List<Integer> ticks = new ArrayList<>();
        boolean tied = false;
        for (int bar = 0; bar < take.bars().size(); bar++) {
            for (TuneNote note : take.bars().get(bar)) {
                if (note.pitch().isPresent() && !tied) {
                    ticks.add(bar * 3840 + note.tick());
                }
                tied = note.tied();
            }
        }
        return ticks;
    }

    /**
     * Uniform ±40 ms, 60 to 160 bpm with eighths and triplets, to 120 with sixteenths: 95 % of notes where they belong.
     */
    @ParameterizedTest(name = "{0} bpm, sixteenths {1}")
    @CsvSource({
        "60,false",
        "80,false",
        "100,false",
        "120,false",
        "140,false",
        "160,false",
        "60,true",
        "80,true",
        "100,true",
        "120,true"
    })
    void a_take_is_written_in_the_rhythm_it_was_meant_in(int bpm, boolean sixteenths) {
        int notes = 0;
        int right = 0;
        for (int seed = 0; seed < 40; seed++) {
            Script script = script(seed, bpm, sixteenths ? SIXTEENTHS : EIGHTHS);
            List<Integer> found = onsets(Take.of(script.struck(), Tempo.of(bpm, 960), Meter.of(4, 4)));
            assertThat(found).hasSameSizeAs(script.ticks());
            for (int i = 0; i < found.size(); i++) {
                notes++;
                right += found.get(i).equals(script.ticks().get(i)) ? 1 : 0;
            }
        }
        assertThat(right / (double) notes).as("%d of %d", right, notes).isGreaterThanOrEqualTo(0.95);
    }

    /**
     * Two beats of 2/4 at 120, then 6/8 in dotted quarters at 60, then a bar of 5/8 with a beat cut short: each bar in
     * its own metre.
     */
    @Test
    void a_take_over_changing_metres_falls_into_each_bars_own_beats() {
        List<Take.Under> bars = List.of(
                Take.Under.of(Meter.of(2, 4), 1920, Tempo.of(120, 960)),
                Take.Under.of(Meter.of(6, 8), 2880, Tempo.of(60, 1440)),
                Take.Under.of(Meter.of(3, 4), 2400, Tempo.of(120, 960)));
        List<Take.Struck> struck = new ArrayList<>();
        double[] ms = {0, 510, 740, 1010, 1330, 1650, 2020, 3010, 3490, 3990, 4260};
        for (int i = 0; i < ms.length; i++) {
            struck.add(new Take.Struck(ms[i], 150, KEYS[i % KEYS.length]));
        }
        assertThat(Take.of(struck, bars).bars().stream()
                        .map(bar -> bar.stream()
                                .filter(note -> note.pitch().isPresent())
                                .map(TuneNote::tick)
                                .toList())
                        .toList())
                .containsExactly(List.of(0, 960, 1440), List.of(0, 480, 960, 1440), List.of(0, 960, 1920), List.of(0));
    }

    @Test
    void bars_are_filled_with_notes_ties_and_rests() {
        List<Take.Struck> struck = List.of(
                new Take.Struck(10, 480, KEYS[0]),
                new Take.Struck(1490, 900, KEYS[1]),
                new Take.Struck(2510, 200, KEYS[2]));
        Take take = Take.of(struck, Tempo.of(120, 960), Meter.of(4, 4));
        assertThat(take.bars()).hasSize(2);
        assertThat(take.bars())
                .allSatisfy(bar ->
                        assertThat(bar.stream().mapToInt(TuneNote::ticks).sum()).isEqualTo(3840));
        assertThat(take.bars().get(0).stream()
                        .map(note -> note.pitch().map(Object::toString).orElse("r")
                                + note.ticks()
                                + (note.tied() ? "~" : ""))
                        .toList())
                .isEqualTo(List.of("C5960", "r1920", "D5960~"));
        assertThat(take.bars().get(1).get(0).pitch()).contains(KEYS[1]);
    }

    @Test
    void a_dotted_beat_is_divided_by_three_and_keys_together_are_the_highest() {
        double eighth = 60_000.0 / 80 / 3;
        List<Take.Struck> struck = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            struck.add(new Take.Struck(i * eighth + (i % 2 == 0 ? 15 : 0), eighth, KEYS[0]));
        }
        struck.add(new Take.Struck(8, eighth, KEYS[4]));
        Take take = Take.of(struck, Tempo.of(80, 1440), Meter.of(6, 8));
        assertThat(take.bars().get(0)).extracting(TuneNote::tick).containsExactly(0, 480, 960, 1440, 1920, 2400);
        assertThat(take.bars().get(0).get(0).pitch()).contains(KEYS[0]);
        assertThat(Take.of(List.of(), Tempo.of(80, 960), Meter.of(4, 4)).bars()).isEmpty();
    }

    /**
     * Under a fermata, which lasts twice as long, a beat is twice as long too; what comes after it lies in its place.
     */
    @Test
    void a_take_waits_where_the_music_does() {
        zapateo.song.Song song = zapateo.song.ChartParser.parse("Tempo: 120\n| C | G (fermata) C | F |")
                .song()
                .orElseThrow();
        List<Take.Struck> struck = new ArrayList<>();
        // Quarters of the second bar: the first two are held, one second each at 120; played half as fast they last
        // two.
        for (double ms : new double[] {0, 2000, 4000, 5000, 6000, 7000}) {
            struck.add(new Take.Struck(ms, 800, Pitch.parse("C5")));
        }
        List<TuneNote> bars = Take.of(struck, song, 1, 0.5).bars().stream()
                .flatMap(List::stream)
                .filter(note -> note.pitch().isPresent())
                .toList();
        assertThat(bars).extracting(TuneNote::tick).containsExactly(0, 960, 1920, 2880, 0, 960);
    }
}
