package zapateo.righthand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.VoiceLeading;
import zapateo.part.CloseChord;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Feel;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * Chords in the right hand over a left hand that is there already: the inversions of the whole song chosen together,
 * struck in the rhythm of a figure.
 */
public final class Comping {

    /** At least a third above the left hand (HANDBOOK §9). */
    static final int CLEAR_OF_LEFT = 3;

    private static final double HOME = zapateo.pitch.Pitch.parse("G4").midi();
    private static final int MAJOR_THIRD = 4;
    private static final int TRITONE = 6;
    private static final int VELOCITY = 60;
    private static final int ACCENT = 14;
    private static final int BARS_OF_ONE_SHAPE = 4;
    private static final List<Role> WITHOUT_TOP = List.of(Role.parse("cl"));

    private final Song song;
    private final Hand hand;
    private final RightChoices choices;
    private final List<Stroke> left;
    private final LeftTop tops;
    /** Whether the figure strikes one tone alone. */
    private final boolean lone;
    /** Whether the song ends on a chord that is held. */
    private final boolean ends;

    private final CompingRhythm rhythm;
    private final List<Standing> standing;
    /** Where the chords of each section's last cadence begin: what is held or turns stops there. */
    private final Set<Integer> cadences;

    private Comping(Song song, List<Stroke> left, Hand hand, RightChoices choices) {
        this.song = song;
        this.hand = hand;
        this.choices = choices;
        this.left = left;
        this.lone = choices.figure().bars().values().stream()
                .flatMap(List::stream)
                .flatMap(List::stream)
                .allMatch(stroke ->
                        stroke.roles().size() == 1 && stroke.roles().get(0).degree() > 0);
        this.ends = left.stream().anyMatch(stroke -> stroke.nature().origin() == Origin.ENDING);
        this.tops = new LeftTop(left);
        this.cadences = Cadences.of(song);
        standing = Standing.of(song, choices, tops, cadences);
        rhythm = new CompingRhythm(choices.figure(), left, tops);
    }

    /** @param left what the left hand plays, as written */
    public static List<Stroke> of(Song song, List<Stroke> left, Hand hand, RightChoices choices) {
        return new Comping(song, left, hand, choices).play();
    }

    private List<Stroke> play() {
        if (standing.isEmpty()) {
            return List.of();
        }
        List<Hit> hits = hits();
        if (hits.isEmpty() || choices.shapes() == RightChoices.Shapes.HELD) {
            return hits.isEmpty() ? List.of() : struck(hits, held());
        }
        Map<ChordSymbol, List<Shape>> shapes = new HashMap<>();
        Map<List<Object>, List<Placed>> known = new HashMap<>();
        // A chord that the figure leaves out has no say in where the next one lies.
        List<Integer> heard = hits.stream().map(Hit::chord).distinct().toList();
        List<List<Placed>> layers = heard.stream()
                .map(standing::get)
                .map(each -> known.computeIfAbsent(
                        List.of(each.chord(), each.leftTop(), each.doubles(), each.justLeft()),
                        key -> shapesOf(each, shapes).stream()
                                .map(shape -> new Placed(shape, each.leftTop(), each.doubles(), each.justLeft()))
                                .toList()))
                .toList();
        List<Placed> found = ShortestPath.through(layers, costs()).steps();
        List<Placed> steps = new ArrayList<>(Collections.nCopies(standing.size(), found.get(0)));
        for (int i = 0; i < heard.size(); i++) {
            steps.set(heard.get(i), found.get(i));
        }
        return struck(hits, steps);
    }

    /** Where the left hand has the leading tone the right one may do without. */
    private List<Shape> shapesOf(Standing each, Map<ChordSymbol, List<Shape>> shapes) {
        List<Shape> all = shapes.computeIfAbsent(each.chord(), chord -> Shape.of(chord, hand));
        return each.doubles()
                ? Stream.concat(all.stream(), Shape.withoutThird(each.chord(), hand).stream())
                        .toList()
                : all;
    }

