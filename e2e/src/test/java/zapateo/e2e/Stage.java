package zapateo.e2e;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.google.gson.Gson;
import com.google.gson.JsonObject;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;
import zapateo.server.Await;
import zapateo.server.RealServer;

/**
 * Debian's Chromium before the real application. Each test gets a fresh tab of a browser that remembers nothing of the
 * tests before but what it has compiled, which was a third of all time; what goes wrong in it unasked fails it.
 */
final class Stage implements BeforeAllCallback, BeforeEachCallback, AfterEachCallback {

    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--autoplay-policy=no-user-gesture-required",
            "--host-resolver-rules=MAP ferry.example 127.0.0.1",
            "--disable-features=LocalNetworkAccessChecks,BlockInsecurePrivateNetworkRequests");
    /** Debian's headless Chromium; the whole one where only that is there, which takes a third longer. */
    private static final Path PROGRAM = Stream.of("/usr/lib/chromium/chromium-headless-shell", "/usr/bin/chromium")
            .map(Path::of)
            .filter(Files::isExecutable)
            .findFirst()
            .orElseThrow();

    private static final Duration QUIET_WITHIN = Duration.ofSeconds(3);
    private static final String KEPT_BY_PAGES =
            "cookies,local_storage,indexeddb,cache_storage,service_workers,file_systems";
    private static BrowserContext window;
    /** What each tab has asked for and not got yet. */
    private static final Map<Page, Set<Request>> UNDER_WAY = new IdentityHashMap<>();

    private final List<String> strangers = new ArrayList<>();
    private final List<String> crashes = new ArrayList<>();
    private Page page;
    private boolean visits;

    /** For tests in which a page of another origin is opened. */
    Stage visitingOthers() {
        visits = true;
        return this;
    }

    @Override
    public void beforeAll(ExtensionContext junit) {
        server().beforeAll(junit);
        if (window == null) {
            Playwright playwright = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
            Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
            window = playwright
                    .chromium()
                    .launchPersistentContext(
                            profile(),
                            new BrowserType.LaunchPersistentContextOptions()
                                    .setExecutablePath(PROGRAM)
                                    .setArgs(FLAGS)
                                    .setBaseURL(server().address())
                                    .setAcceptDownloads(true)
                                    .setViewportSize(1280, 800));
            window.setDefaultTimeout(Await.PATIENCE.toMillis());
            PlaywrightAssertions.setDefaultAssertionTimeout(Await.PATIENCE.toMillis());
        }
    }

    /** Begun anew by each process of the tests. */
    private static Path profile() {
        Path profile = Path.of("target", "browser" + System.getProperty("zapateo.fork", ""))
                .toAbsolutePath();
        try {
            FileSystemUtils.deleteRecursively(profile);
            return Files.createDirectories(profile);
        } catch (IOException unwritable) {
            throw new UncheckedIOException(unwritable);
        }
    }

    @Override
    public void beforeEach(ExtensionContext junit) {
        page = open();
    }

    /** A fresh tab of another size in place of the usual one; a touched one is a phone's or a tablet's. */
    Page window(int width, int height, boolean touched) {
        leave();
        page = open();
        page.setViewportSize(width, height);
        if (touched) {
            CDPSession session = window.newCDPSession(page);
            session.send(
                    "Emulation.setDeviceMetricsOverride",
                    told(Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", true)));
            session.send("Emulation.setTouchEmulationEnabled", told(Map.of("enabled", true)));
        }
        return page;
    }

    /**
     * The tabs are closed, and what their pages kept in the browser is gone. The first tab is nobody's: it keeps the
     * browser open.
     */
    private static void leave() {
        List<Page> tabs = List.copyOf(window.pages());
        tabs.subList(1, tabs.size()).forEach(Page::close);
        CDPSession session = window.newCDPSession(tabs.get(0));
        session.send("Storage.clearDataForOrigin", told(Map.of("origin", "*", "storageTypes", KEPT_BY_PAGES)));
        session.detach();
    }

    private static JsonObject told(Map<String, Object> what) {
        return new Gson().toJsonTree(what).getAsJsonObject();
    }

    /** No script broke in any tab, and nothing was asked of anybody else. */
    @Override
    public void afterEach(ExtensionContext junit) {
        List<String> broken = List.copyOf(crashes);
        List<String> asked = List.copyOf(strangers);
        leave();
        UNDER_WAY.clear();
        strangers.clear();
        crashes.clear();
        // The next test is played by nobody's hands again.
        server().get("/api/hands")
                .json()
                .forEach(each -> server().delete("/api/hands/" + each.path("id").asString()));
        Assertions.assertThat(broken).as("scripts that broke").isEmpty();
        if (!visits) {
            Assertions.assertThat(asked).as("requests to anybody else").isEmpty();
        }
    }

    static RealServer server() {
        return RealServer.shared();
    }

    Page page() {
        return page;
    }

    /** Another tab of the same window. */
    Page open() {
        Page tab = window.newPage();
        tab.onPageError(crashes::add);
        Set<Request> underWay = Collections.newSetFromMap(new IdentityHashMap<>());
        UNDER_WAY.put(tab, underWay);
        tab.onRequest(underWay::add);
        // What the page before had asked for is told no end.
        tab.onDOMContentLoaded(page -> underWay.clear());
        tab.onRequestFinished(underWay::remove);
        tab.onRequestFailed(underWay::remove);
        tab.onRequest(request -> {
            if (!request.url().startsWith(server().address())
                    && !request.url().startsWith("blob:")
                    && !request.url().startsWith("data:")) {
                strangers.add(request.url());
            }
        });
        return tab;
    }

    /** What the server has at a path, once it is as expected. */
    static JsonNode kept(Page page, String path, Predicate<String> expected) {
        page.waitForCondition(() -> expected.test(server().get(path).text()));
        return server().get(path).json();
    }

    /** Nothing is fetched any more; what a browser never tells the end of is waited for a moment only. */
    private static void quiet(Page page) {
        long latest = System.nanoTime() + QUIET_WITHIN.toNanos();
        page.waitForCondition(() -> UNDER_WAY.get(page).isEmpty() || System.nanoTime() > latest);
    }

    /** Nothing is fetched any more, and nothing moves. */
    static void settled(Page page) {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        quiet(page);
        page.waitForFunction("() => document.getAnimations().every((each) => each.playState !== 'running')");
    }

    /**
     * What axe finds, of any grade, but on the engraved music; what it finds well is not told, which took most of its
     * time.
     */
    static List<String> axe(Page page) {
        AxeRunOptions options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        return new AxeBuilder(page)
                        .exclude(".score svg")
                        .exclude(".sheet svg")
                        .options(options)
                        .setLegacyMode(true)
                        .analyze()
                        .getViolations()
                        .stream()
                        .map(rule -> rule.getImpact() + " " + rule.getId() + ": "
                                + rule.getNodes().get(0).getHtml())
                        .toList();
    }

    static String newSong(String chart, String figure) {
        return server().post("/api/songs", Map.of("chart", chart, "choices", Map.of("figure", figure)))
                .json()
                .path("id")
                .asString();
    }

    /**
     * A song at one of its hands' views, once its staff is engraved and all that is beside it is there: what comes late
     * moves what is pressed.
     */
    Page atScore(String song, String view) {
        page.navigate("/songs/" + song + "/" + view);
        page.locator(".score[data-ready=yes]").waitFor();
        quiet(page);
        return page;
    }

    /** The button of that name. */
    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Buttons whose names match. */
    static Locator buttonLike(Page page, String pattern) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(pattern)));
    }
}
