package zapateo.colour;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * A chord of the song as it is played, with what a rule may ask of it.
 *
 * @param index among the song's chords
 * @param bar it begins in
 * @param tick from the song's beginning
 * @param ticks how long
 * @param early whether it is struck early or held, so that its time is not to be parted
 * @param before the chord that sounds before it
 * @param next the chord after it
 * @param phrase which phrase of the song it lies in, from 0
 * @param marks where in phrase, section and song it stands
 */
record ColourPlace(
        int index,
        Bar bar,
        int tick,
        int ticks,
        ChordSymbol chord,
        boolean early,
        Optional<ChordSymbol> before,
        Optional<ChordSymbol> next,
        Key key,
        int phrase,
        Set<Mark> marks) {

    /** So many bars make a phrase. */
    private static final int PHRASE = 4;

    enum Mark {
        PHRASE_END,
        SECTION_END,
        LAST,
        NOT_LAST,
        AGAIN,
        RETURNS,
        BEFORE_LAST_SECTION
    }

    int end() {
        return tick + ticks;
    }

    int beat() {
        return bar.meter().beatTicks();
    }

    /** Every chord, in order; silences part them. */
    static List<ColourPlace> of(Song song) {
        List<ColourPlace> places = new ArrayList<>();
        List<Song.Placed> all = song.chords().toList();
        int at = 0;
        int phrase = -1;
        List<Section> sections = song.sections();
        for (int section = 0; section < sections.size(); section++) {
            List<Bar> bars = sections.get(section).bars();
            for (int i = 0; i < bars.size(); i++) {
                Bar bar = bars.get(i);
                phrase += i % PHRASE == 0 ? 1 : 0;
                for (int chord = 0; chord < bar.chords().size(); chord++, at++) {
                    Song.Placed placed = all.get(at);
                    if (placed.chord().isEmpty()) {
                        continue;
                    }
                    boolean closes = chord == bar.chords().size() - 1;
                    boolean last = at == all.size() - 1;
                    Set<Mark> marks = EnumSet.of(last ? Mark.LAST : Mark.NOT_LAST);
                    mark(marks, Mark.PHRASE_END, closes && (i % PHRASE == PHRASE - 1 || i == bars.size() - 1));
                    mark(marks, Mark.SECTION_END, closes && i == bars.size() - 1);
                    mark(marks, Mark.RETURNS, section + 1 < sections.size());
                    mark(
                            marks,
                            Mark.BEFORE_LAST_SECTION,
                            closes && i == bars.size() - 1 && section == sections.size() - 2);
                    mark(
                            marks,
                            Mark.AGAIN,
                            bar.pass() > 1 || sections.get(section).pass() > 1);
                    places.add(new ColourPlace(
                            at,
                            bar,
                            placed.tick(),
                            placed.span().ticks(),
                            placed.chord().get(),
                            placed.span().early() || placed.span().held(),
                            at == 0 ? Optional.empty() : all.get(at - 1).chord(),
                            last ? Optional.empty() : all.get(at + 1).chord(),
                            bar.key(),
                            phrase,
                            marks));
                }
            }
        }
        return List.copyOf(places);
    }

    private static void mark(Set<Mark> marks, Mark mark, boolean holds) {
        if (holds) {
            marks.add(mark);
        }
    }

    /** The same with the time of those that follow it, and what comes after the last of them. */
    ColourPlace with(List<ColourPlace> following) {
        if (following.isEmpty()) {
            return this;
        }
        ColourPlace end = following.get(following.size() - 1);
        Set<Mark> all = EnumSet.copyOf(marks);
        all.removeAll(EnumSet.of(Mark.LAST, Mark.NOT_LAST));
        all.addAll(end.marks);
        return new ColourPlace(
                index,
                bar,
                tick,
                end.end() - tick,
                chord,
                early || following.stream().anyMatch(ColourPlace::early),
                before,
                end.next,
                key,
                phrase,
                all);
    }
}
