package zapateo.format;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.List;
import org.audiveris.proxymusic.Bass;
import org.audiveris.proxymusic.BassStep;
import org.audiveris.proxymusic.Degree;
import org.audiveris.proxymusic.DegreeAlter;
import org.audiveris.proxymusic.DegreeType;
import org.audiveris.proxymusic.DegreeTypeValue;
import org.audiveris.proxymusic.DegreeValue;
import org.audiveris.proxymusic.Harmony;
import org.audiveris.proxymusic.HarmonyAlter;
import org.audiveris.proxymusic.Kind;
import org.audiveris.proxymusic.KindValue;
import org.audiveris.proxymusic.Root;
import org.audiveris.proxymusic.RootStep;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.YesNo;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.PitchClass;
import zapateo.song.ChordSpan;

/** Chord symbols as MusicXML {@code <harmony>}. */
final class ChordSymbols {

    private static final String ROOM = "\u2002";

    private ChordSymbols() {}

    static Harmony harmony(ChordSpan span) {
        return span.chord().map(chord -> chord(chord, true)).orElseGet(ChordSymbols::silence);
    }

    /** For a page that is engraved here, where the kind's text says all: degrees beside it would be drawn once more. */
    static Harmony engraved(ChordSpan span) {
        Harmony harmony = span.chord().map(chord -> chord(chord, false)).orElseGet(ChordSymbols::silence);
        // A little room behind it, so that the fingers of the next note are seen to be in its way and it stands over
        // them.
        if (span.chord().filter(chord -> chord.over().isEmpty()).isPresent()) {
            harmony.getHarmonyChord().stream()
                    .filter(Kind.class::isInstance)
                    .map(Kind.class::cast)
                    .forEach(kind -> kind.setText(kind.getText() + ROOM));
        }
        return harmony;
    }

    private static Harmony chord(ChordSymbol chord, boolean withDegrees) {
        Harmony harmony = new Harmony();
        harmony.getHarmonyChord().add(root(chord.root(), null));
        HarmonyKind means = HarmonyKind.of(chord.quality());
        Kind kind = new Kind();
        kind.setValue(KindValue.fromValue(means.kind()));
        kind.setText(chord.quality().written());
        harmony.getHarmonyChord().add(kind);
        chord.over().ifPresent(over -> harmony.getHarmonyChord().add(bass(over)));
        (withDegrees ? means.degrees() : List.<HarmonyKind.Change>of())
                .forEach(degree -> harmony.getHarmonyChord().add(degree(degree)));
        return harmony;
    }

    private static Harmony silence() {
        Harmony harmony = new Harmony();
        harmony.getHarmonyChord().add(root(PitchClass.parse("C"), ""));
        Kind kind = new Kind();
        kind.setValue(KindValue.NONE);
        kind.setText(ChordSpan.NO_CHORD);
        harmony.getHarmonyChord().add(kind);
        return harmony;
    }

    private static Root root(PitchClass note, String text) {
        Root root = new Root();
        RootStep step = new RootStep();
        step.setValue(Step.fromValue(note.letter().name()));
        step.setText(text);
        root.setRootStep(step);
        root.setRootAlter(alter(note));
        return root;
    }

    private static Bass bass(PitchClass note) {
        Bass bass = new Bass();
        BassStep step = new BassStep();
        step.setValue(Step.fromValue(note.letter().name()));
        bass.setBassStep(step);
        bass.setBassAlter(alter(note));
        return bass;
    }

    private static HarmonyAlter alter(PitchClass note) {
        if (note.alteration() == 0) {
            return null;
        }
        HarmonyAlter alter = new HarmonyAlter();
        alter.setValue(BigDecimal.valueOf(note.alteration()));
        return alter;
    }

    private static Degree degree(HarmonyKind.Change change) {
        Degree degree = new Degree();
        DegreeValue value = new DegreeValue();
        value.setValue(BigInteger.valueOf(change.number()));
        degree.setDegreeValue(value);
        DegreeAlter alter = new DegreeAlter();
        alter.setValue(BigDecimal.valueOf(change.alter()));
        degree.setDegreeAlter(alter);
        DegreeType type = new DegreeType();
        type.setValue(DegreeTypeValue.fromValue(change.type()));
        degree.setDegreeType(type);
        degree.setPrintObject(YesNo.NO);
        return degree;
    }
}
