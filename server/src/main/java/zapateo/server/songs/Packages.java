package zapateo.server.songs;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import zapateo.server.arrangements.Arranging;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.figures.Figures;
import zapateo.server.players.PeoplesHands;
import zapateo.server.players.Player;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartParser;

/** Songs on their way to another Zapateo and back, all of each in one file. */
@Service
public class Packages {

    private final Songs songs;
    private final Figures figures;
    private final Arranging arranging;
    private final PeoplesHands hands;
    private final JsonMapper json;

    Packages(Songs songs, Figures figures, Arranging arranging, PeoplesHands hands, JsonMapper json) {
        this.songs = songs;
        this.figures = figures;
        this.arranging = arranging;
        this.hands = hands;
        this.json = json;
    }

    /** The file; for other programs too where the chart can be read. */
    byte[] of(Player player, SongRow song) {
        Set<String> named = new HashSet<>(song.choices().choices().figures());
        song.others().all().forEach(each -> named.addAll(each.choices().choices().figures()));
        SongPackage packed = new SongPackage(song.title(), song.chart(), new SongPackage.Named(song.arrangement(), song.choices()),
                song.others().all().stream().map(each -> new SongPackage.Named(each.name(), each.choices())).toList(), figures.texts(player, named));
        Map<String, byte[]> more = new LinkedHashMap<>();
        if (ChartParser.parse(song.chart()).song().isPresent()) {
            Arrangement arrangement = arranging.arrange(song.chart(), song.choices().choices(), hands.pianist(player)).arrangement();
            more.put("both-hands.musicxml", MusicXmlWriter.write(arrangement, Hands.BOTH));
            more.put("both-hands.mid", MidiWriter.write(arrangement, Hands.BOTH));
            more.put("lead-sheet.musicxml", LeadSheetWriter.write(WrittenOut.of(arrangement.coloured())));
        }
        return packed.written(json, more);
    }

    /** The file of a song of the repertoire. */
    public byte[] of(Player player, UUID song) {
        return of(player, songs.get(player, song));
    }

    /**
     * A song from its file.
     *
     * @param name of the file, for the refusal
     */
    @Transactional
    public SongView bring(Player player, byte[] file, String name) {
        SongPackage brought = read(file).orElseThrow(() -> Refusal.unusable(name + ": expected a song as it was taken away"));
        return SongView.of(bring(player, brought), Map.of());
    }

    /** A song as it was taken away elsewhere, its own figures with it. */
    @Transactional
    SongRow bring(Player player, SongPackage brought) {
        Map<String, String> ids = figures.taken(player, brought.figures());
        List<NamedChoices> others = brought.others().stream().map(each -> new NamedChoices(null, each.name(), renamed(each.choices().choices(), ids))).toList();
        return songs.create(player, new SongRequest(brought.title().isBlank() ? null : brought.title(), brought.chart(), renamed(brought.open().choices().choices(), ids), null, brought.open().name(), others, null));
    }

    /** Empty where a file is no package. */
    Optional<SongPackage> read(byte[] file) {
        return SongPackage.read(json, file);
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
            if (object.path("figure").isString() && ids.containsKey(object.path("figure").asString())) {
                object.put("figure", ids.get(object.path("figure").asString()));
            }
            object.properties().stream().filter(each -> !each.getKey().equals("right")).forEach(each -> rename(each.getValue(), ids));
        } else {
            node.forEach(each -> rename(each, ids));
        }
    }

    /** A name a file may have anywhere. */
    public static String fileName(String title) {
        return title.replaceAll("[\\p{Cntrl}/\\\\:*?\"<>|]", "_");
    }
}
