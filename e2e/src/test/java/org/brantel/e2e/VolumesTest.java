package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

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

/**
 * What lies under what on a medium: a volume that was formatted away, volumes that no table lists, and why a finding is
 * believed.
 */
class VolumesTest {

    private final Lab lab = Lab.open();

    private void imaged(Page page, String image, String size) {
        Corpus.image(image, lab.inbox());
        Visitor una = lab.as("una");
        String number = new CaseForms()
                .device("type", "hdd")
                .device("capacity", size)
                .told("symptom.appears", "files-missing")
                .log(una);
        Steps steps = new Steps(page);
        steps.signIn("tom", Lab.PASSWORD);
        page.navigate("/cases/" + number + "/imaging");
        steps.attach(image + ".img");
        steps.button("Start imaging").click();
        steps.patiently("Scan the image").click();
    }

    private static Locator volume(Page page, String name) {
        return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(Pattern.compile("Volumes by place")))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    private static void scanByRecords(Page page) {
        new Steps(page).scan("records and free space");
        assertThat(new Steps(page).link("Open catalogue"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(120_000));
    }

    @Test
    void aFormattedVolumeShowsWhatWasThereBeforeAndWhyItIsBelieved() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            imaged(page, "d05-ntfs-reformatted", "67.1 MB");
            scanByRecords(page);
            assertThat(volume(page, "NEWNTFS")).containsText("NTFS, live, 64.0 MiB");
            assertThat(volume(page, "NEWNTFS")).containsText("5 live");
            Locator earlier = volume(page, "NTFS, earlier");
            assertThat(earlier).containsText("32 earlier");
            earlier.click();
            assertThat(earlier).hasAttribute("aria-pressed", "true");
            assertThat(page.getByText("records of its file table in free space"))
                    .isVisible();
            assertThat(page.getByText(Pattern.compile("records of its file table are left, the first at byte")))
                    .isVisible();

            new Steps(page).link("Open catalogue").click();
            walkTheEarlierVolume(page);
            page.getByLabel("Ask for findings").fill("Calibration sheet 008");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Calibration sheet 008.pdf"))
                    .click();
            new Steps(page).button("Show the evidence").click();
            Locator chain = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Chain of evidence"));
            assertThat(chain).containsText("Record of the file table");
            assertThat(chain).containsText("'Calibration sheet 008.pdf'");
            assertThat(chain).containsText("Judged whole");
            // The bytes of the field at hand are marked.
            chain.getByRole(AriaRole.ROW, new Locator.GetByRoleOptions().setName(Pattern.compile("signature")))
                    .hover();
            assertThat(chain.locator("i.on")).hasText(new String[] {"46", "49", "4c", "45"});
            assertThat(tab.faults()).isEmpty();
        }
    }

    /** Volumes are shelves, and so are the folders in them; the address leads back. */
    private static void walkTheEarlierVolume(Page page) {
        Locator places = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Places to open"));
        Locator earlier = places.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("NTFS, earlier")));
        Locator there = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Shelves left behind"));
        assertThat(places).containsText("NEWNTFS");
        earlier.click();
        assertThat(there.getByRole(AriaRole.BUTTON)).hasCount(2);
        assertThat(page.locator(".total")).containsText("32 of");
        places.getByRole(AriaRole.BUTTON).first().click();
        assertThat(there.getByRole(AriaRole.BUTTON)).hasCount(3);
        assertThat(page.locator(".total")).not().containsText("32 of");
        page.goBack();
        page.keyboard().press("Backspace");
        assertThat(there).isHidden();
        assertThat(places).containsText("NEWNTFS");
    }

    @Test
    void volumesThatNoTableListsAreDrawnWhereTheyLieAndScannedAlone() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            imaged(page, "d07-mbr-zeroed", "167.8 MB");
            scanByRecords(page);
            assertThat(volume(page, "SHORE")).containsText("FAT32, lost, 48.0 MiB");
            assertThat(volume(page, "BOG")).containsText("NTFS, lost");
            assertThat(volume(page, "stage")).containsText("EXT4, lost");
            assertThat(volume(page, "SHORE").boundingBox().x)
                    .isLessThan(volume(page, "BOG").boundingBox().x);
            assertThat(volume(page, "BOG").boundingBox().x)
                    .isLessThan(volume(page, "stage").boundingBox().x);
            volume(page, "stage").click();
            new Steps(page).button("Scan this volume alone").click();
            new Steps(page).button("List").click();
            Locator second = page.locator("table.rows tbody tr", new Page.LocatorOptions().setHasText("volume 2"));
            assertThat(second).containsText("done", new LocatorAssertions.ContainsTextOptions().setTimeout(60_000));
            // Everything in it was known before.
            assertThat(second).containsText("+0");
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void aSoundVolumeIsSaidToBeSound() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            imaged(page, "d12-fat32-healthy", "50.3 MB");
            scanByRecords(page);
            assertThat(page.getByText("Nothing is lost here.")).isVisible();
        }
    }
}
