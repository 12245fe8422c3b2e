package zapateo.format;

import jakarta.xml.bind.JAXBContext;
import jakarta.xml.bind.JAXBException;
import jakarta.xml.bind.Marshaller;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import org.audiveris.proxymusic.Encoding;
import org.audiveris.proxymusic.Identification;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.PartList;
import org.audiveris.proxymusic.PartName;
import org.audiveris.proxymusic.ScorePart;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Work;
import org.audiveris.proxymusic.YesNo;
import zapateo.arrangement.Arrangement;
import zapateo.refusal.Refused;

/**
 * Writes MusicXML 4.0: a piano part on one staff or two, chord symbols, section marks. Every note carries an id,
 * {@code s<stroke>n<note>}, that counts as the arrangement's strokes do, so that a page can be lit while it sounds.
 */
public final class MusicXmlWriter {

    private static final String HEADER = """
            <?xml version="1.0" encoding="UTF-8" standalone="no"?>
            <!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" \
            "http://www.musicxml.org/dtds/partwise.dtd">
            """;
    private static final JAXBContext CONTEXT = context();

    private MusicXmlWriter() {}

    /** The whole arrangement, with few fingers. */
    public static byte[] write(Arrangement arrangement, Hands hands) {
        return write(arrangement, hands, FingersShown.FEW);
    }

    /** The whole arrangement. */
    public static byte[] write(Arrangement arrangement, Hands hands, FingersShown fingers) {
        Written written = of(arrangement, hands);
        return marshal(score(
                written, hands, PageShown.of(fingers), 0, written.song().bars().size() - 1, true));
    }

    private static Written of(Arrangement arrangement, Hands hands) {
        return Written.of(hands == Hands.LEAD_LEFT ? arrangement.withTune() : arrangement);
    }

    /**
     * Bars {@code from} to {@code to} by index, both included, with what leads into the first one, as a page that
     * stands among other things: without tempo and section marks.
     *
     * @throws Refused naming what was given and what was expected
     */
    public static byte[] page(Arrangement arrangement, Hands hands, PageShown shown, int from, int to) {
        int last = arrangement.song().bars().size() - 1;
        if (from < 0 || to > last || from > to) {
            throw new Refused("bars " + from + " to " + to + ": expected a run inside 0 to " + last);
        }
        Written written = of(arrangement, hands);
        return marshal(score(written, hands, shown, from == 0 ? 0 : from + written.bars(), to + written.bars(), false));
    }

    private static ScorePartwise score(
            Written written, Hands hands, PageShown shown, int from, int to, boolean headed) {
        ScorePartwise.Part part = new ObjectFactory().createScorePartwisePart();
        part.getMeasure().addAll(new MeasureWriter(written, hands, shown, from, to, headed).measures());
        return score(written.song().title(), "Piano", part);
    }

    /** One part under a title. */
    static ScorePartwise score(String title, String partName, ScorePartwise.Part part) {
        ObjectFactory make = new ObjectFactory();
        ScorePartwise score = make.createScorePartwise();
        score.setVersion("4.0");
        Work work = make.createWork();
        work.setWorkTitle(title);
        score.setWork(work);
        Identification identification = make.createIdentification();
        Encoding encoding = make.createEncoding();
        encoding.getEncodingDateOrEncoderOrSoftware().add(make.createEncodingSoftware("Zapateo"));
        identification.setEncoding(encoding);
        score.setIdentification(identification);
        ScorePart scorePart = make.createScorePart();
        scorePart.setId("P1");
        PartName name = make.createPartName();
        name.setValue(partName);
        name.setPrintObject(YesNo.NO);
        scorePart.setPartName(name);
        PartList list = make.createPartList();
        list.getPartGroupOrScorePart().add(scorePart);
        score.setPartList(list);
        part.setId(scorePart);
        score.getPart().add(part);
        return score;
    }

    static byte[] marshal(ScorePartwise score) {
        try {
            Marshaller marshaller = CONTEXT.createMarshaller();
            marshaller.setProperty(Marshaller.JAXB_FRAGMENT, true);
            StringWriter out = new StringWriter();
            out.write(HEADER);
            marshaller.marshal(score, out);
            return out.toString().getBytes(StandardCharsets.UTF_8);
        } catch (JAXBException e) {
            throw new IllegalStateException("the score cannot be written", e);
        }
    }

    private static JAXBContext context() {
        try {
            return JAXBContext.newInstance(ScorePartwise.class);
        } catch (JAXBException e) {
            throw new IllegalStateException("MusicXML cannot be bound", e);
        }
    }
}
