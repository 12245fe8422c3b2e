package zapateo.server;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Request bodies from the nearly right to plain noise; the same seed gives the same body. */
final class SeededBodies {

    private static final List<String> FIELDS = List.of(
            "text",
            "chart",
            "choices",
            "hand",
            "title",
            "version",
            "figure",
            "voicing",
            "register",
            "swingRatio",
            "left",
            "spanMm",
            "colour",
            "edit",
            "kind",
            "bar",
            "to",
            "before",
            "content",
            "chord",
            "beat",
            "changes",
            "semitones",
            "key",
            "");
    private static final List<String> SCALARS = List.of(
            "null",
            "true",
            "1",
            "-1",
            "1e999",
            "1.5",
            "99999999999999999999",
            "\"\"",
            "\"C F\"",
            "\"held\"",
            "\"\\u0000\"",
            "\"\\ud800\"",
            "\"🎹\"",
            "NaN",
            "\"deep\"",
            "201");
    private static final List<String> CHARTS = List.of(
            "| C | F |",
            "| C | F |\\nTune: | E♭4/4 r/4 G4/2 | r/1 |",
            "Key: E♭\\n|: C | F :|\\nMelody: | E2 (3FGA z4 | [CE]8- |\\nMelody: | c8 | |",
            "C Am F G",
            "| C F G |",
            "Key: H\\n| C |",
            "(3/4) C %",
            "| %",
            "",
            "[A]\\n[B]\\n| Dm7/G | E♭ø . F9 . |",
            "Meter: 7/8\\n| C . . . F . . |",
            "Feel: swing\\nTempo: 300\\nC F",
            "Meter: 16/16\\nC . . . . . . . . . . . . . . .",
            "\\u0000",
            "C".repeat(500),
            "C ".repeat(300));

    private SeededBodies() {}

    static byte[] body(Random random) {
        String text = switch (random.nextInt(6)) {
            case 0 -> value(random, 4);
            case 1 -> nearlyRight(random);
            case 2 -> cut(nearlyRight(random), random);
            case 3 -> "[".repeat(random.nextInt(3000));
            case 4 -> nearlyRight(random).replace(':', random.nextBoolean() ? ':' : ',');
            default -> "";
        };
        if (text.isEmpty()) {
            byte[] noise = new byte[random.nextInt(200)];
            random.nextBytes(noise);
            return noise;
        }
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String nearlyRight(Random random) {
        String chart = "\"" + pick(random, CHARTS) + "\"";
        String choices = random.nextBoolean()
                ? object(random, 1)
                : "{\"figure\":\"" + pick(random, List.of("held", "bass-and-two", "spread-eighths", "x"))
                        + "\",\"sections\":{\"A\":" + object(random, 1) + "},\"overrides\":[{\"bars\":"
                        + pick(random, SCALARS) + "}],\"locks\":[{\"bar\":" + number(random) + ",\"top\":"
                        + pick(random, SCALARS) + "}],\"right\":{\"style\":"
                        + pick(random, List.of("\"comping\"", "\"melody\"", "\"x\"", "1")) + ",\"figure\":"
                        + pick(random, SCALARS) + ",\"sections\":{\"A\":" + object(random, 1) + "},\"licks\":[{\"bar\":"
                        + pick(random, SCALARS) + ",\"lick\":" + pick(random, SCALARS) + "}],\"unison\":"
                        + pick(random, SCALARS) + "},\"costs\":" + object(random, 1) + "}";
        return switch (random.nextInt(6)) {
            case 0 -> "{\"text\":" + chart + "}";
            case 4 ->
                "{\"text\":" + chart + ",\"edit\":{\"kind\":\""
                        + pick(
                                random,
                                List.of(
                                        "set",
                                        "insert",
                                        "delete",
                                        "copy",
                                        "move",
                                        "moveChord",
                                        "section",
                                        "replaceChords",
                                        "x"))
                        + "\",\"bar\":" + number(random) + ",\"to\":" + number(random) + ",\"before\":" + number(random)
                        + ",\"chord\":" + number(random) + ",\"beat\":" + number(random)
                        + ",\"content\":" + chart + ",\"section\":" + number(random) + ",\"change\":\"COPY\"}}";
            case 5 -> "{\"text\":" + chart + ",\"semitones\":" + number(random) + "}";
            case 1 -> "{\"chart\":" + chart + ",\"choices\":" + choices + "}";
            case 2 -> "{\"chart\":" + chart + ",\"choices\":" + choices + ",\"version\":" + pick(random, SCALARS) + "}";
            default -> "{\"chart\":" + chart + ",\"hand\":{\"left\":{\"spanMm\":" + pick(random, SCALARS) + "}}}";
        };
    }

    private static String number(Random random) {
        return random.nextInt(8) == 0 ? pick(random, SCALARS) : String.valueOf(random.nextInt(8) - 1);
    }

    private static String value(Random random, int depth) {
        return switch (depth == 0 ? 0 : random.nextInt(3)) {
            case 1 ->
                IntStream.range(0, random.nextInt(4))
                        .mapToObj(i -> value(random, depth - 1))
                        .collect(Collectors.joining(",", "[", "]"));
            case 2 -> object(random, depth - 1);
            default -> pick(random, SCALARS);
        };
    }

    private static String object(Random random, int depth) {
        return IntStream.range(0, random.nextInt(5))
                .mapToObj(i -> "\"" + pick(random, FIELDS) + "\":" + value(random, depth))
                .collect(Collectors.joining(",", "{", "}"));
    }

    private static String cut(String text, Random random) {
        return text.substring(0, random.nextInt(text.length()));
    }

    private static String pick(Random random, List<String> from) {
        return from.get(random.nextInt(from.size()));
    }
}
