package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.Song;

/** Plays a song's chords: figures are laid over them, then the octaves and inversions of the whole song are chosen together. */
public final class LeftHand implements Placed.Player {

    private static final int FOURTH_UP = 5;
    private static final double TWENTIETH = 50;
    private static final Interval FIFTH = Interval.parse("5");
    private static final Voicing CLOSE = Voicing.named("close").orElseThrow();
    private static final Voicing SHELL = Voicing.named("full-shell").orElseThrow();
    private static final Voicing GUIDE_TONES = Voicing.named("guide-tones").orElseThrow();

    private final Plan plan;
    private final List<Cut> cuts;
    private final Map<Planned, WalkingLine.Note> walk;
    private final Instrument instrument;
    private final Hand hand;
    private final Early early;
    private final Placements placements;
    private final List<CostTerm<Candidate>> terms;
    private final ShortestPath.Repeated<Candidate> search;
    private final Map<Placement, Map<List<Role>, List<PartNote>>> found = new IdentityHashMap<>();
    private final Map<Placement, List<List<Role>>> broken = new IdentityHashMap<>();
    private final Map<zapateo.rhythm.Figure, Boolean> voiced = new IdentityHashMap<>();
    private final Map<Planned, Integer> inRun = new IdentityHashMap<>();
    private final Map<Placement, Map<List<Role>, Reason>> reasons = new IdentityHashMap<>();

    private LeftHand(Song song, Plan plan, Pianist pianist, List<Cut> cuts, List<Planned> planned) {
        this.plan = plan;
        this.cuts = cuts;
        this.instrument = pianist.instrument();
        this.hand = pianist.leftOnKeys();
        this.early = new Early(song);
        this.placements = new Placements(hand, instrument.lowest());
        this.walk = planned.stream().anyMatch(stroke -> stroke.roles().contains(Role.WALK)) ? WalkingLine.of(cuts, planned, Math.max(Register.DEEP.lowest(), instrument.lowest())) : Map.of();
        this.terms = Placements.costs(plan.weights(), cuts.stream().anyMatch(cut -> cut.choices().keepTop()));
        this.search = new ShortestPath.Repeated<>(terms);
    }

    /** Every chord's place and every stroke's keys; nothing is opened, caught or left out yet. */
    public static Placed place(Song song, Plan plan, Pianist pianist) {
        List<Cut> cuts = Cut.of(song, plan);
        List<Planned> planned = suspended(cuts, Basses.of(cuts, Layout.of(cuts, plan.ending())));
        return new LeftHand(song, plan, pianist, cuts, planned).placed(planned, Map.of(), List.of());
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
        return stroke.hand() == Side.LEFT && !asTheyAre.contains(stroke.bar()) && plan.lock(cut.bar(), cut.tick() - cut.bar().tick()).equals(Lock.NONE);
    }

    /**
     * The search through all places the chords may have.
     *
     * @param ceilings of strokes that make room, each no higher than that key
     * @param runs     that are played in place of what else would begin in their time
     */
    @Override
    public Placed placed(List<Planned> planned, Map<Planned, Integer> ceilings, List<GivenRun> runs) {
        List<List<Planned>> byCut = new ArrayList<>();
        cuts.forEach(cut -> byCut.add(new ArrayList<>()));
        planned.forEach(stroke -> byCut.get(stroke.cut()).add(stroke));
        List<List<Candidate>> layers = cuts.stream().map(cut -> placements.of(need(cut, byCut.get(cut.index()), ceilings))).toList();
        ShortestPath<Candidate> path = search.through(layers);
        List<Placed.Laid> laid = new ArrayList<>(planned.size());
        cuts.forEach(cut -> number(cut, byCut.get(cut.index())));
        for (Planned each : planned) {
            stroke(each, path.steps(), byCut, ceilings.getOrDefault(each, Integer.MAX_VALUE)).flatMap(early::tied).ifPresent(stroke -> laid.add(new Placed.Laid(each, before(runs, stroke))));
        }
        return new Placed(this, planned, laid, runs, layers, path);
    }

    /** What sounds into a run ends before it. */
    private static Stroke before(List<GivenRun> runs, Stroke stroke) {
        TickSpan span = stroke.written();
        return runs.stream().map(run -> run.span().tick()).filter(from -> span.tick() < from && from < span.end()).findFirst()
                .map(from -> stroke.moved(stroke.bar(), TickSpan.of(span.tick(), from - span.tick()))).orElse(stroke);
    }

