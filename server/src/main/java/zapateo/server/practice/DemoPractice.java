package zapateo.server.practice;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import zapateo.choice.Options;
import zapateo.lefthand.LeftChoice;
import zapateo.practice.Ladder;
import zapateo.server.arrangements.ArrangeRequest;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.players.Player;

/**
 * A made-up fortnight of the lounge pianist's practice, written once into a new database, so that there is something to
 * look at.
 */
@Component
@Order(2)
class DemoPractice implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(DemoPractice.class);
    private static final int DAYS = 14;
    /** Days that were left out: a storm, a day ashore. */
    private static final List<Integer> ASHORE = List.of(4, 5, 10);

    private static final Map<String, Wish> GOALS =
            Map.of("Lamplight Stride", new Wish(132, 12), "Slow Tide", new Wish(66, 45));
    private static final double CARE = 0.72;
    private static final int PASSES_A_PIECE = 6;
    private static final int PIECES_A_DAY = 3;

    /** @param days until it has to be ready */
    private record Wish(double tempo, int days) {}

    private final PracticeMapper mapper;
    private final Practising practising;
    private final TransactionTemplate transaction;
    private final boolean wanted;

    DemoPractice(
            PracticeMapper mapper,
            Practising practising,
            TransactionTemplate transaction,
            @Value("${zapateo.demo}") boolean wanted) {
        this.mapper = mapper;
        this.practising = practising;
        this.transaction = transaction;
        this.wanted = wanted;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        transaction.executeWithoutResult(status -> {
            if (mapper.reach("demo practice") == 1 && wanted) {
                GOALS.forEach(
                        (title, wish) -> mapper.named(Player.ONLY.id(), title).ifPresent(song -> practise(song, wish)));
                LOG.info("wrote a fortnight of demo practice");
            }
        });
    }

    private void practise(PracticeMapper.NamedSong song, Wish wish) {
        Options figure = Optional.ofNullable(song.figure())
                .map(id -> Options.OPEN.with(LeftChoice.FIGURE, id))
                .orElse(Options.OPEN);
        practising.set(
                Player.ONLY,
                song.id(),
                wish.tempo(),
                LocalDate.now().plusDays(wish.days()),
                0,
                new ArrangeRequest(song.chart(), ChoicesRequest.of(figure), null, null));
        List<GoalRow.PieceRow> pieces = mapper.goals(Player.ONLY.id()).stream()
                .filter(row -> row.songId().equals(song.id()))
                .findFirst()
                .orElseThrow()
                .pieces()
                .all();
        SplittableRandom random = new SplittableRandom(song.chart().length());
        Ladder ladder = new Ladder(wish.tempo(), List.of());
        double[] clean = new double[pieces.size()];
        for (int day = DAYS; day > 0; day--) {
            for (int turn = 0; turn < (ASHORE.contains(day) ? 0 : PIECES_A_DAY); turn++) {
                int piece = (day * 2 + turn) % pieces.size();
                Ladder.Rung rung = ladder.start(clean[piece] == 0 ? Optional.empty() : Optional.of(clean[piece]));
                for (int pass = 0; pass < PASSES_A_PIECE; pass++) {
                    boolean well = random.nextDouble() < CARE;
                    mapper.insert(row(song.id(), pieces.get(piece), rung.tempo(), well, day, 10 * turn + pass, random));
                    clean[piece] = well ? Math.max(clean[piece], rung.tempo()) : clean[piece];
                    rung = ladder.after(rung, well);
                }
            }
        }
    }

    private static PassRow row(
            UUID song,
            GoalRow.PieceRow piece,
            double tempo,
            boolean clean,
            int daysAgo,
            int minute,
            SplittableRandom random) {
        OffsetDateTime at = OffsetDateTime.now(ZoneOffset.UTC)
                .minusDays(daysAgo)
                .withHour(16)
                .withMinute(minute)
                .withSecond(0)
                .withNano(0);
        double right = clean ? 0.95 + 0.05 * random.nextDouble() : 0.7 + 0.24 * random.nextDouble();
        int seconds = (int) Math.round((piece.last() - piece.first() + 1) * 4 * 60 / tempo) + 30;
        return new PassRow(
                new UUID(random.nextLong(), random.nextLong()),
                Player.ONLY.id(),
                song,
                "",
                null,
                "alone",
                1,
                at,
                at.toLocalDate(),
                piece.first(),
                piece.last(),
                piece.layer(),
                tempo,
                clean,
                Math.round(1000 * right) / 1000.0,
                Math.round(10 * (clean ? 9 + 8 * random.nextDouble() : 18 + 14 * random.nextDouble())) / 10.0,
                seconds,
                "",
                "");
    }
}
