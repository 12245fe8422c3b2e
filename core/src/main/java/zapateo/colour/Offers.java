package zapateo.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.VoiceLeading;
import zapateo.pitch.PitchClass;
import zapateo.song.Bar;
import zapateo.song.Song;

/** What is worth hearing at every place of a song, best first. Not to be shared between threads. */
public final class Offers {

    private static final int BEST = 3;
    /** Shorter than this a chord is hardly heard as one; shorter than half of it is never offered. */
    private static final double HEARD_MS = 600;

    private static final double STYLE = 2;
    private static final double MOVEMENT = 0.15;
    private static final double COMMON = 0.2;
    private static final double QUICK = 2;
    private static final double SPICE = 0.5;
    /** The same chord laid otherwise comes after all that say another one. */
    private static final double VOICING = 4;

    private static final double TENSION = 0.05;

    private final Song song;
    private final Optional<ColourStyle> style;
    private final List<ColourPlace> places;
    private final boolean sung;
    private final Map<List<ChordSymbol>, VoiceLeading> between = new HashMap<>();
    private final Map<List<Integer>, Against> asItStands = new HashMap<>();

    /** @param style only what it takes; empty for all there is */
    public Offers(Song song, Optional<ColourStyle> style) {
        this.song = song;
        this.style = style;
        this.places = ColourPlace.of(song);
        this.sung = song.hasTune();
    }

    List<ColourPlace> places() {
        return places;
    }

    /**
     * All that begin in bars numbered so in the chart, as they are played the first time and where something else fits
     * again; best first at each place.
     */
    public List<Offer> in(int first, int last) {
        List<Offer> all = new ArrayList<>();
        for (int at = 0; at < places.size(); at++) {
            Bar bar = places.get(at).bar();
            if (bar.number() >= first && bar.number() <= last) {
                List<Offer> here = at(at).stream()
                        .filter(offer -> bar.pass() == 1
                                || all.stream().noneMatch(other -> sameBut(other.colour(), offer.colour())))
                        .toList();
                all.addAll(here);
            }
        }
        return all;
    }

    private static boolean sameBut(KeptColour one, KeptColour other) {
        return one.bar() == other.bar()
                && one.tick() == other.tick()
                && one.rule().equals(other.rule())
                && one.variant().equals(other.variant());
    }

    /** All that begin at one chord, best first. */
    List<Offer> at(int at) {
        List<Offer> offers = new ArrayList<>();
        for (ColourRule rule : ColourRule.all()) {
            int weight = style.map(each -> rule.styles().getOrDefault(each, 0))
                    .orElseGet(() -> rule.styles().values().stream()
                            .max(Comparator.naturalOrder())
                            .orElse(0));
            int count = weight == 0 ? 0 : rule.fits(places, at);
            if (count > 0) {
                ColourPlace span = ColourRule.span(places, at, count);
                rule.makes()
                        .forEach((variant, made) -> Laid.of(rule, made, span, count)
                                .flatMap(laid -> offer(rule, variant, laid, places.subList(at, at + count), weight))
                                .ifPresent(offers::add));
            }
        }
        offers.sort(Comparator.comparingDouble(Offer::cost));
        return offers;
    }

