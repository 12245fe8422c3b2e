package zapateo.format;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import zapateo.harmony.ChordNames;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.harmony.Mode;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;
import zapateo.song.Problem;
import zapateo.song.TuneNote;

/**
 * Reads a Standard MIDI File: metres, tempos, keys, markers as sections, the melody of one track, set on a grid of
 * sixteenths and triplets; chords only from a track that is named as holding them.
 */
final class MidiReader {

    private static final int GRID = 240;
    private static final int TRIPLET = 320;
    private static final int DRUMS = 9;

    private final List<Problem> problems = new ArrayList<>();
    private final SongBuilder song = new SongBuilder(problems);
    private final TreeMap<Integer, Meter> meters = new TreeMap<>();
    private final TreeMap<Integer, Double> tempos = new TreeMap<>();
    private final TreeMap<Integer, Key> keys = new TreeMap<>();
    private final TreeMap<Integer, String> markers = new TreeMap<>();
    private double scale = 1;

    /** A note in ticks of our own, snapped to the grid. */
    private record Note(int key, int from, int to) {}

    static FileReading read(byte[] content, MidiTracks tracks) {
        try {
            return new MidiReader().read(MidiSystem.getSequence(new ByteArrayInputStream(content)), tracks);
        } catch (InvalidMidiDataException | IOException | RuntimeException broken) {
            // The JDK's reader answers damage with exceptions of many kinds.
            return FileReading.refused(FileFormat.MIDI, "midi-broken", 1, 1, "", "a whole Standard MIDI File");
        }
    }

    private FileReading read(Sequence sequence, MidiTracks wanted) {
        if (sequence.getDivisionType() != Sequence.PPQ || sequence.getResolution() <= 0) {
            return FileReading.refused(
                    FileFormat.MIDI, "midi-frames", 1, 1, "frames a second", "a file that counts in quarter notes");
        }
        scale = (double) Ticks.PER_QUARTER / sequence.getResolution();
        Track[] all = sequence.getTracks();
        List<List<Note>> notes = new ArrayList<>();
        List<FileReading.Track> holding = new ArrayList<>();
        for (int i = 0; i < all.length; i++) {
            String name = readSigns(all[i], i);
            notes.add(notes(all[i]));
            if (!notes.get(i).isEmpty()) {
                holding.add(new FileReading.Track(i + 1, name, notes.get(i).size(), isChordal(notes.get(i))));
            }
        }
        Optional<Integer> melody = wanted.melody().isPresent()
                ? wanted.melody()
                : holding.stream()
                        .filter(track -> !track.chordal())
                        .max(Comparator.comparingDouble(track -> meanKey(notes.get(track.number() - 1))))
                        .map(FileReading.Track::number);
        List<Note> tune = melody.filter(number -> number >= 1 && number <= all.length)
                .map(number -> notes.get(number - 1))
                .orElse(List.of());
        List<Note> chords = wanted.chords()
                .filter(number -> number >= 1 && number <= all.length)
                .map(number -> notes.get(number - 1))
                .orElse(List.of());
        if (wanted.chords().isEmpty()) {
            problems.add(new Problem(
                    Problem.Severity.WARNING,
                    "midi-chords",
                    1,
                    1,
                    0,
                    holding.size() + "",
                    "a track named for the chords"));
        }
        int end = notes.stream().flatMap(List::stream).mapToInt(Note::to).max().orElse(0);
        int last = (int) Math.min(Integer.MAX_VALUE / 2, Math.round(sequence.getTickLength() * scale));
        writeBars(topLine(tune), chords, Math.max(end, last - GRID / 2));
        return new FileReading(FileFormat.MIDI, song.build(), problems, holding);
    }

    private static double meanKey(List<Note> notes) {
        return notes.stream().mapToInt(Note::key).average().orElse(0);
    }

    private static boolean isChordal(List<Note> notes) {
        Map<Integer, Integer> together = new HashMap<>();
        notes.forEach(note -> together.merge(note.from(), 1, Integer::sum));
        return together.values().stream().filter(count -> count > 2).count() * 2 > together.size();
    }

