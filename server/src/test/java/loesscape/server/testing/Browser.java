package loesscape.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Debian's Chromium, driven by Playwright. Errors on the console of any page fail the test. */
public final class Browser implements BeforeAllCallback, AfterEachCallback, AfterAllCallback {

    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-dev-shm-usage");
    /** In milliseconds; only what has gone wrong takes so long. */
    private static final int LONGEST_WAIT = 15_000;

    private static final Path AXE = Path.of("../web/node_modules/axe-core/axe.min.js");

    private final List<String> expected;
    private final List<AutoCloseable> open = new ArrayList<>();
    private final List<BrowserContext> contexts = new ArrayList<>();
    private final List<String> errors = new ArrayList<>();
    private com.microsoft.playwright.@org.jspecify.annotations.Nullable Browser browser;

    /** @param expected parts of errors on the console that the tests bring about on purpose */
    public Browser(String... expected) {
        this.expected = List.of(expected);
    }

    @Override
    public void beforeAll(ExtensionContext context) {
        Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        open.add(playwright);
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(chromium())
                        .setArgs(FLAGS));
    }

    /** The one without windows, where it is there: journeys take three quarters of the time in it. */
    private static Path chromium() {
        return Stream.of("chromium-headless-shell", "chromium")
                .flatMap(name -> Stream.of(System.getenv("PATH").split(":", -1)).map(folder -> Path.of(folder, name)))
                .filter(Files::isExecutable)
                .findFirst()
                .orElseThrow(() ->
                        new IllegalStateException("There is no chromium on the PATH; ./loesscape test installs it."));
    }

    /** A page as on a desk, in a browser of its own. */
    public Page desktop() {
        return page(new com.microsoft.playwright.Browser.NewContextOptions().setViewportSize(1280, 800));
    }

    /** A page as on a phone, in a browser of its own. */
    public Page phone() {
        return page(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(390, 844)
                .setHasTouch(true)
                .setIsMobile(true));
    }

    private Page page(com.microsoft.playwright.Browser.NewContextOptions options) {
        BrowserContext context = Objects.requireNonNull(browser).newContext(options);
        contexts.add(context);
        context.onConsoleMessage(message -> {
            boolean refusedOnPurpose = message.text().contains("status of 4")
                    || message.text().contains("status of 503")
                    || message.text().contains("net::ERR_")
                    || expected.stream().anyMatch(message.text()::contains);
            if (message.type().equals("error") && !refusedOnPurpose) {
                errors.add(message.text());
            }
        });
        context.onWebError(error -> errors.add(error.error()));
        Page page = context.newPage();
        page.setDefaultTimeout(LONGEST_WAIT);
        PlaywrightAssertions.setDefaultAssertionTimeout(LONGEST_WAIT);
        return page;
    }

    /**
     * Fails where axe finds something of serious or critical impact (WCAG 2.2 A and AA rules), once everything that is
     * still appearing is there.
     */
    public static void isAccessible(Page page) {
        isAccessible(page, "");
    }

    /** The same, where the targets of some elements may be small because the same can be done with others that are not. */
    public static void isAccessible(Page page, String mayBeSmall) {
        try {
            page.evaluate(Files.readString(AXE));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Object violations = page.evaluate("""
                async mayBeSmall => {
                  await Promise.allSettled(document.getAnimations().map(it => it.finished));
                  return (await axe.run(document, {
                  runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"] })).violations
                  .map(it => it.id === "target-size" && mayBeSmall ? { ...it, nodes: it.nodes.filter(node =>
                    !document.querySelector(node.target[0])?.matches(mayBeSmall)) } : it)
                  .filter(it => it.nodes.length)
                  .filter(it => it.impact === "serious" || it.impact === "critical")
                  .map(it => it.id + ": " + it.nodes.slice(0, 3).map(node => node.html.slice(0, 200)
                    + " " + (node.any[0] || node.all[0] || node.none[0] || {}).message).join(" | "));
                }
                """, mayBeSmall);
        assertThat((List<?>) violations).as("axe on %s", page.url()).isEmpty();
    }

    @Override
    public void afterEach(ExtensionContext context) {
        contexts.forEach(BrowserContext::close);
        contexts.clear();
        List<String> seen = List.copyOf(errors);
        errors.clear();
        assertThat(seen).as("errors on the console").isEmpty();
    }

    @Override
    public void afterAll(ExtensionContext context) throws Exception {
        Objects.requireNonNull(browser).close();
        for (AutoCloseable each : open) {
            each.close();
        }
    }
}
