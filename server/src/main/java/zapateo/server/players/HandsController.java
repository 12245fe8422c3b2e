package zapateo.server.players;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zapateo.hand.Hand;
import zapateo.hand.Instrument;
import zapateo.hand.Keyboard;
import zapateo.pitch.Pitch;
import zapateo.server.bounds.VersionNumber;

/** People's hands and their instruments. */
@RestController
@RequestMapping("/api/hands")
public class HandsController {

    private final PeoplesHands hands;

    HandsController(PeoplesHands hands) {
        this.hands = hands;
    }

    /** @param version the one that was loaded; needed when a pair is changed */
    public record HandsRequest(
            @NotBlank(message = "expected a name") @Size(max = 80, message = "expected at most 80 characters")
            String name,

            @NotNull(message = "expected measures") @Valid Measures measures,
            @VersionNumber Integer version) {}

    public record HandsView(UUID id, String name, Measures measures, boolean inUse, int version) {

        private static HandsView of(HandsRow row) {
            return new HandsView(row.id(), row.name(), row.measures(), row.inUse(), row.version());
        }
    }

    @GetMapping
    public List<HandsView> all() {
        return hands.all(Player.ONLY).stream().map(HandsView::of).toList();
    }

    /** Keeps a pair and takes it into use. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public HandsView keep(@Valid @RequestBody HandsRequest request) {
        return HandsView.of(hands.keep(Player.ONLY, request.name(), request.measures()));
    }

    @PutMapping("/{id}")
    public HandsView change(@PathVariable UUID id, @Valid @RequestBody HandsRequest request) {
        return HandsView.of(hands.change(Player.ONLY, id, request.name(), request.measures(), request.version()));
    }

    /** Takes a pair into use; all songs are fitted to it from then on. */
    @PostMapping("/{id}/use")
    public HandsView use(@PathVariable UUID id) {
        return HandsView.of(hands.take(Player.ONLY, id));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void delete(@PathVariable UUID id) {
        hands.delete(Player.ONLY, id);
    }

    /**
     * Two keys to try to hold.
     *
     * @param mm what the hand spans that just holds them
     */
    public record TryView(int low, int high, String lowName, String highName, String interval, double mm) {

        private static TryView of(String low, String high, String interval) {
            int from = Pitch.parse(low).midi();
            int to = Pitch.parse(high).midi();
            return new TryView(from, to, low, high, interval, Math.round(10 * Keyboard.stretch(from, to)) / 10.0);
        }
    }

    /** @param sizes numbers of keys an instrument may have */
    public record MeasuringView(
            List<TryView> whole,
            List<TryView> thumbIndex,
            List<TryView> indexLittle,
            double smallestMm,
            double largestMm,
            double usualMm,
            double octaveMm,
            List<Integer> sizes,
            double cardWidthMm,
            double cardHeightMm) {}

    private static final double CARD_WIDTH = 85.60;
    private static final double CARD_HEIGHT = 53.98;

    /**
     * What can be held to find a hand's measures without a ruler, the narrowest first; the card is ISO/IEC 7810 ID-1.
     */
    @GetMapping("/measuring")
    public MeasuringView measuring() {
        List<TryView> whole = Stream.of(
                        TryView.of("C3", "A3", "sixth"),
                        TryView.of("C3", "B3", "seventh"),
                        TryView.of("C3", "C4", "octave"),
                        TryView.of("C3", "D4", "ninth"),
                        TryView.of("C3", "E4", "tenth"),
                        TryView.of("C3", "F4", "eleventh"),
                        TryView.of("C3", "G4", "twelfth"))
                .toList();
        List<TryView> thumbIndex = Stream.of(
                        TryView.of("C4", "E4", "third"),
                        TryView.of("C4", "F4", "fourth"),
                        TryView.of("C4", "G4", "fifth"),
                        TryView.of("C4", "A4", "sixth"),
                        TryView.of("C4", "B4", "seventh"),
                        TryView.of("C4", "C5", "octave"))
                .toList();
        List<TryView> indexLittle = Stream.of(
                        TryView.of("C4", "F4", "fourth"),
                        TryView.of("C4", "G4", "fifth"),
                        TryView.of("C4", "A4", "sixth"),
                        TryView.of("C4", "B4", "seventh"),
                        TryView.of("C4", "C5", "octave"))
                .toList();
        return new MeasuringView(
                whole,
                thumbIndex,
                indexLittle,
                Hand.SMALLEST,
                Hand.LARGEST,
                Hand.USUAL.spanMm(),
                Keyboard.OCTAVE,
                Instrument.sizes(),
                CARD_WIDTH,
                CARD_HEIGHT);
    }
}
