package zapateo.format;

import java.math.BigInteger;
import java.util.List;
import java.util.Optional;
import org.audiveris.proxymusic.BackwardForward;
import org.audiveris.proxymusic.BarStyle;
import org.audiveris.proxymusic.BarStyleColor;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.Ending;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.RightLeftMiddle;
import org.audiveris.proxymusic.StartStopDiscontinue;
import zapateo.song.Repeat;
import zapateo.song.WrittenBar;

/** Bar lines that say more than that a bar ends: repeats, endings, the end of the song. */
final class Barlines {

    private final ObjectFactory make = new ObjectFactory();
    private final List<WrittenBar> bars;

    Barlines(List<WrittenBar> bars) {
        this.bars = bars;
    }

    Optional<Barline> left(int at) {
        WrittenBar.Marks marks = bars.get(at).marks();
        boolean begins = !marks.endings().isEmpty()
                && (at == 0
                        || !bars.get(at - 1).marks().endings().equals(marks.endings())
                        || bars.get(at - 1).marks().closes().isPresent());
        if (!marks.opens() && !begins) {
            return Optional.empty();
        }
        Barline line = make.createBarline();
        line.setLocation(RightLeftMiddle.LEFT);
        if (marks.opens()) {
            line.setBarStyle(style(BarStyle.HEAVY_LIGHT));
        }
        if (begins) {
            line.setEnding(ending(marks.endings(), StartStopDiscontinue.START));
        }
        if (marks.opens()) {
            line.setRepeat(repeat(BackwardForward.FORWARD, 2));
        }
        return Optional.of(line);
    }

    Optional<Barline> right(int at) {
        WrittenBar.Marks marks = bars.get(at).marks();
        boolean last = at == bars.size() - 1;
        boolean ends = !marks.endings().isEmpty()
                && (last
                        || marks.closes().isPresent()
                        || !bars.get(at + 1).marks().endings().equals(marks.endings()));
        boolean vamp = marks.closes().filter(Repeat::vamp).isPresent();
        if (marks.closes().isEmpty() && !ends && !last) {
            return Optional.empty();
        }
        Barline line = make.createBarline();
        line.setLocation(RightLeftMiddle.RIGHT);
        if (marks.closes().isPresent() || last) {
            line.setBarStyle(style(BarStyle.LIGHT_HEAVY));
        }
        if (ends) {
            line.setEnding(ending(
                    marks.endings(),
                    marks.closes().isPresent() ? StartStopDiscontinue.STOP : StartStopDiscontinue.DISCONTINUE));
        }
        if (marks.closes().isPresent()) {
            line.setRepeat(repeat(
                    BackwardForward.BACKWARD, vamp ? 2 : marks.closes().get().times()));
        }
        return Optional.of(line);
    }

    private BarStyleColor style(BarStyle value) {
        BarStyleColor style = make.createBarStyleColor();
        style.setValue(value);
        return style;
    }

    private Ending ending(List<Integer> rounds, StartStopDiscontinue type) {
        Ending ending = make.createEnding();
        ending.setNumber(String.join(", ", rounds.stream().map(String::valueOf).toList()));
        ending.setType(type);
        return ending;
    }

    private org.audiveris.proxymusic.Repeat repeat(BackwardForward direction, int times) {
        org.audiveris.proxymusic.Repeat repeat = make.createRepeat();
        repeat.setDirection(direction);
        repeat.setTimes(times > 2 ? BigInteger.valueOf(times) : null);
        return repeat;
    }
}
