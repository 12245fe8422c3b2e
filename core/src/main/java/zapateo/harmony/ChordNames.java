package zapateo.harmony;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import zapateo.pitch.PitchClass;

/** Names for a handful of notes: what a chord is called from another of its tones, or what keys held down are. */
public final class ChordNames {

    private static final Map<Modifier.Effect, Integer> STRANGENESS =
            Map.of(Modifier.Effect.SUS, 3, Modifier.Effect.OMIT, 7, Modifier.Effect.ADD, 8, Modifier.Effect.ALTER, 14);

    /** Which sets of semitones above a root have a name, and the plainest one. */
    private static final Map<Integer, Named> BY_TONES = table();

    /** A pianist names a suspension before an eleventh chord, and leaves a tone out before altering one. */
    private static final int ELEVENTH = 8;

    private static final int SECOND = 5;

    private ChordNames() {}

    private record Named(Quality quality, int strangeness) {}

    /**
     * The other name of a chord with its bass as the root: Fsus4/G is Gm7add11no5, B♭/E♭ is E♭maj9no3, A♭/B♭ is
     * B♭9sus4no5 (HANDBOOK §3); of a chord in root position the name from its sixth, C6 being Am7/C. Empty where there
     * is no plain one.
     */
    public static Optional<ChordSymbol> other(ChordSymbol chord) {
        if (chord.over().isPresent()) {
            PitchClass bass = chord.bass();
            return name(bass.chroma(), chromas(chord)).map(quality -> ChordSymbol.of(bass, quality));
        }
        return chord.tones().stream()
                .filter(tone -> tone.chroma() != chord.root().chroma())
                .flatMap(tone -> name(tone.chroma(), chromas(chord))
                        .filter(quality -> quality.modifiers().isEmpty())
                        .map(quality -> new ChordSymbol(tone.simple(), quality, Optional.of(chord.root())))
                        .stream())
                .findFirst();
    }

    /** What these notes are called from one of them up; empty when nobody would say it. */
    public static Optional<Quality> name(int root, Set<Integer> chromas) {
        return Optional.ofNullable(BY_TONES.get(mask(root, chromas))).map(Named::quality);
    }

    /** The likeliest chord of keys that sound together, the lowest first. */
    public static Optional<ChordSymbol> of(List<Integer> keys, Key key) {
        Set<Integer> chromas =
                keys.stream().map(each -> Math.floorMod(each, 12)).collect(Collectors.toSet());
        int bass = Math.floorMod(keys.get(0), 12);
        ChordSymbol best = null;
        int least = Integer.MAX_VALUE;
        for (int root : chromas) {
            Named named = BY_TONES.get(mask(root, chromas));
            int strangeness = named == null ? Integer.MAX_VALUE : named.strangeness() + (root == bass ? 0 : 6);
            if (strangeness < least) {
                least = strangeness;
                best = new ChordSymbol(
                        key.spell(root),
                        named.quality(),
                        Optional.of(key.spell(bass)).filter(note -> note.chroma() != root));
            }
        }
        return Optional.ofNullable(best);
    }

    private static Set<Integer> chromas(ChordSymbol chord) {
        Set<Integer> chromas = chord.tones().stream().map(PitchClass::chroma).collect(Collectors.toSet());
        chromas.add(chord.bass().chroma());
        return chromas;
    }

    private static int mask(int root, Set<Integer> chromas) {
        return chromas.stream()
                .mapToInt(chroma -> 1 << Math.floorMod(chroma - root, 12))
                .reduce(0, (a, b) -> a | b);
    }

    private static Map<Integer, Named> table() {
        Map<Integer, Named> table = new HashMap<>();
        List<Quality> plain = Qualities.all().stream()
                .filter(quality -> !quality.id().equals("altered"))
                .toList();
        for (int base = 0; base < plain.size(); base++) {
            for (List<Modifier> modifiers : additions()) {
                Quality quality = plain.get(base);
                for (Modifier modifier : modifiers) {
                    quality = Qualities.with(quality, modifier);
                }
                int strangeness = base / 4
                        + (quality.base().id().endsWith("eleventh") ? ELEVENTH : 0)
                        + quality.modifiers().stream()
                                .mapToInt(each -> STRANGENESS.get(each.effect())
                                        + (each.id().equals("sus2") ? SECOND : 0))
                                .sum();
                int tones = quality.tones().stream()
                        .mapToInt(tone -> 1 << tone.semitones() % 12)
                        .reduce(0, (a, b) -> a | b);
                Quality named = quality;
                table.merge(tones, new Named(named, strangeness), (a, b) -> b.strangeness() < a.strangeness() ? b : a);
            }
        }
        return table;
    }

    private static List<List<Modifier>> additions() {
        List<List<Modifier>> all = new ArrayList<>(List.of(List.of()));
        List<Modifier> omissions = Qualities.allModifiers().stream()
                .filter(each -> each.effect() == Modifier.Effect.OMIT)
                .toList();
        omissions.forEach(omission -> all.add(List.of(omission)));
        Qualities.allModifiers().stream()
                .filter(each -> each.effect() != Modifier.Effect.OMIT)
                .forEach(more -> {
                    all.add(List.of(more));
                    omissions.forEach(omission -> all.add(List.of(more, omission)));
                });
        return all;
    }
}