    private String readSigns(Track track, int number) {
        String name = "";
        for (int i = 0; i < track.size(); i++) {
            MidiEvent event = track.get(i);
            if (!(event.getMessage() instanceof MetaMessage meta)) {
                continue;
            }
            byte[] data = meta.getData();
            int tick = (int) Math.min(Integer.MAX_VALUE / 2, Math.round(event.getTick() * scale));
            switch (meta.getType()) {
                case 0x03 -> {
                    name = FileText.of(data);
                    if (number == 0 && !name.isBlank()) {
                        song.title(name);
                    }
                }
                case 0x06 -> markers.put(tick, FileText.of(data));
                case 0x51 -> {
                    int microseconds =
                            data.length < 3 ? 0 : (data[0] & 0xFF) << 16 | (data[1] & 0xFF) << 8 | data[2] & 0xFF;
                    if (microseconds > 0) {
                        tempos.put(tick, 60_000_000.0 / microseconds);
                    }
                }
                case 0x58 -> {
                    if (data.length >= 2) {
                        Meter.read(data[0] + "/" + (1 << (data[1] & 7))).ifPresent(meter -> meters.put(tick, meter));
                    }
                }
                case 0x59 -> {
                    if (data.length >= 2 && Math.abs(data[0]) <= 7) {
                        Mode mode = data[1] == 1 ? Mode.MINOR : Mode.MAJOR;
                        keys.put(tick, Key.of(PitchClass.onLine(data[0] - mode.fifthsFromMajor()), mode));
                    }
                }
                default -> {
                    // Copyright, lyrics and the like are not read.
                }
            }
        }
        return name;
    }

    private List<Note> notes(Track track) {
        Map<Integer, Long> open = new HashMap<>();
        List<Note> notes = new ArrayList<>();
        for (int i = 0; i < track.size(); i++) {
            MidiMessage message = track.get(i).getMessage();
            if (message instanceof ShortMessage note
                    && note.getChannel() != DRUMS
                    && (note.getCommand() == ShortMessage.NOTE_ON || note.getCommand() == ShortMessage.NOTE_OFF)) {
                int key = note.getChannel() * 128 + note.getData1();
                Long from = open.remove(key);
                if (from != null) {
                    notes.add(new Note(
                            note.getData1(),
                            snap(from),
                            Math.max(snap(from) + 120, snap(track.get(i).getTick()))));
                }
                if (note.getCommand() == ShortMessage.NOTE_ON && note.getData2() > 0) {
                    open.put(key, track.get(i).getTick());
                }
            }
        }
        notes.sort(Comparator.comparingInt(Note::from)
                .thenComparing(Comparator.comparingInt(Note::key).reversed()));
        return notes;
    }

    /** On the nearest sixteenth or triplet eighth of its quarter. */
    private int snap(long tick) {
        double own = Math.min(Integer.MAX_VALUE / 2.0, tick * scale);
        long sixteenth = Math.round(own / (GRID / 2)) * (GRID / 2);
        long triplet = Math.round(own / TRIPLET) * TRIPLET;
        return (int) (Math.abs(own - triplet) + 20 < Math.abs(own - sixteenth) ? triplet : sixteenth);
    }

    /** Of notes together the highest; none sounds into the next. */
    private static List<Note> topLine(List<Note> notes) {
        List<Note> line = new ArrayList<>();
        for (Note note : notes) {
            Note before = line.isEmpty() ? null : line.get(line.size() - 1);
            if (before != null && before.from() == note.from()) {
                continue;
            }
            if (before != null && before.to() > note.from()) {
                line.set(line.size() - 1, new Note(before.key(), before.from(), note.from()));
            }
            line.add(note);
        }
        return line;
    }

