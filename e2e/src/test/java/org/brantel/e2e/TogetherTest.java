package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;

/** Two people at one case, and what is found, kept and said meanwhile. */
class TogetherTest {

    private final Lab lab = Lab.open();

    private static void pick(Page page, String path) {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(path))
                .click();
    }

    private static void isPicked(Page page, String path) {
        assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(path)))
                .isChecked();
    }

    @Test
    void whatOnePickedNeverMovesBecauseTheOtherDecides() {
        String number = new CaseForms().told("loss.event", "deleted-directly").log(lab.as("una"));
        try (Chromium.Tab hers = Chromium.open(lab.address());
                Chromium.Tab his = Chromium.open(lab.address())) {
            Page una = hers.page();
            Page tom = his.page();
            new Steps(una).signIn("una", Lab.PASSWORD);
            new Steps(tom).signIn("tom", Lab.PASSWORD);
            una.navigate("/cases/" + number + "/triaged");
            pick(una, "Careful imaging");
            tom.navigate("/cases/" + number + "/triaged");
            assertThat(una.getByText("is here, too")).isVisible();
            pick(tom, "Decline");
            tom.getByLabel("Reason").fill("Worth less than the work.");
            new Steps(tom).button("Decide").click();
            assertThat(una.getByText("decided on decline meanwhile")).isVisible();
            isPicked(una, "Careful imaging");
            assertThat(una.getByText("nothing of yours was recorded")).isVisible();
            new Steps(una).button("Keep mine").click();
            isPicked(una, "Careful imaging");
            assertThat(una.getByLabel("Reason")).hasValue("");
            assertThat(una.getByText("nothing of yours was recorded")).isHidden();
            assertThat(tom.locator(".undo")).containsText(number);
        }
    }

    @Test
    void aNameIsFoundAsItWasHeardAndTheDayIsOneOfThePlaces() {
        String number = new CaseForms()
                .customer("name", "Gannet Head Lighthouse Museum")
                .log(lab.as("una"));
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("petra", Lab.PASSWORD);
            page.keyboard().press("Control+k");
            page.keyboard().type("ganet hed museum");
            assertThat(page.locator(".goals").getByText("Gannet").first()).isVisible();
            page.keyboard().press("Enter");
            page.waitForURL("**/cases/" + number + "**");
            page.keyboard().press("Control+k");
            page.keyboard().type("the day");
            assertThat(page.locator(".goals").getByText("The day").first()).isVisible();
            page.keyboard().press("Enter");
            page.waitForURL("**/day");
            assertThat(page.getByText("What was agreed, billed and paid is on no record yet."))
                    .isVisible();
            page.locator(".row1")
                    .filter(new Locator.FilterOptions().setHasText("Una"))
                    .click();
            assertThat(page.locator(".entries")).containsText(number);
            new Steps(page).button("The day before").click();
            assertThat(page.getByText("Nobody wrote into a custody record on this day."))
                    .isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void aPartThatDoesNotComeIsSaidWithWhatToDo() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            page.route("**/assets/**", Route::abort);
            new Steps(page).link("Ledger").click();
            assertThat(page.getByText("This part could not be loaded")).isVisible();
            page.unroute("**/assets/**");
            new Steps(page).link("Load it again").click();
            assertThat(page.getByText("Workload")).isVisible();
            assertThat(page.getByText("This part could not be loaded")).isHidden();
        }
    }

    @Test
    void editsOfSettingsStayOverAReloadAndAreSaid() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("petra", Lab.PASSWORD);
            page.navigate("/settings");
            String before = page.locator("#urgent").inputValue();
            page.locator("#urgent").fill("73");
            assertThat(page.getByText("Not saved yet")).isVisible();
            page.reload();
            assertThat(page.locator("#urgent")).hasValue("73");
            assertThat(page.getByText("Not saved yet")).isVisible();
            new Steps(page).button("Put it back").click();
            assertThat(page.locator("#urgent")).hasValue(before);
        }
    }
}
