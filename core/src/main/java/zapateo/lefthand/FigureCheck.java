package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.hand.Hand;
import zapateo.hand.Keyboard;
import zapateo.harmony.ChordSymbol;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/**
 * Whether a figure can be realised at all: on some hand, with names that there are. Each thing that stands against it
 * is a reason.
 */
public final class FigureCheck {

    private static final int FIVE_FINGERS = 5;
    private static final ChordSymbol CHORD = ChordSymbol.parse("C7");

    private FigureCheck() {}

    /** Empty when it can be realised. */
    public static List<Reason> of(Figure figure) {
        List<Reason> faults = new ArrayList<>();
        Figure.Manner manner = figure.manner();
        manner.voicings().stream()
                .filter(id -> Voicing.named(id).isEmpty())
                .forEach(id -> faults.add(fault(
                        "voicing", id, Voicing.all().stream().map(Voicing::id).toList())));
        if (!Spacing.names().contains(manner.spacing())) {
            faults.add(fault("spacing", manner.spacing(), Spacing.names()));
        }
        manner.leadIn()
                .filter(id -> LeadIn.named(id).isEmpty())
                .ifPresent(id -> faults.add(fault(
                        "leadIn", id, LeadIn.all().stream().map(LeadIn::id).toList())));
        if (!faults.isEmpty()) {
            return faults;
        }
        if (figure.plays(Role.Kind.VOICING) && manner.voicings().isEmpty()) {
            faults.add(Reason.of("figure-without-voicing", Map.of()));
        }
        if (figure.written().anyMatch(stroke -> stroke.roles().stream().anyMatch(Role::isOfClose))
                && figure.plays(Role.Kind.GUIDE_TONES)) {
            faults.add(Reason.of("figure-two-chords", Map.of()));
        }
        if (figure.plays(Role.Kind.VOICING)
                && (figure.plays(Role.Kind.CLOSE_CHORD) || figure.plays(Role.Kind.GUIDE_TONES))) {
            faults.add(Reason.of("figure-two-voicings", Map.of()));
        }
        figure.written().forEach(stroke -> check(figure, stroke, faults));
        return faults.stream().distinct().toList();
    }

    private static void check(Figure figure, FigureStroke stroke, List<Reason> faults) {
        boolean special = stroke.plays(Role.Kind.WALKING)
                || stroke.plays(Role.Kind.LEAD_IN)
                || stroke.plays(Role.Kind.NEIGHBOUR)
                || stroke.plays(Role.Kind.PASSING);
        // A walking line may have its octave or its tenth over it.
        boolean doubled = stroke.roles().size() == 2
                && stroke.roles().get(0).equals(Role.WALK)
                && (stroke.roles().get(1).equals(Role.tone(8))
                        || stroke.roles().get(1).equals(Role.tone(10)));
        if (special && stroke.roles().size() > 1 && !doubled) {
            faults.add(Reason.of("figure-not-alone", Map.of("stroke", stroke.toString())));
        } else if (stroke.hand() == Side.RIGHT
                && (stroke.plays(Role.Kind.WALKING)
                        || stroke.plays(Role.Kind.LEAD_IN)
                        || stroke.plays(Role.Kind.VOICING)
                        || stroke.plays(Role.Kind.FIFTH_BELOW))) {
            faults.add(Reason.of("figure-left-only", Map.of("stroke", stroke.toString())));
        } else if (stroke.plays(Role.Kind.PASSING)
                && (stroke.hand() == Side.LEFT
                        || bars(figure).anyMatch(bar -> bar.contains(stroke) && !walks(bar, stroke.tick())))) {
            faults.add(Reason.of("figure-passes-alone", Map.of("stroke", stroke.toString())));
        } else if (stroke.ofNext() && stroke.tick() == 0) {
            faults.add(Reason.of("figure-early-at-start", Map.of("stroke", stroke.toString())));
        } else if (!special && !stroke.rolled() && stroke.length() < 1) {
            faults.add(Reason.of("figure-no-length", Map.of("stroke", stroke.toString())));
        } else if (!special && stroke.roles().stream().noneMatch(role -> role.kind() == Role.Kind.VOICING)) {
            span(figure, stroke, faults);
        }
    }

    private static Stream<List<FigureStroke>> bars(Figure figure) {
        return Stream.concat(
                figure.bars().values().stream().flatMap(List::stream),
                figure.variations().stream().flatMap(each -> each.bars().values().stream()));
    }

    private static boolean walks(List<FigureStroke> bar, int tick) {
        return bar.stream().anyMatch(stroke -> stroke.tick() == tick && stroke.plays(Role.Kind.WALKING));
    }

    /** On C7, where white keys make stretches plain. */
    private static void span(Figure figure, FigureStroke stroke, List<Reason> faults) {
        Optional<Voicing> filled =
                figure.manner().voicings().stream().findFirst().flatMap(Voicing::named);
        List<PartNote> upper = CloseChords.of(
                        CHORD,
                        filled.filter(voicing -> !voicing.hasBass())
                                .orElse(Voicing.named("close").orElseThrow()),
                        KeyTones.PLAIN,
                        stroke.hand() == Side.RIGHT,
                        true,
                        List.of(),
                        false)
                .get(0);
        Placement placement = new Placement(CHORD, Pitch.parse("C2"), upper, List.of(), KeyTones.PLAIN);
        List<PartNote> notes =
                placement.notes(stroke.roles().stream().map(Role::ofThis).toList());
        double stretch = Keyboard.stretchAtEdges(
                notes.get(0).pitch().midi(), notes.get(notes.size() - 1).pitch().midi());
        if (notes.size() > FIVE_FINGERS) {
            faults.add(Reason.of(
                    "figure-too-many", Map.of("stroke", stroke.toString(), "notes", String.valueOf(notes.size()))));
        } else if (!stroke.rolled() && stretch > Hand.LARGEST) {
            faults.add(Reason.of(
                    "figure-too-wide", Map.of("stroke", stroke.toString(), "mm", String.valueOf(Math.round(stretch)))));
        }
    }

    private static Reason fault(String what, String found, List<String> known) {
        return Reason.of(
                "figure-unknown-name", Map.of("what", what, "found", found, "known", String.join(", ", known)));
    }
}
