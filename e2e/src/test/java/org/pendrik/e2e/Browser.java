package org.pendrik.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Stream;

/**
 * Debian's Chromium, and a page whose console errors are remembered. Each has windows of its own;
 * the program is one that others may have used before.
 */
final class Browser implements AutoCloseable {
    private static final List<String> FLAGS =
            List.of(
                    "--no-sandbox",
                    "--disable-gpu",
                    "--disable-background-networking",
                    "--disable-component-update",
                    "--disable-sync",
                    "--no-first-run");

    private static final Path PROGRAM =
            Stream.of("/usr/bin/chromium-headless-shell", "/usr/bin/chromium")
                    .map(Path::of)
                    .filter(Files::exists)
                    .findFirst()
                    .orElseThrow(
                            () -> new IllegalStateException("install chromium-headless-shell"));

    private static final double SLOWEST_MS = 30_000;

    /** Programs that nobody uses now. */
    private static final Queue<com.microsoft.playwright.Browser> IDLE =
            new ConcurrentLinkedQueue<>();

    private final com.microsoft.playwright.Browser browser;
    private final List<String> errors = new ArrayList<>();

    Browser() {
        // a comparison is measured anew after every mark that is moved; on a busy machine they
        // queue
        PlaywrightAssertions.setDefaultAssertionTimeout(SLOWEST_MS);
        com.microsoft.playwright.Browser idle = IDLE.poll();
        browser = idle == null ? launched() : idle;
    }

    private static com.microsoft.playwright.Browser launched() {
        // it ends with the process of the tests
        return Playwright.create(
                        new Playwright.CreateOptions()
                                .setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))
                .chromium()
                .launch(new BrowserType.LaunchOptions().setExecutablePath(PROGRAM).setArgs(FLAGS));
    }

    /** A page of this size on this surround: light, dark or grey. */
    Page page(int width, int height, String surround) {
        return page(width, height, surround, Moment.OF_THIS_RUN.zone());
    }

    /** The same on a device that thinks itself in that time zone. */
    Page page(int width, int height, String surround, String zone) {
        BrowserContext context =
                browser.newContext(
                        new com.microsoft.playwright.Browser.NewContextOptions()
                                .setViewportSize(width, height)
                                .setTimezoneId(zone)
                                .setLocale("en-GB"));
        context.addInitScript(
                "localStorage.getItem('theme') || localStorage.setItem('theme', '"
                        + surround
                        + "')");
        Page page = context.newPage();
        page.setDefaultTimeout(SLOWEST_MS);
        page.onConsoleMessage(
                m -> {
                    if (m.type().equals("error") || m.type().equals("warning")) {
                        errors.add(m.text() + " at " + page.url());
                    }
                });
        page.onPageError(e -> errors.add(e + " at " + page.url()));
        return page;
    }

    /** Keeps a picture of every page that is open, for whoever looks at a failure. */
    void picture(String name) {
        for (BrowserContext c : browser.contexts()) {
            for (Page p : c.pages()) {
                p.screenshot(
                        new Page.ScreenshotOptions()
                                .setPath(Path.of("target", "failed", name + ".png"))
                                .setFullPage(true));
            }
            c.close();
        }
    }

    /**
     * What went wrong in the console since the last time; answers that were meant to be refused are
     * not counted.
     */
    List<String> errors() {
        List<String> out =
                errors.stream().filter(e -> !e.contains("422") && !e.contains("409")).toList();
        errors.clear();
        return out;
    }

    @Override
    public void close() {
        List.copyOf(browser.contexts()).forEach(BrowserContext::close);
        if (browser.isConnected()) {
            IDLE.add(browser);
        }
    }
}
