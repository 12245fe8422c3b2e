package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.part.Origin;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.rhythm.Times;
import zapateo.song.Bar;
import zapateo.song.TuneNote;

/** Figures laid over the chords: when what is struck. Which keys comes later. */
final class Layout {

    /** How soon a held chord has faded so far that it is struck again (the project's own choice). */
    private static final double FADES_MS = 4_000;
    /** A stroke that sounds into a change and lies no further before it takes the chord that arrives. */
    private static final int LEANS_ON = Ticks.PER_QUARTER;

    private static final Role FIFTH_BELOW = Role.parse("5_");
    /** So many chords of a bar are said by a figure that keeps its onsets. */
    private static final int MOST_KEPT = 2;

    private final List<Cut> cuts;
    private final Optional<Ending> ending;
    private final List<Planned> planned = new ArrayList<>();
    private final Map<Figure, Boolean> alternating = new IdentityHashMap<>();
    private final Map<Figure, Boolean> turning = new IdentityHashMap<>();
    /** For each cut, until when its beginning sounds already. */
    private final int[] covered;

    private Layout(List<Cut> cuts, Optional<Ending> ending) {
        this.cuts = cuts;
        this.ending = ending;
        this.covered = new int[cuts.size()];
    }

    static List<Planned> of(List<Cut> cuts, Optional<Ending> ending) {
        Layout layout = new Layout(cuts, ending);
        for (int i = 0; i < cuts.size(); ) {
            i = layout.lay(i);
        }
        layout.planned.sort(Comparator.comparingInt(Planned::tick));
        layout.letGo();
        layout.runOn();
        return layout.planned;
    }

    /** What is struck early for the next chord needs the hand: what it held of the one before is let go. */
    private void letGo() {
        for (int at = 0; at < planned.size(); at++) {
            Planned early = planned.get(at);
            if (early.origin() != Origin.ANTICIPATION || early.hand() != Side.LEFT) {
                continue;
            }
            for (int before = at - 1; before >= 0 && planned.get(before).bar() >= early.bar() - 1; before--) {
                Planned held = planned.get(before);
                if (held.hand() == Side.LEFT && held.tick() < early.tick() && held.end() > early.tick()) {
                    planned.set(before, held.until(early.tick()));
                }
            }
        }
    }

    /** Over one bass an alternation runs on when the chord changes above it in a bar (G7sus4 G7). */
    private void runOn() {
        int before = -1;
        for (int at = 0; at < planned.size(); at++) {
            Planned stroke = planned.get(at);
            if (!alternates(stroke)) {
                continue;
            }
            if (before >= 0
                    && planned.get(before).bar() == stroke.bar()
                    && (planned.get(before).cut() != stroke.cut()
                            || turns(cuts.get(stroke.cut()).choices().figure()))
                    && planned.get(before).roles().get(0).equals(stroke.roles().get(0))
                    && cuts.get(planned.get(before).cut()).chord().bass().chroma()
                            == cuts.get(stroke.cut()).chord().bass().chroma()) {
                planned.set(
                        at,
                        stroke.playing(
                                List.of(stroke.roles().get(0).equals(Role.BASS) ? FIFTH_BELOW : Role.BASS),
                                stroke.mark(),
                                stroke.origin()));
            }
            before = at;
        }
    }

    private boolean alternates(Planned stroke) {
        Cut cut = cuts.get(stroke.cut());
        return stroke.hand() == Side.LEFT
                && stroke.origin() != Origin.ENDING
                && (stroke.roles().get(0).equals(Role.BASS)
                        || stroke.roles().get(0).equals(FIFTH_BELOW))
                && cut.chord().over().isEmpty()
                && cut.ticks() > cut.bar().meter().beatTicks()
                && !cut.choices().byHand()
                && plays(cut.choices().figure());
    }

    private boolean turns(Figure figure) {
        return turning.computeIfAbsent(figure, Figure::takesTurns);
    }

    /** Asked of each stroke and answered once for a figure. */
    private boolean plays(Figure figure) {
        return alternating.computeIfAbsent(figure, each -> each.plays(Role.Kind.FIFTH_BELOW));
    }