    /** Locks that no place of their chord keeps. */
    @Override
    public List<Reason> unkeptLocks(List<List<Candidate>> layers) {
        List<Reason> notices = new ArrayList<>();
        for (Cut cut : cuts) {
            Lock lock = plan.lock(cut.bar(), cut.tick() - cut.bar().tick());
            if (!lock.equals(Lock.NONE) && !Placements.keeps(layers.get(cut.index()).get(0), lock)) {
                notices.add(Reason.of("lock-unkept", Map.of("bar", String.valueOf(cut.bar().number()), "chord", cut.chord().toString())));
            }
        }
        return notices;
    }

    /** A long stroke of a suspended voicing moves on in its second half. */
    private static List<Planned> suspended(List<Cut> cuts, List<Planned> laid) {
        List<Planned> all = new ArrayList<>(laid.size());
        for (Planned stroke : laid) {
            boolean chosen = stroke.roles().get(0).kind() == Role.Kind.VOICING && stroke.ticks() >= 2 * Ticks.PER_QUARTER;
            Voicing voicing = chosen ? voicing(cuts.get(stroke.cut()), cuts.get(stroke.cut()).choices().figure().plays(Role.Kind.VOICING)) : SHELL;
            if (chosen && !voicing.then().isEmpty()) {
                int half = stroke.ticks() / 2;
                all.add(stroke.until(stroke.tick() + half));
                all.add(stroke.at(stroke.bar(), stroke.tick() + half, stroke.ticks() - half).playing(voicing.then(), stroke.mark(), stroke.origin()));
            } else {
                all.add(stroke);
            }
        }
        all.sort(Comparator.comparingInt(Planned::tick).thenComparing(Planned::hand));
        return all;
    }

    private Voicing voicing(Cut cut) {
        return voicing(cut, voiced.computeIfAbsent(cut.choices().figure(), figure -> figure.plays(Role.Kind.VOICING)));
    }

    /** @param ofFigure whether the figure has a place for a voicing of its own */
    private static Voicing voicing(Cut cut, boolean ofFigure) {
        // Where a figure without a voicing of its own is asked for one, its chord is too short for it.
        Voicing chosen = ofFigure ? cut.choices().voicing().on(cut.chord()) : SHELL;
        return cut.choices().withBassPlayer() && chosen.hasBass() ? GUIDE_TONES : chosen;
    }

    private Placements.Need need(Cut cut, List<Planned> strokes, Map<Planned, Integer> ceilings) {
        boolean close = strokes.stream().anyMatch(stroke -> stroke.roles().stream().anyMatch(Role::isOfClose));
        boolean guide = plays(strokes, Role.Kind.GUIDE_TONES);
        boolean chosen = plays(strokes, Role.Kind.VOICING);
        Voicing voicing = chosen ? voicing(cut) : cut.choices().voicing().on(cut.chord());
        Optional<Voicing> upper = chosen && !voicing.hasBass() ? Optional.of(voicing) : close ? Optional.of(voicing.hasBass() && !voicing.id().equals("triad") ? CLOSE : voicing)
                : guide ? Optional.of(GUIDE_TONES) : Optional.empty();
        boolean bass = cut.choices().hasBass() && !(chosen && !voicing.hasBass()) && (upper.isEmpty() || strokes.stream().anyMatch(stroke -> stroke.roles().stream().anyMatch(LeftHand::needsBass)))
                || strokes.stream().anyMatch(stroke -> stroke.roles().stream().anyMatch(LeftHand::needsBass) && !(chosen && !voicing.hasBass()));
        Map<Placements.Struck, Integer> together = together(cut, strokes, voicing);
        Optional<Pitch> fixed = strokes.stream().filter(walk::containsKey).findFirst().map(stroke -> walk.get(stroke).pitch());
        return new Placements.Need(cut.chord(), cut.bar().key(), cut.choices().register(), upper, chosen && voicing.hasBass() ? Optional.of(voicing) : Optional.empty(), bass,
                fixed.isPresent() ? BassLine.Basses.OWN : cut.choices().basses(), together, fixed, plan.lock(cut.bar(), cut.tick() - cut.bar().tick()),
                cut.choices().basses() == BassLine.Basses.INVERSIONS && (cut.index() == 0 || cut.index() == cuts.size() - 1),
                strokes.stream().filter(stroke -> stroke.roles().stream().anyMatch(Role::isOfClose)).allMatch(stroke -> stroke.hand() == Side.RIGHT) && close, under(cut, strokes, ceilings),
                run(cut, strokes), said(cut, strokes),
                KeyTones.of(cut.chord(), cut.bar().key(), Optional.of(cut.index() + 1).filter(next -> next < cuts.size()).map(next -> cuts.get(next).chord())), cut.choices().figure().manner().spacing(), endsOnFifth(strokes), between(cut, strokes), resolves(cut));
    }

