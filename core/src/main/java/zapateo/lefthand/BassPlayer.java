package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.part.Origin;
import zapateo.rhythm.Figure;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/** Someone else has the bass: chords stay, single basses become guide tones where nothing else would be left. */
final class BassPlayer {

    /** What is left of a figure without its bass. */
    private enum Left {
        /** Nothing but basses: their rhythm is taken by guide tones. */
        GUIDE_TONES,
        /** The chords above them. */
        CHORDS,
        /** Its own notes, laid higher. */
        ALL;

        private static Left of(Figure figure) {
            if (figure.written()
                    .allMatch(each -> figure.isLine(each)
                            || each.plays(Role.Kind.WALKING)
                            || each.plays(Role.Kind.LEAD_IN)
                            || each.roles().get(0).sign() != 0)) {
                return GUIDE_TONES;
            }
            return figure.plays(Role.Kind.CLOSE_CHORD) || figure.plays(Role.Kind.GUIDE_TONES) ? CHORDS : ALL;
        }
    }

    private BassPlayer() {}

    static List<Planned> leftTo(List<Cut> cuts, List<Planned> strokes) {
        List<Planned> kept = new ArrayList<>();
        Map<String, Left> byFigure = new HashMap<>();
        boolean[] heard = new boolean[cuts.size()];
        for (Planned stroke : strokes) {
            LeftHandChoices choices = cuts.get(stroke.cut()).choices();
            boolean untouched = !choices.get(LeftChoice.WITH_BASS_PLAYER)
                    || stroke.hand() == Side.RIGHT
                    || stroke.origin() == Origin.ENDING;
            Optional<Planned> left = untouched
                    ? Optional.of(stroke)
                    : without(
                            stroke,
                            choices.figure(),
                            byFigure.computeIfAbsent(choices.figure().id(), id -> Left.of(choices.figure())));
            left.ifPresent(each -> {
                kept.add(each);
                heard[each.cut()] = true;
            });
        }
        for (Planned stroke : strokes) {
            if (!heard[stroke.cut()]) {
                heard[stroke.cut()] = true;
                kept.add(guide(stroke));
            }
        }
        kept.sort(Comparator.comparingInt(Planned::tick));
        return kept;
    }

    private static Optional<Planned> without(Planned stroke, Figure figure, Left left) {
        if (stroke.roles().get(0).kind() == Role.Kind.LEAD_IN) {
            return Optional.empty();
        }
        return switch (left) {
            case GUIDE_TONES -> Optional.of(guide(stroke));
            case ALL -> Optional.of(stroke);
            case CHORDS -> {
                List<Role> chord = stroke.roles().stream()
                        .filter(role -> !isBass(role)
                                && !(stroke.roles().size() == 1
                                        && figure.manner().line().contains(role)))
                        .toList();
                yield chord.isEmpty()
                        ? Optional.empty()
                        : Optional.of(stroke.playing(chord, Mark.TOE, stroke.origin()));
            }
        };
    }

    private static boolean isBass(Role role) {
        return role.equals(Role.BASS) || role.kind() == Role.Kind.FIFTH_BELOW || role.kind() == Role.Kind.WALKING;
    }

    private static Planned guide(Planned stroke) {
        return stroke.playing(List.of(Role.GUIDE), Mark.TOE, stroke.origin());
    }
}
