package zapateo.song;

import java.util.List;

/** A run of bars under one name; the bars before the first heading have the empty name. */
public record Section(String name, List<Bar> bars) {

    public Section {
        bars = List.copyOf(bars);
    }
}
