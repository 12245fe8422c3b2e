package zapateo.lefthand;

import java.util.List;
import zapateo.song.Bar;

/** What is to be played where. */
public interface Plan {

    /** The choices that hold at a tick of a bar. */
    LeftHandChoices at(Bar bar, int tick);

    /** The ticks inside a bar, from its bar line, where the choices change, in order. */
    List<Integer> changes(Bar bar);

    Lock lock(Bar bar, int tick);

    /** Whether the song's last bar is one spread chord that rings. */
    boolean endsHeld();

    Weights weights();
}
