package zapateo.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.harmony.Transposition;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.ChartEdit;
import zapateo.song.ChartParser;
import zapateo.song.ChordSpan;
import zapateo.song.SeededCharts;
import zapateo.song.Song;
import zapateo.song.ToneFit;

/** What holds for every song that is coloured. */
class ColouredSongTest {

    private static final String SONG =
            "[A]~| C | Am | F | G | C | Am | Dm G7 | C |~[B]~| F | C | G | C |~[A]~| C | Am | F | G | C | Am | Dm "
                    + "G7 | C |";

    static Stream<Integer> seeds() {
        return IntStream.range(0, 200).boxed();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void times_are_kept_to_the_tick_the_last_chord_stays_and_the_melody_never_rubs_more(int seed) {
        Song song = SeededCharts.song(seed);
        ColourStyle style = ColourStyle.values()[seed % ColourStyle.values().length];
        List<KeptColour> kept = WholeSong.of(song, style, 1 + seed % 4, 0);
        assertThat(WholeSong.of(song, style, 1 + seed % 4, 0)).isEqualTo(kept);
        Coloured coloured = Coloured.of(song, kept);
        assertThat(coloured.parked()).isEmpty();
        assertThat(coloured.song().ticks()).isEqualTo(song.ticks());
        for (int bar = 0; bar < song.bars().size(); bar++) {
            int at = 0;
            for (ChordSpan span : coloured.song().bars().get(bar).chords()) {
                assertThat(span.tick()).isEqualTo(at);
                at = span.end();
            }
            assertThat(at).isEqualTo(song.bars().get(bar).ticks());
        }
        assertThat(last(coloured.song())).isEqualTo(last(song));
        assertThat(clashes(coloured.song())).isLessThanOrEqualTo(clashes(song));
    }

    /** The last root, above the tonic of the key there. */
    private static Optional<Integer> last(Song song) {
        List<Song.Placed> all = song.chords().toList();
        Song.Placed last = all.get(all.size() - 1);
        return last.chord()
                .map(chord -> Math.floorMod(
                        chord.root().chroma() - last.bar().key().tonic().chroma(), 12));
    }

    private static long clashes(Song song) {
        return ToneFit.of(song).stream()
                .filter(heard -> heard.kind() == ToneFit.Kind.CLASH || heard.avoid())
                .count();
    }

    /** To move a song and colour it is to colour it and move it: every offer of every place, by keys. */
    @ParameterizedTest
    @MethodSource("seeds")
    void moving_and_colouring_may_change_places(int seed) {
        String text = SeededCharts.text(seed);
        Song song = ChartParser.parse(text).song().orElseThrow();
        int by = 1 + seed % 11;
        Song moved = ChartEdit.of(ChartEdit.of(text).transpose(Transposition.by(by, song.key())))
                .reading()
                .song()
                .orElseThrow();
        assertThat(offered(moved, 0)).as("seed %d by %d", seed, by).isEqualTo(offered(song, by));
    }

    private static List<String> offered(Song song, int by) {
        List<String> all = new ArrayList<>();
        for (Offer offer : new Offers(song, Optional.empty()).in(0, 2000)) {
            StringBuilder text = new StringBuilder(offer.tick() + " "
                    + offer.rule().id() + "/" + offer.colour().variant());
            offer.after()
                    .forEach(each -> text.append(' ')
                            .append((each.chord().root().chroma() + by) % 12)
                            .append(each.chord().quality().written())
                            .append('/')
                            .append((each.chord().bass().chroma() + by) % 12)
                            .append('@')
                            .append(each.tick()));
            all.add(text.toString());
        }
        all.sort(null);
        return all;
    }

    /** The search against every way there is. */
    @ParameterizedTest
    @MethodSource("small")
    void the_whole_song_is_as_good_as_every_way_tried(int seed) {
        Random random = new Random(seed);
        String[] chords = {"C", "Am", "F", "G", "Dm", "Em", "G7", "C7", "D7"};
        StringBuilder chart = new StringBuilder("|");
        for (int i = 0; i < 5; i++) {
            chart.append(' ').append(chords[random.nextInt(chords.length)]).append(" |");
        }
        Song song = ColourRulesTest.song("C", chart.toString());
        ColourStyle style = ColourStyle.values()[seed % ColourStyle.values().length];
        int amount = 1 + seed % 4;
        List<List<WholeSong.Step>> layers = WholeSong.layers(new Offers(song, Optional.of(style)), amount, 0);
        layers.set(0, WholeSong.first(layers.get(0)));
        layers.set(layers.size() - 1, WholeSong.last(layers.get(layers.size() - 1)));
        List<CostTerm<WholeSong.Step>> terms = WholeSong.terms(amount);
        double best = best(layers, terms, 0, null, 0);
        assertThat(ShortestPath.through(layers, terms).total())
                .as(chart.toString())
                .isCloseTo(best, org.assertj.core.data.Offset.offset(1e-9));
    }

    static Stream<Integer> small() {
        return IntStream.range(0, 100).boxed();
    }

    private static double best(
            List<List<WholeSong.Step>> layers,
            List<CostTerm<WholeSong.Step>> terms,
            int layer,
            WholeSong.Step before,
            double sum) {
        if (layer == layers.size()) {
            return sum;
        }
        double best = Double.POSITIVE_INFINITY;
        for (WholeSong.Step step : layers.get(layer)) {
            double cost = 0;
            for (CostTerm<WholeSong.Step> term : terms) {
                cost += term.weight() * term.own().applyAsDouble(step);
                // What is forbidden costs infinitely much; so much of nothing is nothing.
                double stepped = before == null ? 0 : term.step().applyAsDouble(before, step);
                cost += stepped == 0 ? 0 : term.weight() * stepped;
            }
            best = cost < Double.POSITIVE_INFINITY
                    ? Math.min(best, best(layers, terms, layer + 1, step, sum + cost))
                    : best;
        }
        return best;
    }

    @Test
    void a_chord_that_is_changed_in_the_chart_parks_the_colour_that_stood_on_it() {
        KeptColour passing = new KeptColour(1, Optional.empty(), 0, List.of("C"), "passing-diminished-up", "half");
        Song song = ColourRulesTest.song("C", "| C | Dm | G | C |");
        assertThat(Coloured.of(song, List.of(passing)).sounding()).hasSize(1);
        Coloured other = Coloured.of(ColourRulesTest.song("C", "| Em | Dm | G | C |"), List.of(passing));
        assertThat(other.parked()).containsExactly(passing);
        assertThat(other.song()).isEqualTo(other.borrowed());
        // What it led to is gone: it has nothing to stand on either.
        assertThat(Coloured.of(ColourRulesTest.song("C", "| C | F | G | C |"), List.of(passing))
                        .parked())
                .containsExactly(passing);
    }

    @Test
    void a_song_that_is_moved_to_another_key_takes_its_colours_along() {
        Song song = ColourRulesTest.song("C", SONG);
        List<KeptColour> kept = WholeSong.of(song, ColourStyle.GOSPEL, 3, 0);
        Song moved = ChartEdit.of(
                        ChartEdit.of("key: C\n" + SONG.replace('~', '\n')).transpose(Transposition.by(3, song.key())))
                .reading()
                .song()
                .orElseThrow();
        Coloured coloured = Coloured.of(moved, kept);
        assertThat(coloured.parked()).isEmpty();
        assertThat(ColourRulesTest.beats(coloured.song()))
                .isEqualTo(ColourRulesTest.beats(Coloured.of(
                                moved,
                                kept.stream()
                                        .map(colour -> colour.moved(Transposition.by(3, song.key())))
                                        .toList())
                        .song()));
    }

    @Test
    void the_last_section_goes_up_with_its_melody_and_its_key() {
        Song song = ChartParser.parse(
                        "key: C\n[A]\n| C | G7 |\nMelody: | E8 | D8 |\n[B]\n| F | C |\nMelody: | A8 | G8 |")
                .song()
                .orElseThrow();
        KeptColour raise = new KeptColour(2, Optional.empty(), 0, List.of("G7"), "raise-semitone", "pivot");
        Song up = Coloured.of(song, List.of(raise)).song();
        assertThat(ColourRulesTest.beats(up)).isEqualTo("C@0 | G7@0 A♭7@1920 | G♭@0 | D♭@0");
        assertThat(up.bars().get(2).key()).hasToString("D♭");
        assertThat(up.bars().get(2).tune().get(0).pitch().orElseThrow()).hasToString("B♭4");
        assertThat(up.bars().get(1).key()).hasToString("C");
        assertThat(up.writtenBars()).isEqualTo(song.writtenBars());
        // What a chart would have to write out stays with the arrangement.
        assertThat(WrittenOut.of(song, List.of(raise)).left()).containsExactly(raise);
    }

    @Test
    void of_two_colours_on_one_place_the_second_waits() {
        KeptColour ninth = new KeptColour(1, Optional.empty(), 0, List.of("C"), "added-ninth", "ninth");
        KeptColour sixth = new KeptColour(1, Optional.empty(), 0, List.of("C"), "added-sixth", "sixth");
        Coloured coloured = Coloured.of(ColourRulesTest.song("C", "| C | G |"), List.of(ninth, sixth));
        assertThat(ColourRulesTest.beats(coloured.song())).isEqualTo("Cadd9@0 | G@0");
        assertThat(coloured.parked()).containsExactly(sixth);
    }

    @Test
    void a_colour_of_one_time_is_heard_that_time_alone() {
        Song song = ColourRulesTest.song("C", "|: C | F :| G | C |");
        KeptColour second = new KeptColour(1, Optional.of(2), 0, List.of("C"), "tonic-seventh-to-four", "all");
        assertThat(ColourRulesTest.beats(Coloured.of(song, List.of(second)).song()))
                .isEqualTo("C@0 | F@0 | C7@0 | F@0 | G@0 | C@0");
        KeptColour always = new KeptColour(1, Optional.empty(), 0, List.of("C"), "tonic-seventh-to-four", "all");
        assertThat(ColourRulesTest.beats(Coloured.of(song, List.of(always)).song()))
                .isEqualTo("C7@0 | F@0 | C7@0 | F@0 | G@0 | C@0");
    }

    @Test
    void colours_can_be_written_into_the_chart_and_what_is_heard_stays() {
        String text = "Title: Night boat\nkey: C\n| C | % | (key G) G 'low' | C |".replace(" 'low'", "");
        Song song = ChartParser.parse(text).song().orElseThrow();
        List<KeptColour> kept =
                List.of(new KeptColour(1, Optional.empty(), 0, List.of("C"), "alive-third", "second-half"));
        WrittenOut written = WrittenOut.of(song, kept);
        String now = ChartEdit.of(text).chords(written.chords());
        assertThat(written.left()).isEmpty();
        assertThat(now).contains("Title: Night boat").contains("(key G)");
        assertThat(ColourRulesTest.beats(ChartParser.parse(now).song().orElseThrow()))
                .isEqualTo(ColourRulesTest.beats(Coloured.of(song, kept).song()));
    }

    /** Where nothing stands between them but their place: the same dress for the same chord. */
    @ParameterizedTest
    @EnumSource(ColourStyle.class)
    void equal_chords_are_dressed_alike(ColourStyle style) {
        Song song = ColourRulesTest.song("C", "| C | F | C | F | C | G | F | C |");
        for (int amount = WholeSong.LEAST; amount <= WholeSong.RICHEST; amount++) {
            Set<String> dresses = new HashSet<>();
            WholeSong.of(song, style, amount, 0).stream()
                    .filter(colour -> colour.over().equals(List.of("F"))
                            && ColourRule.named(colour.rule())
                                            .orElseThrow()
                                            .makes()
                                            .get(colour.variant())
                                            .size()
                                    == 1)
                    .filter(colour ->
                            ColourRule.named(colour.rule()).orElseThrow().kind().equals("dressing"))
                    .forEach(colour -> dresses.add(colour.rule() + colour.variant()));
            assertThat(dresses).as(style + " " + amount).hasSizeLessThan(2);
        }
    }

    @Test
    void some_bars_are_coloured_and_what_is_kept_elsewhere_stays() {
        Song song = ColourRulesTest.song("C", SONG);
        List<KeptColour> all = WholeSong.of(song, ColourStyle.GOSPEL, 3, 0);
        List<KeptColour> bridge = WholeSong.of(song, ColourStyle.JAZZ, 4, 0, 8, 11);
        assertThat(bridge).isNotEmpty().allMatch(colour -> colour.bar() >= 9 && colour.bar() <= 12);
        List<KeptColour> both = WholeSong.beside(song, all, bridge, 8, 11);
        assertThat(both)
                .containsAll(bridge)
                .containsAll(all.stream()
                        .filter(colour -> colour.bar() < 9 || colour.bar() > 12)
                        .toList());
        assertThat(both)
                .hasSize(bridge.size()
                        + (int) all.stream()
                                .filter(colour -> colour.bar() < 9 || colour.bar() > 12)
                                .count());
        // One time of a bar that is played twice.
        Song twice = ColourRulesTest.song("C", "|: C | F :| G | C |");
        KeptColour always = new KeptColour(1, Optional.empty(), 0, List.of("C"), "tonic-seventh-to-four", "all");
        assertThat(WholeSong.beside(twice, List.of(always), List.of(), 2, 3))
                .extracting(KeptColour::pass)
                .containsExactly(Optional.of(1));
    }

    @Test
    void a_song_moved_to_another_key_parks_only_what_lost_its_chord() {
        Song song = ColourRulesTest.song("C", "| C | Am | F | G7 | C |");
        List<KeptColour> kept = List.of(
                new KeptColour(1, Optional.empty(), 0, List.of("C"), "added-ninth", "ninth"),
                new KeptColour(3, Optional.empty(), 0, List.of("F"), "added-ninth", "ninth"),
                new KeptColour(4, Optional.empty(), 0, List.of("G7"), "added-ninth", "ninth"));
        assertThat(Coloured.of(song, kept).sounding()).hasSize(2);
        Coloured moved = Coloured.of(ColourRulesTest.song("D", "| D | Bm | Gm | A7 | D |"), kept);
        assertThat(moved.sounding()).extracting(heard -> heard.colour().bar()).containsExactly(1);
    }

    /** Whatever is written, the song sounds as it was coloured. */
    @ParameterizedTest
    @MethodSource("small")
    void written_out_or_kept_beside_it_sounds_the_same(int seed) {
        String text = SeededCharts.text(seed);
        Song song = ChartParser.parse(text).song().orElseThrow();
        List<KeptColour> kept = WholeSong.of(song, ColourStyle.values()[seed % 11], 3, 0);
        WrittenOut written = WrittenOut.of(song, kept);
        Song now = ChartEdit.of(ChartEdit.of(text).chords(written.chords()))
                .reading()
                .song()
                .orElseThrow();
        Song coloured = Coloured.of(
                        song,
                        kept.stream()
                                .filter(colour -> !written.left().contains(colour))
                                .toList())
                .song();
        assertThat(ColourRulesTest.beats(now)).as("seed %d", seed).isEqualTo(ColourRulesTest.beats(coloured));
        assertThat(now.title()).isEqualTo(song.title());
    }

    @Test
    void what_is_heard_one_time_of_two_stays_with_the_arrangement() {
        Song song = ColourRulesTest.song("C", "|: C | F :| G | C |");
        KeptColour second = new KeptColour(1, Optional.of(2), 0, List.of("C"), "tonic-seventh-to-four", "all");
        KeptColour last = new KeptColour(3, Optional.empty(), 0, List.of("G"), "dominant-seventh", "seventh");
        WrittenOut written = WrittenOut.of(song, List.of(second, last));
        assertThat(written.left()).containsExactly(second);
        assertThat(written.chords()).containsOnlyKeys(2);
        // A lead sheet with its repeats says what it can.
        assertThat(ColourRulesTest.beats(WrittenOut.of(Coloured.of(song, List.of(second, last)))))
                .isEqualTo("C@0 | F@0 | C@0 | F@0 | G7@0 | C@0");
    }

    @Test
    void the_easiest_levels_have_no_chords_in_passing() {
        List<KeptColour> kept = List.of(
                new KeptColour(1, Optional.empty(), 0, List.of("C"), "passing-diminished-up", "half"),
                new KeptColour(3, Optional.empty(), 0, List.of("G"), "dominant-seventh", "seventh"));
        Coloured plainer = Coloured.plainer(ColourRulesTest.song("C", "| C | Dm | G | C |"), kept);
        assertThat(ColourRulesTest.beats(plainer.song())).isEqualTo("C@0 | Dm@0 | G7@0 | C@0");
        assertThat(plainer.parked()).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(ColourStyle.class)
    void more_is_never_less_and_the_phrase_has_its_spice_once(ColourStyle style) {
        Song song = ColourRulesTest.song("C", SONG);
        int before = 0;
        for (int amount = WholeSong.LEAST; amount <= WholeSong.RICHEST; amount++) {
            List<KeptColour> kept = WholeSong.of(song, style, amount, 0);
            assertThat(kept.size()).as("%s %d", style, amount).isGreaterThanOrEqualTo(before);
            before = kept.size();
            Coloured coloured = Coloured.of(song, kept);
            Set<Integer> spiced = new HashSet<>();
            coloured.sounding().stream()
                    .filter(heard -> ColourRule.named(heard.colour().rule())
                            .orElseThrow()
                            .spice())
                    .forEach(heard -> assertThat(
                                    spiced.add(song.barAt(heard.tick()).index() / 4))
                            .as("%s at %d of %s", style, heard.tick(), kept)
                            .isTrue());
        }
    }

    /** Source: HANDBOOK §10, what a style takes and what it hardly does. */
    @ParameterizedTest
    @CsvSource({
        "FOLK,tritone-partner",
        "HYMN,tritone-partner",
        "FOLK,major-seventh",
        "GOSPEL,major-seventh",
        "HYMN,two-five",
        "PLAIN,secondary-dominant"
    })
    void a_style_keeps_out_what_is_not_its_own(ColourStyle style, String rule) {
        assertThat(ColourRule.named(rule).orElseThrow().styles()).doesNotContainKey(style);
    }

    @Test
    void another_seed_is_another_reading() {
        Song song = ColourRulesTest.song("C", SONG);
        Set<List<KeptColour>> readings = new HashSet<>();
        for (long seed = 0; seed < 6; seed++) {
            readings.add(WholeSong.of(song, ColourStyle.GOSPEL, 3, seed));
        }
        assertThat(readings.size()).isGreaterThan(2);
    }

    /** An A held where the sixth of the key sinks to A♭ rubs against it; a C does not. */
    @ParameterizedTest
    @CsvSource({"A4,false", "C4,true"})
    void a_colour_that_makes_the_melody_clash_is_not_offered(String note, boolean offered) {
        Song sung = ChartParser.parse("key: C\n| F | C |\nMelody: | " + note.charAt(0) + "8 | G8 |")
                .song()
                .orElseThrow();
        assertThat(sung.hasTune()).isTrue();
        assertThat(new Offers(sung, Optional.empty())
                        .in(1, 1).stream().anyMatch(offer -> offer.rule().id().equals("minor-four")))
                .isEqualTo(offered);
    }

    @Test
    void an_offer_says_what_stays_what_moves_and_where_the_bass_goes() {
        Offers offers = new Offers(ColourRulesTest.song("C", "| C | Dm | G | C |"), Optional.empty());
        Offer passing = offers.in(1, 1).stream()
                .filter(offer -> offer.rule().id().equals("passing-diminished-up"))
                .map(offers::drawn)
                .findFirst()
                .orElseThrow();
        assertThat(passing.basses()).map(Object::toString).containsExactly("C", "C♯", "D");
        assertThat(passing.keeps()).map(Object::toString).containsExactly("E", "G");
        assertThat(passing.tension().with()).isGreaterThan(passing.tension().without());
        assertThat(passing.voices().with())
                .hasSize(3)
                .allSatisfy(row -> assertThat(row.keys()).hasSize(4).isSorted());
        assertThat(passing.voices().without()).hasSize(2);
        assertThat(passing.costs()).containsKeys("style", "movement", "common", "quick", "spice", "tension");
    }
}
