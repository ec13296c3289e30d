package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;

/** What is done at the front desk after a case was logged. */
class FrontDeskTest {

    /** The smallest PNG: one pixel. */
    private static final byte[] PIXEL = Base64.getDecoder()
            .decode("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");

    private final Lab lab = Lab.open();

    private String clicking() {
        return new CaseForms()
                .customer("name", "Bell Rock Rowing Club")
                .device("type", "hdd")
                .told("symptom.noise", "clicking")
                .log(lab.as("una"));
    }

    @Test
    void aPathIsTakenOnTheDeskAndTakenBack() {
        String number = clicking();
        lab.sql().update("update lab_case set stage_since = now() - interval '2000 hours' where number = ?", number);
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            Locator row = page.locator(".queue li").filter(new Locator.FilterOptions().setHasText(number));
            assertThat(row).containsText("Hardware work?");
            assertThat(row).containsText("over");
            row.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take it"))
                    .click();
            assertThat(page.getByText(number + ": hardware work was decided.")).isVisible();
            assertThat(row).not().containsText("Hardware work?");
            page.locator("main").press("u");
            assertThat(row).containsText("Hardware work?");
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void whatAPageIsMadeOfIsFetchedOnceAndPacked() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            List<String> encodings = new ArrayList<>();
            page.onResponse(r -> {
                if (r.url().matches(".*/assets/.*\\.(js|css)")) {
                    encodings.add(String.valueOf(r.headerValue("content-encoding")));
                }
            });
            new Steps(page).signIn("una", Lab.PASSWORD);
            page.getByLabel("Medium").waitFor();
            assertThat(encodings).isNotEmpty().isSubsetOf("br", "gzip");
            // A font that is still on its way when the page is left comes again, and rightly: only what had arrived.
            List<String> arrived = assets(page, "true");
            assertThat(arrived).anyMatch(name -> name.endsWith(".js"));
            page.navigate("/desk");
            page.getByLabel("Medium").waitFor();
            assertThat(assets(page, "r.transferSize > 0")).doesNotContainAnyElementsOf(arrived);
        }
    }

    /** The assets of the page that have arrived whole and fit a condition on {@code r}, their timing entry. */
    @SuppressWarnings("unchecked") // the script gives a list of names
    private static List<String> assets(Page page, String condition) {
        return (List<String>) page.evaluate("() => performance.getEntriesByType('resource')"
                + ".filter(r => r.name.includes('/assets/') && " + condition + ").map(r => r.name)");
    }

    @Test
    void aFilterStandsInTheAddressAndIsKept() {
        String number = clicking();
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            page.getByLabel("Medium").selectOption("tape");
            page.waitForURL("**/desk?medium=tape");
            assertThat(page.getByText("No case fits this filter.")).isVisible();
            page.getByLabel("Medium").selectOption("hdd");
            page.getByLabel("Stage", new Page.GetByLabelOptions().setExact(true))
                    .selectOption("received");
            assertThat(page.getByRole(
                                    AriaRole.LINK,
                                    new Page.GetByRoleOptions().setName(number).setExact(true))
                            .last())
                    .isVisible();
            new Steps(page).button("Keep this filter").click();
            page.getByLabel("Name of the filter").fill("disks to look at");
            new Steps(page).button("Keep").first().click();
            page.navigate("/desk");
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName("disks to look at")
                                    .setExact(true))
                    .click();
            page.waitForURL("**/desk?stage=received&medium=hdd");
            page.getByLabel("Drop the filter disks to look at").click();
            assertThat(page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName("disks to look at")
                                    .setExact(true)))
                    .isHidden();
        }
    }

    @Test
    void aCaseIsHeldNotedPhotographedAndHandedOver() {
        String number = clicking();
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("una", Lab.PASSWORD);
            page.navigate("/cases/" + number + "/notes");
            page.getByLabel("The note").fill("@tom please look at it today");
            page.keyboard().press("Control+Enter");
            assertThat(page.getByText("note, Una Farrow")).isVisible();
            page.navigate("/cases/" + number + "/photos");
            page.getByTestId("photo")
                    .setInputFiles(new FilePayload(
                            "label.png", "image/png", "no picture at all".getBytes(StandardCharsets.UTF_8)));
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("no picture that can be shown");
            page.getByTestId("photo").setInputFiles(new FilePayload("label.png", "image/png", PIXEL));
            assertThat(page.getByAltText("Photo of the label, label.png")).isVisible();
            page.locator("main").press("h");
            page.getByLabel("What it waits for").fill("a cable from the partner");
            page.getByLabel("Comes up again on")
                    .fill(LocalDate.now(ZoneId.systemDefault()).plusDays(5).toString());
            steps.button("Hold the case").click();
            assertThat(page.getByText("On hold until")).isVisible();
            steps.button("Undo").click();
            assertThat(page.getByText("On hold until")).isHidden();
            steps.button("Give to …").click();
            page.getByLabel("Give the case to").selectOption("tom");
            page.locator(".pop").getByRole(AriaRole.BUTTON).click();
            assertThat(page.locator(".undo")).containsText(number + " is with Tom Gale now.");
            assertThat(tab.faults()).isEmpty();
        }
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("tom", Lab.PASSWORD);
            Locator note = page.locator(".queue li")
                    .filter(new Locator.FilterOptions().setHasText("please look at it today"))
                    .filter(new Locator.FilterOptions().setHasText(number));
            note.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Seen"))
                    .click();
            assertThat(note).isHidden();
        }
    }

    /** What anybody may type or be called: it is shown, never run. */
    @Test
    void markupInEveryFieldIsText() {
        String bad = "<img src=x onerror=window.hit=1>\u202e'\"{{7*7}}";
        CaseForms form = new CaseForms()
                .customer("name", bad)
                .customer("contactPerson", bad)
                .customer("phone", bad)
                .customer("post", bad)
                .story(bad)
                .wanted(bad, "", bad, 3)
                .device("type", "hdd")
                .device("setName", bad)
                .another("hdd", "setName", bad)
                .consent("told", bad);
        for (String field :
                new String[] {"make", "model", "serial", "attachedBy", "accessories", "condition", "entitlement"}) {
            form.device(field, bad);
        }
        String number = form.log(lab.as("una"));
        lab.as("una")
                .post("/api/cases/" + number + "/notes", Map.of("kind", "note", "words", bad))
                .expect(201);
        lab.sql().update("update lab_case set stage_since = now() - interval '3000 hours' where number = ?", number);
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("una", Lab.PASSWORD);
            for (String place : new String[] {
                "/desk",
                "/cases/" + number + "/received",
                "/cases/" + number + "/triaged",
                "/cases/" + number + "/notes",
                "/ledger"
            }) {
                page.navigate(place);
                assertThat(page.locator("main")).containsText("onerror");
                assertThat(page.locator("img[src=x]")).hasCount(0);
                assertThat(page.evaluate("window.hit")).isNull();
            }
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void theBenchCheckMovesTheDecision() {
        String number = new CaseForms()
                .device("type", "hdd")
                .told("loss.event", "deleted-directly")
                .told("since.use", "none")
                .log(lab.as("una"));
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("tom", Lab.PASSWORD);
            page.navigate("/cases/" + number + "/triaged");
            assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Image then scan")))
                    .hasAttribute("aria-checked", "true");
            page.locator("main").press("d");
            assertThat(page.getByText("now: Image then scan")).isVisible();
            page.locator("main").press("b");
            steps.button("Let the station measure").click();
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("fill the form in by hand");
            steps.choose("Noise", "grinding");
            steps.button("Record the check").click();
            assertThat(page.getByText("Moved since it was decided.")).isVisible();
            assertThat(page.getByText("leads now instead of image then scan")).isVisible();
            assertThat(page.getByText("Do not power this device again").first()).isVisible();
        }
    }

    @Test
    void aManagerChangesALetterAndTriesAProtocol() {
        clicking();
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("petra", Lab.PASSWORD);
            page.navigate("/settings");
            steps.button("ready").click();
            page.getByLabel("Subject").fill("Case {case}: {nothing}");
            steps.button("Save the letter").click();
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("nothing to fill in for {nothing}");
            page.getByLabel("Subject").fill("Case {case}: come and get it");
            steps.button("Save the letter").click();
            assertThat(page.getByText("Saved.")).isVisible();
            String protocol =
                    page.request().get(lab.address() + "/api/triage/protocol").text();
            page.getByTestId("protocol")
                    .setInputFiles(new FilePayload(
                            "bad.json",
                            "application/json",
                            protocol.replaceFirst("hardware-work", "hard-work").getBytes(StandardCharsets.UTF_8)));
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("line ");
            page.getByTestId("protocol")
                    .setInputFiles(new FilePayload(
                            "newer.json",
                            "application/json",
                            protocol.replaceFirst("\"version\" : \"2\"", "\"version\" : \"3\"")
                                    .replace("\"weight\" : 8", "\"weight\" : 12")
                                    .getBytes(StandardCharsets.UTF_8)));
            assertThat(page.getByText("newer.json would change")).isVisible();
            assertThat(steps.button("Adopt newer.json")).isVisible();
        }
    }
}
