package zapateo.format;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.Clef;
import org.audiveris.proxymusic.ClefSign;
import org.audiveris.proxymusic.Harmony;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.Offset;
import org.audiveris.proxymusic.Rest;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.TextElementData;
import org.audiveris.proxymusic.Time;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.YesNo;
import zapateo.harmony.Key;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Swing;
import zapateo.rhythm.Ticks;
import zapateo.song.ChordSpan;
import zapateo.song.Repeat;
import zapateo.song.Song;
import zapateo.song.TuneNote;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * Writes a song as it is read: one staff with the chords above it, the melody or rests on it, words below, repeats and
 * endings. MusicXML 4.0.
 */
public final class LeadSheetWriter {

    private final ObjectFactory make = new ObjectFactory();
    private final Song song;
    private final List<WrittenBar> bars;
    private final Barlines barlines;
    /** A song without a single chord, such as a tune alone, is not told so in every bar. */
    private final boolean sounds;

    private Key key;

    private final boolean bare;

    private LeadSheetWriter(Song song, boolean bare) {
        this.song = song;
        this.bare = bare;
        this.sounds = song.chords().anyMatch(place -> place.chord().isPresent());
        this.bars = song.writtenBars();
        this.barlines = new Barlines(bars);
        this.key = song.key();
    }

    /** What MusicXML cannot say is said otherwise first: see {@link Holding}. */
    public static byte[] write(Song song) {
        return MusicXmlWriter.marshal(new LeadSheetWriter(Holding.MUSICXML.reduce(song), false).score());
    }

    /** The notes of a tune alone, without tempo and time signature, such as a scale. */
    public static byte[] notes(Song song) {
        return MusicXmlWriter.marshal(new LeadSheetWriter(song, true).score());
    }

    private ScorePartwise score() {
        ScorePartwise.Part part = make.createScorePartwisePart();
        int at = 0;
        for (WrittenSection section : song.written()) {
            for (int i = 0; i < section.bars().size(); i++, at++) {
                part.getMeasure().add(measure(at, i == 0 ? section.name() : ""));
            }
        }
        return MusicXmlWriter.score(song.title(), "Lead sheet", part);
    }

    private ScorePartwise.Part.Measure measure(int at, String section) {
        WrittenBar bar = bars.get(at);
        ScorePartwise.Part.Measure measure = make.createScorePartwisePartMeasure();
        measure.setNumber(String.valueOf(bar.number()));
        measure.setImplicit(bar.isShort() ? YesNo.YES : null);
        List<Object> content = measure.getNoteOrBackupOrForward();
        barlines.left(at).ifPresent(content::add);
        attributes(at).ifPresent(content::add);
        if (!section.isEmpty()) {
            content.add(Directions.section(section));
        }
        if (at == 0 && !bare) {
            content.add(Directions.tempo(song.tempo(), song.feel(), Swing.NONE));
        }
        bar.marks().tempo().ifPresent(tempo -> content.add(Directions.tempo(tempo, Feel.STRAIGHT, Swing.NONE)));
        bar.marks().pins().forEach(pin -> content.add(Directions.below((pin.warning() ? "! " : "") + pin.text(), 0)));
        if (sounds) {
            bar.chords().forEach(span -> content.add(harmony(span)));
        }
        // A fermata stands over the note that is held; where none begins under it, it is a word.
        bar.chords().stream()
                .filter(span -> span.held() && under(span, bar).isEmpty())
                .forEach(span -> content.add(Directions.below("fermata", span.tick())));
        if (bar.marks().closes().filter(Repeat::vamp).isPresent()) {
            content.add(Directions.below("vamp", 0));
        }
        notes(bar, at).forEach(content::add);
        barlines.right(at).ifPresent(content::add);
        return measure;
    }

    private Optional<Attributes> attributes(int at) {
        WrittenBar bar = bars.get(at);
        boolean first = at == 0;
        boolean newMeter = first || !bars.get(at - 1).meter().equals(bar.meter());
        key = bar.marks().key().orElse(key);
        if (!newMeter && bar.marks().key().isEmpty()) {
            return Optional.empty();
        }
        Attributes attributes = make.createAttributes();
        if (first) {
            attributes.setDivisions(BigDecimal.valueOf(Ticks.PER_QUARTER));
            if (song.keyGiven()) {
                attributes.getKey().add(Signatures.key(song.key()));
            }
        }
        bar.marks().key().ifPresent(change -> attributes.getKey().add(Signatures.key(change)));
        if (newMeter) {
            Time time = Signatures.time(bar.meter());
            time.setPrintObject(bare ? YesNo.NO : null);
            attributes.getTime().add(time);
        }
        if (first) {
            Clef clef = make.createClef();
            clef.setSign(ClefSign.G);
            clef.setLine(BigInteger.TWO);
            attributes.getClef().add(clef);
        }
        return Optional.of(attributes);
    }

    private Harmony harmony(ChordSpan span) {
        Harmony harmony = ChordSymbols.harmony(span);
        if (span.tick() > 0) {
            Offset offset = make.createOffset();
            offset.setValue(BigDecimal.valueOf(span.tick()));
            harmony.setOffset(offset);
        }
        return harmony;
    }

