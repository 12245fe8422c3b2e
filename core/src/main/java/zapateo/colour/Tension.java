package zapateo.colour;

import java.util.List;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.PitchClass;

/**
 * How far a chord is from rest: its semitones and tritones, its tones that are strange to the key, a bass that is not
 * its root (the project's own measure).
 */
final class Tension {

    private static final double TRITONE = 2;
    private static final double SEMITONE = 1.5;
    private static final double STRANGE = 1;
    private static final double TURNED = 0.5;
    private static final int HALF_OCTAVE = 6;

    private Tension() {}

    static double of(ChordSymbol chord, Key key) {
        List<PitchClass> tones = chord.tones();
        double tension = chord.over().isPresent() ? TURNED : 0;
        for (int i = 0; i < tones.size(); i++) {
            int chroma = tones.get(i).chroma();
            tension += key.scale().stream().noneMatch(own -> own.chroma() == chroma) ? STRANGE : 0;
            for (int j = i + 1; j < tones.size(); j++) {
                int apart = Math.floorMod(tones.get(j).chroma() - chroma, 12);
                tension += apart == HALF_OCTAVE ? TRITONE : apart == 1 || apart == 11 ? SEMITONE : 0;
            }
        }
        return tension;
    }
}
