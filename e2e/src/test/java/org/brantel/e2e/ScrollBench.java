package org.brantel.e2e;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.ManyFindings;
import org.brantel.server.testing.Story;

/**
 * How long the findings of a large case take to open in the browser, and how smoothly they scroll; run by
 * scripts/bench-scroll.
 */
public final class ScrollBench {

    private static final int ROUNDS = 20;
    private static final int SCROLLED_MILLIS = 20_000;
    /** Scrolls as fast as somebody who leans on the wheel, and notes when each frame came. */
    private static final String SCROLL = """
            millis => new Promise(done => {
              const at = [];
              const list = document.querySelector('.scroll');
              const begun = performance.now();
              let down = list.scrollTop;
              const step = now => {
                at.push(now);
                list.scrollTop = down += 60;
                if (now - begun < millis) requestAnimationFrame(step);
                else done(at);
              };
              requestAnimationFrame(step);
            })""";

    /** Notes when the first line is there; a test that asks from outside comes later than that. */
    private static final String NOTE = """
            new MutationObserver((_, watching) => {
              if (!document.querySelector('.nameb')) return
              window.readable = performance.now()
              watching.disconnect()
            }).observe(document, { childList: true, subtree: true })""";

    private final Lab lab = Lab.open();

    /** @param args findings of one case, pictures of another */
    public static void main(String[] args) {
        try {
            new ScrollBench().run(Integer.parseInt(args[0]), Integer.parseInt(args[1]));
            System.exit(0);
        } catch (IOException | RuntimeException e) {
            e.printStackTrace();
            System.exit(1);
        }
    }

    private void run(int findings, int pictures) throws IOException {
        String many = filled(ManyFindings.of(lab, findings), 1);
        String drawn = filled(ManyFindings.pictures(lab, pictures), 2);
        try (Chromium.Tab tab = Chromium.open(lab.address(), 1280, 800, ColorScheme.LIGHT)) {
            Page page = tab.page();
            new Steps(page).signIn("tom", Lab.PASSWORD);
            page.addInitScript(NOTE);
            opened(page, many, findings);
            scrolled(tab, ".nameb", String.format(Locale.ROOT, "a list of %,d findings", findings));
            page.navigate("/cases/" + drawn + "/selection");
            page.locator(".nameb").first().waitFor();
            page.locator("main").press("v");
            page.locator(".picture").first().waitFor();
            scrolled(
                    tab,
                    ".picture",
                    String.format(Locale.ROOT, "a sheet of %,d pictures, drawn while it goes", pictures));
            page.locator(".scroll").evaluate("list => list.scrollTop = 0");
            page.waitForTimeout(2000);
            scrolled(tab, ".picture", "the same once more");
        }
    }

    private String filled(ManyFindings some, long session) throws IOException {
        Story story = Story.of(new CaseForms());
        lab.own(Catalogues.class).merge(story.number, session, some.imaging(), some.file(), n -> {});
        return story.number;
    }

    /** From the address being entered until lines can be read. */
    private static void opened(Page page, String number, int findings) {
        double[] millis = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            page.navigate("/");
            page.navigate("/cases/" + number + "/selection");
            page.locator(".nameb").first().waitFor();
            millis[i] = ((Number) page.evaluate("window.readable")).doubleValue();
        }
        Arrays.sort(millis);
        say(
                "opening %,d findings in the browser: median %.0f ms, p95 %.0f ms",
                findings, millis[ROUNDS / 2], millis[ROUNDS * 19 / 20]);
    }

    private static void scrolled(Chromium.Tab tab, String line, String what) {
        Page page = tab.page();
        CDPSession inner = tab.context().newCDPSession(page);
        long before = heap(inner);
        @SuppressWarnings("unchecked")
        List<Number> at = (List<Number>) page.evaluate(SCROLL, SCROLLED_MILLIS);
        double[] gaps = new double[at.size() - 1];
        for (int i = 0; i < gaps.length; i++) {
            gaps[i] = at.get(i + 1).doubleValue() - at.get(i).doubleValue();
        }
        double all = Arrays.stream(gaps).sum();
        Arrays.sort(gaps);
        say(
                "%s: %.0f frames a second, p95 %.0f ms and p99 %.0f ms from one to the next, longest %.0f ms",
                what,
                gaps.length * 1000 / all,
                gaps[gaps.length * 95 / 100],
                gaps[gaps.length * 99 / 100],
                gaps[gaps.length - 1]);
        Object down = page.locator(".scroll").evaluate("list => Math.round(list.scrollTop)");
        say(
                "  %s points down, %d on the page at once, browser's heap %d MiB before and %d MiB after",
                down, page.locator(line).count(), before >> 20, heap(inner) >> 20);
        inner.detach();
    }

    private static long heap(CDPSession inner) {
        inner.send("HeapProfiler.collectGarbage");
        JsonObject heap = inner.send("Runtime.getHeapUsage");
        return heap.get("usedSize").getAsLong();
    }

    private static void say(String words, Object... values) {
        System.out.println(String.format(Locale.ROOT, words, values));
    }
}
