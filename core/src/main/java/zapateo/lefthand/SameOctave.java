package zapateo.lefthand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * Chords that come again: in the same place of a section, in a loop inside it, the tonic of a blues. A player has one
 * octave for each of their basses.
 */
final class SameOctave {

    private static final int BLUES_BARS = 12;

    /** What the tonic of a blues counts, where the rest counts one. */
    private static final int HOME = 2;

    private final List<Alike> again;

    private SameOctave(List<Alike> again) {
        this.again = again;
    }

    /**
     * Chords that say the same.
     *
     * @param cuts by their indices
     * @param counts how much it counts that they agree
     */
    private record Alike(List<Integer> cuts, int counts) {}

    /**
     * The key a bass has elsewhere.
     *
     * @param counts how much it counts that it has it here too
     */
    record Agreed(int bass, int counts) {}

    static SameOctave of(Song song, List<Cut> cuts) {
        Map<List<Object>, Alike> alike = new LinkedHashMap<>();
        for (Cut cut : cuts) {
            Section section = song.sections().get(cut.place().section());
            String figure = cut.choices().figure().id();
            int inBar = cut.tick() - cut.bar().tick();
            List<Object> around = new ArrayList<>(List.of(section.name(), figure, inBar, cut.ticks()));
            for (int at = cut.index() - 1; at <= cut.index() + 1; at++) {
                around.add(at < 0 || at >= cuts.size() ? "" : cuts.get(at).chord());
            }
            alike.computeIfAbsent(around, key -> new Alike(new ArrayList<>(), 1))
                    .cuts()
                    .add(cut.index());
            if (isBlues(section)) {
                alike.computeIfAbsent(
                                List.of(section.name(), figure, cut.chord()), key -> new Alike(new ArrayList<>(), HOME))
                        .cuts()
                        .add(cut.index());
            }
        }
        return new SameOctave(
                alike.values().stream().filter(each -> each.cuts().size() > 1).toList());
    }

    private static boolean isBlues(Section section) {
        return section.bars().size() == BLUES_BARS
                && section.bars().get(0).chords().stream()
                        .map(ChordSpan::chord)
                        .flatMap(Optional::stream)
                        .map(ChordSymbol::quality)
                        .findFirst()
                        .filter(quality -> quality.isDominant())
                        .isPresent();
    }

    /** The key most of the basses have where those that say the same disagree, by the cut's index. */
    Map<Integer, Agreed> agreed(List<Candidate> places) {
        Map<Integer, Agreed> agreed = new HashMap<>();
        for (Alike alike : again) {
            Map<Integer, Integer> times = new LinkedHashMap<>();
            alike.cuts().stream()
                    .map(places::get)
                    .filter(Candidate::hasBass)
                    .forEach(place -> times.merge(place.bass(), 1, Integer::sum));
            if (times.size() > 1) {
                int most = times.entrySet().stream()
                        .max(Map.Entry.comparingByValue())
                        .orElseThrow()
                        .getKey();
                alike.cuts().forEach(cut -> agreed.put(cut, new Agreed(most, alike.counts())));
            }
        }
        return agreed;
    }
}
