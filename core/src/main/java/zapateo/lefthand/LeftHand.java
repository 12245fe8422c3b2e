package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import zapateo.hand.Hand;
import zapateo.hand.Instrument;
import zapateo.hand.Pianist;
import zapateo.part.GivenRun;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Figure;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.search.CostTerm;
import zapateo.song.Song;

/**
 * Plays a song's chords: figures are laid over them, then the octaves and inversions of the whole song are chosen
 * together.
 */
public final class LeftHand implements Placed.Player {

    private static final Interval MINOR_SEVENTH = Interval.parse("b7");

    private final Plan plan;
    private final List<Cut> cuts;
    private final Map<Planned, WalkingLine.Note> walk;
    private final Instrument instrument;
    private final Hand hand;
    private final Early early;
    private final ChordNeeds needs;
    private final Places.Sought sought;
    private final List<CostTerm<Candidate>> terms;
    private final Map<Placement, Map<List<Role>, List<PartNote>>> found = new IdentityHashMap<>();
    private final Map<Placement, List<List<Role>>> broken = new IdentityHashMap<>();
    private final Map<Figure, Loudness> loudness = new IdentityHashMap<>();
    private final Map<Planned, Integer> inRun = new IdentityHashMap<>();
    private final Map<Planned, Optional<Pitch>> led = new IdentityHashMap<>();
    private final StrokeReasons reasons;
    private final SameOctave again;
    private final Phrasing phrasing;

    private LeftHand(Song song, Plan plan, Pianist pianist, List<Cut> cuts, List<Planned> planned) {
        this.plan = plan;
        this.cuts = cuts;
        this.instrument = pianist.instrument();
        this.hand = pianist.leftOnKeys();
        this.early = new Early(song);
        this.again = SameOctave.of(song, cuts);
        this.phrasing = Phrasing.of(song);
        this.walk = planned.stream().anyMatch(stroke -> stroke.roles().contains(Role.WALK))
                ? WalkingLine.of(cuts, planned, Math.max(Register.DEEP.lowest(), instrument.lowest()))
                : Map.of();
        this.needs = new ChordNeeds(cuts, plan, walk);
        this.reasons = new StrokeReasons(cuts, walk, needs);
        this.sought = new Places.Sought(
                hand,
                instrument.lowest(),
                plan.weights(),
                cuts.stream().anyMatch(cut -> cut.choices().get(LeftChoice.KEEP_TOP)));
        this.terms = sought.terms();
    }

    /** Every chord's place and every stroke's keys; nothing is opened, caught or left out yet. */
    public static Placed place(Song song, Plan plan, Pianist pianist) {
        List<Cut> plain = Cut.of(song, plan);
        Spices spices = Spices.of(song, plain, plan);
        List<Cut> cuts = spices.isNone() ? plain : spices.led();
        List<Planned> planned = suspended(cuts, spices.on(Basses.of(cuts, Layout.of(cuts, plan.ending()))));
        return new LeftHand(song, plan, pianist, cuts, planned).placed(planned, Map.of(), List.of());
    }

    /** What a lively player does otherwise, by the bar's index. */
    public static Map<Integer, Spice> spices(Song song, Plan plan) {
        return Spices.of(song, Cut.of(song, plan), plan).byBar();
    }

    @Override
    public List<Cut> cuts() {
        return cuts;
    }

    @Override
    public Hand hand() {
        return hand;
    }

    @Override
    public List<CostTerm<Candidate>> terms() {
        return terms;
    }

    /** Whether a stroke may be changed for the other hand: not what is locked, nor what its bar keeps. */
    @Override
    public boolean makesRoom(Planned stroke, Set<Integer> asTheyAre) {
        Cut cut = cuts.get(stroke.cut());
        return stroke.hand() == Side.LEFT
                && !asTheyAre.contains(stroke.bar())
                && plan.lock(cut.bar(), cut.tick() - cut.bar().tick()).equals(Lock.NONE);
    }

