package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.harmony.ChordSymbol;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * A stretch of one bar with one chord and one set of choices: what a figure is laid on at a time.
 *
 * @param tick from the start of the song
 * @param begins whether the chord before it was another one, or none
 * @param nth how many whole bars the same chord has lasted already
 * @param early whether the chord comes an eighth before its place
 * @param place of its bar in its section
 */
record Cut(
        int index,
        Bar bar,
        int tick,
        int ticks,
        ChordSymbol chord,
        LeftHandChoices choices,
        boolean begins,
        int nth,
        boolean early,
        Place place) {

    /** @param inSection from 1 */
    record Place(int section, int inSection, boolean lastOfSection, boolean lastOfSong) {}

    int end() {
        return tick + ticks;
    }

    boolean fillsBar() {
        return ticks == bar.ticks();
    }

    /** Which of its figure's bars it is: by the song's bars where that has phrases, else as long as the chord stays. */
    int turn() {
        return choices.figure().manner().phrased() ? place.inSection() - 1 : nth;
    }

    Cut as(LeftHandChoices others) {
        return new Cut(index, bar, tick, ticks, chord, others, begins, nth, early, place);
    }

    /** Every chord of the song, cut where the choices change too; silences are left out. */
    static List<Cut> of(Song song, Plan plan) {
        List<Cut> cuts = new ArrayList<>();
        List<Section> sections = song.sections();
        for (int section = 0; section < sections.size(); section++) {
            List<Bar> bars = sections.get(section).bars();
            for (int i = 0; i < bars.size(); i++) {
                boolean last = i == bars.size() - 1;
                Place place = new Place(section, i + 1, last, last && section == sections.size() - 1);
                for (ChordSpan span : bars.get(i).chords()) {
                    if (span.chord().isPresent()) {
                        add(cuts, bars.get(i), span, plan, place);
                    }
                }
            }
        }
        return cuts;
    }

    private static void add(List<Cut> cuts, Bar bar, ChordSpan span, Plan plan, Place place) {
        ChordSymbol chord = span.chord().orElseThrow();
        int from = span.tick();
        List<Integer> ends = new ArrayList<>();
        for (int change : plan.changes(bar)) {
            if (change > span.tick() && change < span.end()) {
                ends.add(change);
            }
        }
        ends.add(span.end());
        for (int end : ends) {
            Cut before = cuts.isEmpty() ? null : cuts.get(cuts.size() - 1);
            boolean goesOn = before != null && before.end() == bar.tick() + from && before.chord.equals(chord);
            boolean whole = goesOn
                    && before.fillsBar()
                    && end - from == bar.ticks()
                    && before.bar.meter().equals(bar.meter());
            cuts.add(new Cut(
                    cuts.size(),
                    bar,
                    bar.tick() + from,
                    end - from,
                    chord,
                    plan.at(bar, from),
                    !goesOn,
                    whole ? before.nth + 1 : 0,
                    from == span.tick() && span.early(),
                    place));
            from = end;
        }
    }
}
