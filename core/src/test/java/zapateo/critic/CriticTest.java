package zapateo.critic;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * Pairs of bars, spoiled and good: what each row of the list of faults marks and what it lets pass. The examples are
 * those of FAULTS.md; the rest is common practice.
 */
class CriticTest {

    /**
     * Hand, notes with fingers, roles and loudness at will, tick, length: {@code R:C4.5=1!90+E4@0:480}; a note that
     * leads ends with {@code ~}, one that is no bass with {@code _}, an accent with {@code !}, what put it there with
     * {@code #TUNE}.
     */
    private static final Pattern STROKE = Pattern.compile("(R:)?([^@]+)@([0-9]+):([0-9]+)(~|_)?(!)?(?:#([A-Z_]+))?");

    private static final Pattern NOTE =
            Pattern.compile("([A-G][♭♯]?-?[0-9])(?:\\.([1-5]))?(?:=([^!]+))?(?:!([0-9]+))?");
    private static final int MIDDLE = 48;
    /**
     * What a fault brings with it in a fragment: a wrong bass is no root either, mud lies too low, what is spoiled of a
     * chord is lost to it, a finger changed is another's place.
     */
    private static final Map<String, List<String>> ALSO = Map.ofEntries(
            Map.entry("L1", List.of("L9")),
            Map.entry("L2", List.of("L1", "L3", "L4", "L9", "L11", "L18")),
            Map.entry("L3", List.of("L2")),
            Map.entry("L4", List.of("L1", "L2")),
            Map.entry("L5", List.of("L1")),
            Map.entry("L9", List.of("L11")),
            Map.entry("L10", List.of("L1")),
            Map.entry("L11", List.of("L9")),
            Map.entry("L14", List.of("L18", "L22")),
            Map.entry("L20", List.of("L2")),
            Map.entry("L21", List.of("L9")),
            Map.entry("L26", List.of("L33")),
            Map.entry("L33", List.of("L6")),
            Map.entry("B2", List.of("L9")),
            Map.entry("B3", List.of("L9")),
            Map.entry("B6", List.of("L9")),
            Map.entry("B9", List.of("L9")),
            Map.entry("R5", List.of("L9")),
            Map.entry("R6", List.of("L9")),
            Map.entry("F5", List.of("F1")),
            Map.entry("F6", List.of("F7")));

