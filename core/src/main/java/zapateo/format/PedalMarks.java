package zapateo.format;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import org.audiveris.proxymusic.AboveBelow;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.PedalType;
import org.audiveris.proxymusic.YesNo;
import zapateo.part.TickSpan;
import zapateo.song.Bar;

/** The pedal as it is written: down with each chord, changed at the next, up where it is not used. */
final class PedalMarks {

    private static final ObjectFactory MAKE = new ObjectFactory();

    private PedalMarks() {}

    /** @param tick from the bar line */
    record Mark(int tick, Direction direction) {}

    /**
     * The marks of one bar.
     *
     * @param chords the pedalled chords of the song in the order of time
     * @param staff the left hand's, 0 where there is only one
     */
    static List<Mark> of(List<TickSpan> chords, Bar bar, int staff) {
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < chords.size(); i++) {
            TickSpan chord = chords.get(i);
            if (chord.tick() >= bar.end() || chord.end() < bar.tick()) {
                continue;
            }
            boolean joins = i > 0 && chords.get(i - 1).end() == chord.tick();
            boolean joined = i + 1 < chords.size() && chords.get(i + 1).tick() == chord.end();
            if (chord.tick() >= bar.tick()) {
                marks.add(mark(joins ? PedalType.CHANGE : PedalType.START, chord.tick() - bar.tick(), staff));
            }
            if (!joined && chord.end() <= bar.end() && chord.end() > bar.tick()) {
                marks.add(mark(PedalType.STOP, chord.end() - bar.tick(), staff));
            }
        }
        return marks;
    }

    /**
     * The same on a page that is read while playing: what goes on as in the bar before is said once and then left out.
     *
     * @param before the bar before and the one before that, as far as they stand on the page
     */
    static List<Mark> simile(List<TickSpan> chords, Bar bar, List<Bar> before, int staff) {
        List<Integer> own = changes(chords, bar);
        boolean again = !own.isEmpty() && !before.isEmpty() && own.equals(changes(chords, before.get(0)));
        if (!again) {
            return of(chords, bar, staff);
        }
        boolean said = before.size() > 1 && own.equals(changes(chords, before.get(1)));
        if (said) {
            return List.of();
        }
        Direction simile = Directions.below("sim.", 0);
        simile.setStaff(staff == 0 ? null : BigInteger.valueOf(staff));
        return List.of(new Mark(0, simile));
    }

    /** Where it goes down in a bar and where it comes up in it for good, from the bar line. */
    private static List<Integer> changes(List<TickSpan> chords, Bar bar) {
        List<Integer> changes = new ArrayList<>();
        for (int i = 0; i < chords.size(); i++) {
            TickSpan chord = chords.get(i);
            boolean joined = i + 1 < chords.size() && chords.get(i + 1).tick() == chord.end();
            if (chord.tick() >= bar.tick() && chord.tick() < bar.end()) {
                changes.add(chord.tick() - bar.tick());
            }
            if (!joined && chord.end() > bar.tick() && chord.end() <= bar.end()) {
                changes.add(-chord.end() + bar.tick());
            }
        }
        return changes;
    }

    private static Mark mark(PedalType type, int tick, int staff) {
        Direction direction = MAKE.createDirection();
        direction.setPlacement(AboveBelow.BELOW);
        DirectionType content = MAKE.createDirectionType();
        org.audiveris.proxymusic.Pedal pedal = MAKE.createPedal();
        pedal.setType(type);
        pedal.setLine(YesNo.NO);
        pedal.setSign(YesNo.YES);
        content.setPedal(pedal);
        direction.getDirectionType().add(content);
        direction.setStaff(staff == 0 ? null : BigInteger.valueOf(staff));
        return new Mark(tick, direction);
    }
}