    /**
     * The search through all places the chords may have.
     *
     * @param ceilings of strokes that make room, each no higher than that key
     * @param runs that are played in place of what else would begin in their time
     */
    @Override
    public Placed placed(List<Planned> planned, Map<Planned, Integer> ceilings, List<GivenRun> runs) {
        List<List<Planned>> byCut = new ArrayList<>();
        cuts.forEach(cut -> byCut.add(new ArrayList<>()));
        planned.forEach(stroke -> byCut.get(stroke.cut()).add(stroke));
        List<Need> wanted = new ArrayList<>(cuts.size());
        cuts.forEach(cut -> wanted.add(needs.of(cut, byCut.get(cut.index()), ceilings)));
        Places.Found places = Places.through(wanted, again, sought);
        List<Placed.Laid> laid = new ArrayList<>(planned.size());
        led.clear();
        cuts.forEach(cut -> number(cut, byCut.get(cut.index())));
        for (Planned each : planned) {
            stroke(each, places.path().steps(), byCut, ceilings.getOrDefault(each, Integer.MAX_VALUE))
                    .flatMap(early::tied)
                    .ifPresent(stroke -> laid.add(new Placed.Laid(each, before(runs, stroke))));
        }
        return new Placed(this, planned, laid, runs, places.layers(), places.path());
    }

    /** What sounds into a run ends before it. */
    private static Stroke before(List<GivenRun> runs, Stroke stroke) {
        TickSpan span = stroke.written();
        for (GivenRun run : runs) {
            int from = run.span().tick();
            if (span.tick() < from && from < span.end()) {
                return stroke.moved(stroke.bar(), TickSpan.of(span.tick(), from - span.tick()));
            }
        }
        return stroke;
    }

    /** Locks that no place of their chord keeps. */
    @Override
    public List<Reason> unkeptLocks(List<List<Candidate>> layers) {
        List<Reason> notices = new ArrayList<>();
        for (Cut cut : cuts) {
            Lock lock = plan.lock(cut.bar(), cut.tick() - cut.bar().tick());
            if (!lock.equals(Lock.NONE)
                    && !Placements.keeps(layers.get(cut.index()).get(0), lock)) {
                notices.add(Reason.of(
                        "lock-unkept",
                        Map.of(
                                "bar",
                                String.valueOf(cut.bar().number()),
                                "chord",
                                cut.chord().toString())));
            }
        }
        return notices;
    }

    /** A long stroke of a suspended voicing moves on in its second half. */
    private static List<Planned> suspended(List<Cut> cuts, List<Planned> laid) {
        List<Planned> all = new ArrayList<>(laid.size());
        for (Planned stroke : laid) {
            boolean chosen =
                    stroke.roles().get(0).kind() == Role.Kind.VOICING && stroke.ticks() >= 2 * Ticks.PER_QUARTER;
            Cut cut = cuts.get(stroke.cut());
            Voicing voicing = ChordNeeds.ofFigure(cut, cut.choices().voicing().on(cut.chord()));
            if (chosen
                    && cut.choices().figure().plays(Role.Kind.VOICING)
                    && !voicing.then().isEmpty()) {
                int half = stroke.ticks() / 2;
                all.add(stroke.until(stroke.tick() + half));
                all.add(stroke.at(stroke.bar(), stroke.tick() + half, stroke.ticks() - half)
                        .playing(voicing.then(), stroke.mark(), stroke.origin()));
            } else {
                all.add(stroke);
            }
        }
        all.sort(Comparator.comparingInt(Planned::tick).thenComparing(Planned::hand));
        return all;
    }

    /** Strokes of a broken chord by their places in it. */
    private void number(Cut cut, List<Planned> strokes) {
        if (Spacing.named(cut.choices().figure().manner().spacing()).broken().isEmpty()) {
            return;
        }
        int place = 0;
        for (Planned stroke : strokes) {
            if (ChordNeeds.isBroken(stroke)) {
                inRun.put(stroke, place++);
            }
        }
    }

