package org.jalousie.e2e;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.server.testbed.Testbed;

/** Debian's Chromium, headless, on the running application. Collects what the browser complains about. */
final class Browser implements AutoCloseable {
    private static final List<String> TAGS = List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");
    private static Playwright playwright;
    private static com.microsoft.playwright.Browser chromium;

    final Page page;
    final List<String> complaints = new ArrayList<>();
    private byte[] trace = {};
    private final BrowserContext context;
    private final String address;

    Browser(int width, int height) {
        this(width, height, Testbed.start().address());
    }

    /** On another application than the one that tests share. */
    Browser(int width, int height, String address) {
        this.address = address;
        start();
        context = chromium.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setAcceptDownloads(true));
        page = context.newPage();
        page.setDefaultTimeout(30_000);
        page.onPageError(complaints::add);
        page.onConsoleMessage(message -> {
            boolean refusedOnPurpose = message.text().contains("status of 4");
            if (message.type().equals("error") && !refusedOnPurpose) complaints.add(message.text());
        });
        page.onRequest(request -> {
            if (!request.url().startsWith(address)
                    && !request.url().startsWith("data:")
                    && !request.url().startsWith("blob:")) complaints.add("asked outside: " + request.url());
        });
    }

    private static synchronized void start() {
        if (playwright != null) return;
        com.microsoft.playwright.assertions.PlaywrightAssertions.setDefaultAssertionTimeout(15_000);
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        chromium = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-dev-shm-usage",
                                "--disable-gpu",
                                "--disable-background-networking")));
    }

    /** Opens an address, and waits for its letters: what is pressed while lines move isn't met. */
    Browser open(String path) {
        page.navigate(address + path);
        page.evaluate("document.fonts.ready.then(() => true)");
        return this;
    }

    Browser signIn() {
        open("/sign-in");
        page.getByLabel("Mail address").fill(Testbed.MAIL);
        page.getByLabel("Password").fill(Testbed.PASSWORD);
        button("Sign in").click();
        heading("Today").waitFor();
        return this;
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    /** Goes on once it is agreed to; pressed again, as a person would, where lines moved under the first press. */
    void goOnToSign() {
        Locator on = button("Go on to sign");
        on.click();
        try {
            on.waitFor(gone(8_000));
        } catch (TimeoutError e) {
            on.click();
            on.waitFor(gone(30_000));
        }
    }

    private static Locator.WaitForOptions gone(int milliseconds) {
        return new Locator.WaitForOptions()
                .setState(WaitForSelectorState.HIDDEN)
                .setTimeout(milliseconds);
    }

    Locator heading(String name) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
    }

    Locator link(String name) {
        return page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /**
     * WCAG 2.2 level A and AA, as far as axe can tell: the rules broken, with their places. It is run in the page itself and looks
     * into no frame: in one where no script may run it would wait for an answer for ever.
     */
    List<String> barriers() {
        page.evaluate(AxeBuilder.getAxeScript());
        Object found = page.evaluate(
                "async tags => (await axe.run(document, {iframes: false, runOnly: tags})).violations.map("
                        + "rule => `${rule.id}: ${rule.nodes[0].html} ${rule.nodes[0].failureSummary}`)",
                TAGS);
        return ((List<?>) found).stream().map(String::valueOf).toList();
    }

    /** What the browser did meanwhile, as a trace in its own format (JSON). */
    byte[] traced(Runnable what) {
        chromium.startTracing(page);
        try {
            what.run();
        } finally {
            trace = chromium.stopTracing();
        }
        return trace;
    }

    @Override
    public void close() {
        context.close();
    }
}
