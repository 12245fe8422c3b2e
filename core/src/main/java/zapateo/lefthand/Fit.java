package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.TooWide;
import zapateo.part.Mending;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Roll;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Rolling;
import zapateo.rhythm.Tempo;
import zapateo.rhythm.Ticks;

/** Strokes as one hand can strike them: together where it spans them, else as the player wants it. */
final class Fit {

    /** A rolled chord opens within this time (HANDBOOK §7). */
    private static final double ROLL_MS = 120;
    /** A quick roll before the beat begins about a thirty-second early (EXAMPLES 7). */
    private static final int THIRTY_SECOND = Ticks.PER_QUARTER / 8;

    private final Hand hand;

    Fit(Hand hand) {
        this.hand = hand;
    }

    /**
     * @param busy whether the hand plays something else until the stroke begins, so that nothing of it can come before
     */
    Stroke stroke(Stroke stroke, Planned planned, Cut cut, boolean busy) {
        Rolling rolling = busy || planned.origin() == Origin.ENDING
                ? Rolling.BEAT
                : cut.choices().figure().manner().rolling();
        if (stroke.notes().size() < 2) {
            return stroke;
        }
        boolean wide = tooWide(stroke.notes());
        if (planned.rolled()) {
            return rolled(stroke, rolling, cut.bar().tempo());
        }
        if (!wide) {
            return stroke;
        }
        TooWide rule = rule(stroke, cut.choices());
        Stroke fitted = switch (rule) {
            case PLAY -> stroke;
            case ROLL, PEDAL ->
                rolled(
                        stroke,
                        busy
                                ? Rolling.BEAT
                                : isTenth(stroke) || rolling == Rolling.BROKEN || rule == TooWide.PEDAL
                                        ? Rolling.BEFORE
                                        : rolling,
                        cut.bar().tempo());
            case OMIT -> thinned(stroke);
        };
        return fitted.mended(Mending.valueOf(rule.name()));
    }

    /** What the player wants done; without a pedal nothing is caught by it. */
    private static TooWide rule(Stroke stroke, LeftHandChoices choices) {
        TooWide wanted = stroke.highest().midi() - stroke.lowest().midi() > Pitch.OCTAVE
                ? choices.get(LeftChoice.TENTHS)
                : choices.get(LeftChoice.OCTAVES);
        return wanted == TooWide.PEDAL && !choices.get(LeftChoice.PEDAL) ? TooWide.ROLL : wanted;
    }

    /** The hand lets go of what it holds for the bass that a broken chord strikes on its off-beat. */
    static List<Stroke> lettingGo(List<Stroke> strokes) {
        List<Stroke> free = new ArrayList<>(strokes);
        free.sort(Stroke.IN_TIME);
        for (int i = 0; i < free.size(); i++) {
            Stroke broken = free.get(i);
            if (broken.roll().filter(roll -> roll.kind() == Roll.Kind.BROKEN).isEmpty()) {
                continue;
            }
            int struck = broken.written().tick() - broken.roll().get().leadTicks();
            for (int before = i - 1; before >= 0 && free.get(before).written().end() > struck; before--) {
                Stroke held = free.get(before);
                if (held.hand() == broken.hand() && held.written().tick() < struck) {
                    free.set(
                            before,
                            held.moved(
                                    held.bar(),
                                    TickSpan.of(
                                            held.written().tick(),
                                            struck - held.written().tick())));
                }
            }
        }
        return free;
    }

    /** Two keys: the bass is struck before the beat and the upper note keeps it (EXAMPLES 7). */
    private static boolean isTenth(Stroke stroke) {
        return stroke.notes().size() == 2;
    }

    private boolean tooWide(List<PartNote> notes) {
        return hand.easeOf(PartNote.keys(notes)) == Ease.OUT_OF_REACH;
    }

    private Stroke thinned(Stroke stroke) {
        List<PartNote> kept = new ArrayList<>(stroke.notes());
        while (kept.size() > 1 && tooWide(kept)) {
            kept.remove(kept.size() - 1);
        }
        return stroke.playing(kept);
    }

    private static Stroke rolled(Stroke stroke, Rolling rolling, Tempo tempo) {
        List<PartNote> notes = stroke.notes();
        int last = notes.size() - 1;
        List<PartNote> opened = new ArrayList<>();
        if (rolling == Rolling.BROKEN) {
            for (int i = 0; i <= last; i++) {
                opened.add(notes.get(i).delayed(i == 0 ? -Ticks.PER_EIGHTH : 0));
            }
            return stroke.rolled(new Roll(Roll.Kind.BROKEN, Ticks.PER_EIGHTH, Ticks.PER_EIGHTH), opened);
        }
        int lead = rolling == Rolling.BEFORE ? Math.min(THIRTY_SECOND, tempo.ticksWithin(ROLL_MS)) : 0;
        int spread = rolling == Rolling.BEFORE
                ? lead
                : Math.min(tempo.ticksWithin(ROLL_MS), stroke.written().ticks() / 2);
        for (int i = 0; i <= last; i++) {
            opened.add(notes.get(i).delayed(spread * i / last - lead));
        }
        return stroke.rolled(new Roll(Roll.Kind.QUICK, lead, spread), opened);
    }
}
