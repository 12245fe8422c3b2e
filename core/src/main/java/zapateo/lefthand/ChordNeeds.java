package zapateo.lefthand;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import zapateo.part.Origin;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Figure;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/** What each chord needs of its place: read from the strokes that are laid over it. */
final class ChordNeeds {

    private static final int FOURTH_UP = 5;
    private static final double TWENTIETH = 50;
    private static final Voicing CLOSE = Voicing.named("close").orElseThrow();
    private static final Voicing SHELL = Voicing.named("full-shell").orElseThrow();
    private static final Voicing OPEN_SHELL = Voicing.named("open-shell").orElseThrow();
    private static final Voicing GUIDE_TONES = Voicing.named("guide-tones").orElseThrow();

    private final List<Cut> cuts;
    private final Plan plan;
    private final Map<Planned, WalkingLine.Note> walk;
    private final Map<Figure, Boolean> voiced = new IdentityHashMap<>();

    ChordNeeds(List<Cut> cuts, Plan plan, Map<Planned, WalkingLine.Note> walk) {
        this.cuts = cuts;
        this.plan = plan;
        this.walk = walk;
    }

    /** What fills a figure's voicing, or what a chord too short for its figure takes. */
    Voicing voicing(Cut cut) {
        return ofFigure(
                cut,
                voiced.computeIfAbsent(cut.choices().figure(), figure -> figure.plays(Role.Kind.VOICING))
                        ? cut.choices().voicing().on(cut.chord())
                        : shell(cut));
    }

    /** What fills a figure's own voicing. */
    static Voicing ofFigure(Cut cut, Voicing chosen) {
        return cut.choices().get(LeftChoice.WITH_BASS_PLAYER) && chosen.hasBass() ? GUIDE_TONES : chosen;
    }

    /** Among short chords a full one each; beside one that has the figure's own bass what lies where basses do. */
    private Voicing shell(Cut cut) {
        List<Cut> beside = cuts.subList(Math.max(0, cut.index() - 1), Math.min(cuts.size(), cut.index() + 2));
        return beside.stream()
                        .anyMatch(each -> each.ticks() > each.bar().meter().beatTicks())
                ? OPEN_SHELL
                : SHELL;
    }

    /** All that decides where a chord may lie. */
    Need of(Cut cut, List<Planned> strokes, Map<Planned, Integer> ceilings) {
        boolean close = plays(strokes, Role::isOfClose);
        boolean guide = plays(strokes, Role.Kind.GUIDE_TONES);
        boolean chosen = plays(strokes, Role.Kind.VOICING);
        Voicing voicing = chosen ? voicing(cut) : cut.choices().voicing().on(cut.chord());
        boolean led = cut.choices().byHand() && besideClose(cut);
        Optional<Voicing> upper = chosen && !voicing.hasBass()
                ? Optional.of(voicing)
                : close || led
                        ? Optional.of(voicing.hasBass() && !voicing.id().equals("triad") ? CLOSE : voicing)
                        : guide ? Optional.of(GUIDE_TONES) : Optional.empty();
        boolean bass = cut.choices().hasBass()
                        && !(chosen && !voicing.hasBass())
                        && (upper.isEmpty() || plays(strokes, ChordNeeds::needsBass))
                || !(chosen && !voicing.hasBass()) && plays(strokes, ChordNeeds::needsBass);
        Map<Need.Struck, Integer> together = together(cut, strokes, voicing);
        Optional<Pitch> fixed = walk.isEmpty()
                ? Optional.empty()
                : strokes.stream()
                        .filter(walk::containsKey)
                        .findFirst()
                        .map(stroke -> walk.get(stroke).pitch());
        return new Need(
                cut.chord(),
                cut.bar().key(),
                cut.choices().get(LeftChoice.REGISTER),
                upper,
                chosen && voicing.hasBass() ? Optional.of(voicing) : Optional.empty(),
                bass,
                fixed.isPresent() ? BassLine.Basses.OWN : cut.choices().basses(),
                together,
                fixed,
                plan.lock(cut.bar(), cut.tick() - cut.bar().tick()),
                cut.choices().basses() == BassLine.Basses.INVERSIONS && cut.index() == 0
                        || cut.choices().basses() != BassLine.Basses.OWN && isLast(cut),
                close
                        && strokes.stream()
                                .filter(stroke -> stroke.roles().stream().anyMatch(Role::isOfClose))
                                .allMatch(stroke -> stroke.hand() == Side.RIGHT),
                under(cut, strokes, ceilings),
                run(cut, strokes),
                said(cut, strokes),
                KeyTones.of(
                        cut.chord(),
                        cut.bar().key(),
                        Optional.of(cut.index() + 1)
                                .filter(next -> next < cuts.size())
                                .map(next -> cuts.get(next).chord())),
                cut.choices().figure().manner().spacing(),
                endsOnFifth(strokes),
                between(cut, strokes),
                resolves(cut));
    }

