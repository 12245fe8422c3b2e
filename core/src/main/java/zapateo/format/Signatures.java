package zapateo.format;

import java.math.BigInteger;
import org.audiveris.proxymusic.Key;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.Time;
import zapateo.rhythm.Meter;

/** Key and time signatures as MusicXML. */
final class Signatures {

    private static final ObjectFactory MAKE = new ObjectFactory();

    private Signatures() {}

    static Key key(zapateo.harmony.Key of) {
        Key key = MAKE.createKey();
        key.setFifths(BigInteger.valueOf(of.fifths()));
        key.setMode(of.mode().id());
        return key;
    }

    static Time time(Meter meter) {
        Time time = MAKE.createTime();
        time.getTimeSignature().add(MAKE.createTimeBeats(meter.counted()));
        time.getTimeSignature().add(MAKE.createTimeBeatType(String.valueOf(meter.unit())));
        return time;
    }
}
