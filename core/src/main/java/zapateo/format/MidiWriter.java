package zapateo.format;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.TreeSet;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Pedal;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.part.Part;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.Timeline;
import zapateo.song.TuneNote;

/**
 * Writes a Standard MIDI File, type 1, 960 ticks to the quarter: a first track with tempo, time and key signatures and
 * section markers, then a track for each hand on its own channel. Swing is written as the times that sound.
 */
public final class MidiWriter {

    private static final int TEXT_TRACK_NAME = 0x03;
    private static final int TEXT_MARKER = 0x06;
    private static final int TEMPO = 0x51;
    private static final int TIME_SIGNATURE = 0x58;
    private static final int KEY_SIGNATURE = 0x59;
    private static final int SUSTAIN = 64;
    private static final int RIGHT_CHANNEL = 0;
    private static final int LEFT_CHANNEL = 1;
    private static final int CHORD_VELOCITY = 66;
    private static final int MELODY_VELOCITY = 84;
    /** Chords of a lead sheet stand on roots from C3 up. */
    private static final int CHORD_ROOT = 48;

    private MidiWriter() {}

    public static byte[] write(Arrangement arrangement, Hands hands) {
        try {
            boolean lead = hands == Hands.LEAD_LEFT;
            Written written = Written.of(lead ? arrangement.withTune() : arrangement);
            Sequence sequence = new Sequence(Sequence.PPQ, Ticks.PER_QUARTER);
            writeSong(sequence.createTrack(), written.song(), true);
            if (hands != Hands.LEFT) {
                writePart(
                        sequence.createTrack(),
                        lead ? "Melody" : "Right hand",
                        RIGHT_CHANNEL,
                        written.right(),
                        written);
            }
            writePart(sequence.createTrack(), "Left hand", LEFT_CHANNEL, written.left(), written);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 1, out);
            return out.toByteArray();
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException("a part holds what MIDI cannot say", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A song as a lead sheet: its melody and its chords, as played, each on a track of its own. */
    public static byte[] lead(Song song) {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, Ticks.PER_QUARTER);
            writeSong(sequence.createTrack(), song, false);
            if (song.hasTune()) {
                writeTune(sequence.createTrack(), song);
            }
            writeChords(sequence.createTrack(), song);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 1, out);
            return out.toByteArray();
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException("a song holds what MIDI cannot say", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void writeTune(Track track, Song song) throws InvalidMidiDataException {
        text(track, 0, TEXT_TRACK_NAME, "Melody");
        int key = -1;
        for (Bar bar : song.bars()) {
            for (TuneNote note : bar.tune()) {
                if (note.pitch().isEmpty()) {
                    continue;
                }
                if (key < 0) {
                    key = note.pitch().get().midi();
                    track.add(new MidiEvent(
                            new ShortMessage(ShortMessage.NOTE_ON, RIGHT_CHANNEL, key, MELODY_VELOCITY),
                            bar.tick() + note.tick()));
                }
                if (!note.tied()) {
                    track.add(new MidiEvent(
                            new ShortMessage(ShortMessage.NOTE_OFF, RIGHT_CHANNEL, key, 0), bar.tick() + note.end()));
                    key = -1;
                }
            }
        }
        end(track, song);
    }

    /** Each chord in root position over its bass, the bass an octave below. */
    private static void writeChords(Track track, Song song) throws InvalidMidiDataException {
        text(track, 0, TEXT_TRACK_NAME, "Chords");
        for (Song.Placed place : song.chords().toList()) {
            if (place.chord().isEmpty()) {
                continue;
            }
            ChordSymbol chord = place.chord().get();
            int root = CHORD_ROOT + Math.floorMod(chord.root().chroma() - CHORD_ROOT, 12);
            TreeSet<Integer> keys = new TreeSet<>(chord.quality().tones().stream()
                    .map(tone -> root + tone.semitones())
                    .toList());
            keys.add(root - 12 - Math.floorMod(root - chord.bass().chroma(), 12));
            for (int each : keys) {
                track.add(new MidiEvent(
                        new ShortMessage(ShortMessage.NOTE_ON, LEFT_CHANNEL, each, CHORD_VELOCITY), place.tick()));
                track.add(new MidiEvent(
                        new ShortMessage(ShortMessage.NOTE_OFF, LEFT_CHANNEL, each, 0),
                        place.tick() + place.span().ticks()));
            }
        }
        end(track, song);
    }

    /** @param holding whether fermatas are slow tempos: to be heard, not to be read */
    private static void writeSong(Track track, Song song, boolean holding) throws InvalidMidiDataException {
        text(track, 0, TEXT_TRACK_NAME, song.title());
        Meter before = null;
        Key key = null;
        Tempo tempo = null;
        for (Bar bar : song.bars()) {
            if (!bar.tempo().equals(tempo)) {
                tempo = bar.tempo();
                tempo(track, bar.tick(), tempo.quartersPerMinute());
            }
            if (!bar.key().equals(key)) {
                key = bar.key();
                meta(track, bar.tick(), KEY_SIGNATURE, key.fifths(), key.mode().isMinor() ? 1 : 0);
            }
            for (ChordSpan span : bar.chords()) {
                if (holding && span.held()) {
                    tempo(track, bar.tick() + span.tick(), tempo.quartersPerMinute() / Timeline.HELD);
                    tempo(track, bar.tick() + span.end(), tempo.quartersPerMinute());
                }
            }
            Meter heard = bar.written().isShort() ? Meter.lasting(bar.ticks()) : bar.meter();
            if (!heard.equals(before)) {
                before = heard;
                int clocksPerBeat = before.beatTicks() * 24 / Ticks.PER_QUARTER;
                meta(
                        track,
                        bar.tick(),
                        TIME_SIGNATURE,
                        before.count(),
                        Integer.numberOfTrailingZeros(before.unit()),
                        clocksPerBeat,
                        8);
            }
        }
        for (Section section : song.sections()) {
            if (!section.name().isEmpty()) {
                text(track, section.bars().get(0).tick(), TEXT_MARKER, section.name());
            }
        }
        end(track, song);
    }

    private static void tempo(Track track, int tick, double quarters) throws InvalidMidiDataException {
        int microseconds = (int) Math.round(60_000_000 / quarters);
        meta(track, tick, TEMPO, microseconds >> 16, microseconds >> 8, microseconds);
    }

    private static void writePart(Track track, String name, int channel, Part part, Written written)
            throws InvalidMidiDataException {
        text(track, 0, TEXT_TRACK_NAME, name);
        track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, channel, 0, 0), 0));
        for (Stroke stroke : part.strokes()) {
            for (PartNote note : stroke.notes()) {
                int key = note.pitch().midi();
                track.add(new MidiEvent(
                        new ShortMessage(ShortMessage.NOTE_OFF, channel, key, 0),
                        stroke.sounding().end()));
                track.add(new MidiEvent(
                        new ShortMessage(ShortMessage.NOTE_ON, channel, key, note.velocity()),
                        stroke.sounding().tick() + note.delayTicks()));
            }
        }
        if (!part.strokes().isEmpty()) {
            for (Pedal pedal : written.pedal()) {
                track.add(new MidiEvent(
                        new ShortMessage(ShortMessage.CONTROL_CHANGE, channel, SUSTAIN, 127), pedal.down()));
                track.add(
                        new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, channel, SUSTAIN, 0), pedal.up()));
            }
        }
        end(track, written.song());
    }

    /** The track lasts as long as the song, also where its hand rests at the end. */
    private static void end(Track track, Song song) throws InvalidMidiDataException {
        track.add(new MidiEvent(new MetaMessage(0x2F, new byte[0], 0), song.ticks()));
    }

    private static void text(Track track, int tick, int type, String text) throws InvalidMidiDataException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        add(track, tick, new MetaMessage(type, bytes, bytes.length));
    }

    private static void meta(Track track, int tick, int type, int... data) throws InvalidMidiDataException {
        byte[] bytes = new byte[data.length];
        for (int i = 0; i < data.length; i++) {
            bytes[i] = (byte) data[i];
        }
        add(track, tick, new MetaMessage(type, bytes, bytes.length));
    }

    private static void add(Track track, int tick, MidiMessage message) {
        track.add(new MidiEvent(message, tick));
    }
}
