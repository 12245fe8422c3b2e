package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.format.LeftHandFilesTest.found;
import static zapateo.lefthand.Played.arrange;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.arrangement.Shades;
import zapateo.lefthand.LeftChoice;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Under;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * What a player reads besides the notes: how loud, which finger, which pedal, plain accidentals, stems by voice (FAULTS
 * P1 to P5; MusicXML 4.0).
 */
class PageTest {

    private static final String THREE_SECTIONS =
            "Key: C~[Verse]~| C | F | G7 | C |~[Bridge]~| Am | D7 | Dm7 | G7 |~[Verse]~| C | F | G7 | C |";
    private static final Choices TUNE = Choices.OPEN.right(RightHand.of(Style.MELODY));

    private static String xml(Arrangement arrangement, FingersShown fingers) {
        return new String(MusicXmlWriter.write(arrangement, Hands.BOTH, fingers), StandardCharsets.UTF_8);
    }

    private static String page(Arrangement arrangement) {
        return new String(
                MusicXmlWriter.page(
                        arrangement,
                        Hands.BOTH,
                        PageShown.of(FingersShown.FEW),
                        0,
                        arrangement.song().bars().size() - 1),
                StandardCharsets.UTF_8);
    }

    private static String measure(String xml, int number) {
        return found(xml, "(?s)(<measure number=\"" + number + "\".*?</measure>)")
                .get(0);
    }

    /**
     * The bridge is played up, two bars lead into it; the verse that comes last is the fullest (HANDBOOK §7, A song,
     * not a bar).
     */
    @Test
    void sections_differ_in_loudness_and_a_hairpin_leads_from_one_to_the_next() {
        String score = page(arrange(THREE_SECTIONS, Choices.figure("spread-eighths")));
        assertThat(found(score, "<dynamics>\\s*<(\\w+)/>")).containsExactly("mp", "mf");
        assertThat(measure(score, 3)).contains("crescendo");
        assertThat(measure(score, 4)).contains("wedge type=\"stop\"").doesNotContain("crescendo");
        assertThat(measure(score, 5)).contains("<mf/>");
    }

    @Test
    void a_hairpin_is_heard_as_it_is_written() {
        Song song = ChartParser.parse(THREE_SECTIONS.replace("~", "\n")).song().orElseThrow();
        Shades shades = Shades.of(song);
        assertThat(shades.bars().stream().map(Shades.Shade::level).toList())
                .containsExactly(0, 0, 0, 0, 6, 6, 6, 6, 8, 8, 8, 8);
        assertThat(shades.bars().stream().map(Shades.Shade::to).toList())
                .containsExactly(0, 0, 3, 6, 6, 6, 6, 6, 8, 8, 8, 8);
        // Without sections the same chord in the same figure is as loud in its third bar but for the arch of the
        // phrase, 4.
        int plain = loudest(arrange("Key: C~| G7 | C | G7 | C |", Choices.figure("spread-eighths")), 2)
                - loudest(arrange(THREE_SECTIONS, Choices.figure("spread-eighths")), 2);
        assertThat(plain).isBetween(-3, 0);
        assertThat(loudest(arrange(THREE_SECTIONS, Choices.figure("spread-eighths")), 4))
                .isEqualTo(loudest(arrange(THREE_SECTIONS, Choices.figure("spread-eighths")), 0) + 6);
    }

    private static int loudest(Arrangement arrangement, int bar) {
        return arrangement.strokes().stream()
                .filter(stroke -> stroke.bar() == bar)
                .flatMap(stroke -> stroke.notes().stream())
                .mapToInt(PartNote::velocity)
                .max()
                .orElseThrow();
    }

    @Test
    void an_intro_is_softer_and_its_sign_says_so() {
        String score = page(arrange(
                "Key: C~[Intro]~| C | G7 | C | G7 |~[Verse]~| C | F | G7 | C |", Choices.figure("spread-eighths")));
        assertThat(found(score, "<dynamics>\\s*<(\\w+)/>")).containsExactly("p", "mp");
    }

