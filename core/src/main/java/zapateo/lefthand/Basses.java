package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zapateo.part.Origin;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;

/**
 * What the player wants of the bass, put into the strokes of the figures: another line, lead-ins, or no bass at all.
 */
final class Basses {

    private static final Role LEAD = Role.parse("L");
    private static final Role RAISED_FOURTH = Role.parse("♯4");
    private static final Comparator<Planned> IN_TIME =
            Comparator.comparingInt(Planned::tick).thenComparing(Planned::hand);

    private final List<Cut> cuts;

    private Basses(List<Cut> cuts) {
        this.cuts = cuts;
    }

    static List<Planned> of(List<Cut> cuts, List<Planned> laid) {
        Basses basses = new Basses(cuts);
        List<Planned> strokes = basses.lined(basses.withoutLostApproaches(laid));
        if (cuts.stream().anyMatch(cut -> cut.choices().get(LeftChoice.WITH_BASS_PLAYER))) {
            strokes = BassPlayer.leftTo(cuts, strokes);
        }
        List<Planned> led = basses.filled(basses.ledIn(strokes));
        led.sort(IN_TIME);
        return led;
    }

    private Cut cut(Planned stroke) {
        return cuts.get(stroke.cut());
    }

    /**
     * A raised fourth wants its fifth; where the chord changes before it comes, or its bass is no root, the stroke
     * before sounds on.
     */
    private List<Planned> withoutLostApproaches(List<Planned> strokes) {
        List<Planned> kept = new ArrayList<>(strokes.size());
        for (int i = 0; i < strokes.size(); i++) {
            Planned stroke = strokes.get(i);
            boolean raised = stroke.roles().size() == 1 && stroke.roles().get(0).equals(RAISED_FOURTH);
            boolean resolves = raised
                    && i + 1 < strokes.size()
                    && strokes.get(i + 1).cut() == stroke.cut()
                    && strokes.get(i + 1).roles().get(0).degree() == 5
                    && cut(stroke).chord().over().isEmpty();
            // What would lead into the same chord once more, inside a bar, leads nowhere.
            boolean lost = isLead(stroke)
                    && i + 1 < strokes.size()
                    && strokes.get(i + 1).cut() == stroke.cut()
                    && strokes.get(i + 1).hand() == stroke.hand()
                    && !isLead(strokes.get(i + 1));
            if (!lost && (!raised || resolves)) {
                kept.add(stroke);
            } else if (!kept.isEmpty() && kept.get(kept.size() - 1).cut() == stroke.cut()) {
                kept.set(kept.size() - 1, kept.get(kept.size() - 1).until(stroke.end()));
            }
        }
        return kept;
    }

    /** The roles of a bass line in turn, from the first at each new chord. */
    private List<Planned> lined(List<Planned> strokes) {
        int[] begins = new int[cuts.size()];
        for (Cut cut : cuts) {
            begins[cut.index()] = cut.begins() ? cut.index() : begins[cut.index() - 1];
        }
        List<Planned> lined = new ArrayList<>(strokes.size());
        int turn = 0;
        int chord = -1;
        for (Planned stroke : strokes) {
            LeftHandChoices choices = cut(stroke).choices();
            boolean takes = choices.line().isPresent()
                    && choices.hasBass()
                    && stroke.hand() == Side.LEFT
                    && stroke.roles().size() == 1
                    && choices.figure().manner().line().contains(stroke.roles().get(0));
            if (!takes) {
                lined.add(stroke);
                continue;
            }
            turn = begins[stroke.cut()] == chord ? turn + 1 : 0;
            chord = begins[stroke.cut()];
            List<Role> roles = choices.line().get().roles();
            Role role = roles.get(turn % roles.size());
            lined.add(stroke.playing(List.of(role), Mark.HEEL, role.equals(Role.WALK) ? Origin.WALK : Origin.LINE));
        }
        return lined;
    }