    /** Lays one cut, or all of a bar whose figure keeps its onsets; the next to be laid. */
    private int lay(int i) {
        Cut cut = cuts.get(i);
        Figure figure = cut.choices().figure();
        if (isEnding(i)) {
            int from = planned.size();
            layOne(i);
            List<Planned> figureOfBar = new ArrayList<>(planned.subList(from, planned.size()));
            planned.subList(from, planned.size()).clear();
            planned.addAll(EndingStrokes.of(cut, ending.orElseThrow(), figureOfBar));
            return i + 1;
        }
        if (cut.choices().byHand()) {
            layByHand(i);
            return i + 1;
        }
        boolean withTune =
                figure.manner().times() == Times.TUNE && !cut.bar().accents().isEmpty();
        if (!figure.manner().keeps() || cut.fillsBar() && !withTune) {
            layOne(i);
            return i + 1;
        }
        int j = i;
        while (j + 1 < cuts.size()
                && cuts.get(j + 1).bar() == cut.bar()
                && cuts.get(j + 1).tick() == cuts.get(j).end()
                && cuts.get(j + 1).choices().equals(cut.choices())
                && !isEnding(j + 1)) {
            j++;
        }
        if (j - i + 1 > MOST_KEPT && !withTune) {
            // More chords than the figure's onsets could say: it starts again at each.
            for (int each = i; each <= j; each++) {
                layOne(each);
            }
            return j + 1;
        }
        keepOnsets(
                i,
                j,
                withTune ? withTune(figure, cut.bar()) : figure.bar(cut.bar().meter(), cut.turn()));
        return j + 1;
    }

    /** What a figure begins a bar with; where the bar is over before it would, what it begins with elsewhere. */
    private static FigureStroke opening(Figure figure, Meter meter) {
        return figure.bar(meter, 0).stream()
                .findFirst()
                .orElseGet(() -> figure.written().findFirst().orElseThrow());
    }

    private static Figure figureOf(Cut cut) {
        return cut.choices().figure();
    }

    private boolean isEnding(int i) {
        Cut cut = cuts.get(i);
        return ending.isPresent()
                && cut.place().lastOfSong()
                && i == cuts.size() - 1
                && cut.end() == cut.bar().end()
                && !cut.choices().byHand();
    }

    /** What a person wrote for this bar stands as it is written, under whatever chord sounds. */
    private void layByHand(int i) {
        Cut cut = cuts.get(i);
        for (FigureStroke stroke : cut.choices().figure().bar(cut.bar().meter(), 0)) {
            int tick = cut.bar().tick() + stroke.tick();
            if (tick >= cut.tick() && tick < cut.end() && stroke.ofNext()) {
                early(i, stroke, tick);
            } else if (tick >= cut.tick() && tick < cut.end()) {
                int end = stroke.length() == FigureStroke.TO_THE_END
                        ? cut.end()
                        : Math.min(cut.end(), tick + stroke.length());
                planned.add(Planned.of(cut, stroke, tick, end - tick, Origin.BY_HAND));
            }
        }
    }

    private void layOne(int i) {
        Cut cut = cuts.get(i);
        Figure figure = cut.choices().figure();
        if (figure.isHeld() && covered[i] >= cut.end()) {
            return;
        }
        Meter meter = cut.bar().meter();
        boolean whole = cut.fillsBar() && cut.ticks() == meter.barTicks();
        Optional<List<FigureStroke>> varied = whole && cut.choices().get(LeftChoice.VARIATIONS)
                ? figure.variation(
                        meter,
                        cut.place().inSection(),
                        cut.place().lastOfSection(),
                        cut.place().lastOfSong(),
                        cut.choices().get(LeftChoice.LIVELINESS))
                : Optional.empty();
        int from = planned.size();
        for (FigureStroke stroke : varied.orElseGet(() -> figure.strokes(meter, whole ? cut.turn() : 0, cut.ticks()))) {
            int tick = cut.tick() + stroke.tick();
            if (stroke.ofNext()) {
                early(i, stroke, tick);
            } else {
                int end = stroke.length() == FigureStroke.TO_THE_END
                        ? figure.isHeld() ? held(i) : cut.end()
                        : Math.min(cut.end(), tick + stroke.length());
                add(Planned.of(cut, stroke, tick, end - tick, varied.isPresent() ? Origin.VARIATION : Origin.FIGURE));
            }
        }
        if (planned.size() == from && covered[i] <= cut.tick()) {
            // What begins after the beat by its own rhythm has no time to.
            FigureStroke begin = opening(figure, meter);
            add(Planned.of(cut, begin, cut.tick(), Math.min(begin.length(), cut.ticks()), Origin.FIGURE));
        }
        ShortChords.sayWhole(cut, planned.subList(from, planned.size()));
    }

