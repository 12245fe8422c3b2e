package zapateo.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Pitch;
import zapateo.song.Song;

/**
 * A song with the colours that were kept for it.
 *
 * @param song what is played
 * @param borrowed what stands in the chart
 * @param sounding those that are heard, each as often as it is
 * @param parked those whose ground is gone: other chords stand there now, or another colour lies there already
 */
public record Coloured(Song song, Song borrowed, List<Heard> sounding, List<KeptColour> parked) {

    /**
     * A colour where it is heard.
     *
     * @param tick from the song's beginning
     */
    public record Heard(KeptColour colour, int tick, int ticks) {}

    public static Coloured of(Song song, List<KeptColour> kept) {
        return of(song, kept, colour -> true);
    }

    /** The same without those that make several chords of one. */
    public static Coloured plainer(Song song, List<KeptColour> kept) {
        return of(
                song,
                kept,
                colour -> ColourRule.named(colour.rule())
                        .map(rule -> rule.makes().get(colour.variant()))
                        .filter(made -> made.size() == 1)
                        .isPresent());
    }

    private static Coloured of(Song song, List<KeptColour> kept, Predicate<KeptColour> wanted) {
        if (kept.isEmpty()) {
            return new Coloured(song, song, List.of(), List.of());
        }
        List<ColourPlace> places = ColourPlace.of(song);
        int moved = moved(places, kept);
        boolean[] taken = new boolean[places.size()];
        List<Laid> laid = new ArrayList<>();
        List<Heard> sounding = new ArrayList<>();
        List<KeptColour> parked = new ArrayList<>();
        for (KeptColour colour : kept) {
            boolean heard = false;
            for (int at = 0; at < places.size(); at++) {
                Optional<Laid> here = places.get(at).bar().number() == colour.bar() && colour.isFor(places.get(at))
                        ? on(places, at, colour, moved)
                        : Optional.empty();
                if (here.isPresent() && isFree(taken, at, here.get().count())) {
                    heard = true;
                    if (wanted.test(colour)) {
                        java.util.Arrays.fill(taken, at, at + here.get().count(), true);
                        laid.add(here.get());
                        sounding.add(new Heard(
                                colour,
                                here.get().place().tick(),
                                here.get().place().ticks()));
                    }
                }
            }
            if (!heard) {
                parked.add(colour);
            }
        }
        return new Coloured(Laid.on(song, laid), song, List.copyOf(sounding), List.copyOf(parked));
    }

    private static boolean isFree(boolean[] taken, int at, int count) {
        for (int i = at; i < at + count; i++) {
            if (taken[i]) {
                return false;
            }
        }
        return true;
    }

    /** What a kept colour makes of a place, where the chords it was kept for still stand. */
    private static Optional<Laid> on(List<ColourPlace> places, int at, KeptColour colour, int moved) {
        Optional<ColourRule> rule = ColourRule.named(colour.rule());
        int count = rule.map(each -> each.fits(places, at)).orElse(0);
        List<Made> made = rule.map(ColourRule::makes).orElse(Map.of()).getOrDefault(colour.variant(), List.of());
        boolean stands = count > 0
                && colour.over().size() == count
                && IntStream.range(0, count)
                        .allMatch(i ->
                                apart(colour.over().get(i), places.get(at + i).chord()) == moved);
        return stands && !made.isEmpty()
                ? Laid.of(rule.get(), made, ColourRule.span(places, at, count), count)
                : Optional.empty();
    }

    /**
     * How far all chords that are of the same kind still lie from those that colours were kept for: nothing, or as far
     * as the song was moved to another key. One chord alone says nothing of the song, unless its colour asks for a
     * degree of the key.
     */
    private static int moved(List<ColourPlace> places, List<KeptColour> kept) {
        List<Integer> found = new ArrayList<>();
        for (KeptColour colour : kept) {
            places.stream()
                    .filter(colour::isFor)
                    .findFirst()
                    .filter(place -> !colour.over().isEmpty())
                    .map(place -> apart(colour.over().get(0), place.chord()))
                    .filter(apart -> apart >= 0)
                    .ifPresent(found::add);
        }
        boolean sure = found.size() > 1
                || ColourRule.named(kept.get(0).rule())
                        .filter(rule -> !rule.chord().on().isEmpty())
                        .isPresent();
        return sure && found.stream().distinct().count() == 1 ? found.get(0) : 0;
    }

    /** Semitones from a chord up to another of the same kind, the same when spelled otherwise; -1 for any other. */
    private static int apart(String symbol, ChordSymbol chord) {
        return ChordSymbol.read(symbol)
                .filter(before -> before.quality().equals(chord.quality())
                        && Math.floorMod(before.bass().chroma() - before.root().chroma(), Pitch.OCTAVE)
                                == Math.floorMod(
                                        chord.bass().chroma() - chord.root().chroma(), Pitch.OCTAVE))
                .map(before ->
                        Math.floorMod(chord.root().chroma() - before.root().chroma(), Pitch.OCTAVE))
                .orElse(-1);
    }
}