    private void writeBars(List<Note> tune, List<Note> chords, int end) {
        Sweep line = new Sweep(tune);
        Sweep under = new Sweep(chords);
        Meter meter = meters.isEmpty() || meters.firstKey() > 0
                ? Meter.COMMON
                : meters.firstEntry().getValue();
        song.meter = Optional.of(meter);
        song.key = Optional.ofNullable(
                keys.isEmpty() || keys.firstKey() > 0 ? null : keys.firstEntry().getValue());
        song.quarters = Optional.ofNullable(
                tempos.isEmpty() || tempos.firstKey() > 0
                        ? null
                        : tempos.firstEntry().getValue());
        int at = 0;
        while (at < Math.max(1, end) && !song.isFull()) {
            meter = meters.floorEntry(at) == null
                    ? meter
                    : meters.floorEntry(at).getValue();
            Integer change = meters.higherKey(at);
            // One shorter bar at the beginning is a pick-up; so most files write it.
            boolean pickup = at == 0
                    && change != null
                    && change <= meter.barTicks()
                    && change < meters.get(change).barTicks();
            if (pickup) {
                meter = meters.get(change);
                song.meter = Optional.of(meter);
            }
            SongBuilder.Draft draft = new SongBuilder.Draft(meter, song.bars() + 1);
            draft.ticks = change != null && change < at + meter.barTicks() ? change - at : meter.barTicks();
            int to = at + draft.ticks;
            if (!markers.subMap(at, to).isEmpty()) {
                song.section(markers.ceilingEntry(at).getValue());
            }
            if (at > 0) {
                keys.subMap(at, to).values().stream().findFirst().ifPresent(key -> draft.key = Optional.of(key));
                tempos.subMap(at, to).values().stream()
                        .findFirst()
                        .ifPresent(tempo -> draft.quarters = Optional.of(tempo));
            }
            putTune(draft, line.during(at, to), at);
            putChords(draft, under.during(at, to), at);
            song.add(draft);
            at = to;
        }
    }

    /** Notes in the order they begin, looked at bar after bar, each only where it sounds. */
    private static final class Sweep {

        private final List<Note> notes;
        private final List<Note> open = new ArrayList<>();
        private int next;

        private Sweep(List<Note> notes) {
            this.notes = notes;
        }

        /** Those that sound between two ticks; each call begins where the one before ended, or later. */
        private List<Note> during(int from, int to) {
            open.removeIf(note -> note.to() <= from);
            for (; next < notes.size() && notes.get(next).from() < to; next++) {
                if (notes.get(next).to() > from) {
                    open.add(notes.get(next));
                }
            }
            return open;
        }
    }

    private void putTune(SongBuilder.Draft draft, List<Note> tune, int at) {
        Key key =
                keys.floorEntry(at) == null ? Key.C_MAJOR : keys.floorEntry(at).getValue();
        int end = at + draft.ticks;
        int filled = at;
        for (Note note : tune) {
            int from = Math.max(at, note.from());
            int to = Math.min(end, note.to());
            if (from > filled) {
                draft.tune.add(new TuneNote(Optional.empty(), filled - at, from - filled, false));
            }
            draft.tune.add(new TuneNote(
                    Optional.of(Pitch.onKey(note.key(), key.spell(note.key() % 12))),
                    from - at,
                    to - from,
                    note.to() > end));
            filled = to;
        }
    }

    /**
     * On every beat the keys that sound there, by the name they have together; a beat like the one before says nothing
     * new.
     */
    private void putChords(SongBuilder.Draft draft, List<Note> chords, int at) {
        Key key =
                keys.floorEntry(at) == null ? Key.C_MAJOR : keys.floorEntry(at).getValue();
        Optional<ChordSymbol> before = Optional.empty();
        for (int beat = 0; beat < draft.ticks; beat += draft.meter.beatTicks()) {
            int from = at + beat;
            int to = from + draft.meter.beatTicks();
            TreeSet<Integer> sounding = new TreeSet<>();
            chords.stream()
                    .filter(note -> Math.min(note.to(), to) - Math.max(note.from(), from) >= GRID)
                    .map(Note::key)
                    .forEach(sounding::add);
            if (sounding.size() < 2) {
                continue;
            }
            Optional<ChordSymbol> chord = ChordNames.of(List.copyOf(sounding), key);
            if (chord.isEmpty()) {
                problems.add(new Problem(
                        Problem.Severity.WARNING,
                        "midi-chord-unnamed",
                        draft.line,
                        1,
                        0,
                        sounding.toString(),
                        "keys that make a chord, in bar " + draft.line));
            } else if (!chord.equals(before)) {
                draft.chords.put(beat, chord);
                before = chord;
            }
        }
    }
}
