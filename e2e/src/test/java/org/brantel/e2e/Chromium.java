package org.brantel.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Debian's Chromium, started once for all tests of a JVM. */
final class Chromium {

    private static final List<String> ARGUMENTS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    private static Browser browser;

    private Chromium() {}

    private static synchronized Browser browser() {
        if (browser == null) {
            Playwright playwright = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
            // A busy machine is slow, not wrong.
            PlaywrightAssertions.setDefaultAssertionTimeout(60_000);
            String chromium = System.getenv().getOrDefault("BRANTEL_CHROMIUM", "/usr/bin/chromium");
            browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of(chromium))
                            .setArgs(ARGUMENTS));
            Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
        }
        return browser;
    }

    /** A tab of its own, with its own cookies. Faults that its page logs are collected. */
    record Tab(BrowserContext context, Page page, List<String> faults) implements AutoCloseable {
        @Override
        public void close() {
            context.close();
        }
    }

    static Tab open(String address, int width, int height, ColorScheme scheme) {
        BrowserContext context = browser()
                .newContext(new Browser.NewContextOptions()
                        .setBaseURL(address)
                        .setViewportSize(width, height)
                        // Colours are judged as they come to rest, not half way through a fade.
                        .setReducedMotion(ReducedMotion.REDUCE)
                        .setColorScheme(scheme)
                        .setLocale("en-GB")
                        .setAcceptDownloads(true)
                        .setPermissions(List.of("clipboard-read", "clipboard-write")));
        context.setDefaultTimeout(90_000);
        Page page = context.newPage();
        List<String> faults = new ArrayList<>();
        page.onPageError(faults::add);
        page.onConsoleMessage(m -> {
            // The browser itself logs every refused request; those are looked at where they matter.
            if (m.type().equals("error") && !m.text().startsWith("Failed to load resource")) {
                faults.add(m.text());
            }
        });
        return new Tab(context, page, faults);
    }

    static Tab open(String address) {
        return open(address, 1280, 800, ColorScheme.LIGHT);
    }
}