    /** Seconds between a bass and the chord of the left hand that follows it, the shortest, in steps of a twentieth so that chords share their places; 0 where there are none. */
    private static double between(Cut cut, List<Planned> strokes) {
        int least = Integer.MAX_VALUE;
        Planned bass = null;
        for (Planned stroke : strokes) {
            boolean chord = stroke.hand() == Side.LEFT && stroke.roles().get(0).isOfClose();
            least = chord && bass != null ? Math.min(least, stroke.tick() - bass.tick()) : least;
            bass = stroke.hand() != Side.LEFT ? bass : stroke.mark() == zapateo.rhythm.Mark.HEEL ? stroke : null;
        }
        return least == Integer.MAX_VALUE ? 0 : Math.max(1, Math.floor(cut.bar().tempo().millisecondsOf(least) / TWENTIETH)) * TWENTIETH / 1000;
    }

    private boolean resolves(Cut cut) {
        int next = cut.index() + 1;
        return cut.chord().quality().isDominant() && next < cuts.size() && Math.floorMod(cuts.get(next).chord().root().chroma() - cut.chord().root().chroma(), Pitch.OCTAVE) == FOURTH_UP;
    }

    private static boolean endsOnFifth(List<Planned> strokes) {
        Role last = Role.BASS;
        for (Planned stroke : strokes) {
            last = stroke.hand() == Side.LEFT && stroke.mark() == zapateo.rhythm.Mark.HEEL ? stroke.roles().get(0) : last;
        }
        return last.kind() == Role.Kind.FIFTH_BELOW;
    }

    /** What the chord has to say; a last one what its ending adds as well. */
    private List<Interval> said(Cut cut, List<Planned> strokes) {
        List<Interval> said = Said.of(cut.chord(), cut.ticks(), cut.bar().meter());
        Optional<Interval> added = strokes.stream().anyMatch(stroke -> stroke.origin() == Origin.ENDING) ? plan.ending().flatMap(ending -> ending.addedTo(cut.chord())) : Optional.empty();
        return added.map(tone -> java.util.stream.Stream.concat(said.stream(), java.util.stream.Stream.of(tone)).toList()).orElse(said);
    }

    /** What the figure plays one tone after another, where its spacing has a way to climb. */
    private static Placements.Run run(Cut cut, List<Planned> strokes) {
        String spacing = cut.choices().figure().manner().spacing();
        List<Planned> alone = Spacing.named(spacing).broken().isEmpty() ? List.of() : strokes.stream().filter(LeftHand::isBroken).toList();
        return alone.isEmpty() ? Placements.Run.NONE : new Placements.Run(spacing, alone.stream().map(stroke -> stroke.roles().get(0)).toList(), alone.stream().map(Planned::hand).toList());
    }

    /** Strokes of a broken chord by their places in it. */
    private void number(Cut cut, List<Planned> strokes) {
        if (Spacing.named(cut.choices().figure().manner().spacing()).broken().isEmpty()) {
            return;
        }
        int place = 0;
        for (Planned stroke : strokes) {
            if (isBroken(stroke)) {
                inRun.put(stroke, place++);
            }
        }
    }

    private static boolean isBroken(Planned stroke) {
        return stroke.roles().size() == 1 && stroke.roles().get(0).kind() == Role.Kind.TONE && stroke.roles().get(0).sign() == 0 && stroke.origin() != Origin.ENDING && stroke.origin() != Origin.LINE;
    }

    /** Strokes below a ceiling whose keys the place of their chord decides. */
    private Map<Placements.Under, Integer> under(Cut cut, List<Planned> strokes, Map<Planned, Integer> ceilings) {
        Map<Placements.Under, Integer> under = new LinkedHashMap<>();
        for (Planned stroke : strokes) {
            Integer ceiling = ceilings.get(stroke);
            Role.Kind kind = stroke.roles().get(0).kind();
            if (ceiling != null && !walk.containsKey(stroke) && kind != Role.Kind.LEAD_IN && kind != Role.Kind.NEIGHBOUR) {
                under.merge(new Placements.Under(stroke.roles(), spacing(cut, stroke), stroke.rolled(), ceiling), 1, Integer::sum);
            }
        }
        return under;
    }

