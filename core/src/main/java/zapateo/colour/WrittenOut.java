package zapateo.colour;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Song;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * Colours on their way into the chart.
 *
 * @param chords new ones by written bar, counted from 0
 * @param left   colours that cannot be written: heard some of the times their bar is played, in another key from there on, or waiting for their ground
 */
public record WrittenOut(Map<Integer, List<ChordSpan>> chords, List<KeptColour> left) {

    public static WrittenOut of(Song song, List<KeptColour> kept) {
        Map<WrittenBar, Integer> places = new IdentityHashMap<>();
        List<WrittenBar> written = song.writtenBars();
        for (int i = 0; i < written.size(); i++) {
            places.putIfAbsent(written.get(i), i);
        }
        Map<Integer, List<ChordSpan>> chords = new TreeMap<>();
        List<KeptColour> left = new ArrayList<>();
        List<KeptColour> taken = new ArrayList<>();
        for (KeptColour colour : kept) {
            Map<Integer, List<ChordSpan>> changed = colour.pass().isPresent() || ColourRule.named(colour.rule()).filter(rule -> rule.raises() > 0).isPresent() ? Map.of() : changes(song, places, colour);
            if (changed.isEmpty()) {
                left.add(colour);
            } else {
                taken.add(colour);
            }
        }
        List<Bar> bars = Coloured.of(song, taken).song().bars();
        for (Bar bar : bars) {
            WrittenBar own = song.bars().get(bar.index()).written();
            if (!own.chords().equals(bar.chords())) {
                chords.put(places.get(own), bar.chords());
            }
        }
        return new WrittenOut(chords, List.copyOf(left));
    }

    /** The song as a chart of it would be written, as far as one can say its colours: for lead sheets, which have their repeats. */
    public static Song of(Coloured coloured) {
        List<KeptColour> heard = coloured.sounding().stream().map(Coloured.Heard::colour).distinct().toList();
        return heard.isEmpty() ? coloured.borrowed() : of(coloured.borrowed(), heard).on(coloured.borrowed());
    }

    private Song on(Song song) {
        List<WrittenSection> sections = new ArrayList<>();
        int at = 0;
        for (WrittenSection section : song.written()) {
            List<WrittenBar> bars = new ArrayList<>();
            for (WrittenBar bar : section.bars()) {
                bars.add(Optional.ofNullable(chords.get(at++)).map(bar::chords).orElse(bar));
            }
            sections.add(new WrittenSection(section.name(), bars, section.again()));
        }
        return Song.of(song.heading(), sections, song.form());
    }

    /** What a colour changes in written bars; nothing where a bar that is played again does not sound the same every time. */
    private static Map<Integer, List<ChordSpan>> changes(Song song, Map<WrittenBar, Integer> places, KeptColour colour) {
        Map<Integer, List<ChordSpan>> changed = new TreeMap<>();
        Song coloured = Coloured.of(song, List.of(colour)).song();
        for (Bar bar : coloured.bars()) {
            WrittenBar own = song.bars().get(bar.index()).written();
            Optional<List<ChordSpan>> before = Optional.ofNullable(changed.putIfAbsent(places.get(own), bar.chords()));
            if (before.filter(chords -> !chords.equals(bar.chords())).isPresent()) {
                return Map.of();
            }
        }
        changed.entrySet().removeIf(each -> song.writtenBars().get(each.getKey()).chords().equals(each.getValue()));
        return changed;
    }
}