    /** HANDBOOK §7: melody 12 to 18 above what accompanies it. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "stride-root-chord",
                "rock-eighths",
                "spread-eighths",
                "tango-marked",
                "march",
                "held",
                "boogie-rocking"
            })
    void the_tune_is_a_dozen_over_what_accompanies_it(String figure) {
        Arrangement both = arrange(
                "Key: G~| G | C | D7 | G |~Tune: | G4/4 B4/4 D5/2 | E5/4 D5/4 C5/2 | D5/4 C5/4 B4/4 A4/4 | G4/1 |",
                TUNE.with(LeftChoice.FIGURE, figure));
        for (Stroke sung : both.right().strokes()) {
            int loud = sung.notes().get(sung.notes().size() - 1).velocity();
            both.left().strokes().stream()
                    .filter(stroke -> stroke.written().tick() >= sung.written().tick()
                            && stroke.written().tick() < sung.written().end())
                    .forEach(under -> assertThat(under.notes().stream()
                                    .mapToInt(PartNote::velocity)
                                    .max()
                                    .orElseThrow())
                            .as("%s under %s", under, sung)
                            .isLessThanOrEqualTo(loud - 12));
        }
        List<Integer> velocities = both.right().strokes().stream()
                .map(stroke -> stroke.notes().get(0).velocity())
                .toList();
        assertThat(velocities)
                .as("rising to the third bar, the top note of the phrase out of it")
                .containsExactly(88, 88, 88, 93, 90, 90, 92, 92, 92, 92, 89);
    }

    @Test
    void all_fingers_stand_on_request_or_none() {
        Arrangement arrangement = arrange("Key: C~| C | Am | F | G |", Choices.figure("spread-eighths"));
        int notes = arrangement.strokes().stream()
                .mapToInt(stroke -> stroke.notes().size())
                .sum();
        assertThat(found(xml(arrangement, FingersShown.ALL), "(<fingering>)")).hasSize(notes);
        assertThat(found(xml(arrangement, FingersShown.NONE), "(<fingering>)")).isEmpty();
        assertThat(found(xml(arrangement, FingersShown.FEW), "(<fingering>)").size())
                .isBetween(3, notes / 2);
        assertThat(FingersShown.named("all")).contains(FingersShown.ALL);
        assertThat(FingersShown.named("many")).isEmpty();
    }

    /**
     * FAULTS P5: no double sign, no white key by its neighbour's name unless the key has it so; the key that sounds is
     * the same.
     */
    @ParameterizedTest
    @CsvSource({
        "E♭m,| E♭m7b5 | A♭7 | D♭dim7 | E♭m |",
        "D,| Ddim7 | D | F#dim7 | G |",
        "C,| G♭7 | Cdim7 | B7#5 | C |",
        "F,| G♭dim7 | C7b9 | E♭m6 | F |",
        "B,| D#7 | G#7 | C#7 | B |"
    })
    void accidentals_are_plain(String key, String chart) {
        Arrangement arrangement = arrange("Key: " + key + "~" + chart, Choices.figure("spread-eighths"));
        byte[] score = MusicXmlWriter.write(arrangement, Hands.BOTH);
        assertThat(PageRows.read(score).stream()
                        .filter(mark -> mark.id().equals("P5"))
                        .toList())
                .isEmpty();
        List<Integer> written = new ArrayList<>();
        Matcher note = Pattern.compile("(?s)<note id=\"s\\d+n\\d+\">.*?<step>(\\w)</step>\\s*(?:<alter>(-?\\d)</alter>"
                        + ")?\\s*<octave>(\\d)</octave>")
                .matcher(new String(score, StandardCharsets.UTF_8));
        while (note.find()) {
            written.add(12 * (Integer.parseInt(note.group(3)) + 1)
                    + "C D EF G A B".indexOf(note.group(1))
                    + (note.group(2) == null ? 0 : Integer.parseInt(note.group(2))));
        }
        assertThat(written)
                .containsExactlyInAnyOrderElementsOf(arrangement.strokes().stream()
                        .flatMap(stroke -> stroke.notes().stream())
                        .map(each -> each.pitch().midi())
                        .toList());
    }

    /** What goes on as before is said once. */
    @Test
    void the_pedal_stands_on_the_page_with_simile_and_in_a_file_with_each_chord() {
        Arrangement arrangement = arrange(
                "Key: C~| C | Am | F | G | C |",
                Choices.figure("spread-eighths").endsHeld(false));
        String page = page(arrangement);
        assertThat(measure(page, 1)).contains("<pedal type=\"start\"");
        assertThat(measure(page, 2)).contains(">sim.<").doesNotContain("<pedal");
        assertThat(measure(page, 3)).doesNotContain(">sim.<").doesNotContain("<pedal");
        assertThat(measure(page, 5)).contains("<pedal type=\"stop\"");
        assertThat(found(xml(arrangement, FingersShown.FEW), "<pedal type=\"(\\w+)\""))
                .containsExactly("start", "change", "change", "change", "change", "stop");
    }

    /**
     * Tune and what lies under it in two voices where their rhythms differ: the upper one is the first, stems up
     * (FAULTS P2).
     */
    @Test
    void the_upper_voice_is_the_first() {
        Arrangement hymn = arrange(
                "Key: C~| C | G/B | C |~Tune: | E5/4 D5/8 C5/8 E5/2 | D5/2. B4/4 | C5/1 |",
                Choices.OPEN.right(RightHand.of(Style.MELODY).with(RightChoice.UNDER, Under.PARTS)));
        String bar = measure(page(hymn), 1);
        String first = found(bar, "(?s)(<note .*?<voice>1</voice>.*?)<backup>").get(0);
        assertThat(found(first, "<step>(\\w)</step>")).contains("E", "D", "C");
        assertThat(found(bar, "(<voice>2</voice>)")).isNotEmpty();
    }

    /** Pins stand where they were pinned and degrees at their chords, only where that is wanted. */
    @Test
    void pins_and_degrees_stand_where_they_are_wanted() {
        Arrangement arrangement =
                arrange("Key: F~| F \"! thumb under\" | B♭ C7 | F \"softly\" |", Choices.figure("held"));
        String all = new String(
                MusicXmlWriter.page(arrangement, Hands.BOTH, new PageShown(FingersShown.FEW, true, true), 0, 2),
                StandardCharsets.UTF_8);
        assertThat(all)
                .contains("! thumb under", "softly", "<words>I</words>", "<words>IV</words>", "<words>V7</words>");
        String plain = new String(
                MusicXmlWriter.page(arrangement, Hands.BOTH, PageShown.of(FingersShown.FEW), 0, 2),
                StandardCharsets.UTF_8);
        assertThat(plain).doesNotContain("thumb", "<words>IV</words>");
    }
}
