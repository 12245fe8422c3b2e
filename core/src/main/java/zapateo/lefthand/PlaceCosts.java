package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.lefthand.Candidate.Cost;
import zapateo.search.CostTerm;

/** The terms of the search for places. */
final class PlaceCosts {

    private PlaceCosts() {}

    private static CostTerm<Candidate> own(String name, Weights weights, Cost cost) {
        return CostTerm.own(name, weights.of(name), place -> place.cost(cost));
    }

    /** What makes one place worse than another; {@code costs.yaml} names and weighs each. */
    static List<CostTerm<Candidate>> of(Weights weights, boolean topLine) {
        List<CostTerm<Candidate>> terms = new ArrayList<>(List.of(
                CostTerm.step("bass-movement", weights.of("bass-movement"), (from, to) -> to.bassMovement(from)),
                CostTerm.step("leap", weights.of("leap"), (from, to) -> to.leaps(from) ? 1 : 0),
                CostTerm.own("bass-register", weights.of("bass-register"), Candidate::bassFromHome),
                CostTerm.step("chord-movement", weights.of("chord-movement"), (from, to) -> to.chordMovement(from)),
                CostTerm.own("chord-register", weights.of("chord-register"), Candidate::farFromHome),
                own("left-out", weights, Cost.LEFT_OUT),
                own("mud", weights, Cost.MUD),
                own("rub", weights, Cost.RUB),
                own("reach", weights, Cost.REACH),
                own("beyond", weights, Cost.BEYOND),
                own("outside", weights, Cost.OUTSIDE),
                CostTerm.step("hanging", weights.of("hanging"), (from, to) -> to.leavesHanging(from) ? 1 : 0),
                CostTerm.step("top-leap", weights.of("top-leap"), (from, to) -> to.topLeap(from)),
                own("late", weights, Cost.LATE),
                own("wanders", weights, Cost.WANDERS),
                own("room", weights, Cost.ROOM),
                own("doubled-leading-tone", weights, Cost.DOUBLED),
                CostTerm.step("hand-movement", weights.of("hand-movement"), (from, to) -> to.handMovement(from)),
                CostTerm.own("hand-stretch", weights.of("hand-stretch"), Candidate::handStretch),
                CostTerm.own("inversion", weights.of("inversion"), Candidate::inversion),
                CostTerm.step("step", weights.of("step"), (from, to) -> to.unstepped(from)),
                own("pedal-clash", weights, Cost.CLASH),
                CostTerm.step(
                        "pedal-change", weights.of("pedal-change"), (from, to) -> to.changesPedal(from) ? 1 : 0)));
        if (topLine) {
            terms.add(CostTerm.step("top-line", weights.of("top-line"), (from, to) -> Math.abs(to.top() - from.top())));
        }
        return terms;
    }
}
