package zapateo.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Charts of many kinds from a seed, in all keys: what a strict reader's measure is taken on. The progressions are
 * invented; what is usual of a kind is common practice.
 */
final class GenreCharts {

    private static final List<String> ROOTS = List.of("C", "D♭", "D", "E♭", "E", "F", "G♭", "G", "A♭", "A", "B♭", "B");
    private static final List<String> DEGREES =
            List.of("1", "♭2", "2", "♭3", "3", "4", "♯4", "5", "♭6", "6", "♭7", "7");

    /**
     * A kind: its metres, tempos, feel and the phrases it is made of; a chord is a degree and what stands behind it, as
     * {@code 2m7}, over a bass after a slash.
     */
    private record Genre(
            String name,
            List<String> meters,
            int slowest,
            int fastest,
            String feel,
            boolean minor,
            List<String> phrases) {}

    private static final List<Genre> GENRES = List.of(
            new Genre(
                    "ballad",
                    List.of("4/4", "6/8"),
                    56,
                    84,
                    "straight",
                    false,
                    List.of(
                            "1 | 6m7 | 4maj7 | 5sus4 5",
                            "1maj7 | 3m7 | 4maj7 4m6 | 1/5 5",
                            "6m7 | 2m7 | 5sus4 | 5",
                            "4 | 1/3 | 2m7 | 5")),
            new Genre(
                    "hymn",
                    List.of("4/4", "3/4", "3/2"),
                    72,
                    96,
                    "straight",
                    false,
                    List.of("1 5/7 | 6m 3m | 4 1/3 | 5", "1 | 4 1/3 | 2m 5/7 | 1", "4 2m | 1/5 5 | 6m | 4 5")),
            new Genre(
                    "blues",
                    List.of("4/4", "12/8"),
                    88,
                    140,
                    "swing",
                    false,
                    List.of(
                            "17 | 47 | 17 | 17",
                            "47 | 47 | 17 | 67",
                            "2m7 | 57 | 17 67 | 2m7 57",
                            "57 | 47 | 17 | 57")),
            new Genre(
                    "swing",
                    List.of("4/4"),
                    120,
                    200,
                    "swing",
                    false,
                    List.of(
                            "16 | 6m7 | 2m7 | 57",
                            "3m7 | 67 | 2m7 | 57",
                            "1maj7 ♯1°7 | 2m7 ♯2°7 | 3m7 67 | 2m7 57",
                            "37 | 67 | 27 | 57")),
            new Genre(
                    "rag",
                    List.of("2/4", "4/4"),
                    84,
                    120,
                    "straight",
                    false,
                    List.of(
                            "1 | 67 | 27 | 57",
                            "1 17/♭7 | 4/6 4m/♭6 | 1/5 67 | 27 57",
                            "37 | 6m | 27 | 57",
                            "1 | 1/3 ♭3°7 | 2m7 | 57")),
            new Genre(
                    "gospel",
                    List.of("4/4", "6/8"),
                    60,
                    108,
                    "shuffle",
                    false,
                    List.of(
                            "1 17/3 | 4 ♯4°7 | 1/5 67 | 2m7 5sus4",
                            "6m7 6m7/5 | 4maj7 1/3 | 2m7 37 | 6m7 57",
                            "1 4/1 | 1 57/7 | 6m7 27 | 5sus4 57")),
            new Genre(
                    "latin",
                    List.of("4/4"),
                    96,
                    160,
                    "straight",
                    true,
                    List.of(
                            "1m7 | 47 | 1m7 | 47",
                            "1m | 5m7♭5/♭3 57 | 1m | ♭77",
                            "1m6 | 2ø 57 | 1m6 | 57♭9",
                            "♭6maj7 | 57 | 1m7 | 1m7/♭7")),
            new Genre(
                    "one chord",
                    List.of("4/4", "5/4"),
                    80,
                    130,
                    "straight",
                    true,
                    List.of("1m7 | % | % | %", "1m7 | % | % | %")),
            new Genre(
                    "a chord a beat",
                    List.of("4/4", "3/4"),
                    66,
                    100,
                    "straight",
                    false,
                    List.of(
                            "1 5/7 6m 3m/5 | 4 1/3 2m7 57 | 1 2m7 1/3 4 | 5 6m 57/7 1",
                            "6m 3m 4 1 | 2m7 57 1 6m | 4 5 3m 6m | 2m 5sus4 57 1")),
            new Genre(
                    "stepping bass",
                    List.of("4/4", "3/4", "7/8"),
                    70,
                    120,
                    "straight",
                    false,
                    List.of(
                            "1 | 5/7 | 6m | 6m/5",
                            "4 | 1/3 | 2m7 | 5",
                            "1 | 1maj7/7 | 17/♭7 | 4/6",
                            "1m/♭3 | 2m7 | 1/3 | 4")),
            new Genre(
                    "suspended",
                    List.of("4/4", "6/8"),
                    72,
                    116,
                    "straight",
                    false,
                    List.of(
                            "4/5 | 1maj9 | 4/5 | 6m9",
                            "5sus4 57 | 1 | ♭7sus4 ♭77 | ♭3maj7",
                            "2m7/5 | 59sus4 | 16/9 | 1maj7")),
            new Genre(
                    "minor swing",
                    List.of("4/4", "3/4", "9/8"),
                    100,
                    180,
                    "swing",
                    true,
                    List.of(
                            "1m6 | 2ø 57♭9 | 1m6 | 67",
                            "4m7 | ♭77 | ♭3maj7 | ♭6maj7",
                            "2ø | 57♭13 | 1m6 | 1m6",
                            "1m 1m/7 | 1m7/♭7 ♭67 | 2ø | 57♭9")));

