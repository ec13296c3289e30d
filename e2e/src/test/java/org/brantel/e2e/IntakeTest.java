package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;

/** A worried caller on the line: nothing that was typed is lost. */
class IntakeTest {

    private final Lab lab = Lab.open();

    @Test
    void aDraftSurvivesAReloadUntilItIsLogged() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("una", Lab.PASSWORD);
            page.navigate("/intake");
            page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true)).fill("Island Weather Post");
            steps.choose("Happened", "power cut");
            page.reload();
            assertThat(page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true))).hasValue("Island Weather Post");
            assertThat(page.getByText("Your draft is here again.")).isVisible();
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("power cut"))).hasAttribute("aria-pressed", "true");
            steps.choose("Device", "hdd");
            steps.button("Log the device").click();
            steps.caseNumber();
            page.navigate("/intake");
            assertThat(page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true))).hasValue("");
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void theSecondOfTwoEditorsIsToldWhatTheFirstChanged() {
        String number = new CaseForms().log(lab.as("una"));
        try (Chromium.Tab first = Chromium.open(lab.address()); Chromium.Tab second = Chromium.open(lab.address())) {
            for (Chromium.Tab tab : new Chromium.Tab[] {first, second}) {
                new Steps(tab.page()).signIn(tab == first ? "una" : "petra", Lab.PASSWORD);
                tab.page().navigate("/cases/" + number + "/intake");
                assertThat(tab.page().getByLabel("Who is calling")).hasValue("Hilda Crane");
            }
            first.page().getByLabel("Phone").fill("0148 77 77");
            new Steps(first.page()).button("Save the case").click();
            first.page().waitForURL("**/triaged");
            second.page().getByLabel("Phone").fill("0148 55 55");
            new Steps(second.page()).button("Save the case").click();
            assertThat(second.page().getByRole(AriaRole.ALERT)).containsText("Somebody else saved this case while you were typing.");
            assertThat(second.page().getByRole(AriaRole.ALERT)).containsText("phone: 0148 77 77");
            assertThat(second.page().getByLabel("Phone")).hasValue("0148 55 55");
            new Steps(second.page()).button("Save mine over it").click();
            second.page().waitForURL("**/triaged");
            assertThat(lab.as("una").get("/api/cases/" + number).text()).contains("0148 55 55");
        }
    }

    @Test
    void theWholeIntakeWorksWithTheKeyboardAlone() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Needs a decision now"))).isVisible();
            page.locator("main").press("n");
            page.waitForURL("**/intake");
            page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true)).focus();
            page.keyboard().type("Cooper's Boatyard");
            for (int i = 0; i < 80 && !Boolean.TRUE.equals(page.evaluate("document.activeElement.textContent.trim() === 'phone'")); i++) {
                page.keyboard().press("Tab");
            }
            page.keyboard().press("Enter");
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("phone").setExact(true))).hasAttribute("aria-pressed", "true");
            page.keyboard().press("Control+Enter");
            String number = new Steps(page).caseNumber();
            page.keyboard().press("Control+k");
            page.keyboard().type("boatyard");
            assertThat(page.getByRole(AriaRole.OPTION).first()).containsText(number);
            page.keyboard().press("Enter");
            page.waitForURL("**/cases/" + number);
            page.locator("main").press("?");
            assertThat(page.getByRole(AriaRole.DIALOG)).containsText("edit intake");
        }
    }

    @Test
    void itWorksOnAPhone() {
        try (Chromium.Tab tab = Chromium.open(lab.address(), 390, 844, ColorScheme.LIGHT)) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            page.navigate("/intake");
            assertThat(page.getByText("Which path, so far")).isVisible();
            assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= 390")).as("nothing is wider than the screen").isTrue();
        }
    }
}