    /** What a person wrote for a bar has a close chord in mind where the bars beside it do, so that theirs stay. */
    private boolean besideClose(Cut cut) {
        return cuts.subList(Math.max(0, cut.index() - 1), Math.min(cuts.size(), cut.index() + 2)).stream()
                .filter(each -> each != cut && !each.choices().byHand())
                .anyMatch(each -> each.choices().figure().plays(Role.Kind.CLOSE_CHORD));
    }

    /**
     * Seconds between a bass and the chord of the left hand that follows it, the shortest, in steps of a twentieth so
     * that chords share their places; 0 where there are none.
     */
    private static double between(Cut cut, List<Planned> strokes) {
        int least = Integer.MAX_VALUE;
        Planned bass = null;
        for (Planned stroke : strokes) {
            boolean chord = stroke.hand() == Side.LEFT && stroke.roles().get(0).isOfClose();
            least = chord && bass != null ? Math.min(least, stroke.tick() - bass.tick()) : least;
            bass = stroke.hand() != Side.LEFT ? bass : stroke.mark() == Mark.HEEL ? stroke : null;
        }
        return least == Integer.MAX_VALUE
                ? 0
                : Math.max(1, Math.floor(cut.bar().tempo().millisecondsOf(least) / TWENTIETH)) * TWENTIETH / 1000;
    }

    /** Whether no other chord follows. */
    private boolean isLast(Cut cut) {
        return cut.chord().equals(cuts.get(cuts.size() - 1).chord())
                && cuts.subList(cut.index(), cuts.size()).stream()
                        .allMatch(each -> each.chord().equals(cut.chord()));
    }

    private boolean resolves(Cut cut) {
        int next = cut.index() + 1;
        return cut.chord().quality().isDominant()
                && next < cuts.size()
                && Math.floorMod(
                                cuts.get(next).chord().root().chroma()
                                        - cut.chord().root().chroma(),
                                Pitch.OCTAVE)
                        == FOURTH_UP;
    }

    private static boolean endsOnFifth(List<Planned> strokes) {
        Role last = Role.BASS;
        for (Planned stroke : strokes) {
            last = stroke.hand() == Side.LEFT && stroke.mark() == Mark.HEEL
                    ? stroke.roles().get(0)
                    : last;
        }
        return last.kind() == Role.Kind.FIFTH_BELOW;
    }

    /** What the chord has to say; a last one what its ending adds as well. */
    List<Interval> said(Cut cut, List<Planned> strokes) {
        List<Interval> said = Said.of(cut.chord(), cut.ticks(), cut.bar().meter());
        boolean last = false;
        for (Planned stroke : strokes) {
            last |= stroke.origin() == Origin.ENDING;
        }
        Optional<Interval> added =
                last ? plan.ending().flatMap(ending -> ending.addedTo(cut.chord())) : Optional.empty();
        return added.map(tone -> Stream.concat(said.stream(), Stream.of(tone)).toList())
                .orElse(said);
    }