    private void add(Planned stroke) {
        if (stroke.tick() >= covered[stroke.cut()] || stroke.hand() == Side.RIGHT) {
            planned.add(stroke);
        }
    }

    /** Until when a chord that is held sounds: over bar lines while it stays and has not faded. */
    private int held(int i) {
        Cut cut = cuts.get(i);
        int end = cut.end();
        for (int next = i + 1;
                next < cuts.size()
                        && follows(next - 1)
                        && !cuts.get(next).begins()
                        && !isEnding(next)
                        && cuts.get(next).choices().equals(cut.choices())
                        && cuts.get(next).place().section() == cut.place().section()
                        && cuts.get(next).bar().vamp() == cut.bar().vamp()
                        && cut.bar().tempo().millisecondsOf(cuts.get(next).end() - cut.tick()) <= FADES_MS;
                next++) {
            covered[next] = cuts.get(next).end();
            end = cuts.get(next).end();
        }
        return end;
    }

    private boolean follows(int i) {
        return i + 1 < cuts.size() && cuts.get(i + 1).tick() == cuts.get(i).end();
    }

    /** A stroke for the next chord, before it comes; where it cannot be, what sounds goes on. */
    private void early(int i, FigureStroke stroke, int tick) {
        boolean possible = tick > cuts.get(i).tick()
                && follows(i)
                && !isEnding(i + 1)
                && !cuts.get(i + 1).early()
                && !cuts.get(i + 1).choices().byHand()
                && cuts.get(i + 1)
                        .choices()
                        .figure()
                        .id()
                        .equals(cuts.get(i).choices().figure().id());
        if (!possible) {
            lengthen(i, stroke.hand(), tick);
            return;
        }
        Cut next = cuts.get(i + 1);
        int end = (int) Math.min(next.end(), (long) tick + stroke.length());
        planned.add(Planned.of(next, stroke, tick, end - tick, Origin.ANTICIPATION)
                .at(cuts.get(i).bar().index(), tick, end - tick));
        if (end > next.tick() && stroke.hand() == Side.LEFT) {
            covered[i + 1] = end;
        }
    }

    private void lengthen(int cut, Side hand, int from) {
        for (int last = planned.size() - 1; last >= 0 && planned.get(last).cut() == cut; last--) {
            if (planned.get(last).hand() == hand) {
                if (planned.get(last).end() == from) {
                    planned.set(last, planned.get(last).until(cuts.get(cut).end()));
                }
                return;
            }
        }
    }

    /**
     * The bar's onsets stay, whatever chords lie under them; each stroke takes the chord that sounds, or the one it
     * leans into.
     */
    private void keepOnsets(int first, int last, List<FigureStroke> bar) {
        int start = cuts.get(first).bar().tick();
        boolean[] struck = new boolean[last + 1];
        int from = planned.size();
        for (FigureStroke stroke : bar) {
            int tick = start + stroke.tick();
            if (stroke.ofNext()) {
                if (tick < cuts.get(last).end()
                        && tick >= cuts.get(first).tick()
                        && cuts.get(last).end() == cuts.get(last).bar().end()) {
                    early(last, stroke, tick);
                }
                continue;
            }
            int end = stroke.length() == FigureStroke.TO_THE_END
                    ? cuts.get(last).end()
                    : Math.min(cuts.get(last).end(), tick + stroke.length());
            int owner = first;
            while (owner <= last && cuts.get(owner).end() <= tick) {
                owner++;
            }
            if (owner <= last && tick >= cuts.get(first).tick()) {
                strike(owner, last, stroke, tick, end, bar, struck);
            }
        }
        for (int cut = first; cut <= last && first < last; cut++) {
            ShortChords.sayWhole(cuts.get(cut), planned.subList(from, planned.size()));
        }
        for (int cut = first; cut <= last; cut++) {
            if (!struck[cut] && covered[cut] <= cuts.get(cut).tick()) {
                FigureStroke begin =
                        opening(figureOf(cuts.get(cut)), cuts.get(cut).bar().meter());
                add(Planned.of(
                        cuts.get(cut),
                        begin,
                        cuts.get(cut).tick(),
                        Math.min(begin.length(), cuts.get(cut).ticks()),
                        Origin.FIGURE));
            }
        }
    }

