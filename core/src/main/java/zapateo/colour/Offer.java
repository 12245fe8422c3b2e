package zapateo.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.PitchClass;

/**
 * A colour that may be heard at a place.
 *
 * @param colour what is kept when it is taken
 * @param bar index of the bar it begins in, as played
 * @param tick from the song's beginning
 * @param before what stands there
 * @param after what is heard instead
 * @param keeps tones that all of the chords share with what stands there
 * @param basses the basses from the chord before to the chord after, with it
 * @param voices four voices from the chord before to the one after, low to high, each as keys: without it, and with it
 * @param moves semitones those voices travel more than without it
 * @param tension of what stands there, and the highest with it
 * @param clash notes of the melody that clash or should not be held, around it: without and with it
 * @param costs what its rank is made of, by name; the less the better
 */
public record Offer(
        KeptColour colour,
        ColourRule rule,
        int bar,
        int tick,
        int ticks,
        List<ChordSymbol> before,
        List<Sounding> after,
        List<PitchClass> keeps,
        List<PitchClass> basses,
        Voices voices,
        double moves,
        Pair tension,
        Pair clash,
        Map<String, Double> costs) {

    /**
     * A chord and its time.
     *
     * @param tick from the song's beginning
     */
    public record Sounding(ChordSymbol chord, int tick, int ticks) {}

    /** Without it and with it. */
    public record Pair(double without, double with) {}

    /**
     * Voices through a row of chords.
     *
     * @param without the chords before, in place and after
     * @param with the same with the colour
     */
    public record Voices(List<Row> without, List<Row> with) {}

    /** A chord, and the keys of its voices. */
    public record Row(ChordSymbol chord, List<Integer> keys) {}

    /** What it costs all in all; the less the better. */
    public double cost() {
        return costs.values().stream().mapToDouble(Double::doubleValue).sum();
    }

    static List<Sounding> sounding(Laid laid) {
        List<Sounding> all = new ArrayList<>();
        laid.pieces().forEach(piece -> all.add(new Sounding(piece.chord(), piece.tick(), piece.ticks())));
        return List.copyOf(all);
    }
}
