package zapateo.arrangement;

import java.util.Comparator;
import java.util.List;
import zapateo.hand.Difficulty;
import zapateo.hand.Pianist;
import zapateo.song.ChartEdit;
import zapateo.song.EasyKeys;
import zapateo.song.Song;

/**
 * In which keys a song's arrangement lies easiest under the hands that play it: measured, the nearer key first where
 * the hand feels no difference.
 */
public final class EasiestKeys {

    /**
     * Two keys whose difficulty is this near are told apart by their signs and black keys (the project's own choice).
     */
    private static final double UNFELT = 0.5;

    private EasiestKeys() {}

    /** @param maxTempo the slowest of its bars' fastest tempos, in the song's beats a minute */
    public record Measured(EasyKeys.Ranked key, Difficulty difficulty, double maxTempo) {}

    /**
     * The twelve keys, the easiest first; the song's own among them. What is locked to keys of the keyboard is left
     * aside.
     *
     * @param chart a text that has a song
     */
    public static List<Measured> of(ChartEdit chart, Arranger arranger, Choices choices, Pianist pianist) {
        Song home = chart.reading().song().orElseThrow();
        Choices free = choices.unlocked();
        LevelLadder ladder = new LevelLadder(arranger);
        return EasyKeys.of(home).stream()
                .map(key -> {
                    Song moved = key.way().semitones() == 0
                            ? home
                            : ChartEdit.of(chart.transpose(key.way()))
                                    .reading()
                                    .song()
                                    .orElseThrow();
                    Arrangement arrangement = arranger.arrange(
                            moved,
                            ladder.settled(
                                    moved,
                                    free.colours(free.colours().stream()
                                            .map(colour -> colour.moved(key.way()))
                                            .toList()),
                                    pianist),
                            pianist);
                    return new Measured(key, arrangement.play().song(), arrangement.maxTempo());
                })
                .sorted(Comparator.comparingDouble(
                                (Measured each) -> Math.round(each.difficulty().total() / UNFELT))
                        .thenComparing(each -> each.key().effort()))
                .toList();
    }
}
