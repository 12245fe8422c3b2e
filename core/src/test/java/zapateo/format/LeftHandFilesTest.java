package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.lefthand.Played.arrange;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.lefthand.LeftChoice;
import zapateo.rhythm.Meter;

/**
 * What a left hand leaves as: rolls, pedal, accents, triplets, two hands, the tune over it; by the terms of MusicXML
 * 4.0 and MIDI 1.0.
 */
class LeftHandFilesTest {

    private static String xml(Arrangement arrangement, Hands hands) {
        return new String(MusicXmlWriter.write(arrangement, hands), StandardCharsets.UTF_8);
    }

    static List<String> found(String xml, String pattern) {
        List<String> all = new ArrayList<>();
        Matcher matcher = Pattern.compile(pattern).matcher(xml);
        while (matcher.find()) {
            all.add(matcher.group(1));
        }
        return all;
    }

    @Test
    void the_pedal_goes_down_is_changed_with_each_chord_and_comes_up() {
        assertThat(found(
                        xml(arrange("Key: C~C F N.C. G", Choices.figure("spread-eighths")), Hands.LEFT),
                        "<pedal type=\"(\\w+)\""))
                .containsExactly("start", "change", "stop", "start", "stop");
        assertThat(found(
                        xml(arrange("Key: C~C F", Choices.figure("low-high-middle-high")), Hands.LEFT),
                        "<pedal type=\"(\\w+)\""))
                .isEmpty();
    }

    @Test
    void an_accent_is_written_over_its_stroke() {
        assertThat(found(xml(arrange("Key: C~C", Choices.figure("tango-marked")), Hands.LEFT), "(<accent/>)"))
                .hasSize(2);
    }

    @Test
    void a_quick_roll_has_its_sign_and_a_broken_tenth_its_two_notes() {
        assertThat(found(
                        xml(arrange("Key: D♭~Tempo: 90~D♭", Choices.figure("rolled-tenths")), Hands.LEFT),
                        "(<arpeggiate direction=\"up\"/>)"))
                .hasSize(2);
        String broken = xml(arrange("Key: D♭~Tempo: 90~| D♭ | D♭ |", Choices.figure("broken-tenths")), Hands.LEFT);
        assertThat(broken).doesNotContain("<arpeggiate");
        String pickup = broken.substring(broken.indexOf("<measure"), broken.indexOf("</measure>"));
        assertThat(pickup).contains("number=\"0\"").contains("<step>D</step>").contains("<type>eighth</type>");
    }

    /**
     * Fingers leave with the notes (MusicXML 4.0: technical/fingering); keys that come again in a bar are not numbered
     * again (FAULTS P1).
     */
    @Test
    void fingers_are_written_over_their_notes() {
        Arrangement arrangement =
                arrange("Key: C~C", Choices.figure("spread-eighths").endsHeld(false));
        assertThat(found(xml(arrangement, Hands.LEFT), "<fingering>(\\d)</fingering>"))
                .containsExactly("5", "2", "1");
        String page = new String(
                MusicXmlWriter.page(arrangement, Hands.LEFT, PageShown.of(FingersShown.FEW), 0, 0),
                StandardCharsets.UTF_8);
        assertThat(found(page, "<fingering>(\\d)</fingering>")).containsExactly("5", "2", "1");
    }

    /** FAULTS P1: at the start of a pattern, at a change, at a thumb passing; worked by hand. */
    @ParameterizedTest(name = "{1} over {0}: {2}")
    @CsvSource({
        "| C | Am | F | G |,spread-eighths,5 2 1",
        "| C | C | C | C |,stride-root-chord,5 5 3 1 5",
        "| C | F |,held,5 2 1"
    })
    void fingers_stand_where_they_are_needed(String chart, String figure, String expected) {
        List<String> fingers = found(
                xml(arrange("Key: C~Tempo: 90~" + chart, Choices.figure(figure).endsHeld(false)), Hands.LEFT),
                "<fingering>(\\d)</fingering>");
        assertThat(String.join(" ", fingers)).startsWith(expected);
        assertThat(fingers.size()).isLessThanOrEqualTo(3 * expected.split(" ").length);
    }

    @Test
    void a_page_says_how_loud_it_begins() {
        String page = xml(arrange("Key: C~Tempo: 90~| C | F |", Choices.figure("stride-root-chord")), Hands.BOTH);
        assertThat(found(page, "<dynamics>\\s*(<m?[fp]/>)")).hasSize(1);
    }

