package org.pendrik.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;

/** Takes docs/screenshots again from the demonstration. */
public final class Screenshots {
    private static final Path FOLDER = Path.of("..", "docs", "screenshots");

    private Screenshots() {}

    /** Takes them. */
    public static void main(String[] args) {
        Map<String, String> views = new LinkedHashMap<>();
        views.put("today", "/");
        views.put("jobs", "/jobs");
        views.put("evenings", "/diary");
        views.put("shelf", "/shelf");
        views.put("thumb", "/thumb");
        views.put("workshop", "/workshop");
        for (String v : new String[] {"study", "makeup", "diary", "bench", "compare", "record"}) {
            views.put(v, "/jobs/J/" + v);
        }
        try (Server server = Server.demo();
                Browser browser = new Browser()) {
            String hopper = Jobs.id(server, "Peat hopper OVR 3041");
            for (var view : views.entrySet()) {
                shoot(
                        browser,
                        server.url(view.getValue().replace("J", hopper)),
                        view.getKey(),
                        "light",
                        1280,
                        800);
            }
            shoot(
                    browser,
                    server.url("/jobs/" + hopper + "/makeup"),
                    "makeup-dark",
                    "dark",
                    1280,
                    800);
            shoot(
                    browser,
                    server.url("/jobs/" + hopper + "/bench"),
                    "bench-telephone",
                    "light",
                    390,
                    844);
        }
        // the server and the browser that wait for another use end with it
        System.exit(0);
    }

    private static void shoot(
            Browser browser, String url, String name, String surround, int width, int height) {
        Page page = browser.page(width, height, surround);
        page.navigate(url);
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.evaluate("document.fonts.ready");
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
        page.context().close();
    }
}
