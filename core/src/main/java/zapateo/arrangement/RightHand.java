package zapateo.arrangement;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.righthand.RightChoices.Shapes;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Top;
import zapateo.righthand.RightChoices.Under;

/**
 * What the right hand does; what is open is as usual for the song.
 *
 * @param song     for the whole song
 * @param sections by a section's name; goes before the song's
 * @param chorus   seed of an improvised chorus
 * @param fills    seed of what is played where the melody rests; empty leaves its rests
 * @param plain    numbers of bars whose rests stay rests
 * @param unison   whether both hands go up the chord together before a section begins
 * @param licks    small devices in place of what it plays in some bars
 * @param asTheyAre numbers of bars in which the hands may run together as they are
 */
public record RightHand(Manner song, Map<String, Manner> sections, long chorus, Optional<Long> fills, List<Integer> plain, boolean unison, List<PlacedLick> licks, List<Integer> asTheyAre) {

    /** The left hand alone. */
    public static final RightHand NONE = of(Style.NONE);

    public RightHand {
        sections = Map.copyOf(sections);
        plain = List.copyOf(plain);
        licks = List.copyOf(licks);
        asTheyAre = List.copyOf(asTheyAre);
    }

    /**
     * How it plays.
     *
     * @param figure id of a right-hand figure, for comping
     * @param shapes which chords comping strikes
     */
    public record Manner(Style style, Optional<String> figure, Top top, Under under, Shapes shapes) {

        public static Manner of(Style style) {
            return new Manner(style, Optional.empty(), Top.NEAREST, Under.ALONE, Shapes.EACH);
        }
    }

    /** @param bar as numbered in the chart; @param id of the lick */
    public record PlacedLick(int bar, String id) {
    }

    public static RightHand of(Style style) {
        return new RightHand(Manner.of(style), Map.of(), 1, Optional.empty(), List.of(), false, List.of(), List.of());
    }

    private RightHand with(Manner manner) {
        return new RightHand(manner, sections, chorus, fills, plain, unison, licks, asTheyAre);
    }

    public RightHand figure(String id) {
        return with(new Manner(song.style(), Optional.of(id), song.top(), song.under(), song.shapes()));
    }

    public RightHand top(Top where) {
        return with(new Manner(song.style(), song.figure(), where, song.under(), song.shapes()));
    }

    public RightHand under(Under what) {
        return with(new Manner(song.style(), song.figure(), song.top(), what, song.shapes()));
    }

    public RightHand shapes(Shapes which) {
        return with(new Manner(song.style(), song.figure(), song.top(), song.under(), which));
    }

    public RightHand section(String name, Manner manner) {
        Map<String, Manner> more = new HashMap<>(sections);
        more.put(name, manner);
        return new RightHand(song, more, chorus, fills, plain, unison, licks, asTheyAre);
    }

    public RightHand fills(long seed, List<Integer> restingBars) {
        return new RightHand(song, sections, chorus, Optional.of(seed), restingBars, unison, licks, asTheyAre);
    }

    public RightHand chorus(long seed) {
        return new RightHand(song, sections, seed, fills, plain, unison, licks, asTheyAre);
    }

    public RightHand withUnison() {
        return new RightHand(song, sections, chorus, fills, plain, true, licks, asTheyAre);
    }

    public RightHand licks(List<PlacedLick> placed) {
        return new RightHand(song, sections, chorus, fills, plain, unison, placed, asTheyAre);
    }

    /** Nothing is mended in these bars. */
    public RightHand asTheyAre(List<Integer> bars) {
        return new RightHand(song, sections, chorus, fills, plain, unison, licks, bars);
    }

    /** How it plays in a section of that name. */
    Manner in(String section) {
        return sections.getOrDefault(section, song);
    }

    /** Whether it rests throughout. */
    boolean rests() {
        return song.style() == Style.NONE && licks.isEmpty() && !unison && sections.values().stream().allMatch(manner -> manner.style() == Style.NONE);
    }
}
