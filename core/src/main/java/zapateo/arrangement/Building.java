package zapateo.arrangement;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.colour.Form;
import zapateo.lefthand.LeftChoice;
import zapateo.part.Stroke;
import zapateo.song.Bar;
import zapateo.song.Song;

/** The form that choices name. */
public final class Building {

    /** The bars that grow thinner to the end. */
    private static final int FADING = 4;
    /** The last bar's voicing first. */
    private static final List<String> THINNER = List.of("single", "open-fifth", "tenth");

    private static final String HELD = "held";
    private static final int SOFTER = 8;
    private static final int SOFTEST = 20;

    /** What a form is made of; written into a chart, none of it is left. A fade is no chart's: it stays. */
    public static final List<Choice<?>> CHOICES = List.of(
            SongChoice.INTRO,
            SongChoice.INTRO_CHORDS,
            SongChoice.INTRO_WAITS,
            SongChoice.TIMES,
            SongChoice.TAGS,
            SongChoice.LAST_BAR,
            SongChoice.BREAKS,
            SongChoice.VAMP,
            SongChoice.KEY_UP,
            SongChoice.RITARD);

    private Building() {}

    public static Form of(Options song) {
        Map<Integer, Integer> times = new LinkedHashMap<>();
        song.orUsual(SongChoice.TIMES)
                .forEach(each -> times.put(first(each), second(each).orElseThrow()));
        List<Form.Break> breaks = song.orUsual(SongChoice.BREAKS).stream()
                .map(each -> new Form.Break(first(each), second(each)))
                .toList();
        return new Form(
                song.orUsual(SongChoice.INTRO),
                song.get(SongChoice.INTRO_CHORDS),
                song.orUsual(SongChoice.INTRO_WAITS),
                times,
                song.orUsual(SongChoice.TAGS),
                song.get(SongChoice.LAST_BAR),
                breaks,
                song.get(SongChoice.VAMP)
                        .map(text -> text.split("-"))
                        .map(ends -> new Form.Bars(Integer.parseInt(ends[0]), Integer.parseInt(ends[1]))),
                song.get(SongChoice.KEY_UP)
                        .map(text -> new Form.KeyUp(first(text), second(text).orElseThrow())),
                song.orUsual(SongChoice.CLOSE),
                song.orUsual(SongChoice.RITARD));
    }

    private static int first(String text) {
        return Integer.parseInt(text.split("@")[0]);
    }

    private static Optional<Integer> second(String text) {
        String[] parts = text.split("@");
        return parts.length < 2 ? Optional.empty() : Optional.of(Integer.parseInt(parts[1]));
    }

    /** Where a song fades its last bars are held, thinner and thinner. */
    static Choices thinned(Song song, Choices choices) {
        Choices all = choices;
        for (int left = Math.min(FADING, song.bars().size()); left > 0 && fades(choices.song()); left--) {
            Bar bar = song.bars().get(song.bars().size() - left);
            Options thin = Options.OPEN
                    .with(LeftChoice.FIGURE, HELD)
                    .with(LeftChoice.VOICING, THINNER.get(Math.min(left, THINNER.size()) - 1))
                    .with(LeftChoice.LEAD_IN, "none");
            all = all.override(new Choices.Override(
                    new Choices.Run(bar.number(), bar.number()), Optional.of(bar.pass()), Optional.empty(), thin));
        }
        return all;
    }

    /** And softer and softer. */
    static List<Stroke> fading(Song song, Options options, List<Stroke> strokes) {
        int first = song.bars().size() - FADING;
        return !fades(options)
                ? strokes
                : strokes.stream()
                        .map(stroke -> stroke.bar() < first
                                ? stroke
                                : stroke.playing(stroke.notes().stream()
                                        .map(note -> note.struck(Math.max(
                                                SOFTEST, note.velocity() - SOFTER * (stroke.bar() - first + 1))))
                                        .toList()))
                        .toList();
    }

    private static boolean fades(Options options) {
        return options.orUsual(SongChoice.CLOSE) == Form.Close.FADE;
    }
}
