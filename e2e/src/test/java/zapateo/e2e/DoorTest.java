package zapateo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.net.URI;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Pages of another name or another origin, in a real browser: they read nothing and change nothing. */
class DoorTest {

    @RegisterExtension
    static final Stage STAGE = new Stage().visitingOthers();

    private static int port() {
        return URI.create(Stage.server().address()).getPort();
    }

    /** A name that leads to this machine, as an attacker's would. */
    @Test
    void a_page_of_another_name_reads_nothing() {
        Page page = STAGE.page();
        Response answer = page.navigate("http://ferry.example:" + port() + "/api/songs");
        assertThat(answer.status()).isEqualTo(421);
        assertThat(page.content()).doesNotContain("Slow Tide");
    }

    /** Another origin on the same machine: neither a plain post, nor a form's file, nor a deletion does anything. */
    @Test
    void a_page_of_another_origin_changes_nothing() {
        String song = Stage.newSong("Title: Stays\n| C |", "held");
        int before = Stage.server().get("/api/songs").json().size();
        Page page = STAGE.page();
        String here = "http://localhost:" + port();
        String there = Stage.server().address().contains("localhost")
                ? "http://127.0.0.1:" + port()
                : Stage.server().address();
        page.navigate(here + "/");
        Object told = page.evaluate(
                "async ([there, song]) => { const tell = promise => promise.then(answer => answer.type + "
                        + "answer.status, error => 'refused');"
                        + " const file = new FormData(); file.append('file', new Blob(['| C | F |']), 'a.txt');"
                        + " return [await tell(fetch(there + '/api/songs/import', {method: 'POST', mode: 'no-cors', "
                        + "body: file})), await tell(fetch(there + '/api/songs/' + song + '/restore', "
                        + "{method: 'POST', mode: 'no-cors'})),"
                        + " await tell(fetch(there + '/api/songs/' + song, {method: 'DELETE'})), await "
                        + "tell(fetch(there + '/api/songs'))] }",
                java.util.List.of(there, song));
        assertThat((java.util.List<?>) told).hasSize(4).last().isEqualTo("refused");
        assertThat(Stage.server().get("/api/songs").json().size()).isEqualTo(before);
        assertThat(Stage.server().get("/api/songs/" + song).status()).isEqualTo(200);
    }
}