    /** What the left hand takes at once, each kind of stroke with how often it comes. */
    private static Map<Placements.Struck, Integer> together(Cut cut, List<Planned> strokes, Voicing voicing) {
        Map<Placements.Struck, Integer> times = new LinkedHashMap<>();
        // A chord of one beat has no time to be rolled, as one that is struck again has not.
        int often = cut.ticks() <= cut.bar().meter().beatTicks() ? 2 : 1;
        for (Planned stroke : strokes) {
            Role first = stroke.roles().get(0);
            boolean chord = stroke.roles().size() == 1 && (first.kind() == Role.Kind.CLOSE_CHORD || first.kind() == Role.Kind.GUIDE_TONES);
            boolean several = stroke.roles().size() > 1 && stroke.roles().stream().noneMatch(LeftHand::fromElsewhere);
            if (stroke.hand() == Side.LEFT && (!stroke.rolled() || stroke.origin() == Origin.ENDING) && (chord || several || first.kind() == Role.Kind.VOICING)) {
                times.merge(first.kind() == Role.Kind.VOICING ? new Placements.Struck(List.of(Role.CHOSEN), "open", !voicing.hasBass())
                        : new Placements.Struck(stroke.roles(), spacing(cut, stroke), chord), often, Integer::sum);
            }
        }
        return times;
    }

    private static String spacing(Cut cut, Planned stroke) {
        return stroke.origin() == Origin.ENDING ? "spread" : stroke.origin() == Origin.LINE ? "bass" : cut.choices().figure().manner().spacing();
    }