    /**
     * HANDBOOK §7 and §8: a tenth too wide for the hand has its bass at most 120 ms before the beat and its top on it,
     * at every tempo and feel, on beat 1 of bar 1 too.
     */
    @ParameterizedTest(name = "{0} at {1}")
    @CsvSource({
        "straight,40",
        "straight,100",
        "straight,240",
        "swing,60",
        "swing,132",
        "swing,220",
        "shuffle,90",
        "shuffle,200"
    })
    void a_rolled_tenth_keeps_the_beat_with_its_top(String feel, int tempo) throws Exception {
        Arrangement arrangement = zapateo.lefthand.Played.ARRANGER.arrange(
                zapateo.lefthand.Played.song("Key: D♭~Feel: " + feel + "~Tempo: " + tempo + "~| D♭ | A♭ G♭ | D♭ |"),
                Choices.figure("held").with(LeftChoice.VOICING, "tenth").endsHeld(false),
                zapateo.hand.Hand.of(185));
        List<long[]> ons = notesOn(MidiWriter.write(arrangement, Hands.LEFT));
        double ticksOf120Ms = 0.120 * tempo / 60 * 960;
        assertThat(ons).hasSize(8);
        for (int i = 0; i < ons.size(); i += 2) {
            assertThat(ons.get(i)[1]).as("the bass first").isLessThan(ons.get(i + 1)[1]);
            assertThat(ons.get(i + 1)[0] % 960).as("the top on its beat").isZero();
            assertThat((double) ons.get(i + 1)[0] - ons.get(i)[0]).isPositive().isLessThanOrEqualTo(ticksOf120Ms);
        }
        assertThat(found(xml(arrangement, Hands.LEFT), "(<arpeggiate direction=\"up\"/>)"))
                .hasSize(8);
    }

    /** A triplet is written as three in the time of two, its bracket over each quarter. */
    @Test
    void triplets_are_three_in_the_time_of_two() {
        String relay = xml(arrange("Key: C~C", Choices.figure("relay")), Hands.BOTH);
        assertThat(found(relay, "<actual-notes>(\\d)</actual-notes>"))
                .allMatch("3"::equals)
                .hasSizeGreaterThanOrEqualTo(12);
        assertThat(found(relay, "<tuplet [^>]*type=\"(start)\""))
                .hasSize(found(relay, "<tuplet [^>]*type=\"(stop)\"").size())
                .isNotEmpty();
    }

    @ParameterizedTest(name = "{0} of a triplet from {1} for {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "4/4; 0; 320; eighth",
                "4/4; 320; 640; quarter",
                "4/4; 640; 320; eighth",
                "4/4; 0; 640; quarter",
                "4/4; 160; 160; 16th"
            })
    void parts_of_a_triplet(String meter, int tick, int ticks, String type) {
        assertThat(NoteValue.split(Meter.parse(meter), tick, ticks, false))
                .singleElement()
                .satisfies(value -> {
                    assertThat(value.triplet()).isTrue();
                    assertThat(value.type()).isEqualTo(type);
                });
    }

    @Test
    void an_uneven_metre_is_written_as_it_is_felt() {
        assertThat(xml(arrange("Key: C~Meter: 2+3/4~C F", Choices.figure("five-in-three-two")), Hands.LEFT))
                .contains("<beats>2+3</beats>");
    }

    @Test
    void the_tune_stands_over_the_left_hand_its_ties_joined() {
        Arrangement arrangement = arrange("Key: C~| C | F |~Tune: E4/2 G4~ | G4/2 A4 |", Choices.figure("held"));
        String lead = xml(arrangement, Hands.LEAD_LEFT);
        assertThat(lead).contains("<staves>2</staves>");
        assertThat(found(lead, "<step>(E|A)</step>")).contains("E", "A");
        assertThat(xml(arrangement, Hands.BOTH)).doesNotContain("<step>E</step><octave>4</octave>");
    }

    /** EXAMPLES 7, to the tick: the tenth on the beat, its bass before it; nothing before the file's beginning. */
    @ParameterizedTest
    @ValueSource(strings = {"rolled-tenths", "broken-tenths"})
    void midi_has_the_tenth_on_the_beat_and_its_bass_before(String figure) throws Exception {
        Arrangement arrangement = arrange("Key: D♭~Tempo: 90~D♭ A♭7", Choices.figure(figure));
        List<long[]> struck = notesOn(MidiWriter.write(arrangement, Hands.LEFT));
        // The song's first beat, after the silent one the file begins with.
        long beat = LeadIn.to(arrangement.song()).ticks();
        assertThat(struck).anyMatch(note -> note[0] == beat && note[1] == 53);
        assertThat(struck).anyMatch(note -> note[0] < beat && note[0] >= 0 && note[1] == 37);
    }

    @Test
    void midi_has_a_track_for_each_hand_and_its_strokes_as_loud_as_they_are() throws Exception {
        Arrangement arrangement = arrange("Key: Fm~Fm", Choices.figure("hand-split"));
        Sequence both = MidiSystem.getSequence(new ByteArrayInputStream(MidiWriter.write(arrangement, Hands.BOTH)));
        assertThat(both.getTracks()).hasSize(3);
        List<long[]> tango = notesOn(MidiWriter.write(arrange("C", Choices.figure("tango-marked")), Hands.LEFT));
        assertThat(tango.get(0)[2]).isGreaterThan(tango.get(1)[2]);
    }

    private static List<long[]> notesOn(byte[] file) throws Exception {
        List<long[]> notes = new ArrayList<>();
        for (Track track :
                MidiSystem.getSequence(new ByteArrayInputStream(file)).getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage message
                        && message.getCommand() == ShortMessage.NOTE_ON) {
                    notes.add(new long[] {track.get(i).getTick(), message.getData1(), message.getData2()});
                }
            }
        }
        return notes;
    }
}
