package zapateo.format;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.SplittableRandom;

/**
 * Files of every kind a reader takes, as long as one likes and shaped to be hard: a few pieces over and over, in one
 * line or in many, opened and never closed, or closed at the very end. Drawn by seed.
 */
public final class Shapes {

    private static final List<String> CHART = List.of(
            "| C ",
            ":| x2 ",
            "|: ",
            "[1. ",
            "[2. ",
            "\"",
            "(",
            ")",
            "( C",
            "\"la\" ",
            ". ",
            "- ",
            "% ",
            "|",
            "Melody: c d e",
            "Words: la la",
            "[A]",
            "[Verse",
            "]",
            "Key: G",
            "Meter: 3/4",
            "(4/4) ",
            "(fermata) ",
            "N.C. ",
            "C/",
            "Cmaj7♯11",
            "c'4. ",
            "r2 ",
            "<",
            ">",
            "^",
            "//",
            "x",
            "♭",
            "\t",
            " ",
            "D.C. ",
            "Segno ",
            "(pin: a) ",
            "x9 ",
            "{",
            "}",
            "~",
            ",",
            ";",
            "=",
            "C7 F | ",
            "| x4",
            "\n[S#]\n| C |\n",
            "\n[S#] again\n",
            "\n[none] again\n",
            "\nForm: S1, S2\n",
            "\nKey: B♭\n| C |\nMelody: c\n");
    private static final List<String> WORDS = List.of(
            "[G]",
            "[Am7]",
            "[",
            "]",
            "[[",
            "la ",
            "la-la ",
            "G   ",
            "G",
            "Verse 1",
            "Chorus:",
            "(",
            ")",
            "Title: x",
            "x2 ",
            "N.C. ",
            " ",
            "\t",
            "[C]sea ",
            "|",
            "/",
            "-",
            "{",
            "%",
            "[" + "x".repeat(19) + " ",
            "verse" + " ".repeat(15));
    private static final List<String> ABC = List.of(
            "C",
            "c'",
            "\"G\"",
            "\"",
            "[",
            "]",
            "[CEG]",
            "|",
            "|:",
            ":|",
            "[1",
            "(3",
            "(",
            ")",
            "{",
            "}",
            "{abc}",
            "!",
            "!f!",
            "+",
            "-",
            ">",
            "<",
            "/",
            "/2",
            "2/",
            "z4",
            "z",
            "^",
            "_",
            "=",
            "\\",
            "% ",
            "[K:G]",
            "[M:3/4]",
            "w: la",
            "V:2",
            "K:D",
            "P:A",
            "$",
            "~",
            ".",
            "`",
            "&",
            "x8",
            "(3:2:",
            "[L:1/16]",
            "s:",
            "+:x",
            "y");
    private static final List<String> XML = List.of(
            "<note><pitch><step>C</step><octave>4</octave></pitch><duration>1</duration></note>",
            "<note><rest/><duration>4</duration></note>",
            "<harmony><root><root-step>C</root-step></root><kind>major</kind></harmony>",
            "<backup><duration>1</duration></backup>",
            "<forward><duration>1</duration></forward>",
            "</measure><measure number=\"1\">",
            "<barline><repeat direction=\"forward\"/></barline>",
            "<barline><repeat direction=\"backward\"/></barline>",
            "<barline><ending number=\"1\" type=\"start\"/></barline>",
            "<direction><direction-type><words>x</words></direction-type></direction>",
            "<direction><sound tempo=\"100\"/></direction>",
            "<x>",
            "&lt;",
            "<!-- x -->",
            "<x a=\"b\"/>",
            "text ",
            "<attributes><time><beats>3</beats><beat-type>4</beat-type></time></attributes>",
            "<note><chord/><pitch><step>E</step><octave>4</octave></pitch><duration>1</duration></note>");
    private static final List<int[]> MIDI = List.of(
            new int[] {0, 0x90, 60, 80},
            new int[] {60, 0x80, 60, 0},
            new int[] {1, 0x90, 64, 1},
            new int[] {0, 0x90, 67, 0},
            new int[] {0, 0xff, 0x51, 3, 7, 0xa1, 0x20},
            new int[] {0, 0xff, 0x58, 4, 3, 2, 24, 8},
            new int[] {0x83, 0x60, 0xb0, 64, 127},
            new int[] {0, 62, 50},
            new int[] {0x81, 0x70, 0x91, 40, 9},
            new int[] {0, 0xff, 1, 1, 65},
            new int[] {0xff, 0xff, 0x7f, 0x90, 60, 1});

