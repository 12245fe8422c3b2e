package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.critic.Critic;
import zapateo.critic.Fault;
import zapateo.hand.Pianist;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Lock;
import zapateo.pitch.Pitch;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** What is offered to mend a bar takes its fault away and harms nothing beside it. */
class RepairsTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    private static Song song(String chart) {
        return ChartParser.parse("Key: C\n" + chart).song().orElseThrow();
    }

    private static List<Fault> read(Song song, Choices choices) {
        return ReadOver.of(ARRANGER.arrange(song, choices, Pianist.USUAL), Pianist.USUAL);
    }

    /** A shell of two tones loses a third; another voicing in that bar says it. */
    @Test
    void a_voicing_mends_what_a_voicing_lost() {
        Song song = song("| C | Dm7 | G7 | C |");
        Choices choices =
                Choices.figure("held").with(LeftChoice.VOICING, "rooted-shell").endsHeld(false);
        List<Fault> faults = read(song, choices);
        Fault lost = faults.stream()
                .filter(fault -> fault.id().equals("L9"))
                .findFirst()
                .orElseThrow();
        Repairs.Repair repair = new Repairs(ARRANGER, song, choices, Pianist.USUAL, faults)
                .of(lost)
                .orElseThrow();
        assertThat(repair.choice()).isEqualTo("voicing");
        int number = song.bars().get(lost.bar()).number();
        Options options = Options.read(SongChoice.in(Choice.Place.BARS), "", Map.of(repair.choice(), repair.value()));
        List<Fault> mended = read(
                song,
                choices.override(new Choices.Override(
                        new Choices.Run(number, number), Optional.empty(), Optional.empty(), options)));
        assertThat(mended).noneMatch(fault -> fault.id().equals("L9") && fault.bar() == lost.bar());
        assertThat(mended).hasSizeLessThan(faults.size());
    }

    /** A lock that made the fault is let go first. */
    @Test
    void a_lock_that_does_harm_is_let_go() {
        Song song = song("| C | F | G | C |");
        Choices choices = Choices.figure("held")
                .with(LeftChoice.VOICING, "single")
                .endsHeld(false)
                .lock(new Choices.PlacedLock(
                        2,
                        Optional.empty(),
                        1,
                        new Lock(Optional.of(Pitch.parse("F1")), Optional.empty(), Optional.empty())))
                .lock(new Choices.PlacedLock(
                        3,
                        Optional.empty(),
                        1,
                        new Lock(Optional.of(Pitch.parse("G2")), Optional.empty(), Optional.empty())));
        List<Fault> faults = read(song, choices);
        Fault leap = faults.stream()
                .filter(fault -> fault.id().equals("L5"))
                .findFirst()
                .orElseThrow();
        assertThat(new Repairs(ARRANGER, song, choices, Pianist.USUAL, faults).of(leap))
                .contains(new Repairs.Repair("locks", ""));
    }

    /** A fault's bar counts as played: where a section is played again it lies beyond the chart's last. */
    @Test
    void a_bar_that_is_played_again_is_mended_by_its_number() {
        Song song = song("| C | Dm7 | G7 | C |");
        Choices choices = Choices.figure("held")
                .with(LeftChoice.VOICING, "rooted-shell")
                .with(SongChoice.TIMES, List.of("1@3"))
                .endsHeld(false);
        List<Fault> faults = read(song, choices);
        Fault later = faults.stream()
                .filter(fault -> fault.bar() >= song.bars().size())
                .findFirst()
                .orElseThrow();
        assertThat(later.bar()).isGreaterThanOrEqualTo(4);
        faults.forEach(fault -> new Repairs(ARRANGER, song, choices, Pianist.USUAL, faults).of(fault));
    }

    /** Each row of the table names a row of the reader, and choices there are. */
    @Test
    void the_table_names_what_there_is() {
        Set<String> ids = Critic.ids().stream().collect(Collectors.toSet());
        DataFile.yaml("arrangement/repairs.yaml").names().forEach(id -> {
            assertThat(ids).contains(id);
            DataFile.yaml("arrangement/repairs.yaml").list(id, text -> text).forEach(text -> {
                Object value = text.endsWith("=false") ? Boolean.FALSE : text.split("=")[1];
                Options options = Options.read(SongChoice.in(Choice.Place.BARS), "", Map.of(text.split("=")[0], value));
                assertThat(options).isNotEqualTo(Options.OPEN);
                ARRANGER.arrange(song("| C | F |"), Choices.OPEN.song(options), Pianist.USUAL);
            });
        });
    }
}
