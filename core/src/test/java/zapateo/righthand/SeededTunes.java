package zapateo.righthand;

import java.util.List;
import java.util.Random;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** Songs with melodies, made by a seed: chords of the key, a tune that walks and leaps about it from G3 to A5. */
public final class SeededTunes {

    private static final List<String> DEGREES =
            List.of("C", "Dm7", "Em", "F", "G7", "Am", "Fmaj7", "D7", "E7", "B♭", "C/E", "Fm6", "G7sus4", "Bdim7");
    private static final List<String> RHYTHMS = List.of(
            "/4 /4 /4 /4",
            "/2 /4 /4",
            "/4. /8 /2",
            "/8 /8 /4 /4 /8 /8",
            "/1",
            "/2 /2",
            "r/4 /4 /4 /4",
            "/8 /8 /8 /8 /2",
            "/4t /4t /4t /2");
    private static final String[] NAMES = {"C", "D", "E", "F", "G", "A", "B"};
    private static final int BARS = 8;
    private static final int LOWEST = 7 * 3 + 4;
    private static final int HIGHEST = 7 * 5 + 5;

    private SeededTunes() {}

    public static Song song(int seed) {
        Random random = new Random(seed);
        StringBuilder chords = new StringBuilder("|");
        StringBuilder tune = new StringBuilder("Tune: |");
        int step = 7 * 4 + random.nextInt(7);
        for (int bar = 0; bar < BARS; bar++) {
            chords.append(' ')
                    .append(DEGREES.get(random.nextInt(DEGREES.size())))
                    .append(random.nextInt(3) == 0 ? " " + DEGREES.get(random.nextInt(DEGREES.size())) : "")
                    .append(" |");
            for (String length : RHYTHMS.get(random.nextInt(RHYTHMS.size())).split(" ")) {
                step = Math.max(
                        LOWEST,
                        Math.min(
                                HIGHEST,
                                step + (random.nextInt(4) == 0 ? random.nextInt(9) - 4 : random.nextInt(3) - 1)));
                tune.append(' ').append(length.startsWith("r") ? length : NAMES[step % 7] + step / 7 + length);
            }
            tune.append(" |");
        }
        return ChartParser.parse("Key: C\nTempo: " + (60 + random.nextInt(100)) + "\n" + chords + "\n" + tune)
                .song()
                .orElseThrow();
    }
}
