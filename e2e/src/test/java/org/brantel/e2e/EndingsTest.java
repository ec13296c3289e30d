package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.regex.Pattern;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;

/** Paths that need no imaging, and how cases end. */
class EndingsTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    private Chromium.Tab signedIn() {
        Chromium.Tab tab = Chromium.open(lab.address());
        new Steps(tab.page()).signIn("una", Lab.PASSWORD);
        return tab;
    }

    private static void radio(Page page, String name) {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                .click();
    }

    private static void givenBack(Page page) {
        page.getByLabel("To whom").fill("Hilda Crane, who is known");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Note it for")))
                .click();
        assertThat(page.getByText("given back,").first()).isVisible();
    }

    private static void foundOn(Page page, String place, String... lines) {
        new Steps(page).button("Note what is there : " + place).click();
        page.getByLabel("Who looked").fill("Hilda Crane");
        page.getByLabel("What of it was opened").fill("one of each");
        for (String line : lines) {
            page.getByLabel("“" + line + "”").check();
        }
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Note it").setExact(true))
                .click();
    }

    private static void closed(Page page, String outcome) {
        new Steps(page).button("Close the case").click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName(outcome).setExact(true)))
                .isVisible();
    }

    @Test
    void aBackupCoversTwoOfThreeLinesAndImagingIsForTheThird() {
        String number = new CaseForms()
                .told("loss.event", "deleted-directly")
                .told("copy.backup", "older")
                .wanted("hive logs", "document", "", 6)
                .wanted("pictures of the combs", "image", "", 6)
                .wanted("the minutes of May", "document", "", 1)
                .log(una);
        try (Chromium.Tab tab = signedIn()) {
            Page page = tab.page();
            page.navigate("/cases/" + number + "/triaged");
            radio(page, "Existing copy");
            if (page.getByLabel("Reason").isVisible()) {
                page.getByLabel("Reason").fill("They have a backup.");
            }
            new Steps(page).button("Decide").click();
            new Steps(page).link("Open copies").click();
            foundOn(page, "Backup", "hive logs", "pictures of the combs");
            assertThat(page.getByText("2 of 3 wanted lines are covered.")).isVisible();
            assertThat(page.locator(".held-by.seen")).hasCount(2);
            new Steps(page).link("Decide on a path for what is left").click();
            radio(page, "Image then scan");
            page.getByLabel("Reason").fill("The backup does not hold the minutes of May.");
            new Steps(page).button("Decide").click();
            assertThat(page.getByText("The backup does not hold the minutes of May.")
                            .first())
                    .isVisible();
            page.navigate("/cases/" + number + "/imaging");
            assertThat(page.getByText("Attach the device").first()).isVisible();
            page.navigate("/cases/" + number + "/closed");
            givenBack(page);
            radio(page, "A copy was found");
            closed(page, "A copy was found");
            new Steps(page).button("Take the closing back").click();
            assertThat(new Steps(page).button("Close the case")).isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void aDiskGoesToThePartnerAndComesBackWithAnotherBoard() {
        String number = new CaseForms()
                .device("type", "hdd")
                .device("serial", "OLD-1")
                .told("symptom.noise", "clicking")
                .log(una);
        try (Chromium.Tab tab = signedIn()) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            page.navigate("/cases/" + number + "/triaged");
            radio(page, "Hardware work");
            steps.button("Decide").click();
            steps.link("Open partner").click();
            page.getByLabel("Whose bench").fill("Fastings Cleanroom");
            page.getByLabel("Parcel").fill("SK 4711");
            page.getByLabel("How it looks as it leaves").fill("clicks, lid unopened");
            steps.button("It is sent").click();
            assertThat(page.getByText("Fastings Cleanroom is to quote by")).isVisible();
            page.getByLabel("Amount").fill("480.50");
            page.getByLabel("What they would do").fill("new board, new heads");
            steps.button("Note the quote").click();
            page.getByLabel("Who said it").fill("Hilda Crane");
            steps.button("Note the answer").click();
            assertThat(page.getByText("works on it")).isVisible();
            page.navigate("/cases/" + number + "/imaging");
            assertThat(page.getByText("Device 1 is with Fastings Cleanroom").first())
                    .isVisible();
            page.navigate("/cases/" + number + "/partner");
            page.getByLabel("What it cost").fill("480.50");
            page.getByLabel("Serial, if it has another now").fill("NEW-2");
            page.getByLabel("How it looks now").fill("quiet");
            page.getByLabel("What was done to it").fill("board and heads changed");
            steps.button("It is back").click();
            assertThat(page.locator(".loop")).containsText("NEW-2");
            assertThat(page.getByText("Check it on the bench before").first()).isVisible();
            page.navigate("/cases/" + number + "/received");
            assertThat(page.getByText("NEW-2").first()).isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void whoCollectsUnrecoveredSignsForItAndADeclinedCaseCloses() {
        String collected = new CaseForms().log(una);
        byte[] paper = una.get("/api/cases/" + collected + "/collection.pdf")
                .expect(200)
                .body();
        String declined = new CaseForms().log(una);
        String nothing = new CaseForms().log(una);
        try (Chromium.Tab tab = signedIn()) {
            Page page = tab.page();
            page.navigate("/cases/" + collected + "/closed");
            radio(page, "Collected unrecovered");
            assertThat(new Steps(page).button("Close the case")).isDisabled();
            givenBack(page);
            page.locator("input[type=file]").setInputFiles(new FilePayload("signed.pdf", "application/pdf", paper));
            assertThat(new Steps(page).link("signed.pdf")).isVisible();
            closed(page, "Collected unrecovered");

            page.navigate("/cases/" + declined + "/triaged");
            radio(page, "Decline");
            page.getByLabel("Reason").fill("Worth less than the work.");
            new Steps(page).button("Decide").click();
            new Steps(page).link("Open closing").click();
            givenBack(page);
            closed(page, "Declined");

            page.navigate("/cases/" + nothing + "/closed");
            givenBack(page);
            radio(page, "Nothing recoverable");
            page.getByLabel("What was tried").fill("Every block is zero.");
            closed(page, "Nothing recoverable");
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void aDeliveredCaseClosesOnceTheDeviceIsDetachedAndGivenBack() {
        Story story =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure").selectedWhole();
        story.recovered();
        story.sealed();
        try (Chromium.Tab tab = signedIn()) {
            Page page = tab.page();
            page.navigate("/cases/" + story.number + "/closed");
            assertThat(page.getByText("is attached to it")).isVisible();
            givenBack(page);
            story.una.delete(story.path("/bench/attachment")).expect(204);
            assertThat(page.getByText("is attached to it")).isHidden();
            page.getByLabel("No receipt was confirmed").fill("They took a stick along.");
            closed(page, "Delivered");
            Locator delivered = new Steps(page).link("What was delivered");
            delivered.click();
            assertThat(page.getByText("In the bag")).isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }
}
