package zapateo.format;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.audiveris.proxymusic.Accidental;
import org.audiveris.proxymusic.Arpeggiate;
import org.audiveris.proxymusic.Articulations;
import org.audiveris.proxymusic.Beam;
import org.audiveris.proxymusic.BeamValue;
import org.audiveris.proxymusic.Fermata;
import org.audiveris.proxymusic.Fingering;
import org.audiveris.proxymusic.Grace;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.Pitch;
import org.audiveris.proxymusic.Rest;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.Tuplet;
import org.audiveris.proxymusic.UpDown;
import org.audiveris.proxymusic.UprightInverted;
import org.audiveris.proxymusic.YesNo;
import zapateo.harmony.Key;
import zapateo.part.PartNote;
import zapateo.part.Roll;
import zapateo.part.Stroke;

/** Writes the notes and rests of one staff's bar, with the accidentals they need. */
final class NoteWriter {

    private final ObjectFactory make = new ObjectFactory();
    private final Key key;
    private final Accidentals accidentals;
    private final BigInteger staff;
    private final IntPredicate fingered;

    /** @param fingered of which strokes, by their numbers, the fingers are written */
    NoteWriter(Key key, BigInteger staff, IntPredicate fingered) {
        this.key = key;
        this.accidentals = new Accidentals(key);
        this.staff = staff;
        this.fingered = fingered;
    }

    Note barRest(int ticks, String voice, boolean held) {
        Note note = plain(ticks, voice);
        Rest rest = make.createRest();
        rest.setMeasure(YesNo.YES);
        note.setRest(rest);
        if (held) {
            Notations notations = make.createNotations();
            notations.getTiedOrSlurOrTuplet().add(fermata());
            note.getNotations().add(notations);
        }
        return note;
    }

    private Fermata fermata() {
        Fermata fermata = make.createFermata();
        fermata.setType(UprightInverted.UPRIGHT);
        return fermata;
    }

    /** @param held whether a fermata stands over it */
    List<Note> notes(
            StaffBar.Event event, String voice, List<BeamValue> beams, Optional<StartStop> triplet, boolean held) {
        if (event.isRest()) {
            Note note = valued(event, voice);
            note.setRest(make.createRest());
            Notations notations = make.createNotations();
            triplet.ifPresent(sign -> notations.getTiedOrSlurOrTuplet().add(tuplet(sign)));
            if (held) {
                notations.getTiedOrSlurOrTuplet().add(fermata());
            }
            if (!notations.getTiedOrSlurOrTuplet().isEmpty()) {
                note.getNotations().add(notations);
            }
            return List.of(note);
        }
        StaffBar.Numbered numbered = event.stroke().orElseThrow();
        List<Note> notes = new ArrayList<>();
        List<PartNote> sounding = numbered.stroke().notes();
        for (int i = 0; i < sounding.size(); i++) {
            Note note = valued(event, voice);
            note.setId("s" + numbered.number() + "n" + (numbered.firstNote() + i)
                    + (event.piece() > 0 ? "t" + event.piece() : ""));
            if (event.isGrace()) {
                Grace grace = make.createGrace();
                grace.setSlash(YesNo.YES);
                note.setGrace(grace);
                note.setDuration(null);
            }
            if (i > 0) {
                note.setChord(make.createEmpty());
            } else {
                addBeams(note, beams);
            }
            addPitch(note, PlainSpelling.of(sounding.get(i).pitch(), key), event.piece() > 0);
            addNotations(note, event, numbered, i == 0 ? triplet : Optional.empty(), i, held && i == 0);
            notes.add(note);
        }
        return notes;
    }

    private Note plain(int ticks, String voice) {
        Note note = make.createNote();
        note.setDuration(BigDecimal.valueOf(ticks));
        note.setVoice(voice);
        note.setStaff(staff);
        return note;
    }

    private Note valued(StaffBar.Event event, String voice) {
        Note note = plain(event.value().ticks(), voice);
        NoteType type = make.createNoteType();
        type.setValue(event.value().type());
        note.setType(type);
        for (int i = 0; i < event.value().dots(); i++) {
            note.getDot().add(make.createEmptyPlacement());
        }
        if (event.value().triplet()) {
            TimeModification three = make.createTimeModification();
            three.setActualNotes(BigInteger.valueOf(3));
            three.setNormalNotes(BigInteger.TWO);
            note.setTimeModification(three);
        }
        return note;
    }

    private void addPitch(Note note, zapateo.pitch.Pitch sounding, boolean tied) {
        Pitch pitch = make.createPitch();
        pitch.setStep(Step.fromValue(sounding.pitchClass().letter().name()));
        if (sounding.pitchClass().alteration() != 0) {
            pitch.setAlter(BigDecimal.valueOf(sounding.pitchClass().alteration()));
        }
        pitch.setOctave(sounding.octave());
        note.setPitch(pitch);
        if (!tied) {
            accidentals.before(sounding).ifPresent(value -> {
                Accidental accidental = make.createAccidental();
                accidental.setValue(value);
                note.setAccidental(accidental);
            });
        }
    }

    private void addBeams(Note note, List<BeamValue> beams) {
        for (int level = 0; level < beams.size(); level++) {
            Beam beam = make.createBeam();
            beam.setNumber(level + 1);
            beam.setValue(beams.get(level));
            note.getBeam().add(beam);
        }
    }

    private Tuplet tuplet(StartStop sign) {
        Tuplet tuplet = make.createTuplet();
        tuplet.setType(sign);
        tuplet.setNumber(1);
        return tuplet;
    }

    private void addNotations(
            Note note,
            StaffBar.Event event,
            StaffBar.Numbered numbered,
            Optional<StartStop> triplet,
            int place,
            boolean held) {
        Stroke stroke = numbered.stroke();
        Notations notations = make.createNotations();
        Ties.add(note, notations, event.piece() > 0, event.tieNext());
        triplet.ifPresent(sign -> notations.getTiedOrSlurOrTuplet().add(tuplet(sign)));
        if (stroke.accent() && place == 0 && event.piece() == 0) {
            Articulations articulations = make.createArticulations();
            articulations
                    .getAccentOrStrongAccentOrStaccato()
                    .add(make.createArticulationsAccent(make.createEmptyPlacement()));
            notations.getTiedOrSlurOrTuplet().add(articulations);
        }
        if (stroke.notes().get(place).finger() > 0 && event.piece() == 0 && fingered.test(numbered.number())) {
            Technical technical = make.createTechnical();
            Fingering fingering = make.createFingering();
            fingering.setValue(String.valueOf(stroke.notes().get(place).finger()));
            technical.getUpBowOrDownBowOrHarmonic().add(make.createTechnicalFingering(fingering));
            notations.getTiedOrSlurOrTuplet().add(technical);
        }
        if (stroke.roll().filter(roll -> roll.kind() == Roll.Kind.QUICK).isPresent() && event.piece() == 0) {
            Arpeggiate arpeggiate = make.createArpeggiate();
            arpeggiate.setDirection(UpDown.UP);
            notations.getTiedOrSlurOrTuplet().add(arpeggiate);
        }
        if (held) {
            notations.getTiedOrSlurOrTuplet().add(fermata());
        }
        if (!notations.getTiedOrSlurOrTuplet().isEmpty()) {
            note.getNotations().add(notations);
        }
    }
}
