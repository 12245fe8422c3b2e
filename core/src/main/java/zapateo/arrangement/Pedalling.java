package zapateo.arrangement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zapateo.lefthand.Realised;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Timeline;

/**
 * When the pedal is down: lifted when a chord is struck, down again before its first key is let go, and earlier where
 * the style wants it (HANDBOOK §7). One that is struck early changes the pedal early.
 */
final class Pedalling {

    /**
     * How soon after a chord the pedal goes down again: the old chord's sound has stopped, the new key is still held.
     */
    private static final int LAG = 240;
    /** Quarters a minute up to which a dance is slow (the project's own choice). */
    private static final double SLOW = 84;

    private static final int UNSTRUCK = Integer.MIN_VALUE;

    private final Song song;
    private final Timeline timeline;
    private final List<Realised.LaidChord> chords;
    private final List<List<Stroke>> byChord = new ArrayList<>();
    private final List<Pedal> pedal = new ArrayList<>();

    private Pedalling(Song song, Timeline timeline, List<Realised.LaidChord> chords, List<Stroke> strokes) {
        this.song = song;
        this.timeline = timeline;
        this.chords = chords;
        chords.forEach(chord -> byChord.add(new ArrayList<>()));
        strokes.stream()
                .filter(stroke -> stroke.mark() != Mark.LEAD)
                .sorted(Comparator.comparingInt(Stroke::firstTick))
                .forEach(stroke -> byChord.get(stroke.chord()).add(stroke));
    }

    static List<Pedal> of(Song song, Timeline timeline, List<Realised.LaidChord> chords, List<Stroke> strokes) {
        Pedalling pedalling = new Pedalling(song, timeline, chords, strokes);
        for (int i = 0; i < chords.size(); i++) {
            // Voices are bound by the fingers.
            boolean voices = pedalling.byChord.get(i).stream()
                    .anyMatch(stroke -> stroke.nature().origin() == Origin.PARTS);
            if (!pedalling.byChord.get(i).isEmpty() && chords.get(i).pedal() && !voices) {
                pedalling.press(i);
            }
        }
        return pedalling.pedal;
    }

    private void press(int chord) {
        int before = pedal.size();
        hold(chord);
        List<Pedal> own = new ArrayList<>(pedal.subList(before, pedal.size()));
        pedal.subList(before, pedal.size()).clear();
        int calm = calm(chord);
        own.forEach(each -> clean(calm, chord, each));
    }

    /** Up where the left hand passes through what is no tone of the chord, down again on what follows. */
    private void clean(int calm, int chord, Pedal whole) {
        int down = whole.down();
        List<Stroke> left = left(chord);
        for (int i = 0; i < left.size(); i++) {
            int at = left.get(i).sounding().tick();
            if (at <= down || at >= whole.up() || !passes(calm, left.get(i))) {
                continue;
            }
            pedal.add(new Pedal(down, at));
            int next = i + 1;
            while (next < left.size() && passes(calm, left.get(next))) {
                next++;
            }
            if (next == left.size()) {
                return;
            }
            int struck = left.get(next).sounding().tick();
            down = struck + Math.max(1, Math.min(LAG, (left.get(next).sounding().end() - struck) / 2));
            i = next;
        }
        if (whole.up() > down) {
            pedal.add(new Pedal(down, whole.up()));
        }
    }

    /** Whether it strikes what is neither a tone of the chord nor of the key; a ninth or a sixth is a colour. */
    private static boolean passes(int calm, Stroke stroke) {
        for (PartNote note : stroke.notes()) {
            if ((calm >> note.pitch().pitchClass().chroma() & 1) == 0) {
                return true;
            }
        }
        return false;
    }

    private List<Stroke> left(int chord) {
        List<Stroke> left = new ArrayList<>();
        for (Stroke stroke : byChord.get(chord)) {
            if (stroke.hand() == Side.LEFT) {
                left.add(stroke);
            }
        }
        return left;
    }

