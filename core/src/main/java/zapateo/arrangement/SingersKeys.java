package zapateo.arrangement;

import java.util.Comparator;
import java.util.List;
import zapateo.hand.Pianist;
import zapateo.song.ChartEdit;
import zapateo.song.Song;
import zapateo.song.VoiceRange;

/**
 * In which keys a melody sits well for whoever has it, and among those the ones that lie best under the hands (HANDBOOK
 * §12a).
 */
public final class SingersKeys {

    /** Keys this near are told apart by the hand: a semitone for a tenth of the song (the project's own choice). */
    private static final double UNHEARD = 0.1;

    private SingersKeys() {}

    public record Ranked(EasiestKeys.Measured measured, VoiceRange.Fit fit) {}

    /**
     * The twelve keys, the best first; none for a song without a melody.
     *
     * @param chart a text that has a song
     */
    public static List<Ranked> of(
            ChartEdit chart, Arranger arranger, Choices choices, Pianist pianist, VoiceRange voice) {
        Song home = chart.reading().song().orElseThrow();
        if (!home.hasTune()) {
            return List.of();
        }
        return EasiestKeys.of(chart, arranger, choices, pianist).stream()
                .map(each -> new Ranked(
                        each, voice.fit(home, each.key().way().semitones()).orElseThrow()))
                .sorted(Comparator.comparingDouble(
                        (Ranked each) -> Math.round(each.fit().cost() / UNHEARD)))
                .toList();
    }
}
