package zapateo.righthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.EssentialTones;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Sounding;
import zapateo.part.Stroke;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.search.Patience;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * A tune thins what lies under it: what makes a chord what it is and sounds in neither hand any more goes under a note
 * of the tune, where the hand has it and it is clear of the left one (FAULTS L9).
 */
public final class Restored {

    private static final int CLEAR_OF_TUNE = 3;
    private static final int MOST = 4;
    private static final int SOFTER = 18;
    private static final int PHRASE = 4;

    private final Song song;
    private final List<Stroke> left;
    private final LeftTop top;
    private final Hand hand;
    private final List<Stroke> right;
    private final Sounding onLeft;
    private final Sounding onRight;
    private final Map<Integer, Integer> thinnest = new HashMap<>();

    private Restored(Song song, List<Stroke> left, List<Stroke> right, Hand hand) {
        this.song = song;
        this.left = left;
        this.top = new LeftTop(left);
        this.hand = hand;
        this.right = new ArrayList<>(right);
        // What is restored changes notes and no times.
        this.onLeft = new Sounding(left);
        this.onRight = new Sounding(right);
        right.stream()
                .filter(this::isStrong)
                .forEach(stroke ->
                        thinnest.merge(stroke.bar() / PHRASE, stroke.notes().size(), Math::min));
    }

    /**
     * @param under indices of bars in which something lies under the tune
     * @param gave the same of bars in which the tune took the place of a figure's own chords
     */
    public static List<Stroke> in(
            Song song, List<Stroke> left, List<Stroke> right, Hand hand, Set<Integer> under, Set<Integer> gave) {
        return under.isEmpty() && gave.isEmpty() ? right : new Restored(song, left, right, hand).all(under, gave);
    }

    private List<Stroke> all(Set<Integer> under, Set<Integer> gave) {
        List<Song.Placed> places = song.chords()
                .filter(place -> place.chord().isPresent()
                        && (gave.contains(place.bar().index())
                                || under.contains(place.bar().index()) && hasChords(place)))
                .toList();
        for (Song.Placed place : places) {
            Patience.check();
            ChordSymbol chord = place.chord().orElseThrow();
            Set<Integer> heard = heard(place.tick(), place.end());
            for (Interval tone : EssentialTones.stating(
                    chord, place.end() - place.tick(), place.bar().meter().beatTicks())) {
                int chroma = chord.tone(tone).chroma();
                if (!heard.contains(chroma)) {
                    restore(place, chord, tone);
                }
            }
        }
        return right;
    }

    /** A left hand of basses alone leaves the chords to be thought. */
    private boolean hasChords(Song.Placed place) {
        return onLeft.in(place.tick(), place.end())
                .mapToObj(left::get)
                .anyMatch(stroke -> stroke.mark() == Mark.TOE || stroke.notes().size() > 1);
    }

    private Set<Integer> heard(int from, int to) {
        Set<Integer> heard = new HashSet<>();
        Stream.concat(
                        onLeft.in(from, to).mapToObj(left::get),
                        onRight.in(from, to).mapToObj(right::get))
                .forEach(stroke -> stroke.notes()
                        .forEach(note -> heard.add(note.pitch().pitchClass().chroma())));
        return heard;
    }

    private void restore(Song.Placed place, ChordSymbol chord, Interval tone) {
        List<Integer> order = onRight.beginningIn(place.tick(), place.end())
                .boxed()
                .filter(i -> right.get(i).nature().origin().isTune() && hasRoom(right.get(i)))
                .sorted(Comparator.comparingInt(
                                (Integer i) -> -right.get(i).written().ticks())
                        .thenComparing(i -> i))
                .toList();
        for (int i : order) {
            Stroke stroke = right.get(i);
            Optional<Stroke> fuller = with(stroke, chord, tone);
            if (fuller.isPresent()) {
                right.set(i, fuller.get());
                return;
            }
        }
    }

    /** One tone more than the thinnest of a phrase is no other texture. */
    private boolean hasRoom(Stroke stroke) {
        int least = thinnest.getOrDefault(stroke.bar() / PHRASE, stroke.notes().size());
        return stroke.notes().size() < MOST
                && (!isStrong(stroke) || stroke.notes().size() <= least);
    }

    private boolean isStrong(Stroke stroke) {
        Bar bar = song.bars().get(stroke.bar());
        return stroke.nature().origin().isTune()
                && bar.meter().isStrong(stroke.written().tick() - bar.tick());
    }

    private Optional<Stroke> with(Stroke stroke, ChordSymbol chord, Interval tone) {
        int highest = stroke.highest().midi();
        int floor = Math.max(
                Shape.LOWEST, top.over(stroke.written().tick(), stroke.written().end()) + Comping.CLEAR_OF_LEFT);
        for (int key = highest - CLEAR_OF_TUNE; key >= Math.max(floor, highest - Pitch.OCTAVE); key--) {
            int at = key;
            boolean wanted =
                    Math.floorMod(key, Pitch.OCTAVE) == chord.tone(tone).chroma();
            if (wanted
                    && stroke.notes().stream()
                            .allMatch(note -> Math.abs(note.pitch().midi() - at) > 1)) {
                List<PartNote> notes = new ArrayList<>(stroke.notes());
                notes.add(PartNote.of(Pitch.onKey(key, chord.tone(tone).simple()), Role.tone(tone.number()))
                        .struck(stroke.notes().get(stroke.notes().size() - 1).velocity() - SOFTER));
                notes.sort(Comparator.comparingInt(note -> note.pitch().midi()));
                if (hand.easeOf(PartNote.keys(notes)) != Ease.OUT_OF_REACH) {
                    return Optional.of(stroke.playing(notes)
                            .as(stroke.nature().from(Origin.UNDER_TUNE))
                            .because(stroke.reason().with("under", "close").with("chord", chord.toString())));
                }
            }
        }
        return Optional.empty();
    }
}