    private Optional<Stroke> stroke(Planned each, List<Candidate> places, List<List<Planned>> byCut, int ceiling) {
        Cut cut = cuts.get(each.cut());
        Placement placement = places.get(each.cut()).placement();
        List<PartNote> notes = onKeys(notes(each, cut, placement, places, byCut));
        if (notes.isEmpty()) {
            return Optional.empty();
        }
        TickSpan span = TickSpan.of(each.tick(), each.ticks());
        Room room = Room.under(ceiling, notes, each.rolled(), placement, hand, instrument.lowest());
        List<PartNote> struck = loudness.computeIfAbsent(cut.choices().figure(), figure -> Loudness.of(figure.family()))
                .on(each, cut, room.notes(), phrasing);
        Stroke plain = Stroke.of(
                each.hand(),
                each.bar(),
                each.cut(),
                span,
                each.mark(),
                each.accent(),
                struck,
                Nature.of(reasons.origin(each), each.roles()),
                reasons.of(each, cut, placement));
        return Optional.of(room.how().map(plain::mended).orElse(plain));
    }

    /** On the keys there are: what lies beyond them is taken an octave nearer. */
    private List<PartNote> onKeys(List<PartNote> notes) {
        boolean there = true;
        for (PartNote note : notes) {
            there &= note.pitch().midi() >= instrument.lowest() && note.pitch().midi() <= instrument.highest();
        }
        if (there) {
            return notes;
        }
        Map<Integer, PartNote> byKey = new java.util.TreeMap<>();
        for (PartNote note : notes) {
            int below = instrument.lowest() - note.pitch().midi();
            int above = note.pitch().midi() - instrument.highest();
            PartNote moved = note.octaves(below > 0 ? (below + 11) / 12 : above > 0 ? -(above + 11) / 12 : 0);
            byKey.putIfAbsent(moved.pitch().midi(), moved);
        }
        return List.copyOf(byKey.values());
    }

    private List<PartNote> notes(
            Planned each, Cut cut, Placement placement, List<Candidate> places, List<List<Planned>> byCut) {
        Role first = each.roles().get(0);
        if (walk.containsKey(each)) {
            PartNote step = PartNote.of(walk.get(each).pitch(), Role.WALK);
            if (each.roles().size() > 1 && each.roles().get(1).degree() == TenthOver.DEGREE) {
                boolean falls = nextStep(cut, byCut)
                        .filter(next -> walk.get(next).key() < step.pitch().midi())
                        .isPresent();
                return List.of(step, TenthOver.of(step.pitch(), cut, falls));
            }
            return each.roles().size() == 1
                    ? List.of(step)
                    : List.of(
                            step,
                            PartNote.of(step.octaves(1).pitch(), each.roles().get(1)));
        }
        if (first.kind() == Role.Kind.PASSING) {
            return Passing.over(each, byCut.get(cut.index()), nextStep(cut, byCut), walk, placement);
        }
        if (first.kind() == Role.Kind.LEAD_IN) {
            return lead(each, cut, places, byCut);
        }
        if (first.kind() == Role.Kind.NEIGHBOUR) {
            return CloseChords.stepLower(placement.upper(), cut.bar().key());
        }
        // A place and the roles of a figure's stroke come again and again; their notes are found once.
        List<Planned> here = byCut.get(cut.index());
        if (inRun.containsKey(each)) {
            List<List<Role>> laid = broken.computeIfAbsent(
                    placement, at -> ChordNeeds.run(cut, here).on(at, needs.said(cut, here)));
            return found.computeIfAbsent(placement, at -> new IdentityHashMap<>())
                    .computeIfAbsent(laid.get(inRun.get(each)), placement::notes);
        }
        List<PartNote> notes = found.computeIfAbsent(placement, at -> new IdentityHashMap<>())
                .computeIfAbsent(
                        each.roles(),
                        roles -> placement.notes(
                                each.origin() == Origin.ENDING
                                                && roles.size() > 2
                                                && roles.stream().anyMatch(role -> role.degree() % 7 == 3)
                                        ? Fuller.clearest(placement, roles, needs.said(cut, here))
                                        : Spacing.named(ChordNeeds.spacing(cut, each))
                                                .on(placement.chord(), placement.bass(), roles)));
        return first.kind() == Role.Kind.FIFTH_BELOW && each.roles().size() == 1
                ? FifthBelow.towards(each, notes, placement, places, here, cut)
                : notes;
    }

