package org.brantel.e2e;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;

/** What of a page is cut off, covered or pushed out of it, at the design size, at 200 % zoom and on a phone. */
final class Layout {

    private record Window(int width, int height) {}

    private static final Window DESIGN = new Window(1280, 800);
    /** 1280 x 800 at 200 % is laid out as half of it. */
    private static final List<Window> WINDOWS = List.of(DESIGN, new Window(640, 400), new Window(390, 844));

    private static final String LOOK = script();

    private Layout() {}

    private static String script() {
        try (InputStream in = Objects.requireNonNull(Layout.class.getResourceAsStream("layout.js"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Sentences about what is wrong with the page as it stands, none where all is well; leaves it at the design size. */
    static List<String> faults(Page page) {
        try {
            return WINDOWS.stream().flatMap(w -> faults(page, w)).toList();
        } finally {
            page.setViewportSize(DESIGN.width(), DESIGN.height());
        }
    }

    private static Stream<String> faults(Page page, Window window) {
        page.setViewportSize(window.width(), window.height());
        // Instruments are drawn anew once they know how wide their place is.
        page.evaluate(
                "new Promise(done => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 50))))");
        return ((List<?>) page.evaluate(LOOK))
                .stream().map(fault -> page.url() + " at " + window.width() + ": " + fault);
    }
}
