package zapateo.server.sets;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import zapateo.server.players.Player;

/** Tonight aboard the Aurora, written once into a new database. */
@Component
@Order(3)
class DemoSet implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(DemoSet.class);
    private static final List<Turn> TURNS = List.of(
            new Turn("Harbour Refrain", null, 0, "While the ropes come in.", "piano alone"),
            new Turn("Gangway Waltz", null, 0, "", "piano alone"),
            new Turn("Cabin Seven Swing", null, 0, "For cabin seven, who asked.", "with the double bass"),
            new Turn("Slow Tide", null, -2, "The lights are lower from here on.", "with Mira, who sings"),
            new Turn("", 20.0, 0, "", ""),
            new Turn("Lamplight Stride", null, 0, "", "piano alone"),
            new Turn("Cinnamon Deck", null, 0, "Anyone who dances, now.", "with the double bass"),
            new Turn("Six Past Midnight", null, 0, "", "with Mira, who sings"),
            new Turn("Morning Customs", null, 0, "Good night; the coffee is from five.", "piano alone"));

    /** A song by its title, or a break of so many minutes. */
    private record Turn(String title, Double minutes, int semitones, String remark, String who) {}

    private final SetMapper mapper;
    private final Sets sets;
    private final TransactionTemplate transaction;
    private final boolean wanted;

    DemoSet(SetMapper mapper, Sets sets, TransactionTemplate transaction, @Value("${zapateo.demo}") boolean wanted) {
        this.mapper = mapper;
        this.sets = sets;
        this.transaction = transaction;
        this.wanted = wanted;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        transaction.executeWithoutResult(status -> {
            if (mapper.reach("demo set") == 1 && wanted) {
                List<SetItem> items = new ArrayList<>();
                for (Turn turn : TURNS) {
                    Optional<UUID> song = mapper.song(Player.ONLY.id(), turn.title());
                    if (song.isPresent() || turn.minutes() != null) {
                        items.add(new SetItem(
                                song.orElse(null),
                                null,
                                turn.semitones() == 0 ? null : turn.semitones(),
                                null,
                                turn.minutes(),
                                null,
                                said(turn.remark()),
                                said(turn.who())));
                    }
                }
                sets.create(
                        Player.ONLY,
                        new SetRequest("Aurora, the night crossing", LocalDate.now(), "Lounge, deck six", items, null));
                LOG.info("wrote tonight's set");
            }
        });
    }

    private static String said(String text) {
        return text.isEmpty() ? null : text;
    }
}
