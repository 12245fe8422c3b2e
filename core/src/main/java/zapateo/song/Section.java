package zapateo.song;

import java.util.List;

/**
 * A section as it is played.
 *
 * @param pass which time it is played, from 1
 * @param part of the song it is
 */
public record Section(String name, int pass, List<Bar> bars, SongPart part) {

    public Section {
        bars = List.copyOf(bars);
    }
}
