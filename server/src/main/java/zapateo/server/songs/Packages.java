package zapateo.server.songs;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.arrangement.Arrangement;
import zapateo.colour.WrittenOut;
import zapateo.format.Hands;
import zapateo.format.LeadSheetWriter;
import zapateo.format.MidiWriter;
import zapateo.format.MusicXmlWriter;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.search.Patience;
import zapateo.server.arrangements.Arranging;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.arrangements.Sieve;
import zapateo.server.figures.Figures;
import zapateo.server.players.PeoplesHands;
import zapateo.server.players.Player;
import zapateo.server.problems.LeftOut;
import zapateo.server.problems.Refusal;

/** Songs on their way to another Zapateo and back, all of each in one file. */
@Service
public class Packages {

    private static final char NUL = 0;

    private final Songs songs;
    private final Figures figures;
    private final Arranging arranging;
    private final PeoplesHands hands;
    private final Sieve sieve;
    private final JsonMapper json;

    Packages(Songs songs, Figures figures, Arranging arranging, PeoplesHands hands, Sieve sieve, JsonMapper json) {
        this.songs = songs;
        this.figures = figures;
        this.arranging = arranging;
        this.hands = hands;
        this.sieve = sieve;
        this.json = json;
    }

    /** The file; for other programs too where the chart can be read and the song be arranged. */
    byte[] of(Player player, SongRow song) {
        Set<String> named = new HashSet<>(song.choices().choices().figures());
        song.others()
                .all()
                .forEach(each -> named.addAll(each.choices().choices().figures()));
        SongPackage packed = new SongPackage(
                song.title(),
                song.chart(),
                new SongPackage.Named(song.arrangement(), song.choices()),
                song.others().all().stream()
                        .map(each -> new SongPackage.Named(each.name(), each.choices()))
                        .toList(),
                figures.texts(player, named));
        Map<String, byte[]> more = new LinkedHashMap<>();
        try {
            Arrangement arrangement = arranging
                    .arrange(song.chart(), songs.playable(player, song), hands.pianist(player))
                    .arrangement();
            more.put("both-hands.musicxml", MusicXmlWriter.write(arrangement, Hands.BOTH));
            more.put("both-hands.mid", MidiWriter.write(arrangement, Hands.BOTH));
            more.put("lead-sheet.musicxml", LeadSheetWriter.write(WrittenOut.of(arrangement.coloured())));
        } catch (Refusal | Refused | Patience.GivenUp unplayable) {
            // Chart and choices go along all the same, of a song that takes more than there is time for too; where
            // nobody waits any more, the next one is not begun.
            more.clear();
        }
        return packed.written(json, more);
    }

    /** The file of a song of the repertoire. */
    public byte[] of(Player player, UUID song) {
        return of(player, songs.get(player, song));
    }

    /**
     * A song that was read and held against the rules of what is saved.
     *
     * @param figures that come with it, by the ids they had there
     * @param leftOut what may not be kept of it
     */
    public record Ready(SongRequest song, Map<String, String> figures, LeftOut leftOut) {}

    /**
     * A song from its file.
     *
     * @param name of the file, for the refusal
     * @throws Refusal where it is none
     */
    public Ready ready(Player player, byte[] file, String name) {
        return ready(
                player,
                read(file).orElseThrow(() -> Refusal.unusable(name + ": expected a song as it was taken away")));
    }

    /** A song as it was taken away elsewhere; what may not be saved of it is left out, line by line. */
    Ready ready(Player player, BroughtSong brought) {
        LeftOut leftOut = new LeftOut();
        Map<String, String> own = new TreeMap<>();
        List<Figure> playable = new ArrayList<>();
        brought.figures().forEach((id, file) -> {
            try {
                playable.add(
                        figures.checked(file).named(id, figures.checked(file).name()));
                own.put(id, file);
            } catch (Refusal unplayable) {
                leftOut.add("figures." + id + ": " + unplayable.getMessage());
            }
        });
        String title = text(brought.title(), SongRequest.LONGEST_TITLE, "title", leftOut);
        List<NamedChoices> others = new ArrayList<>();
        Set<String> names = new HashSet<>();
        String open = named(brought.open().name(), names, leftOut);
        ChoicesRequest choices = sifted(player, brought.open(), "", playable, leftOut);
        for (BroughtSong.Named each : brought.others()) {
            if (others.size() == SongRequest.MOST_OTHERS) {
                leftOut.add("others: " + (brought.others().size() - others.size()) + " of "
                        + brought.others().size() + ", expected at most " + SongRequest.MOST_OTHERS);
                break;
            }
            others.add(new NamedChoices(
                    null,
                    named(each.name(), names, leftOut),
                    sifted(player, each, "others." + each.name() + ".", playable, leftOut)));
        }
        return new Ready(
                new SongRequest(
                        title.isBlank() ? null : title,
                        stored(brought.chart(), "chart", leftOut),
                        choices,
                        null,
                        open,
                        others,
                        null),
                own,
                leftOut);
    }

