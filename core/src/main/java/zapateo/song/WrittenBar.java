package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.Key;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;

/**
 * A bar as it is read, with the signs round it.
 *
 * @param number counts bars as written, from 1; a pick-up is 0
 * @param ticks its length, shorter than its metre's in a pick-up or a bar cut short
 * @param chords fill it from end to end
 * @param tune the melody, in order, with its rests; empty where none is written
 * @param marks the signs
 */
public record WrittenBar(int number, Meter meter, int ticks, List<ChordSpan> chords, List<TuneNote> tune, Marks marks) {

    /**
     * The signs of a bar.
     *
     * @param key a change of key
     * @param tempo a change of tempo
     * @param opens whether a repeat opens before it
     * @param endings the rounds it is played in; empty for all
     * @param closes a repeat that closes behind it
     * @param pins notes and warnings
     * @param words its part of the words, a line for each verse
     * @param tunes its melody the second time and after, where that is another one: for other words in another rhythm;
     *     an empty one is as the first
     * @param guessed whether its length was guessed when it was brought in
     */
    public record Marks(
            Optional<Key> key,
            Optional<Tempo> tempo,
            boolean opens,
            List<Integer> endings,
            Optional<Repeat> closes,
            List<Pin> pins,
            List<String> words,
            List<List<TuneNote>> tunes,
            boolean guessed) {

        public static final Marks NONE = new Marks(
                Optional.empty(),
                Optional.empty(),
                false,
                List.of(),
                Optional.empty(),
                List.of(),
                List.of(),
                List.of(),
                false);

        public Marks {
            endings = List.copyOf(endings);
            pins = List.copyOf(pins);
            words = List.copyOf(words);
            tunes = tunes.stream().map(List::copyOf).toList();
        }

        public Marks key(Key other) {
            return new Marks(Optional.of(other), tempo, opens, endings, closes, pins, words, tunes, guessed);
        }

        public Marks tempo(Tempo other) {
            return new Marks(key, Optional.of(other), opens, endings, closes, pins, words, tunes, guessed);
        }

        public Marks opening() {
            return new Marks(key, tempo, true, endings, closes, pins, words, tunes, guessed);
        }

        public Marks endings(List<Integer> rounds) {
            return new Marks(key, tempo, opens, rounds, closes, pins, words, tunes, guessed);
        }

        public Marks closes(Optional<Repeat> repeat) {
            return new Marks(key, tempo, opens, endings, repeat, pins, words, tunes, guessed);
        }

        public Marks pins(List<Pin> all) {
            return new Marks(key, tempo, opens, endings, closes, all, words, tunes, guessed);
        }

        public Marks words(List<String> verses) {
            return new Marks(key, tempo, opens, endings, closes, pins, verses, tunes, guessed);
        }

        public Marks tunes(List<List<TuneNote>> others) {
            return new Marks(key, tempo, opens, endings, closes, pins, words, others, guessed);
        }

        public Marks guess() {
            return new Marks(key, tempo, opens, endings, closes, pins, words, tunes, true);
        }
    }

    public WrittenBar {
        chords = List.copyOf(chords);
        tune = List.copyOf(tune);
        int filled = chords.stream().mapToInt(ChordSpan::ticks).sum();
        if (filled != ticks || ticks > meter.barTicks()) {
            throw new IllegalArgumentException("bar " + number + " holds " + filled + " ticks of chords: expected "
                    + ticks + ", at most " + meter.barTicks());
        }
        check(number, ticks, tune);
        marks.tunes().forEach(other -> check(number, ticks, other));
    }

    private static void check(int number, int ticks, List<TuneNote> tune) {
        int at = 0;
        for (TuneNote note : tune) {
            if (note.tick() != at) {
                throw new IllegalArgumentException(
                        "bar " + number + " has a tune note at " + note.tick() + ": expected " + at);
            }
            at = note.end();
        }
        if (at > ticks) {
            throw new IllegalArgumentException("bar " + number + " has " + at + " ticks of tune: expected " + ticks);
        }
    }

    /** The melody a certain time the bar is played, counted from 1. */
    public List<TuneNote> tune(int pass) {
        List<TuneNote> own = ownTune(pass);
        return own.isEmpty() ? tune : own;
    }

    /** The melody that is written for a certain time; empty where that is as the first. */
    List<TuneNote> ownTune(int pass) {
        return pass == 1
                ? tune
                : pass - 2 < marks.tunes().size() ? marks.tunes().get(pass - 2) : List.of();
    }

    /** The same after so much silence. */
    public WrittenBar after(int silence) {
        List<ChordSpan> later = new ArrayList<>(List.of(ChordSpan.unsaid(0, silence)));
        chords.forEach(span -> later.add(span.at(span.tick() + silence, span.ticks())));
        return new WrittenBar(
                number,
                meter,
                ticks + silence,
                later,
                after(silence, tune),
                marks.tunes(
                        marks.tunes().stream().map(each -> after(silence, each)).toList()));
    }

    private static List<TuneNote> after(int silence, List<TuneNote> tune) {
        if (tune.isEmpty()) {
            return tune;
        }
        List<TuneNote> later = new ArrayList<>(List.of(new TuneNote(Optional.empty(), 0, silence, false)));
        tune.forEach(note -> later.add(new TuneNote(note.pitch(), note.tick() + silence, note.ticks(), note.tied())));
        return later;
    }

    public boolean isShort() {
        return ticks < meter.barTicks();
    }

    public WrittenBar marks(Marks other) {
        return new WrittenBar(number, meter, ticks, chords, tune, other);
    }

    public WrittenBar tune(List<TuneNote> notes) {
        return new WrittenBar(number, meter, ticks, chords, notes, marks);
    }

    /** With another melody a certain time it is played, counted from 1. */
    public WrittenBar tune(int pass, List<TuneNote> notes) {
        if (pass == 1) {
            return tune(notes);
        }
        List<List<TuneNote>> tunes = new ArrayList<>(marks.tunes());
        while (tunes.size() < pass - 1) {
            tunes.add(List.of());
        }
        tunes.set(pass - 2, notes);
        return marks(marks.tunes(tunes));
    }

    public WrittenBar number(int other) {
        return new WrittenBar(other, meter, ticks, chords, tune, marks);
    }

    public WrittenBar chords(List<ChordSpan> others) {
        return new WrittenBar(number, meter, ticks, others, tune, marks);
    }
}
