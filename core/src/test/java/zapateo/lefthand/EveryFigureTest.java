package zapateo.lefthand;

import static org.junit.jupiter.api.DynamicContainer.dynamicContainer;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicContainer;
import org.junit.jupiter.api.TestFactory;
import zapateo.Endured;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.Pedal;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Interval;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/**
 * Rules that hold for every figure on every song: seeded songs in all metres and chord rhythms, two hundred under
 * {@code ./zapateo endure}, each with every figure of the book.
 */
class EveryFigureTest {

    private static final FigureBook BOOK = FigureBook.open();
    private static final Arranger ARRANGER = new Arranger(BOOK);
    private static final List<Song> SONGS = IntStream.range(0, Endured.times(80, 200))
            .mapToObj(SeededCharts::song)
            .toList();
    private static final Set<String> FREE = Set.of("lead-in", "walking");
    private static final int LOWEST = 28;
    private static final int MIDDLE = 48;
    private static final int HIGHEST_LEFT = 77;
    private static final int HIGHEST_RIGHT = 88;

    /** A rule: what is broken in an arrangement, empty when nothing is. */
    private interface Rule {
        String broken(Figure figure, Arrangement arrangement);
    }

    @TestFactory
    Stream<DynamicContainer> every_figure() {
        Map<String, Rule> rules = new java.util.LinkedHashMap<>();
        rules.put("strokes lie inside their bars or are tied across on purpose", EveryFigureTest::outsideBars);
        rules.put("a chord begins with its bass", EveryFigureTest::withoutBass);
        rules.put("what does not lead or walk is a tone of its chord or named by its role", EveryFigureTest::foreign);
        rules.put("nothing lies below E1, or C3 in the middle, or too high", EveryFigureTest::offRegister);
        rules.put("no key is struck while it is held", EveryFigureTest::struckTwice);
        rules.put("the hand is never asked for more than it spans", EveryFigureTest::tooWide);
        rules.put("every chord is heard", EveryFigureTest::unheard);
        rules.put("the pedal never overlaps", EveryFigureTest::pedals);
        return BOOK.figures().stream()
                .map(figure -> dynamicContainer(
                        figure.id(),
                        Stream.of(
                                        rules.entrySet().stream()
                                                .map(rule -> dynamicTest(
                                                        rule.getKey(),
                                                        () -> everywhere(
                                                                figure, Choices.figure(figure.id()), rule.getValue()))),
                                        Stream.of(
                                                dynamicTest(
                                                        "with a bass player the low keys are left alone",
                                                        () -> everywhere(
                                                                figure,
                                                                Choices.figure(figure.id())
                                                                        .with(LeftChoice.WITH_BASS_PLAYER, true),
                                                                EveryFigureTest::low)),
                                                dynamicTest(
                                                        "every voicing, bass line and lead-in can be taken",
                                                        () -> everyChoice(figure)),
                                                dynamicTest(
                                                        "the same input gives the same output", () -> twice(figure))))
                                .flatMap(each -> each)));
    }

    /** Arranged once for all rules; only the figure at hand is kept. */
    private final Map<Choices, List<Arrangement>> arranged = new HashMap<>();

    private void everywhere(Figure figure, Choices choices, Rule rule) {
        if (!arranged.containsKey(choices)) {
            arranged.clear();
            arranged.put(
                    choices,
                    SONGS.stream()
                            .map(song -> ARRANGER.arrange(song, choices, Hand.USUAL))
                            .toList());
        }
        List<Arrangement> all = arranged.get(choices);
        for (int seed = 0; seed < all.size(); seed++) {
            String broken = rule.broken(figure, all.get(seed));
            if (!broken.isEmpty()) {
                throw new AssertionError(
                        "seed " + seed + ", " + all.get(seed).song().meter() + ": " + broken);
            }
        }
    }

    private static String first(Stream<String> broken) {
        return broken.filter(each -> !each.isEmpty()).findFirst().orElse("");
    }

