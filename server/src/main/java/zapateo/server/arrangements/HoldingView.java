package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Optional;
import zapateo.arrangement.Holding;
import zapateo.lefthand.BassLine;
import zapateo.lefthand.LeadIn;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.LeftHandChoices;
import zapateo.lefthand.Spice;
import zapateo.rhythm.Feel;

/**
 * What holds in a bar.
 *
 * @param chosen what was asked for, of all places that reach it: song, section, bars
 * @param figure id of the figure that is heard, which at a level may be another than the chosen one
 * @param voicing id of the voicing that is heard where the figure has one to choose
 * @param bassLine id of the bass line in place of the figure's own basses
 * @param leadIn id of the lead-in
 * @param spice what a lively player does otherwise in the bar
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record HoldingView(
        @Schema(description = HoldingView.BEFORE) OptionsRequest chosen,
        String figure,
        String voicing,
        String register,

        @Schema(description = "absent where the figure's own basses are heard")
        String bassLine,

        @Schema(description = "absent where the figure has its own way")
        String leadIn,

        String feel,

        @Schema(description = "absent where the bar is played as it goes")
        SpiceView spice) {

    static final String BEFORE = "absent where it is as in the bar before";

    static HoldingView of(Holding holding, Optional<Holding> before, Feel feel) {
        boolean same =
                before.filter(other -> other.chosen().equals(holding.chosen())).isPresent();
        HoldingView heard = heard(
                holding,
                same
                        ? null
                        : OptionsRequest.of(holding.chosen()
                                .with(LeftChoice.FIGURE, holding.chosen().orUsual(LeftChoice.FIGURE))),
                feel);
        return same
                        && before.map(other -> heard(other, null, feel))
                                .filter(heard::equals)
                                .isPresent()
                ? null
                : heard;
    }

    private static HoldingView heard(Holding holding, OptionsRequest chosen, Feel feel) {
        LeftHandChoices heard = holding.heard();
        return new HoldingView(
                chosen,
                heard.figure().id(),
                heard.voicing().id(),
                heard.get(LeftChoice.REGISTER).id(),
                heard.line().map(BassLine::id).orElse(null),
                heard.leadIn().map(LeadIn::id).orElse(null),
                feel.id(),
                holding.spice().map(SpiceView::of).orElse(null));
    }

    /** @param name standard term; @param use what for, in a line */
    public record SpiceView(String id, String name, String use) {

        private static SpiceView of(Spice spice) {
            return new SpiceView(spice.id(), spice.name(), spice.use());
        }
    }
}
