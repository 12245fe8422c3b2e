package zapateo.arrangement;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.colour.Form;
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
            Choice.INTRO,
            Choice.INTRO_CHORDS,
            Choice.INTRO_WAITS,
            Choice.TIMES,
            Choice.TAGS,
            Choice.LAST_BAR,
            Choice.BREAKS,
            Choice.VAMP,
            Choice.KEY_UP,
            Choice.RITARD);

    private Building() {}

    public static Form of(Options song) {
        Map<Integer, Integer> times = new LinkedHashMap<>();
        song.orUsual(Choice.TIMES)
                .forEach(each -> times.put(first(each), second(each).orElseThrow()));
        List<Form.Break> breaks = song.orUsual(Choice.BREAKS).stream()
                .map(each -> new Form.Break(first(each), second(each)))
                .toList();
        return new Form(
                song.orUsual(Choice.INTRO),
                song.get(Choice.INTRO_CHORDS),
                song.orUsual(Choice.INTRO_WAITS),
                times,
                song.orUsual(Choice.TAGS),
                song.get(Choice.LAST_BAR),
                breaks,
                song.get(Choice.VAMP)
                        .map(text -> text.split("-"))
                        .map(ends -> new Form.Bars(Integer.parseInt(ends[0]), Integer.parseInt(ends[1]))),
                song.get(Choice.KEY_UP)
                        .map(text -> new Form.KeyUp(first(text), second(text).orElseThrow())),
                song.orUsual(Choice.CLOSE),
                song.orUsual(Choice.RITARD));
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
                    .with(Choice.FIGURE, HELD)
                    .with(Choice.VOICING, THINNER.get(Math.min(left, THINNER.size()) - 1))
                    .with(Choice.LEAD_IN, "none");
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
        return options.orUsual(Choice.CLOSE) == Form.Close.FADE;
    }
}