    private static String outsideBars(Figure figure, Arrangement arrangement) {
        return first(arrangement.strokes().stream().map(stroke -> {
            Bar bar = arrangement.song().bars().get(stroke.bar());
            boolean acrossOnPurpose = stroke.nature().origin() == Origin.ANTICIPATION
                    || figure.id().equals("held");
            boolean inside = stroke.written().tick() >= bar.tick()
                    && stroke.written().tick() < bar.end()
                    && stroke.firstTick()
                            >= -arrangement.song().heading().meter().beatTicks()
                    && stroke.written().end()
                            <= (acrossOnPurpose ? arrangement.song().ticks() : bar.end());
            return inside ? "" : stroke.toString();
        }));
    }

    private static String withoutBass(Figure figure, Arrangement arrangement) {
        // Close chords are struck in whatever inversion is nearest (FAULTS.md, L4: hits).
        boolean close = figure.plays(Role.Kind.VOICING)
                && !Voicing.named(figure.manner().voicings().get(0))
                        .orElseThrow()
                        .hasBass();
        if (figure.manner().bassless() || close) {
            return "";
        }
        ChordSymbol before = null;
        int end = -1;
        for (Song.Placed place : arrangement.song().chords().toList()) {
            if (place.chord().isPresent()
                    && !(end == place.tick() && place.chord().get().equals(before))) {
                int lowest = arrangement.left().strokes().stream()
                        .filter(stroke -> stroke.written().tick() <= place.tick()
                                && stroke.written().end() > place.tick())
                        .mapToInt(stroke -> stroke.lowest().midi())
                        .min()
                        .orElse(-1);
                if (lowest < 0 || lowest % 12 != place.chord().get().bass().chroma()) {
                    return place.span().written() + " at " + place.tick() + " begins with " + lowest;
                }
            }
            before = place.chord().orElse(null);
            end = place.tick() + place.span().ticks();
        }
        return "";
    }

    /**
     * What the figure's roles name beyond the chord's own tones: sixths, raised fourths, flat sevenths, ninths and
     * neighbours.
     */
    private static boolean named(PartNote note) {
        return note.role().toString().matches("[♯♭].*|6|13|9|n.*");
    }

    private static String foreign(Figure figure, Arrangement arrangement) {
        Map<Integer, ChordSymbol> chords = new HashMap<>();
        arrangement.song().chords().forEach(place -> place.chord().ifPresent(chord -> chords.put(place.tick(), chord)));
        List<Realised.LaidChord> laid = arrangement.laid().chords();
        return first(arrangement.strokes().stream()
                .filter(stroke -> !FREE.contains(stroke.reason().code()))
                .map(stroke -> {
                    ChordSymbol chord = chords.get(laid.get(stroke.chord()).tick());
                    Set<Integer> tones = new HashSet<>(
                            chord.tones().stream().map(tone -> tone.chroma()).toList());
                    tones.addAll(List.of(
                            chord.bass().chroma(),
                            chord.root().chroma(),
                            chord.tone(chord.quality().tone(5).orElse(Interval.parse("5")))
                                    .chroma()));
                    // A bass that is no root, third or fifth alternates with its own fifth (HANDBOOK §5a).
                    tones.add(chord.bass().plus(Interval.parse("5")).chroma());
                    return stroke.notes().stream()
                                    .allMatch(note -> tones.contains(
                                                    note.pitch().pitchClass().chroma())
                                            || named(note))
                            ? ""
                            : chord + ": " + stroke;
                }));
    }

    private static String offRegister(Figure figure, Arrangement arrangement) {
        boolean middle = figure.manner().registers().get(0) == Register.MIDDLE;
        return first(arrangement.strokes().stream().map(stroke -> {
            int lowest = middle && stroke.nature().origin() != Origin.ENDING ? MIDDLE : LOWEST;
            int highest = stroke.hand() == Side.LEFT ? HIGHEST_LEFT : HIGHEST_RIGHT;
            return stroke.lowest().midi() >= lowest && stroke.highest().midi() <= highest ? "" : stroke.toString();
        }));
    }

    private static String low(Figure figure, Arrangement arrangement) {
        return arrangement.strokes().isEmpty()
                        && arrangement
                                .song()
                                .chords()
                                .anyMatch(place -> place.chord().isPresent())
                ? "nothing is played"
                : first(arrangement.strokes().stream()
                        .map(stroke -> stroke.lowest().midi() >= MIDDLE ? "" : stroke.toString()));
    }

