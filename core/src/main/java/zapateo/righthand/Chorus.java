package zapateo.righthand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * A chorus improvised by the rules of HANDBOOK §9, to be learned from: a motif of two bars is stated, answered, turned
 * over and closed, section by section; the line through it is found by the exact search. On a change it goes for a
 * third or a seventh; it rises to a high point two thirds through eight bars; it rests; it ends on a tone of the last
 * chord.
 */
public final class Chorus {

    private static final int LOWEST = Pitch.parse("C4").midi();
    private static final int HIGHEST = Pitch.parse("C6").midi();
    private static final double LOW_HOME = Pitch.parse("E4").midi();
    /** How far the line rises from there to its high point, and where in eight bars that is. */
    private static final double RISE = 17;

    private static final double PEAK = 0.65;
    private static final int ARCH = 8;
    /** Nothing is looked for further from the arch: a line of thousands of notes is found in a moment. */
    private static final int NEAR = 8;

    private static final int UNIT = 2;
    private static final int VELOCITY = 78;
    private static final int TOP_OF_PHRASE = 8;
    private static final Set<Integer> LANDING = Set.of(1, 3, 5);
    private static final ShortestPath.Joint<Step> JOINT =
            new ShortestPath.Joint<>(step -> step.key(), step -> step.before());

    private final Song song;
    private final SplittableRandom random;
    private final Improvising.Scope scope;

    /**
     * When something is struck, and over what.
     *
     * @param move steps of the scale from the note before as the motif has them, 0 where it is free
     * @param height the key it should be near
     * @param last whether nothing comes after it
     */
    private record Onset(
            Bar bar,
            int tick,
            int ticks,
            Improvising.Over over,
            boolean change,
            int move,
            double height,
            boolean last) {}

    /** A note there may be, after another; before the first there is none. */
    private record Step(Onset at, int before, Pitch pitch, Improvising.Kind kind, double whim, boolean lands) {

        private int key() {
            return pitch.midi();
        }
    }

    private Chorus(Song song, long seed, RightChoices.Manner manner) {
        this.song = song;
        this.random = new SplittableRandom(seed);
        this.scope = Improvising.Scope.of(manner);
    }

    /** The same seed gives the same chorus. */
    public static List<Stroke> of(Song song, long seed) {
        return of(song, seed, RightChoices.Manner.MIXED);
    }

    public static List<Stroke> of(Song song, long seed, RightChoices.Manner manner) {
        return new Chorus(song, seed, manner).play();
    }

    private List<Stroke> play() {
        List<List<Step>> layers = new ArrayList<>();
        List<Integer> keys = List.of(0);
        for (Onset onset : onsets()) {
            List<Step> steps = candidates(onset, keys);
            layers.add(steps);
            keys = steps.stream().map(Step::key).distinct().toList();
        }
        List<Stroke> strokes = new ArrayList<>();
        for (Step step : ShortestPath.through(layers, COSTS, JOINT).steps()) {
            TickSpan span = TickSpan.of(step.at().tick(), step.at().ticks());
            Map<String, String> args = Map.of(
                    "chord",
                    step.at().over().chord().toString(),
                    "kind",
                    step.kind().id(),
                    "scale",
                    step.at().over().scale().map(ChordScale::name).orElse(""));
            int loud = VELOCITY + (int) Math.round(Math.max(0, step.at().height() - LOW_HOME) / RISE * TOP_OF_PHRASE);
            strokes.add(Stroke.of(
                    Side.RIGHT,
                    step.at().bar().index(),
                    0,
                    span,
                    Mark.TOE,
                    false,
                    List.of(PartNote.of(step.pitch(), Role.TUNE).struck(loud)),
                    Nature.of(Origin.CHORUS),
                    Reason.of(step.at().change() ? "chorus-change" : "chorus", args)));
        }
        return strokes;
    }

    private static final List<CostTerm<Step>> COSTS = List.of(
            CostTerm.own(
                    "aim-on-a-change",
                    7,
                    step -> step.at().change() && step.kind() != Improvising.Kind.GUIDE
                            ? step.kind() == Improvising.Kind.CHORD ? 0.4 : 1
                            : 0),
            CostTerm.own(
                    "strange-on-the-beat",
                    1.5,
                    step -> onBeat(step.at())
                                    && (step.kind() == Improvising.Kind.SCALE || step.kind() == Improvising.Kind.AVOID)
                            ? 1
                            : 0),
            CostTerm.own(
                    "held-too-long",
                    30,
                    step -> step.kind() == Improvising.Kind.AVOID
                                    && step.at().ticks()
                                            >= step.at().bar().meter().beatTicks()
                            ? 1
                            : 0),
            CostTerm.own(
                    "off-the-arch",
                    0.36,
                    step -> far(Math.abs(step.key() - step.at().height()))),
            CostTerm.own("lands", 40, step -> step.at().last() && !step.lands() ? 1 : 0),
            CostTerm.own("whim", 1, Step::whim),
            CostTerm.own(
                    "off-the-motif",
                    1,
                    step -> step.before() == 0
                            ? 0
                            : shape(step.key() - step.before(), step.at().move())),
            CostTerm.own("leap", 1, step -> step.before() == 0 ? 0 : leap(Math.abs(step.key() - step.before()))),
            CostTerm.step(
                    "zigzag",
                    7,
                    (from, to) -> from.before() != 0 && from.before() == to.key() && from.key() != to.key() ? 1 : 0));

