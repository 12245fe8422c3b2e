package zapateo.lefthand;

import java.util.List;
import java.util.Optional;
import zapateo.song.Bar;

/** What is to be played where. */
public interface Plan {

    /** The choices that hold at a tick of a bar. */
    LeftHandChoices at(Bar bar, int tick);

    /** The ticks inside a bar, from its bar line, where the choices change, in order. */
    List<Integer> changes(Bar bar);

    Lock lock(Bar bar, int tick);

    /** How the song's last bar is played where it is no bar of the figure; empty where the figure goes on. */
    Optional<Ending> ending();

    Weights weights();

    /** What a lively player is to do in a bar, by its id; empty where dice may decide. What there is not is nothing. */
    Optional<String> spice(Bar bar);

    /** Of those dice. */
    long seed();
}
