package zapateo.server.arrangements;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import zapateo.arrangement.SongChoice;
import zapateo.choice.Choice;
import zapateo.choice.Range;
import zapateo.names.Names;
import zapateo.server.problems.ChoiceWords;

/**
 * A row of the table of choices, with all a field for it needs to know.
 *
 * @param name what a player calls it
 * @param on what it is called where it is a yes; null for others
 * @param places where it may hold: song, section, bars, right, right-section
 * @param kind how it is written: text, whole, number, yes-no, wholes, texts, or seed, a number that chance begins from
 * @param values all it may be, where they are few; those of figures are in the list of figures
 * @param usual what it is where it is left open; null where figure, song or hand decide
 * @param open what it is called where it is left open; null where it always has a value
 * @param nothing why there is nothing to choose with a figure that has none of it
 * @param falls the choice it is dropped with where that becomes another one
 * @param along the choice that is chosen alike with it
 * @param apart whether it is set by something of its own, not by a field among the others
 * @param use what it decides, in a sentence; empty where its name says so
 */
public record ChoiceView(
        String id,
        String name,
        @Schema(types = {"string", "null"}) String on,
        List<String> places,
        String kind,
        List<Asking.NamedView> values,
        @Schema(types = {"string", "null"}) String usual,
        @Schema(types = {"object", "null"}) Asking.NamedView open,
        @Schema(types = {"string", "null"}) String nothing,
        @Schema(types = {"string", "null"}) String falls,
        @Schema(types = {"string", "null"}) String along,
        boolean apart,
        String use) {

    private static final String SEED = "seed";

    /** All rows, in the order of the table. */
    static List<ChoiceView> all(ChoiceWords words) {
        return SongChoice.table().stream().map(each -> of(each, words)).toList();
    }

    private static ChoiceView of(Choice<?> choice, ChoiceWords words) {
        Range<?> range = choice.range();
        return new ChoiceView(
                choice.id(),
                words.name(choice.id()),
                words.on(choice).orElse(null),
                choice.places().stream().map(Choice.Place::id).toList(),
                range.form() == Range.Form.WHOLE && range.most() > Integer.MAX_VALUE ? SEED : Names.of(range.form()),
                words.values(choice).stream().map(Asking.NamedView::of).toList(),
                choice.usual().map(usual -> ChoiceWords.written(choice, usual)).orElse(null),
                words.open(choice).map(Asking.NamedView::of).orElse(null),
                words.nothing(choice).orElse(null),
                choice.falls().map(Choice::id).orElse(null),
                choice.along().map(Choice::id).orElse(null),
                choice.apart(),
                words.says(choice));
    }
}
