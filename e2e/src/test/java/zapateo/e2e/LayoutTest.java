package zapateo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every view and what opens in it, on a desk, on a tablet and on a phone: nothing off the screen, cut, or over
 * something else, everything large enough to be pressed by a finger (44 pixels high, the size of WCAG 2.5.5), the
 * engraved page clear of itself; and axe has nothing to say, of any grade.
 */
class LayoutTest {

    private static final String CHART =
            "Title: Bollard and line\nKey: E♭\nTempo: 104\n[Verse]\n| E♭ | Cm7 | Fm7 . B♭7sus4 B♭7 | E♭maj7 "
                    + "|\nMelody: | G2 B E4 B | c4 e4 | F2 A c4 B | G8 |\n[Chorus]\n| A♭maj7 | A°7 | E♭/B♭ C7♭9 "
                    + "| Fm7 B♭7 |\n";
    /** On a screen that is touched there is no pointer to hover. */
    private static final int TOUCHED_BELOW = 1200;
    /** What opens in a view at a press, by the button's name; with ! that is all of the name, with / it stays open. */
    private static final Map<String, List<String>> OPENS = Map.of(
            "chart",
            List.of(
                    "Help!",
                    "Versions",
                    "Take away",
                    "E♭ major",
                    "Another key",
                    "The singer's key",
                    "Notes of the key",
                    "What to do with Verse",
                    "Plainer chords"),
            "left-hand",
            List.of(
                    "sound!",
                    "which songs?",
                    "Arrangement: alone",
                    "Set for an occasion",
                    "Bass line: ",
                    "What “voicing” means",
                    "How hard/",
                    "Read over/",
                    "my own!/",
                    "by hand/",
                    "Done!/",
                    "all!/",
                    "change a copy/",
                    "Leave it!/",
                    "Fold Figures/"),
            "right-hand",
            List.of(
                    "Tune!/",
                    "Both hands/",
                    "Licks!/",
                    "Improvise!/",
                    "One shape/",
                    "Play in/",
                    "Chords!/",
                    "write one!/"),
            "practise",
            List.of("the log"));

    private static String check;
    private static String song;

    @RegisterExtension
    static final Stage STAGE = new Stage();

    @BeforeAll
    static void read() throws IOException {
        try (InputStream file = LayoutTest.class.getResourceAsStream("layout.js")) {
            check = new String(file.readAllBytes(), StandardCharsets.UTF_8)
                    .strip()
                    .replaceFirst(";$", "");
        }
        song = Stage.newSong(CHART, "two-feel");
    }

    @SuppressWarnings("unchecked")
    private static List<String> found(Page page, boolean touched) {
        return (List<String>) page.evaluate(check, Map.of("touch", touched));
    }

    private Page open(String view, String size) {
        String[] sides = size.split("x");
        int width = Integer.parseInt(sides[0]);
        boolean touched = width < TOUCHED_BELOW;
        Page page = STAGE.window(width, Integer.parseInt(sides[1]), touched);
        page.navigate(view.startsWith("/") ? view : "/songs/" + song + "/" + view);
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                .or(page.getByText("Bollard and line"))
                .first()
                .waitFor();
        if (view.endsWith("-hand") || view.equals("colour") || view.equals("practise")) {
            page.locator(".score[data-ready=yes]").waitFor();
        }
        Stage.settled(page);
        return page;
    }

