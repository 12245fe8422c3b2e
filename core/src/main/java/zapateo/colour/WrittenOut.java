package zapateo.colour;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import zapateo.song.Bar;
import zapateo.song.BarMoves;
import zapateo.song.ChordSpan;
import zapateo.song.Song;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * Colours on their way into the chart.
 *
 * @param chords new ones by written bar, counted from 0
 * @param left colours that cannot be written: heard some of the times their bar is played, in another key from there
 *     on, or waiting for their ground
 */
public record WrittenOut(Map<Integer, List<ChordSpan>> chords, List<KeptColour> left) {

    public static WrittenOut of(Song song, List<KeptColour> kept) {
        Map<WrittenBar, Integer> places = new IdentityHashMap<>();
        List<WrittenBar> written = song.writtenBars();
        for (int i = 0; i < written.size(); i++) {
            places.putIfAbsent(written.get(i), i);
        }
        Map<Integer, Long> times =
                song.bars().stream().collect(Collectors.groupingBy(Bar::number, Collectors.counting()));
        Map<KeptColour, Long> heard = Coloured.of(song, kept).sounding().stream()
                .collect(Collectors.groupingBy(Coloured.Heard::colour, Collectors.counting()));
        Set<KeptColour> taken = new LinkedHashSet<>(kept);
        taken.removeIf(colour -> colour.pass().isPresent()
                || ColourRule.named(colour.rule())
                        .filter(rule -> rule.raises() > 0)
                        .isPresent()
                || !Objects.equals(heard.get(colour), times.get(colour.bar())));
        while (true) {
            Coloured coloured = Coloured.of(song, List.copyOf(taken));
            Map<Integer, List<ChordSpan>> chords = new TreeMap<>();
            Set<Integer> unlike = new HashSet<>();
            for (Bar bar : coloured.song().bars()) {
                int place = places.get(song.bars().get(bar.index()).written());
                if (!bar.chords().equals(chords.computeIfAbsent(place, each -> bar.chords()))) {
                    unlike.add(place);
                }
            }
            if (unlike.isEmpty()) {
                chords.entrySet()
                        .removeIf(each -> written.get(each.getKey()).chords().equals(each.getValue()));
                return new WrittenOut(
                        chords,
                        kept.stream().filter(colour -> !taken.contains(colour)).toList());
            }
            // A bar that is played again and does not sound the same every time cannot be written once.
            coloured.sounding().stream()
                    .filter(each -> touches(song, places, each, unlike))
                    .forEach(each -> taken.remove(each.colour()));
        }
    }

    /**
     * The song as it is played, with all its colours and every repeat written out; read again it sounds the same.
     *
     * @param song to be written as a chart
     * @param moves for each bar as it was written where it stands now: once for each time it is played, nowhere for one
     *     that is not
     * @param left colours that wait for their ground
     */
    public record Unfolded(Song song, List<BarMoves.Move> moves, List<KeptColour> left) {}

    public static Unfolded unfolded(Song song, List<KeptColour> kept) {
        Coloured coloured = Coloured.of(song, kept);
        int first = song.bars().get(0).number() == 0 ? 0 : 1;
        List<BarMoves.Move> moves = new ArrayList<>();
        song.bars()
                .forEach(bar -> moves.add(
                        new BarMoves.Move(bar.number(), Optional.of(bar.index() + first), Optional.of(bar.pass()))));
        song.writtenBars().stream()
                .filter(bar -> song.bars().stream().noneMatch(played -> played.number() == bar.number()))
                .forEach(bar -> moves.add(new BarMoves.Move(bar.number(), Optional.empty(), Optional.empty())));
        List<KeptColour> left = coloured.parked().stream()
                .flatMap(colour -> moves.stream()
                        .filter(move -> move.from() == colour.bar())
                        .findFirst()
                        .flatMap(BarMoves.Move::to)
                        .map(bar -> new KeptColour(
                                bar, Optional.empty(), colour.tick(), colour.over(), colour.rule(), colour.variant()))
                        .stream())
                .toList();
        return new Unfolded(coloured.song().writtenOut(), moves, left);
    }

    private static boolean touches(
            Song song, Map<WrittenBar, Integer> places, Coloured.Heard heard, Set<Integer> unlike) {
        for (int bar = song.barAt(heard.tick()).index();
                bar < song.bars().size() && song.bars().get(bar).tick() < heard.tick() + heard.ticks();
                bar++) {
            if (unlike.contains(places.get(song.bars().get(bar).written()))) {
                return true;
            }
        }
        return false;
    }

    /**
     * The song as a chart of it would be written, as far as one can say its colours: for lead sheets, which have their
     * repeats.
     */
    public static Song of(Coloured coloured) {
        List<KeptColour> heard = coloured.sounding().stream()
                .map(Coloured.Heard::colour)
                .distinct()
                .toList();
        return heard.isEmpty()
                ? coloured.borrowed()
                : of(coloured.borrowed(), heard).on(coloured.borrowed());
    }

    private Song on(Song song) {
        List<WrittenSection> sections = new ArrayList<>();
        int at = 0;
        for (WrittenSection section : song.written()) {
            List<WrittenBar> bars = new ArrayList<>();
            for (WrittenBar bar : section.bars()) {
                bars.add(Optional.ofNullable(chords.get(at++)).map(bar::chords).orElse(bar));
            }
            sections.add(new WrittenSection(section.name(), bars, section.again(), section.part()));
        }
        return Song.of(song.heading(), sections, song.form());
    }
}