    private ChoicesRequest sifted(
            Player player, BroughtSong.Named arrangement, String path, List<Figure> own, LeftOut leftOut) {
        Sieve.Sifted sifted = sieve.sift(player, arrangement.choices(), own);
        leftOut.addAll(path, sifted.leftOut());
        return sifted.choices();
    }

    /** A name of an arrangement; one that is there already, or none, gets another. */
    private static String named(String name, Set<String> names, LeftOut leftOut) {
        String wanted =
                text(name.isBlank() ? "another" : name.strip(), SongRequest.LONGEST_NAME, "arrangement", leftOut);
        String free = wanted;
        for (int number = 2; !names.add(free.toLowerCase(Locale.ROOT)); number++) {
            String end = " " + number;
            free = wanted.substring(0, Math.min(wanted.length(), SongRequest.LONGEST_NAME - end.length())) + end;
        }
        return free;
    }

    private static String text(String text, int most, String what, LeftOut leftOut) {
        String stored = stored(text, what, leftOut);
        if (stored.length() <= most) {
            return stored;
        }
        leftOut.add(what + ": what comes after " + most + " of its " + stored.length() + " characters");
        return stored.substring(0, most);
    }

    /** A character no database keeps. */
    private static String stored(String text, String what, LeftOut leftOut) {
        if (text.indexOf(NUL) < 0) {
            return text;
        }
        leftOut.add(what + ": a character that cannot be stored");
        return text.replace(String.valueOf(NUL), "");
    }

    /** A song that is ready, its own figures with it; within what the caller keeps together. */
    @Transactional
    public SongView keep(Player player, Ready ready) {
        Map<String, String> ids = figures.taken(player, ready.figures());
        SongRequest song = ready.song();
        List<NamedChoices> others = song.others().stream()
                .map(each -> new NamedChoices(null, each.name(), renamed(each.choices(), ids)))
                .toList();
        SongRow row = songs.create(
                player,
                new SongRequest(
                        song.title(),
                        song.chart(),
                        renamed(song.choices(), ids),
                        null,
                        song.arrangement(),
                        others,
                        null));
        return songs.view(player, row);
    }

    /** Empty where a file is no package. */
    Optional<BroughtSong> read(byte[] file) {
        return BroughtSong.read(json, file);
    }

    private ChoicesRequest renamed(ChoicesRequest choices, Map<String, String> ids) {
        if (ids.entrySet().stream().allMatch(each -> each.getKey().equals(each.getValue()))) {
            return choices;
        }
        JsonNode tree = json.valueToTree(choices);
        rename(tree, ids);
        return json.treeToValue(tree, ChoicesRequest.class);
    }

    /** The right hand's figures are of another book. */
    private static void rename(JsonNode node, Map<String, String> ids) {
        if (node instanceof ObjectNode object) {
            if (object.path("figure").isString()
                    && ids.containsKey(object.path("figure").asString())) {
                object.put("figure", ids.get(object.path("figure").asString()));
            }
            object.properties().stream()
                    .filter(each -> !each.getKey().equals("right"))
                    .forEach(each -> rename(each.getValue(), ids));
        } else {
            node.forEach(each -> rename(each, ids));
        }
    }

    /** A name a file may have anywhere. */
    public static String fileName(String title) {
        return title.replaceAll("[\\p{Cntrl}/\\\\:*?\"<>|]", "_");
    }
}
