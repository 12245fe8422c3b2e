package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.server.Zipped.entries;
import static zapateo.server.Zipped.zip;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/**
 * Evenings over HTTP: their order, what they last, what tires, and all of one in one file. Lengths are worked out by
 * hand: four quarters at 120 are two seconds.
 */
class SetApiTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static String song(String title, String key, int tempo, int bars) {
        String chart =
                "Title: " + title + "\nKey: " + key + "\nTempo: " + tempo + "\n\n| " + "C | ".repeat(bars) + "\n";
        return SERVER.post(
                        "/api/songs",
                        Map.of(
                                "chart",
                                chart,
                                "choices",
                                Map.of("figure", "held"),
                                "others",
                                List.of(Map.of("name", "short", "choices", Map.of("figure", "held", "tags", 1)))))
                .json()
                .path("id")
                .asString();
    }

    private static Map<String, Object> item(String song, Object... more) {
        Map<String, Object> item = new HashMap<>(Map.of("song", song));
        for (int i = 0; i < more.length; i += 2) {
            item.put((String) more[i], more[i + 1]);
        }
        return item;
    }

    private static JsonNode keep(String title, List<Map<String, Object>> items) {
        return SERVER.post(
                        "/api/sets",
                        Map.of("title", title, "place", "Lounge", "playedOn", "2027-01-09", "items", items))
                .json();
    }

    private static String each(JsonNode nodes, String... fields) {
        return nodes.valueStream()
                .map(node -> List.of(fields).stream()
                        .map(field -> node.path(field).asString())
                        .collect(Collectors.joining(":")))
                .collect(Collectors.joining(" "));
    }

    @Test
    void an_evening_knows_keys_tempos_and_lengths_as_they_are_played() {
        String one = song("One", "C", 120, 8);
        String two = song("Two", "F", 100, 4);
        String other = SERVER.get("/api/songs/" + one)
                .json()
                .path("others")
                .get(0)
                .path("id")
                .asString();
        JsonNode set = keep(
                "Friday",
                List.of(
                        item(one),
                        Map.of("minutes", 15),
                        item(two, "semitones", -2, "tempo", 120, "remark", "Good evening", "who", "with a bass"),
                        item(one, "arrangement", other)));
        // 8 bars at 120 last 16 s; 4 bars at 120 last 8 s; with the last line again 12 bars last 24 s; a break of 15
        // minutes 900 s.
        assertThat(each(set.path("items"), "title", "key", "ms"))
                .isEqualTo("One:C:16000 ::900000 Two:E♭:8000 One:C:24000");
        assertThat(set.path("ms").asInt()).isEqualTo(16_000 + 900_000 + 8_000 + 24_000);
        assertThat(set.path("items").get(2).path("item").path("remark").asString())
                .isEqualTo("Good evening");
        assertThat(each(set.path("items").get(0).path("arrangements"), "name")).isEqualTo("alone short");
        JsonNode tonight = SERVER.post("/api/sets/tonight", item(two, "semitones", -2, "tempo", 120))
                .json();
        assertThat(tonight.path("chart").asString()).contains("Key: E♭");
        assertThat(tonight.path("tempo").asInt()).isEqualTo(120);
        JsonNode shorter = SERVER.post("/api/sets/tonight", item(one, "arrangement", other))
                .json();
        assertThat(shorter.path("choices"))
                .isEqualTo(SERVER.get("/api/songs/" + one)
                        .json()
                        .path("others")
                        .get(0)
                        .path("choices"));
        assertThat(shorter.path("tempo").isNull()).isTrue();
        assertThat(SERVER.post("/api/sets/tonight", item(UUID.randomUUID().toString()))
                        .status())
                .isEqualTo(404);
        assertThat(SERVER.post("/api/sets/tonight", Map.of("minutes", 5)).status())
                .isEqualTo(404);
        JsonNode line = SERVER.get("/api/sets")
                .json()
                .valueStream()
                .filter(each -> each.path("id").equals(set.path("id")))
                .findFirst()
                .orElseThrow();
        assertThat(line.path("songs").asInt()).isEqualTo(3);
        assertThat(SERVER.get("/api/sets/" + set.path("id").asString()).json()).isEqualTo(set);
    }

    @Test
    void three_in_a_row_that_are_alike_are_told() {
        String song = song("Like", "G", 90, 4);
        JsonNode set = keep(
                "Alike",
                List.of(
                        item(song),
                        item(song, "tempo", 140),
                        item(song, "tempo", 60),
                        item(song, "semitones", 3, "tempo", 61),
                        item(song, "semitones", 5, "tempo", 60)));
        assertThat(each(set.path("tiring"), "first", "last", "text"))
                .isEqualTo("0:2:3 songs running in G: move one, or change its key. 2:4:3 songs running at about 60: "
                        + "set a slower or faster one between.");
    }

    /** Whoever saves over another's change is told and changes nothing. */
    @Test
    void a_stale_order_overwrites_nothing() {
        String song = song("Kept", "C", 120, 4);
        JsonNode set = keep("Order", List.of(item(song)));
        String path = "/api/sets/" + set.path("id").asString();
        assertThat(SERVER.put(
                                path,
                                Map.of(
                                        "title",
                                        "Order two",
                                        "playedOn",
                                        "2027-01-09",
                                        "items",
                                        List.of(item(song), item(song)),
                                        "version",
                                        1))
                        .status())
                .isEqualTo(200);
        assertThat(SERVER.put(path, Map.of("title", "Stale", "items", List.of(), "version", 1))
                        .status())
                .isEqualTo(409);
        JsonNode now = SERVER.get(path).json();
        assertThat(now.path("title").asString()).isEqualTo("Order two");
        assertThat(now.path("items")).hasSize(2);
        assertThat(SERVER.delete(path).status()).isEqualTo(204);
        assertThat(SERVER.get(path).status()).isEqualTo(404);
        assertThat(SERVER.post(path + "/restore", Map.of()).json().path("title").asString())
                .isEqualTo("Order two");
        JsonNode copy = SERVER.post(path + "/copy", Map.of()).json();
        assertThat(copy.path("title").asString()).isEqualTo("Order two, again");
        assertThat(now.path("playedOn").asString()).isEqualTo("2027-01-09");
        assertThat(copy.has("playedOn")).as("for another evening").isFalse();
        assertThat(copy.path("items")).isEqualTo(now.path("items"));
    }

    /** A song that was taken out of the repertoire keeps its place, and the set can still be changed. */
    @Test
    void a_song_taken_out_keeps_its_place() {
        String gone = song("Gone", "C", 120, 4);
        String here = song("Here", "C", 120, 4);
        JsonNode set = keep("With a hole", List.of(item(gone), item(here)));
        SERVER.delete("/api/songs/" + gone);
        String path = "/api/sets/" + set.path("id").asString();
        assertThat(each(SERVER.get(path).json().path("items"), "title", "missing"))
                .isEqualTo(":true Here:false");
        assertThat(SERVER.put(path, Map.of("title", "Turned", "items", List.of(item(here), item(gone)), "version", 1))
                        .status())
                .isEqualTo(200);
        SERVER.post("/api/songs/" + gone + "/restore", Map.of());
        assertThat(each(SERVER.get(path).json().path("items"), "title")).isEqualTo("Here Gone");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"title\":\"x\"} | 422 | expected the songs in their order",
                "{\"title\":\"x\",\"items\":[{}]} | 422 | items[0]: expected a song, or the minutes of a break",
                "{\"title\":\"x\",\"items\":[{\"song\":\"00000000-0000-4000-8000-00000000ffff\"}]} | 422 | "
                        + "items[0].song: expected a song of the repertoire",
                "{\"title\":\"x\",\"items\":[{\"minutes\":-1}]} | 422 | expected 0 to 600",
                "{\"title\":\"x\",\"items\":[{\"minutes\":5,\"semitones\":40}]} | 422 | expected -11 to 11",
                "{\"title\":\"x\",\"items\":[{\"minutes\":5,\"colour\":1}]} | 400 | colour",
                "{\"title\":\"x\",\"items\":[null]} | 422 | expected a song or a break",
                "{\"title\":\"x\",\"items\":[],\"playedOn\":\"soon\"} | 400 | playedOn"
            })
    void what_cannot_be_kept_is_refused_with_its_place(String body, int status, String message) throws Exception {
        var answer = SERVER.send(SERVER.request("/api/sets")
                .header("content-type", "application/json")
                .POST(java.net.http.HttpRequest.BodyPublishers.ofString(body))
                .build());
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.text()).contains(message);
    }

    private static Map.Entry<String, byte[]> firstSong(Map<String, byte[]> entries) {
        return entries.entrySet().stream()
                .filter(each -> each.getKey().startsWith("songs/01 "))
                .findFirst()
                .orElseThrow();
    }

    /** Out, in and out again: the same file to the byte; a song that comes twice comes in once. */
    @Test
    void an_evening_comes_back_as_it_was_taken_away() throws IOException {
        List<Map<String, Object>> items = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            String song = song(
                    "Number " + i + (i % 3 == 0 ? " / ä♭" : ""),
                    List.of("C", "Dm", "E♭").get(i % 3),
                    80 + i,
                    4 + i % 5);
            items.add(item(song, "note", "n" + i, "tempo", 90 + i, "semitones", i % 5 - 2));
            if (i == 10) {
                items.add(Map.of("minutes", 12.5, "note", "coffee"));
                items.add(item(
                        song,
                        "arrangement",
                        SERVER.get("/api/songs/" + song)
                                .json()
                                .path("others")
                                .get(0)
                                .path("id")
                                .asString()));
            }
        }
        JsonNode set = keep("The whole night", items);
        byte[] file = SERVER.bytes("/api/sets/" + set.path("id").asString() + "/export/zip");
        assertThat(entries(file)).hasSize(21).containsKey("set.json");
        int before = SERVER.get("/api/songs").json().size();
        // Pages for paper that the page added are left aside, however many they are.
        Map<String, byte[]> withPages = new LinkedHashMap<>(entries(file));
        withPages.put("pages.pdf", new byte[5 << 20]);
        JsonNode back = SERVER.upload("/api/sets/import", zip(withPages)).json();
        assertThat(SERVER.get("/api/songs").json().size() - before).isEqualTo(20);
        assertThat(each(back.path("items"), "title", "key", "ms"))
                .isEqualTo(each(set.path("items"), "title", "key", "ms"));
        assertThat(back.path("playedOn").asString()).isEqualTo("2027-01-09");
        assertThat(SERVER.bytes("/api/sets/" + back.path("id").asString() + "/export/zip"))
                .isEqualTo(file);
        assertThat(SERVER.bytes("/api/songs/"
                        + set.path("items").get(0).path("item").path("song").asString() + "/export/zip"))
                .isEqualTo(firstSong(entries(file)).getValue());
    }

    /** A whole evening may be larger than other requests; over 32 MiB it is refused as they are over one. */
    @Test
    void an_evening_may_be_large() throws IOException {
        String song = song("Large", "C", 120, 4);
        Map<String, byte[]> entries = new LinkedHashMap<>(entries(SERVER.bytes(
                "/api/sets/" + keep("Large", List.of(item(song))).path("id").asString() + "/export/zip")));
        byte[] noise = new byte[6 << 20];
        new java.util.SplittableRandom(7).nextBytes(noise);
        entries.put("pages.pdf", noise);
        assertThat(SERVER.upload("/api/sets/import", zip(entries)).status()).isEqualTo(201);
        assertThat(SERVER.upload("/api/sets/import", new byte[33 << 20]).problem())
                .contains("32 MiB");
        assertThat(SERVER.upload("/api/songs/import", new byte[17 << 20]).status())
                .isEqualTo(413);
    }

    /** Nothing comes in of a file that is broken, or of which nothing may be kept. */
    @Test
    void a_broken_evening_brings_nothing() throws IOException {
        String song = song("Whole", "C", 120, 4);
        byte[] file = SERVER.bytes(
                "/api/sets/" + keep("Broken", List.of(item(song))).path("id").asString() + "/export/zip");
        Map<String, byte[]> entries = entries(file);
        String name = firstSong(entries).getKey();
        int before = SERVER.get("/api/songs").json().size();
        Map<String, byte[]> without = new LinkedHashMap<>(entries);
        without.remove(name);
        Map<String, byte[]> damaged = new LinkedHashMap<>(entries);
        damaged.put(name, "no zip".getBytes(StandardCharsets.UTF_8));
        Map<String, byte[]> newer = new LinkedHashMap<>(entries);
        newer.put("set.json", "{\"set\": 9, \"items\": []}".getBytes(StandardCharsets.UTF_8));
        Map<String, byte[]> garbage = new LinkedHashMap<>(entries);
        garbage.put("set.json", "{\"set\": 1, \"items\": [3]}".getBytes(StandardCharsets.UTF_8));
        Map<Object, String> wrong = new LinkedHashMap<>();
        wrong.put(zip(without), "is not in the file");
        wrong.put(zip(damaged), "expected a song as it was taken away");
        wrong.put(zip(newer), "this Zapateo reads up to 1");
        wrong.put(zip(garbage), "set.json");
        wrong.put("hello".getBytes(StandardCharsets.UTF_8), "the file has no set.json");
        wrong.put(java.util.Arrays.copyOf(file, file.length / 2), "");
        wrong.forEach((bytes, message) -> {
            RealServer.Answer answer = SERVER.upload("/api/sets/import", (byte[]) bytes);
            assertThat(answer.status()).as(answer.text()).isBetween(400, 422);
            assertThat(answer.text()).contains(message);
        });
        assertThat(SERVER.get("/api/songs").json().size()).isEqualTo(before);
    }
}
