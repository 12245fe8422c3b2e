package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.colour.Formed;
import zapateo.critic.Fault;
import zapateo.hand.Pianist;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.YamlFields;
import zapateo.song.Song;

/**
 * Looks for a choice that mends a bar a strict reader marks: it is arranged and read again with each that is known to
 * help.
 */
public final class Repairs {

    private static final YamlFields FILE = DataFile.yaml("arrangement/repairs.yaml");

    private final Arranger arranger;
    private final Song song;
    private final Choices choices;
    private final Pianist pianist;
    private final List<Fault> read;

    /** @param read what is marked now */
    public Repairs(Arranger arranger, Song song, Choices choices, Pianist pianist, List<Fault> read) {
        this.arranger = arranger;
        this.song = song;
        this.choices = choices;
        this.pianist = pianist;
        this.read = List.copyOf(read);
    }

    /**
     * A choice for a fault's bar.
     *
     * @param choice its id; {@code locks} where the bar's locks are to go
     * @param value as it is written, empty for locks
     */
    public record Repair(String choice, Object value) {}

    /** The first that helps and harms nothing beside it; empty where none is known to. */
    public Optional<Repair> of(Fault fault) {
        // A fault's bar is one as played: in a form, not the chart's.
        int number = Formed.of(song, Building.of(choices.song()))
                .song()
                .bars()
                .get(fault.bar())
                .number();
        List<Repair> tried = new ArrayList<>();
        if (choices.locks().stream().anyMatch(lock -> lock.bar() == number)) {
            tried.add(new Repair("locks", ""));
        }
        if (FILE.has(fault.id())) {
            tried.addAll(FILE.list(fault.id(), text -> new Repair(text.split("=")[0], value(text.split("=")[1]))));
        }
        return tried.stream()
                .filter(repair -> helps(fault, with(repair, number)))
                .findFirst();
    }

    private static Object value(String text) {
        return text.equals("false") ? Boolean.FALSE : text;
    }

    private Choices with(Repair repair, int number) {
        if (repair.choice().equals("locks")) {
            return new Choices(
                    choices.song(),
                    choices.sections(),
                    choices.overrides(),
                    choices.locks().stream()
                            .filter(lock -> lock.bar() != number)
                            .toList(),
                    choices.weights(),
                    choices.fingers(),
                    choices.right(),
                    choices.colours());
        }
        Options options =
                Options.read(SongChoice.in(Choice.Place.BARS), "repairs.", Map.of(repair.choice(), repair.value()));
        return choices.override(
                new Choices.Override(new Choices.Run(number, number), Optional.empty(), Optional.empty(), options));
    }

    private boolean helps(Fault fault, Choices tried) {
        List<Fault> now = ReadOver.of(arranger.arrange(song, tried, pianist), pianist);
        boolean gone = now.stream().noneMatch(each -> each.id().equals(fault.id()) && each.bar() == fault.bar());
        return gone && near(now, fault.bar()) < near(read, fault.bar());
    }

    private static long near(List<Fault> faults, int bar) {
        return faults.stream().filter(fault -> Math.abs(fault.bar() - bar) <= 1).count();
    }
}
