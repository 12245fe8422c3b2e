package zapateo.colour;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Transposition;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Song;

/** The chords a rule makes, each with its time. */
record Laid(ColourPlace place, int count, List<Piece> pieces, int raises) {

    /**
     * A chord and its time.
     *
     * @param tick from the song's beginning
     */
    public record Piece(ChordSymbol chord, int tick, int ticks) {

        int end() {
            return tick + ticks;
        }
    }

    /**
     * What a variant of a rule makes of a place; empty where there is no time for it, or nothing to make it of, or
     * nothing would change.
     */
    static Optional<Laid> of(ColourRule rule, List<Made> made, ColourPlace place, int count) {
        int raises = rule.raises();
        int[] ends = ends(made, place);
        if (ends.length == 0 || place.early() && made.size() > 1) {
            return Optional.empty();
        }
        List<Piece> pieces = new ArrayList<>();
        int from = 0;
        for (int i = 0; i < made.size(); i++) {
            Optional<ChordSymbol> chord = made.get(i).on(place);
            if (chord.isEmpty()) {
                return Optional.empty();
            }
            // What leads into another key is spelled as that key spells it.
            boolean leads = raises > 0 && i == made.size() - 1;
            pieces.add(new Piece(
                    leads
                            ? chord.get()
                                    .root(Transposition.by(raises, place.key())
                                            .of(place.key())
                                            .spell(chord.get().root().chroma()))
                            : chord.get(),
                    place.tick() + from,
                    ends[i] - from));
            from = ends[i];
        }
        // The last chord stays what it is.
        ChordSymbol last = pieces.get(pieces.size() - 1).chord();
        if (place.marks().contains(ColourPlace.Mark.LAST)
                && !(last.root().chroma() == place.chord().root().chroma()
                        && last.bass().chroma() == place.chord().bass().chroma())) {
            return Optional.empty();
        }
        boolean changes = rule.voicing().isPresent()
                || pieces.stream().anyMatch(piece -> !piece.chord().equals(place.chord()));
        return changes ? Optional.of(new Laid(place, count, List.copyOf(pieces), raises)) : Optional.empty();
    }

    /** Where each ends, on beats; none where one of them would have no time. */
    private static int[] ends(List<Made> made, ColourPlace place) {
        double[] shares = new double[made.size()];
        double given = 0;
        int open = 0;
        for (int i = 0; i < shares.length; i++) {
            Made.Share share = made.get(i).share();
            shares[i] =
                    share.of() > 0 ? (double) share.parts() / share.of() * place.ticks() : share.parts() * place.beat();
            given += shares[i];
            open += share.parts() == 0 ? 1 : 0;
        }
        for (int i = 0; i < shares.length; i++) {
            shares[i] = made.get(i).share().parts() == 0 ? (place.ticks() - given) / open : shares[i];
        }
        int[] ends = new int[shares.length];
        double sum = 0;
        for (int i = 0; i < shares.length; i++) {
            sum += shares[i];
            // Where a beat would be parted the earlier chord has all of it.
            ends[i] = i == shares.length - 1
                    ? place.ticks()
                    : (int) (Math.ceil(sum / place.beat() - 1e-6) * place.beat());
        }
        boolean time = IntStream.range(0, ends.length)
                .allMatch(i -> ends[i] - (i == 0 ? 0 : ends[i - 1]) >= Math.min(place.beat(), place.ticks()));
        return time ? ends : new int[0];
    }

    /** The song with this in place of what it covers. */
    static Song on(Song song, List<Laid> all) {
        Map<Integer, List<ChordSpan>> bars = new HashMap<>();
        for (Laid laid : all) {
            laid.into(song, bars);
        }
        Song played = bars.isEmpty() ? song : song.played(bars);
        return all.stream()
                .filter(laid -> laid.raises > 0)
                .findFirst()
                .map(laid -> played.raised(laid.raised(song)))
                .orElse(played);
    }

    private Song.Raised raised(Song song) {
        return new Song.Raised(song.barAt(place.end()).index(), Transposition.by(raises, place.key()));
    }

    private void into(Song song, Map<Integer, List<ChordSpan>> bars) {
        int end = pieces.get(pieces.size() - 1).end();
        for (int index = place.bar().index();
                index < song.bars().size() && song.bars().get(index).tick() < end;
                index++) {
            Bar bar = song.bars().get(index);
            List<ChordSpan> spans = new ArrayList<>();
            boolean told = false;
            for (ChordSpan span : bars.getOrDefault(index, bar.chords())) {
                int tick = bar.tick() + span.tick();
                if (tick < place.tick() || tick >= end) {
                    spans.add(span);
                } else if (!told) {
                    told = true;
                    for (Piece piece : pieces) {
                        int from = Math.max(piece.tick(), bar.tick());
                        int until = Math.min(piece.end(), bar.end());
                        if (from < until) {
                            spans.add(new ChordSpan(
                                    piece.chord().toString(),
                                    Optional.of(piece.chord()),
                                    from - bar.tick(),
                                    until - from,
                                    pieces.size() == 1 && span.early(),
                                    pieces.size() == 1 && span.held()));
                        }
                    }
                }
            }
            bars.put(index, spans);
        }
    }
}