    private Shapes() {}

    /** Whether it is a chart of our own. */
    public static boolean isChart(int seed) {
        return seed % 5 == 0;
    }

    /** @param bytes how long it is, about */
    public static byte[] of(int seed, int bytes) {
        SplittableRandom random = new SplittableRandom(seed);
        return switch (seed % 5) {
            case 0 -> text("Title: Shape\nKey: C\n", CHART, random, bytes, "").getBytes(StandardCharsets.UTF_8);
            case 1 ->
                text("Shape\nG   C   G\nla la la la\n", WORDS, random, bytes, "")
                        .getBytes(StandardCharsets.UTF_8);
            case 2 ->
                text("X:1\nT:Shape\nM:4/4\nL:1/8\nK:C\n", ABC, random, bytes, "")
                        .getBytes(StandardCharsets.UTF_8);
            case 3 ->
                text(
                                "<score-partwise><part-list><score-part "
                                        + "id=\"P1\"><part-name>x</part-name></score-part></part-list><part "
                                        + "id=\"P1\"><measure "
                                        + "number=\"1\"><attributes><divisions>1</divisions></attributes>",
                                XML,
                                random,
                                bytes,
                                "</measure></part></score-partwise>")
                        .getBytes(StandardCharsets.UTF_8);
            default -> midi(random, bytes);
        };
    }

    private static String text(String head, List<String> pieces, SplittableRandom random, int bytes, String foot) {
        StringBuilder text = new StringBuilder(head);
        int kinds = 1 + random.nextInt(3);
        List<String> chosen =
                random.ints(kinds, 0, pieces.size()).mapToObj(pieces::get).toList();
        // One line, or a line every so many pieces.
        int line = random.nextInt(3) == 0 ? Integer.MAX_VALUE : 1 + random.nextInt(40);
        boolean turns = random.nextBoolean();
        for (int i = 0; text.length() < bytes; i++) {
            // In turn, or the one for a long while and then the other.
            text.append(chosen.get(
                            turns ? i % kinds : Math.min(kinds - 1, (int) ((long) text.length() * kinds / bytes)))
                    .replace("#", String.valueOf(i)));
            if (i % line == line - 1) {
                text.append('\n');
            }
        }
        return text.append(foot).toString();
    }

    private static byte[] midi(SplittableRandom random, int bytes) {
        ByteArrayOutputStream track = new ByteArrayOutputStream();
        int kinds = 1 + random.nextInt(3);
        List<int[]> chosen =
                random.ints(kinds, 0, MIDI.size()).mapToObj(MIDI::get).toList();
        for (int i = 0; track.size() < bytes; i++) {
            for (int each : chosen.get(i % kinds)) {
                track.write(each);
            }
        }
        track.writeBytes(new byte[] {0, (byte) 0xff, 0x2f, 0});
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.writeBytes(new byte[] {'M', 'T', 'h', 'd', 0, 0, 0, 6, 0, 0, 0, 1, 1, (byte) 0xe0, 'M', 'T', 'r', 'k'});
        for (int shift = 24; shift >= 0; shift -= 8) {
            file.write(track.size() >> shift);
        }
        file.writeBytes(track.toByteArray());
        return file.toByteArray();
    }
}
