package zapateo.arrangement;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.colour.KeptColour;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Lock;
import zapateo.lefthand.Weights;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.righthand.RightChoice;

/**
 * What a player asked for; everything may be left open.
 *
 * @param song for the whole song
 * @param sections by a section's name; goes before the song's
 * @param overrides by bars; the later goes before the earlier, and all before the sections
 * @param locks what is kept on single chords
 * @param weights how much each cost counts
 * @param fingers the player's own on single notes
 * @param right what the right hand does
 * @param colours other chords that are kept for places of the song
 */
public record Choices(
        Options song,
        Map<String, Options> sections,
        List<Override> overrides,
        List<PlacedLock> locks,
        Weights weights,
        List<PlacedFinger> fingers,
        RightHand right,
        List<KeptColour> colours) {

    public static final Choices OPEN = new Choices(
            Options.OPEN, Map.of(), List.of(), List.of(), Weights.USUAL, List.of(), RightHand.NONE, List.of());

    public Choices {
        sections = Map.copyOf(sections);
        overrides = List.copyOf(overrides);
        locks = List.copyOf(locks);
        fingers = List.copyOf(fingers);
        colours = List.copyOf(colours);
    }

    /**
     * Choices for some bars.
     *
     * @param bars as they are numbered in the chart
     * @param pass which time these bars are played; open is every time
     * @param beats of each of these bars; open is the whole bar
     */
    public record Override(Run bars, Optional<Integer> pass, Optional<Run> beats, Options options) {}

    /** A first and a last, both included. */
    public record Run(int first, int last) {

        public Run {
            if (first < 0 || last < first) {
                throw new Refused(first + "-" + last + ": expected the first and not before it the last, as in 5-8");
            }
        }

        /** Reads {@code 5-8} or {@code 5}. */
        public static Run parse(String text) {
            if (!text.matches("[0-9]{1,4}(-[0-9]{1,4})?")) {
                throw new Refused("\"" + text + "\": expected a number or first-last, as in 5-8");
            }
            String[] ends = text.split("-");
            return new Run(Integer.parseInt(ends[0]), Integer.parseInt(ends[ends.length - 1]));
        }

        public boolean holds(int number) {
            return number >= first && number <= last;
        }

        @java.lang.Override
        public String toString() {
            return first == last ? String.valueOf(first) : first + "-" + last;
        }
    }

    /**
     * A lock on the chord that sounds at a place.
     *
     * @param bar as numbered in the chart
     * @param pass which time it is played; open is every time
     * @param beat counted from 1
     */
    public record PlacedLock(int bar, Optional<Integer> pass, double beat, Lock lock) {}

    /**
     * A finger the player wants on a note.
     *
     * @param bar as numbered in the chart
     * @param pass which time it is played; open is every time
     * @param tick where its stroke is written, from the bar line
     * @param key MIDI note number; where the note lies on another key it is passed over
     * @param finger 1 the thumb to 5
     */
    public record PlacedFinger(Side hand, int bar, Optional<Integer> pass, int tick, int key, int finger) {

        public PlacedFinger {
            if (finger < 1 || finger > 5) {
                throw new Refused("finger " + finger + ": expected 1, the thumb, to 5");
            }
        }
    }

    /** The ids of all figures that are named, the right hand's too. */
    public Set<String> figures() {
        Stream<String> left = everywhere().flatMap(options -> options.get(LeftChoice.FIGURE).stream());
        Stream<String> ofRight = Stream.concat(Stream.of(right.song()), right.sections().values().stream())
                .flatMap(manner -> manner.get(RightChoice.FIGURE).stream());
        return Stream.concat(left, ofRight).collect(Collectors.toSet());
    }

    /**
     * Whether all that is named anywhere is there: figures, voicings, bass lines, lead-ins, rhythms, licks.
     *
     * @param path to these choices, for the refusal
     * @param book with all figures that may be named
     * @throws Refused naming a thing there is not, and where it stands, with those there are
     */
    public void requireThings(String path, FigureBook book) {
        song.requireThings(path, book);
        sections.forEach((name, options) -> options.requireThings(path + "sections." + name + ".", book));
        for (int i = 0; i < overrides.size(); i++) {
            overrides.get(i).options().requireThings(path + "overrides[" + i + "].", book);
        }
        right.requireThings(path + "right.", book);
    }

    private Stream<Options> everywhere() {
        return Stream.of(
                        Stream.of(song),
                        sections.values().stream(),
                        overrides.stream().map(Override::options))
                .flatMap(each -> each);
    }

    public static Choices figure(String id) {
        return OPEN.with(LeftChoice.FIGURE, id);
    }

    /** For the whole song. */
    public <T> Choices with(Choice<T> choice, T value) {
        return song(song.with(choice, value));
    }

    public Choices song(Options options) {
        return new Choices(options, sections, overrides, locks, weights, fingers, right, colours);
    }

    public Choices section(String name, Options options) {
        Map<String, Options> more = new HashMap<>(sections);
        more.put(name, options);
        return new Choices(song, more, overrides, locks, weights, fingers, right, colours);
    }

    public Choices override(Override override) {
        return new Choices(
                song,
                sections,
                Stream.concat(overrides.stream(), Stream.of(override)).toList(),
                locks,
                weights,
                fingers,
                right,
                colours);
    }

    public Choices lock(PlacedLock lock) {
        return new Choices(
                song,
                sections,
                overrides,
                Stream.concat(locks.stream(), Stream.of(lock)).toList(),
                weights,
                fingers,
                right,
                colours);
    }

    public Choices finger(PlacedFinger finger) {
        return new Choices(
                song,
                sections,
                overrides,
                locks,
                weights,
                Stream.concat(fingers.stream(), Stream.of(finger)).toList(),
                right,
                colours);
    }

    /** Without what is kept to certain keys of the keyboard. */
    public Choices unlocked() {
        return new Choices(song, sections, overrides, List.of(), weights, List.of(), right, colours);
    }

    public Choices weights(Weights others) {
        return new Choices(song, sections, overrides, locks, others, fingers, right, colours);
    }

    public Choices right(RightHand hand) {
        return new Choices(song, sections, overrides, locks, weights, fingers, hand, colours);
    }

    public Choices colours(List<KeptColour> kept) {
        return new Choices(song, sections, overrides, locks, weights, fingers, right, kept);
    }

    public Choices level(int level) {
        return with(SongChoice.LEVEL, level);
    }

    public Choices endsHeld(boolean held) {
        return with(SongChoice.ENDING, held ? "held" : SongChoice.FIGURE_GOES_ON);
    }

    /** What the ways of levels are measured on: the left hand alone, without any level. */
    public Choices leftAlone() {
        return withoutLevels().right(RightHand.NONE);
    }

    /** Whether a level is chosen somewhere and it is not said which of its ways it takes. */
    public boolean wantsWays() {
        return hasLevel() && song.get(SongChoice.WAYS).isEmpty();
    }

    /** Without any level, in no place. */
    Choices withoutLevels() {
        Map<String, Options> plain = new HashMap<>();
        sections.forEach((name, options) -> plain.put(name, options.without(SongChoice.LEVEL)));
        List<Override> here = overrides.stream()
                .map(each -> new Override(
                        each.bars(), each.pass(), each.beats(), each.options().without(SongChoice.LEVEL)))
                .toList();
        return new Choices(song.without(SongChoice.LEVEL), plain, here, locks, weights, fingers, right, colours);
    }

    /** Whether a level is chosen anywhere. */
    boolean hasLevel() {
        return everywhere().anyMatch(options -> options.get(SongChoice.LEVEL).isPresent());
    }
}