    /** What the figure plays one tone after another, where its spacing has a way to climb. */
    static Need.Run run(Cut cut, List<Planned> strokes) {
        String spacing = cut.choices().figure().manner().spacing();
        List<Role> roles = new ArrayList<>();
        List<Side> hands = new ArrayList<>();
        for (Planned stroke : Spacing.named(spacing).broken().isEmpty() ? List.<Planned>of() : strokes) {
            if (isBroken(stroke)) {
                roles.add(stroke.roles().get(0));
                hands.add(stroke.hand());
            }
        }
        return roles.isEmpty() ? Need.Run.NONE : new Need.Run(spacing, List.copyOf(roles), List.copyOf(hands));
    }

    static boolean isBroken(Planned stroke) {
        return stroke.roles().size() == 1
                && stroke.roles().get(0).kind() == Role.Kind.TONE
                && stroke.roles().get(0).sign() == 0
                && stroke.origin() != Origin.ENDING
                && stroke.origin() != Origin.LINE;
    }

    /** Strokes below a ceiling whose keys the place of their chord decides. */
    private Map<Need.Under, Integer> under(Cut cut, List<Planned> strokes, Map<Planned, Integer> ceilings) {
        Map<Need.Under, Integer> under = new LinkedHashMap<>();
        for (Planned stroke : strokes) {
            Integer ceiling = ceilings.get(stroke);
            Role.Kind kind = stroke.roles().get(0).kind();
            if (ceiling != null
                    && !walk.containsKey(stroke)
                    && kind != Role.Kind.LEAD_IN
                    && kind != Role.Kind.NEIGHBOUR) {
                under.merge(
                        new Need.Under(stroke.roles(), spacing(cut, stroke), stroke.rolled(), ceiling),
                        1,
                        Integer::sum);
            }
        }
        return under;
    }

    /** What the left hand takes at once, each kind of stroke with how often it comes. */
    private static Map<Need.Struck, Integer> together(Cut cut, List<Planned> strokes, Voicing voicing) {
        Map<Need.Struck, Integer> times = new LinkedHashMap<>();
        // A chord of one beat, or too short for its figure, has no time to be rolled, as one that is struck again has
        // not; the last beat of three has.
        boolean rolls = cut.bar().meter().beats() == 3
                && cut.bar().chords().size() == 2
                && cut.end() == cut.bar().end();
        int often = cut.ticks() <= cut.bar().meter().beatTicks() || voicing == OPEN_SHELL ? 2 : 1;
        for (Planned stroke : strokes) {
            Role first = stroke.roles().get(0);
            boolean chord = stroke.roles().size() == 1
                    && (first.kind() == Role.Kind.CLOSE_CHORD || first.kind() == Role.Kind.GUIDE_TONES);
            boolean several =
                    stroke.roles().size() > 1 && stroke.roles().stream().noneMatch(ChordNeeds::fromElsewhere);
            if (stroke.hand() == Side.LEFT
                    && (!stroke.rolled() || stroke.origin() == Origin.ENDING)
                    && (chord || several || first.kind() == Role.Kind.VOICING)) {
                times.merge(
                        first.kind() == Role.Kind.VOICING
                                ? new Need.Struck(List.of(Role.CHOSEN), "open", !voicing.hasBass(), rolls)
                                : new Need.Struck(stroke.roles(), spacing(cut, stroke), chord, rolls),
                        often,
                        Integer::sum);
            }
        }
        return times;
    }

    static String spacing(Cut cut, Planned stroke) {
        return stroke.origin() == Origin.ENDING
                ? "spread"
                : stroke.origin() == Origin.LINE
                        ? "bass"
                        : cut.choices().figure().manner().spacing();
    }

    static boolean plays(List<Planned> strokes, Role.Kind kind) {
        return plays(strokes, role -> role.kind() == kind);
    }

    private static boolean plays(List<Planned> strokes, Predicate<Role> which) {
        for (Planned stroke : strokes) {
            for (Role role : stroke.roles()) {
                if (which.test(role)) {
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
        return role.isOfClose()
                || role.kind() == Role.Kind.GUIDE_TONES
                || role.kind() == Role.Kind.WALKING
                || role.kind() == Role.Kind.PASSING
                || role.kind() == Role.Kind.LEAD_IN;
    }
}