    private List<Planned> ledIn(List<Planned> strokes) {
        List<List<Planned>> byCut = new ArrayList<>();
        cuts.forEach(cut -> byCut.add(new ArrayList<>()));
        strokes.forEach(stroke -> byCut.get(stroke.cut()).add(stroke));
        for (Cut cut : cuts) {
            Optional<Cut> next = Optional.of(cut.index() + 1)
                    .filter(after -> after < cuts.size() && cuts.get(after).tick() == cut.end())
                    .map(cuts::get);
            Optional<LeadIn> wanted = cut.choices()
                    .leadIn()
                    .or(() -> cut.choices().figure().manner().leadIn().flatMap(LeadIn::named));
            List<Planned> here = byCut.get(cut.index());
            if (here.stream().anyMatch(Basses::isLead)) {
                keepWritten(
                        cut,
                        here,
                        next.filter(after -> !after.early())
                                .flatMap(after -> wanted.or(() -> LeadIn.named("scale"))
                                        .map(each -> each.between(cut.chord(), after.chord()))
                                        .filter(each -> !each.steps().isEmpty())));
            } else if (wanted.isPresent() && next.isPresent()) {
                insert(
                        cut,
                        here,
                        next.get(),
                        byCut.get(next.get().index()),
                        wanted.get().between(cut.chord(), next.get().chord()));
            }
        }
        List<Planned> led = new ArrayList<>(strokes.size());
        byCut.forEach(led::addAll);
        return led;
    }

    /** A fuller version's bass is not alone, nor one that the player wants so. */
    private List<Planned> filled(List<Planned> strokes) {
        if (cuts.stream()
                .allMatch(cut -> cut.choices().fuller().isEmpty()
                        && cut.choices().options().get(LeftChoice.WITH_BASS).isEmpty())) {
            return strokes;
        }
        int begun = -1;
        List<Planned> filled = new ArrayList<>(strokes.size());
        for (Planned stroke : strokes) {
            Optional<WithBass> wanted = cut(stroke)
                    .choices()
                    .options()
                    .get(LeftChoice.WITH_BASS)
                    .filter(each -> stroke.hand() == Side.LEFT
                            && stroke.origin() != Origin.ENDING
                            && WithBass.takes(stroke.roles()));
            if (wanted.isPresent() && cut(stroke).choices().hasBass()) {
                List<Role> roles = wanted.get().on(stroke.roles(), cut(stroke).chord());
                filled.add(
                        roles.equals(stroke.roles()) ? stroke : stroke.playing(roles, stroke.mark(), Origin.WITH_BASS));
                continue;
            }
            Optional<Role> fuller = cut(stroke)
                    .choices()
                    .fuller()
                    .filter(each -> cut(stroke).choices().hasBass());
            boolean bass = stroke.hand() == Side.LEFT
                    && (stroke.roles().equals(List.of(Role.BASS))
                            || stroke.roles().equals(List.of(Role.WALK)))
                    && stroke.origin() != Origin.ENDING;
            boolean first = bass && stroke.cut() != begun && cut(stroke).begins();
            begun = bass ? stroke.cut() : begun;
            filled.add(fuller.filter(each -> bass && first)
                    .map(each -> stroke.playing(List.of(stroke.roles().get(0), each), stroke.mark(), Origin.FULLER))
                    .orElse(stroke));
        }
        return filled;
    }

    private static boolean isLead(Planned stroke) {
        return stroke.roles().get(0).kind() == Role.Kind.LEAD_IN;
    }

    /** The figure's own lead-in strokes take the last steps of the lead-in; without one the stroke before sounds on. */
    private static void keepWritten(Cut cut, List<Planned> here, Optional<LeadIn> leadIn) {
        List<Planned> own = here.stream().filter(Basses::isLead).toList();
        for (int i = 0; i < own.size(); i++) {
            int at = here.indexOf(own.get(i));
            if (leadIn.isPresent()) {
                List<LeadIn.Step> steps = leadIn.get().steps();
                here.set(
                        at,
                        lead(
                                cut,
                                own.get(i).tick(),
                                own.get(i).ticks(),
                                steps.get(Math.min(steps.size() - 1, Math.max(0, steps.size() - own.size() + i)))));
                continue;
            }
            here.remove(at);
            int end = own.get(i).end();
            for (int before = at - 1; before >= 0; before--) {
                if (here.get(before).hand() == Side.LEFT) {
                    here.set(
                            before,
                            here.get(before)
                                    .until(Math.max(end, here.get(before).end())));
                    break;
                }
            }
        }
    }

