package zapateo.practice;

import java.util.List;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.YamlFields;

/** The numbers of {@code practice.yaml}. */
final class Numbers {

    private static final YamlFields FILE = DataFile.yaml("practice/practice.yaml");
    private static final YamlFields LADDER = FILE.fields("ladder");
    private static final YamlFields PLAN = FILE.fields("plan");

    static final double START = LADDER.value("start", Double::valueOf);
    static final double LEAST = LADDER.value("least", Double::valueOf);
    static final double UP_LEAST = LADDER.list("up", Double::valueOf).get(0);
    static final double UP_MOST = LADDER.list("up", Double::valueOf).get(1);
    static final int CLEAN = LADDER.value("clean", Integer::valueOf);
    static final int FAILED = LADDER.value("failed", Integer::valueOf);
    static final List<Integer> METRONOME = FILE.list("metronome", Integer::valueOf);
    static final List<Integer> SPACING = FILE.list("spacing", Integer::valueOf);
    static final double HARD = PLAN.value("hard", Double::valueOf);
    static final int SPOT = PLAN.value("spot", Integer::valueOf);
    static final int JOIN = PLAN.value("join", Integer::valueOf);
    static final int DUE = PLAN.value("due", Integer::valueOf);
    static final int PAUSE_AFTER = PLAN.value("pause-after", Integer::valueOf);
    static final int PAUSE = PLAN.value("pause", Integer::valueOf);
    static final double RUN_THROUGH = PLAN.value("run-through", Double::valueOf);
    static final int STEPS_A_DAY = PLAN.value("steps-a-day", Integer::valueOf);

    private Numbers() {}
}
