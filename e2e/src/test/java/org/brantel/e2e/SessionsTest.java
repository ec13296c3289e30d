package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;

/** Sessions that add up: records, a look, content on top of it, what the second one brought. */
class SessionsTest {

    private static final LocatorAssertions.IsVisibleOptions PATIENT =
            new LocatorAssertions.IsVisibleOptions().setTimeout(120_000);

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    @Test
    void recordsThenContentThenTheDifference() {
        Corpus.image("d02-fat32-reformatted", lab.inbox());
        String number = new CaseForms()
                .device("type", "memory-card")
                .device("capacity", "71.3 MB")
                .told("symptom.appears", "files-missing")
                .log(una);
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("tom", Lab.PASSWORD);
            page.navigate("/cases/" + number + "/imaging");
            steps.attach("d02-fat32-reformatted.img");
            steps.button("Start imaging").click();
            steps.patiently("Scan the image").click();
            // The first session reads the records unless somebody chooses otherwise.
            assertThat(page.getByRole(
                            AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^records what"))))
                    .isChecked();
            steps.button("Start scanning").click();
            steps.patiently("Open catalogue").click();
            Locator rows = page.locator("table.lines tr.finding");
            assertThat(rows.first()).isVisible();
            int quick = Integer.parseInt(page.locator("table.lines").getAttribute("aria-rowcount")) - 1;
            page.navigate("/cases/" + number + "/scanning");
            steps.button("New session").click();
            steps.scan("records and content");
            Locator braid = page.getByRole(
                    AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("Sessions join one catalogue")));
            steps.button("Compare two").click(new Locator.ClickOptions().setTimeout(120_000));
            assertThat(braid).isVisible(PATIENT);
            Locator differences = page.getByRole(
                    AriaRole.TABLE,
                    new Page.GetByRoleOptions().setName("Differences").setExact(true));
            Locator news = differences.getByRole(AriaRole.ROW).nth(1);
            assertThat(news).containsText("only in session");
            int added = Integer.parseInt(
                    news.getByRole(AriaRole.CELL).nth(1).textContent().strip());
            org.assertj.core.api.Assertions.assertThat(added).isPositive();
            news.getByRole(AriaRole.LINK).click();
            steps.findings(added);
            assertThat(page.getByText(Pattern.compile("^found by session \\d+, not by session \\d+$")))
                    .isVisible();
            steps.button("show everything").click();
            steps.findings(quick + added);
            takenOutAndBroughtIn(page, steps, number);
            org.assertj.core.api.Assertions.assertThat(tab.faults()).isEmpty();
        }
    }

    /**
     * The second session as a file, and in again as another machine's; nothing is carved twice unless it is asked for.
     */
    private static void takenOutAndBroughtIn(Page page, Steps steps, String number) {
        page.navigate("/cases/" + number + "/scanning");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("List").setExact(true))
                .click();
        Locator takeOut = page.getByRole(
                        AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Take out session")))
                .last();
        java.nio.file.Path file = page.waitForDownload(takeOut::click).path();
        steps.button("New session").click();
        assertThat(page.getByText("nothing is left to carve but what is read later"))
                .isVisible();
        page.getByTestId("session-file")
                .setInputFiles(
                        new com.microsoft.playwright.options.FilePayload("theirs.gz", "application/gzip", bytes(file)));
        Locator third = page.getByRole(
                AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("from theirs.gz.* done ")));
        assertThat(third).isVisible(PATIENT);
        assertThat(third).containsText("+0");
    }

    private static byte[] bytes(java.nio.file.Path file) {
        try {
            return java.nio.file.Files.readAllBytes(file);
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