    private static Planned lead(Cut cut, int tick, int ticks, LeadIn.Step step) {
        return new Planned(
                cut.index(),
                cut.bar().index(),
                tick,
                ticks,
                Side.LEFT,
                List.of(LEAD),
                false,
                false,
                Mark.LEAD,
                Origin.LEAD_IN,
                Optional.of(step),
                Optional.empty());
    }

    /** A whole tone may be slid through. */
    private static final Set<String> SLIDES = Set.of("gospel", "stride", "boogie");

    /** Basses that step need nothing between them; a lead-in that was asked for is played all the same. */
    private static boolean steps(Cut cut, Cut next) {
        int away = away(cut.chord().bass(), next.chord().bass());
        return away <= 1 || away == 2 && !SLIDES.contains(cut.choices().figure().family());
    }

    /** Whether the fifth a figure alternates with stands beside the next bass already. */
    private static boolean stepsFromFifth(Cut cut, List<Planned> here, int from, Cut next) {
        return here.stream()
                .filter(stroke -> stroke.hand() == Side.LEFT && stroke.tick() < from && stroke.mark() == Mark.HEEL)
                .reduce((one, other) -> other)
                .filter(stroke -> stroke.roles().get(0).kind() == Role.Kind.FIFTH_BELOW
                        && cut.chord().over().isEmpty())
                .flatMap(stroke -> cut.chord().quality().tone(5))
                .filter(fifth -> away(cut.chord().tone(fifth), next.chord().bass()) <= 1)
                .isPresent();
    }

    private static int away(PitchClass one, PitchClass other) {
        int up = Math.floorMod(other.chroma() - one.chroma(), 12);
        return Math.min(up, 12 - up);
    }

    private static void insert(Cut cut, List<Planned> here, Cut next, List<Planned> after, LeadIn leadIn) {
        int from = next.tick() - leadIn.lasts();
        // A walk up begins on the chord's own root.
        boolean room = from == cut.tick()
                        && leadIn.when().isPresent()
                        && cut.chord().over().isEmpty()
                || from - cut.tick() >= Ticks.PER_QUARTER;
        boolean changes = next.begins()
                && next.chord().bass().chroma() != cut.chord().bass().chroma()
                && !next.early()
                && (cut.choices().leadIn().isPresent() || !steps(cut, next) && !stepsFromFifth(cut, here, from, next));
        // What the figure's own walk would leave without its chord keeps it.
        boolean bare = cut.choices().leadIn().isEmpty()
                && here.stream().anyMatch(stroke -> stroke.roles().get(0).isOfClose())
                && here.stream().noneMatch(stroke -> stroke.roles().get(0).isOfClose() && stroke.tick() < from);
        boolean anticipated = after.stream().anyMatch(stroke -> stroke.tick() < next.tick());
        if (leadIn.steps().isEmpty()
                || !room
                || bare
                || !changes
                || anticipated
                || !hasPlace(cut.choices())
                || here.stream().anyMatch(stroke -> stroke.origin() == Origin.ENDING)) {
            return;
        }
        here.removeIf(stroke -> stroke.hand() == Side.LEFT && stroke.tick() >= from);
        here.replaceAll(stroke -> stroke.hand() == Side.LEFT && stroke.end() > from ? stroke.until(from) : stroke);
        leadIn.steps().forEach(step -> here.add(lead(cut, next.tick() + step.before(), step.ticks(), step)));
    }

    /** Single basses that stand still enough to be led from; a line that walks leads by itself. */
    static boolean hasPlace(LeftHandChoices choices) {
        return choices.hasBass()
                && choices.figure().hasLine()
                && !choices.figure().plays(Role.Kind.WALKING)
                && choices.line().filter(BassLine::walks).isEmpty();
    }
}
