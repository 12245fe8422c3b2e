package zapateo.server.arrangements;

import io.swagger.v3.oas.annotations.media.Schema;
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
 * @param bassLine id of the bass line; null where the figure's own basses are heard
 * @param leadIn id of the lead-in; null where the figure has its own way
 * @param spice what a lively player does otherwise in the bar; null where it is played as it goes
 */
public record HoldingView(
        OptionsRequest chosen,
        String figure,
        String voicing,
        String register,
        @Schema(types = {"string", "null"}) String bassLine,
        @Schema(types = {"string", "null"}) String leadIn,
        String feel,
        @Schema(types = {"object", "null"}) SpiceView spice) {

    static HoldingView of(Holding holding, Feel feel) {
        LeftHandChoices heard = holding.heard();
        return new HoldingView(
                OptionsRequest.of(holding.chosen()
                        .with(LeftChoice.FIGURE, holding.chosen().orUsual(LeftChoice.FIGURE))),
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
