package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.w3c.dom.bootstrap.DOMImplementationRegistry;
import org.w3c.dom.ls.DOMImplementationLS;
import org.w3c.dom.ls.LSInput;
import org.xml.sax.SAXException;
import zapateo.Endured;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Meter;
import zapateo.song.Bar;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

class MusicXmlWriterTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final Schema SCHEMA = schema();
    private static final DocumentBuilderFactory READERS = readers();

    static Stream<Arguments> songs() {
        return IntStream.range(0, Endured.times(4, 12))
                .boxed()
                .flatMap(seed -> FigureBook.open().figures().stream().map(figure -> Arguments.of(seed, figure.id())));
    }

    /** The official schema, MusicXML 4.0, as proxymusic carries it. */
    @ParameterizedTest(name = "seed {0}, {1}")
    @MethodSource("songs")
    void every_file_is_valid_by_the_official_schema_and_its_bars_are_full(int seed, String figure) throws Exception {
        Song song = SeededCharts.song(seed);
        Arrangement arrangement = ARRANGER.arrange(song, Choices.figure(figure), Hand.USUAL);
        // What sounds before the first bar has a silent beat before it in a file.
        Song filed = Written.of(arrangement).song();
        assertThat(filed.ticks() - song.ticks())
                .isEqualTo(arrangement.leadInTicks() > 0 ? LeadIn.to(song).ticks() : 0);
        for (Hands hands : Hands.values()) {
            Document document = parse(MusicXmlWriter.write(arrangement, hands));
            SCHEMA.newValidator().validate(new DOMSource(document));
            List<Element> measures = elements(document, "measure");
            assertThat(measures).hasSameSizeAs(filed.bars());
            for (int i = 0; i < measures.size(); i++) {
                for (int filled : voiceLengths(measures.get(i))) {
                    assertThat(filled)
                            .as("bar " + (i + 1))
                            .isEqualTo(filed.bars().get(i).ticks());
                }
            }
        }
    }

    /** The longest song there may be has room for the silent beat of a file. */
    @Test
    void the_longest_song_may_begin_with_a_roll() {
        Song longest =
                ChartParser.parse("C F ".repeat(Song.MOST_BARS / 2)).song().orElseThrow();
        Arrangement rolled = ARRANGER.arrange(longest, Choices.figure("rolled-tenths"), Hand.USUAL);
        assertThat(rolled.leadInTicks()).isPositive();
        assertThat(Written.of(rolled).song().bars()).hasSize(Song.MOST_BARS + 1);
        assertThat(MusicXmlWriter.page(
                        rolled, Hands.BOTH, PageShown.of(FingersShown.FEW), Song.MOST_BARS - 2, Song.MOST_BARS - 1))
                .isNotEmpty();
    }

    /** A broken tenth into a written pick-up lengthens it; into a song without one it gets a bar of its own. */
    @Test
    void what_sounds_before_the_first_bar_goes_with_a_pickup() {
        Arrangement pickup = ARRANGER.arrange(
                ChartParser.parse("| (pickup 1) C | F |").song().orElseThrow(),
                Choices.figure("broken-tenths"),
                Hand.USUAL);
        assertThat(pickup.leadInTicks()).isEqualTo(480);
        assertThat(Written.of(pickup).song().bars()).extracting(Bar::ticks).containsExactly(1920, 3840);
        assertThat(Written.of(pickup).left().strokes().get(0).bar()).isZero();
        Arrangement plain = ARRANGER.arrange(
                ChartParser.parse("| C | F |").song().orElseThrow(), Choices.figure("broken-tenths"), Hand.USUAL);
        assertThat(plain.song().bars()).extracting(Bar::number).containsExactly(1, 2);
        assertThat(Written.of(plain).song().bars()).extracting(Bar::number).containsExactly(0, 1, 2);
        assertThat(Written.of(plain).left().strokes().get(0).firstTick()).isEqualTo(480);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void every_lead_sheet_is_valid_by_the_official_schema_and_its_bars_are_full(int seed) throws Exception {
        Song song = Holding.MUSICXML.reduce(
                ChartParser.parse(SeededCharts.full(seed)).song().orElseThrow());
        Document document = parse(LeadSheetWriter.write(song));
        SCHEMA.newValidator().validate(new DOMSource(document));
        List<Element> measures = elements(document, "measure");
        assertThat(measures).hasSameSizeAs(song.writtenBars());
        for (int i = 0; i < measures.size(); i++) {
            assertThat(voiceLengths(measures.get(i)))
                    .containsExactly(song.writtenBars().get(i).ticks());
        }
    }

    static IntStream seeds() {
        return IntStream.range(0, 100);
    }

    private static List<Integer> voiceLengths(Element measure) {
        List<Integer> lengths = new ArrayList<>();
        int at = 0;
        for (Element each : children(measure)) {
            boolean chord = !children(each, "chord").isEmpty();
            int duration = children(each, "duration").stream()
                    .mapToInt(element -> Integer.parseInt(element.getTextContent()))
                    .findFirst()
                    .orElse(0);
            if (each.getTagName().equals("backup")) {
                lengths.add(at);
                at -= duration;
            } else if (!chord) {
                at += duration;
            }
        }
        lengths.add(at);
        return lengths;
    }

    /** Key E♭ signs B E A; common practice for accidentals inside a bar. */
    @Test
    void accidentals_are_written_where_the_signature_does_not_say_them() throws Exception {
        Document document = score("Key: E♭\n| E♭ | D | D7 |", "spread-eighths");
        List<String> first = accidentals(elements(document, "measure").get(0));
        List<String> second = accidentals(elements(document, "measure").get(1));
        assertThat(first).isEmpty();
        assertThat(second).as("A natural and F sharp once each").containsExactly("natural", "sharp");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "C, major",
        "Cm, minor",
        "C7, dominant",
        "Cmaj7, major-seventh",
        "Cø, half-diminished",
        "C°7, diminished-seventh",
        "Csus4, suspended-fourth",
        "C9, dominant-ninth"
    })
    void chord_symbols_carry_their_kind(String symbol, String kind) throws Exception {
        assertThat(elements(score("| " + symbol + " |", "held"), "kind"))
                .extracting(Element::getTextContent)
                .containsExactly(kind);
    }

    @Test
    void a_chord_in_the_middle_of_a_bar_stands_at_its_beat() throws Exception {
        Document document = score("| B♭/D . . F7 | N.C. |", "held");
        List<Element> harmonies = elements(document, "harmony");
        assertThat(harmonies).hasSize(3);
        assertThat(children(harmonies.get(0), "bass")).hasSize(1);
        assertThat(children(harmonies.get(1), "offset").get(0).getTextContent()).isEqualTo("2880");
        assertThat(elements(document, "kind").get(2).getTextContent()).isEqualTo("none");
    }

    /** On a page that is engraved here as words; the beat before a roll into the first bar says nothing at all. */
    @Test
    void silence_is_said_where_it_is_written() throws Exception {
        Document page = parse(MusicXmlWriter.page(
                arrange("| N.C. . C . | F |", "held"), Hands.BOTH, PageShown.of(FingersShown.FEW), 0, 1));
        assertThat(elements(page, "words")).extracting(Element::getTextContent).containsExactly("N.C.");
        assertThat(elements(page, "harmony")).hasSize(2);
        Arrangement rolled = arrange("| C | F |", "rolled-tenths");
        for (byte[] file : List.of(
                MusicXmlWriter.page(rolled, Hands.BOTH, PageShown.of(FingersShown.FEW), 0, 1),
                MusicXmlWriter.write(rolled, Hands.BOTH))) {
            Document document = parse(file);
            assertThat(elements(document, "measure")).hasSize(3);
            assertThat(children(elements(document, "measure").get(0), "harmony"))
                    .isEmpty();
            assertThat(elements(document, "harmony")).hasSize(2);
        }
    }

    /**
     * MusicXML 4.0: a fermata is a notation of the note it stands over; here the last one under it, in each hand, a
     * rest too.
     */
    @Test
    void a_fermata_stands_over_what_is_held() throws Exception {
        Document both = score("| C | G7 . . C (fermata) |", "spread-eighths");
        List<Element> held = elements(both, "fermata");
        assertThat(held)
                .hasSize(2)
                .allSatisfy(mark -> assertThat(mark.getAttribute("type")).isEqualTo("upright"));
        assertThat(elements(both, "measure")
                        .get(0)
                        .getElementsByTagName("fermata")
                        .getLength())
                .isZero();
        SCHEMA.newValidator().validate(new DOMSource(both));
        Song sung = ChartParser.parse("| C | G7 . . C (fermata) |\nMelody: | c8 | B4 d2 c2 |")
                .song()
                .orElseThrow();
        Document lead = parse(LeadSheetWriter.write(sung));
        assertThat(elements(lead, "fermata")).hasSize(1);
        assertThat(elements(lead, "words")).isEmpty();
        SCHEMA.newValidator().validate(new DOMSource(lead));
        Song read = SongReader.read(LeadSheetWriter.write(sung)).song().orElseThrow();
        assertThat(read.chords()
                        .filter(place -> place.span().held())
                        .map(place -> place.span().written()))
                .containsExactly("C");
    }

    @Test
    void rolled_chords_carry_the_arpeggio_sign_and_swing_is_written_as_swing() throws Exception {
        Document document = score("Feel: shuffle\n| D♭ |", "held");
        assertThat(elements(document, "arpeggiate")).hasSize(3);
        assertThat(elements(document, "first").get(0).getTextContent()).isEqualTo("2");
        assertThat(elements(document, "second").get(0).getTextContent()).isEqualTo("1");
        assertThat(elements(score("| C | F |", "spread-eighths"), "swing")).isEmpty();
    }

    @Test
    void note_ids_count_as_the_strokes_do_also_on_a_page_of_its_own() throws Exception {
        Arrangement arrangement = arrange("C F G C", "spread-eighths");
        Document page = parse(MusicXmlWriter.page(arrangement, Hands.BOTH, PageShown.of(FingersShown.FEW), 1, 2));
        List<String> ids = elements(page, "note").stream()
                .map(note -> note.getAttribute("id"))
                .filter(id -> !id.isEmpty())
                .toList();
        assertThat(ids)
                .containsExactlyElementsOf(
                        IntStream.range(8, 24).mapToObj(i -> "s" + i + "n0").toList());
        assertThat(elements(page, "metronome")).isEmpty();
    }

    @Test
    void a_run_of_bars_outside_the_song_is_refused() {
        Arrangement arrangement = arrange("C F", "held");
        assertThatThrownBy(() -> MusicXmlWriter.page(arrangement, Hands.BOTH, PageShown.of(FingersShown.FEW), 1, 2))
                .hasMessageContaining("bars 1 to 2")
                .hasMessageContaining("0 to 1");
        assertThatThrownBy(() -> MusicXmlWriter.page(arrangement, Hands.BOTH, PageShown.of(FingersShown.FEW), 1, 0))
                .isInstanceOf(Refused.class);
    }

    /** Common practice: beats stay visible, syncopations over the off-beat may stay whole. */
    @ParameterizedTest(name = "{2} ticks from {1} in {0}: {3}")
    @CsvSource({
        "4/4, 0,    3840, whole",
        "4/4, 0, 2880, half.",
        "4/4, 0, 1440, quarter.",
        "4/4, 480, 960, quarter",
        "4/4, 1440, 1440, eighth quarter",
        "3/4, 0,    2880, half.",
        "6/8, 0, 2880, half.",
        "6/8, 480, 1440, quarter eighth",
        "6/8, 0, 960, quarter",
        "2/4, 0, 1920, half",
        "12/8, 0, 5760, whole.",
        "4/4, 240,  240, 16th",
        "9/8, 0, 4320, half. quarter."
    })
    void lengths_are_split_so_that_the_beats_show(String meter, int tick, int ticks, String values) {
        assertThat(NoteValue.split(Meter.parse(meter), tick, ticks, false).stream()
                        .map(value -> value.type() + ".".repeat(value.dots()))
                        .collect(Collectors.joining(" ")))
                .isEqualTo(values);
    }

    @Test
    void eighths_are_beamed_by_the_half_bar_in_common_time_and_by_the_beat_in_six_eight() throws Exception {
        assertThat(beams(score("C", "spread-eighths")))
                .isEqualTo("begin continue continue end begin continue continue end");
        assertThat(beams(score("Meter: 6/8\nC", "spread-eighths"))).isEqualTo("begin continue end begin continue end");
        assertThat(beams(score("Meter: 7/8\nC", "spread-eighths"))).isEqualTo("begin end begin end begin continue end");
    }

    @Test
    void a_whole_bar_in_five_four_is_tied_over_its_groups() throws Exception {
        Document document = score("Meter: 5/4\nC", "held");
        assertThat(elements(document, "tied")).isNotEmpty();
        assertThat(elements(document, "note").stream()
                        .filter(note -> note.getAttribute("id").endsWith("t1"))
                        .count())
                .isEqualTo(3);
    }

    private static String beams(Document document) {
        return elements(document, "beam").stream().map(Element::getTextContent).collect(Collectors.joining(" "));
    }

    private static List<String> accidentals(Element measure) {
        NodeList found = measure.getElementsByTagName("accidental");
        return IntStream.range(0, found.getLength())
                .mapToObj(i -> found.item(i).getTextContent())
                .toList();
    }

    private static Arrangement arrange(String chart, String figure) {
        return ARRANGER.arrange(ChartParser.parse(chart).song().orElseThrow(), Choices.figure(figure), Hand.USUAL);
    }

    private static Document score(String chart, String figure) throws Exception {
        return parse(MusicXmlWriter.write(arrange(chart, figure), Hands.BOTH));
    }

    private static DocumentBuilderFactory readers() {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        try {
            factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
        } catch (ParserConfigurationException unknown) {
            throw new IllegalStateException(unknown);
        }
        return factory;
    }

    private static Document parse(byte[] xml) throws Exception {
        return READERS.newDocumentBuilder().parse(new ByteArrayInputStream(xml));
    }

    private static List<Element> elements(Document document, String name) {
        NodeList found = document.getElementsByTagName(name);
        return IntStream.range(0, found.getLength())
                .mapToObj(i -> (Element) found.item(i))
                .toList();
    }

    private static List<Element> children(Element parent) {
        NodeList found = parent.getChildNodes();
        return IntStream.range(0, found.getLength())
                .mapToObj(found::item)
                .filter(Element.class::isInstance)
                .map(Element.class::cast)
                .toList();
    }

    private static List<Element> children(Element parent, String name) {
        return children(parent).stream()
                .filter(child -> child.getTagName().equals(name))
                .toList();
    }

    private static Schema schema() {
        try {
            SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
            DOMImplementationLS inputs = (DOMImplementationLS)
                    DOMImplementationRegistry.newInstance().getDOMImplementation("LS");
            // The two schemas it imports lie beside the tests; nothing is read from the net.
            factory.setResourceResolver((type, namespace, publicId, systemId, base) -> {
                LSInput input = inputs.createLSInput();
                input.setByteStream(
                        resource("/zapateo/format/schema/" + systemId.substring(systemId.lastIndexOf('/') + 1)));
                input.setSystemId(systemId);
                return input;
            });
            return factory.newSchema(new StreamSource(resource("/META-INF/jaxb/xsd/musicxml.xsd"), "musicxml.xsd"));
        } catch (SAXException | ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static InputStream resource(String name) {
        return java.util.Objects.requireNonNull(MusicXmlWriterTest.class.getResourceAsStream(name), name);
    }
}
