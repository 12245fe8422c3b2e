package zapateo.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * Somebody's first minutes, in a browser that has nothing yet: chords typed, heard, another figure, the own hand
 * measured, all of it kept. Wanted: heard after 4 actions and 6 s.
 */
public final class Newcomer {

    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--autoplay-policy=no-user-gesture-required");
    private static final int PEOPLE = 5;
    private static final int SMALLEST = 171;
    private static final String HEARD = "() => (window.zapateo?.player.heard ?? []).length > 0";

    private final Page page;
    private final int mm;
    private final StringBuilder told = new StringBuilder();
    private final long began = System.nanoTime();
    private int actions;

    private Newcomer(Page page, int mm) {
        this.page = page;
        this.mm = mm;
    }

    /** @param arguments the server's address */
    public static void main(String[] arguments) {
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            Browser browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(FLAGS));
            for (int person = 0; person < PEOPLE; person++) {
                Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
                page.navigate(arguments[0]);
                Newcomer newcomer = new Newcomer(page, SMALLEST + person);
                newcomer.plays();
                System.out.println("newcomer: " + newcomer.told);
                page.close();
            }
        }
    }

    private void plays() {
        acts(() -> page.getByLabel("A new song: its chords").fill("C Am7 F G7"));
        acts(() -> page.keyboard().press("Enter"));
        page.locator(".score[data-ready=yes]").waitFor();
        reached("seen on the staff");
        acts(() -> page.keyboard().press("Space"));
        page.waitForFunction(HEARD);
        reached("heard");
        acts(() -> page.locator("[aria-label=Figures] button[aria-pressed=false]")
                .first()
                .click());
        acts(() -> page.keyboard().press("Space"));
        reached("another figure");
        acts(() -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("My hands"))
                .first()
                .click());
        acts(() -> page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Measure (my hands|another pair)")))
                .click());
        acts(() -> page.getByRole(
                        AriaRole.SPINBUTTON,
                        new Page.GetByRoleOptions().setName("Thumb to little finger, left hand, in millimetres"))
                .fill(String.valueOf(mm)));
        page.waitForFunction(
                "async () => (await (await fetch('/api/hands')).text()).includes('\"spanMm\":" + mm + "')");
        reached("the hand measured and kept");
    }

    private void acts(Runnable action) {
        actions++;
        action.run();
    }

    private void reached(String what) {
        told.append(told.isEmpty() ? "" : "; ")
                .append(what)
                .append(" after ")
                .append(actions)
                .append(" actions, ")
                .append(String.format(java.util.Locale.ROOT, "%.1f s", (System.nanoTime() - began) / 1e9));
    }
}
