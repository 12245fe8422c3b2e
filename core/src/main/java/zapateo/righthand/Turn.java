package zapateo.righthand;

import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;

/** Two shapes in turn over a bass that stays: the chord of the root and the one of its fourth (HANDBOOK §9). */
final class Turn {

    private static final Interval FOURTH = Interval.parse("4");

    private Turn() {}

    /**
     * The chord that takes the second half: on the fourth of a major or minor chord that lasts two beats or more; empty
     * over others.
     */
    static Optional<ChordSymbol> of(Bar bar, ChordSpan span) {
        return span.chord()
                .filter(chord -> span.ticks() >= 2 * bar.meter().beatTicks()
                        && chord.quality().has(5, 7)
                        && (isMinor(chord) || chord.quality().has(3, 4)))
                .map(chord -> ChordSymbol.parse(chord.root().plus(FOURTH).simple() + (isMinor(chord) ? "m" : "")));
    }

    /**
     * Whether a major chord falls a fifth to a minor one: the chord on its fourth would bring it a natural thirteenth.
     */
    static boolean leadsToMinor(ChordSpan span, Optional<ChordSymbol> next) {
        return span.chord().isPresent()
                && next.isPresent()
                && !isMinor(span.chord().get())
                && isMinor(next.get())
                && Math.floorMod(
                                next.get().root().chroma()
                                        - span.chord().get().root().chroma(),
                                Pitch.OCTAVE)
                        == FOURTH.semitones();
    }

    /** The triad of a chord. */
    static ChordSymbol plain(ChordSymbol chord) {
        return ChordSymbol.parse(chord.root() + (isMinor(chord) ? "m" : ""));
    }

    /** From the song's start; on a beat. */
    static int middle(Bar bar, ChordSpan span) {
        int beat = bar.meter().beatTicks();
        return bar.tick() + span.tick() + (span.ticks() / beat + 1) / 2 * beat;
    }

    private static boolean isMinor(ChordSymbol chord) {
        return chord.quality().has(3, 3);
    }
}
