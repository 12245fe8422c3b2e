package zapateo.format;

import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Qualities;
import zapateo.harmony.Quality;
import zapateo.pitch.Letter;
import zapateo.pitch.PitchClass;

/** A chord as MusicXML tells it: root, kind, degrees and bass. */
final class XmlHarmony {

    private XmlHarmony() {}

    /** Empty where its root or its kind is none that a pianist knows. */
    static Optional<ChordSymbol> chord(XmlTree harmony, String kind) {
        Optional<PitchClass> root = harmony.child("root").flatMap(element -> note(element, "root-step", "root-alter"));
        Optional<Quality> quality = quality(harmony, kind);
        if (root.isEmpty() || quality.isEmpty()) {
            return Optional.empty();
        }
        Optional<PitchClass> bass = harmony.child("bass").flatMap(element -> note(element, "bass-step", "bass-alter"));
        return Optional.of(new ChordSymbol(root.get(), quality.get(), bass));
    }

    /** The kind and the degrees say what a chord is; its text only decides between two names of the same tones. */
    private static Optional<Quality> quality(XmlTree harmony, String kind) {
        List<HarmonyKind.Change> changes = harmony.all("degree")
                .map(degree -> new HarmonyKind.Change(
                        degree.text("degree-type").orElse(""),
                        degree.number("degree-value").orElse(0.0).intValue(),
                        degree.number("degree-alter").orElse(0.0).intValue()))
                .toList();
        Optional<Quality> meant = new HarmonyKind(kind, changes).quality();
        Optional<Quality> written = harmony.child("kind")
                .flatMap(element -> element.attribute("text"))
                .flatMap(Qualities::spelled);
        boolean same = written.isPresent()
                && meant.filter(quality -> quality.tones().equals(written.get().tones()))
                        .isPresent();
        return same || meant.isEmpty() && kind.equals("other") ? written : meant;
    }

    private static Optional<PitchClass> note(XmlTree element, String step, String alter) {
        double away = element.number(alter).orElse(0.0);
        return element.text(step)
                .filter(letter -> letter.matches("[A-G]") && Math.abs(away) <= 2 && away == Math.rint(away))
                .map(letter -> PitchClass.of(Letter.valueOf(letter), (int) away));
    }
}
