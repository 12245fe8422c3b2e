package zapateo.server.arrangements;

import static zapateo.server.arrangements.Told.tenth;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import zapateo.arrangement.Arrangement;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Keyboard;
import zapateo.hand.Pianist;
import zapateo.names.Names;
import zapateo.part.Mending;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Roll;
import zapateo.part.Stroke;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.server.bounds.NameOf;

/**
 * @param id a name that stays when something is changed elsewhere: hand, part, bar as written, pass, tick in it, which
 *     of the hand's strokes there
 * @param origin what put it there
 * @param chordTick where the chord it plays begins; what comes early plays the one that arrives
 * @param tick where it sounds; {@code written} is where the score has it
 * @param until where what it strikes is heard no more: let go, and the pedal up
 * @param stretchMm from its lowest to its highest key on the player's keys, 0 for one note
 * @param ease how the hand stands to it
 * @param altered what was done because the hand cannot strike it together: roll, pedal, omit or play
 * @param rolled null when struck together
 * @param reason its place among the reasons
 */
public record StrokeView(
        String id,
        @Schema(allowableValues = {"L", "R"}) String hand,
        @NameOf(Origin.class) String origin,
        int chordTick,
        int bar,
        int tick,
        int ticks,
        int until,
        WrittenView written,
        @NameOf(Mark.class) String mark,
        boolean accent,
        double stretchMm,
        @NameOf(Ease.class) String ease,
        @Schema(types = {"string", "null"}) String altered,
        @Schema(types = {"object", "null"}) RolledView rolled,
        int reason,
        List<NoteView> notes) {

    static StrokeView of(String id, Stroke stroke, int reason, Arrangement arrangement, Pianist pianist) {
        Hand hand = stroke.hand() == Side.LEFT ? pianist.leftOnKeys() : pianist.rightOnKeys();
        double scale = pianist.instrument().octaveMm() / Keyboard.OCTAVE;
        return new StrokeView(
                id,
                stroke.hand().letter(),
                stroke.nature().origin().id(),
                arrangement.chordTick(stroke),
                stroke.bar(),
                stroke.sounding().tick(),
                stroke.sounding().ticks(),
                arrangement.heardUntil(stroke),
                new WrittenView(stroke.onPage().tick(), stroke.onPage().ticks()),
                stroke.mark().id(),
                stroke.accent(),
                tenth(scale
                        * Keyboard.stretch(
                                stroke.lowest().midi(), stroke.highest().midi())),
                hand.easeOf(stroke.keys()).id(),
                stroke.mended(Mending.Cause.HAND).map(Mending::id).orElse(null),
                stroke.roll().map(RolledView::of).orElse(null),
                reason,
                stroke.notes().stream().map(NoteView::of).toList());
    }

    public record WrittenView(int tick, int ticks) {}

    /** @param leadTicks how long before the stroke's tick it begins; @param spreadTicks from first note to last */
    public record RolledView(@NameOf(Roll.Kind.class) String kind, int leadTicks, int spreadTicks) {

        private static RolledView of(Roll roll) {
            return new RolledView(Names.of(roll.kind()), roll.leadTicks(), roll.spreadTicks());
        }
    }

    /**
     * @param delayTicks how much later than the stroke it sounds, below zero before it
     * @param velocity how hard it is struck, 1 to 127
     * @param finger 1 the thumb to 5; null where there are more keys than fingers
     */
    public record NoteView(
            int midi,
            String name,
            String role,
            int delayTicks,
            int velocity,
            @Schema(types = {"integer", "null"}) Integer finger) {

        private static NoteView of(PartNote note) {
            return new NoteView(
                    note.pitch().midi(),
                    note.pitch().toString(),
                    note.role().toString(),
                    note.delayTicks(),
                    note.velocity(),
                    note.finger() == 0 ? null : note.finger());
        }
    }
}
