package zapateo.arrangement;

import java.util.List;
import zapateo.hand.Difficulty;
import zapateo.hand.Pianist;
import zapateo.song.Song;

/** The five versions of a song, each measured. */
public final class Ladder {

    private Ladder() {
    }

    /** @param maxTempo the slowest of its bars' fastest tempos, in the song's beats a minute */
    public record Rung(Level level, Arrangement arrangement, Difficulty difficulty, double maxTempo) {
    }

    /** The easiest first. */
    public static List<Rung> of(Arranger arranger, Song song, Choices choices, Pianist pianist) {
        Climb climb = Climb.of(arranger, song, choices, pianist);
        return Level.all().stream().map(level -> {
            Arrangement arrangement = arranger.arrange(song, choices.withoutLevels().level(level.number()), pianist, climb);
            return new Rung(level, arrangement, arrangement.play().song(), arrangement.maxTempo());
        }).toList();
    }
}
