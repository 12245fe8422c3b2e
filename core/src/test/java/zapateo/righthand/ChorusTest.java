package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Choice;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.hand.Pianist;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Ticks;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** The chorus that is improvised (HANDBOOK §9). */
class ChorusTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final int SONGS = 60;

    /** A third or seventh within an eighth of at least 70 % of changes of chords that have one. */
    @Test
    void it_goes_for_thirds_and_sevenths_on_the_changes() {
        int changes = 0;
        int hit = 0;
        for (int seed = 0; seed < SONGS; seed++) {
            Song song = SeededTunes.song(seed);
            List<Stroke> chorus = Chorus.of(song, seed);
            for (Improvising.Over over : Improvising.of(song)) {
                Set<Integer> guides = over.notes().stream().filter(note -> note.kind() == Improvising.Kind.GUIDE).map(note -> note.name().chroma()).collect(Collectors.toSet());
                changes++;
                hit += chorus.stream().anyMatch(stroke -> Math.abs(stroke.written().tick() - over.tick()) <= Ticks.PER_EIGHTH && guides.contains(stroke.highest().midi() % 12)) ? 1 : 0;
            }
        }
        assertThat(hit).as("of %d changes", changes).isGreaterThanOrEqualTo(changes * 7 / 10);
    }

    @Test
    void nothing_to_avoid_is_held_over_a_beat_and_every_note_is_of_the_scale() {
        for (int seed = 0; seed < SONGS; seed++) {
            Song song = SeededTunes.song(seed);
            List<Improvising.Over> overs = Improvising.of(song);
            for (Stroke stroke : Chorus.of(song, seed)) {
                Improvising.Over over = overs.stream().filter(each -> each.tick() <= stroke.written().tick() && stroke.written().tick() < each.tick() + each.ticks()).findFirst().orElseThrow();
                Improvising.Note note = over.notes().stream().filter(each -> each.name().chroma() == stroke.highest().midi() % 12).findFirst().orElseThrow();
                assertThat(note.kind() == Improvising.Kind.AVOID && stroke.written().ticks() > song.meter().beatTicks()).isFalse();
                assertThat(stroke.highest().midi()).isBetween(60, 84);
            }
        }
    }

    /** Within the hand's speed limits at tempo: no bar of the right hand asks for more than the song's own tempo. */
    @Test
    void it_can_be_played_at_tempo() {
        for (int seed = 0; seed < SONGS; seed++) {
            Song song = SeededTunes.song(seed);
            Arrangement arrangement = ARRANGER.arrange(song, Choices.figure("held").right(RightHand.of(RightChoices.Style.IMPROVISE).with(Choice.CHORUS, (long) seed)), Pianist.USUAL);
            for (int bar = 0; bar < song.bars().size(); bar++) {
                assertThat(arrangement.maxTempo(bar)).isGreaterThanOrEqualTo(song.tempo().bpm());
            }
        }
    }

    @Test
    void it_steps_more_than_it_leaps_and_it_breathes() {
        int steps = 0;
        int leaps = 0;
        for (int seed = 0; seed < SONGS; seed++) {
            Song song = SeededTunes.song(seed);
            List<Stroke> chorus = Chorus.of(song, seed);
            int longest = 0;
            int run = 0;
            for (int i = 1; i < chorus.size(); i++) {
                int moved = Math.abs(chorus.get(i).highest().midi() - chorus.get(i - 1).highest().midi());
                steps += moved <= 4 ? 1 : 0;
                leaps += moved > 7 ? 1 : 0;
                run = chorus.get(i).written().tick() == chorus.get(i - 1).written().end() ? run + chorus.get(i).written().ticks() : 0;
                longest = Math.max(longest, run);
            }
            assertThat(longest).as("ticks without a breath").isLessThan(24 * song.meter().beatTicks());
        }
        assertThat(leaps * 10).isLessThan(steps);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 77, -5})
    void the_same_seed_plays_the_same_in_any_metre(long seed) {
        for (int song = 0; song < 20; song++) {
            Song chart = SeededCharts.song(song);
            List<Stroke> chorus = Chorus.of(chart, seed);
            assertThat(Chorus.of(chart, seed)).isEqualTo(chorus);
            for (int i = 1; i < chorus.size(); i++) {
                assertThat(chorus.get(i).written().tick()).isGreaterThanOrEqualTo(chorus.get(i - 1).written().end());
            }
        }
        assertThat(Chorus.of(SeededTunes.song(3), seed)).isNotEqualTo(Chorus.of(SeededTunes.song(3), seed + 1));
    }
}
