package zapateo.arrangement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Mode;
import zapateo.part.Reason;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Figure;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Song;

/**
 * Which figures are worth trying on a song, and why: metre, tempo, feel, how fast the chords change, and the colour of
 * the harmony.
 */
public final class Suggestions {

    // Weights are the project's own: a wrong metre or feel is worse than a tempo at the edge.
    private static final double METER = 3;
    private static final double STRANGE_METER = -4;
    private static final double FEEL = 2;
    private static final double STRANGE_FEEL = -4;
    private static final double TEMPO = 2;
    private static final double OFF_TEMPO = -8;
    private static final double HARMONY = 1;
    private static final double CROWDED = -2;
    private static final double TAG = 1;
    private static final double TWO_HANDS = -1;
    private static final double BASSLESS = -1.5;
    private static final int MOST_OF_A_FAMILY = 1;
    private static final double MANY = 0.5;

    private Suggestions() {}

    /**
     * A figure for a song.
     *
     * @param score the higher the better; comparable between figures and songs
     * @param reasons what speaks for it, then what speaks against it ({@code …-against})
     */
    public record Suggestion(Figure figure, double score, List<Reason> reasons) {}

    /** The figures worth trying, the best first, one of a family. */
    public static List<Suggestion> of(Song song, List<Figure> figures, int most) {
        Traits traits = Traits.of(song);
        Map<String, Integer> families = new HashMap<>();
        return figures.stream()
                .filter(figure -> !figure.isOfRightHand())
                .map(figure -> fit(figure, traits))
                .sorted(Comparator.comparingDouble((Suggestion each) -> -each.score()))
                .filter(each -> families.merge(each.figure().family(), 1, Integer::sum) <= MOST_OF_A_FAMILY)
                .limit(most)
                .toList();
    }

    /** How well one figure fits a song. */
    public static Suggestion fit(Song song, Figure figure) {
        return fit(figure, Traits.of(song));
    }

    /**
     * What of a song decides.
     *
     * @param chords a bar, on the average
     * @param tags what its harmony is
     */
    private record Traits(Meter meter, Tempo tempo, Feel feel, double chords, List<String> tags) {

        private static Traits of(Song song) {
            Map<Meter, Integer> meters = new HashMap<>();
            List<ChordSymbol> chords = new ArrayList<>();
            for (Bar bar : song.bars()) {
                meters.merge(bar.meter(), bar.ticks(), Integer::sum);
                bar.chords().stream()
                        .map(ChordSpan::chord)
                        .flatMap(java.util.Optional::stream)
                        .forEach(chords::add);
            }
            Meter meter = meters.entrySet().stream()
                    .max(Map.Entry.<Meter, Integer>comparingByValue()
                            .thenComparing(each -> each.getKey().toString()))
                    .orElseThrow()
                    .getKey();
            double all = Math.max(1, chords.size());
            double dominants = chords.stream()
                            .filter(chord -> chord.quality().isDominant())
                            .count()
                    / all;
            double sevenths = chords.stream()
                            .filter(chord -> !chord.quality().isDominant()
                                    && (chord.quality().tone(7).isPresent()
                                            || chord.quality().tone(6).isPresent()))
                            .count()
                    / all;
            boolean home = chords.stream()
                    .anyMatch(
                            chord -> chord.root().chroma() == song.key().tonic().chroma()
                                    && chord.quality().isDominant());
            List<String> tags = new ArrayList<>();
            tags.add(song.key().mode().isMinor() ? "minor" : "major");
            if (song.key().mode() != Mode.MAJOR && song.key().mode() != Mode.MINOR) {
                tags.add("modal");
            }
            if (home && dominants > MANY) {
                tags.add("blues");
            } else if (sevenths + dominants > MANY) {
                tags.add("jazz");
            } else if (sevenths + dominants < MANY / 2) {
                tags.add("plain");
            }
            return new Traits(
                    meter,
                    song.tempo(),
                    song.feel(),
                    chords.size() / (double) song.bars().size(),
                    tags);
        }
    }

    /** So little over the edge of a range nobody hears. */
    private static final double NEARLY = 1.03;

    private static Suggestion fit(Figure figure, Traits song) {
        List<Reason> reasons = new ArrayList<>();
        List<Reason> against = new ArrayList<>();
        Figure.Suits suits = figure.suits();
        double score = 0;
        boolean written = figure.bars().containsKey(song.meter());
        // A figure that is at home in one metre suits it more than one that is written for all.
        double home = written && figure.bars().keySet().iterator().next().equals(song.meter()) ? 1 : 0;
        score += written ? METER + home : STRANGE_METER;
        (written ? reasons : against)
                .add(Reason.of(
                        written ? "suits-meter" : "suits-meter-against",
                        Map.of("meter", song.meter().toString())));
        boolean feels = suits.feels().contains(song.feel());
        score += feels ? FEEL + (suits.feels().get(0) == song.feel() ? 0.5 : 0) : STRANGE_FEEL;
        (feels ? reasons : against)
                .add(Reason.of(
                        feels ? "suits-feel" : "suits-feel-against",
                        Map.of("feel", song.feel().id())));
        double quarters = song.tempo().quartersPerMinute();
        double off = Math.max(1, Math.max(suits.minTempo() / quarters, quarters / suits.maxTempo()) / NEARLY);
        double middle = 1
                - Math.abs(Math.log(quarters / Math.sqrt((double) suits.minTempo() * suits.maxTempo())))
                        / Math.log((double) suits.maxTempo() / suits.minTempo())
                        * 2;
        score += off == 1 ? TEMPO * (0.5 + middle / 2) : OFF_TEMPO * Math.log(off) / Math.log(2) - 1;
        (off == 1 ? reasons : against)
                .add(Reason.of(
                        off == 1 ? "suits-tempo" : "suits-tempo-against",
                        Map.of(
                                "tempo",
                                String.valueOf(Math.round(quarters)),
                                "slowest",
                                String.valueOf(suits.minTempo()),
                                "fastest",
                                String.valueOf(suits.maxTempo()))));
        boolean roomy = song.chords() <= suits.chords() + 0.25;
        score += roomy ? HARMONY : CROWDED * (song.chords() - suits.chords());
        (roomy ? reasons : against)
                .add(Reason.of(
                        roomy ? "suits-harmony" : "suits-harmony-against",
                        Map.of(
                                "chords",
                                String.valueOf(Math.round(song.chords() * 10) / 10.0),
                                "most",
                                String.valueOf(suits.chords()))));
        for (String tag : suits.tags()) {
            if (song.tags().contains(tag)) {
                score += TAG;
                reasons.add(Reason.of("suits-colour", Map.of("colour", tag)));
            }
        }
        score += figure.hands().size() > 1 ? TWO_HANDS : 0;
        score += figure.manner().bassless() ? BASSLESS : 0;
        reasons.addAll(against);
        return new Suggestion(figure, score, reasons);
    }
}
