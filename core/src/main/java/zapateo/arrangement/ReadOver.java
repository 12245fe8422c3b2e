package zapateo.arrangement;

import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import zapateo.critic.Asked;
import zapateo.critic.Critic;
import zapateo.critic.Fault;
import zapateo.critic.Score;
import zapateo.critic.Trait;
import zapateo.hand.Pianist;
import zapateo.lefthand.BassLine;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.LeftHandChoices;
import zapateo.part.TickSpan;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.YamlFields;

/**
 * Has an arrangement read by the strict reader: what is played, and in each bar what was asked for, as far as that is
 * fair to know.
 */
public final class ReadOver {

    private static final YamlFields FILE = DataFile.yaml("arrangement/reading.yaml");

    private ReadOver() {}

    /** In the order of the list of faults, strokes by their places in the arrangement. */
    public static List<Fault> of(Arrangement arrangement, Pianist pianist) {
        return Critic.read(new Score(
                arrangement.song(),
                arrangement.strokes(),
                arrangement.pedal().stream()
                        .map(pedal -> TickSpan.of(pedal.down(), pedal.up() - pedal.down()))
                        .toList(),
                pianist,
                arrangement.holding().stream().map(ReadOver::asked).toList()));
    }

    private static Asked asked(Holding holding) {
        LeftHandChoices heard = holding.heard();
        boolean voiced = heard.figure().plays(Role.Kind.VOICING);
        Set<Trait> traits = traits(heard.figure());
        if (holding.chosen().get(LeftChoice.LEAD_IN).isPresent()) {
            traits.add(Trait.LEADS);
        }
        if (heard.line().filter(BassLine::walks).isPresent() && heard.figure().hasLine()) {
            traits.add(Trait.WALKS);
        }
        if (voiced) {
            traits.addAll(said("voicings", heard.voicing().id()));
            // Chords alone, in shapes that leave the bass to others.
            if (!heard.voicing().hasBass()
                    && heard.figure()
                            .written()
                            .allMatch(stroke -> stroke.plays(Role.Kind.VOICING) || stroke.plays(Role.Kind.LEAD_IN))) {
                traits.add(Trait.BASSLESS);
            }
        }
        return new Asked(
                heard.figure().id(),
                heard.figure().family(),
                traits,
                holding.chosen().get(SongChoice.LEVEL).orElse(0),
                voiced && heard.voicing().id().equals("single"),
                heard.get(LeftChoice.WITH_BASS_PLAYER),
                holding.chosen().get(LeftChoice.LIVELINESS).orElse(Liveliness.NONE),
                new Asked.Claims(
                        heard.figure().suits().minTempo(),
                        heard.figure().suits().maxTempo()));
    }

    private static Set<Trait> traits(Figure figure) {
        Set<Trait> traits = EnumSet.noneOf(Trait.class);
        traits.addAll(said("families", figure.family()));
        traits.addAll(said("figures", figure.id()));
        List<FigureStroke> left =
                figure.written().filter(stroke -> stroke.hand() == Side.LEFT).toList();
        boolean chords = left.stream()
                .anyMatch(stroke -> !figure.isLine(stroke)
                        && !stroke.plays(Role.Kind.LEAD_IN)
                        && (stroke.roles().size() > 1
                                || stroke.roles().get(0).isOfClose()
                                || stroke.plays(Role.Kind.GUIDE_TONES)));
        boolean basses = left.stream()
                .anyMatch(stroke -> stroke.roles().size() == 1
                        && stroke.roles().get(0).ofThis().holdsBass());
        boolean only = figure.hands().size() == 1
                && left.stream().allMatch(stroke -> figure.isLine(stroke) || stroke.plays(Role.Kind.LEAD_IN));
        if (figure.manner().bassless()) {
            traits.add(Trait.BASSLESS);
        }
        if (only) {
            traits.add(Trait.BASS_ONLY);
        }
        if (figure.plays(Role.Kind.LEAD_IN)) {
            traits.add(Trait.LEADS);
        }
        if (figure.plays(Role.Kind.WALKING)) {
            traits.add(Trait.WALKS);
        }
        if (chords && basses && !traits.contains(Trait.RUNS)) {
            traits.add(Trait.JUMPS);
        }
        if (figure.takesTurns()) {
            traits.add(Trait.ALTERNATES);
        }
        if (left.stream()
                .anyMatch(stroke ->
                        (stroke.roles().contains(Role.BASS) || stroke.roles().contains(Role.WALK))
                                && stroke.roles().contains(Role.tone(8)))) {
            traits.add(Trait.OCTAVES);
        }
        return traits;
    }

    private static List<Trait> said(String where, String id) {
        YamlFields fields = FILE.fields(where);
        return fields.has(id) ? fields.list(id, text -> Trait.valueOf(text.toUpperCase(Locale.ROOT))) : List.of();
    }
}
