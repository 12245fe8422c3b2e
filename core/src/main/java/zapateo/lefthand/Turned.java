package zapateo.lefthand;

import java.util.List;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.part.LowIntervalLimits;
import zapateo.part.PartNote;

/** Which of its tones a chord may be turned over, as its bass line and its place in the song allow. */
final class Turned {

    private Turned() {}

    /**
     * The chord over each bass it may have.
     *
     * @param comesHome whether the song begins or ends with it
     */
    static List<ChordSymbol> over(ChordSymbol chord, boolean bass, BassLine.Basses way, boolean comesHome, Key key) {
        if (chord.over().isPresent() || !bass) {
            return List.of(chord);
        }
        return switch (way) {
            case OWN, HAND -> List.of(chord);
            case INVERSIONS ->
                Stream.of(1, 3, 5)
                        .flatMap(degree -> degree == 1
                                ? Stream.of(chord)
                                : chord.quality().tone(degree).stream().map(tone -> chord.over(chord.tone(tone))))
                        .toList();
            case PEDAL ->
                comesHome
                        ? List.of(chord)
                        : Stream.of(0, 4)
                                .map(key.scale()::get)
                                .map(note -> note.chroma() == chord.root().chroma() ? chord : chord.over(note))
                                .toList();
        };
    }

    /** A chord that is alone has the bass the chart names at its bottom, where it can. */
    static List<List<PartNote>> overItsBass(ChordSymbol chord, List<List<PartNote>> uppers) {
        List<List<PartNote>> over = uppers.stream()
                .filter(each -> !each.isEmpty()
                        && LowIntervalLimits.mud(
                                        PartNote.keys(each), each.get(0).pitch().midi())
                                == 0
                        && each.get(0).pitch().pitchClass().chroma()
                                == chord.bass().chroma())
                .toList();
        return over.isEmpty() ? uppers : over;
    }
}
