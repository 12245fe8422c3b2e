package zapateo.critic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * What is read: a song as two hands play it.
 *
 * @param strokes of both hands, in the order of time
 * @param pedal   while it is down
 * @param asked   by the bars' indices
 */
public record Score(Song song, List<Stroke> strokes, List<TickSpan> pedal, Pianist pianist, List<Asked> asked) {

    public Score {
        strokes = List.copyOf(strokes);
        pedal = List.copyOf(pedal);
        asked = List.copyOf(asked);
    }

    Asked asked(Stroke stroke) {
        return asked.get(stroke.bar());
    }

    /** Places of one hand's strokes. */
    List<Integer> of(Side hand) {
        return IntStream.range(0, strokes.size()).filter(i -> strokes.get(i).hand() == hand).boxed().toList();
    }

    /** Places of the left hand's basses: what is struck as one, lead-ins left out. */
    List<Integer> basses() {
        return of(Side.LEFT).stream().filter(i -> strokes.get(i).mark() == Mark.HEEL).toList();
    }

    /** Two basses of the left hand, one after the other, with the chords they play. */
    record Steps(int before, int now, Song.Placed from, Song.Placed to) {
    }

    /** All that follow one another, where both stand on a chord. */
    List<Steps> bassSteps() {
        List<Integer> basses = basses();
        List<Steps> steps = new ArrayList<>();
        for (int i = 1; i < basses.size(); i++) {
            Optional<Song.Placed> from = chordOf(strokes.get(basses.get(i - 1)));
            Optional<Song.Placed> to = chordOf(strokes.get(basses.get(i)));
            if (from.isPresent() && to.isPresent()) {
                steps.add(new Steps(basses.get(i - 1), basses.get(i), from.get(), to.get()));
            }
        }
        return steps;
    }

    /** The chords in their order, those of the song as it is played. */
    List<Song.Placed> chords() {
        return song.chords().filter(place -> place.chord().isPresent()).toList();
    }

    /** The chord a stroke plays: the one that arrives, for what is struck early. */
    Optional<Song.Placed> chordOf(Stroke stroke) {
        boolean early = stroke.nature().roles().stream().anyMatch(role -> role.ofNext()) || stroke.nature().origin() == Origin.ANTICIPATION;
        return song.placedAt(early ? stroke.written().end() : stroke.written().tick());
    }

    /** Places of what is struck inside a span, by where it is written; of both hands. */
    List<Integer> within(int from, int to) {
        return IntStream.range(0, strokes.size()).filter(i -> strokes.get(i).written().tick() >= from && strokes.get(i).written().tick() < to).boxed().toList();
    }

    /** Places of what sounds somewhere inside a span, the pedal counted. */
    List<Integer> soundingIn(int from, int to) {
        return IntStream.range(0, strokes.size()).filter(i -> strokes.get(i).written().tick() < to && heardUntil(strokes.get(i)) > from).boxed().toList();
    }

    /** Until when a stroke is heard. */
    int heardUntil(Stroke stroke) {
        int end = stroke.sounding().end();
        return pedal.stream().filter(down -> down.tick() <= end && end < down.end()).mapToInt(TickSpan::end).max().orElse(end);
    }

    /** The keys that sound somewhere inside a span, as they stand to a root, 0 to 11. */
    Set<Integer> stepsIn(int from, int to, ChordSymbol chord) {
        Set<Integer> steps = new TreeSet<>();
        soundingIn(from, to).forEach(i -> strokes.get(i).notes().forEach(note -> steps.add(Math.floorMod(note.pitch().midi() - chord.root().chroma(), 12))));
        return steps;
    }

    /** Notes that sound at a tick, the pedal counted. */
    List<PartNote> notesAt(int tick) {
        List<PartNote> notes = new ArrayList<>();
        strokes.stream().filter(stroke -> stroke.written().tick() + earliest(stroke) <= tick && heardUntil(stroke) > tick).forEach(stroke -> notes.addAll(stroke.notes()));
        return notes;
    }

    private static int earliest(Stroke stroke) {
        return stroke.roll().map(roll -> -roll.leadTicks()).orElse(0);
    }

    Bar last() {
        return song.bars().get(song.bars().size() - 1);
    }
}