    private List<Note> notes(WrittenBar bar, int at) {
        if (bar.tune().isEmpty()) {
            Note rest = plain(bar.ticks());
            Rest sign = make.createRest();
            sign.setMeasure(bar.isShort() ? null : YesNo.YES);
            rest.setRest(sign);
            return List.of(rest);
        }
        List<Note> notes = new ArrayList<>();
        Accidentals accidentals = new Accidentals(key);
        boolean tied = at > 0 && endsTied(bars.get(at - 1));
        boolean worded = bar.marks().words().isEmpty();
        for (TuneNote each : bar.tune()) {
            List<Piece> pieces = pieces(bar, each);
            for (int i = 0; i < pieces.size(); i++) {
                Note note = note(pieces.get(i), each, tied || i > 0, each.tied() || i + 1 < pieces.size(), accidentals);
                if (i == 0
                        && bar.chords().stream()
                                .anyMatch(span -> span.held()
                                        && under(span, bar).filter(each::equals).isPresent())) {
                    addFermata(note);
                }
                if (!worded && each.pitch().isPresent()) {
                    addWords(note, bar.marks().words());
                    worded = true;
                }
                notes.add(note);
            }
            tied = each.tied();
        }
        return notes;
    }

    /** The last note that begins under a fermata. */
    private static Optional<TuneNote> under(ChordSpan span, WrittenBar bar) {
        return bar.tune().stream()
                .filter(note -> note.tick() >= span.tick() && note.tick() < span.end())
                .reduce((first, second) -> second);
    }

    private void addFermata(Note note) {
        org.audiveris.proxymusic.Notations notations = note.getNotations().stream()
                .findFirst()
                .orElseGet(() -> {
                    note.getNotations().add(make.createNotations());
                    return note.getNotations().get(0);
                });
        org.audiveris.proxymusic.Fermata fermata = make.createFermata();
        fermata.setType(org.audiveris.proxymusic.UprightInverted.UPRIGHT);
        notations.getTiedOrSlurOrTuplet().add(fermata);
    }

    private static boolean endsTied(WrittenBar bar) {
        return !bar.tune().isEmpty() && bar.tune().get(bar.tune().size() - 1).tied();
    }

    /** A length as it is written: a value, or two thirds of one. */
    private record Piece(int ticks, Optional<NoteValue> value, boolean triplet) {}

    private static List<Piece> pieces(WrittenBar bar, TuneNote note) {
        Optional<NoteValue> triplet = NoteValue.of(note.ticks() * 3 / 2).filter(value -> value.dots() == 0);
        if (NoteValue.of(note.ticks()).isEmpty() && note.ticks() * 3 % 2 == 0 && triplet.isPresent()) {
            return List.of(new Piece(note.ticks(), triplet, true));
        }
        List<NoteValue> values = NoteValue.split(
                bar.meter(), note.tick(), note.ticks(), note.pitch().isEmpty());
        int said = values.stream().mapToInt(NoteValue::ticks).sum();
        if (said != note.ticks()) {
            return List.of(new Piece(note.ticks(), Optional.empty(), false));
        }
        return values.stream()
                .map(value -> new Piece(value.ticks(), Optional.of(value), false))
                .toList();
    }

    private Note plain(int ticks) {
        Note note = make.createNote();
        note.setDuration(BigDecimal.valueOf(ticks));
        note.setVoice("1");
        return note;
    }

    private Note note(Piece piece, TuneNote each, boolean fromBefore, boolean goesOn, Accidentals accidentals) {
        Note note = plain(piece.ticks());
        piece.value().ifPresent(value -> {
            NoteType type = make.createNoteType();
            type.setValue(value.type());
            note.setType(type);
            for (int i = 0; i < value.dots(); i++) {
                note.getDot().add(make.createEmptyPlacement());
            }
        });
        if (piece.triplet()) {
            TimeModification three = make.createTimeModification();
            three.setActualNotes(BigInteger.valueOf(3));
            three.setNormalNotes(BigInteger.TWO);
            note.setTimeModification(three);
        }
        if (each.pitch().isEmpty()) {
            note.setRest(make.createRest());
            return note;
        }
        zapateo.pitch.Pitch sounding = each.pitch().get();
        org.audiveris.proxymusic.Pitch pitch = make.createPitch();
        pitch.setStep(Step.fromValue(sounding.pitchClass().letter().name()));
        pitch.setAlter(
                sounding.pitchClass().alteration() == 0
                        ? null
                        : BigDecimal.valueOf(sounding.pitchClass().alteration()));
        pitch.setOctave(sounding.octave());
        note.setPitch(pitch);
        if (!fromBefore) {
            accidentals.before(sounding).ifPresent(value -> {
                org.audiveris.proxymusic.Accidental accidental = make.createAccidental();
                accidental.setValue(value);
                note.setAccidental(accidental);
            });
        }
        ties(note, fromBefore, goesOn);
        return note;
    }

    private void ties(Note note, boolean fromBefore, boolean goesOn) {
        org.audiveris.proxymusic.Notations notations = make.createNotations();
        Ties.add(note, notations, fromBefore, goesOn);
        if (!notations.getTiedOrSlurOrTuplet().isEmpty()) {
            note.getNotations().add(notations);
        }
    }

    private void addWords(Note note, List<String> verses) {
        for (int i = 0; i < verses.size(); i++) {
            if (!verses.get(i).isEmpty()) {
                Lyric lyric = make.createLyric();
                lyric.setNumber(String.valueOf(i + 1));
                TextElementData text = make.createTextElementData();
                text.setValue(verses.get(i));
                lyric.getElisionAndSyllabicAndText().add(text);
                note.getLyric().add(lyric);
            }
        }
    }
}
