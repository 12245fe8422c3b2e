package zapateo.harmony;

import java.util.ArrayList;
import java.util.List;
import zapateo.pitch.PitchClass;

/**
 * How two chords hang together: the tones they share and the least their voices must move, in semitones (Tymoczko
 * 2006's measure, HANDBOOK §4). Where one has more tones than the other, tones of the smaller are doubled as suits
 * best.
 */
public record VoiceLeading(List<PitchClass> common, int movement) {

    public static VoiceLeading between(ChordSymbol from, ChordSymbol to) {
        List<Integer> before = chromas(from);
        List<PitchClass> common = to.tones().stream()
                .filter(tone -> before.contains(tone.chroma()))
                .toList();
        return new VoiceLeading(common, least(before, chromas(to)));
    }

    /**
     * Semitones that voices travel from keys to keys, low to high: each to the one in its place, and where one chord
     * has more of them each to its nearest. Nothing where one of them has none.
     */
    public static int onKeys(int[] from, int[] to) {
        if (from.length == to.length) {
            int sum = 0;
            for (int i = 0; i < to.length; i++) {
                sum += Math.abs(from[i] - to[i]);
            }
            return sum;
        }
        return from.length == 0 || to.length == 0 ? 0 : Math.max(nearest(from, to), nearest(to, from));
    }

    private static int nearest(int[] from, int[] to) {
        int sum = 0;
        for (int key : from) {
            int least = Integer.MAX_VALUE;
            for (int other : to) {
                least = Math.min(least, Math.abs(key - other));
            }
            sum += least;
        }
        return sum;
    }

    private static List<Integer> chromas(ChordSymbol chord) {
        return chord.tones().stream()
                .map(PitchClass::chroma)
                .distinct()
                .sorted()
                .toList();
    }

    private static int least(List<Integer> from, List<Integer> to) {
        List<Integer> few = from.size() <= to.size() ? from : to;
        List<Integer> many = from.size() <= to.size() ? to : from;
        int least = Integer.MAX_VALUE;
        for (List<Integer> doubled : doublings(few, many.size())) {
            for (int turn = 0; turn < many.size(); turn++) {
                int sum = 0;
                for (int i = 0; i < many.size(); i++) {
                    int apart = Math.floorMod(many.get((i + turn) % many.size()) - doubled.get(i), 12);
                    sum += Math.min(apart, 12 - apart);
                }
                least = Math.min(least, sum);
            }
        }
        return least;
    }

    /** Every way to double tones of a chord until it has {@code size} of them, in order. */
    private static List<List<Integer>> doublings(List<Integer> tones, int size) {
        List<List<Integer>> all = new ArrayList<>();
        fill(tones, 0, size, new ArrayList<>(), all);
        return all;
    }

    private static void fill(List<Integer> tones, int at, int size, List<Integer> begun, List<List<Integer>> all) {
        if (at == tones.size()) {
            if (begun.size() == size) {
                all.add(List.copyOf(begun));
            }
            return;
        }
        int left = tones.size() - at - 1;
        for (int copies = 1; begun.size() + copies + left <= size; copies++) {
            List<Integer> next = new ArrayList<>(begun);
            for (int i = 0; i < copies; i++) {
                next.add(tones.get(at));
            }
            fill(tones, at + 1, size, next, all);
        }
    }
}
