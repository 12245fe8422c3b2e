package zapateo.righthand;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.part.LowIntervalLimits;
import zapateo.pitch.Pitch;
import zapateo.search.CostTerm;

/**
 * Four voices on one chord, and what a teacher of part writing would mark in them (common practice): doublings,
 * spacing, parallels, leaps, a leading tone or a seventh left hanging.
 *
 * @param keys bass, tenor, alto, soprano; what a voice leaves out is below 0
 */
record Voices(List<Integer> keys, ChordSymbol chord) {

    static final int ABSENT = -1;
    private static final int SOPRANO = 3;
    private static final int FIFTH = 7;
    private static final int BASS_LOW = Pitch.parse("G2").midi();
    private static final int BASS_HIGH = Pitch.parse("A3").midi();
    private static final double TRIPLED = 2.5;
    private static final double LOST = 3;
    private static final double HIDES = 4.5;
    private static final double MUD = 4;

    /** The costs of a way through them in a key. */
    static List<CostTerm<Voices>> terms(Key key) {
        return List.of(
                CostTerm.own("doubling", 1, voices -> voices.doubling(key)),
                CostTerm.own("spacing", 1, Voices::spacing),
                CostTerm.own(
                        "left-out",
                        3,
                        voices -> voices.keys.stream().filter(each -> each < 0).count()),
                CostTerm.step("movement", 0.08, Voices::movement),
                CostTerm.step("parallels", 40, Voices::parallels),
                CostTerm.step("same-way", 1, Voices::sameWay),
                CostTerm.step("hanging", 2, (from, to) -> from.hanging(to, key)));
    }

    private double doubling(Key key) {
        int[] times = new int[Pitch.OCTAVE];
        keys.stream().filter(each -> each >= 0).forEach(each -> times[Math.floorMod(each, Pitch.OCTAVE)]++);
        int leading = Math.floorMod(key.tonic().chroma() + 11, Pitch.OCTAVE);
        double cost = times[leading] > 1 && chord.tones().stream().anyMatch(tone -> tone.chroma() == leading) ? 8 : 0;
        for (var tone : chord.quality().tones()) {
            int count = times[chord.tone(tone).chroma()];
            cost += switch (tone.number()) {
                case 1 -> count == 0 ? 1.5 : count > 2 ? TRIPLED : 0;
                case 3 -> count > 1 ? 1.2 : 0;
                case 5 -> count == 0 ? tone.semitones() == FIFTH ? 0.4 : LOST : count > 1 ? 0.5 : 0;
                default -> count > 1 ? 5 : count == 0 ? LOST : 0;
            };
        }
        return cost;
    }

    private double spacing() {
        int bass = keys.get(0);
        double cost = 0.25 * (Math.max(0, BASS_LOW - bass) + Math.max(0, bass - BASS_HIGH));
        if (keys.contains(ABSENT)) {
            return cost;
        }
        int upper = keys.get(SOPRANO) - keys.get(2);
        int lower = keys.get(2) - keys.get(1);
        // A second under the tune hides it; what lies close in the deep is mud; one hand has no third twice.
        boolean third = keys.get(1) % Pitch.OCTAVE == bass % Pitch.OCTAVE
                && chord.bassDegree().orElse(1) == 3;
        cost += (upper <= 2 ? HIDES : 0)
                + (LowIntervalLimits.isMud(new int[] {bass, keys.get(1)}, 0, 1, false) ? MUD : 0)
                + (third ? HIDES : 0);
        return cost
                + 0.04 * Math.abs(upper - lower)
                + Math.max(0, lower - Pitch.OCTAVE)
                + (keys.get(1) - bass > Pitch.OCTAVE + FIFTH ? 1 : 0);
    }

    private double movement(Voices to) {
        double moved = 0;
        for (int voice = 0; voice < SOPRANO; voice++) {
            if (has(voice) && to.has(voice)) {
                int by = Math.abs(to.keys.get(voice) - keys.get(voice));
                int free = voice == 0 ? Pitch.OCTAVE : 4;
                moved += (voice == 0 ? by / 2.0 : by) + (by > free ? 4 * (by - free) : 0) + (by == 6 ? 6 : 0);
            }
        }
        return moved;
    }

    /**
     * Fifths and octaves side by side, in how many pairs of voices; the outer ones jumping into one the same way count
     * for a tenth.
     */
    private double parallels(Voices to) {
        double found = 0;
        for (int low = 0; low < SOPRANO; low++) {
            for (int high = low + 1; high <= SOPRANO; high++) {
                found += parallel(to, low, high);
            }
        }
        return found;
    }

    private double parallel(Voices to, int low, int high) {
        if (!has(low) || !has(high) || !to.has(low) || !to.has(high)) {
            return 0;
        }
        int before = keys.get(high) - keys.get(low);
        int after = to.keys.get(high) - to.keys.get(low);
        boolean perfect = after % Pitch.OCTAVE == 0 || after % Pitch.OCTAVE == FIFTH;
        int lower = to.keys.get(low) - keys.get(low);
        int upper = to.keys.get(high) - keys.get(high);
        if (!perfect || lower == 0 || upper == 0) {
            return 0;
        }
        if (before % Pitch.OCTAVE == after % Pitch.OCTAVE) {
            return 1;
        }
        return low == 0 && high == SOPRANO && lower * upper > 0 && Math.abs(upper) > 2 ? 0.1 : 0;
    }

    /** All voices one way; a voice beyond where its neighbour just was. */
    private double sameWay(Voices to) {
        if (keys.contains(ABSENT) || to.keys.contains(ABSENT)) {
            return 0;
        }
        Set<Integer> ways = IntStream.rangeClosed(0, SOPRANO)
                .mapToObj(voice -> Integer.signum(to.keys.get(voice) - keys.get(voice)))
                .collect(Collectors.toCollection(TreeSet::new));
        double cost = ways.size() == 1 && !ways.contains(0) ? 1.5 : 0;
        int outer = (to.keys.get(0) - keys.get(0)) * (to.keys.get(SOPRANO) - keys.get(SOPRANO));
        cost += outer > 0 ? 0.3 : 0;
        for (int voice = 0; voice < SOPRANO; voice++) {
            cost += to.keys.get(voice) > keys.get(voice + 1) || to.keys.get(voice + 1) < keys.get(voice) ? 1 : 0;
        }
        return cost;
    }

    /** A leading tone that does not go up, a seventh that does not step down, where the chord changes. */
    private double hanging(Voices to, Key key) {
        if (chord.inRootPosition().equals(to.chord.inRootPosition())) {
            return 0;
        }
        int leading = Math.floorMod(key.tonic().chroma() + 11, Pitch.OCTAVE);
        boolean home = to.chord.tones().stream()
                .anyMatch(tone -> tone.chroma() == key.tonic().chroma());
        int seventh =
                chord.quality().tone(7).map(tone -> chord.tone(tone).chroma()).orElse(ABSENT);
        double cost = 0;
        for (int voice = 0; voice < SOPRANO; voice++) {
            if (has(voice) && to.has(voice)) {
                int by = to.keys.get(voice) - keys.get(voice);
                int chroma = Math.floorMod(keys.get(voice), Pitch.OCTAVE);
                boolean inner = voice > 0;
                cost += chroma == leading && home && by != 1 && by != 0 ? inner && by < 0 && by >= -4 ? 0.4 : 1.5 : 0;
                cost += chroma == seventh && (by > 0 || by < -2) ? 1.5 : 0;
            }
        }
        return cost;
    }

    private boolean has(int voice) {
        return keys.get(voice) >= 0;
    }
}
