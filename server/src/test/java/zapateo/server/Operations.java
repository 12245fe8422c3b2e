package zapateo.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Supplier;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every operation of the HTTP surface with a request that it takes: the tests that call all of them go by this list,
 * and one holds it against the OpenAPI document.
 */
final class Operations {

    /**
     * @param name as the document has it, {@code post /api/songs}; @param request made anew each time, since some take
     *     away what they are about
     */
    record Operation(String name, Supplier<Request> request) {}

    /** @param body JSON, a file's bytes, or null */
    record Request(String method, String path, Object body) {

        RealServer.Answer send(RealServer server) {
            return switch (method) {
                case "get" -> server.get(path);
                case "delete" -> server.delete(path);
                case "put" -> server.put(path, body);
                default ->
                    body instanceof byte[] file
                            ? server.upload(path, file)
                            : server.post(path, body == null ? "" : body);
            };
        }
    }

    private static final JsonMapper JSON = new JsonMapper();
    private static final String FIGURE =
            "{\"id\":\"rail-steps\",\"name\":\"Rail steps\",\"family\":\"pulse\",\"use\":\"At the "
                    + "rail.\",\"feel\":[\"straight\"],\"level\":\"2\",\"tempo\":\"50-120\",\"spacing\":\"open\","
                    + "\"pedal\":\"yes\",\"bars\":{\"4/4\":[\"1@0:1920 5@1920:1920\"]}}";

    private final RealServer server;
    private final String chart;
    private final Map<String, Object> choices;
    private final List<Operation> all = new ArrayList<>();

    /** @param chart of all that is arranged: with a melody; its bars 1 and 2 have chords */
    Operations(RealServer server, String chart, Map<String, Object> choices) {
        this.server = server;
        this.chart = chart;
        this.choices = choices;
        arrangements();
        charts();
        colours();
        kept();
        practice();
        rightHand();
    }

    List<Operation> all() {
        return List.copyOf(all);
    }

    private void add(String name, Supplier<Request> request) {
        all.add(new Operation(name, request));
    }

    /** One at a fixed address. */
    private void post(String path, Object body) {
        post(path, "", body);
    }

    private void post(String path, String query, Object body) {
        add("post " + path, () -> new Request("post", path + query, body));
    }

    private void get(String path, String query) {
        add("get " + path, () -> new Request("get", path + query, null));
    }

    /** @param of makes the thing that is named in the address, and answers its id */
    private void of(String method, String path, Supplier<String> of, Object body) {
        add(method + " " + path, () -> new Request(method, path.replaceFirst("\\{[a-z]+}", of.get()), body));
    }

    private static Map<String, Object> with(Map<String, Object> more, Object... others) {
        Map<String, Object> all = new LinkedHashMap<>(more);
        for (int i = 0; i < others.length; i += 2) {
            all.put((String) others[i], others[i + 1]);
        }
        return all;
    }

    private Map<String, Object> arrange(Object... more) {
        return with(Map.of("chart", chart, "choices", choices), more);
    }

    private void arrangements() {
        post(
                "/api/arrangements",
                arrange(
                        "hand",
                        Map.of(
                                "left",
                                Map.of("spanMm", 190, "thumbIndexMm", 140),
                                "right",
                                Map.of("spanMm", 200),
                                "instrument",
                                Map.of("keys", 76, "octaveMm", 160, "pedal", true),
                                "tenths",
                                "pedal",
                                "octaves",
                                "roll")));
        get("/api/arrangements/choices", "");
        post("/api/arrangements/easier", Map.of("arrangement", arrange(), "bars", "1-2"));
        post("/api/arrangements/easiest-keys", arrange());
        post("/api/arrangements/levels", arrange());
        post("/api/arrangements/lines", "?bars=4", arrange());
        post("/api/arrangements/read-over", arrange());
        post("/api/arrangements/score", "?fingers=all&parts=both", arrange());
        post(
                "/api/arrangements/singers-key",
                Map.of("arrangement", arrange(), "voice", Map.of("low", "G3", "high", "D5", "turn", "A4"), "part", 2));
        post("/api/arrangements/suggest", Map.of("chart", chart, "apart", true, "level", 3));
        post("/api/arrangements/ways", arrange());
        post("/api/arrangements/why", Map.of("arrangement", arrange(), "stroke", 1, "note", 0));
        post("/api/form", arrange());
        post("/api/form/write", arrange());
    }