    @ParameterizedTest(name = "{0}: {1} {3}")
    @CsvSource(
            delimiter = ';',
            value = {
                // A close chord on C2; what is spread over it is clear.
                "L2;C;; C2+E2+G2@0:3840;C2+G2+E3@0:3840",
                "L2;C;; G1+B1@0:960;G1+B2@0:960",
                "L2;F7;; C2+F2@0:1920;F2+C3@0:1920",
                "L2;C6;; B1+G♯2@0:960;C2+A2@0:960",
                // Beside a slash bass on the seventh stands no root.
                "L3;A♭/G♭;; G♭2+A♭2@0:1920;G♭2@0:1920",
                "L3;A♭/G♭;; G♭2+A♭2@0:1920;G♭2+G♭3@0:1920",
                "L3;A♭/G♭;; G♭2+A♭2@0:1920;G♭2+E♭3@0:1920",
                "L4;Fm;; F2+A♭2+C3@0:240;F3+A♭3+C4@0:240",
                "L4;Fm;; F2+A♭2+C3@0:240;C3+F3+A♭3@0:240",
                "L4;C;jumps; C3@0:960;C2@0:960",
                "L5;F | B♭;alternates; F2@0:1920 C3@1920:1920 B♭1@3840:1920;F2@0:1920 C2@1920:1920 B♭1@3840:1920",
                "L6;B♭ | F/A;; B♭2@0:1920 E2@3360:480~ A2@3840:1920;B♭2@0:1920 A2@3840:1920",
                "L6;A7 | D;; A2@0:1920 C3@3360:480~ D3@3840:1920;A2@0:1920 C♯3@3360:480~ D3@3840:1920",
                "L6;G7 | C;; G2@0:1920 A1@3360:480~ C3@3840:1920;G2@0:1920 A2@2880:480~ B2@3360:480~ C3@3840:1920",
                "L7;Gm7 | Gm7;walks bass_only; G2@0:960 B♭2@960:960 A2@1920:960 B♭2@2880:960 A2@3840:960;G2@0:960 "
                        + "B♭2@960:960 D3@1920:960 F3@2880:960 G3@3840:960 F3@4800:960",
                "B3;C6 | C6 | C6;; C2+A2@0:960 R:C6@0:960 C2+A2@3840:960 R:C6@3840:960 C2+A2@7680:960 "
                        + "R:C6@7680:960;E3@0:960 R:C5@0:960 E3@3840:960 R:C5@3840:960 E3@7680:960 R:C5@7680:960",
                // A bass line with a tune, also one in sixths, may lie far apart; with chords it may not.
                "B3;C | C | C;; C2@0:960 R:E5+G5+C6@0:960#UNDER_TUNE C2@3840:960 R:E5+G5+C6@3840:960#UNDER_TUNE "
                        + "C2@7680:960 R:E5+G5+C6@7680:960#UNDER_TUNE;C2@0:960 R:E5+C6@0:960#UNDER_TUNE "
                        + "C2@3840:960 R:E5+C6@3840:960#UNDER_TUNE C2@7680:960 R:E5+C6@7680:960#UNDER_TUNE",
                "F7;C;; C3.2@0:480 D3.2@480:480;C3.2@0:480 D3.1@480:480",
                "L8;Cm;alternates; C2@0:960 C2@1920:960;C2@0:960 G1@1920:960",
                "L9;Gm6;runs close; G3@0:480 D4@480:480 B♭3@960:480 D4@1440:480;G3@0:480 E4@480:480 B♭3@960:480 "
                        + "E4@1440:480",
                "L9;C7;; C2@0:1440 C3+E3+G3@1440:480;C2@0:1440 E3+G3+B♭3@1440:480",
                "L10;E7 C♯7;; E2@0:960 G♯3+D4@1440:960;E2@0:960 G♯3+D4@960:480 C♯2@1920:960",
                "L11;C6;; C2+G2+E3@0:3840;C2+A2+E3@0:3840",
                "L12;Fmaj7;runs; F2+C3@0:480 F2+E♭3=♭7@480:480;F2+C3@0:480 F2+D3=6@480:480",
                "L13;E7 | Am;; E2@0:1920 G♯3+C♯4+D4@1920:960;E2@0:1920 G♯3+C4+D4@1920:960",
                "L14;G7 | C;; G2@0:960 R:B3+B4@0:960 C2@3840:960;G2@0:960 R:B3+D4@0:960 C2@3840:960",
                "L14;C/E;; E2+E3@0:1920;E2+G3@0:1920",
                "L17;C | F;; C2@0:960 E3+G3+C4@960:960 F2@3840:960 A3+C4+F4@4800:960;C2@0:960 E3+G3+C4@960:960 "
                        + "F2@3840:960 F3+A3+C4@4800:960",
                "L18;C;; C2+G3@0:1920;C2+C3@0:1920",
                "B1;C;; C3@0:1920 R:C3+E4@0:1920;C3@0:1920 R:E4+G4@0:1920",
                "B9;C;band; C2@0:1920;E3@0:1920",
                "F1;C;; C2.4+G2.2@0:1920;C2.5+G2.1@0:1920",
                "F2;C;; C2.3+C3.1@0:1920;C2.5+C3.1@0:1920",
                "M4;C;; E3!66+G3!66+C4!80@960:480;E3!66+G3!66+C4!66@960:480",
                "L1;C/E;; C2@0:1920;E2@0:1920",
                "L1;Dm/C;; D2@0:1920;C2@0:1920",
                "L2;Am;; A1+C2@0:960;A1+E2+C3@0:960",
                "L2;Dm7;; C2+D2@0:960;D2+C3@0:960",
                "L2;E;; E1+B1@0:960;E2+B2@0:960",
                "L2;C6;; B♭1+G2+E3@0:960;C2+A2+E3@0:960",
                "L3;Dm/C;; C2+D2@0:960;C2+A2@0:960",
                "L3;F/G;; G2+A2@0:960;G2+F3@0:960",
                "L3;Am/G;; G2+A2@0:960;G2+E3@0:960",
                "L4;C;; G2+C3+E3@0:480;G3+C4+E4@0:480",
                "L4;F;; C4+F4+A4@0:480;F3+A3+C4@0:480",
                "L4;Em;jumps; E3@0:960;E2@0:960",
                "L5;D | G;; A2@0:1920 A1@1920:1920 G2@3840:1920;D2@0:1920 A2@1920:1920 G2@3840:1920",
                "L5;C | F;; C3@0:960 F1@3840:960;C2@0:960 F1@3840:960",
                // A line that steps down two octaves jumps once, where it would leave the keys a bass has.
                "L5;D | Bm | A | G | F♯m | Em | D;; D2@0:960 B2@3840:960 A2@7680:960 G2@11520:960 F♯2@15360:960 "
                        + "E2@19200:960 D3@23040:960;D2@0:960 B2@3840:960 A2@7680:960 G2@11520:960 "
                        + "F♯2@15360:960 E2@19200:960 D2@23040:960",
                "L6;C | G;; C2@0:1920 E♭2@3360:480~ G2@3840:960;C2@0:1920 A2@3360:480~ G2@3840:960",
                "L6;D7 | G;; D2@0:1920 F2@3360:480~ G2@3840:960;D2@0:1920 F♯2@3360:480~ G2@3840:960",
                "L8;F;alternates; F2@0:960 F2@1920:960;F2@0:960 C2@1920:960",
                "L8;Dm7;alternates; D2@0:960 D2@1920:960;D2@0:960 A1@1920:960",
                "L9;Cmaj7;; C2+G2+E3@0:3840;C2+B2+E3@0:3840",
                "L9;Csus4;; C2+G2+C3@0:3840;C2+G2+F3@0:3840",
                "L9;Dm7♭5;; D2+C3+F3@0:3840;D2+A♭2+C3+F3@0:3840",
                "L9;C9;; C2+B♭2+E3@0:3840;C3+E3+B♭3+D4@0:3840",
                "L11;Cmaj7;; C2+G2+E3@0:3840;C2+B2+E3@0:3840",
                "L13;A7 | Dm;; A2@0:960 G3+C♯4+F♯4@960:960;A2@0:960 G3+C♯4+F4@960:960",
                "L14;C/E;; E2+E3+G3@0:960;E2+C3+G3@0:960",
                "L17;Dm7 | G7;; D2@0:960 F3+A3+C4@960:960 G2@3840:960 B3+D4+F4@4800:960;D2@0:960 F3+A3+C4@960:960 "
                        + "G2@3840:960 F3+G3+B3@4800:960",
                "L18;E♭;; E♭2+G3@0:960;E♭2+E♭3@0:960",
                "L19;G7 | C;; G2+F3+B3@0:1920 C3+G3+E4@3840:1920;G2+F3+B3@0:1920 C2+G2+E3@3840:1920",
                "L20;A♭maj7;; A♭1@0:960 E♭3+G3+A♭3+C4@960:960;A♭1@0:960 E♭3+G3+C4@960:960",
                "L20;C7;; C2@0:960 D♯3+E3+B♭3@960:960;C2@0:960 E3+B♭3+D♯4@960:960",
                "L21;Dm6/B;; B1@0:1920 F♯2@1920:1920;B1@0:1920 F2@1920:1920",
                "L22;Dm7/A;runs; A2@0:960 F3@960:960 C4@1920:960 F3@2880:960;A2@0:960 D3@960:960 C4@1920:960 F3@2880:960",
                "L22;C/G;; G2+E3+G3@0:3840;G2+E3+C4@0:3840",
                "L24;E♭ | E°;walks bass_only; E♭2@0:960 F2@960:960 E2@1920:960 E♭2@2880:960 E2@3840:960;E♭2@0:960 "
                        + "E♭3@960:960 G2@1920:960 E♭2@2880:960 E2@3840:960",
                "L25;Bø | E7;walks bass_only; B1@0:960 D2@960:960 F♯2@1920:960 F2@2880:960 E2@3840:960;B1@0:960 "
                        + "D2@960:960 F2@1920:960 D2@2880:960 E2@3840:960",
                "L25;D7♭9 | G;walks bass_only; D2@0:960 C2@960:960 E2@1920:960 F♯2@2880:960 G2@3840:960;D2@0:960 "
                        + "E♭2@960:960 F♯2@1920:960 A2@2880:960 G2@3840:960",
                "L26;E7 | Am;jumps; E2@0:960 G♯3+B3+D4@960:960 F2@1920:960~ E2@2880:960~ A2@3840:960;E2@0:960 "
                        + "G♯3+B3+D4@960:960 F♯2@1920:960~ G♯2@2880:960~ A2@3840:960",
                "L27;F . . C7;jumps; F2@0:960 A3+C4@960:960 C3@1920:960 E3+G3+B♭3@2880:960;F2@0:960 A3+C4@960:960 "
                        + "C3@1920:960 C3+E3+B♭3@2880:960",
                "L29;G7alt;; G2@0:960 C♯2@1920:960;G2@0:960 F2@1920:960",
                "L32;C | F | G | C;; C3+G3+E4@0:960 C3+G3+E4@960:960 C3+G3+E4@1920:960 C3+G3+E4@2880:960;E3+G3+C4@0:960 "
                        + "E3+G3+C4@960:960 E3+G3+C4@1920:960 E3+G3+C4@2880:960",
                "L33;C | F;leads; C2@0:1920 F2@3360:480~ F2@3840:960;C2@0:1920 E2@3360:480~ F2@3840:960",
                "L16;C | C;bossa; C2@0:960 G2@960:960 C2@1920:960 G2@2880:960;C2@0:1440 G2@1440:480 G2@1920:1440 "
                        + "C2@3360:480",
                "L16;Am | Am;slips; A1@0:480! E3+A3+C4@480:960;A1@0:480 E3+A3+C4@480:960!",
                "R1;D7;; D2@0:1920 R:F4+A4=tune@0:1920#UNDER_TUNE;D2@0:1920 R:F♯4+A4=tune@0:1920#UNDER_TUNE",
                "R1;C;; C2@0:960 R:D4+E4=tune@0:960#UNDER_TUNE;C2@0:960 R:C4+E4=tune@0:960#UNDER_TUNE",
                "R2;C;; C2+G2@0:3840 R:E5@0:960#TUNE R:C4+E4+G4+C5@1920:960#UNDER_TUNE;C2+G2@0:3840 "
                        + "R:G4+C5+E5@0:960#UNDER_TUNE R:E4+G4+C5@1920:960#UNDER_TUNE",
                "R3;C | F;; C3@0:1920 R:E4+G4+C5@0:1920#COMPING F2@3840:1920 R:A3+C4+F4@3840:1920#COMPING;C3@0:1920 "
                        + "R:E4+G4+C5@0:1920#COMPING F2@3840:1920 R:F4+A4+C5@3840:1920#COMPING",
                "R4;G7 | C;; R:B3+D4+F4@0:1920#COMPING C2+G2+E3@3840:3840#ENDING R:G4+C5@3840:480#COMPING "
                        + "R:G4+C5@4800:480#COMPING;R:B3+D4+F4@0:1920#COMPING C2+G2+E3@3840:3840#ENDING "
                        + "R:G4+C5@3840:3840#COMPING",
                "R5;A7;; A2@0:960 R:C4+E4+G4@0:960#COMPING;A2@0:960 R:C♯4+E4+G4@0:960#COMPING",
                "R6;C;; C3@0:960 R:C4@0:240#FILL R:C6@240:240#FILL;C3@0:960 R:C4@0:240#FILL R:E4@240:240#FILL",
                "B2;C;; C4@0:480 R:C4+G4@480:480;C4@0:480 R:E4+G4@480:480",
                "B6;Cm;; E2@0:960 R:F4@0:960#COMPING;E♭2@0:960 R:G4@0:960#COMPING",
                "F3;C;; E3@0:480 R:C4.1+E4.2+G4.5@960:480 E3@1920:480;E3@0:480 R:C4.1+E4.3+G4.5@960:480 E3@1920:480",
                "F4;C;; R:E4.2@0:480 R:F4.1@480:480;R:E4.3@0:480 R:F4.1@480:480",
                "F5;C;; C3.5+G3.1@0:960 C3.4+G3.1@960:960;C3.5+G3.1@0:960 C3.5+G3.1@960:960",
                "F6;C;; R:C4.2@0:240 R:D4.3@240:240 R:E4.5@480:240 R:F4.5@720:240;R:C4.2@0:240 R:D4.3@240:240 "
                        + "R:E4.4@480:240 R:F4.5@720:240",
                // What a walk does wrong over a chord that stays, in two chords a bar, and on the way to the next
                // (HANDBOOK §6b).
                "L7;Gm7 | Gm7;walks bass_only; G2@0:960 B♭2@960:960 D3@1920:960 F3@2880:960 D3@3840:960 F3@4800:960 "
                        + "B♭2@5760:960 A2@6720:960 D3@7680:960;G2@0:960 B♭2@960:960 D3@1920:960 F3@2880:960 "
                        + "G3@3840:960 F3@4800:960 D3@5760:960 B♭2@6720:960",
                "L7;Dm7 | G7;walks bass_only; D2@0:960 E2@960:960 F♯2@1920:960 A2@2880:960 G2@3840:960;D2@0:960 "
                        + "E2@960:960 F2@1920:960 F♯2@2880:960 G2@3840:960",
                "L7;Dm7 | G7;walks bass_only; D2@0:960 F2@960:960 A2@1920:960 C3@2880:960 G2@3840:960;D2@0:960 "
                        + "F2@960:960 A2@1920:960 A♭2@2880:960 G2@3840:960",
                "L7;C7 | F;walks bass_only; C2@0:960 E2@960:960 E3@1920:960 B♭1@2880:960 F2@3840:960;C2@0:960 "
                        + "E2@960:960 G2@1920:960 E2@2880:960 F2@3840:960",
                "L7;Dm7 G7 | Cmaj7 A7 | Dm7 G7;walks bass_only; D2@0:960 A2@960:960 G2@1920:960 D2@2880:960 "
                        + "C2@3840:960 G2@4800:960 A2@5760:960 E2@6720:960 D2@7680:960 A2@8640:960 G2@9600:960 "
                        + "D2@10560:960;D2@0:960 A2@960:960 G2@1920:960 D2@2880:960 C2@3840:960 B1@4800:960 "
                        + "A1@5760:960 E2@6720:960 D2@7680:960 F2@8640:960 G2@9600:960 D2@10560:960",
                "R6;C;; C3@0:960 R:C4@0:240#FILL R:E4@240:240#FILL R:F4@480:240#FILL;C3@0:960 R:C4@0:240#FILL "
                        + "R:E4@240:240#FILL R:G4@480:240#FILL",
                "R6;C7 | F;; C3@0:960 R:G4@0:240#LICK R:E♭4@240:240#LICK F3@3840:960;C3@0:960 R:G4@0:240#LICK "
                        + "R:E4@240:240#LICK F3@3840:960",
                "R6;C | C | F;; C3@0:960 R:C4@0:240#FILL R:E4@240:240#FILL R:G4@480:240#FILL C3@3840:960 "
                        + "R:C4@3840:240#FILL R:E4@4080:240#FILL R:G4@4320:240#FILL F3@7680:960;C3@0:960 "
                        + "R:C4@0:240#FILL R:E4@240:240#FILL R:G4@480:240#FILL C3@3840:960 R:E4@3840:240#FILL "
                        + "R:C4@4080:240#FILL R:G4@4320:240#FILL F3@7680:960",
                "M3;C | C | C | C;; C2!70@0:960 C2!70@3840:960 C2!70@7680:960 C2!70@11520:960;C2!70@0:960 "
                        + "C2!72@3840:960 C2!74@7680:960 C2!71@11520:960"
            })
    void a_spoiled_bar_is_marked_and_a_good_one_is_not(
            String id, String chart, String traits, String spoiled, String good) {
        List<String> more = new ArrayList<>(ids(read(chart, traits, spoiled)));
        // What both of a pair say is the fragment's, which states no whole song.
        more.removeAll(ids(read(chart, traits, good)));
        assertThat(more)
                .as(spoiled)
                .contains(id)
                .allMatch(other ->
                        other.equals(id) || ALSO.getOrDefault(id, List.of()).contains(other));
        assertThat(ids(read(chart, traits, good))).as(good).doesNotContain(id);
    }

