package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;

/**
 * What is answered is what the OpenAPI document says, read by a validator of others (JSON Schema 2020-12, which OpenAPI
 * 3.1 takes for its schemas).
 */
class AnswersTest {

    private static final String DOCUMENT = "https://zapateo.invalid/openapi.json";
    private static final String TUNE = "Title: Wake\nKey: C\nTempo: 100\n[Verse]\n| C | F G7 | Am | Dm7 G7 |\n"
            + "Melody: | c2 e2 g2 e2 | f2 a2 g2 z2 | a2 c'2 b2 a2 | f2 e2 d4 |\n[Refrain]\n| C7 | F | G7 | C |\n";
    private static final String WALTZ = "Title: Rail\nKey: Gm\nMeter: 3/4\nTempo: 120\n| Gm | Cm6 | D7 | Gm/B♭ |\n";
    private static final int LEAST = 300;

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private final JsonNode document = SERVER.get("/api/openapi").json();
    private final SchemaRegistry schemas = SchemaRegistry.withDefaultDialect(
            SpecificationVersion.DRAFT_2020_12, builder -> builder.schemas(Map.of(DOCUMENT, document.toString())));

    @Test
    void every_answer_is_as_the_document_says() {
        List<String> wrong = new ArrayList<>();
        int read = 0;
        for (Operations.Operation operation : new Operations(SERVER, TUNE, Map.of("figure", "held")).all()) {
            RealServer.Answer answer = operation.request().get().send(SERVER);
            read += look(operation.name(), answer, wrong) ? 1 : 0;
        }
        for (Figure figure : FigureBook.open().figures()) {
            for (Map<String, Object> choices : choices(figure.id())) {
                RealServer.Answer answer = SERVER.post(
                        "/api/arrangements?with=parts",
                        Map.of("chart", choices.containsKey("right") ? TUNE : WALTZ, "choices", choices));
                assertThat(answer.status())
                        .as(figure.id() + " " + answer.text())
                        .isEqualTo(200);
                read += look("post /api/arrangements", answer, wrong) ? 1 : 0;
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(read).isGreaterThan(LEAST);
    }

    /** What strokes of every origin come of. */
    private static List<Map<String, Object>> choices(String figure) {
        Map<String, Object> parts = new LinkedHashMap<>(Map.of("figure", figure, "level", 4, "leadIn", "below"));
        parts.put("right", Map.of("style", "melody", "under", "parts", "fills", 3));
        Map<String, Object> lively = new LinkedHashMap<>(Map.of("figure", figure, "liveliness", "much"));
        lively.put("right", Map.of("style", "improvise", "chorus", 2));
        return List.of(
                Map.of("figure", figure, "overrides", List.of(Map.of("bars", "2", "strokes", "1@0:960 5@960:960"))),
                parts,
                lively);
    }

    /** Whether it was an answer with a schema. */
    private boolean look(String name, RealServer.Answer answer, List<String> wrong) {
        String[] operation = name.split(" ", 2);
        JsonNode contents = document.path("paths")
                .path(operation[1])
                .path(operation[0])
                .path("responses")
                .path(String.valueOf(answer.status()))
                .path("content");
        boolean json = answer.text().startsWith("{") || answer.text().startsWith("[");
        if (answer.status() / 100 != 2 || !json || contents.isEmpty()) {
            return false;
        }
        String kind = contents.propertyNames().iterator().next();
        String at = String.join(
                "/",
                "#/paths",
                pointed(operation[1]),
                operation[0],
                "responses",
                String.valueOf(answer.status()),
                "content",
                pointed(kind),
                "schema");
        schemas.getSchema(SchemaLocation.of(DOCUMENT + at)).validate(answer.json()).stream()
                .limit(3)
                .forEach(error -> wrong.add(name + ": " + error.getInstanceLocation() + " " + error.getMessage()));
        return true;
    }

    /** As a JSON pointer has it (RFC 6901). */
    private static String pointed(String name) {
        return name.replace("~", "~0").replace("/", "~1").replace("{", "%7B").replace("}", "%7D");
    }
}
