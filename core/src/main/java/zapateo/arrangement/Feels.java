package zapateo.arrangement;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.part.Reason;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Swing;
import zapateo.song.Song;

/**
 * Which feel sounds: what the player says, else the style's, else the chart's.
 *
 * @param swing of what is swung
 * @param straight indices of bars that are not, as their figure never is
 */
public record Feels(Swing swing, Set<Integer> straight) {

    private static final Set<String> NEVER_SWUNG =
            Set.copyOf(DataFile.yaml("arrangement/feels.yaml").list("straight", each -> each));

    static Feels of(Song song, Optional<Double> chosen, List<Holding> holding) {
        Swing swing = chosen.map(Swing::of).orElseGet(() -> song.feel().at(song.tempo()));
        Set<Integer> straight = new HashSet<>();
        for (int bar = 0; bar < holding.size() && chosen.isEmpty() && song.feel() != Feel.STRAIGHT; bar++) {
            if (NEVER_SWUNG.contains(holding.get(bar).heard().figure().family())) {
                straight.add(bar);
            }
        }
        return new Feels(!straight.isEmpty() && straight.size() == holding.size() ? Swing.NONE : swing, straight);
    }

    /** What the page says of it. */
    List<Reason> notices(Song song) {
        return straight.isEmpty()
                ? List.of()
                : List.of(Reason.of(
                        "feel-straight",
                        Map.of(
                                "count",
                                String.valueOf(straight.size()),
                                "feel",
                                song.feel().id())));
    }
}
