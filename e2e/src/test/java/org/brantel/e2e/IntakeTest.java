package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
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
            page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true))
                    .fill("Island Weather Post");
            steps.choose("Happened", "power cut");
            page.reload();
            assertThat(page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true)))
                    .hasValue("Island Weather Post");
            assertThat(page.getByText("Your draft is here again.")).isVisible();
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("power cut")))
                    .hasAttribute("aria-pressed", "true");
            steps.choose("Device", "hdd");
            steps.button("Log the device").click();
            steps.caseNumber();
            page.navigate("/intake");
            assertThat(page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true)))
                    .hasValue("");
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void theSecondOfTwoEditorsIsToldWhatTheFirstChanged() {
        String number = new CaseForms().log(lab.as("una"));
        try (Chromium.Tab first = Chromium.open(lab.address());
                Chromium.Tab second = Chromium.open(lab.address())) {
            for (Chromium.Tab tab : new Chromium.Tab[] {first, second}) {
                new Steps(tab.page()).signIn(tab.equals(first) ? "una" : "petra", Lab.PASSWORD);
                tab.page().navigate("/cases/" + number + "/intake");
                assertThat(tab.page().getByLabel("Who is calling")).hasValue("Hilda Crane");
            }
            first.page().locator("#phone").fill("0148 77 77");
            new Steps(first.page()).button("Save the case").click();
            first.page().waitForURL("**/triaged");
            second.page().locator("#phone").fill("0148 55 55");
            new Steps(second.page()).button("Save the case").click();
            assertThat(second.page().getByRole(AriaRole.ALERT))
                    .containsText("Somebody else saved this case while you were typing.");
            assertThat(second.page().getByRole(AriaRole.ALERT)).containsText("phone: 0148 77 77");
            assertThat(second.page().locator("#phone")).hasValue("0148 55 55");
            new Steps(second.page()).button("Save mine over it").click();
            second.page().waitForURL("**/triaged");
            assertThat(lab.as("una").get("/api/cases/" + number).text()).contains("0148 55 55");
        }
    }

    /** From the free line to a decided path and a printed label, without a mouse. */
    @Test
    void theBandsClickingDiskIsLoggedDecidedAndLabelledByKeyboardAlone() throws IOException {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Needs a decision now")))
                    .isVisible();
            page.locator("main").press("n");
            page.waitForURL("**/intake**");
            assertThat(page.locator("#story")).isFocused();
            page.keyboard()
                    .type("desk disk 1 TB fell off the bench, clicks, tried twice, lab notes since 2011, "
                            + "needs it by friday");
            Locator heard = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Heard in the line"));
            assertThat(heard).containsText("clicks");
            assertThat(heard).containsText("needed by");
            assertThat(page.getByText("Please leave it unplugged.")).isVisible();
            assertThat(page.locator("#capacity")).hasValue("1 TB");
            assertThat(page.getByLabel("Line 1, in their words")).hasValue("lab notes since 2011");
            int tried = 1
                    + heard.getByRole(AriaRole.BUTTON)
                            .allTextContents()
                            .indexOf(
                                    heard.getByText("switched off and on again").textContent());
            page.keyboard().press("Alt+" + tried);
            assertThat(heard).not().containsText("switched off and on again");
            page.keyboard().press("Tab");
            assertThat(page.locator("#customer")).isFocused();
            page.keyboard().type("Skerrow Village Band");
            tabTo(page, "contact");
            page.keyboard().type("Edwin Shore");
            page.keyboard().press("Enter");
            assertThat(page.locator("#phone")).isFocused();
            page.keyboard().press("Escape");
            page.keyboard().type("Harald Osmund");
            page.keyboard().press("9");
            page.keyboard().press("n");
            assertThat(page.locator(".row-choices[aria-label^='Backup:']")
                            .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("none")))
                    .hasAttribute("aria-pressed", "true");
            page.keyboard().press("Control+Enter");
            String number = new Steps(page).caseNumber();
            assertThat(page.locator(".undo"))
                    .containsText(number + " was logged for Skerrow Village Band: hdd of 1 TB");
            assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Hardware work")))
                    .hasAttribute("aria-checked", "true");
            page.keyboard().press("d");
            assertThat(page.getByText("now: Hardware work")).isVisible();
            String[] labels = new String[1];
            tab.context().onRequest(r -> labels[0] = r.url().endsWith(".pdf") ? r.url() : labels[0]);
            page.keyboard().press("p");
            page.waitForCondition(() -> labels[0] != null);
            assertEquals(lab.address() + "/api/cases/" + number + "/labels.pdf", labels[0]);
            try (PDDocument label = Loader.loadPDF(page.request().get(labels[0]).body())) {
                String text = new PDFTextStripper().getText(label);
                assertTrue(
                        text.contains(number) && text.contains("DO NOT POWER") && text.contains("Skerrow Village Band"),
                        text);
            }
            page.keyboard().press("Control+k");
            page.keyboard().type("vilage band");
            assertThat(page.getByRole(AriaRole.OPTION).first()).containsText(number);
            page.keyboard().press("Enter");
            page.waitForURL("**/cases/" + number);
            page.locator("main").press("?");
            assertThat(page.getByRole(AriaRole.DIALOG)).containsText("edit intake");
            assertThat(tab.faults()).isEmpty();
        }
    }

    private static void tabTo(Page page, String id) {
        for (int i = 0; i < 60 && !id.equals(page.evaluate("document.activeElement.id")); i++) {
            page.keyboard().press("Tab");
        }
        assertThat(page.locator("#" + id)).isFocused();
    }

    @Test
    void anExpiredSessionAndALostConnectionLoseNothingThatIsTyped() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            page.navigate("/intake");
            page.locator("#story").fill("stick asks to be formatted");
            assertThat(page.getByText("draft kept")).isVisible();
            tab.context().setOffline(true);
            page.locator("#contact").fill("Ruth Ansley");
            assertThat(page.getByText("the server is away; kept in this browser"))
                    .isVisible();
            tab.context().setOffline(false);
            assertThat(page.getByText("draft kept")).isVisible();
            tab.context().clearCookies();
            page.locator("#customer").fill("Tide-Gauge Office");
            page.waitForURL("**/sign-in?**");
            page.getByLabel("Sign-in name").fill("una");
            page.getByLabel("Password").fill(Lab.PASSWORD);
            new Steps(page).button("Sign in").click();
            page.waitForURL("**/intake?draft=**");
            assertThat(page.locator("#customer")).hasValue("Tide-Gauge Office");
            assertThat(page.locator("#contact")).hasValue("Ruth Ansley");
            assertThat(page.locator("#story")).hasValue("stick asks to be formatted");
            assertThat(page.getByText("draft kept")).isVisible();
        }
    }

    @Test
    void aCallThatOneBeganIsFoundOnTheDeskAndFinishedByAnother() {
        try (Chromium.Tab first = Chromium.open(lab.address());
                Chromium.Tab second = Chromium.open(lab.address())) {
            new Steps(first.page()).signIn("una", Lab.PASSWORD);
            first.page().navigate("/intake");
            first.page().locator("#contact").fill("Magnus Kerr");
            first.page().locator("#story").fill("card from the drone, files missing");
            assertThat(first.page().getByText("draft kept")).isVisible();
            new Steps(second.page()).signIn("petra", Lab.PASSWORD);
            new Steps(second.page()).link("Magnus Kerr").click();
            assertThat(second.page().locator("#story")).hasValue("card from the drone, files missing");
            second.page().locator("#customer").fill("Kelp Row Surveys");
            second.page().keyboard().press("Control+Enter");
            new Steps(second.page()).caseNumber();
            first.page().navigate("/desk");
            assertThat(first.page().getByText("Needs a decision now")).isVisible();
            assertThat(first.page().getByText("Magnus Kerr")).isHidden();
        }
    }

    @Test
    void aReturningCustomerIsRecognisedWhileTyping() {
        String earlier = new CaseForms()
                .customer("name", "Brae Seed Bank")
                .customer("phone", "0149 600 700")
                .log(lab.as("una"));
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            page.navigate("/intake");
            page.locator("#phone").fill("0149 600700");
            assertThat(page.getByText("Brae Seed Bank, the same phone number")).isVisible();
            new Steps(page).button("This is them").click();
            assertThat(page.locator("#customer")).hasValue("Brae Seed Bank");
            assertThat(page.getByText("has been here:")).containsText(earlier);
        }
    }

    @Test
    void itWorksOnAPhone() {
        try (Chromium.Tab tab = Chromium.open(lab.address(), 390, 844, ColorScheme.LIGHT)) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            page.navigate("/intake");
            assertThat(page.getByText("Which path, so far")).isVisible();
            page.locator("#story")
                    .fill("phone fell in the harbour, some of it is in the cloud, about forty letters since 2011");
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("liquid got in, heard in")))
                    .isVisible();
            assertThat(page.getByLabel("Line 1, in their words")).isVisible();
            Object wide = page.evaluate("[...document.querySelectorAll('.app *')].filter(e => { const r = "
                    + "e.getBoundingClientRect(); return r.width > 1 && r.right > 391 && "
                    + "!e.closest('.visually-hidden, .rooms') }).map(e => e.tagName + '.' + e.className "
                    + "+ ' ' + Math.round(e.getBoundingClientRect().right)).join(', ')");
            assertThat(String.valueOf(wide))
                    .as("nothing is wider than the screen")
                    .isEmpty();
        }
    }
}