    /** One shape for as many bars of a section as it carries, each where it lies nearest to the one before. */
    private List<Placed> held() {
        List<List<Standing>> runs = new ArrayList<>();
        Map<Integer, List<Standing>> byBar = new HashMap<>();
        standing.forEach(each -> byBar.computeIfAbsent(each.bar().index(), bar -> new ArrayList<>())
                .add(each));
        for (Section section : song.sections()) {
            List<List<Standing>> bars = section.bars().stream()
                    .flatMap(bar -> Optional.ofNullable(byBar.get(bar.index())).stream())
                    .toList();
            for (int from = 0; from < bars.size(); ) {
                List<Standing> run = new ArrayList<>(bars.get(from++));
                for (int more = 1; more < BARS_OF_ONE_SHAPE && from < bars.size(); more++) {
                    if (cadences.contains(run.get(run.size() - 1).tick())
                            || bars.get(from).stream().anyMatch(each -> cadences.contains(each.tick()))) {
                        break;
                    }
                    List<Standing> longer =
                            Stream.concat(run.stream(), bars.get(from).stream()).toList();
                    if (!oneShape(longer).carries()) {
                        break;
                    }
                    run = longer;
                    from++;
                }
                // Inside a cadence each chord has its own, and where no one shape carries the chords of a bar.
                if (run.stream().anyMatch(each -> cadences.contains(each.tick()))
                        || run.size() > 1 && !oneShape(run).carries()) {
                    run.forEach(each -> runs.add(List.of(each)));
                } else {
                    runs.add(run);
                }
            }
        }
        List<List<Placed>> layers = runs.stream()
                .map(each -> {
                    int top = each.stream().mapToInt(Standing::leftTop).max().orElse(0);
                    return Shape.placed(oneShape(each).notes(), each.get(0).chord(), hand).stream()
                            .map(shape ->
                                    new Placed(shape, top, false, each.get(0).justLeft()))
                            .toList();
                })
                .toList();
        List<Placed> found = ShortestPath.through(layers, costs()).steps();
        List<Placed> each = new ArrayList<>();
        for (int i = 0; i < runs.size(); i++) {
            Placed placed = found.get(i);
            runs.get(i)
                    .forEach(over ->
                            each.add(new Placed(placed.shape().over(over.chord()), over.leftTop(), false, Set.of())));
        }
        return each;
    }

    private static OneShape oneShape(List<Standing> run) {
        return OneShape.of(run.stream().map(Standing::chord).toList()).orElseThrow();
    }

    /** A shape over what the left hand has. */
    private record Placed(Shape shape, int leftTop, boolean doubles, Set<Integer> justLeft) {

        /** Keys that would go from one hand to the other. */
        private long handedOver() {
            return justLeft.isEmpty()
                    ? 0
                    : Arrays.stream(shape.keys()).filter(justLeft::contains).count();
        }

        private int tooLow() {
            return Math.max(0, leftTop + CLEAR_OF_LEFT - shape.lowest());
        }
    }

    /** What is heard of a shape at the top: where a figure strikes one tone alone, that tone. */
    private int heard(Placed placed) {
        return lone
                ? notes(
                                placed.shape,
                                choices.figure()
                                        .bars()
                                        .values()
                                        .iterator()
                                        .next()
                                        .get(0)
                                        .get(0)
                                        .roles())
                        .get(0)
                        .pitch()
                        .midi()
                : placed.shape.top();
    }

    private List<CostTerm<Placed>> costs() {
        RightChoices.Top top = choices.top();
        List<CostTerm<Placed>> terms = new ArrayList<>(List.of(
                CostTerm.step(
                        "chord-movement",
                        lone ? 0 : 0.5,
                        (from, to) -> VoiceLeading.onKeys(from.shape.keys(), to.shape.keys())),
                CostTerm.step(
                        "top-line",
                        top == RightChoices.Top.SMOOTH ? 2 : 0.4,
                        (from, to) -> Math.abs(heard(to) - heard(from))),
                CostTerm.step(
                        "top-leap",
                        12,
                        (from, to) -> Math.abs(heard(to) - heard(from))
                                        > (top == RightChoices.Top.THIRD || lone ? TRITONE : MAJOR_THIRD)
                                ? 1
                                : 0),
                CostTerm.own("chord-register", 0.25, placed -> Math.abs(placed.shape.middle() - HOME)),
                CostTerm.own("left-out", 4, placed -> placed.shape.leftOut()),
                CostTerm.own("leading-tone-twice", 30, placed -> placed.doubles && placed.shape.hasThird() ? 1 : 0),
                CostTerm.own("near-the-left", 8, Placed::tooLow),
                CostTerm.own("handed-over", 6, Placed::handedOver)));
        if (top == RightChoices.Top.THIRD) {
            terms.add(CostTerm.own(
                    "third-on-top", 100, placed -> placed.shape.hasThirdOnTop() || placed.doubles ? 0 : 1));
        }
        return terms;
    }

    /** A chord, by its place among those standing, as a stroke of the figure has it. */
    private record Hit(Bar bar, TickSpan span, int chord, FigureStroke stroke) {}

    private List<Hit> hits() {
        List<Hit> hits = new ArrayList<>();
        int at = 0;
        for (Section section : song.sections()) {
            int inSection = 0;
            for (Bar bar : section.bars()) {
                int first = at;
                while (at < standing.size() && standing.get(at).bar() == bar) {
                    at++;
                }
                if (at > first) {
                    bar(bar, inSection, first, at, hits);
                }
                inSection++;
            }
        }
        return hits;
    }

