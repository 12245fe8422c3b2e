package zapateo.lefthand;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.YamlFields;

/**
 * How much each cost of laying the chords counts; the rows of {@code costs.yaml} with the player's own where there are
 * any.
 */
public record Weights(Map<String, Double> factors) {

    /** The weights as they ship. */
    public static final Weights USUAL = new Weights(Map.of());

    public static final double MOST = 10;

    private static final Map<String, Cost> ALL = readAll();

    /**
     * A named cost.
     *
     * @param unit what is counted
     * @param weight how much one of it costs
     */
    public record Cost(String id, String name, String unit, double weight) {}

    /** @throws Refused naming what was given and what was expected */
    public Weights {
        factors = Map.copyOf(factors);
        factors.forEach((id, factor) -> {
            if (!ALL.containsKey(id)) {
                throw new Refused("cost \"" + id + "\": expected one of " + String.join(", ", ALL.keySet()));
            }
            if (!(factor >= 0 && factor <= MOST)) {
                throw new Refused("cost " + id + " times " + factor + ": expected 0 to 10");
            }
        });
    }

    public static List<Cost> all() {
        return List.copyOf(ALL.values());
    }

    double of(String id) {
        return Optional.ofNullable(ALL.get(id)).orElseThrow().weight() * factors.getOrDefault(id, 1.0);
    }

    private static Map<String, Cost> readAll() {
        YamlFields file = DataFile.yaml("lefthand/costs.yaml");
        Map<String, Cost> all = new LinkedHashMap<>();
        file.names().forEach(id -> {
            YamlFields fields = file.fields(id).allow(Set.of("name", "unit", "weight"));
            all.put(
                    id,
                    new Cost(
                            id, fields.text("name"), fields.text("unit"), fields.value("weight", Double::parseDouble)));
        });
        return all;
    }
}