    /** L17: the top goes on from a chord said on its bass between two after-beats; without it the same chords leap. */
    @Test
    void a_chord_on_its_bass_carries_the_top_line() {
        String leap = "D2@0:960 F3+A3@960:960 C3@3840:960 G3+E4@4800:960";
        String carried = "D2@0:960 F3+A3@960:960 G2+B3+C4@1920:960 C3@3840:960 G3+E4@4800:960";
        assertThat(ids(read("Dm . G7 | C", "", leap))).contains("L17");
        assertThat(ids(read("Dm . G7 | C", "", carried))).doesNotContain("L17");
    }

    /** A chorus of even eighths says one thing once; a bar with a rhythm of its own that is heard again is a motif. */
    @Test
    void a_chorus_has_a_motif_that_comes_back() {
        String chart = "C | Am | F | G | C | Am | F | C";
        String[] bars = {
            "C4 E4 G4 A4",
            "C5 B4 A4 E4",
            "F4 G4 A4 C5",
            "D5 B4 G4 F4",
            "E4 G4 C5 E5",
            "D5 C5 A4 E4",
            "F4 A4 C5 A4",
            "G4 E4 D4 C4"
        };
        StringBuilder even = new StringBuilder("C2@0:3840");
        StringBuilder motif = new StringBuilder("C2@0:3840");
        int[] own = {0, 480, 960, 1920};
        for (int bar = 0; bar < bars.length; bar++) {
            String[] keys = bars[bar].split(" ");
            for (int i = 0; i < keys.length; i++) {
                even.append(" R:")
                        .append(keys[i])
                        .append('@')
                        .append(bar * 3840 + i * 480)
                        .append(":480#CHORUS");
                motif.append(" R:")
                        .append(keys[i])
                        .append('@')
                        .append(bar * 3840 + own[i])
                        .append(":480#CHORUS");
            }
        }
        assertThat(read(chart, "", even.toString()))
                .filteredOn(fault -> fault.id().equals("R7"))
                .extracting(fault -> fault.found().args().get("what"))
                .containsExactly("motif");
        assertThat(ids(read(chart, "", motif.toString()))).doesNotContain("R7");
    }