    /** Where a line that walks begins the next chord. */
    private Optional<Planned> nextStep(Cut cut, List<List<Planned>> byCut) {
        return cut.index() + 1 < cuts.size()
                ? byCut.get(cut.index() + 1).stream().filter(walk::containsKey).findFirst()
                : Optional.empty();
    }

    /** Into the next bass, wherever that lies; all of one lead-in are found together. */
    private List<PartNote> lead(Planned each, Cut cut, List<Candidate> places, List<List<Planned>> byCut) {
        if (!led.containsKey(each)) {
            List<Planned> run = byCut.get(cut.index()).stream()
                    .filter(stroke -> stroke.roles().get(0).kind() == Role.Kind.LEAD_IN)
                    .toList();
            List<Pitch> found = approach(run, cut, places, byCut);
            run.forEach(stroke -> led.put(stroke, Optional.empty()));
            for (int i = 0; i < found.size(); i++) {
                led.put(run.get(i), Optional.of(found.get(i)));
            }
        }
        return led.get(each)
                .map(pitch -> Stream.concat(Stream.of(PartNote.of(pitch, Role.LEADS)), over(each, pitch, cut).stream())
                        .toList())
                .orElse(List.of());
    }

    /** The chord that slides along above a walk-up. */
    private static Optional<PartNote> over(Planned each, Pitch bass, Cut cut) {
        return switch (each.lead().map(LeadIn.Step::over).orElse(LeadIn.Over.NOTHING)) {
            case NOTHING -> Optional.empty();
            case SEVENTHS ->
                Optional.of(PartNote.of(
                        Pitch.onKey(
                                bass.midi() + MINOR_SEVENTH.semitones(),
                                bass.pitchClass().plus(MINOR_SEVENTH).simple()),
                        Role.FLAT_SEVENTH));
            case TENTHS -> Optional.of(TenthOver.of(bass, cut, false));
        };
    }

    private List<Pitch> approach(List<Planned> run, Cut cut, List<Candidate> places, List<List<Planned>> byCut) {
        Cut next = cuts.get(cut.index() + 1);
        Placement here = places.get(cut.index()).placement();
        Placement there = places.get(next.index()).placement();
        Pitch target = byCut.get(next.index()).stream()
                .filter(walk::containsKey)
                .findFirst()
                .map(walk::get)
                .map(WalkingLine.Note::pitch)
                .orElse(there.bass());
        List<Planned> before = byCut.get(cut.index()).stream()
                .filter(other ->
                        other.hand() == Side.LEFT && other.tick() < run.get(0).tick() && other.mark() == Mark.HEEL)
                .toList();
        Pitch from = before.isEmpty()
                ? here.bass()
                : notes(before.get(before.size() - 1), cut, here, places, byCut)
                        .get(0)
                        .pitch();
        List<Optional<Pitch>> wishes = run.stream()
                .map(stroke -> stroke.lead()
                        .map(step ->
                                step.before(target, there.chord(), next.bar().key(), here.bass())))
                .toList();
        return Approach.between(
                new Approach.Ends(
                        from, here.chord(), target, there.chord(), next.bar().key()),
                wishes,
                Math.max(Register.DEEP.lowest(), instrument.lowest()));
    }
}
