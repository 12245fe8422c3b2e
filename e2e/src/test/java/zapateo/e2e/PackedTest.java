package zapateo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import zapateo.server.RealServer;

/**
 * Scripts and styles are packed at the build: sent as they lie there, and what is unpacked is the plain file (RFC 9110,
 * 8.4).
 */
class PackedTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private final HttpClient client = HttpClient.newHttpClient();

    private HttpResponse<byte[]> get(String path, String encoding) throws IOException, InterruptedException {
        return client.send(
                SERVER.request(path).header("Accept-Encoding", encoding).build(),
                HttpResponse.BodyHandlers.ofByteArray());
    }

    @Test
    void what_is_packed_is_what_it_was() throws Exception {
        List<String> named = new ArrayList<>(Stream.of(SERVER.get("/").text())
                .flatMap(page -> Pattern.compile("/assets/[\\w.-]+\\.(js|css)")
                        .matcher(page)
                        .results())
                .map(found -> found.group())
                .distinct()
                .toList());
        assertThat(named).anyMatch(each -> each.endsWith(".js")).anyMatch(each -> each.endsWith(".css"));
        // The engraver is named by no page: it is what the packing is for.
        for (Resource engraver :
                new PathMatchingResourcePatternResolver().getResources("classpath*:static/assets/verovio*.wasm")) {
            named.add("/assets/" + engraver.getFilename());
            // A browser compiles while it arrives what is called by its type alone (WebAssembly Web API, 5.1).
            assertThat(get("/assets/" + engraver.getFilename(), "gzip")
                            .headers()
                            .firstValue("Content-Type"))
                    .contains("application/wasm");
        }
        assertThat(named).anyMatch(each -> each.endsWith(".wasm"));
        for (String each : named) {
            HttpResponse<byte[]> plain = get(each, "identity");
            HttpResponse<byte[]> packed = get(each, "gzip");
            assertThat(plain.headers().firstValue("Content-Encoding")).as(each).isEmpty();
            assertThat(packed.headers().firstValue("Content-Encoding")).as(each).contains("gzip");
            // Tomcat would send what it packs itself without its length.
            assertThat(packed.headers().firstValueAsLong("Content-Length"))
                    .as(each)
                    .hasValue(packed.body().length);
            assertThat(packed.headers().firstValue("Content-Type"))
                    .as(each)
                    .isEqualTo(plain.headers().firstValue("Content-Type"));
            assertThat(new GZIPInputStream(new ByteArrayInputStream(packed.body())).readAllBytes())
                    .as(each)
                    .isEqualTo(plain.body());
        }
    }
}
