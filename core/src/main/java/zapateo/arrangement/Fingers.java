package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zapateo.hand.BarTime;
import zapateo.hand.FingerSearch;
import zapateo.hand.Fingering;
import zapateo.hand.Hand;
import zapateo.hand.Playability;
import zapateo.part.Part;
import zapateo.part.Stroke;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Timeline;

/** Fingers on every note of a hand, the player's own where there are any. */
final class Fingers {

    private static final int[] NONE = {};

    private final List<Bar> bars;
    private final List<BarTime> times;
    private final Timeline timeline;
    private final Map<Integer, List<Choices.PlacedFinger>> own = new HashMap<>();

    Fingers(Song song, Timeline timeline, List<Choices.PlacedFinger> own) {
        this.timeline = timeline;
        this.bars = song.bars();
        this.times = bars.stream()
                .map(bar -> new BarTime(
                        bar.tick(),
                        bar.ticks(),
                        bar.tempo().beatTicks(),
                        bar.tempo().bpm()))
                .toList();
        own.forEach(each -> this.own
                .computeIfAbsent(each.bar(), number -> new ArrayList<>())
                .add(each));
    }

    List<BarTime> bars() {
        return times;
    }

    Playability.Played of(Part part, Hand hand) {
        List<Stroke> strokes = part.strokes();
        Fingering fingering = FingerSearch.of(
                strokes,
                part.hand(),
                hand,
                i -> timeline.between(
                        strokes.get(i - 1).sounding().tick(),
                        strokes.get(i).sounding().tick()),
                i -> locks(strokes.get(i)));
        List<Stroke> fingered = new ArrayList<>(strokes.size());
        for (int i = 0; i < strokes.size(); i++) {
            fingered.add(strokes.get(i).fingered(fingering.fingers().get(i)));
        }
        return new Playability.Played(part.hand(), hand, fingered, fingering);
    }

    private int[] locks(Stroke stroke) {
        if (own.isEmpty()) {
            return NONE;
        }
        Bar bar = bars.get(stroke.bar());
        List<Choices.PlacedFinger> here = own.getOrDefault(bar.number(), List.of());
        if (here.isEmpty()) {
            return NONE;
        }
        int[] locks = new int[stroke.notes().size()];
        for (Choices.PlacedFinger each : here) {
            boolean hit = each.hand() == stroke.hand()
                    && each.pass().filter(pass -> pass != bar.pass()).isEmpty()
                    && each.tick() == stroke.written().tick() - bar.tick();
            for (int i = 0; hit && i < locks.length; i++) {
                locks[i] = stroke.notes().get(i).pitch().midi() == each.key() ? each.finger() : locks[i];
            }
        }
        return locks;
    }
}
