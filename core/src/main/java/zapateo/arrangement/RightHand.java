package zapateo.arrangement;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;
import zapateo.righthand.Lick;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices.Style;

/**
 * What the right hand does.
 *
 * @param song for the whole song
 * @param sections by a section's name; goes before the song's manner there, and what it leaves open is as usual
 * @param licks small devices in place of what it plays in some bars
 */
public record RightHand(Options song, Map<String, Options> sections, List<PlacedLick> licks) {

    /** The left hand alone. */
    public static final RightHand NONE = of(Style.NONE);

    public RightHand {
        sections = Map.copyOf(sections);
        licks = List.copyOf(licks);
    }

    /** @param bar as numbered in the chart; @param id of the lick */
    public record PlacedLick(int bar, String id) {}

    public static RightHand of(Style style) {
        return new RightHand(manner(style), Map.of(), List.of());
    }

    /** How it plays in one place. */
    public static Options manner(Style style) {
        return Options.OPEN.with(RightChoice.STYLE, style);
    }

    public <T> RightHand with(Choice<T> choice, T value) {
        return new RightHand(song.with(choice, value), sections, licks);
    }

    public RightHand section(String name, Options manner) {
        Map<String, Options> more = new HashMap<>(sections);
        more.put(name, manner);
        return new RightHand(song, more, licks);
    }

    public RightHand licks(List<PlacedLick> placed) {
        return new RightHand(song, sections, placed);
    }

    /** How it plays in a section of that name. */
    Options in(String section) {
        return sections.getOrDefault(section, song);
    }

    <T> T orUsual(Choice<T> choice) {
        return song.orUsual(choice);
    }

    /** @throws Refused naming a rhythm or a lick there is not */
    void requireThings(String path, FigureBook book) {
        song.requireThings(path, book);
        sections.forEach((name, manner) -> manner.requireThings(path + "sections." + name + ".", book));
        for (int i = 0; i < licks.size(); i++) {
            String id = licks.get(i).id();
            if (Lick.named(id).isEmpty()) {
                throw new Refused(path + "licks[" + i + "].lick \"" + id + "\": expected one of "
                        + String.join(", ", Lick.all().stream().map(Lick::id).toList()));
            }
        }
    }

    /** Whether it rests throughout. */
    boolean rests() {
        return rests(song)
                && licks.isEmpty()
                && !orUsual(RightChoice.UNISON)
                && sections.values().stream().allMatch(RightHand::rests);
    }

    private static boolean rests(Options manner) {
        return manner.orUsual(RightChoice.STYLE) == Style.NONE;
    }
}