    private static String struckTwice(Figure figure, Arrangement arrangement) {
        int[] held = new int[128];
        Arrays.fill(held, Integer.MIN_VALUE);
        List<int[]> keys = new ArrayList<>();
        arrangement
                .strokes()
                .forEach(stroke -> stroke.notes()
                        .forEach(note -> keys.add(new int[] {
                            stroke.sounding().tick() + note.delayTicks(),
                            note.pitch().midi(),
                            stroke.sounding().end()
                        })));
        keys.sort((one, other) -> Integer.compare(one[0], other[0]));
        for (int[] key : keys) {
            if (held[key[1]] > key[0]) {
                return "key " + key[1] + " at " + key[0] + " is held until " + held[key[1]];
            }
            held[key[1]] = key[2];
        }
        return "";
    }

    private static String tooWide(Figure figure, Arrangement arrangement) {
        return first(arrangement.left().strokes().stream()
                .filter(stroke -> stroke.roll().isEmpty())
                .map(stroke -> Hand.USUAL.easeOf(
                                        stroke.lowest().midi(), stroke.highest().midi())
                                == Ease.OUT_OF_REACH
                        ? stroke.toString()
                        : ""));
    }

    private static String unheard(Figure figure, Arrangement arrangement) {
        return first(arrangement
                .song()
                .chords()
                .filter(place -> place.chord().isPresent())
                .map(place -> arrangement.strokes().stream()
                                .anyMatch(stroke -> stroke.written().tick()
                                                < place.tick() + place.span().ticks()
                                        && stroke.written().end() > place.tick())
                        ? ""
                        : place.span().written() + " at " + place.tick()));
    }

    private static String pedals(Figure figure, Arrangement arrangement) {
        int before = Integer.MIN_VALUE;
        for (Pedal pedal : arrangement.pedal()) {
            if (pedal.down() <= before) {
                return pedal + " after " + before;
            }
            before = pedal.up();
        }
        return "";
    }

    private static void twice(Figure figure) {
        for (Song song : SONGS.subList(0, 20)) {
            if (!ARRANGER.arrange(song, Choices.figure(figure.id()), Hand.USUAL)
                    .equals(new Arranger(FigureBook.open()).arrange(song, Choices.figure(figure.id()), Hand.USUAL))) {
                throw new AssertionError(song + " came out twice differently");
            }
        }
    }

    private static void everyChoice(Figure figure) {
        boolean leads = figure.hasLine() || figure.written().anyMatch(stroke -> stroke.plays(Role.Kind.LEAD_IN));
        Function<Choices, Stream<Stroke>> played = choices -> SONGS.subList(0, 6).stream()
                .flatMap(song -> ARRANGER.arrange(song, choices, Hand.USUAL).left().strokes().stream());
        figure.manner()
                .voicings()
                .forEach(voicing -> expect(
                        played.apply(Choices.figure(figure.id()).with(LeftChoice.VOICING, voicing))
                                .findAny()
                                .isPresent(),
                        voicing));
        BassLine.all()
                .forEach(line -> expect(
                        played.apply(Choices.figure(figure.id()).with(LeftChoice.BASS_LINE, line.id()))
                                .findAny()
                                .isPresent(),
                        line.id()));
        if (figure.hasLine() && !figure.manner().bassless()) {
            BassLine.all()
                    .forEach(line -> expect(
                            played.apply(Choices.figure(figure.id()).with(LeftChoice.BASS_LINE, line.id()))
                                    .anyMatch(stroke ->
                                            stroke.reason().code().equals(line.walks() ? "walking" : "bass-line")),
                            line.id() + " has no place"));
            List.of("scale", "below", "above", "fifth")
                    .forEach(id -> expect(
                            figure.plays(Role.Kind.WALKING)
                                    || played.apply(Choices.figure(figure.id()).with(LeftChoice.LEAD_IN, id))
                                            .anyMatch(stroke ->
                                                    stroke.reason().code().equals("lead-in")),
                            id + " has no place"));
        }
        LeadIn.all()
                .forEach(leadIn -> expect(
                        leads && !leadIn.id().equals("none")
                                || played.apply(Choices.figure(figure.id()).with(LeftChoice.LEAD_IN, leadIn.id()))
                                        .noneMatch(
                                                stroke -> stroke.reason().code().equals("lead-in")),
                        leadIn.id()));
    }

    private static void expect(boolean holds, String what) {
        if (!holds) {
            throw new AssertionError(what);
        }
    }
}
