package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.hand.Instrument;
import zapateo.hand.Pianist;
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
public final class LeftHand {

    private static final int BASS_VELOCITY = 80;
    private static final int ACCENT = 14;
    private static final Interval FIFTH = Interval.parse("5");
    private static final Voicing CLOSE = Voicing.named("close").orElseThrow();
    private static final Voicing GUIDE_TONES = Voicing.named("guide-tones").orElseThrow();

    private final Plan plan;
    private final List<Cut> cuts;
    private final List<Planned> planned;
    private final List<List<Planned>> byCut = new ArrayList<>();
    private final Map<Planned, WalkingLine.Note> walk;
    private final Instrument instrument;
    private final Fit fit;
    private final Placements placements;
    private final Map<Placement, Map<List<Role>, List<PartNote>>> found = new IdentityHashMap<>();
    private final Map<Placement, Map<List<Role>, Reason>> reasons = new IdentityHashMap<>();

    private LeftHand(Song song, Plan plan, Pianist pianist) {
        this.plan = plan;
        this.instrument = pianist.instrument();
        this.fit = new Fit(pianist.leftOnKeys());
        this.placements = new Placements(pianist.leftOnKeys(), instrument.lowest());
        this.cuts = Cut.of(song, plan);
        this.planned = suspended(Basses.of(cuts, Layout.of(cuts, plan.endsHeld())));
        this.walk = planned.stream().anyMatch(stroke -> stroke.roles().contains(Role.WALK)) ? WalkingLine.of(cuts, planned, Math.max(Register.DEEP.lowest(), instrument.lowest())) : Map.of();
        cuts.forEach(cut -> byCut.add(new ArrayList<>()));
        planned.forEach(stroke -> byCut.get(stroke.cut()).add(stroke));
    }

    public static Realised realise(Song song, Plan plan, Pianist pianist) {
        return new LeftHand(song, plan, pianist).play(song);
    }

    private Realised play(Song song) {
        List<List<Candidate>> layers = new ArrayList<>();
        List<Reason> notices = new ArrayList<>();
        for (Cut cut : cuts) {
            Placements.Need need = need(cut);
            List<Candidate> candidates = placements.of(need);
            if (!need.lock().equals(Lock.NONE) && !Placements.keeps(candidates.get(0), need.lock())) {
                notices.add(Reason.of("lock-unkept", Map.of("bar", String.valueOf(cut.bar().number()), "chord", cut.chord().toString())));
            }
            layers.add(candidates);
        }
        List<CostTerm<Candidate>> terms = Placements.costs(plan.weights(), cuts.stream().anyMatch(cut -> cut.choices().keepTop()));
        ShortestPath<Candidate> path = ShortestPath.through(layers, terms);
        List<Stroke> strokes = new ArrayList<>();
        for (Planned each : planned) {
            strokes.addAll(stroke(each, path.steps()).stream().toList());
        }
        List<Stroke> clean = Keys.struckOnce(Early.tied(song, strokes));
        return new Realised(clean, notices, cuts, layers, path, terms);
    }