    /** How many kinds there are: seeds go round them. */
    static final int KINDS = GENRES.size();

    private GenreCharts() {}

    static String kind(long seed) {
        return genre(seed).name();
    }

    private static Genre genre(long seed) {
        return GENRES.get((int) Math.floorMod(seed, (long) GENRES.size()));
    }

    /** Sixteen bars, in a song that comes home. */
    static String of(long seed) {
        Genre genre = genre(seed);
        Random random = new Random(seed * 7919);
        int tonic = (int) Math.floorMod(seed / GENRES.size() + random.nextInt(12), 12L);
        String meter = genre.meters().get(random.nextInt(genre.meters().size()));
        List<String> rows = new ArrayList<>();
        for (int row = 0; row < 4; row++) {
            String phrase = genre.phrases().get(random.nextInt(genre.phrases().size()));
            rows.add("| "
                    + chords(
                            row == 3
                                    ? phrase.substring(0, phrase.lastIndexOf('|')) + "| " + (genre.minor() ? "1m" : "1")
                                    : phrase,
                            tonic)
                    + " |");
        }
        int tempo = genre.slowest() + random.nextInt(genre.fastest() - genre.slowest() + 1);
        return "Title: " + genre.name() + " " + seed + "\nKey: " + ROOTS.get(tonic) + (genre.minor() ? "m" : "")
                + "\nMeter: " + meter + "\nTempo: " + tempo + "\n"
                + (genre.feel().equals("straight") || !meter.equals("4/4") ? "" : "Feel: " + genre.feel() + "\n")
                + "\n[A]\n" + String.join("\n", rows.subList(0, 2)) + "\n[B]\n" + String.join("\n", rows.subList(2, 4))
                + "\n";
    }

    private static String chords(String phrase, int tonic) {
        return List.of(phrase.split(" ")).stream()
                .map(word -> word.equals("|") || word.equals("%")
                        ? word
                        : IntStream.range(0, 1)
                                .mapToObj(one -> List.of(word.split("/(?=[♭♯]?[1-7]$)", 2)).stream()
                                        .map(part -> chord(part, tonic))
                                        .collect(Collectors.joining("/")))
                                .findFirst()
                                .orElseThrow())
                .collect(Collectors.joining(" "));
    }

    private static String chord(String word, int tonic) {
        int signs = word.startsWith("♭") || word.startsWith("♯") ? 1 : 0;
        String degree = word.substring(0, signs + 1);
        int step = degree.equals("♯1") ? 1 : degree.equals("♯2") ? 3 : DEGREES.indexOf(degree);
        return ROOTS.get((tonic + step) % 12) + word.substring(signs + 1);
    }
}
