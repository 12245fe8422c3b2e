package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.search.CostTerm;

/** The terms of the search for places. */
final class PlaceCosts {

    private PlaceCosts() {}

    /** What makes one place worse than another; {@code costs.yaml} names and weighs each. */
    static List<CostTerm<Candidate>> of(Weights weights, boolean topLine) {
        List<CostTerm<Candidate>> terms = new ArrayList<>(List.of(
                CostTerm.step("bass-movement", weights.of("bass-movement"), (from, to) -> to.bassMovement(from)),
                CostTerm.step("leap", weights.of("leap"), (from, to) -> to.leaps(from) ? 1 : 0),
                CostTerm.own("bass-register", weights.of("bass-register"), Candidate::bassFromHome),
                CostTerm.step("chord-movement", weights.of("chord-movement"), (from, to) -> to.chordMovement(from)),
                CostTerm.own("chord-register", weights.of("chord-register"), Candidate::farFromHome),
                CostTerm.own("left-out", weights.of("left-out"), Candidate::leftOut),
                CostTerm.own("mud", weights.of("mud"), Candidate::mud),
                CostTerm.own("reach", weights.of("reach"), Candidate::reach),
                CostTerm.own("beyond", weights.of("beyond"), Candidate::beyond),
                CostTerm.own("outside", weights.of("outside"), Candidate::outside),
                CostTerm.step("hanging", weights.of("hanging"), (from, to) -> to.leavesHanging(from) ? 1 : 0),
                CostTerm.step("top-leap", weights.of("top-leap"), (from, to) -> to.topLeap(from)),
                CostTerm.own("late", weights.of("late"), Candidate::late),
                CostTerm.own("room", weights.of("room"), Candidate::room),
                CostTerm.own("doubled-leading-tone", weights.of("doubled-leading-tone"), Candidate::doubled),
                CostTerm.step("hand-movement", weights.of("hand-movement"), (from, to) -> to.handMovement(from)),
                CostTerm.own("hand-stretch", weights.of("hand-stretch"), Candidate::handStretch),
                CostTerm.own("inversion", weights.of("inversion"), Candidate::inversion),
                CostTerm.step("step", weights.of("step"), (from, to) -> to.unstepped(from)),
                CostTerm.own("pedal-clash", weights.of("pedal-clash"), Candidate::clash),
                CostTerm.step(
                        "pedal-change", weights.of("pedal-change"), (from, to) -> to.changesPedal(from) ? 1 : 0)));
        if (topLine) {
            terms.add(CostTerm.step("top-line", weights.of("top-line"), (from, to) -> Math.abs(to.top() - from.top())));
        }
        return terms;
    }
}
