package zapateo.server.arrangements;

import static zapateo.server.arrangements.Told.each;
import static zapateo.server.arrangements.Told.tenth;
import static zapateo.server.arrangements.Told.unless;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import tools.jackson.databind.annotation.JsonSerialize;
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
import zapateo.rhythm.Side;
import zapateo.server.bounds.NameOf;
import zapateo.song.Song;

/**
 * @param id a name that stays when something is changed elsewhere: hand, part, bar as written, pass, tick in it, which
 *     of the hand's strokes there
 * @param origin what put it there
 * @param chordTick where the chord it plays begins; what comes early plays the one that arrives
 * @param tick where it sounds; {@code written} is where the score has it
 * @param stretchMm from its lowest to its highest key on the player's keys, 0 for one note
 * @param ease how the hand stands to it: comfortable, stretch, key-edge or out-of-reach
 * @param altered what was done because the hand cannot strike it together: roll, pedal, omit or play
 * @param rolled null when struck together
 * @param reason its place among the reasons
 * @param noted the places of its notes among the notes, where each is told once
 */
@JsonSerialize(using = StrokeJson.class)
@JsonInclude(JsonInclude.Include.NON_NULL)
public record StrokeView(
        @Schema(
                description =
                        "absent where it is that of where it is written: hand, then number and round of its bar and "
                                + "the tick in it, with points between")
        String id,

        @Schema(allowableValues = {"L", "R"}) String hand,

        @NameOf(Origin.class) @Schema(description = "absent where it is figure")
        String origin,

        @Schema(description = "absent where it is that of the chord it is written under")
        Integer chordTick,

        int bar,
        int tick,
        int ticks,

        @Schema(description = "absent where it stands where it sounds")
        WrittenView written,

        @Schema(description = "absent where it is false") Boolean accent,
        @Schema(description = "absent where it is 0") Double stretchMm,

        @NameOf(Ease.class) @Schema(description = "absent where it is comfortable")
        String ease,

        @Schema(description = "absent where nothing was done")
        String altered,

        @JsonInclude(JsonInclude.Include.ALWAYS) @Schema(types = {"object", "null"})
        RolledView rolled,

        int reason,

        @Schema(description = "absent where each note is told once")
        List<NoteView> notes,

        @Schema(description = "absent where a stroke tells its own notes")
        List<Integer> noted) {

    /** With places in place of its notes. */
    StrokeView naming(Function<NoteView, Integer> places) {
        return new StrokeView(
                id,
                hand,
                origin,
                chordTick,
                bar,
                tick,
                ticks,
                written,
                accent,
                stretchMm,
                ease,
                altered,
                rolled,
                reason,
                null,
                each(notes, places));
    }

    static StrokeView of(
            Optional<String> id,
            Stroke stroke,
            int reason,
            Arrangement arrangement,
            Pianist pianist,
            Map<NoteView, NoteView> told) {
        Hand hand = stroke.hand() == Side.LEFT ? pianist.leftOnKeys() : pianist.rightOnKeys();
        double scale = pianist.instrument().octaveMm() / Keyboard.OCTAVE;
        return new StrokeView(
                id.orElse(null),
                stroke.hand().letter(),
                unless("figure", stroke.nature().origin().id()),
                unless(under(arrangement, stroke), arrangement.chordTick(stroke)),
                stroke.bar(),
                stroke.sounding().tick(),
                stroke.sounding().ticks(),
                stroke.onPage().equals(stroke.sounding())
                        ? null
                        : new WrittenView(
                                stroke.onPage().tick(), stroke.onPage().ticks()),
                unless(false, stroke.accent()),
                unless(
                        0.0,
                        tenth(scale
                                * Keyboard.stretch(
                                        stroke.lowest().midi(), stroke.highest().midi()))),
                unless("comfortable", hand.easeOf(stroke.keys()).id()),
                stroke.mended(Mending.Cause.HAND).map(Mending::id).orElse(null),
                stroke.roll().map(RolledView::of).orElse(null),
                reason,
                each(stroke.notes(), note -> NoteView.of(note, told)),
                null);
    }

    /** Where the chord begins that a stroke is written under; its own place where there is none. */
    private static int under(Arrangement arrangement, Stroke stroke) {
        int tick = stroke.onPage().tick();
        return arrangement.song().placedAt(tick).map(Song.Placed::tick).orElse(tick);
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
     * @param finger 1 the thumb to 5; null where there are more keys than fingers
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record NoteView(
            int midi,
            String name,
            String role,
            @Schema(description = "absent where it is 0") Integer delayTicks,

            @JsonInclude(JsonInclude.Include.ALWAYS) @Schema(types = {"integer", "null"})
            Integer finger) {

        /** @param told those that are told already: the same one is the same object */
        private static NoteView of(PartNote note, Map<NoteView, NoteView> told) {
            NoteView view = new NoteView(
                    note.pitch().midi(),
                    note.pitch().toString(),
                    note.role(),
                    unless(0, note.delayTicks()),
                    note.finger() == 0 ? null : note.finger());
            NoteView before = told.putIfAbsent(view, view);
            return before == null ? view : before;
        }

        @Override
        public int hashCode() {
            return ((midi * 31 + role.hashCode()) * 31 + Objects.hashCode(finger)) * 31 + Objects.hashCode(delayTicks);
        }
    }
}
