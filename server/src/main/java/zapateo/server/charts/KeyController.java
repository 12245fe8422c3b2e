package zapateo.server.charts;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import zapateo.format.LeadSheetWriter;
import zapateo.harmony.Key;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.server.bounds.ShortText;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartParser;

/** What a key is made of. */
@RestController
@RequestMapping("/api/keys")
public class KeyController {

    private static final int MIDDLE_C = 60;

    public record ToneView(String name, int midi) {}

    /**
     * @param relative the key that shares its signature
     * @param parallel the key on the same tonic with the other third
     * @param signs sharps above zero, flats below
     * @param scale from the tonic at or above middle C up to its octave
     * @param pentatonic five notes safe over the whole song, and the octave
     */
    public record KeyView(
            String key,
            String mode,
            int signs,
            String relative,
            String parallel,
            List<ToneView> scale,
            List<ToneView> pentatonic) {}

    /** @param name as a player writes it: {@code B♭}, {@code Gm}, {@code E mixolydian} */
    @GetMapping
    public KeyView key(@RequestParam @ShortText String name) {
        Key key = Key.read(name)
                .orElseThrow(
                        () -> Refusal.unusable("key \"" + name + "\": expected a key such as B♭, Gm or E mixolydian"));
        return new KeyView(
                key.toString(),
                key.mode().id(),
                key.fifths(),
                key.relative().toString(),
                key.parallel().toString(),
                tones(key.scale()),
                tones(key.pentatonic()));
    }

    /** @param notes scale or pentatonic */
    @GetMapping(path = "/score", produces = "application/vnd.recordare.musicxml+xml")
    public byte[] score(
            @RequestParam @ShortText String name, @RequestParam(defaultValue = "scale") @ShortText String notes) {
        KeyView view = key(name);
        List<ToneView> tones = notes.equals("pentatonic") ? view.pentatonic() : view.scale();
        Key key = Key.read(name).orElseThrow();
        String tune = tones.stream().map(tone -> tone.name() + "/4").collect(Collectors.joining(" "));
        String chart = "Title: " + key + "\nKey: " + key + "\nMeter: " + tones.size() + "/4\n| N.C. |\nTune: " + tune;
        return LeadSheetWriter.notes(ChartParser.parse(chart).song().orElseThrow());
    }

    private static List<ToneView> tones(List<PitchClass> notes) {
        List<ToneView> tones = new ArrayList<>();
        int above = MIDDLE_C;
        for (PitchClass note : notes) {
            int midi = above + Math.floorMod(note.chroma() - above, 12);
            tones.add(new ToneView(Pitch.onKey(midi, note).toString(), midi));
            above = midi + 1;
        }
        int octave = tones.get(0).midi() + 12;
        tones.add(new ToneView(Pitch.onKey(octave, notes.get(0)).toString(), octave));
        return tones;
    }
}