    @ParameterizedTest(name = "{0} at {1}")
    @CsvSource({
        "/,1280x800",
        "/,1024x768",
        "/,390x844",
        "/sets,1280x800",
        "/sets,390x844",
        "/hands,1280x800",
        "/hands,1024x768",
        "/hands,390x844",
        "chart,1280x800",
        "chart,1024x768",
        "chart,390x844",
        "left-hand,1280x800",
        "left-hand,1024x768",
        "left-hand,390x844",
        "right-hand,1280x800",
        "right-hand,1024x768",
        "right-hand,390x844",
        "colour,1280x800",
        "colour,1024x768",
        "colour,390x844",
        "practise,1280x800",
        "practise,1024x768",
        "practise,390x844",
        "sheet,1280x800",
        "sheet,1024x768",
        "sheet,390x844",
        "stage,1280x800",
        "stage,1024x768",
        "stage,390x844"
    })
    void all_of_it_and_what_opens_is_there_to_be_seen_and_pressed(String view, String size) {
        boolean touched = !size.startsWith("1280");
        Page page = open(view, size);
        SoftAssertions all = new SoftAssertions();
        look(all, page, view, touched);
        for (String opens : OPENS.getOrDefault(view, List.of())) {
            Locator button = page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName(opens.replaceAll("[!/]", ""))
                                    .setExact(opens.contains("!")))
                    .first();
            if (button.count() > 0 && button.isVisible() && button.isEnabled()) {
                button.click();
                Stage.settled(page);
                look(all, page, opens, touched);
                if (!opens.endsWith("/")) {
                    page.keyboard().press("Escape");
                }
            }
        }
        all.assertAll();
    }

    private static void look(SoftAssertions all, Page page, String what, boolean touched) {
        all.assertThat(found(page, touched)).as(what).isEmpty();
        if (!touched) {
            all.assertThat(Stage.axe(page)).as("axe: " + what).isEmpty();
        }
    }

    /** A page that is wrong is found out. */
    @Test
    void what_is_off_cut_covered_and_too_small_is_told() {
        Page page = open("left-hand", "1024x768");
        page.evaluate("() => { const wrong = document.createElement('div'); wrong.innerHTML = `<button "
                + "style=\"position:fixed;left:1000px;top:300px;width:90px\">gone</button><p "
                + "style=\"position:fixed;left:300px;top:300px;width:40px;overflow:hidden;white-space:nowrap\">"
                + "much too long for this</p><button data-small "
                + "style=\"position:fixed;left:300px;top:402px;z-index:99\">one "
                + "word</button><button "
                + "style=\"position:fixed;left:330px;top:404px;z-index:98;height:20px!important;min-height:20px!important;width:120px\">other word</button>`; document.body.append(wrong);"
                + " document.querySelector('.score svg g.harm').setAttribute('transform', 'translate(0 "
                + "1800)'); }");
        assertThat(found(page, true))
                .anyMatch(each -> each.startsWith("off the screen") && each.endsWith("gone"))
                .anyMatch(each -> each.startsWith("cut"))
                .anyMatch(each -> each.startsWith("over “"))
                .anyMatch(each -> each.contains("pixels to press") && each.endsWith("other word"))
                .anyMatch(each -> each.startsWith("chord symbol"));
    }

    /** A panel folded away leaves its room to the staff, in every song, and comes back at a press. */
    @Test
    void panels_fold() {
        Page page = open("left-hand", "1024x768");
        Locator staff = page.locator("div.score");
        double before = staff.boundingBox().width;
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Fold Figures away"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Fold Choices away"))
                .click();
        assertThat(staff.boundingBox().width).isGreaterThan(before + 300);
        page.reload();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show Figures"))
                .click();
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Figures"))
                .waitFor();
    }

    /**
     * Lines of a staff lie 8 pixels apart or more where eight bars of two hands stand in two systems, nearly 10 where
     * it is four, and the step line is seen below them.
     */
    @Test
    void a_staff_is_read_from_the_bench() {
        Page page = open("left-hand", "1280x800");
        page.waitForCondition(() -> page.locator(".score g.measure").count() == 8);
        assertThat(space(page)).isGreaterThanOrEqualTo(7.8);
        Locator steps = page.getByRole(
                AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Step line of bar 1:")));
        Locator floor = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Transport and keyboard"));
        assertThat(steps.boundingBox().y + steps.boundingBox().height).isLessThan(floor.boundingBox().y);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("large").setExact(true))
                .click();
        page.waitForCondition(() -> page.locator(".score g.measure").count() == 4);
        assertThat(space(page)).isGreaterThanOrEqualTo(9.5);
        assertThat(page.locator(".score g.system").count()).isOne();
    }

    /** However many chords a bar has, each is whole on its plank, in both sizes. */
    @Test
    void every_chord_stands_on_its_plank() {
        String many = Stage.newSong(
                "Tempo: 92\n| Dm7 G7 Cmaj9 A7♭9 | Fm7 B♭7 E♭6 E°7 | C | Bm7♭5 E7♯9 Am6 A♭13 | D♭maj7/F G♭13 | "
                        + "E♭m7♭5 . A♭13 D♭6 |",
                "held");
        Page page = open("/songs/" + many + "/left-hand", "1280x800");
        for (String size : List.of("normal", "large")) {
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(size).setExact(true))
                    .click();
            page.waitForCondition(() -> "".equals(page.evaluate("""
                    () => [...document.querySelectorAll('[data-bar]')].filter((plank) => {
                      const box = plank.getBoundingClientRect();
                      return [...plank.querySelectorAll('.items-baseline > *')].some((chord) => {
                        const own = chord.getBoundingClientRect();
                        return own.left < box.left || own.right > box.right || own.top < box.top || own.bottom > \
                        box.bottom;
                      });
                    }).map((plank) => plank.getAttribute('aria-label')).join('; ')""")));
        }
    }

    /** A page that would be too high for the window has fewer bars, not smaller ones. */
    @Test
    void where_eight_bars_cannot_be_read_four_stand() {
        Page page = open("left-hand", "1280x660");
        page.waitForCondition(() -> page.locator(".score g.measure").count() == 4);
        page.getByText("Verse, bars 1–4").waitFor();
        page.locator("[data-bar='5']").click();
        page.waitForCondition(() -> page.locator(".score g.measure").count() == 1);
        assertThat(space(page)).isGreaterThanOrEqualTo(8);
    }

    private static double space(Page page) {
        return ((Number) page.evaluate("() => { const [one, two] = [...document.querySelector('.score "
                        + "g.staff').querySelectorAll(':scope > path')].map((line) => "
                        + "line.getBoundingClientRect().top); return two - one; }"))
                .doubleValue();
    }

    /** Bars large, normal and the whole song, by its control and by a key; on a phone two bars are engraved. */
    @Test
    void bars_have_a_size() {
        Page page = open("left-hand", "1280x800");
        Locator last = page.locator("[data-bar='7']");
        page.keyboard().press("b");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("whole song").setExact(true))
                .and(page.locator("[title^=Bars][aria-pressed=true]"))
                .waitFor();
        assertThat(last.boundingBox().x + last.boundingBox().width).isLessThan(1280);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("large").setExact(true))
                .click();
        assertThat(page.locator("[data-bar='0']").boundingBox().width).isGreaterThan(140);
        page.getByText("Verse, bars 1–4").waitFor();
        open("left-hand", "390x844").getByText("Verse, bars 1–2").waitFor();
    }
}
