package zapateo.server.practice;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import zapateo.arrangement.Arrangement;
import zapateo.names.Names;
import zapateo.part.Reason;
import zapateo.practice.Ladder;
import zapateo.practice.Layer;
import zapateo.practice.Memory;
import zapateo.practice.Plan;
import zapateo.practice.Spots;
import zapateo.server.arrangements.ArrangeRequest;
import zapateo.server.arrangements.Arranging;
import zapateo.server.players.Player;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;

/** Goals, the log, and the plan that is made of both. */
@Service
class Practising {

    private static final int HARDEST = 4;
    private static final int MOST = 5_000;
    private static final double THERE = 0.5;
    /** Times through a place, step by step, that are shown. */
    private static final int ROUNDS = 20;

    private final PracticeMapper mapper;
    private final Arranging arranging;
    private final ReasonWords words;

    Practising(PracticeMapper mapper, Arranging arranging, ReasonWords words) {
        this.mapper = mapper;
        this.arranging = arranging;
        this.words = words;
    }

    void set(Player player, UUID song, double tempo, LocalDate until, int level, ArrangeRequest request) {
        known(player, song);
        new Ladder(tempo, List.of());
        Arrangement arrangement = arranging.arrange(request).arrangement();
        double seconds = arrangement.timeline().ms(arrangement.song().ticks())
                / 1000
                * arrangement.song().tempo().bpm()
                / tempo;
        boolean both = !arrangement.right().strokes().isEmpty();
        List<GoalRow.PieceRow> pieces = new ArrayList<>();
        Spots.of(arrangement, Map.of()).stream()
                .limit(HARDEST)
                .forEach(spot -> pieces.add(piece(arrangement, spot, Layer.LEFT)));
        Spots.phrases(arrangement)
                .forEach(spot -> pieces.add(piece(arrangement, spot, both ? Layer.BOTH : Layer.LEFT)));
        mapper.set(new GoalRow(
                song,
                player.id(),
                "",
                tempo,
                until,
                level,
                seconds,
                new GoalRow.Pieces(pieces),
                OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MICROS)));
    }

    private static GoalRow.PieceRow piece(Arrangement arrangement, Spots.Spot spot, Layer layer) {
        return new GoalRow.PieceRow(
                arrangement.song().bars().get(spot.first()).number(),
                arrangement.song().bars().get(spot.last()).number(),
                layer.id(),
                spot.difficulty(),
                spot.asks().id(),
                spot.from(),
                spot.to());
    }

    private void known(Player player, UUID song) {
        if (mapper.songs(player.id(), song) == 0) {
            throw Refusal.notFound("This song");
        }
    }

    void drop(Player player, UUID song) {
        if (mapper.drop(player.id(), song) == 0) {
            throw Refusal.notFound("A goal for this song");
        }
    }

    List<PassRow> log(Player player, LocalDate since) {
        return mapper.passes(player.id(), since == null ? LocalDate.now().minusYears(1) : since, MOST);
    }

    @Transactional
    void keep(Player player, PassRow row) {
        known(player, row.songId());
        Layer.of(row.layer());
        if (row.lastBar() < row.firstBar()) {
            throw Refusal.unusable("last: expected no bar before the first");
        }
        mapper.insert(row);
    }

    void forget(Player player, UUID id) {
        if (mapper.delete(player.id(), id) == 0) {
            throw Refusal.notFound("This pass");
        }
    }

    @Transactional
    void keep(Player player, StepRow row) {
        known(player, row.songId());
        Layer.of(row.layer());
        mapper.insertSteps(row);
    }

    List<StepRow> steps(Player player, UUID song, int first, int last, String layer) {
        return mapper.steps(player.id(), song, first, last, layer, ROUNDS);
    }

    Map<Integer, Double> failed(Player player, UUID song) {
        return Memory.failed(passes(player), song.toString());
    }

    private List<Memory.Pass> passes(Player player) {
        return log(player, null).stream()
                .map(row -> new Memory.Pass(
                        (int) row.playedOn().toEpochDay(),
                        row.songId().toString(),
                        row.firstBar(),
                        row.lastBar(),
                        Layer.of(row.layer()),
                        row.tempo(),
                        row.clean()))
                .toList();
    }

    List<PracticeController.GoalView> goals(Player player, LocalDate today) {
        List<GoalRow> all = mapper.goals(player.id());
        List<Memory> known = known(player, all);
        return all.stream()
                .map(row -> {
                    List<Plan.Piece> pieces = pieces(row);
                    List<Memory> own = known.stream()
                            .filter(each -> each.song().equals(row.songId().toString()))
                            .toList();
                    long there = pieces.stream()
                            .filter(piece -> own.stream()
                                    .anyMatch(each -> each.first() == piece.first()
                                            && each.last() == piece.last()
                                            && each.layer() == piece.layer()
                                            && each.clean()
                                                    .filter(tempo -> tempo >= row.tempo() - THERE)
                                                    .isPresent()))
                            .count();
                    int due = (int) own.stream()
                            .filter(each -> each.due() <= today.toEpochDay())
                            .count();
                    return new PracticeController.GoalView(
                            row.songId(),
                            row.title(),
                            row.tempo(),
                            row.until(),
                            row.level(),
                            Math.round(row.seconds()),
                            pieces.size(),
                            pieces.isEmpty() ? 0 : Math.round(100.0 * there / pieces.size()) / 100.0,
                            due);
                })
                .toList();
    }

    private List<Memory> known(Player player, List<GoalRow> goals) {
        Set<Memory.Place> places = goals.stream()
                .flatMap(row -> pieces(row).stream()
                        .map(piece ->
                                new Memory.Place(row.songId().toString(), piece.first(), piece.last(), piece.layer())))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        return Memory.of(passes(player), places);
    }

    private static List<Plan.Piece> pieces(GoalRow row) {
        return row.pieces().all().stream()
                .map(piece -> new Plan.Piece(piece.first(), piece.last(), Layer.of(piece.layer()), piece.difficulty()))
                .toList();
    }

    PracticeController.PlanView plan(Player player, LocalDate today, int minutes) {
        List<GoalRow> goals = mapper.goals(player.id());
        Map<String, GoalRow> bySong =
                goals.stream().collect(Collectors.toMap(goal -> goal.songId().toString(), goal -> goal));
        List<Plan.Learned> learned = goals.stream()
                .map(row -> new Plan.Learned(
                        row.songId().toString(),
                        row.tempo(),
                        Optional.ofNullable(row.until()).map(day -> (int) day.toEpochDay()),
                        row.level(),
                        row.seconds(),
                        pieces(row)))
                .toList();
        Plan plan = Plan.of((int) today.toEpochDay(), minutes, learned, known(player, goals));
        return new PracticeController.PlanView(
                plan.items().stream()
                        .map(item -> view(item, bySong.get(item.song())))
                        .toList(),
                plan.minutes(),
                plan.warnings().stream()
                        .map(warning -> view(warning, bySong.get(warning.song())))
                        .toList());
    }

    private PracticeController.PlanItemView view(Plan.Item item, GoalRow song) {
        Map<String, String> args =
                Map.of("days", String.valueOf(item.days()), "asks", song == null ? "" : asks(song, item));
        String why = words.of(Reason.of(
                "practice-why-" + item.why()
                        + (item.days() == 1 && words.has("practice-why-" + item.why() + "-one") ? "-one" : ""),
                args));
        return new PracticeController.PlanItemView(
                Names.of(item.what()),
                song == null ? null : song.songId(),
                song == null ? null : song.title(),
                item.first(),
                item.last(),
                item.layer().id(),
                item.tempo(),
                item.minutes(),
                why);
    }

    private String asks(GoalRow song, Plan.Item item) {
        return song.pieces().all().stream()
                .filter(piece -> piece.first() == item.first() && piece.last() == item.last())
                .flatMap(piece -> Stream.of(words.of(Reason.of("practice-asks-" + piece.asks(), Map.of()))))
                .findFirst()
                .orElse("");
    }

    private PracticeController.PlanWarningView view(Plan.Warning warning, GoalRow song) {
        String text = words.of(Reason.of(
                "practice-behind" + (warning.lowerLevel() ? "-level" : ""),
                Map.of(
                        "title",
                        song.title(),
                        "days",
                        String.valueOf(warning.days()),
                        "left",
                        String.valueOf(warning.left()),
                        "lower",
                        String.valueOf(Math.round(warning.lower())))));
        return new PracticeController.PlanWarningView(
                song.songId(), warning.days(), warning.left(), warning.lower(), warning.lowerLevel(), text);
    }
}
