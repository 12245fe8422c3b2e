package zapateo.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.EssentialTones;
import zapateo.harmony.VoiceLeading;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/** Four voices through a row of chords, each to the next by the shortest way: what is drawn as threads. */
final class Threads {

    private static final int LOWEST = Pitch.parse("G3").midi();
    private static final int HIGHEST = Pitch.parse("E5").midi();
    private static final double HOME = Pitch.parse("D4").midi();
    private static final int VOICES = 4;

    private Threads() {}

    /** For each chord four keys, low to high. */
    static List<int[]> through(List<ChordSymbol> chords) {
        List<List<int[]>> layers = chords.stream().map(Threads::stacks).toList();
        ToDoubleFunction<int[]> away = keys -> Math.abs((keys[0] + keys[VOICES - 1]) / 2.0 - HOME);
        return ShortestPath.through(
                        layers,
                        List.of(
                                CostTerm.step("movement", 1, (int[] from, int[] to) -> VoiceLeading.onKeys(from, to)),
                                CostTerm.own("register", 0.1, away)))
                .steps();
    }

    /** Every close way to lay four of its tones, one of them doubled where it has three. */
    private static List<int[]> stacks(ChordSymbol chord) {
        List<Integer> tones = new ArrayList<>();
        for (Interval tone : EssentialTones.of(chord, VOICES)) {
            tones.add(chord.tone(tone).chroma());
        }
        List<int[]> stacks = new ArrayList<>();
        for (int lowest = LOWEST; lowest <= HIGHEST - Pitch.OCTAVE / 2; lowest++) {
            int[] keys = new int[VOICES];
            int found = 0;
            for (int key = lowest; key <= HIGHEST && found < VOICES; key++) {
                if (tones.contains(key % Pitch.OCTAVE)) {
                    keys[found++] = key;
                }
            }
            if (found == VOICES && keys[0] == lowest) {
                stacks.add(keys);
            }
        }
        return stacks;
    }
}
