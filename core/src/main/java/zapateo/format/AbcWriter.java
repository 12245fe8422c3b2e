package zapateo.format;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.Key;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.song.ChordSpan;
import zapateo.song.Song;
import zapateo.song.TuneNote;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * Writes a song as ABC 2.1: chords in quotes over the notes or over invisible rests, repeats and endings, parts, notes as annotations, words. A
 * chord that changes while a note sounds stands in an overlay of the bar.
 */
public final class AbcWriter {

    private static final int BARS_A_LINE = 4;
    private static final int UNIT = 480;

    private AbcWriter() {
    }

    /** What ABC cannot say is said otherwise first: see {@link Holding}. */
    public static String write(Song whole) {
        Song song = Holding.ABC.reduce(whole);
        StringBuilder text = new StringBuilder("%abc-2.1\nX:1\nT:" + song.title() + "\nM:" + song.meter() + "\nL:1/8\nQ:");
        text.append(song.feel() == Feel.STRAIGHT ? "" : "\"" + song.feel().id() + "\" ").append(tempo(song.tempo())).append("\nK:");
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
                List<WrittenBar> bars = section.bars().subList(row, Math.min(section.bars().size(), row + BARS_A_LINE));
                for (int i = 0; i < bars.size(); i++, at++) {
                    WrittenBar bar = bars.get(i);
                    key = bar.marks().key().orElse(key);
                    text.append(barLine(at == 0 ? Optional.empty() : Optional.of(all.get(at - 1)), bar, i == 0)).append(' ').append(bar(bar, meter, key)).append(' ');
                    meter = bar.meter();
                }
                WrittenBar last = bars.get(bars.size() - 1);
                boolean end = at == all.size();
                text.append(last.marks().closes().isPresent() ? ":|" : end ? "|]" : !all.get(at).marks().opens() && endsEnding(last, all.get(at)) ? "||" : "|").append('\n');
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
        boolean closes = before.filter(last -> last.marks().closes().isPresent()).isPresent();
        boolean begins = !bar.marks().endings().isEmpty() && (before.isEmpty() || closes || !before.get().marks().endings().equals(bar.marks().endings()));
        String line = startsLine ? bar.marks().opens() || begins ? "|" : "" : closes ? ":|" : !bar.marks().opens() && before.filter(last -> endsEnding(last, bar)).isPresent() ? "||" : "|";
        String opens = bar.marks().opens() ? closes && !startsLine ? " |:" : ":" : "";
        return line + opens + (begins ? bar.marks().endings().stream().map(String::valueOf).collect(Collectors.joining(",")) : "");
    }

    private static String tempo(Tempo tempo) {
        int eighths = tempo.beatTicks() / UNIT;
        String beat = tempo.beatTicks() % 960 == 0 ? tempo.beatTicks() / 960 + "/4" : tempo.beatTicks() % UNIT == 0 ? eighths + "/8" : tempo.beatTicks() / 240 + "/16";
        double bpm = tempo.bpm();
        return beat + "=" + (bpm == Math.rint(bpm) ? String.valueOf((long) bpm) : String.valueOf(bpm));
    }

    private static String bar(WrittenBar bar, Meter before, Key key) {
        StringBuilder text = new StringBuilder();
        if (!bar.meter().equals(before)) {
            text.append("[M:").append(bar.meter()).append(']');
        }
        bar.marks().key().ifPresent(change -> text.append("[K:").append(AbcKey.write(change)).append(']'));
        bar.marks().tempo().ifPresent(tempo -> text.append("[Q:").append(tempo(tempo)).append(']'));
        bar.marks().pins().forEach(pin -> text.append("\"^").append(pin.warning() ? "! " : "").append(pin.text()).append('"'));
        List<TuneNote> tune = bar.tune().isEmpty() ? rests(bar) : bar.tune();
        boolean between = bar.chords().stream().anyMatch(span -> tune.stream().noneMatch(note -> note.tick() == span.tick()));
        text.append(line(tune, between ? List.of() : bar.chords(), new Accidental(key), "z"));
        return between ? text + " & " + line(rests(bar), bar.chords(), new Accidental(key), "x") : text.toString();
    }

    private static List<TuneNote> rests(WrittenBar bar) {
        return bar.chords().stream().map(span -> new TuneNote(Optional.empty(), span.tick(), span.ticks(), false)).toList();
    }

    private static String line(List<TuneNote> tune, List<ChordSpan> chords, Accidental accidental, String rest) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < tune.size(); i++) {
            TuneNote note = tune.get(i);
            boolean triplet = isTriplet(note);
            String opens = triplet && (i == 0 || !isTriplet(tune.get(i - 1))) ? "(3:2:" + run(tune, i) : "";
            chords.stream().filter(span -> span.tick() == note.tick()).forEach(span -> text.append('"').append(ascii(span.written())).append('"').append(span.held() ? "!fermata!" : ""));
            text.append(opens).append(note.pitch().map(accidental::write).orElse(rest)).append(length(triplet ? note.ticks() * 3 / 2 : note.ticks()))
                    .append(note.tied() ? "-" : "").append(' ');
        }
        return text.toString().stripTrailing();
    }

    private static boolean isTriplet(TuneNote note) {
        return note.ticks() * 3 % 2 == 0 && NoteValue.of(note.ticks()).isEmpty() && NoteValue.of(note.ticks() * 3 / 2).filter(value -> value.dots() == 0).isPresent();
    }

    /** How many notes of a tuplet follow one another; nine at most. */
    private static int run(List<TuneNote> tune, int from) {
        int to = from;
        while (to < tune.size() && isTriplet(tune.get(to))) {
            to++;
        }
        return to - from;
    }

    private static String ascii(String chord) {
        return chord.replace("𝄫", "bb").replace("𝄪", "##").replace('♭', 'b').replace('♯', '#').replace("°", "dim")
                .replaceFirst("ø(9|11)", "m$1b5").replace("ø", "m7b5");
    }

    private static String length(int ticks) {
        int shared = gcd(ticks, UNIT);
        int over = ticks / shared;
        int under = UNIT / shared;
        return (over == 1 ? "" : String.valueOf(over)) + (under == 1 ? "" : "/" + under);
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    private static String words(List<WrittenBar> bars) {
        int verses = bars.stream().mapToInt(bar -> bar.marks().words().size()).max().orElse(0);
        return IntStream.range(0, verses).mapToObj(verse -> "w: " + bars.stream().map(bar -> verse < bar.marks().words().size()
                ? bar.marks().words().get(verse).replace("-", "\\-").replace(' ', '~') : "").collect(Collectors.joining(" | ")) + "\n").collect(Collectors.joining());
    }

    /** Writes notes with the accidentals the key and the bar have not given them yet. */
    private static final class Accidental {
        private final Key key;
        private final Map<Integer, Integer> given = new HashMap<>();

        private Accidental(Key key) {
            this.key = key;
        }

        private String write(Pitch pitch) {
            int alteration = pitch.pitchClass().alteration();
            int known = given.getOrDefault(pitch.staffPlace(), key.alterationOf(pitch.pitchClass().letter()));
            given.put(pitch.staffPlace(), alteration);
            String sign = alteration == known ? "" : alteration == 0 ? "=" : (alteration > 0 ? "^" : "_").repeat(Math.abs(alteration));
            String letter = pitch.pitchClass().letter().name();
            return sign + (pitch.octave() >= 5 ? letter.toLowerCase() + "'".repeat(pitch.octave() - 5) : letter + ",".repeat(4 - pitch.octave()));
        }
    }
}
