package zapateo.server.figures;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import zapateo.lefthand.FigureCheck;
import zapateo.part.Reason;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureFile;
import zapateo.server.kept.Content;
import zapateo.server.players.Player;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;

/** The figures that ship and those of a player's own. */
@Service
public class Figures {

    private static final int MOST_OWN = 500;
    private static final String FILE = "figure.yaml";

    private final FigureBook book;
    private final FigureBook right = FigureBook.ofTheRightHand();
    private final FigureMapper mapper;
    private final ReasonWords words;

    Figures(FigureBook book, FigureMapper mapper, ReasonWords words) {
        this.book = book;
        this.mapper = mapper;
        this.words = words;
    }

    /** The whole book of a player. */
    public FigureBook bookOf(Player player) {
        List<FigureRow> own = mapper.all(player.id());
        return own.isEmpty()
                ? book
                : book.with(own.stream()
                        .map(row -> FigureFile.parse(row.id() + ".yaml", row.file()))
                        .toList());
    }

    /**
     * A book that has the figures that are named: the one that ships, unless one of them is the player's own, one that
     * was taken away since too. Music that names none needs no database.
     */
    public FigureBook bookFor(Player player, Set<String> named) {
        if (named.stream().allMatch(this::ships)) {
            return book;
        }
        FigureBook own = bookOf(player);
        return named.stream().allMatch(id -> ships(id) || own.figure(id).isPresent())
                ? own
                : own.with(mapper.allEver(player.id()).stream()
                        .filter(row -> named.contains(row.id()))
                        .map(row -> FigureFile.parse(row.id() + ".yaml", row.file()))
                        .toList());
    }

    /** All there are, and all there ever were. */
    public FigureBook bookOfAllEver(Player player) {
        return book.with(mapper.allEver(player.id()).stream()
                .map(row -> FigureFile.parse(row.id() + ".yaml", row.file()))
                .toList());
    }

    /** What the player's own among some figures say, by their ids. */
    public Map<String, UUID> hashes(Player player, Set<String> named) {
        Set<String> own = named.stream().filter(id -> !ships(id)).collect(Collectors.toSet());
        Map<String, UUID> hashes = new HashMap<>();
        if (!own.isEmpty()) {
            mapper.all(player.id()).stream()
                    .filter(row -> own.contains(row.id()))
                    .forEach(row -> hashes.put(row.id(), Content.hash(row.file())));
        }
        return hashes;
    }

    /** The files of the player's own among some figures, by their ids, also of those that were taken away since. */
    public Map<String, String> texts(Player player, Set<String> named) {
        Map<String, String> texts = new TreeMap<>();
        mapper.allEver(player.id()).stream()
                .filter(row -> named.contains(row.id()) && !ships(row.id()))
                .forEach(row -> texts.put(row.id(), row.file()));
        return texts;
    }

    /** The files of all that are the player's own now, by their ids. */
    public Map<String, String> texts(Player player) {
        Map<String, String> texts = new TreeMap<>();
        own(player).forEach(row -> texts.put(row.id(), row.file()));
        return texts;
    }

    /**
     * Takes figures that came with a song into the player's own: one that says the same is there already, one of
     * another's name gets a new one.
     *
     * @param files by the ids they had
     * @return the ids they have here
     */
    @Transactional
    public Map<String, String> taken(Player player, Map<String, String> files) {
        Map<String, String> ids = new TreeMap<>();
        files.forEach((id, file) -> {
            String said = FigureFile.write(checked(file).named(id, checked(file).name()));
            ids.put(
                    id,
                    mapper.all(player.id()).stream()
                            .filter(row -> row.id().equals(id) && row.file().equals(said))
                            .findFirst()
                            .map(FigureRow::id)
                            .orElseGet(() -> keep(player, said).id()));
        });
        return ids;
    }

    List<FigureRow> own(Player player) {
        return mapper.all(player.id());
    }

    public Optional<Figure> shipped(String id) {
        return book.figure(id).or(() -> right.figure(id));
    }

    private boolean ships(String id) {
        return shipped(id).isPresent();
    }

    /** The figure a file says; refused with the line or the reasons where it cannot be read or played. */
    public Figure checked(String file) {
        Figure figure;
        try {
            figure = FigureFile.parse(FILE, file);
        } catch (Refused unread) {
            throw Refusal.unusable(unread.getMessage());
        }
        faults(figure).ifPresent(refusal -> {
            throw refusal;
        });
        return figure;
    }

    /** Why a figure cannot be played. */
    Optional<Refusal> faults(Figure figure) {
        List<Reason> faults = FigureCheck.of(figure);
        return faults.isEmpty()
                ? Optional.empty()
                : Optional.of(Refusal.unusable("This figure cannot be played. "
                        + String.join(" ", faults.stream().map(words::of).toList())));
    }

    /** What an own figure said once, by what songs name it with. */
    String text(Player player, UUID hash) {
        return mapper.text(player.id(), hash).orElseThrow(() -> Refusal.notFound("The figure's text " + hash));
    }

    @Transactional
    FigureRow keep(Player player, String file) {
        Figure figure = checked(file);
        List<FigureRow> own = mapper.allEver(player.id());
        if (own.size() >= MOST_OWN) {
            throw Refusal.unusable("own figures: expected at most " + MOST_OWN);
        }
        Set<String> taken = new HashSet<>(own.stream().map(FigureRow::id).toList());
        book.and(right).figures().forEach(each -> taken.add(each.id()));
        String id = figure.id();
        for (int number = 2; taken.contains(id); number++) {
            id = figure.id() + "-" + number;
        }
        OffsetDateTime now = now();
        FigureRow row = new FigureRow(player.id(), id, FigureFile.write(figure.named(id, figure.name())), 1, now, now);
        mapper.insert(row);
        mapper.keepText(player.id(), Content.hash(row.file()), row.file());
        return row;
    }

    @Transactional
    FigureRow change(Player player, String id, String file, Integer version) {
        FigureRow present = find(player, id);
        if (version == null) {
            throw Refusal.unusable("version: expected the version that was loaded");
        }
        Figure figure = checked(file);
        if (mapper.update(player.id(), id, version, FigureFile.write(figure.named(id, figure.name())), now()) == 0) {
            throw Refusal.stale(version, present.version());
        }
        FigureRow changed = find(player, id);
        mapper.keepText(player.id(), Content.hash(changed.file()), changed.file());
        return changed;
    }

    @Transactional
    void delete(Player player, String id) {
        if (mapper.delete(player.id(), id, now()) == 0) {
            throw Refusal.notFound("The figure of your own " + id);
        }
    }

    FigureRow find(Player player, String id) {
        return mapper.find(player.id(), id).orElseThrow(() -> Refusal.notFound("The figure of your own " + id));
    }

    private static OffsetDateTime now() {
        return OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MILLIS);
    }
}
