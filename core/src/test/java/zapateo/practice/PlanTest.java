package zapateo.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What comes when, and for how long. Source: HANDBOOK §12; spacing across days: Simmons 2012, from memory; the numbers
 * are in {@code practice.yaml}.
 */
class PlanTest {

    private static final Layer LEFT = Layer.LEFT;

    /**
     * Day by day what was played of one passage: c clean, x not; a dash is a day left out. When it comes back, counted
     * from the last day played.
     */
    @ParameterizedTest(name = "{0}: after {1} days")
    @CsvSource({
        // New and well: tomorrow, then ever later.
        "cc,1",
        "cc cc,2",
        "cc cc - cc,4",
        "cc cc - cc - - - cc,7",
        "cc cc - cc - - - cc - - - - - - cc,14",
        "cc cc - cc - - - cc - - - - - - cc - - - - - - - - - - - - - cc,14",
        // What failed comes tomorrow, whatever it was before.
        "xx,1",
        "xcx,1",
        "cc cc - xx,1",
        "cc cc - cc - - - xx,1",
        "cc cc - xx cc,2",
        "xxcc,1",
        "cc cc - cxx,1",
        // Sooner than it was due: it stays where it is.
        "cc cc cc,2",
        "cc cc - cc cc,4",
        // Later than it was due is no reproach.
        "cc - - - - cc,2",
        "c,1",
        "x,1"
    })
    void a_passage_comes_back(String days, int expected) {
        List<Memory.Pass> log = new ArrayList<>();
        String[] each = days.split(" ");
        for (int day = 0; day < each.length; day++) {
            for (char pass : each[day].replace("-", "").toCharArray()) {
                log.add(new Memory.Pass(100 + day, "song", 1, 2, LEFT, 80, pass == 'c'));
            }
        }
        Memory memory = Memory.of(log).get(0);
        assertThat(memory.due() - memory.lastDay()).isEqualTo(expected);
    }

    @Test
    void what_was_clean_last_is_where_it_goes_on() {
        List<Memory.Pass> log = List.of(
                new Memory.Pass(1, "song", 1, 2, LEFT, 72, true),
                new Memory.Pass(1, "song", 1, 2, LEFT, 76, true),
                new Memory.Pass(1, "song", 1, 2, LEFT, 80, false));
        assertThat(Memory.of(log).get(0).clean()).contains(76.0);
        assertThat(Memory.failed(log, "song")).containsEntry(1, 1 / 3.0).containsOnlyKeys(1, 2);
    }

    /**
     * Bars 3-4 of the left hand after a pass of something else the day after they were clean at 100: their tempo and
     * the day they come back. Common practice.
     */
    @ParameterizedTest(name = "{0}-{1} {2} {4} on day 2: {5}, due on {6}")
    @CsvSource({
        // A wider passage that was clean has its parts in it, slower or not; one hand is in both.
        "2,5,LEFT,90,true,100,4",
        "1,8,BOTH,110,true,110,4",
        "3,4,BOTH,104,true,104,4",
        // What failed may have failed elsewhere; another layer, half of it or another place say nothing.
        "2,5,LEFT,90,false,100,2",
        "3,4,BASSES,120,true,100,2",
        "3,4,RIGHT,120,true,100,2",
        "4,8,LEFT,120,true,100,2"
    })
    void a_wider_passage_has_its_parts_in_it(
            int first, int last, Layer layer, double tempo, boolean clean, double expected, int due) {
        List<Memory.Pass> log = List.of(
                new Memory.Pass(1, "song", 3, 4, LEFT, 100, true),
                new Memory.Pass(2, "song", first, last, layer, tempo, clean));
        Memory memory = Memory.of(log).get(0);
        assertThat(memory.clean()).contains(expected);
        assertThat(memory.due()).isEqualTo(due);
        assertThat(memory.share()).isEqualTo(1);
    }

    @Test
    void what_was_only_played_with_its_neighbours_is_known_and_what_was_never_played_is_not() {
        List<Memory.Pass> log = List.of(new Memory.Pass(1, "song", 1, 8, Layer.BOTH, 88, true));
        List<Memory> known = Memory.of(
                log,
                Set.of(
                        new Memory.Place("song", 3, 4, LEFT),
                        new Memory.Place("song", 8, 9, LEFT),
                        new Memory.Place("other", 3, 4, LEFT)));
        assertThat(known).hasSize(2);
        assertThat(known.get(1)).isEqualTo(new Memory("song", 3, 4, LEFT, 0, 1, 2, Optional.of(88.0), true, 1));
        // One's own work of the same day counts for more.
        List<Memory.Pass> both = List.of(
                new Memory.Pass(1, "song", 3, 4, LEFT, 60, false), new Memory.Pass(1, "song", 1, 8, LEFT, 88, true));
        assertThat(Memory.of(both).get(0).well()).isFalse();
        assertThat(Memory.of(both).get(0).clean()).isEmpty();
    }

    private static Plan.Learned learned(String song, int pieces, Optional<Integer> until) {
        return new Plan.Learned(
                song,
                120,
                until,
                3,
                90,
                IntStream.range(0, pieces)
                        .mapToObj(at -> new Plan.Piece(1 + at * 2, 2 + at * 2, LEFT, 60 - at))
                        .toList());
    }

    private static List<String> told(Plan plan) {
        return plan.items().stream()
                .map(item -> item.what()
                        + (item.first() > 0
                                ? " " + item.first() + "-" + item.last() + "@" + Math.round(item.tempo())
                                : "")
                        + ":" + item.minutes() + " " + item.why())
                .toList();
    }

