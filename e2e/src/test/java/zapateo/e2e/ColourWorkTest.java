package zapateo.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.e2e.Stage.buttonLike;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Other chords: heard before and after, kept, dropped, for the whole song, for one time, written into the chart. */
class ColourWorkTest {

    private static final String CHART = "Title: Painted\nKey: C\nTempo: 120\n| C | Dm | G | C | F | C | G7 | C |";

    @RegisterExtension
    static final Stage STAGE = new Stage();

    private static Page open(String song) {
        return STAGE.atScore(song, "colour");
    }

    private static Locator bar(Page page, int index) {
        return page.locator("[data-bar='" + index + "']");
    }

    private static void look(Page page, int bar, String offer) {
        bar(page, bar).click();
        page.getByLabel("Offers")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + offer)))
                .first()
                .click();
    }

    private static String choices(String song) {
        return Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("choices")
                .path("colours")
                .toString();
    }

    private static void kept(Page page, String song, String expected) {
        page.waitForCondition(() -> choices(song).contains(expected));
        assertThat(choices(song)).contains(expected);
    }

    @Test
    void a_goes_between_before_and_after_while_it_plays() {
        String song = Stage.newSong(CHART, "held");
        Page page = open(song);
        look(page, 0, "Passing diminished from below");
        page.keyboard().press("a");
        assertThat(page.getByText("heard with it, not kept yet")).isVisible();
        assertThat(bar(page, 0)).hasAttribute("aria-label", "Bar 1: C, C♯°7");
        page.waitForFunction("() => (window.zapateo?.player.heard.length ?? 0) > 1");
        page.keyboard().press("a");
        assertThat(page.getByText("heard without it")).isVisible();
        assertThat(bar(page, 0)).hasAttribute("aria-label", "Bar 1: C");
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Stop").setExact(true)))
                .isVisible();
        page.keyboard().press(" ");
        assertThat(choices(song)).doesNotContain("passing-diminished-up");
    }

    /** To hear it takes the bars beside it; what is looked at stays what it was. */
    @Test
    void what_is_heard_stays_looked_at_in_the_middle_of_the_song() {
        Page page = open(Stage.newSong(CHART, "held"));
        look(page, 4, "Sharp four on the way");
        page.keyboard().press("a");
        assertThat(page.getByText("heard with it, not kept yet")).isVisible();
        assertThat(bar(page, 4)).hasAttribute("aria-label", "Bar 5: F, F♯°7");
        page.keyboard().press("a");
        assertThat(page.getByText("heard without it")).isVisible();
        page.keyboard().press(" ");
    }

    @Test
    void enter_keeps_delete_drops_and_undo_brings_it_back() {
        String song = Stage.newSong(CHART, "held");
        Page page = open(song);
        look(page, 0, "Passing diminished from below");
        page.evaluate("() => document.activeElement.blur()");
        page.keyboard().press("Enter");
        kept(page, song, "passing-diminished-up");
        assertThat(bar(page, 0)).hasAttribute("aria-label", "Bar 1: C, C♯°7");
        assertThat(bar(page, 0).locator("[data-borrowed]")).hasText("C");
        page.keyboard().press("Delete");
        assertThat(bar(page, 0)).hasAttribute("aria-label", "Bar 1: C");
        page.keyboard().press("Control+z");
        assertThat(bar(page, 0)).hasAttribute("aria-label", "Bar 1: C, C♯°7");
    }

    @Test
    void the_whole_song_is_coloured_and_made_plain_again() {
        String song = Stage.newSong(CHART, "held");
        Page page = open(song);
        buttonLike(page, "^Style:").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Gospel"))
                .click();
        buttonLike(page, "^Colour the song$").click();
        kept(page, song, "rule");
        Locator kept = page.getByLabel("Kept colours").getByRole(AriaRole.LISTITEM);
        int all = kept.count();
        assertThat(all).isGreaterThan(2);
        buttonLike(page, "^Drop the colour of bar").first().click();
        assertThat(kept).hasCount(all - 1);
        buttonLike(page, "^plain again$").click();
        assertThat(page.getByText("Nothing yet")).isVisible();
        page.waitForCondition(() -> !choices(song).contains("rule"));
    }

    @Test
    void a_colour_may_be_for_the_second_time_alone() {
        String song = Stage.newSong("Title: Twice\nKey: C\n|: C | F :| G | C |", "held");
        Page page = open(song);
        look(page, 2, "The tonic becomes a dominant");
        page.getByLabel("only time 2 of 2").check();
        buttonLike(page, "^keep it$").click();
        kept(page, song, "\"pass\":2");
        assertThat(bar(page, 0)).hasAttribute("aria-label", "Bar 1: C");
        assertThat(bar(page, 2)).hasAttribute("aria-label", Pattern.compile("^Bar 1: C.*7"));
    }

    @Test
    void colours_are_written_into_the_chart_and_undone_and_wait_when_their_ground_is_gone() {
        String song = Stage.newSong(CHART, "held");
        Page page = open(song);
        look(page, 0, "Passing diminished from below");
        buttonLike(page, "^keep it$").click();
        kept(page, song, "passing-diminished-up");
        buttonLike(page, "^write them into the chart$").click();
        assertThat(page.getByText("Nothing yet")).isVisible();
        page.waitForCondition(() -> Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("chart")
                .asString()
                .contains("| C C♯°7 | Dm |"));
        buttonLike(page, "^Undo$").click();
        assertThat(bar(page, 0).locator("[data-borrowed]")).hasText("C");
        page.waitForCondition(() -> Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("chart")
                .asString()
                .contains("| C | Dm |"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Chart"))
                .click();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Chart text"))
                .fill(CHART.replace("| C | Dm", "| Em | Dm"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Colour"))
                .click();
        assertThat(page.getByText("The colour kept in bar 1 over C waits")).isVisible();
    }

    @Test
    void a_colour_of_one_time_asks_before_the_repeats_are_written_out() {
        String song = Stage.newSong("Title: Twice\nKey: C\nTempo: 120\n|: C | F :| G | C |", "held");
        Page page = open(song);
        look(page, 2, "The tonic becomes a dominant");
        page.getByLabel("only time 2 of 2").check();
        buttonLike(page, "^keep it$").click();
        kept(page, song, "tonic-seventh-to-four");
        buttonLike(page, "^write them into the chart$").click();
        assertThat(page.getByRole(AriaRole.ALERTDIALOG)).containsText("every repeat has to be written out");
        buttonLike(page, "^write the repeats out$").click();
        page.waitForCondition(() -> Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("chart")
                .asString()
                .contains("| C | F | C7 | F |"));
        assertThat(page.getByText("Nothing yet")).isVisible();
        buttonLike(page, "^Undo$").click();
        page.waitForCondition(() -> Stage.server()
                .get("/api/songs/" + song)
                .json()
                .path("chart")
                .asString()
                .contains("|: C | F :|"));
    }

    @Test
    void some_bars_are_coloured_by_themselves() {
        String song = Stage.newSong(CHART, "held");
        Page page = open(song);
        bar(page, 4).click();
        bar(page, 6)
                .click(new Locator.ClickOptions()
                        .setModifiers(java.util.List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        buttonLike(page, "^Style:").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Gospel"))
                .click();
        buttonLike(page, "^Colour bars 5–7$").click();
        page.waitForCondition(() -> choices(song).contains("\"bar\":"));
        org.assertj.core.api.Assertions.assertThat(choices(song))
                .doesNotContain("\"bar\":1,")
                .doesNotContain("\"bar\":8,");
    }

    @Test
    void where_nothing_fits_it_says_what_could_be_done() {
        Page page = open(Stage.newSong("Title: Full\nKey: C\n| C13 F13 C13 F13 | C13 F13 C13 F13 | C13 |", "held"));
        bar(page, 1).click();
        assertThat(page.getByText("Nothing fits here. Take more bars")).isVisible();
    }
}
