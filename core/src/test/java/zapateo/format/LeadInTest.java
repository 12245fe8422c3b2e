package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import zapateo.harmony.Transposition;
import zapateo.song.ChartParser;
import zapateo.song.ChordSpan;
import zapateo.song.Song;
import zapateo.song.TuneNote;

/** What sounds before the first bar has room in a file. Facts of notation are common practice. */
class LeadInTest {

    private static Song song(String chart) {
        return ChartParser.parse(chart.replace('~', '\n')).song().orElseThrow();
    }

    /** Each bar's chords, bar by bar; what says nothing is a dash. */
    private static String chords(Song song) {
        return song.bars().stream()
                .map(bar -> bar.chords().stream()
                        .map(span -> span.chord().map(Object::toString).orElse("-"))
                        .collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    private static String tune(List<TuneNote> notes) {
        return notes.stream()
                .map(note -> note.pitch().map(Object::toString).orElse("r") + "@" + note.tick() + "+" + note.ticks())
                .collect(Collectors.joining(" "));
    }

    @Test
    void a_silent_beat_goes_before_a_song_as_a_bar_of_its_own() {
        Song song = song("Meter: 6/8~Form: B, V~[V]~| C | F |~[B]~| G |~[B] again");
        Song lead = LeadIn.to(song).song();
        assertThat(LeadIn.to(song).ticks()).isEqualTo(1440);
        assertThat(LeadIn.to(song).bars()).isEqualTo(1);
        assertThat(chords(lead)).isEqualTo("- | " + chords(song));
        assertThat(lead.bars().get(0).number()).isZero();
        assertThat(lead.bars().get(0).ticks()).isEqualTo(1440);
        assertThat(lead.ticks()).isEqualTo(song.ticks() + 1440);
        Song raised = song("| C | F |")
                .played(Map.of(1, song("| Dm |").bars().get(0).chords()))
                .raised(new Song.Raised(1, Transposition.by(2, song("| C |").key())));
        assertThat(chords(LeadIn.to(raised).song())).isEqualTo("- | C | Em");
        assertThat(LeadIn.to(raised).song().bars().get(2).key()).hasToString("D");
        assertThat(chords(LeadIn.to(song("| C | F |")).song())).isEqualTo("- | C | F");
    }

    @Test
    void a_pick_up_with_room_is_made_longer_by_the_silent_beat() {
        Song song = song("| (pickup 1) G7 | C | F |~Melody: | G2 | c8 | A8 |");
        assertThat(LeadIn.to(song).bars()).isZero();
        Song lead = LeadIn.to(song).song();
        assertThat(chords(lead)).isEqualTo("- G7 | C | F");
        assertThat(lead.bars().get(0).ticks()).isEqualTo(1920);
        assertThat(tune(lead.bars().get(0).tune())).isEqualTo("r@0+960 G4@960+960");
        assertThat(tune(lead.bars().get(1).tune()))
                .isEqualTo(tune(song.bars().get(1).tune()));
        Song played =
                song.played(Map.of(0, song("| (pickup 1) D7 |").bars().get(0).chords()));
        assertThat(chords(LeadIn.to(played).song())).isEqualTo("- D7 | C | F");
        assertThat(lead.bars().get(0).chords()).extracting(ChordSpan::tick).containsExactly(0, 960);
        // A pick-up that fills its bar, or comes again, has none.
        assertThat(LeadIn.to(song("| (pickup 4) G7 | C |")).bars()).isEqualTo(1);
        assertThat(LeadIn.to(song("| C | F |")).bars()).isEqualTo(1);
    }
}
