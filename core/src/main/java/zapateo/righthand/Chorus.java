package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * A chorus improvised by the rules of HANDBOOK §9, to be learned from: a rhythm by a seed, then the line through it by the exact search. On a change it goes for a third
 * or a seventh; between changes it walks; what should not be held is passed through; it breathes.
 */
public final class Chorus {

    private static final int LOWEST = Pitch.parse("C4").midi();
    private static final int HIGHEST = Pitch.parse("C6").midi();
    private static final double HOME = Pitch.parse("A4").midi();
    private static final int VELOCITY = 78;
    /** Seconds below which notes follow one another too fast for an easy hand: the line takes to longer notes. */
    private static final double BRISK = 0.17;
    /** Beats after which a line breathes. */
    private static final int LONGEST_PHRASE = 7;

    private final Song song;
    private final SplittableRandom random;

    /** When something is struck, and over what. */
    private record Onset(Bar bar, int tick, int ticks, Improvising.Over over, boolean change) {
    }

    /** A note there may be. */
    private record Step(Onset at, Pitch pitch, Improvising.Kind kind, double whim) {

        private int key() {
            return pitch.midi();
        }
    }

    private Chorus(Song song, long seed) {
        this.song = song;
        this.random = new SplittableRandom(seed);
    }

    /** The same seed gives the same chorus. */
    public static List<Stroke> of(Song song, long seed) {
        return new Chorus(song, seed).play();
    }

    private List<Stroke> play() {
        List<Onset> onsets = rhythm();
        List<List<Step>> layers = new ArrayList<>();
        for (Onset onset : onsets) {
            layers.add(candidates(onset));
        }
        List<Stroke> strokes = new ArrayList<>();
        for (Step step : ShortestPath.through(layers, COSTS).steps()) {
            TickSpan span = TickSpan.of(step.at().tick(), step.at().ticks());
            Map<String, String> args = Map.of("chord", step.at().over().chord().toString(), "kind", step.kind().id(), "scale", step.at().over().scale().map(ChordScale::name).orElse(""));
            strokes.add(Stroke.of(Side.RIGHT, step.at().bar().index(), 0, span, Mark.TOE, false, List.of(PartNote.of(step.pitch(), "tune").struck(VELOCITY)), Nature.of(Origin.CHORUS),
                    Reason.of(step.at().change() ? "chorus-change" : "chorus", args)));
        }
        return strokes;
    }

    private static final List<CostTerm<Step>> COSTS = List.of(
            CostTerm.own("aim-on-a-change", 8, step -> step.at().change() && step.kind() != Improvising.Kind.GUIDE ? 1 : 0),
            CostTerm.own("strange-on-the-beat", 1, step -> onBeat(step.at()) && (step.kind() == Improvising.Kind.SCALE || step.kind() == Improvising.Kind.AVOID) ? 1 : 0),
            CostTerm.own("held-too-long", 30, step -> step.kind() == Improvising.Kind.AVOID && step.at().ticks() >= step.at().bar().meter().beatTicks() ? 1 : 0),
            CostTerm.own("far-from-home", 0.12, step -> Math.abs(step.key() - HOME)),
            CostTerm.own("whim", 1, Step::whim),
            CostTerm.step("leap", 1, (from, to) -> leap(Math.abs(to.key() - from.key()))));

    private static boolean onBeat(Onset onset) {
        return (onset.tick() - onset.bar().tick()) % onset.bar().meter().beatTicks() == 0;
    }

    /** Steps are free, a third is little, the same key again is dull and a leap dear. */
    private static double leap(int semitones) {
        if (semitones == 0) {
            return 2.5;
        }
        return semitones <= 2 ? 0 : semitones <= 4 ? 0.6 : semitones <= 7 ? 1.8 : 4 + semitones;
    }

    private List<Step> candidates(Onset onset) {
        List<Step> steps = new ArrayList<>();
        for (int key = LOWEST; key <= HIGHEST; key++) {
            for (Improvising.Note note : onset.over().notes()) {
                if (note.name().chroma() == Math.floorMod(key, 12)) {
                    steps.add(new Step(onset, Pitch.onKey(key, note.name()), note.kind(), random.nextDouble() * 1.6));
                }
            }
        }
        return steps;
    }

    /** Beat by beat: what each is filled with, by the seed; a change has a note on it, a phrase ends in a rest. */
    private List<Onset> rhythm() {
        List<Onset> onsets = new ArrayList<>();
        List<Improvising.Over> overs = Improvising.of(song);
        int at = 0;
        int beats = 0;
        for (Bar bar : song.bars()) {
            int beat = bar.meter().beatTicks();
            for (int tick = bar.tick(); tick < bar.end(); tick += beat) {
                boolean tired = beats >= LONGEST_PHRASE;
                int length = Math.min(beat, bar.end() - tick);
                List<int[]> cell = cell(bar, tick, length, tired);
                beats = cell.isEmpty() ? 0 : beats + 1;
                for (int[] note : cell) {
                    while (at + 1 < overs.size() && overs.get(at + 1).tick() <= tick + note[0]) {
                        at++;
                    }
                    Improvising.Over over = at < overs.size() ? overs.get(at) : null;
                    if (over != null && over.tick() <= tick + note[0] && tick + note[0] < over.tick() + over.ticks()) {
                        // Within an eighth of where the chord begins the line is there.
                        boolean first = onsets.isEmpty() || onsets.get(onsets.size() - 1).over() != over;
                        onsets.add(new Onset(bar, tick + note[0], note[1], over, first));
                    }
                }
            }
        }
        return onsets;
    }

    /** Onsets and lengths inside one beat. */
    private List<int[]> cell(Bar bar, int tick, int beat, boolean tired) {
        boolean compound = bar.meter().isCompound();
        boolean begins = bar.chords().stream().anyMatch(span -> span.chord().isPresent() && bar.tick() + span.tick() == tick);
        double part = bar.tempo().millisecondsOf(compound ? beat / 3 : beat / 2) / 1000;
        double dice = random.nextDouble();
        if (!begins && (tired ? dice < 0.75 : dice < 0.12)) {
            return List.of();
        }
        double busy = random.nextDouble();
        if (part < BRISK || busy < 0.25) {
            return List.of(new int[] {0, beat});
        }
        int third = beat / 3;
        if (compound) {
            return busy < 0.6 ? List.of(new int[] {0, third}, new int[] {third, third}, new int[] {2 * third, third}) : List.of(new int[] {0, 2 * third}, new int[] {2 * third, third});
        }
        if (busy > 0.92 && bar.tempo().millisecondsOf(third) / 1000 > BRISK) {
            return List.of(new int[] {0, third}, new int[] {third, third}, new int[] {2 * third, third});
        }
        return begins || busy < 0.85 ? List.of(new int[] {0, beat / 2}, new int[] {beat / 2, beat / 2}) : List.of(new int[] {beat / 2, beat / 2});
    }
}
