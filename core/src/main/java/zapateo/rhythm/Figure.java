package zapateo.rhythm;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/**
 * A repeating rhythm of one hand, for one bar or more of one chord, in each metre it is written for.
 *
 * @param id        stable name
 * @param name      standard term, as a player says it
 * @param family    the kind it belongs to
 * @param use       one sentence: when to take it
 * @param feels     the feels it suits
 * @param level     1 (first stage) to 5
 * @param minTempo  quarter notes a minute
 * @param maxTempo  quarter notes a minute
 * @param spacing   which table says what its roles become over a slash bass
 * @param registers where it may lie, its usual place first
 * @param voicings  what may fill its {@code v}, the usual one first; empty when it has none
 * @param pedal     whether the pedal is used
 * @param bars      for each metre the strokes of its bars in turn, as long as the chord stays
 */
public record Figure(String id, String name, String family, String use, List<Feel> feels, int level, int minTempo, int maxTempo,
                     String spacing, List<Register> registers, List<String> voicings, boolean pedal,
                     Map<Meter, List<List<FigureStroke>>> bars) {

    public Figure {
        if (bars.isEmpty()) {
            throw new IllegalArgumentException("figure " + id + ": expected the strokes of at least one metre");
        }
    }

    /**
     * The strokes of one chord.
     *
     * @param meter the bar's metre; one the figure is not written for is put together from its groups
     * @param nth   how many whole bars the same chord has lasted already
     * @param from  ticks from the bar line to where the chord starts; the figure starts again there
     * @param ticks how long the chord lasts in this bar
     * @return strokes with ticks counted from the chord's start, none ringing beyond it
     */
    public List<FigureStroke> strokes(Meter meter, int nth, int from, int ticks) {
        List<FigureStroke> bar = inMeter(meter, nth, ticks);
        return bar.stream().filter(stroke -> stroke.tick() < ticks).map(stroke -> stroke.cutAt(ticks)).toList();
    }

    private List<FigureStroke> inMeter(Meter meter, int nth, int ticks) {
        if (bars.containsKey(meter)) {
            List<List<FigureStroke>> written = bars.get(meter);
            return written.get(nth % written.size());
        }
        List<FigureStroke> built = new ArrayList<>();
        if (isHeld()) {
            return bars.values().iterator().next().get(0);
        }
        int start = 0;
        for (int group : ticks == meter.barTicks() ? meter.groups() : List.of(ticks)) {
            int end = Math.min(start + group, ticks);
            for (int at = start; at < end; ) {
                Map.Entry<Meter, List<List<FigureStroke>>> model = modelFor(meter, end - at);
                int length = Math.min(model.getKey().barTicks(), end - at);
                int offset = at;
                model.getValue().get(0).stream().filter(stroke -> stroke.tick() < length)
                        .forEach(stroke -> built.add(stroke.cutAt(length).later(offset)));
                at += length;
            }
            start += group;
        }
        return built;
    }

    /** Whether every stroke lasts as long as its chord, so that no group of the bar strikes it again. */
    private boolean isHeld() {
        return bars.values().stream().flatMap(List::stream).flatMap(List::stream).allMatch(stroke -> stroke.length() == FigureStroke.TO_THE_END);
    }

    /** The written metre that a stretch of an unwritten one is cut from: one counted in eighths for one counted in eighths; the shortest that fills it, else the longest. */
    private Map.Entry<Meter, List<List<FigureStroke>>> modelFor(Meter meter, int ticks) {
        List<Map.Entry<Meter, List<List<FigureStroke>>>> kin = bars.entrySet().stream()
                .filter(each -> each.getKey().unit() > 4 == meter.unit() > 4)
                .sorted(Comparator.comparingInt(each -> each.getKey().barTicks())).toList();
        List<Map.Entry<Meter, List<List<FigureStroke>>>> able = kin.isEmpty() ? List.copyOf(bars.entrySet()) : kin;
        return able.stream().filter(each -> each.getKey().barTicks() >= ticks).findFirst().orElse(able.get(able.size() - 1));
    }

    /** Whether any stroke plays a role of this kind. */
    public boolean plays(Role.Kind kind) {
        return bars.values().stream().flatMap(List::stream).flatMap(List::stream).anyMatch(stroke -> stroke.plays(kind));
    }
}