    /**
     * The figure's onsets stay whatever chords lie under them; a stroke that is held over a change is struck anew
     * there.
     */
    private void bar(Bar bar, int inSection, int first, int after, List<Hit> hits) {
        int last = standing.size() - 1;
        for (FigureStroke stroke : rhythm.of(bar, inSection)) {
            int tick = bar.tick() + stroke.tick();
            if (stroke.ofNext()) {
                if (after < standing.size()
                        && !(ends && after == last)
                        && standing.get(after).tick() == bar.end()) {
                    hits.add(new Hit(bar, TickSpan.of(tick, bar.end() - tick), after, stroke));
                }
                continue;
            }
            for (int each = first; each < after; each++) {
                Standing chord = standing.get(each);
                int from = Math.max(tick, chord.tick());
                long wanted = stroke.length() == FigureStroke.TO_THE_END ? chord.end() : tick + stroke.length();
                int end = (int) Math.min(chord.end(), wanted);
                boolean opens = tick >= chord.tick() && tick < chord.end();
                boolean anew = tick < chord.tick()
                        && (stroke.length() == FigureStroke.TO_THE_END || wanted - chord.tick() >= Ticks.PER_EIGHTH);
                if (end > from && (opens || anew) && !(ends && each == last)) {
                    hits.add(new Hit(bar, TickSpan.of(from, end - from), each, stroke));
                }
            }
        }
        if (ends && first <= last && last < after) {
            hits.add(new Hit(
                    bar,
                    TickSpan.of(
                            standing.get(last).tick(),
                            standing.get(last).end() - standing.get(last).tick()),
                    last,
                    CompingRhythm.WHOLE));
        }
    }

    private List<Stroke> struck(List<Hit> hits, List<Placed> steps) {
        List<Stroke> strokes = new ArrayList<>();
        int before = -1;
        for (Hit hit : hits) {
            FigureStroke stroke = hit.stroke();
            Standing chord = standing.get(hit.chord());
            Shape shape = steps.get(hit.chord()).shape();
            // A chord that is struck once has its top, whatever the figure leaves out where it comes again.
            List<Role> roles = before != hit.chord() && stroke.roles().equals(WITHOUT_TOP)
                    ? CompingRhythm.WHOLE.roles()
                    : stroke.roles();
            List<PartNote> notes = clear(
                            shape, notes(shape, roles), chord, hit.span().tick())
                    .stream()
                    .map(note -> note.struck(VELOCITY + (stroke.accent() ? ACCENT : 0)))
                    .toList();
            strokes.add(Stroke.of(
                    Side.RIGHT,
                    hit.bar().index(),
                    hit.chord(),
                    hit.span(),
                    Mark.TOE,
                    stroke.accent(),
                    notes,
                    Nature.of(Origin.COMPING, stroke.roles()),
                    Reason.of(
                            choices.shapes() == RightChoices.Shapes.EACH
                                    ? "comping"
                                    : "comping-" + choices.shapes().id(),
                            Map.of(
                                    "figure",
                                    choices.figure().id(),
                                    "chord",
                                    chord.chord().toString()))));
            before = hit.chord();
        }
        return strokes;
    }

    /**
     * Without what lies a ninth over a tone of the left hand that is none of the chord, and without a leading tone that
     * hand has; something of the shape stays.
     */
    private List<PartNote> clear(Shape shape, List<PartNote> notes, Standing over, int tick) {
        List<PartNote> clear = notes.stream()
                .filter(note -> !tops.rubsUnder(note.pitch().midi(), over.chord(), tick))
                .toList();
        boolean led = over.doubles() && choices.shapes() == RightChoices.Shapes.HELD;
        List<PartNote> alone = clear.stream()
                .filter(note -> !led || note == clear.get(clear.size() - 1) || !isThird(note, over.chord()))
                .toList();
        List<PartNote> kept = alone.size() > 1 ? alone : clear;
        if (!kept.isEmpty()) {
            return kept;
        }
        return shape.notes().stream()
                .filter(note -> !tops.rubsUnder(note.pitch().midi(), over.chord(), tick))
                .findFirst()
                .map(List::of)
                .orElse(notes);
    }

    private static boolean isThird(PartNote note, ChordSymbol chord) {
        return chord.quality()
                .tone(3)
                .filter(third ->
                        chord.tone(third).chroma() == note.pitch().pitchClass().chroma())
                .isPresent();
    }

    /**
     * What of a shape the roles of a stroke take, low to high; a numbered one is the tone of that number, or the lowest
     * note.
     */
    private static List<PartNote> notes(Shape shape, List<Role> roles) {
        List<PartNote> taken = new ArrayList<>();
        for (Role role : roles) {
            Role here = role.ofThis();
            List<PartNote> notes = here.isOfClose()
                    ? CloseChord.take(here, shape.notes())
                    : List.of(shape.notes().stream()
                            .filter(note -> note.role().isTone(here.degree()))
                            .findFirst()
                            .orElse(shape.notes().get(0)));
            notes.stream().filter(note -> !taken.contains(note)).forEach(taken::add);
        }
        taken.sort(java.util.Comparator.comparingInt(note -> note.pitch().midi()));
        return taken;
    }

    /**
     * The figure that suits a song best where none is chosen: on the beats of a straight one, half the bar open in a
     * swung one.
     */
    public static String usual(Song song) {
        return song.feel() == Feel.STRAIGHT || song.meter().beats() != 4 ? "held-chords" : "one-and-two-and";
    }
}