    private static boolean plays(List<Planned> strokes, Role.Kind kind) {
        for (Planned stroke : strokes) {
            for (Role role : stroke.roles()) {
                if (role.kind() == kind) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean needsBass(Role role) {
        return switch (role.kind()) {
            case TONE, FIFTH_BELOW, ROOT_ABOVE, ROOT_NEAR, FIFTH_OF_BASS, FIFTH_OF_BASS_BELOW, VOICING, WALKING -> true;
            default -> false;
        };
    }

    private static boolean fromElsewhere(Role role) {
        return role.isOfClose() || role.kind() == Role.Kind.GUIDE_TONES || role.kind() == Role.Kind.WALKING || role.kind() == Role.Kind.LEAD_IN;
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
        List<PartNote> struck = Loudness.of(cut.choices().figure().family()).on(each, cut, room.notes());
        Stroke plain = Stroke.of(each.hand(), each.bar(), each.cut(), span, each.mark(), each.accent(), struck, Nature.of(origin(each), each.roles()), reason(each, cut, placement));
        return Optional.of(room.how().map(plain::mended).orElse(plain));
    }

    /** On the keys there are: what lies beyond them is taken an octave nearer. */
    private List<PartNote> onKeys(List<PartNote> notes) {
        if (notes.stream().allMatch(note -> note.pitch().midi() >= instrument.lowest() && note.pitch().midi() <= instrument.highest())) {
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

    private List<PartNote> notes(Planned each, Cut cut, Placement placement, List<Candidate> places, List<List<Planned>> byCut) {
        Role first = each.roles().get(0);
        if (walk.containsKey(each)) {
            PartNote step = PartNote.of(walk.get(each).pitch(), "w");
            return each.roles().size() == 1 ? List.of(step) : List.of(step, PartNote.of(step.octaves(1).pitch(), each.roles().get(1).toString()));
        }
        if (first.kind() == Role.Kind.LEAD_IN) {
            return lead(each, cut, placement, places, byCut);
        }
        if (first.kind() == Role.Kind.NEIGHBOUR) {
            return CloseChords.stepLower(placement.upper(), cut.bar().key());
        }
        // A place and the roles of a figure's stroke come again and again; their notes are found once.
        List<Planned> here = byCut.get(cut.index());
        if (inRun.containsKey(each)) {
            List<List<Role>> laid = broken.computeIfAbsent(placement, at -> run(cut, here).on(at, said(cut, here)));
            return found.computeIfAbsent(placement, at -> new IdentityHashMap<>()).computeIfAbsent(laid.get(inRun.get(each)), placement::notes);
        }
        List<PartNote> notes = found.computeIfAbsent(placement, at -> new IdentityHashMap<>()).computeIfAbsent(each.roles(), roles ->
                placement.notes(each.origin() == Origin.ENDING && roles.size() > 1 ? Fuller.clearest(placement, roles, said(cut, here))
                        : Spacing.named(spacing(cut, each)).on(placement.chord(), placement.bass(), roles)));
        return first.kind() == Role.Kind.FIFTH_BELOW && each.roles().size() == 1 ? towards(each, notes, placement, places, here) : notes;
    }

    /** A fifth under its root that is the chord's last bass goes above it where that is nearer to the next one. */
    private List<PartNote> towards(Planned each, List<PartNote> notes, Placement placement, List<Candidate> places, List<Planned> here) {
        int next = each.cut() + 1;
        boolean last = here.stream().noneMatch(other -> other.hand() == Side.LEFT && other.tick() > each.tick() && other.mark() != zapateo.rhythm.Mark.TOE);
        int key = notes.get(0).pitch().midi();
        int above = key + Pitch.OCTAVE;
        if (!last || next >= cuts.size() || key >= placement.bass().midi() || above > Placement.HIGHEST_BASS || !places.get(next).hasBass()) {
            return notes;
        }
        int target = places.get(next).bass();
        boolean nearer = Math.abs(above - target) < Math.abs(key - target) && Math.abs(above - target) + above - placement.bass().midi() < Math.abs(key - target) + placement.bass().midi() - key;
        return nearer ? List.of(notes.get(0).octaves(1)) : notes;
    }

    /** Into the next bass, wherever that lies. */
    private List<PartNote> lead(Planned each, Cut cut, Placement placement, List<Candidate> places, List<List<Planned>> byCut) {
        Cut next = cuts.get(cut.index() + 1);
        Optional<WalkingLine.Note> walked = byCut.get(next.index()).stream().filter(walk::containsKey).findFirst().map(walk::get);
        Pitch target = walked.map(WalkingLine.Note::pitch).orElse(places.get(next.index()).placement().bass());
        Pitch pitch = each.lead().orElseThrow().before(target, places.get(next.index()).placement().chord(), next.bar().key(), placement.bass());
        List<Planned> before = byCut.get(cut.index()).stream().filter(other -> other.hand() == Side.LEFT && other.tick() < each.tick() && other.mark() == zapateo.rhythm.Mark.HEEL).toList();
        boolean again = !before.isEmpty() && before.get(before.size() - 1).roles().get(0).kind() == Role.Kind.FIFTH_BELOW
                && notes(before.get(before.size() - 1), cut, placement, places, byCut).get(0).pitch().midi() == pitch.midi();
        if (again) {
            // The bass before it is the note itself: the step from the other side.
            pitch = Pitch.onKey(2 * target.midi() - pitch.midi(), next.bar().key().spell(2 * target.midi() - pitch.midi()));
        } else if (pitch.midi() == placement.bass().midi() && each.tick() > cut.tick() && each.end() == next.tick()) {
            // The bass itself leads nowhere: the fifth above the next one falls onto it.
            pitch = Pitch.onKey(target.midi() + FIFTH.semitones(), target.pitchClass().plus(FIFTH).simple());
        }
        return List.of(PartNote.of(pitch.midi() < Register.DEEP.lowest() ? Pitch.of(pitch.pitchClass(), pitch.octave() + 1) : pitch, "L"));
    }

    /** Strokes of a figure that do the same thing with a chord in the same place have the same reason; those of a line have each its own. */
    private Reason reason(Planned each, Cut cut, Placement placement) {
        return each.origin() == Origin.FIGURE && !walk.containsKey(each)
                ? reasons.computeIfAbsent(placement, at -> new IdentityHashMap<>()).computeIfAbsent(each.roles(), roles -> found(each, cut, placement)) : found(each, cut, placement);
    }

    private Reason found(Planned each, Cut cut, Placement placement) {
        LeftHandChoices choices = cut.choices();
        Map<String, String> args = new HashMap<>(Map.of("figure", choices.figure().id(), "chord", cut.chord().toString(),
                "stroke", String.join("+", each.roles().stream().map(Role::toString).toList())));
        if (plays(List.of(each), Role.Kind.VOICING)) {
            args.put("voicing", voicing(cut).id());
        }
        if (each.origin() == Origin.LINE) {
            args.put("line", choices.line().map(BassLine::id).orElse(""));
        }
        if (each.origin() == Origin.LEAD_IN) {
            args.put("next", cuts.get(cut.index() + 1).chord().toString());
        }
        if (walk.containsKey(each)) {
            args.put("step", walk.get(each).kind().name().toLowerCase(java.util.Locale.ROOT));
        }
        if (!placement.chord().equals(cut.chord())) {
            args.put("over", placement.chord().bass().toString());
        }
        return Reason.of(origin(each).code(), args);
    }

    private Origin origin(Planned each) {
        return walk.containsKey(each) ? Origin.WALK : each.origin();
    }
}
