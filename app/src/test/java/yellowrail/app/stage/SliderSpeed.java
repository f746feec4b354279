package yellowrail.app.stage;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * How long after a move of the idle slider the browser shows its tiles and chart: ten moves a second. Part of the bench run,
 * not of the tests. Argument: the port of a running application.
 */
final class SliderSpeed {
    private static final String MEASURE = """
            async () => {
              const slider = document.querySelector('input[name=idle]');
              const millis = [];
              for (let i = 0; i < 150; i++) {
                const start = performance.now();
                const before = document.body.dataset.shown;
                slider.value = 25 + i / 2;
                slider.dispatchEvent(new Event('input', { bubbles: true }));
                while (document.body.dataset.shown === before) await new Promise((r) => setTimeout(r, 1));
                await new Promise(requestAnimationFrame);
                millis.push(performance.now() - start);
                await new Promise((r) => setTimeout(r, Math.max(0, 100 - (performance.now() - start))));
              }
              return millis.sort((a, b) => a - b);
            }""";

    private SliderSpeed() {}

    public static void main(String[] arguments) {
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            Browser browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                            .setChromiumSandbox(false)
                            .setArgs(List.of("--disable-gpu", "--disable-background-networking", "--disable-sync")));
            Page page = browser.newPage();
            page.navigate("http://localhost:" + arguments[0] + "/stage?load=4.1k");
            page.waitForFunction("() => document.body?.dataset.swept === 'yes'");
            @SuppressWarnings("unchecked")
            List<Number> millis = (List<Number>) page.evaluate(MEASURE);
            System.out.printf(
                    Locale.ROOT,
                    "%d moves in the browser: p50 %.0f ms, p95 %.0f ms%n",
                    millis.size(),
                    millis.get(millis.size() / 2).doubleValue(),
                    millis.get((int) (0.95 * millis.size())).doubleValue());
        }
    }
}
