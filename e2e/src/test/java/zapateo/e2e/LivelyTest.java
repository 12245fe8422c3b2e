package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static zapateo.e2e.Stage.buttonLike;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/**
 * A song, not a bar: what is played otherwise is told bar by bar, kept or left plain at a press; a chorus is made of
 * what is chosen.
 */
class LivelyTest {

    private static final String CHART =
            "Title: Lively\nKey: C\nTempo: 100\n[Verse]\n| C | Am | F | G | C | Am | Dm | G7 |\n[Bridge]\n| F | F | "
                    + "C | C | D7 | D7 | G7 | G7 |\n[Verse]\n| C | Am | F | G | C | Am | G7 | C |";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    @Test
    void what_is_played_otherwise_is_told_and_left_plain_at_a_press() {
        String song = Stage.newSong(CHART, "three-three-two");
        Page page = STAGE.atScore(song, "left-hand?bars=1-24");
        buttonLike(page, "^Liveliness").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Much"))
                .click();
        Locator otherwise = page.getByLabel("Played otherwise").getByRole(AriaRole.LISTITEM);
        assertThat(otherwise.first()).containsText("Bar ");
        String first = otherwise.first().textContent().replaceFirst(":.*", "");
        otherwise.first().getByText("leave it plain").click();
        assertThat(page.getByLabel("Played otherwise")).containsText(first + ": left plain.");
        page.waitForCondition(() -> Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("choices")
                .path("spices")
                .toString()
                .contains("plain@" + first.replace("Bar ", "")));
        page.getByText("let it be lively").click();
        assertThat(page.getByText("let it be lively")).hasCount(0);
        page.waitForCondition(() -> !Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("choices")
                .toString()
                .contains("plain@"));
    }

    @Test
    void a_chorus_of_five_notes_has_no_others() {
        String song = Stage.newSong(CHART, "two-feel");
        Page page = STAGE.atScore(song, "right-hand");
        buttonLike(page, "^Chorus$").click();
        buttonLike(page, "^five notes$").click();
        assertThat(buttonLike(page, "^five notes$")).hasAttribute("aria-pressed", "true");
        page.waitForCondition(() -> Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("choices")
                .path("right")
                .path("manner")
                .asString()
                .equals("pentatonic"));
    }
}