    private void strike(
            int owner, int last, FigureStroke stroke, int tick, int end, List<FigureStroke> bar, boolean[] struck) {
        Cut cut = cuts.get(owner);
        int change = cut.end();
        boolean anew = bar.stream()
                .anyMatch(other -> other.hand() == stroke.hand() && cut.bar().tick() + other.tick() == change);
        boolean reaches = owner < last && !anew && !cuts.get(owner + 1).early() && end > change;
        // A chord that is struck by itself soon after its change needs no other hand to announce it.
        boolean soon = bar.stream()
                .filter(other -> other.hand() == stroke.hand())
                .mapToInt(other -> cut.bar().tick() + other.tick())
                .anyMatch(at -> at > change && at < change + Ticks.PER_QUARTER);
        // What is struck twice round a change is the new chord both times: an early bass.
        boolean early = owner < last
                && end == change
                && change - tick < Ticks.PER_QUARTER
                && cut.choices().figure().isLine(stroke)
                && bar.stream()
                        .anyMatch(other -> other.hand() == stroke.hand()
                                && cut.bar().tick() + other.tick() == change
                                && other.roles().equals(stroke.roles()));
        if (early) {
            Cut next = cuts.get(owner + 1);
            planned.add(Planned.of(next, onBass(next, stroke), tick, end - tick, Origin.ANTICIPATION)
                    .at(cut.bar().index(), tick, end - tick));
            return;
        }
        if (reaches
                && change - tick <= LEANS_ON
                && tick > cut.tick()
                && !(soon && change - tick >= Ticks.PER_QUARTER)) {
            Cut next = cuts.get(owner + 1);
            planned.add(
                    Planned.of(next, onBass(next, stroke), tick, Math.min(end, next.end()) - tick, Origin.ANTICIPATION)
                            .at(cut.bar().index(), tick, Math.min(end, next.end()) - tick));
            covered[owner + 1] = Math.max(covered[owner + 1], Math.min(end, next.end()));
            struck[owner + 1] = true;
            return;
        }
        boolean opens = tick == cut.tick();
        add(Planned.of(
                cut,
                opens && cut.begins() ? onBass(cut, stroke) : stroke,
                tick,
                Math.min(end, change) - tick,
                Origin.FIGURE));
        struck[owner] |= opens || cut.choices().figure().manner().bassless();
        if (reaches && !(soon && cut.choices().figure().manner().bassless())) {
            strike(owner + 1, last, onBass(cuts.get(owner + 1), stroke), change, end, bar, struck);
        }
    }

    /** A chord begins with its bass where the figure has one. */
    private static FigureStroke onBass(Cut cut, FigureStroke stroke) {
        return cut.choices().figure().isLine(stroke) && !stroke.roles().get(0).equals(Role.WALK)
                ? stroke.playing(List.of(Role.BASS))
                : stroke;
    }

    private static List<FigureStroke> withTune(Figure figure, Bar bar) {
        FigureStroke model = opening(figure, bar.meter());
        List<FigureStroke> strokes = new ArrayList<>();
        for (TuneNote accent : bar.accents()) {
            strokes.add(new FigureStroke(
                    model.hand(), model.roles(), accent.tick(), Math.min(model.length(), accent.ticks()), false, true));
        }
        return strokes;
    }
}
