package zapateo.format;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import zapateo.rhythm.Meter;
import zapateo.song.ChordSpan;
import zapateo.song.Song;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * A silent beat before all of a song, for a file that has no time below zero: a bar of its own, or, where the song
 * begins with a pick-up that is played once, that much more of the pick-up.
 *
 * @param song with it
 * @param ticks how long it is
 * @param bars how many bars there are more
 */
record LeadIn(Song song, int ticks, int bars) {

    static LeadIn to(Song song) {
        List<WrittenBar> first = song.written().get(0).bars();
        Meter meter = first.isEmpty() ? song.heading().meter() : first.get(0).meter();
        int beat = meter.beatTicks();
        return hasRoom(song, beat)
                ? new LeadIn(inThePickUp(song, beat), beat, 0)
                : new LeadIn(asABar(song, meter, beat), beat, 1);
    }

    private static boolean hasRoom(Song song, int beat) {
        List<WrittenBar> written = song.written().get(0).bars();
        WrittenBar first = song.bars().get(0).written();
        return !written.isEmpty()
                && written.get(0).number() == 0
                && first.number() == 0
                && first.ticks() + beat <= first.meter().barTicks()
                && song.bars().stream().filter(bar -> bar.number() == 0).count() == 1;
    }

    private static Song inThePickUp(Song song, int beat) {
        List<WrittenSection> sections = new ArrayList<>(song.written());
        WrittenSection first = sections.get(0);
        List<WrittenBar> bars = new ArrayList<>(first.bars());
        bars.set(0, bars.get(0).after(beat));
        sections.set(0, new WrittenSection(first.name(), bars, first.again(), first.part()));
        Map<Integer, List<ChordSpan>> replaced = new HashMap<>(song.replaced());
        replaced.computeIfPresent(
                0,
                (index, spans) -> Stream.concat(
                                Stream.of(ChordSpan.unsaid(0, beat)),
                                spans.stream().map(span -> span.at(span.tick() + beat, span.ticks())))
                        .toList());
        return asPlayed(Song.of(song.heading(), sections, song.form()), replaced, song, 0);
    }

    private static Song asABar(Song song, Meter meter, int beat) {
        WrittenBar silent =
                new WrittenBar(0, meter, beat, List.of(ChordSpan.unsaid(0, beat)), List.of(), WrittenBar.Marks.NONE);
        List<WrittenSection> sections = new ArrayList<>(List.of(WrittenSection.of("", List.of(silent))));
        song.written()
                .forEach(section -> sections.add(new WrittenSection(
                        section.name(), section.bars(), section.again().map(place -> place + 1), section.part())));
        List<Integer> form = new ArrayList<>(song.form().isEmpty() ? List.of() : List.of(0));
        song.form().forEach(place -> form.add(place + 1));
        Map<Integer, List<ChordSpan>> replaced = new HashMap<>();
        song.replaced().forEach((index, spans) -> replaced.put(index + 1, spans));
        return asPlayed(Song.of(song.heading(), sections, form), replaced, song, 1);
    }

    private static Song asPlayed(Song led, Map<Integer, List<ChordSpan>> replaced, Song song, int bars) {
        Song played = led.played(replaced);
        return song.raised()
                .map(raised -> played.raised(new Song.Raised(raised.bar() + bars, raised.way())))
                .orElse(played);
    }
}
