package zapateo.song;

import java.util.List;

/**
 * A section as it is played.
 *
 * @param pass which time it is played, from 1
 */
public record Section(String name, int pass, List<Bar> bars) {

    public Section {
        bars = List.copyOf(bars);
    }
}
