package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.lefthand.Fuller;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * One of the five versions of a song (HANDBOOK §11), made by rule from what was chosen; the rows of {@code levels.yaml}.
 *
 * @param number 1 the easiest to 5
 * @param name   as a player says it
 * @param use    one line: what it asks for
 * @param ways   the figures it may have, the first wherever the ladder rises with it
 * @param set    choices that go before the player's
 * @param open   choices that fill what the player left open
 * @param fuller what is struck with the bass
 */
public record Level(int number, String name, String use, List<Way> ways, Options set, Options open, Optional<Fuller> fuller) {

    /**
     * A figure of a level: a named one, or one of the row of what was chosen.
     *
     * @param voicing set with it
     */
    record Way(String figure, Optional<String> voicing) {

        private static final String ROW = "row-";

        private static Way parse(String text) {
            String[] words = text.split(" ");
            return new Way(words[0], words.length > 1 ? Optional.of(words[1]) : Optional.empty());
        }

        private String on(String chosen) {
            return figure.startsWith(ROW) ? relative(chosen, Integer.parseInt(figure.substring(ROW.length()))) : figure;
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
     * The choices at this level, complete as far as the player's were.
     *
     * @param way which of {@link #ways} it takes
     */
    Options on(Options chosen, int way) {
        Way taken = ways.get(way);
        Options own = capped(capped(chosen.standingAt(number), Choice.VOICING), Choice.BASS_LINE).with(Choice.FIGURE, taken.on(chosen.orUsual(Choice.FIGURE)));
        Options always = taken.voicing().map(voicing -> set.with(Choice.VOICING, voicing)).orElse(set);
        return always.over(own).over(open);
    }

    /** The figure that is usually heard at this level where another one is chosen. */
    public String usually(String chosen) {
        return on(Options.OPEN.with(Choice.FIGURE, chosen), 0).orUsual(Choice.FIGURE);
    }

    private Options capped(Options options, Choice<String> choice) {
        return options.get(choice).filter(id -> CHOICES.getOrDefault(id, EASIEST) > number).isPresent() ? options.without(choice) : options;
    }

    /** The figure of a row at this level; one of the player's own has no row and stays. */
    private static String relative(String chosen, int level) {
        return FIGURES.containsKey(chosen) ? FIGURES.get(chosen).get(level - ROWS_FROM) : chosen;
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
            YamlFields fields = FILE.fields("level-" + number).allow(Set.of("name", "use", "figures", "set", "open", "bass"));
            Optional<Fuller> fuller = fields.texts("bass").entrySet().stream().map(each -> new Fuller(Role.parse(each.getKey()), each.getValue().equals("every"))).findFirst();
            all.add(new Level(number, fields.text("name"), fields.text("use"), fields.list("figures", Way::parse), Preset.optionsOf(fields.texts("set")), Preset.optionsOf(fields.texts("open")), fuller));
        }
        return List.copyOf(all);
    }
}