    private Optional<Offer> offer(ColourRule rule, String variant, Laid laid, List<ColourPlace> covered, int weight) {
        ColourPlace place = laid.place();
        double shortest = laid.pieces().stream()
                .mapToDouble(piece -> place.bar().tempo().millisecondsOf(piece.ticks()))
                .min()
                .orElseThrow();
        if (laid.pieces().size() > 1 && shortest < HEARD_MS / 2) {
            return Optional.empty();
        }
        Against without = sung ? around(laid, false) : Against.NOTHING;
        Against with = sung ? around(laid, true) : Against.NOTHING;
        if (with.isMoreThan(without)) {
            return Optional.empty();
        }
        Offer.Pair clash = new Offer.Pair(without.clashes() + without.rubs(), with.clashes() + with.rubs());
        List<ChordSymbol> before = covered.stream().map(ColourPlace::chord).toList();
        List<ChordSymbol> after = laid.pieces().stream().map(Laid.Piece::chord).toList();
        List<ChordSymbol> rowBefore = row(place, before);
        List<ChordSymbol> rowAfter = row(place, after);
        double moves = movement(rowAfter) - movement(rowBefore);
        List<PitchClass> keeps = place.chord().tones().stream()
                .filter(tone -> after.stream()
                        .allMatch(chord -> chord.tones().stream().anyMatch(other -> other.chroma() == tone.chroma())))
                .toList();
        Offer.Pair tension = new Offer.Pair(
                before.stream()
                        .mapToDouble(chord -> Tension.of(chord, place.key()))
                        .max()
                        .orElseThrow(),
                after.stream()
                        .mapToDouble(chord -> Tension.of(chord, place.key()))
                        .max()
                        .orElseThrow());
        Map<String, Double> costs = new LinkedHashMap<>();
        costs.put("style", STYLE * (BEST - weight));
        costs.put("movement", MOVEMENT * Math.max(0, moves));
        costs.put("common", -COMMON * keeps.size());
        costs.put("quick", laid.pieces().size() > 1 && shortest < HEARD_MS ? QUICK : 0);
        costs.put("spice", rule.spice() ? SPICE : 0);
        costs.put("voicing", rule.voicing().isPresent() ? VOICING : 0);
        costs.put("tension", TENSION * Math.max(0, tension.with() - tension.without()));
        KeptColour colour = new KeptColour(
                place.bar().number(),
                rule.isForLater() ? Optional.of(place.bar().pass()) : Optional.empty(),
                place.tick() - place.bar().tick(),
                before.stream().map(ChordSymbol::toString).toList(),
                rule.id(),
                variant);
        return Optional.of(new Offer(
                colour,
                rule,
                place.bar().index(),
                place.tick(),
                place.ticks(),
                before,
                Offer.sounding(laid),
                keeps,
                rowAfter.stream().map(ChordSymbol::bass).toList(),
                new Offer.Voices(List.of(), List.of()),
                moves,
                tension,
                clash,
                costs));
    }

    /** The same with its voices, for drawing. */
    public Offer drawn(Offer offer) {
        ColourPlace place = places.stream()
                .filter(each -> each.tick() == offer.tick())
                .findFirst()
                .orElseThrow();
        int count = offer.before().size();
        ColourPlace span = ColourRule.span(places, places.indexOf(place), count);
        Offer.Voices voices = new Offer.Voices(
                threads(row(span, offer.before())),
                threads(row(
                        span, offer.after().stream().map(Offer.Sounding::chord).toList())));
        return new Offer(
                offer.colour(),
                offer.rule(),
                offer.bar(),
                offer.tick(),
                offer.ticks(),
                offer.before(),
                offer.after(),
                offer.keeps(),
                offer.basses(),
                voices,
                offer.moves(),
                offer.tension(),
                offer.clash(),
                offer.costs());
    }

    private static List<Offer.Row> threads(List<ChordSymbol> chords) {
        List<int[]> keys = Threads.through(chords);
        List<Offer.Row> rows = new ArrayList<>();
        for (int i = 0; i < chords.size(); i++) {
            rows.add(new Offer.Row(
                    chords.get(i), java.util.Arrays.stream(keys.get(i)).boxed().toList()));
        }
        return rows;
    }

    private static List<ChordSymbol> row(ColourPlace place, List<ChordSymbol> inside) {
        return Stream.of(place.before().stream(), inside.stream(), place.next().stream())
                .flatMap(each -> each)
                .toList();
    }

    private double movement(List<ChordSymbol> row) {
        double sum = 0;
        for (int i = 1; i < row.size(); i++) {
            sum += between.computeIfAbsent(
                            row.subList(i - 1, i + 1), pair -> VoiceLeading.between(pair.get(0), pair.get(1)))
                    .movement();
        }
        return sum;
    }

    /** Of the melody from two bars before to two after, as it stands and with what is laid there. */
    private Against around(Laid laid, boolean with) {
        int from = Math.max(0, laid.place().bar().index() - 2);
        int to = Math.min(
                song.bars().size(),
                song.barAt(laid.pieces().get(laid.pieces().size() - 1).end() - 1)
                                .index()
                        + 3);
        return with
                ? Against.of(Laid.on(song, List.of(laid)), from, to)
                : asItStands.computeIfAbsent(List.of(from, to), run -> Against.of(song, from, to));
    }
}
