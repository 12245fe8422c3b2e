package zapateo.lefthand;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import zapateo.names.Names;
import zapateo.part.Origin;
import zapateo.part.Reason;
import zapateo.rhythm.Role;

/** Why each stroke of the left hand is played. */
final class StrokeReasons {

    private final List<Cut> cuts;
    private final Map<Planned, WalkingLine.Note> walk;
    private final ChordNeeds needs;
    private final Map<Placement, Map<List<Role>, Reason>> known = new IdentityHashMap<>();

    StrokeReasons(List<Cut> cuts, Map<Planned, WalkingLine.Note> walk, ChordNeeds needs) {
        this.cuts = cuts;
        this.walk = walk;
        this.needs = needs;
    }

    /**
     * Strokes of a figure that do the same thing with a chord in the same place have the same reason; those of a line
     * have each its own.
     */
    Reason of(Planned each, Cut cut, Placement placement) {
        return each.origin() == Origin.FIGURE && each.spice().isEmpty() && !walk.containsKey(each)
                ? known.computeIfAbsent(placement, at -> new IdentityHashMap<>())
                        .computeIfAbsent(each.roles(), roles -> found(each, cut, placement))
                : found(each, cut, placement);
    }

    private Reason found(Planned each, Cut cut, Placement placement) {
        LeftHandChoices choices = cut.choices();
        Map<String, String> args = new HashMap<>(Map.of(
                "figure",
                choices.figure().id(),
                "chord",
                cut.chord().toString(),
                "stroke",
                String.join("+", each.roles().stream().map(Role::toString).toList())));
        if (ChordNeeds.plays(List.of(each), Role.Kind.VOICING)) {
            args.put("voicing", needs.voicing(cut).id());
        }
        if (each.origin() == Origin.LINE) {
            args.put("line", choices.line().map(BassLine::id).orElse(""));
        }
        if (origin(each) == Origin.LEAD_IN) {
            args.put("next", cuts.get(cut.index() + 1).chord().toString());
        }
        if (walk.containsKey(each)) {
            args.put("step", Names.of(walk.get(each).kind()));
        }
        if (!placement.chord().equals(cut.chord())) {
            args.put("over", placement.chord().bass().toString());
        }
        if (each.spice().isPresent()) {
            args.put("spice", each.spice().get());
            return Reason.of("lively-" + each.spice().get(), args);
        }
        return Reason.of(origin(each).code(), args);
    }

    Origin origin(Planned each) {
        return walk.containsKey(each)
                ? Origin.WALK
                : each.roles().get(0).kind() == Role.Kind.PASSING ? Origin.LEAD_IN : each.origin();
    }
}
