package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Swing;
import zapateo.rhythm.Tempo;
import zapateo.rhythm.Ticks;

/**
 * When a song's ticks come, by two maps: from where a tick is written to where it sounds (swing, which stays when the
 * song is practised slower), and from there to seconds (changes of tempo, fermatas). Tick 0 is second 0; what sounds
 * before it goes at the first tempo. A vamp is one round; how often it goes round the player decides.
 */
public final class Timeline {

    /** What lies under a fermata lasts this many times as long; the project's own choice. */
    public static final double HELD = 2;
    /** Written times off this grid are triplets or finer and stay where they are. */
    private static final int SWUNG_GRID = Ticks.PER_QUARTER / 4;

    private final Song song;
    private final Swing swing;
    private final Set<Integer> straight;
    private final List<Piece> pieces = new ArrayList<>();
    /** The tempo of each piece, and how many times as long it lasts. */
    private final List<Tempo> tempos = new ArrayList<>();

    private final List<Double> held = new ArrayList<>();

    /**
     * A stretch of even time.
     *
     * @param tick where it begins
     * @param ms when that is, in milliseconds from tick 0
     * @param pace how many milliseconds a tick of it lasts
     */
    public record Piece(int tick, double ms, double pace) {}

    private Timeline(Song song, Swing swing, Set<Integer> straight) {
        this.song = song;
        this.swing = swing;
        this.straight = Set.copyOf(straight);
        for (Bar bar : song.bars()) {
            for (ChordSpan span : bar.chords()) {
                add(bar.tick() + span.tick(), bar.tempo(), span.held() ? HELD : 1);
            }
        }
    }

    public static Timeline of(Song song, Swing swing) {
        return of(song, swing, Set.of());
    }

    /** @param straight indices of bars that are not swung */
    public static Timeline of(Song song, Swing swing, Set<Integer> straight) {
        return new Timeline(song, swing, straight);
    }

    /** In the order of time, the first at tick 0; two that follow one another have another pace. */
    public List<Piece> pieces() {
        return List.copyOf(pieces);
    }

    /** Where a tick of the score sounds; before the first bar as inside of it. */
    public int sounding(int written) {
        Bar bar = song.barAt(written);
        Meter meter = bar.meter();
        int inside = written - bar.tick();
        return straight.contains(bar.index()) || meter.isCompound() || meter.unit() > 4 || inside % SWUNG_GRID != 0
                ? written
                : bar.tick() + swing.bend(inside);
    }

    private void add(int tick, Tempo tempo, double times) {
        int last = pieces.size() - 1;
        if (last < 0 || !tempos.get(last).equals(tempo) || held.get(last) != times) {
            pieces.add(new Piece(tick, last < 0 ? 0 : ms(last, tick), tempo.millisecondsOf(1) * times));
            tempos.add(tempo);
            held.add(times);
        }
    }

    /** When a sounding tick comes, in milliseconds from tick 0 at the song's own tempos. */
    public double ms(int sounding) {
        return ms(pieceAt(sounding), sounding);
    }

    /** How long it is from one sounding tick to another. */
    public double between(int from, int to) {
        int piece = pieceAt(from);
        return piece == pieceAt(to) ? tempos.get(piece).millisecondsOf(to - from) * held.get(piece) : ms(to) - ms(from);
    }

    private double ms(int piece, int tick) {
        return pieces.get(piece).ms()
                + tempos.get(piece).millisecondsOf(tick - pieces.get(piece).tick()) * held.get(piece);
    }

    private int pieceAt(int tick) {
        int low = 0;
        int high = pieces.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (pieces.get(middle).tick() <= tick) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }
}
