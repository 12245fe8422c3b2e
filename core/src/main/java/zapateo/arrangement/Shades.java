package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import zapateo.part.Stroke;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * How a song's sections differ in loudness (common practice; the numbers are the project's own choice): what is new
 * after the first one is played up, a section that comes again a little, the last time most; in and out of it all is
 * softer. Before a louder section two bars swell, before a softer one a bar falls.
 *
 * @param bars one for each bar
 */
public record Shades(List<Shade> bars) {

    private static final int NEW = 6;
    private static final int AGAIN = 2;
    private static final int LAST_TIME = 8;
    private static final int ASIDE = -6;
    private static final Set<String> ASIDES = Set.of("intro", "outro", "coda", "ending", "tag");
    /** From what difference on two sections are marked as different, and led into. */
    private static final int MARKED = 4;

    private static final int SWELL_BARS = 2;
    private static final int SHORTEST = 4;

    public Shades {
        bars = List.copyOf(bars);
    }

    /**
     * Of one bar, in steps of velocity.
     *
     * @param level of its section
     * @param from at its start
     * @param to at its end; another where it swells or falls
     */
    public record Shade(int level, int from, int to) {

        private int at(Bar bar, int tick) {
            return from + (to - from) * Math.max(0, tick - bar.tick()) / bar.ticks();
        }

        /** Whether it grows louder, if it changes at all. */
        public Optional<Boolean> swells() {
            return from == to ? Optional.empty() : Optional.of(to > from);
        }
    }

    public static Shades of(Song song) {
        List<Section> sections = song.sections();
        List<Integer> levels = levels(sections);
        List<Shade> shades = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            int level = levels.get(i);
            int step = i + 1 < sections.size() ? levels.get(i + 1) - level : 0;
            int count = sections.get(i).bars().size();
            int led = Math.abs(step) < MARKED || count < SHORTEST ? 0 : step > 0 ? SWELL_BARS : 1;
            for (int bar = 0; bar < count; bar++) {
                int before = Math.max(0, bar - (count - led));
                int after = Math.max(0, bar + 1 - (count - led));
                shades.add(new Shade(
                        level,
                        led == 0 ? level : level + step * before / led,
                        led == 0 ? level : level + step * after / led));
            }
        }
        return new Shades(shades);
    }

    private static List<Integer> levels(List<Section> sections) {
        List<Integer> levels = new ArrayList<>();
        Set<String> heard = new HashSet<>();
        for (int i = 0; i < sections.size(); i++) {
            String name = sections.get(i).name();
            boolean again = !heard.add(name);
            boolean last = i > 0 && i == sections.size() - 1;
            boolean fresh = i > 0
                    && !again
                    && !ASIDES.contains(sections.get(i - 1).name().toLowerCase(Locale.ROOT));
            levels.add(
                    ASIDES.contains(name.toLowerCase(Locale.ROOT))
                            ? ASIDE
                            : again ? last ? LAST_TIME : AGAIN : fresh ? NEW : 0);
        }
        return levels;
    }

    /** The strokes so much louder or softer. */
    List<Stroke> on(Song song, List<Stroke> strokes) {
        return strokes.stream()
                .map(stroke -> {
                    Bar bar = song.bars().get(stroke.bar());
                    int more = bars.get(stroke.bar()).at(bar, stroke.written().tick());
                    return more == 0
                            ? stroke
                            : stroke.playing(stroke.notes().stream()
                                    .map(note -> note.struck(note.velocity() + more))
                                    .toList());
                })
                .toList();
    }

    /** With so many bars of silence before it all. */
    public Shades later(int by) {
        List<Shade> all = new ArrayList<>();
        for (int i = 0; i < by; i++) {
            all.add(
                    bars.isEmpty()
                            ? new Shade(0, 0, 0)
                            : new Shade(bars.get(0).level, bars.get(0).level, bars.get(0).level));
        }
        all.addAll(bars);
        return new Shades(all);
    }
}
