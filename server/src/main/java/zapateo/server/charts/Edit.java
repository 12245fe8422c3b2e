package zapateo.server.charts;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.DiscriminatorMapping;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.ChordUnreadException;
import zapateo.harmony.Key;
import zapateo.pitch.Pitch;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.LongText;
import zapateo.server.bounds.NameOf;
import zapateo.server.bounds.PassNumber;
import zapateo.server.bounds.PlaceInBar;
import zapateo.server.bounds.PlaceInSong;
import zapateo.server.bounds.ShortText;
import zapateo.server.bounds.TicksInBar;
import zapateo.server.problems.Refusal;
import zapateo.song.BarMoves;
import zapateo.song.ChartEdit;
import zapateo.song.ChordReplacement;
import zapateo.song.NoteEdit;
import zapateo.song.SectionChange;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/** One change to a chart's text, told apart by its {@code kind}. Bars are written bars counted from 0. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(Edit.SetBar.class),
    @JsonSubTypes.Type(Edit.Insert.class),
    @JsonSubTypes.Type(Edit.Delete.class),
    @JsonSubTypes.Type(Edit.Copy.class),
    @JsonSubTypes.Type(Edit.Move.class),
    @JsonSubTypes.Type(Edit.MoveChord.class),
    @JsonSubTypes.Type(Edit.ReplaceChords.class),
    @JsonSubTypes.Type(Edit.OfSection.class),
    @JsonSubTypes.Type(Edit.Join.class),
    @JsonSubTypes.Type(Edit.ConfirmGuesses.class),
    @JsonSubTypes.Type(Edit.Melody.class),
    @JsonSubTypes.Type(Edit.OfNote.class),
    @JsonSubTypes.Type(Edit.NamedKey.class)
})
@Schema(
        oneOf = {
            Edit.SetBar.class,
            Edit.Insert.class,
            Edit.Delete.class,
            Edit.Copy.class,
            Edit.Move.class,
            Edit.MoveChord.class,
            Edit.ReplaceChords.class,
            Edit.OfSection.class,
            Edit.Join.class,
            Edit.ConfirmGuesses.class,
            Edit.Melody.class,
            Edit.OfNote.class,
            Edit.NamedKey.class
        },
        discriminatorProperty = "kind",
        discriminatorMapping = {
            @DiscriminatorMapping(value = "set", schema = Edit.SetBar.class),
                    @DiscriminatorMapping(value = "insert", schema = Edit.Insert.class),
            @DiscriminatorMapping(value = "delete", schema = Edit.Delete.class),
                    @DiscriminatorMapping(value = "copy", schema = Edit.Copy.class),
            @DiscriminatorMapping(value = "move", schema = Edit.Move.class),
                    @DiscriminatorMapping(value = "moveChord", schema = Edit.MoveChord.class),
            @DiscriminatorMapping(value = "replaceChords", schema = Edit.ReplaceChords.class),
                    @DiscriminatorMapping(value = "section", schema = Edit.OfSection.class),
            @DiscriminatorMapping(value = "join", schema = Edit.Join.class),
                    @DiscriminatorMapping(value = "confirmGuesses", schema = Edit.ConfirmGuesses.class),
            @DiscriminatorMapping(value = "tune", schema = Edit.Melody.class),
                    @DiscriminatorMapping(value = "note", schema = Edit.OfNote.class),
            @DiscriminatorMapping(value = "key", schema = Edit.NamedKey.class)
        })
public sealed interface Edit {

    /** The text with it made, and where a note is now. */
    record Made(String text, Optional<NoteEdit.Edited> note) {}

    Made on(ChartEdit chart);

    /** Which bars have another number afterwards. */
    default BarMoves moves(Song before, List<WrittenBar> was, List<WrittenBar> is) {
        return BarMoves.between(was, is);
    }

    private static Made made(String text) {
        return new Made(text, Optional.empty());
    }

    /** A chord by its symbol; a refusal where it is none. */
    static ChordSymbol chord(String symbol) {
        try {
            return ChordSymbol.parse(symbol == null ? "" : symbol.strip());
        } catch (ChordUnreadException unread) {
            throw Refusal.unusable("chord \"" + symbol + "\": expected a chord such as C, Am7 or B♭/D");
        }
    }

    /** @param content what would be typed between two bar lines */
    @JsonTypeName("set")
    record SetBar(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected what stands in the bar") @LongText
            String content)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.set(bar, content));
        }
    }

    /**
     * @param bar it goes before, one more than the last bar for the end; @param content what would be typed between bar
     *     lines
     */
    @JsonTypeName("insert")
    record Insert(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected what stands in the bar") @LongText
            String content)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.insert(bar, content));
        }

        @Override
        public BarMoves moves(Song before, List<WrittenBar> was, List<WrittenBar> is) {
            return BarMoves.inserted(was.size(), bar, is.size() - was.size());
        }
    }

    /** @param bar the first; @param to the last, included */
    @JsonTypeName("delete")
    record Delete(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected the last bar") @BarNumber
            Integer to)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.delete(bar, to));
        }

        @Override
        public BarMoves moves(Song before, List<WrittenBar> was, List<WrittenBar> is) {
            return BarMoves.deleted(was.size(), bar, to);
        }
    }

    /**
     * @param bar the first; @param to the last, included; @param before the bar they go before, one more than the last
     *     bar for the end
     */
    @JsonTypeName("copy")
    record Copy(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected the last bar") @BarNumber
            Integer to,

            @NotNull(message = "expected the bar they go before") @BarNumber
            Integer before)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.copy(bar, to, before));
        }

        @Override
        public BarMoves moves(Song song, List<WrittenBar> was, List<WrittenBar> is) {
            return BarMoves.inserted(was.size(), before, to - bar + 1);
        }
    }

    /**
     * @param bar the first; @param to the last, included; @param before the bar they go before, one more than the last
     *     bar for the end
     */
    @JsonTypeName("move")
    record Move(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected the last bar") @BarNumber
            Integer to,

            @NotNull(message = "expected the bar they go before") @BarNumber
            Integer before)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.move(bar, to, before));
        }

        @Override
        public BarMoves moves(Song song, List<WrittenBar> was, List<WrittenBar> is) {
            return BarMoves.moved(was.size(), bar, to, before);
        }
    }

    /** @param chord its place in the bar from 0; @param beat the one it goes to, from 0 */
    @JsonTypeName("moveChord")
    record MoveChord(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected a chord's place") @PlaceInBar
            Integer chord,

            @NotNull(message = "expected a beat") @PlaceInBar
            Integer beat)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.moveChord(bar, chord, beat));
        }
    }

    /** @param changes all of them at once */
    @JsonTypeName("replaceChords")
    record ReplaceChords(
            @NotNull(message = "expected chords") @Size(max = 8000, message = "expected at most 8000")
            List<@NotNull(message = "expected a change") @Valid ChordChange> changes)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.replaceChords(changes.stream()
                    .map(each -> new ChordReplacement(each.bar(), each.chord(), chord(each.symbol())))
                    .toList()));
        }
    }

    /** @param bar written bar from 0; @param chord place in the bar from 0 */
    record ChordChange(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected a chord's place") @PlaceInBar
            Integer chord,

            @NotNull(message = "expected a chord") @ShortText
            String symbol) {}

    /** @param section its place from 0 */
    @JsonTypeName("section")
    record OfSection(
            @NotNull(message = "expected a section's place") @PlaceInSong
            Integer section,

            @NotNull(message = "expected what is done with it")
            SectionChange change)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.section(section, change));
        }

        @Override
        public BarMoves moves(Song before, List<WrittenBar> was, List<WrittenBar> is) {
            return BarMoves.section(before.written(), section, change);
        }
    }

    /** @param bar it and the next */
    @JsonTypeName("join")
    record Join(
            @NotNull(message = "expected a bar") @BarNumber Integer bar) implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.join(bar));
        }

        @Override
        public BarMoves moves(Song before, List<WrittenBar> was, List<WrittenBar> is) {
            return BarMoves.deleted(was.size(), bar + 1, bar + 1);
        }
    }

    /** Every guessed length taken as right. */
    @JsonTypeName("confirmGuesses")
    record ConfirmGuesses() implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.confirmGuesses());
        }
    }

    /** @param bar the first; @param content the melody of the bars from there on, parted by bar lines */
    @JsonTypeName("tune")
    record Melody(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected a melody") @LongText
            String content)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.tune(bar, List.of(content.split("\\|", -1))));
        }
    }

    /**
     * One change to a note of the melody.
     *
     * @param pass the time the bar is played, from 1; absent is 1
     * @param tick where it begins, from the bar line
     * @param note what is done with it
     * @param pitch the one it is to have, as E♭5 or as a MIDI key's number, with pitch and, where it is given, with add
     */
    @JsonTypeName("note")
    record OfNote(
            @NotNull(message = "expected a bar") @BarNumber Integer bar,
            @PassNumber Integer pass,

            @NotNull(message = "expected where the note begins") @TicksInBar
            Integer tick,

            @NotNull(message = "expected what is done with the note") @NameOf(NoteEdit.Change.class)
            String note,

            @ShortText String pitch)
            implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            NoteEdit.Edited edited = chart.note(new NoteEdit(
                    bar,
                    pass == null ? 1 : Math.max(1, pass),
                    tick,
                    change(),
                    Optional.ofNullable(pitch).map(name -> pitch(name, chart))));
            return new Made(edited.text(), Optional.of(edited));
        }

        /** Notes hang on no bar's number. */
        @Override
        public BarMoves moves(Song before, List<WrittenBar> was, List<WrittenBar> is) {
            return BarMoves.between(was, was);
        }

        private NoteEdit.Change change() {
            return Arrays.stream(NoteEdit.Change.values())
                    .filter(change -> change.id().equals(note))
                    .findFirst()
                    .orElseThrow(() -> Refusal.unusable("note \"" + note + "\": expected one of "
                            + String.join(
                                    ", ",
                                    Arrays.stream(NoteEdit.Change.values())
                                            .map(NoteEdit.Change::id)
                                            .toList())));
        }

        /** By its name, or by its key as the song's key spells it. */
        private static Pitch pitch(String name, ChartEdit chart) {
            return name.matches("[0-9]{1,3}")
                    ? Pitch.onKey(
                            Integer.parseInt(name),
                            chart.reading().song().orElseThrow().key().spellTone(Integer.parseInt(name) % 12))
                    : Pitch.parse(name);
        }
    }

    /** @param content the song's key, blank to have it found from the chords */
    @JsonTypeName("key")
    record NamedKey(
            @NotNull(message = "expected a key") @ShortText String content) implements Edit {

        @Override
        public Made on(ChartEdit chart) {
            return made(chart.key(Optional.of(content)
                    .filter(name -> !name.isBlank())
                    .map(name -> Key.read(name)
                            .orElseThrow(() -> Refusal.unusable(
                                    "key \"" + name + "\": expected a key such as B♭, Gm or E mixolydian")))));
        }
    }
}
