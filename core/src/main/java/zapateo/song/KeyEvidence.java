package zapateo.song;

import java.util.List;
import zapateo.harmony.KeyFinder;
import zapateo.pitch.Pitch;

/** What of a written song speaks for a key: its chords and its melody, each as long as it lasts. */
final class KeyEvidence {

    private KeyEvidence() {}

    static List<KeyFinder.Sounding> sounding(List<WrittenSection> written) {
        return written.stream()
                .flatMap(each -> each.bars().stream())
                .flatMap(bar -> bar.chords().stream())
                .flatMap(span -> span.chord().map(chord -> new KeyFinder.Sounding(chord, span.ticks())).stream())
                .toList();
    }

    static List<KeyFinder.Tone> melody(List<WrittenSection> written) {
        return written.stream()
                .flatMap(each -> each.bars().stream())
                .flatMap(bar -> bar.tune().stream())
                .flatMap(note ->
                        note.pitch().map(Pitch::midi).map(midi -> new KeyFinder.Tone(midi % 12, note.ticks())).stream())
                .toList();
    }
}