    private void charts() {
        post("/api/charts/edit", Map.of("text", chart, "edit", Map.of("kind", "copy", "bar", 0, "to", 1, "before", 1)));
        post("/api/charts/moves", Map.of("before", chart, "after", chart + "| C |"));
        post("/api/charts/parse", Map.of("text", chart));
        post("/api/charts/readings", Map.of("text", chart, "bar", 0, "chord", 0));
        post("/api/charts/simplify", Map.of("text", chart, "knows", "sevenths"));
        post("/api/charts/transpose", Map.of("text", chart, "semitones", 3));
        get("/api/keys", "?name=E%E2%99%AD");
        get("/api/keys/score", "?name=Gm&notes=scale");
    }

    private void colours() {
        get("/api/colours", "");
        post(
                "/api/colours/hand",
                Map.of(
                        "arrangement",
                        arrange(),
                        "colour",
                        Map.of(
                                "bar",
                                1,
                                "tick",
                                0,
                                "over",
                                List.of("C"),
                                "rule",
                                "alive-suspension",
                                "variant",
                                "fourth")));
        post("/api/colours/offers", arrange("bars", "1-2", "style", "jazz"));
        post("/api/colours/places", arrange("bars", "1-2"));
        post("/api/colours/song", arrange("style", "jazz", "amount", 2, "seed", 7));
        post("/api/colours/write", "?repeats=written-out", arrange());
    }

    private String song() {
        return server.post("/api/songs", Map.of("title", "Operated on", "chart", chart, "choices", choices))
                .json()
                .path("id")
                .asString();
    }

    private String evening() {
        return server.post(
                        "/api/sets",
                        Map.of("title", "Operated on", "items", List.of(Map.of("song", song()), Map.of("minutes", 5))))
                .json()
                .path("id")
                .asString();
    }

    private String figure() {
        return server.post("/api/figures", Map.of("file", FIGURE))
                .json()
                .path("id")
                .asString();
    }

    private String hands() {
        return server.post(
                        "/api/hands", Map.of("name", "Operated on", "measures", Map.of("left", Map.of("spanMm", 190))))
                .json()
                .path("id")
                .asString();
    }

