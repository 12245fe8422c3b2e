package zapateo.server.players;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.Optional;
import zapateo.hand.Hand;
import zapateo.hand.Instrument;
import zapateo.hand.Keyboard;
import zapateo.hand.Pianist;
import zapateo.hand.TooWide;
import zapateo.server.bounds.NameOf;
import zapateo.server.problems.Refusal;

/**
 * Two hands and what they play on; what is absent is taken as usual.
 *
 * @param tenths what to do with what is wider than an octave and than the hand
 * @param octaves what to do with an octave, or less, that is wider than the hand
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Measures(
        @Valid HandRequest left,
        @Valid HandRequest right,
        @Valid InstrumentRequest instrument,

        @NameOf(TooWide.class) String tenths,

        @NameOf(TooWide.class) String octaves) {

    public static final Measures USUAL = new Measures(null, null, null, null, null);

    /**
     * @param spanMm thumb tip to little-finger tip, stretched, 120 to 300 mm
     * @param thumbIndexMm thumb tip to index tip; absent is as usual for the span
     * @param indexLittleMm index tip to little-finger tip; absent is as usual for the span
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record HandRequest(
            @NotNull(message = "expected millimetres, 120 to 300")
            @DecimalMin(value = "120", message = "expected 120 to 300")
            @DecimalMax(value = "300", message = "expected 120 to 300")
            Double spanMm,

            @DecimalMin(value = "40", message = "expected 40 to 300")
            @DecimalMax(value = "300", message = "expected 40 to 300")
            Double thumbIndexMm,

            @DecimalMin(value = "40", message = "expected 40 to 300")
            @DecimalMax(value = "300", message = "expected 40 to 300")
            Double indexLittleMm) {

        private Hand hand() {
            if (spanMm == null) {
                throw Refusal.unusable("spanMm: expected millimetres, 120 to 300");
            }
            return Hand.of(spanMm, Optional.ofNullable(thumbIndexMm), Optional.ofNullable(indexLittleMm));
        }
    }

    /**
     * @param keys 49, 61, 73, 76 or 88; absent is 88
     * @param octaveMm from a C to the next; absent is 164.5
     * @param pedal whether it has a sustaining pedal; absent is true
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record InstrumentRequest(
            @Min(value = 49, message = "expected 49 to 88") @Max(value = 88, message = "expected 49 to 88")
            Integer keys,

            @DecimalMin(value = "120", message = "expected 120 to 180")
            @DecimalMax(value = "180", message = "expected 120 to 180")
            Double octaveMm,

            Boolean pedal) {

        private Instrument instrument() {
            return new Instrument(
                    keys == null ? Instrument.FULL.keys() : keys,
                    octaveMm == null ? Keyboard.OCTAVE : octaveMm,
                    pedal == null || pedal);
        }
    }

    /** The pianist they belong to; refused where a measure is none a hand or an instrument has. */
    public Pianist pianist() {
        return new Pianist(
                left == null ? Hand.USUAL : left.hand(),
                right == null ? Hand.USUAL : right.hand(),
                instrument == null ? Instrument.FULL : instrument.instrument(),
                way("tenths", tenths),
                way("octaves", octaves));
    }

    private static TooWide way(String what, String name) {
        return name == null
                ? TooWide.ROLL
                : TooWide.named(name)
                        .orElseThrow(
                                () -> Refusal.unusable(what + " \"" + name + "\": expected play, roll, pedal or omit"));
    }
}