    /**
     * What a church organist would strike out of chords under a tune, and what he would let stand (HANDBOOK §4, common
     * practice).
     */
    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "Am;Am | C° | E7 | Am;third;Am | B° | E7 | Am",
                "Am;Am | F | Em | Am;leading;Am | F | E | Am",
                "C;C | G | F | C;back;C | F | G | C",
                "C;C | Am | D | Gm | C;leading;C | Am | F | G7 | C",
                "C;C | F | G | C | Am | Dm | G | C;inversion;C | F/A | G/B | C | Am | Dm/F | G | C"
            })
    void a_church_organist_strikes_out_what_is_no_hymn(String key, String spoiled, String what, String good) {
        assertThat(Critic.harmonisation(song(key, spoiled), true))
                .extracting(fault -> fault.found().args().get("what"))
                .containsExactly(what);
        assertThat(Critic.harmonisation(
                        song(key, good),
                        good.chars().filter(sign -> sign == '|').count() >= 7))
                .isEmpty();
    }

    private static Song song(String key, String chart) {
        return ChartParser.parse("Key: " + key + "\n| " + chart + " |").song().orElseThrow();
    }

    /** Bars as a good player would write them, of EXAMPLES.md's and the handbook's kinds, say nothing to any row. */
    @ParameterizedTest(name = "{0} {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "C | F;runs; C2@0:480 G2@480:480 E3@960:480 G2@1440:480 C2@1920:480 G2@2400:480 E3@2880:480 "
                        + "G2@3360:480 F2@3840:480 C3@4320:480 A3@4800:480 C3@5280:480 F2@5760:1920",
                "E♭6 | Cm;jumps alternates; E♭2@0:960 G3+B♭3+C4@960:960 B♭1@1920:960 G3+B♭3+C4@2880:960 C2@3840:960 "
                        + "G3+C4+E♭4@4800:960 G1@5760:960 G3+C4+E♭4@6720:960",
                "Gm7 | C7;walks bass_only; G2@0:960 B♭2@960:960 D3@1920:960 D♭3@2880:960 C3@3840:960 E3@4800:960 "
                        + "G2@5760:960 B♭2@6720:960",
                "Am | Dm;; A1+E2+C3@0:3840 D2+A2+F3@3840:3840",
                "Dm7 G7 | C6;jumps; D2@0:960 F3+A3+C4@960:960 G1@1920:960 F3+B3@2880:960 C2+A2+E3@3840:3840"
            })
    void what_a_good_player_writes_says_nothing(String chart, String traits, String strokes) {
        assertThat(read(chart, traits, strokes)).as(strokes).isEmpty();
    }

    /** Each row of the list says what is wrong and what would be right, once in a bar. */
    @Test
    void a_fault_is_marked_once_in_a_bar_with_what_was_found() {
        List<Fault> faults = read("C | C", "", "C2+E2+G2@0:1920 C2+E2+G2@1920:1920 C2+E2+G2@3840:3840").stream()
                .filter(fault -> fault.id().equals("L2"))
                .toList();
        assertThat(faults).extracting(Fault::bar).containsExactly(0, 1);
        assertThat(faults.get(0).strokes()).containsExactly(0);
        assertThat(faults.get(0).found()).isEqualTo(Reason.of("fault-L2", Map.of("low", "C2", "high", "E2")));
    }

    /** In a style that jumps the pedal comes up at the change; a moment late it may be. */
    @Test
    void the_pedal_does_not_ring_one_bass_into_the_next() {
        String strokes = "C2@0:960 F2@3840:960";
        assertThat(ids(read("C | F", "jumps", strokes, List.of(TickSpan.of(240, 5000)))))
                .contains("M5");
        assertThat(ids(read("C | F", "jumps", strokes, List.of(TickSpan.of(240, 3720)))))
                .doesNotContain("M5");
        assertThat(ids(read("C | F", "", strokes, List.of(TickSpan.of(240, 5000)))))
                .doesNotContain("M5");
    }

    static List<Fault> read(String chart, String traits, String strokes) {
        return read(chart, traits, strokes, List.of());
    }

    private static List<Fault> read(String chart, String traits, String strokes, List<TickSpan> pedal) {
        return read(
                ChartParser.parse("Key: " + (chart.contains("Am") || chart.contains("E7") ? "Am" : "C") + "\n| " + chart
                                + " |")
                        .song()
                        .orElseThrow(),
                traits,
                strokes,
                pedal,
                Pianist.of(Hand.USUAL));
    }

    static List<Fault> read(Song song, String traits, String strokes, List<TickSpan> pedal, Pianist pianist) {
        Set<Trait> set = EnumSet.noneOf(Trait.class);
        boolean band = traits != null && traits.contains("band");
        Arrays.stream((traits == null ? "" : traits.replace("band", "")).strip().split(" "))
                .filter(word -> !word.isEmpty())
                .forEach(word -> set.add(Trait.valueOf(word.toUpperCase(Locale.ROOT))));
        Asked asked = new Asked("figure", "family", set, 0, false, band, Liveliness.NONE, Asked.Claims.NONE);
        List<Stroke> all = new ArrayList<>();
        for (String word : strokes.strip().split(" +")) {
            all.add(stroke(song, word));
        }
        return Critic.read(new Score(
                song,
                all,
                pedal,
                pianist,
                song.bars().stream().map(bar -> asked).toList()));
    }

    private static Stroke stroke(Song song, String word) {
        Matcher match = STROKE.matcher(word);
        assertThat(match.matches()).as(word).isTrue();
        List<PartNote> notes =
                Arrays.stream(match.group(2).split("\\+")).map(CriticTest::note).toList();
        int tick = Integer.parseInt(match.group(3));
        Side side = match.group(1) == null ? Side.LEFT : Side.RIGHT;
        Mark mark = match.group(5) != null
                ? match.group(5).equals("~") ? Mark.LEAD : Mark.TOE
                : side == Side.LEFT && notes.get(0).pitch().midi() < MIDDLE || notes.size() == 1 && side == Side.LEFT
                        ? Mark.HEEL
                        : Mark.TOE;
        return new Stroke(
                side,
                song.barAt(tick).index(),
                0,
                TickSpan.of(tick, Integer.parseInt(match.group(4))),
                TickSpan.of(tick, Integer.parseInt(match.group(4))),
                mark,
                match.group(6) != null,
                notes,
                Optional.empty(),
                Nature.of(match.group(7) == null ? Origin.FIGURE : Origin.valueOf(match.group(7))),
                Reason.of("figure-stroke", Map.of()));
    }

    private static PartNote note(String text) {
        Matcher match = NOTE.matcher(text);
        assertThat(match.matches()).as(text).isTrue();
        return new PartNote(
                Pitch.parse(match.group(1)),
                match.group(3) == null
                        ? Role.BASS
                        : match.group(3).equals("tune") ? Role.TUNE : Role.parse(match.group(3)),
                0,
                match.group(4) == null ? PartNote.PLAIN : Integer.parseInt(match.group(4)),
                match.group(2) == null ? 0 : Integer.parseInt(match.group(2)));
    }

    private static List<String> ids(List<Fault> faults) {
        return faults.stream().map(Fault::id).toList();
    }
}
