package zapateo.format;

import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.Tie;
import org.audiveris.proxymusic.Tied;
import org.audiveris.proxymusic.TiedType;

/** Ties of a MusicXML note, as they sound and as they are drawn. */
final class Ties {

    private static final ObjectFactory MAKE = new ObjectFactory();

    private Ties() {}

    /**
     * @param fromBefore whether the note goes on from the one before; @param goesOn whether it goes on into the next
     */
    static void add(Note note, Notations notations, boolean fromBefore, boolean goesOn) {
        if (fromBefore) {
            tie(note, notations, StartStop.STOP, TiedType.STOP);
        }
        if (goesOn) {
            tie(note, notations, StartStop.START, TiedType.START);
        }
    }

    private static void tie(Note note, Notations notations, StartStop heard, TiedType drawn) {
        Tie tie = MAKE.createTie();
        tie.setType(heard);
        note.getTie().add(tie);
        Tied tied = MAKE.createTied();
        tied.setType(drawn);
        notations.getTiedOrSlurOrTuplet().add(tied);
    }
}