    private static byte[] zip(Map<String, String> texts) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        texts.forEach((name, text) -> entries.put(name, text.getBytes(StandardCharsets.UTF_8)));
        try {
            return Zipped.zip(entries);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void kept() {
        Map<String, Object> song = with(
                Map.of("title", "Kept", "chart", chart, "choices", choices, "arrangement", "alone"),
                "others",
                List.of(Map.of(
                        "name",
                        "for two",
                        "choices",
                        Map.of("figure", "held", "locks", List.of(Map.of("bar", 1, "beat", 1, "bass", "C2"))))));
        get("/api/songs", "");
        post("/api/songs", song);
        get("/api/songs/fitting", "?figure=held");
        add(
                "post /api/songs/import",
                () -> new Request("post", "/api/songs/import?preview=true", chart.getBytes(StandardCharsets.UTF_8)));
        of("get", "/api/songs/{id}", this::song, null);
        of("put", "/api/songs/{id}", this::song, with(song, "version", 1));
        of("delete", "/api/songs/{id}", this::song, null);
        of("get", "/api/songs/{id}/arrangement", this::song, null);
        of("get", "/api/songs/{id}/export/zip", this::song, null);
        of("get", "/api/songs/{id}/package", this::song, null);
        add(
                "get /api/songs/{id}/export/{format}",
                () -> new Request("get", "/api/songs/" + song() + "/export/musicxml", null));
        of("post", "/api/songs/{id}/restore", this::song, null);
        of("get", "/api/songs/{id}/versions", this::song, null);
        add(
                "get /api/songs/{id}/versions/{version}",
                () -> new Request("get", "/api/songs/" + song() + "/versions/1", null));
        add(
                "put /api/songs/{id}/versions/{version}",
                () -> new Request("put", "/api/songs/" + song() + "/versions/1", Map.of("name", "as it was")));
        get("/api/sets", "");
        add(
                "post /api/sets",
                () -> new Request(
                        "post",
                        "/api/sets",
                        Map.of(
                                "title",
                                "Tonight",
                                "playedOn",
                                "2027-01-09",
                                "place",
                                "Lounge",
                                "items",
                                List.of(
                                        Map.of(
                                                "song",
                                                song(),
                                                "semitones",
                                                2,
                                                "tempo",
                                                90,
                                                "note",
                                                "slow",
                                                "remark",
                                                "Ahoy",
                                                "who",
                                                "all"),
                                        Map.of("minutes", 15)))));
        add(
                "post /api/sets/tonight",
                () -> new Request("post", "/api/sets/tonight", Map.of("song", song(), "semitones", 2, "tempo", 90)));
        add("post /api/sets/import", () -> new Request("post", "/api/sets/import", eveningFile()));
        of("get", "/api/sets/{id}", this::evening, null);
        of(
                "put",
                "/api/sets/{id}",
                this::evening,
                Map.of("title", "Later", "items", List.of(Map.of("minutes", 5)), "version", 1));
        of("delete", "/api/sets/{id}", this::evening, null);
        of("post", "/api/sets/{id}/copy", this::evening, null);
        of("post", "/api/sets/{id}/restore", this::evening, null);
        of("get", "/api/sets/{id}/export/zip", this::evening, null);
        get("/api/keeping", "");
        get("/api/keeping/everything", "");
        add(
                "post /api/keeping/everything",
                () -> new Request(
                        "post",
                        "/api/keeping/everything",
                        zip(Map.of(
                                "everything.json",
                                "{\"everything\":1,\"hands\":[{\"name\":\"Brought\","
                                        + "\"measures\":{\"left\":{\"spanMm\":190}}}]}"))));
        get("/api/figures", "");
        get("/api/figures/right", "");
        post("/api/figures", Map.of("file", FIGURE));
        post("/api/figures/check", Map.of("file", FIGURE));
        post("/api/figures/draft", draft());
        of("put", "/api/figures/{id}", this::figure, Map.of("file", FIGURE, "version", 1));
        of("delete", "/api/figures/{id}", this::figure, null);
        of("get", "/api/figures/{id}/file", this::figure, null);
        add("get /api/figures/texts/{hash}", () -> {
            String with = server.post("/api/songs", Map.of("chart", "| C |", "choices", Map.of("figure", figure())))
                    .json()
                    .path("id")
                    .asString();
            String own = server.get("/api/songs/" + with)
                    .json()
                    .path("choices")
                    .path("figure")
                    .asString();
            server.put("/api/figures/" + own, Map.of("file", FIGURE.replace("1@0:1920 5", "1@0:1920 8"), "version", 1));
            return new Request(
                    "get",
                    "/api/figures/texts/"
                            + server.get("/api/songs/" + with)
                                    .json()
                                    .path("changedFigures")
                                    .path(own)
                                    .asString(),
                    null);
        });
        get("/api/hands", "");
        post(
                "/api/hands",
                Map.of(
                        "name",
                        "Mine",
                        "measures",
                        Map.of("left", Map.of("spanMm", 190), "right", Map.of("spanMm", 195, "indexLittleMm", 120))));
        get("/api/hands/measuring", "");
        of(
                "put",
                "/api/hands/{id}",
                this::hands,
                Map.of("name", "Others", "measures", Map.of("left", Map.of("spanMm", 180)), "version", 1));
        of("delete", "/api/hands/{id}", this::hands, null);
        of("post", "/api/hands/{id}/use", this::hands, null);
        add("post /api/computing/{name}/stop", () -> new Request("post", "/api/computing/nobody/stop", null));
        // Only what is under way has an answer: told by its refusal, which is tested where something is.
        add("get /api/computing/{name}", () -> new Request("get", "/api/computing/nobody", null));
    }

    private byte[] eveningFile() {
        return server.bytes("/api/sets/" + evening() + "/export/zip");
    }

    private Map<String, Object> draft() {
        Map<String, Object> manner = new HashMap<>(Map.of(
                "spacing",
                "open",
                "pedal",
                true,
                "lifts",
                "change",
                "line",
                List.of("1"),
                "cut",
                "restart",
                "roll",
                "beat",
                "bass",
                true,
                "times",
                "beats",
                "hasLine",
                true));
        manner.put("leadIn", null);
        manner.put(
                "times",
                server.get("/api/figures")
                        .json()
                        .path(0)
                        .path("manner")
                        .path("times")
                        .asString());
        return with(
                Map.of(
                        "name",
                        "Rail steps",
                        "family",
                        "pulse",
                        "use",
                        "At the rail.",
                        "feel",
                        List.of("straight"),
                        "level",
                        2,
                        "minTempo",
                        50,
                        "maxTempo",
                        120,
                        "chords",
                        2,
                        "suits",
                        List.of(),
                        "accepts",
                        List.of()),
                "registers",
                List.of("deep"),
                "manner",
                manner,
                "bars",
                List.of(Map.of(
                        "meter",
                        "4/4",
                        "strokes",
                        List.of(Map.of(
                                "hand", "L", "roles", "1", "tick", 0, "length", 1920, "rolled", false, "accent",
                                false)))));
    }

    private void practice() {
        Map<String, Object> asked = arrange("bars", "0-1", "layer", "left", "tempo", 80);
        post("/api/practice/asked", asked);
        post(
                "/api/practice/judge",
                with(
                        asked,
                        "notes",
                        List.of(
                                Map.of("ms", 0, "held", 400, "midi", 48, "velocity", 60),
                                Map.of("ms", 700, "held", 300, "midi", 52)),
                        "pedal",
                        List.of(Map.of("ms", 10, "down", true))));
        post(
                "/api/practice/ladder",
                Map.of(
                        "goal",
                        120,
                        "stops",
                        List.of(60, 90),
                        "last",
                        80,
                        "rung",
                        Map.of("tempo", 80, "clean", 1, "failed", 0),
                        "clean",
                        true));
        post("/api/practice/spots", Map.of("arrangement", arrange(), "failed", Map.of("1", 0.5)));
        of(
                "put",
                "/api/practice/goals/{song}",
                this::song,
                Map.of("tempo", 100, "until", "2027-01-09", "level", 2, "arrangement", arrange()));
        of(
                "delete",
                "/api/practice/goals/{song}",
                () -> {
                    String song = song();
                    server.put(
                            "/api/practice/goals/" + song,
                            Map.of("tempo", 100, "arrangement", Map.of("chart", "| C | F |")));
                    return song;
                },
                null);
        get("/api/practice/goals", "?day=2027-01-09");
        get("/api/practice/log", "?since=2026-01-01");
        get("/api/practice/log/export/csv", "");
        get("/api/practice/log/export/json", "");
        add("post /api/practice/log", () -> new Request("post", "/api/practice/log", pass()));
        of(
                "delete",
                "/api/practice/log/{id}",
                () -> {
                    Map<String, Object> pass = pass();
                    server.post("/api/practice/log", pass);
                    return pass.get("id").toString();
                },
                null);
        of("get", "/api/practice/failed/{song}", this::song, null);
        get("/api/practice/plan", "?minutes=30&day=2027-01-09");
        add(
                "post /api/practice/steps",
                () -> new Request(
                        "post",
                        "/api/practice/steps",
                        Map.of(
                                "id",
                                UUID.randomUUID().toString(),
                                "song",
                                song(),
                                "first",
                                1,
                                "last",
                                2,
                                "layer",
                                "left",
                                "ms",
                                List.of(300, 400))));
        add(
                "get /api/practice/steps/{song}",
                () -> new Request("get", "/api/practice/steps/" + song() + "?first=1&last=2&layer=left", null));
    }

    private Map<String, Object> pass() {
        return with(
                Map.of(
                        "id",
                        UUID.randomUUID().toString(),
                        "song",
                        song(),
                        "first",
                        1,
                        "last",
                        2,
                        "layer",
                        "left",
                        "tempo",
                        80,
                        "clean",
                        true,
                        "seconds",
                        20),
                "right",
                0.9,
                "unevenMs",
                12,
                "word",
                "wind",
                "at",
                "2026-11-29T20:00:00Z",
                "day",
                "2026-11-29");
    }

    private void rightHand() {
        post("/api/right-hand/fit", arrange());
        post("/api/right-hand/harmonise", arrange("pace", "bar", "style", "usual"));
        post("/api/right-hand/licks", arrange("bar", 0));
        post("/api/right-hand/notes", arrange());
        post("/api/right-hand/one-shape", arrange("bars", "1-2"));
        post(
                "/api/right-hand/take",
                arrange("bar", 0, "bpm", 90, "notes", List.of(Map.of("ms", 0, "held", 500, "midi", 72))));
    }

    static String text(Object body) {
        return JSON.writeValueAsString(body);
    }
}
