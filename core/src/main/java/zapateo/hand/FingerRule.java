package zapateo.hand;

import zapateo.names.Names;

/** What counts; the first twelve are the published rules, the others are the project's own habits (HANDBOOK §8). */
enum FingerRule {
    STRETCH,
    SMALL_SPAN,
    LARGE_SPAN,
    POSITION_CHANGES,
    POSITION_CHANGE_SIZE,
    WEAK_FINGER,
    THREE_FOUR_FIVE,
    THREE_TO_FOUR,
    FOUR_ON_BLACK,
    THUMB_ON_BLACK,
    FIVE_ON_BLACK,
    THUMB_PASSING,
    OUT_OF_REACH,
    HOP,
    SHARED_NOTE,
    MOVEMENT,
    FEWER_PASSES,
    OCTAVE,
    FIVE_FINGERS,
    CHORD_AND_NOTE,
    USUAL_SHAPE,
    NEIGHBOURS;

    String id() {
        return Names.of(this);
    }
}