    /** A long stroke of a suspended voicing moves on in its second half. */
    private List<Planned> suspended(List<Planned> laid) {
        List<Planned> all = new ArrayList<>(laid.size());
        for (Planned stroke : laid) {
            Voicing voicing = voicing(cuts.get(stroke.cut()));
            if (stroke.roles().get(0).kind() == Role.Kind.VOICING && !voicing.then().isEmpty() && stroke.ticks() >= 2 * Ticks.PER_QUARTER) {
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

    private static Voicing voicing(Cut cut) {
        Voicing chosen = cut.choices().voicing().on(cut.chord());
        return cut.choices().withBassPlayer() && chosen.hasBass() ? GUIDE_TONES : chosen;
    }

    private Placements.Need need(Cut cut) {
        List<Planned> strokes = byCut.get(cut.index());
        boolean close = strokes.stream().anyMatch(stroke -> stroke.roles().stream().anyMatch(Role::isOfClose));
        boolean guide = plays(strokes, Role.Kind.GUIDE_TONES);
        boolean chosen = plays(strokes, Role.Kind.VOICING);
        Voicing voicing = voicing(cut);
        Optional<Voicing> upper = chosen && !voicing.hasBass() ? Optional.of(voicing) : close ? Optional.of(voicing.hasBass() && !voicing.id().equals("triad") ? CLOSE : voicing)
                : guide ? Optional.of(GUIDE_TONES) : Optional.empty();
        boolean bass = cut.choices().hasBass() && (upper.isEmpty() || strokes.stream().anyMatch(stroke -> stroke.roles().stream().anyMatch(LeftHand::needsBass)))
                || strokes.stream().anyMatch(stroke -> stroke.roles().stream().anyMatch(LeftHand::needsBass) && !(chosen && !voicing.hasBass()));
        Map<Placements.Struck, Integer> together = together(cut, strokes, voicing);
        Optional<Pitch> fixed = strokes.stream().filter(walk::containsKey).findFirst().map(stroke -> walk.get(stroke).pitch());
        return new Placements.Need(cut.chord(), cut.bar().key(), cut.choices().register(), upper, chosen && voicing.hasBass() ? Optional.of(voicing) : Optional.empty(), bass,
                fixed.isPresent() ? BassLine.Basses.OWN : cut.choices().basses(), together, fixed, plan.lock(cut.bar(), cut.tick() - cut.bar().tick()),
                cut.choices().basses() == BassLine.Basses.INVERSIONS && (cut.index() == 0 || cut.index() == cuts.size() - 1),
                strokes.stream().filter(stroke -> stroke.roles().stream().anyMatch(Role::isOfClose)).allMatch(stroke -> stroke.hand() == Side.RIGHT) && close);
    }

    /** What the left hand takes at once, each kind of stroke with how often it comes. */
    private static Map<Placements.Struck, Integer> together(Cut cut, List<Planned> strokes, Voicing voicing) {
        Map<Placements.Struck, Integer> times = new java.util.LinkedHashMap<>();
        for (Planned stroke : strokes) {
            Role first = stroke.roles().get(0);
            boolean chord = stroke.roles().size() == 1 && (first.kind() == Role.Kind.CLOSE_CHORD || first.kind() == Role.Kind.GUIDE_TONES);
            boolean several = stroke.roles().size() > 1 && stroke.roles().stream().noneMatch(LeftHand::fromElsewhere);
            if (stroke.hand() == Side.LEFT && (!stroke.rolled() || stroke.origin() == Origin.ENDING) && (chord || several || first.kind() == Role.Kind.VOICING)) {
                times.merge(first.kind() == Role.Kind.VOICING ? new Placements.Struck(List.of(Role.CHOSEN), "open", !voicing.hasBass())
                        : new Placements.Struck(stroke.roles(), spacing(cut, stroke), chord), 1, Integer::sum);
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
            case TONE, FIFTH_BELOW, ROOT_ABOVE, ROOT_NEAR, VOICING, WALKING -> true;
            default -> false;
        };
    }

    private static boolean fromElsewhere(Role role) {
        return role.isOfClose() || role.kind() == Role.Kind.GUIDE_TONES || role.kind() == Role.Kind.WALKING || role.kind() == Role.Kind.LEAD_IN;
    }

    private Optional<Stroke> stroke(Planned each, List<Candidate> places) {
        Cut cut = cuts.get(each.cut());
        Placement placement = places.get(each.cut()).placement();
        List<PartNote> notes = onKeys(notes(each, cut, placement, places));
        if (notes.isEmpty()) {
            return Optional.empty();
        }
        TickSpan span = TickSpan.of(each.tick(), each.ticks());
        List<PartNote> struck = new ArrayList<>();
        for (PartNote note : notes) {
            boolean bass = each.hand() == Side.LEFT && note == notes.get(0) && (note.role().equals("1") || note.role().equals("w"));
            struck.add(note.struck((bass ? BASS_VELOCITY : PartNote.PLAIN) + (each.accent() ? ACCENT : 0)));
        }
        Stroke plain = Stroke.of(each.hand(), each.bar(), each.cut(), span, each.mark(), each.accent(), struck, Nature.of(origin(each), each.roles()), reason(each, cut, placement));
        return Optional.of(each.hand() == Side.LEFT ? fit.stroke(plain, each, cut) : plain);
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

    private List<PartNote> notes(Planned each, Cut cut, Placement placement, List<Candidate> places) {
        Role first = each.roles().get(0);
        if (walk.containsKey(each)) {
            PartNote step = PartNote.of(walk.get(each).pitch(), "w");
            return each.roles().size() == 1 ? List.of(step) : List.of(step, PartNote.of(step.octaves(1).pitch(), each.roles().get(1).toString()));
        }
        if (first.kind() == Role.Kind.LEAD_IN) {
            return lead(each, cut, placement, places);
        }
        if (first.kind() == Role.Kind.NEIGHBOUR) {
            return CloseChords.stepLower(placement.upper(), cut.bar().key());
        }
        // A place and the roles of a figure's stroke come again and again; their notes are found once.
        return found.computeIfAbsent(placement, at -> new IdentityHashMap<>()).computeIfAbsent(each.roles(), roles -> {
            Spacing spacing = Spacing.named(spacing(cut, each));
            return placement.notes(roles.stream().map(role -> spacing.on(placement.chord(), role)).toList());
        });
    }

    /** Into the next bass, wherever that lies. */
    private List<PartNote> lead(Planned each, Cut cut, Placement placement, List<Candidate> places) {
        Cut next = cuts.get(cut.index() + 1);
        Optional<WalkingLine.Note> walked = byCut.get(next.index()).stream().filter(walk::containsKey).findFirst().map(walk::get);
        Pitch target = walked.map(WalkingLine.Note::pitch).orElse(places.get(next.index()).placement().bass());
        Pitch pitch = each.lead().orElseThrow().before(target, places.get(next.index()).placement().chord(), next.bar().key(), placement.bass());
        if (pitch.midi() == placement.bass().midi() && each.tick() > cut.tick() && each.end() == next.tick()) {
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