    @Test
    void a_first_day_takes_the_hardest_while_fresh() {
        assertThat(told(Plan.of(0, 20, List.of(learned("a", 5, Optional.empty())), List.of())))
                .containsExactly(
                        "SPOT 1-2@72:5 hardest",
                        "SPOT 3-4@72:5 hardest",
                        "SPOT 5-6@72:5 hardest",
                        "SPOT 7-8@72:5 hardest");
    }

    @Test
    void what_is_clean_is_joined_what_failed_comes_back_and_a_run_through_is_last() {
        List<Memory.Pass> log = List.of(
                new Memory.Pass(0, "a", 1, 2, LEFT, 72, true),
                new Memory.Pass(0, "a", 1, 2, LEFT, 72, true),
                new Memory.Pass(0, "a", 3, 4, LEFT, 72, false));
        assertThat(told(Plan.of(1, 20, List.of(learned("a", 3, Optional.empty())), Memory.of(log))))
                .containsExactly(
                        "SPOT 1-2@72:5 hardest", "JOIN 1-3@69:3 join", "SPOT 3-4@72:5 failed", "SPOT 5-6@72:5 hardest");
        List<Memory.Pass> ready =
                List.of(new Memory.Pass(0, "a", 1, 2, LEFT, 120, true), new Memory.Pass(0, "a", 1, 2, LEFT, 120, true));
        assertThat(told(Plan.of(5, 30, List.of(learned("a", 1, Optional.empty())), Memory.of(ready))))
                .containsExactly("DUE 1-2@120:2 due", "RUN_THROUGH 1-2@120:2 ready");
    }

    @Test
    void a_date_that_is_too_near_is_said_early_with_a_way_out() {
        Plan near = Plan.of(0, 20, List.of(learned("a", 8, Optional.of(3))), List.of());
        assertThat(near.warnings()).hasSize(1);
        assertThat(near.warnings().get(0).days()).isGreaterThan(3);
        assertThat(near.warnings().get(0).lower()).isBetween(70.0, 100.0);
        assertThat(near.warnings().get(0).lowerLevel()).isTrue();
        assertThat(Plan.of(0, 60, List.of(learned("a", 3, Optional.of(60))), List.of())
                        .warnings())
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void minutes_are_never_exceeded_and_nobody_sits_long_without_a_pause(long seed) {
        Random random = new Random(seed);
        List<Memory.Pass> log = new ArrayList<>();
        for (int day = 0; day < 20; day++) {
            for (int pass = 0; pass < 15; pass++) {
                int first = 1 + 2 * random.nextInt(6);
                log.add(new Memory.Pass(
                        day,
                        random.nextBoolean() ? "a" : "b",
                        first,
                        first + 1,
                        LEFT,
                        60 + random.nextInt(60),
                        random.nextInt(3) > 0));
            }
        }
        for (int minutes = 5; minutes <= 120; minutes += 5) {
            Plan plan = Plan.of(
                    20,
                    minutes,
                    List.of(learned("a", 6, Optional.empty()), learned("b", 6, Optional.of(30))),
                    Memory.of(log));
            assertThat(plan.minutes()).isLessThanOrEqualTo(minutes).isGreaterThan(0);
            assertThat(plan.items())
                    .allMatch(item -> item.what() == Plan.What.PAUSE || item.tempo() >= 48 && item.tempo() <= 120);
            int since = 0;
            for (Plan.Item item : plan.items()) {
                since = item.what() == Plan.What.PAUSE ? 0 : since + item.minutes();
                assertThat(since).isLessThanOrEqualTo(33);
            }
        }
    }

    /**
     * Two weeks of plans: who plays carefully comes to the goal; who does not is led lower; nothing is forgotten for
     * over 14 days.
     */
    @ParameterizedTest
    @CsvSource({"0.9,true", "0.25,false"})
    void two_players_go_through_two_weeks(double care, boolean reaches) {
        Random random = new Random(11);
        List<Memory.Pass> log = new ArrayList<>();
        Plan.Learned song = learned("a", 4, Optional.of(14));
        Map<Integer, Integer> lastSeen = new HashMap<>();
        Plan plan = null;
        for (int day = 0; day < 14; day++) {
            plan = Plan.of(day, 30, List.of(song), Memory.of(log));
            for (Plan.Item item : plan.items()) {
                if (item.what() == Plan.What.PAUSE) {
                    continue;
                }
                Ladder ladder = new Ladder(120, List.of());
                Ladder.Rung rung = new Ladder.Rung(item.tempo(), 0, 0);
                for (int pass = 0; pass < item.minutes() * 2; pass++) {
                    boolean clean = random.nextDouble() < care;
                    log.add(new Memory.Pass(day, "a", item.first(), item.last(), item.layer(), rung.tempo(), clean));
                    rung = ladder.after(rung, clean);
                }
                lastSeen.put(item.first(), day);
            }
        }
        List<Memory> known = Memory.of(log);
        int today = 14;
        assertThat(song.pieces())
                .allSatisfy(piece -> assertThat(today - lastSeen.getOrDefault(piece.first(), -99))
                        .isLessThanOrEqualTo(14));
        List<Double> clean = song.pieces().stream()
                .map(piece -> known.stream()
                        .filter(each -> each.first() == piece.first() && each.last() == piece.last())
                        .findFirst()
                        .flatMap(Memory::clean)
                        .orElse(0.0))
                .toList();
        if (reaches) {
            assertThat(clean).allMatch(tempo -> tempo >= 116);
        } else {
            assertThat(clean).allMatch(tempo -> tempo < 110);
            assertThat(plan.warnings()).isNotEmpty().allMatch(warning -> warning.lower() < 120);
        }
    }
}
