package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Path;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A case is packed at one lab's screen, brought in at another's, and comes back with what they did. */
class TwoLabsTest {

    private static Lab other;

    @TempDir
    Path folder;

    @BeforeAll
    static void openTheOther() throws IOException {
        other = Lab.another("Lab of the salt works");
    }

    @AfterAll
    static void closeTheOther() {
        other.stop();
    }

    private static LocatorAssertions.IsVisibleOptions patient() {
        return new LocatorAssertions.IsVisibleOptions().setTimeout(120_000);
    }

    /** @return the file, as a browser saves it */
    private Path packed(Page page, String number, String forLab) {
        page.navigate("/cases/" + number + "/labs");
        page.getByLabel("For which lab").fill(forLab);
        page.getByLabel("Why, and what the customer said to it").fill("It needs a clean room; she knows.");
        new Steps(page).button("Pack the case").click();
        var take = page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName("Take out what was packed for " + forLab));
        assertThat(take).isVisible(patient());
        Download download = page.waitForDownload(take::click);
        Path file = folder.resolve(download.suggestedFilename());
        download.saveAs(file);
        return file;
    }

    private static void lookAt(Page page, Path file) {
        page.navigate("/arrivals");
        page.getByLabel("The file that the lab sent").setInputFiles(file);
        assertThat(page.getByText("every byte of it is as it was signed")).isVisible(patient());
    }

    private static void readTheKey(Page page, String by) {
        var bring = new Steps(page).button("Bring it in");
        assertThat(bring).isDisabled();
        page.getByLabel("Nobody has compared this key yet").fill(by);
        bring.click();
        assertThat(page.getByText("Brought in as").first()).isVisible(patient());
    }

    @Test
    void thereAndBack() {
        Story story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure");
        try (Chromium.Tab here = Chromium.open(story.lab.address());
                Chromium.Tab there = Chromium.open(other.address())) {
            Page home = here.page();
            Page away = there.page();
            new Steps(home).signIn("una", Lab.PASSWORD);
            new Steps(away).signIn("tom", Lab.PASSWORD);

            lookAt(away, packed(home, story.number, "Lab of the salt works"));
            assertThat(away.getByText("The case was never here")).isVisible();
            readTheKey(away, "Petra of the lab, on their number in the book");
            away.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open BR-"))
                    .click();
            assertThat(away.getByText("none was changed, none is missing up to where it ended"))
                    .isVisible(patient());
            assertThat(away.getByText("logged the case").first()).isVisible();
            String number = away.locator("h1").textContent().strip();

            away.navigate("/cases/" + number + "/imaging");
            assertThat(away.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Read in another lab")))
                    .isVisible();
            away.navigate("/cases/" + number + "/selection");
            assertThat(away.locator("table.lines tr.finding").first()).isVisible(patient());
            away.navigate("/cases/" + number + "/notes");
            away.getByLabel("The note")
                    .or(away.getByLabel("What was said"))
                    .first()
                    .fill("The heads are swapped; it can be read again.");
            new Steps(away).button("Write it down").click();

            lookAt(home, packed(away, number, "Lab under test"));
            assertThat(home.getByText("It is " + story.number + ": what is new joins it"))
                    .isVisible();
            readTheKey(home, "Tom of the salt works, at their counter");
            home.navigate("/cases/" + story.number + "/notes");
            assertThat(home.getByText("The heads are swapped; it can be read again."))
                    .isVisible();
            home.navigate("/cases/" + story.number + "/labs");
            assertThat(home.getByText("brought the case in from another lab").first())
                    .isVisible();
        }
    }
}
