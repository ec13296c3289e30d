package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Recordings;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A catalogue is asked, what it holds is looked at and heard, and versions are held against each other. */
class LookingTest {

    private static final int SLOT = 1 << 20;

    private final Lab lab = Lab.open();
    private final List<Finding> findings = new ArrayList<>();
    private final List<byte[]> contents = new ArrayList<>();

    private void lay(String path, Origin origin, String day, byte[] content) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        long at = (long) contents.size() * SLOT;
        findings.add(new Finding(
                contents.size(),
                origin == Origin.EARLIER ? 1 : 0,
                origin,
                Named.of(path, name),
                new Times(null, Instant.parse(day + "T10:00:00Z"), null),
                new Verdict(Prognosis.WHOLE, 80, List.of("seen")),
                Content.of(
                        content.length,
                        name.substring(name.lastIndexOf('.') + 1),
                        List.of(new Extent(at, content.length))),
                Evidence.NONE));
        contents.add(Arrays.copyOf(content, SLOT));
    }

    private Story found(Path made) throws IOException, InterruptedException {
        lay("/Films/Hive door.mp4", Origin.LIVE, "2026-05-04", Recordings.film(made, 30));
        lay("/Films/Swarm.mp3", Origin.DELETED, "2026-05-09", Recordings.song(made, 70));
        byte[] log = "north 31.5 kg\n".repeat(200).getBytes(StandardCharsets.US_ASCII);
        lay("/Logs/Weights.txt", Origin.LIVE, "2026-05-20", log);
        byte[] before = log.clone();
        before[1200] = '9';
        lay("/Logs/Weights.txt", Origin.EARLIER, "2025-11-02", before);
        lay("/Logs/Frost.txt", Origin.LIVE, "2026-01-20", "frost\n".getBytes(StandardCharsets.US_ASCII));
        Path image = lab.inbox().resolve("looking.img");
        Files.write(image, new byte[0]);
        for (byte[] c : contents) {
            Files.write(image, c, StandardOpenOption.APPEND);
        }
        Story story = Story.of(new CaseForms()).decided().imaged("inbox/looking.img");
        lab.bean(Catalogues.class)
                .merge(story.number, 1, story.session().get("id").asLong(), findings);
        return story;
    }

    @Test
    void whatIsThereIsAskedForLookedAtAndHeard(@TempDir Path made) throws IOException, InterruptedException {
        Story story = found(made);
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("tom", Lab.PASSWORD);
            page.navigate("/cases/" + story.number + "/selection");
            Locator rows = page.locator("table.lines tr.finding");
            Locator field = page.getByLabel("Ask for findings");
            asks(page, field, rows);
            plays(page, field, rows);
            compares(page, field, rows);
            remarks(page, field, rows);
            readsInside(page, field, rows);
            choosesAndLaysOut(page, field, rows);
            assertThat(tab.faults()).isEmpty();
        }
    }

    private static void asks(Page page, Locator field, Locator rows) {
        assertThat(rows).hasCount(5);
        page.keyboard().press("/");
        page.keyboard().type("texts since 2026 or films");
        assertThat(page.getByRole(AriaRole.GROUP, named("As it was read"))).containsText("any film");
        field.fill("since 2026, not in Films, over 1 kb");
        assertThat(rows).hasCount(1);
        assertThat(page).hasURL(Pattern.compile("q=since"));
        // One key takes a part away, and what joined it.
        field.press("ArrowDown");
        assertThat(page.locator(".part:focus")).containsText("since 2026");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Delete");
        assertThat(field).hasValue("since 2026, not in Films");
        assertThat(rows).hasCount(2);
        field.fill("deleted, over 5");
        assertThat(page.getByText("A size needs a unit, like 5 mb.")).isVisible();
        assertThat(rows).hasCount(1);
        // What a word means is a choice: it can be taken as the letters that it is.
        field.fill("deleted");
        field.press("ArrowDown");
        assertThat(page.locator(".part:focus")).containsText("deleted");
        page.keyboard().press("t");
        assertThat(field).hasValue("\"deleted\"");
        assertThat(page.getByText("No finding passes this filter.")).isVisible();
        field.fill("recordings or films");
        assertThat(rows).hasCount(2);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("keep this question"))
                .click();
        field.fill("frost");
        assertThat(rows).hasCount(1);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions()
                                .setName("recordings or films")
                                .setExact(true))
                .click();
        assertThat(field).hasValue("recordings or films");
        assertThat(rows).hasCount(2);
    }

    /** In both themes. */
    private static void everybody(Page page) {
        assertThat(Axe.faults(page)).isEmpty();
        page.evaluate("document.documentElement.dataset.bsTheme = 'dark'");
        assertThat(Axe.faults(page)).isEmpty();
        page.evaluate("document.documentElement.dataset.bsTheme = 'light'");
    }

    private static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    private static void open(Locator field, Locator rows, String question, String name) {
        field.fill(question);
        assertThat(rows).hasCount(1);
        assertThat(rows.first()).containsText(name);
        rows.first().dblclick();
    }

    private static void plays(Page page, Locator field, Locator rows) {
        open(field, rows, "films", "Hive door.mp4");
        Locator frames = page.locator(".strip img");
        assertThat(frames).hasCount(8);
        page.waitForCondition(() -> (Boolean) frames.nth(7)
                .evaluate("img => { img.scrollIntoView(); return img.complete && img.naturalWidth == 160 }"));
        page.getByRole(AriaRole.BUTTON, named("Play from 0:09").setExact(true)).click();
        moves(page, "video");
        page.locator("ol.strip").evaluate("s => s.scrollIntoView({ block: 'start' })");
        assertThat((Integer) page.evaluate("document.documentElement.scrollHeight - innerHeight"))
                .as("the frame stands still")
                .isZero();
        everybody(page);
        open(field, rows, "sound", "Swarm.mp3");
        assertThat(page.getByRole(AriaRole.IMG, named("How loud it is over 1:10")))
                .isVisible();
        page.getByRole(AriaRole.BUTTON, named("Play from 0:00")).click();
        moves(page, "audio");
        everybody(page);
        assertThat(page.getByRole(AriaRole.BUTTON, named("go on from 1:00"))).isVisible();
    }

    /** It is decoded, and its time goes on. */
    private static void moves(Page page, String player) {
        page.waitForCondition(() ->
                (Boolean) page.locator(player).evaluate("p => { p.play(); return p.currentTime > 0.3 && !p.error }"));
    }

    private static void compares(Page page, Locator field, Locator rows) {
        open(field, rows, "live Weights", "Weights.txt");
        Locator versions = page.getByRole(AriaRole.REGION, named("2 versions of one place"));
        assertThat(versions).containsText("1 of 2,800 bytes differs.");
        assertThat(versions.locator("pre")).hasCount(2);
        everybody(page);
        versions.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Choose this one"))
                .first()
                .click();
        assertThat(page.locator(".chosen")).containsText("1 whole");
        versions.getByText("choose all 2").click();
        assertThat(page.locator(".chosen")).containsText("2 whole");
        page.keyboard().press("u");
        assertThat(page.locator(".chosen")).containsText("1 whole");
    }

    private static void remarks(Page page, Locator field, Locator rows) {
        open(field, rows, "called Frost.txt", "Frost.txt");
        page.locator("main").press("y");
        assertThat(rows.first()).containsText("theirs");
        page.locator("main").press("m");
        page.keyboard().type("winter");
        page.keyboard().press("Enter");
        assertThat(rows.first()).containsText("winter");
        page.getByLabel("Name in the delivery").fill("Frost of January.txt");
        page.getByLabel("Name in the delivery").press("Enter");
        assertThat(rows.first()).containsText("Frost of January.txt");
        assertThat(page.locator(".proof")).containsText("Found as");
        page.getByLabel("Note").fill("asked for on the telephone");
        page.getByLabel("Note").blur();
        assertThat(rows.first()).containsText("note");
        everybody(page);
        field.fill("theirs, tagged winter, with a note");
        assertThat(rows).hasCount(1);
        page.locator("main").press("u");
        assertThat(page.getByText("No finding passes this filter.")).isVisible();
        field.fill("not theirs");
        assertThat(page.getByText("No finding passes this filter.")).isVisible();
        field.fill("January");
        assertThat(rows).hasCount(1);
    }

    private static void readsInside(Page page, Locator field, Locator rows) {
        field.fill("containing \"31.5 kg\"");
        assertThat(page.getByText("No finding passes this filter.")).isVisible();
        page.getByRole(AriaRole.BUTTON, named("read the words inside 3 documents"))
                .click();
        assertThat(page.getByText("words inside: 3 of 3 documents read"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
        field.fill("containing \"31.5 kg\", live");
        assertThat(rows).hasCount(1);
        rows.first().dblclick();
        assertThat(page.locator(".found mark").first()).containsText("31.5");
        everybody(page);
    }

    private static void choosesAndLaysOut(Page page, Locator field, Locator rows) {
        field.fill("");
        assertThat(rows).hasCount(5);
        page.getByRole(AriaRole.BUTTON, named("Select all 5")).click();
        assertThat(page.locator(".chosen")).containsText("5 whole");
        page.getByRole(AriaRole.BUTTON, named("Kept and changes")).click();
        page.getByLabel("keep the 5 chosen as").fill("for the circle");
        page.getByLabel("keep the 5 chosen as").press("Enter");
        assertThat(page.locator(".sets")).containsText("5, by Tom");
        // Changes are taken back by whoever looks, and a kept selection comes back whole.
        page.getByRole(AriaRole.BUTTON, named("take back: chose all findings")).click();
        assertThat(page.locator(".chosen")).containsText("1 whole");
        everybody(page);
        page.getByRole(AriaRole.BUTTON, named("only these: for the circle")).click();
        assertThat(page.locator(".chosen")).containsText("5 whole");
        page.locator("main").press("r");
        page.getByRole(AriaRole.BUTTON, named("by kind")).click();
        page.getByRole(AriaRole.BUTTON, named("films/")).click();
        page.getByRole(AriaRole.BUTTON, named("volume 1/")).click();
        page.getByRole(AriaRole.BUTTON, named("Films/")).click();
        assertThat(page.locator(".layout table")).containsText("Hive door.mp4");
        assertThat(page).hasURL(Pattern.compile("lay=by-kind"));
        page.locator("main").press("Escape");
        page.locator("main").press("Escape");
        page.getByRole(AriaRole.BUTTON, named("by day")).click();
        page.getByRole(AriaRole.BUTTON, named("2025/")).click();
        page.getByRole(AriaRole.BUTTON, named("2025-11-02/")).click();
        assertThat(page.locator(".layout table")).containsText("/Logs/Weights.txt");
        everybody(page);
        page.locator("main").press("r");
        assertThat(page.getByText("2026/2026-05-04/Hive door.mp4"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
        assertThat(page.locator(".fig", new Page.LocatorOptions().setHasText("whole")))
                .containsText("5");
    }
}