    /** The chromas that do not pass over a chord, a bit each; all of them where none sounds. */
    private int calm(int chord) {
        int tick = chords.get(chord).tick();
        return song.chordAt(tick)
                .map(symbol -> symbol.chromas()
                        | song.barAt(tick).key().chromas()
                        | 1 << symbol.bass().chroma())
                .orElse(-1);
    }

    private void hold(int chord) {
        int struck = struck(chord);
        // A last chord that is let go is not held by the pedal either.
        boolean last =
                byChord.get(chord).stream().allMatch(stroke -> stroke.nature().origin() == Origin.ENDING);
        int lifted = last
                ? byChord.get(chord).stream()
                        .mapToInt(stroke -> stroke.sounding().end())
                        .max()
                        .orElseThrow()
                : lifted(chord);
        switch (chords.get(chord).choices().figure().manner().lifts()) {
            case CHANGE -> down(struck, released(struck, chord), lifted);
            case CHORD -> basses(chord, lifted);
            case THIRD -> down(struck, released(struck, chord), Math.min(lifted, third(chord)));
            case HALF -> {
                if (last) {
                    down(struck, released(struck, chord), lifted);
                } else {
                    halves(chord, struck, lifted);
                }
            }
        }
    }

    private int struck(int chord) {
        return byChord.get(chord).isEmpty()
                ? UNSTRUCK
                : byChord.get(chord).get(0).firstTick();
    }

    private int released(int from, int chord) {
        return byChord.get(chord).stream()
                .filter(stroke -> stroke.firstTick() >= from)
                .findFirst()
                .map(stroke -> stroke.sounding().end())
                .orElse(from);
    }

    /** Until the next chord is struck. */
    private int lifted(int chord) {
        int lifted = chords.get(chord).end();
        for (int next = chord + 1; next < chords.size() && chords.get(next).tick() <= lifted; next++) {
            if (struck(next) != UNSTRUCK) {
                return Math.min(lifted, struck(next));
            }
            lifted = Math.max(lifted, chords.get(next).end());
        }
        return lifted;
    }

    private void down(int struck, int released, int lifted) {
        int least = pedal.isEmpty()
                ? Integer.MIN_VALUE
                : pedal.get(pedal.size() - 1).up() + 1;
        int down = Math.max(
                least, struck + Math.max(1, Math.min(LAG, Math.min((lifted - struck) / 4, (released - struck) / 2))));
        if (lifted > down) {
            pedal.add(new Pedal(down, lifted));
        }
    }

    /** Down with each bass, up on the chord above it. */
    private void basses(int chord, int lifted) {
        List<Stroke> left = left(chord);
        for (int i = 0; i < left.size(); i++) {
            if (left.get(i).mark() == Mark.HEEL) {
                int end = i + 1 < left.size() ? left.get(i + 1).sounding().tick() : lifted;
                down(left.get(i).firstTick(), left.get(i).sounding().end(), Math.min(lifted, end));
            }
        }
    }

    private int third(int chord) {
        Bar bar = song.barAt(chords.get(chord).tick());
        int beat = bar.tick() + 2 * bar.meter().beatTicks();
        return beat > chords.get(chord).tick() && beat < chords.get(chord).end()
                ? timeline.sounding(beat)
                : chords.get(chord).end();
    }

    private void halves(int chord, int struck, int lifted) {
        Bar bar = song.barAt(chords.get(chord).tick());
        int half = timeline.sounding(bar.tick() + bar.meter().barTicks() / 2);
        double quarters = bar.tempo().bpm() * bar.tempo().beatTicks() / Ticks.PER_QUARTER;
        if (quarters <= SLOW || half <= struck || half >= lifted) {
            down(struck, released(struck, chord), lifted);
            return;
        }
        down(struck, released(struck, chord), half);
        down(half, released(half, chord), lifted);
    }
}
