package zapateo.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.harmony.Modifier;
import zapateo.harmony.Qualities;
import zapateo.harmony.Quality;
import zapateo.pitch.Interval;

/**
 * A quality as MusicXML 4.0 says it: a kind-value and the degrees that change it. An eleventh chord counts as one
 * without its third, a thirteenth as one without its eleventh, as players read them.
 */
record HarmonyKind(String kind, List<Change> degrees) {

    /** Many programs write a suspended or a plain triad and add its seventh. */
    private static final Change MINOR_SEVENTH = new Change("add", 7, 0);

    private static final Map<String, String> SEVENTHS = Map.of(
            "major",
            "dominant-seventh",
            "minor",
            "minor-seventh",
            "diminished",
            "half-diminished",
            "augmented",
            "dominant-seventh");
    private static final int THIRD = 3;
    private static final List<String> TYPES = List.of("add", "alter", "subtract");

    /**
     * @param type {@code add}, {@code alter} or {@code subtract}
     * @param alter semitones; of an added seventh counted from the minor one, else from the major scale; of an altered
     *     tone from the kind's own
     */
    record Change(String type, int number, int alter) {}

    static HarmonyKind of(Quality quality) {
        boolean suspended = quality.base().id().equals("major")
                && !quality.modifiers().isEmpty()
                && quality.modifiers().get(0).effect() == Modifier.Effect.SUS;
        String kind = suspended
                ? quality.modifiers().get(0).id().equals("sus4") ? "suspended-fourth" : "suspended-second"
                : quality.base().kind();
        List<Interval> plain = new ArrayList<>(
                suspended
                        ? Qualities.of(
                                        "major",
                                        List.of(quality.modifiers().get(0).id()))
                                .tones()
                        : plain(kind).orElseThrow().tones());
        List<Interval> missing = new ArrayList<>(quality.tones());
        missing.removeAll(plain);
        plain.removeAll(quality.tones());
        List<Change> changes = new ArrayList<>();
        for (Interval tone : missing) {
            Optional<Interval> own = plain.stream()
                    .filter(each -> each.number() == tone.number())
                    .findFirst();
            own.ifPresent(plain::remove);
            changes.add(own.map(each -> new Change("alter", tone.number(), tone.semitones() - each.semitones()))
                    .orElseGet(() -> new Change("add", tone.number(), tone.semitones() - dominant(tone.number()))));
        }
        plain.forEach(tone -> changes.add(new Change("subtract", tone.number(), 0)));
        return new HarmonyKind(kind, List.copyOf(changes));
    }

    /** The quality they mean, empty when a kind or a change is none a pianist knows. */
    Optional<Quality> quality() {
        if (kind.startsWith("suspended-")) {
            return withChanges(Qualities.of("major", List.of(kind.equals("suspended-fourth") ? "sus4" : "sus2")));
        }
        if (kind.equals("augmented-seventh")) {
            return withChanges(Qualities.of("dominant-seventh", List.of("#5")));
        }
        return plain(kind).flatMap(this::withChanges);
    }

    private Optional<Quality> withChanges(Quality plain) {
        // A third taken away and a second or fourth put in is a suspension.
        boolean thirdGone = degrees.stream().anyMatch(each -> each.type().equals("subtract") && each.number() == THIRD);
        Optional<Change> inItsPlace = degrees.stream()
                .filter(each -> thirdGone
                        && each.type().equals("add")
                        && (each.number() == 2 || each.number() == 4)
                        && each.alter() == 0)
                .findFirst();
        Quality now = inItsPlace
                .flatMap(change -> modifier("sus" + change.number()))
                .map(sus -> Qualities.with(plain, sus))
                .orElse(plain);
        for (Change change : degrees) {
            boolean told = inItsPlace.isPresent()
                    && (change.equals(inItsPlace.get())
                            || change.type().equals("subtract") && change.number() == THIRD);
            if (told) {
                continue;
            }
            if (change.equals(MINOR_SEVENTH) && SEVENTHS.containsKey(now.base().id())) {
                now = withSeventh(now);
                continue;
            }
            Optional<Modifier> modifier = modifier(change, plain);
            if (modifier.isEmpty()) {
                return Optional.empty();
            }
            now = Qualities.with(now, modifier.get());
        }
        return Optional.of(now);
    }

    private static Quality withSeventh(Quality triad) {
        Stream<String> raised = triad.base().id().equals("augmented") ? Stream.of("#5") : Stream.empty();
        return Qualities.of(
                SEVENTHS.get(triad.base().id()),
                Stream.concat(triad.modifiers().stream().map(Modifier::id), raised)
                        .toList());
    }

    private static Optional<Modifier> modifier(Change change, Quality plain) {
        if (!TYPES.contains(change.type())) {
            return Optional.empty();
        }
        if (change.type().equals("subtract")) {
            return modifier("no" + change.number());
        }
        int number = change.number() == 2 || change.number() == 4 || change.number() == 6
                ? change.number() + 7
                : change.number();
        int semitones = change.type().equals("alter")
                ? plain.tones().stream()
                                .filter(tone -> tone.number() == number)
                                .findFirst()
                                .map(Interval::semitones)
                                .orElse(dominant(number))
                        + change.alter()
                : dominant(number) + change.alter();
        Interval tone = Interval.of(number - 1, semitones);
        boolean seventh = plain.tones().stream().anyMatch(each -> each.number() == 7);
        return Qualities.allModifiers().stream()
                .filter(each -> each.degree().equals(tone))
                .filter(each -> each.effect() == Modifier.Effect.ALTER || each.effect() == Modifier.Effect.ADD)
                .min((a, b) -> seventh || number == 5
                        ? a.effect().compareTo(b.effect())
                        : b.effect().compareTo(a.effect()));
    }

    private static Optional<Modifier> modifier(String id) {
        return Qualities.allModifiers().stream()
                .filter(each -> each.id().equals(id))
                .findFirst();
    }

    private static Optional<Quality> plain(String kind) {
        return Qualities.all().stream()
                .filter(quality -> quality.base().kind().equals(kind))
                .findFirst();
    }

    /** Semitones of a degree in a dominant chord: the major scale with a minor seventh. */
    private static int dominant(int number) {
        return Interval.parse(number == 7 ? "b7" : String.valueOf(number)).semitones();
    }
}
