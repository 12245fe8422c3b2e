package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.lefthand.LeftChoice;
import zapateo.names.Names;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Figure;
import zapateo.rhythm.Reduction;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * One of the five versions of a song (HANDBOOK §11), made by rule from what was chosen; the rows of
 * {@code levels.yaml}.
 *
 * @param number 1 the easiest to 5
 * @param name as a player says it
 * @param use one line: what it asks for
 * @param instead the figures it may have where the chosen one asks for more than this level has, the first wherever the
 *     ladder rises with it
 * @param set choices that go before the player's
 * @param below choices that go before the player's with another figure than the chosen one
 * @param open what fills that which the player left open, several ways; the first wherever the ladder rises with it
 */
public record Level(
        int number, String name, String use, List<Instead> instead, Options set, Options below, List<Open> open) {

    /**
     * A figure in place of the chosen one: itself, with fewer notes, a named one, or one of the row of what was chosen.
     *
     * @param voicing set with it
     */
    record Instead(String figure, Optional<String> voicing) {

        private static final String ROW = "row-";
        private static final String OWN = "own";

        private static Instead parse(String text) {
            String[] words = text.split(" ");
            return new Instead(words[0], words.length > 1 ? Optional.of(words[1]) : Optional.empty());
        }

        private String on(String chosen) {
            return isOwn()
                    ? chosen
                    : figure.startsWith(ROW)
                            ? relative(chosen, Integer.parseInt(figure.substring(ROW.length())))
                            : figure;
        }

        private boolean isOwn() {
            return figure.startsWith(OWN);
        }

        /** How the chosen figure is thinned, where it is played itself. */
        private Optional<Reduction> reduction() {
            return figure.startsWith(OWN + "-")
                    ? Names.find(Reduction.class, figure.substring(OWN.length() + 1))
                    : Optional.empty();
        }

        private boolean fits(Figure chosen) {
            return reduction().isEmpty() || reduction().get().of(chosen).isPresent();
        }
    }

    /**
     * What fills that which the player left open.
     *
     * @param fuller what is struck with the bass
     */
    record Open(Options options, Optional<Role> fuller) {

        private static final String BASS = "bass ";

        /**
         * Choices in a row: a name, its value, the next name; before them {@code bass 8} for what is struck with the
         * bass where a chord begins.
         */
        private static Open parse(String words) {
            String[] parts =
                    words.startsWith(BASS) ? words.substring(BASS.length()).split(" ", 2) : new String[] {"", words};
            Map<String, String> set = new HashMap<>();
            String[] choices = parts[1].split(" ");
            for (int i = 0; i + 1 < choices.length; i += 2) {
                set.put(choices[i], choices[i + 1]);
            }
            return new Open(
                    Preset.optionsOf(set), parts[0].isEmpty() ? Optional.empty() : Optional.of(Role.parse(parts[0])));
        }
    }

    public static final int EASIEST = 1;
    public static final int FULLEST = 5;

    private static final YamlFields FILE = DataFile.yaml("arrangement/levels.yaml");
    private static final Map<String, Integer> CHOICES = numbers(FILE.texts("choices"));
    /** The first level that takes a row's figure. */
    private static final int ROWS_FROM = 3;

    private static final Map<String, List<String>> FIGURES = rows(FILE.fields("figures"));
    private static final List<Level> ALL = readAll();

    public static List<Level> all() {
        return ALL;
    }

    /** @param number 1 to 5 */
    public static Level of(int number) {
        return ALL.get(number - 1);
    }

    /**
     * The choices at this level, complete as far as the player's were. A figure that claims this level or a lower one
     * is played itself; only what is played with it changes.
     *
     * @param figure the one that was chosen
     * @param way which of {@link #ways} it takes; where there are fewer, the last
     */
    Options on(Options chosen, Figure figure, int way) {
        int taken = Math.min(way, ways(figure) - 1);
        Options own = capped(capped(chosen.standingAt(number), LeftChoice.VOICING), LeftChoice.BASS_LINE);
        if (carries(figure)) {
            Options filled = open.get(taken).options();
            boolean fits = filled.get(LeftChoice.VOICING)
                    .filter(voicing -> !figure.manner().voicings().contains(voicing))
                    .isEmpty();
            return set.over(own).over(fits ? filled : filled.without(LeftChoice.VOICING));
        }
        Instead other = instead(figure).get(taken);
        if (other.isOwn()) {
            return set.over(own).over(open.get(0).options().without(LeftChoice.VOICING));
        }
        Options always = below.over(set).with(LeftChoice.FIGURE, other.on(figure.id()));
        return other.voicing()
                .map(voicing -> always.with(LeftChoice.VOICING, voicing))
                .orElse(always)
                .over(own)
                .over(open.get(0).options().without(LeftChoice.VOICING));
    }

    /** What is struck with the bass. */
    Optional<Role> fuller(Figure figure, int way) {
        return open.get(carries(figure) ? Math.min(way, open.size() - 1) : 0).fuller();
    }

    /** How many ways there are to play a figure here. */
    int ways(Figure figure) {
        return carries(figure) ? open.size() : instead(figure).size();
    }

    /** What a figure may have in its place: of what it could be thinned to only what is still a figure. */
    private List<Instead> instead(Figure figure) {
        return instead.stream().filter(each -> each.fits(figure)).toList();
    }

    /** Whether a way takes another figure than the chosen one. */
    boolean leaves(Figure figure, int way) {
        return !carries(figure)
                && !instead(figure).get(Math.min(way, ways(figure) - 1)).isOwn();
    }

    /** The chosen figure as it is played here: with fewer notes where a way says so. */
    Figure reduced(Figure figure, int way) {
        return carries(figure)
                ? figure
                : instead(figure)
                        .get(Math.min(way, ways(figure) - 1))
                        .reduction()
                        .flatMap(each -> each.of(figure))
                        .orElse(figure);
    }

    /** Whether a figure is heard itself at this level. */
    boolean carries(Figure figure) {
        return figure.suits().level() <= number || !FIGURES.containsKey(figure.id()) && number >= ROWS_FROM;
    }

    /** The id of the figure that is usually heard at this level where one is chosen. */
    public String usually(Figure chosen) {
        return on(Options.OPEN, chosen, 0).get(LeftChoice.FIGURE).orElse(chosen.id());
    }

    private Options capped(Options options, Choice<String> choice) {
        return options.get(choice)
                        .filter(id -> CHOICES.getOrDefault(id, EASIEST) > number)
                        .isPresent()
                ? options.without(choice)
                : options;
    }

    /** The figure of a row at this level; above the row's end it is the chosen one. */
    private static String relative(String chosen, int level) {
        List<String> row = FIGURES.getOrDefault(chosen, List.of());
        return level - ROWS_FROM < row.size() ? row.get(level - ROWS_FROM) : chosen;
    }

    private static Map<String, List<String>> rows(YamlFields fields) {
        Map<String, List<String>> rows = new HashMap<>();
        fields.names().forEach(id -> rows.put(id, fields.list(id, name -> name)));
        return rows;
    }

    private static Map<String, Integer> numbers(Map<String, String> texts) {
        Map<String, Integer> numbers = new HashMap<>();
        texts.forEach((id, level) -> numbers.put(id, Integer.valueOf(level)));
        return numbers;
    }

    private static List<Level> readAll() {
        List<Level> all = new ArrayList<>();
        for (int number = EASIEST; number <= FULLEST; number++) {
            YamlFields fields =
                    FILE.fields("level-" + number).allow(Set.of("name", "use", "instead", "set", "below", "open"));
            all.add(new Level(
                    number,
                    fields.text("name"),
                    fields.text("use"),
                    fields.has("instead") ? fields.list("instead", Instead::parse) : List.of(),
                    Preset.optionsOf(fields.texts("set")),
                    Preset.optionsOf(fields.texts("below")),
                    fields.has("open") ? fields.list("open", Open::parse) : List.of(Open.parse(""))));
        }
        return List.copyOf(all);
    }
}
