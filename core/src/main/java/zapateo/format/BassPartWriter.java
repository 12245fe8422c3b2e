package zapateo.format;

import java.math.BigInteger;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Transpose;
import zapateo.arrangement.Arrangement;

/** A bass player's part as MusicXML: written an octave over what sounds, as the instrument is read. */
public final class BassPartWriter {

    private static final int OCTAVE_DOWN = -1;

    private BassPartWriter() {}

    /** @param arrangement of the line alone */
    public static byte[] write(Arrangement arrangement) {
        Written written = Written.of(arrangement);
        ScorePartwise.Part part = new ObjectFactory().createScorePartwisePart();
        part.getMeasure()
                .addAll(new MeasureWriter(
                                written,
                                Hands.LEFT,
                                PageShown.of(FingersShown.NONE),
                                0,
                                written.song().bars().size() - 1,
                                true)
                        .measures());
        boolean first = true;
        for (ScorePartwise.Part.Measure measure : part.getMeasure()) {
            for (Object each : measure.getNoteOrBackupOrForward()) {
                if (each instanceof Note note && note.getPitch() != null) {
                    note.getPitch().setOctave(note.getPitch().getOctave() + 1);
                } else if (each instanceof Attributes attributes && first) {
                    Transpose transpose = new ObjectFactory().createTranspose();
                    transpose.setChromatic(java.math.BigDecimal.ZERO);
                    transpose.setOctaveChange(BigInteger.valueOf(OCTAVE_DOWN));
                    attributes.getTranspose().add(transpose);
                    first = false;
                }
            }
        }
        return MusicXmlWriter.marshal(MusicXmlWriter.score(written.song().title(), "Bass", part));
    }
}