    /** A third beside the arch is as good as on it, a sixth is not. */
    private static double far(double semitones) {
        return semitones + 2 * Math.max(0, semitones - 4);
    }

    private static boolean onBeat(Onset onset) {
        return (onset.tick() - onset.bar().tick()) % onset.bar().meter().beatTicks() == 0;
    }

    /** A step is a tone or a semitone, two are a third; the other way is worst. */
    private static double shape(int semitones, int move) {
        if (move == 0) {
            return 0;
        }
        double wanted = move * 1.75;
        return 0.5 * Math.max(0, Math.abs(semitones - wanted) - 0.8)
                + (Integer.signum(semitones) == Integer.signum(move) ? 0 : 9);
    }

    /** The same key again is dull, a leap of more than a sixth dear. */
    private static double leap(int semitones) {
        if (semitones == 0) {
            return 3;
        }
        return semitones <= 5 ? 0 : semitones <= 9 ? 1.5 : 4 + semitones;
    }

    private List<Step> candidates(Onset onset, List<Integer> before) {
        List<Step> steps = new ArrayList<>();
        List<Improvising.Note> notes = scope.notes(onset.over(), onset.bar().key(), onset.last());
        for (int key = Math.max(LOWEST, (int) onset.height() - NEAR);
                key <= Math.min(HIGHEST, (int) onset.height() + NEAR);
                key++) {
            for (Improvising.Note note : notes) {
                if (note.name().chroma() == Math.floorMod(key, Pitch.OCTAVE)) {
                    double whim = random.nextDouble();
                    boolean lands = onset.over().chord().quality().tones().stream()
                            .anyMatch(tone -> LANDING.contains(tone.number())
                                    && onset.over().chord().tone(tone).chroma()
                                            == note.name().chroma());
                    Pitch pitch = Pitch.onKey(key, note.name());
                    before.forEach(from -> steps.add(new Step(onset, from, pitch, note.kind(), whim, lands)));
                }
            }
        }
        return steps;
    }

    /**
     * Motifs of two bars through each section: stated, answered, turned over, closed. A section that comes again begins
     * with its own motif.
     */
    private List<Onset> onsets() {
        List<Onset> onsets = new ArrayList<>();
        Map<Object, Motif> motifs = new HashMap<>();
        Map<Integer, List<Improvising.Over>> overs =
                Improvising.of(song).stream().collect(Collectors.groupingBy(Improvising.Over::bar));
        for (Section section : song.sections()) {
            List<Bar> bars = section.bars();
            for (int i = 0; i < bars.size(); i++) {
                Bar bar = bars.get(i);
                Meter meter = bar.meter();
                Motif motif = motifs.computeIfAbsent(
                        List.of(section.name(), meter, bar.tempo(), i / ARCH % 2), each -> Motif.of(bar, random));
                boolean ends = i == bars.size() - 1;
                Motif.Form form =
                        ends ? Motif.Form.CLOSING : Motif.Form.values()[i / UNIT % Motif.Form.values().length];
                lay(
                        onsets,
                        bar,
                        motif.bar(ends ? 1 : i % UNIT, form, bar),
                        overs.getOrDefault(bar.index(), List.of()),
                        height(i, bars.size()));
            }
        }
        if (!onsets.isEmpty()) {
            last(onsets);
        }
        return onsets;
    }

    /** The last chord's first note is the last there is, and held. */
    private static void last(List<Onset> onsets) {
        Improvising.Over over = onsets.get(onsets.size() - 1).over();
        int first = onsets.size() - 1;
        while (first > 0 && onsets.get(first - 1).over() == over) {
            first--;
        }
        Onset at = onsets.get(first);
        onsets.subList(first, onsets.size()).clear();
        int held = Math.min(over.tick() + over.ticks() - at.tick(), at.bar().ticks());
        onsets.add(
                new Onset(at.bar(), at.tick(), Math.max(at.ticks(), held), over, at.change(), 0, LOW_HOME + 2, true));
    }

    private static double height(int inSection, int bars) {
        int from = inSection / ARCH * ARCH;
        double length = Math.min(ARCH, bars - from);
        double way = (inSection - from) / Math.max(1, length - 1);
        return LOW_HOME + RISE * (way <= PEAK ? way / PEAK : (1 - way) / (1 - PEAK));
    }

    private static void lay(
            List<Onset> onsets, Bar bar, List<Motif.Beat> beats, List<Improvising.Over> overs, double height) {
        for (Motif.Beat beat : beats) {
            int tick = bar.tick() + beat.tick();
            overs.stream()
                    .filter(over -> over.tick() <= tick && tick < over.tick() + over.ticks())
                    .findFirst()
                    .ifPresent(over -> {
                        boolean first = onsets.isEmpty()
                                || onsets.get(onsets.size() - 1).over() != over;
                        onsets.add(new Onset(
                                bar,
                                tick,
                                Math.min(beat.ticks(), bar.end() - tick),
                                over,
                                first,
                                beat.move(),
                                height,
                                false));
                    });
        }
    }
}
