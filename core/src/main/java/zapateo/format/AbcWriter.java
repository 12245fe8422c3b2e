package zapateo.format;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.Key;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.song.AbcLine;
import zapateo.song.AbcNotes;
import zapateo.song.ChordSpan;
import zapateo.song.Song;
import zapateo.song.TuneNote;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * Writes a song as ABC 2.1: chords in quotes over the notes or over invisible rests, repeats and endings, parts, notes
 * as annotations, words. A chord that changes while a note sounds stands in an overlay of the bar.
 */
public final class AbcWriter {

    private static final int BARS_A_LINE = 4;

    private AbcWriter() {}

    /** What ABC cannot say is said otherwise first: see {@link Holding}. */
    public static String write(Song whole) {
        Song song = Holding.ABC.reduce(whole);
        StringBuilder text =
                new StringBuilder("%abc-2.1\nX:1\nT:" + song.title() + "\nM:" + song.meter() + "\nL:1/8\nQ:");
        text.append(song.feel() == Feel.STRAIGHT ? "" : "\"" + song.feel().id() + "\" ")
                .append(tempo(song.tempo()))
                .append("\nK:");
        text.append(song.keyGiven() ? AbcKey.write(song.key()) : "none").append('\n');
        Key key = song.keyGiven() ? song.key() : Key.C_MAJOR;
        Meter meter = song.meter();
        List<WrittenBar> all = song.writtenBars();
        int at = 0;
        for (WrittenSection section : song.written()) {
            if (!section.name().isEmpty()) {
                text.append("P:").append(section.name()).append('\n');
            }
            for (int row = 0; row < section.bars().size(); row += BARS_A_LINE) {
                List<WrittenBar> bars =
                        section.bars().subList(row, Math.min(section.bars().size(), row + BARS_A_LINE));
                for (int i = 0; i < bars.size(); i++, at++) {
                    WrittenBar bar = bars.get(i);
                    key = bar.marks().key().orElse(key);
                    text.append(barLine(at == 0 ? Optional.empty() : Optional.of(all.get(at - 1)), bar, i == 0))
                            .append(' ')
                            .append(bar(bar, meter, key))
                            .append(' ');
                    meter = bar.meter();
                }
                WrittenBar last = bars.get(bars.size() - 1);
                boolean end = at == all.size();
                text.append(
                                last.marks().closes().isPresent()
                                        ? ":|"
                                        : end
                                                ? "|]"
                                                : !all.get(at).marks().opens() && endsEnding(last, all.get(at))
                                                        ? "||"
                                                        : "|")
                        .append('\n');
                text.append(words(bars));
            }
        }
        return text.toString();
    }

    private static boolean endsEnding(WrittenBar bar, WrittenBar next) {
        return !bar.marks().endings().isEmpty() && next.marks().endings().isEmpty();
    }

    /** The closing sign of the line before stands at that line's end. */
    private static String barLine(Optional<WrittenBar> before, WrittenBar bar, boolean startsLine) {
        boolean closes =
                before.filter(last -> last.marks().closes().isPresent()).isPresent();
        boolean begins = !bar.marks().endings().isEmpty()
                && (before.isEmpty()
                        || closes
                        || !before.get().marks().endings().equals(bar.marks().endings()));
        String line = startsLine
                ? bar.marks().opens() || begins ? "|" : ""
                : closes
                        ? ":|"
                        : !bar.marks().opens()
                                        && before.filter(last -> endsEnding(last, bar))
                                                .isPresent()
                                ? "||"
                                : "|";
        String opens = bar.marks().opens() ? closes && !startsLine ? " |:" : ":" : "";
        return line
                + opens
                + (begins ? bar.marks().endings().stream().map(String::valueOf).collect(Collectors.joining(",")) : "");
    }

    private static String tempo(Tempo tempo) {
        int eighths = tempo.beatTicks() / AbcNotes.UNIT;
        String beat = tempo.beatTicks() % 960 == 0
                ? tempo.beatTicks() / 960 + "/4"
                : tempo.beatTicks() % AbcNotes.UNIT == 0 ? eighths + "/8" : tempo.beatTicks() / 240 + "/16";
        double bpm = tempo.bpm();
        return beat + "=" + (bpm == Math.rint(bpm) ? String.valueOf((long) bpm) : String.valueOf(bpm));
    }

    private static String bar(WrittenBar bar, Meter before, Key key) {
        StringBuilder text = new StringBuilder();
        if (!bar.meter().equals(before)) {
            text.append("[M:").append(bar.meter()).append(']');
        }
        bar.marks()
                .key()
                .ifPresent(change ->
                        text.append("[K:").append(AbcKey.write(change)).append(']'));
        bar.marks()
                .tempo()
                .ifPresent(tempo -> text.append("[Q:").append(tempo(tempo)).append(']'));
        bar.marks()
                .pins()
                .forEach(pin -> text.append("\"^")
                        .append(pin.warning() ? "! " : "")
                        .append(pin.text())
                        .append('"'));
        List<TuneNote> tune = bar.tune().isEmpty() ? rests(bar) : bar.tune();
        boolean between =
                bar.chords().stream().anyMatch(span -> tune.stream().noneMatch(note -> note.tick() == span.tick()));
        text.append(line(tune, between ? List.of() : bar.chords(), key, "z"));
        return between ? text + " & " + line(rests(bar), bar.chords(), key, "x") : text.toString();
    }

    private static List<TuneNote> rests(WrittenBar bar) {
        return bar.chords().stream()
                .map(span -> new TuneNote(Optional.empty(), span.tick(), span.ticks(), false))
                .toList();
    }

    /** The notes of a bar, each with the chord that begins with it. */
    private static String line(List<TuneNote> tune, List<ChordSpan> chords, Key key, String rest) {
        return AbcLine.write(
                tune,
                key,
                rest,
                note -> chords.stream()
                        .filter(span -> span.tick() == note.tick())
                        .map(span -> '"' + ascii(span.written()) + '"' + (span.held() ? "!fermata!" : ""))
                        .collect(Collectors.joining()));
    }

    private static String ascii(String chord) {
        return chord.replace("𝄫", "bb")
                .replace("𝄪", "##")
                .replace('♭', 'b')
                .replace('♯', '#')
                .replace("°", "dim")
                .replaceFirst("ø(9|11)", "m$1b5")
                .replace("ø", "m7b5");
    }

    private static String words(List<WrittenBar> bars) {
        int verses =
                bars.stream().mapToInt(bar -> bar.marks().words().size()).max().orElse(0);
        return IntStream.range(0, verses)
                .mapToObj(verse -> "w: "
                        + bars.stream()
                                .map(bar -> verse < bar.marks().words().size()
                                        ? bar.marks()
                                                .words()
                                                .get(verse)
                                                .replace("-", "\\-")
                                                .replace(' ', '~')
                                        : "")
                                .collect(Collectors.joining(" | "))
                        + "\n")
                .collect(Collectors.joining());
    }
}
