package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.BoundingBox;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Times tasks as a practised person would take for them: what is typed, pointed at and thought costs what the
 * keystroke-level model gives for it (Card, Moran and Newell 1980), what the lab takes is measured.
 */
final class StopWatch {

    /** Seconds of a key, of pointing and clicking, and of making up one's mind. */
    private static final double KEY = 0.2;

    private static final double POINT = 1.3;
    private static final double THINK = 1.35;

    /**
     * A task as it went.
     *
     * @param waited seconds until the lab had done its part
     * @param doubts how often the next step was not in sight, so that it had to be looked for
     */
    record Took(String who, String task, int keys, int clicks, int thoughts, double waited, int doubts) {

        double seconds() {
            return keys * KEY + clicks * POINT + thoughts * THINK + waited;
        }

        String row() {
            return String.format(
                    Locale.ROOT,
                    "| %s | %s | %.0f | %.1f | %d | %d | %d |",
                    who,
                    task,
                    seconds(),
                    waited,
                    keys,
                    clicks,
                    doubts);
        }
    }

    private final Page page;
    private final List<Took> tasks = new ArrayList<>();
    private int keys;
    private int clicks;
    private int thoughts;
    private int doubts;
    private double waited;

    StopWatch(Page page) {
        this.page = page;
    }

    /** Typed where the cursor stands. */
    void type(String text) {
        thoughts++;
        keys += text.length();
        page.keyboard().type(text);
    }

    /** Typed into a field that is pointed at. */
    void type(Locator field, String text) {
        click(field);
        type(text);
    }

    /** A key, or keys held together. */
    void press(String key) {
        thoughts++;
        keys += key.split("\\+").length;
        page.keyboard().press(key);
    }

    void click(Locator what) {
        waitFor(what);
        thoughts++;
        clicks++;
        if (!isInSight(what)) {
            doubts++;
        }
        what.click();
    }

    private boolean isInSight(Locator what) {
        BoundingBox box = what.boundingBox();
        return box != null && box.y >= 0 && box.y + box.height <= page.viewportSize().height;
    }

    /** Until the lab shows something; that is where its own seconds go. */
    void waitFor(Locator what) {
        long since = System.nanoTime();
        assertThat(what).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
        waited += (System.nanoTime() - since) / 1e9;
    }

    /** Until something is gone. */
    void waitUntilGone(Locator what) {
        long since = System.nanoTime();
        assertThat(what).not().isVisible();
        waited += (System.nanoTime() - since) / 1e9;
    }

    /** The task is done; the next one begins. */
    void done(String who, String task) {
        tasks.add(new Took(who, task, keys, clicks, thoughts, waited, doubts));
        afresh();
    }

    /** What was done so far belongs to no task. */
    void afresh() {
        keys = 0;
        clicks = 0;
        thoughts = 0;
        doubts = 0;
        waited = 0;
    }

    List<Took> tasks() {
        return List.copyOf(tasks);
    }
}
