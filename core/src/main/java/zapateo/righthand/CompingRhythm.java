package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;

/** When chords are struck over a left hand that is there already. */
final class CompingRhythm {

    static final FigureStroke WHOLE =
            new FigureStroke(Side.RIGHT, List.of(Role.CLOSE), 0, FigureStroke.TO_THE_END, false, false);
    private static final int BARS_OF_A_PHRASE = 4;

    private final Figure figure;
    private final List<Stroke> left;
    private final LeftTop tops;
    /** Where in the left hand the bar of the moment begins. */
    private int at;

    CompingRhythm(Figure figure, List<Stroke> left, LeftTop tops) {
        this.figure = figure;
        this.left = left;
        this.tops = tops;
    }

    /**
     * Hands that both run in small notes take a breath in the last bar of a phrase; the song's last chord is struck
     * once.
     */
    List<FigureStroke> of(Bar bar, int inSection) {
        List<FigureStroke> own = asWritten(bar, inSection);
        boolean busy = own.size() > bar.meter().beats()
                && tops.struck(bar.tick(), bar.end()) > bar.meter().beats();
        return busy && inSection % BARS_OF_A_PHRASE == BARS_OF_A_PHRASE - 1 ? List.of(WHOLE) : own;
    }

    private List<FigureStroke> asWritten(Bar bar, int inSection) {
        List<FigureStroke> own = figure.bar(bar.meter(), inSection).stream()
                .filter(stroke -> stroke.tick() < bar.ticks())
                .toList();
        // A bar may be over before the figure would begin; what strikes at other times than its own is struck all the
        // same.
        FigureStroke model = own.stream()
                .findFirst()
                .orElseGet(() -> figure.written().findFirst().orElseThrow());
        List<FigureStroke> other = switch (figure.manner().times()) {
            case OWN -> own;
            case TUNE ->
                bar.accents().stream()
                        .map(note -> new FigureStroke(
                                Side.RIGHT,
                                model.roles(),
                                note.tick(),
                                Math.min(model.length(), note.ticks()),
                                false,
                                true))
                        .toList();
            case GAPS ->
                gaps(bar).stream()
                        .map(tick -> new FigureStroke(Side.RIGHT, model.roles(), tick, model.length(), false, false))
                        .toList();
        };
        return other.isEmpty() ? own : other;
    }

    /** The eighths of a bar on which the left hand strikes nothing. */
    private List<Integer> gaps(Bar bar) {
        List<Integer> free = new ArrayList<>();
        for (int tick = 0; tick < bar.ticks(); tick += Ticks.PER_EIGHTH) {
            free.add(tick);
        }
        while (at < left.size() && left.get(at).written().tick() < bar.tick()) {
            at++;
        }
        for (int i = at; i < left.size() && left.get(i).written().tick() < bar.end(); i++) {
            int struck = left.get(i).written().tick() - bar.tick();
            free.removeIf(tick -> Math.abs(tick - struck) < Ticks.PER_EIGHTH / 2);
        }
        return free;
    }
}
