package yellowrail.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;

/** Drives the real pages in headless Chromium; no page may log an error or ask anything of another machine. */
public abstract class BrowserIT extends AppIT {
    /** How long a page may take on a busy machine before a test gives up. */
    private static final int PATIENCE_MILLIS = 40_000;

    /** One browser for all tests of a process: each starts with a context of its own, as a private window does. */
    private static Browser browser;

    protected BrowserContext context;
    protected Page page;
    private final List<String> console = new ArrayList<>();
    private final List<String> outside = new ArrayList<>();

    @BeforeAll
    static synchronized void launch() {
        if (browser != null) {
            return;
        }
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MILLIS);
        Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of(System.getProperty("chromium", "/usr/bin/chromium-headless-shell")))
                        .setHeadless(true)
                        .setChromiumSandbox(false)
                        .setArgs(List.of(
                                "--disable-gpu",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
    }

    @BeforeEach
    void open() {
        context = browser.newContext(screen());
        // Each step of a journey goes to its stop itself; those that try going on by itself wish it.
        if (!goesOnByItself()) {
            context.addInitScript("localStorage.getItem('goOn') || localStorage.setItem('goOn', 'off')");
        }
        page = tab();
    }

    protected Browser.NewContextOptions screen() {
        return new Browser.NewContextOptions().setViewportSize(1280, 800);
    }

    /** Whether the session's page goes on by itself once a stop is done, as it does for builders. */
    protected boolean goesOnByItself() {
        return false;
    }

    protected Page tab() {
        Page tab = context.newPage();
        tab.setDefaultTimeout(PATIENCE_MILLIS);
        tab.onConsoleMessage(m -> {
            // A refused form answers 4xx on purpose; Chromium logs that as an error of its own.
            boolean refused = m.text().matches("Failed to load resource: .* status of (409|422|503).*");
            // A newer question replaces one under way, which htmx reports.
            boolean replaced = m.text().matches("htmx:(afterRequest|sendAbort), .*");
            if (!replaced && (m.type().equals("error") || m.type().equals("warning")) && !refused) {
                console.add(m.type() + ": " + m.text());
            }
        });
        tab.onPageError(e -> console.add("error: " + e));
        tab.onRequest(r -> {
            if (!r.url().startsWith("http://localhost:" + port + "/")
                    && !r.url().startsWith("data:")) {
                outside.add(r.url());
            }
        });
        return tab;
    }

    @AfterEach
    void shut() {
        context.close();
        assertThat(console).isEmpty();
        assertThat(outside).isEmpty();
    }

    protected String url(String path) {
        return "http://localhost:" + port + path;
    }

    /**
     * Nothing found by axe in the light theme as wide as a desk; in the dark one as narrow as a phone nothing of what colours
     * and sizes change; and nothing wider than the screen in either.
     */
    protected void looksRight() {
        looksRight(ColorScheme.LIGHT, 1280, 800, "");
        looksRight(
                ColorScheme.DARK,
                390,
                844,
                ", runOnly: ['color-contrast', 'target-size', 'scrollable-region-focusable']");
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
        page.setViewportSize(1280, 800);
    }

    private void looksRight(ColorScheme scheme, int width, int height, String what) {
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
        page.setViewportSize(width, height);
        // The rail stays in sight: what it happens to half cover, wherever the page was scrolled to, is no small
        // target.
        page.evaluate("() => window.scrollTo(0, 0)");
        // What a script draws anew for another width is given a moment to do it.
        page.evaluate("() => new Promise((done) => { const from = Date.now(); const look = () =>"
                + " document.documentElement.scrollWidth <= window.innerWidth || Date.now() - from > 3000 ? done() :"
                + " requestAnimationFrame(look); look(); })");
        assertThat(page.evaluate("() => document.documentElement.scrollWidth - window.innerWidth"))
                .as(page.url() + " is wider than " + width)
                .isEqualTo(0);
        if (page.evaluate("() => typeof window.axe").equals("undefined")) {
            page.evaluate(AXE);
        }
        assertThat(page.evaluate(LOOKED_AT.formatted(what)))
                .as(page.url() + " " + scheme + " " + width)
                .isEqualTo(List.of());
    }

    /** The checker itself, put into a page once and asked twice: its builder puts it into every frame for each question. */
    private static final String AXE = resource("/axe.min.js");

    private static final String LOOKED_AT =
            "async () => (await axe.run(document, {resultTypes: ['violations']%s})).violations"
                    + ".map(v => `${v.id}: ${v.help}: ${v.nodes.map(n => n.html).join(' | ')}`)";

    private static String resource(String name) {
        try (InputStream in = BrowserIT.class.getResourceAsStream(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException unread) {
            throw new UncheckedIOException(unread);
        }
    }
}
