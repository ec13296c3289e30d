package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.PackedCase;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tools.jackson.databind.JsonNode;

/**
 * WCAG 2.2 AA, as far as a machine can tell, on every screen, light and dark; and nothing is cut off, covered or pushed
 * out of the page, at the design size, at 200 % zoom and on a phone.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class AccessibilityTest {

    private final Lab lab = Lab.open();
    private Story delivered;
    private String received;
    private String several;
    private long clicking;
    private String failing;
    private String waiting;
    private String manyKinds;
    private JsonNode link;
    private long arrived;
    private final List<String> violations = new ArrayList<>();

    @BeforeAll
    void takeACaseAlong() throws IOException {
        delivered = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both").selectedWhole();
        delivered.recovered();
        delivered.sealed();
        link = delivered.link();
        Story sick = Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .attached(BenchDevices.put(
                        lab,
                        "sick-card",
                        BenchDevices.device(lab, 1 << 20)
                                .dead(300_032, 8 * 512)
                                .with("\"onFault\":\"stops\",\"health\":{\"celsius\":31,"
                                        + "\"celsiusMost\":40,\"pending\":30,\"reallocated\":3}")));
        sick.readUntilFaults(3);
        failing = sick.number;
        waiting = Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .attached(BenchDevices.put(lab, "waiting-card", BenchDevices.device(lab, 1 << 20)))
                .number;
        Corpus.image("d09-raw-card", lab.inbox());
        manyKinds = Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .imaged("inbox/d09-raw-card.img")
                .scanned("carve")
                .number;
        several = new CaseForms()
                .device("type", "hdd")
                .another("hdd", "serial", "AX-2")
                .another("hdd", "serial", "AX-3")
                .told("loss.event", "deleted-directly")
                .toldOf(3, "symptom.noise", "clicking")
                .log(lab.as("una"));
        JsonNode devices = lab.as("una").get("/api/cases/" + several).json().get("devices");
        clicking = devices.get(2).get("id").asLong();
        lab.as("una")
                .post(
                        "/api/cases/" + several + "/triage/decision",
                        Map.of("device", clicking, "path", "hardware-work", "version", 0))
                .expect(200);
        received = new CaseForms()
                .device("type", "hdd")
                .told("symptom.noise", "clicking")
                .told("loss.event", "dropped")
                .told("copy.backup", "older")
                .log(lab.as("una"));
        arrived = fileOfAnotherLab();
    }

    private long fileOfAnotherLab() throws IOException {
        Lab other = Lab.another("Lab of the salt works");
        try {
            Visitor una = other.as("una");
            byte[] file = PackedCase.of(una, new CaseForms().log(una));
            return lab.as("una")
                    .postBytes("/api/arrivals?name=from-there.zip", file)
                    .expect(201)
                    .json()
                    .get("id")
                    .asLong();
        } finally {
            other.stop();
        }
    }

    /** Only two of the values: without a preference nothing new is shown. */
    @ParameterizedTest
    @EnumSource(names = {"LIGHT", "DARK"})
    void everyScreenPasses(ColorScheme scheme) {
        try (Chromium.Tab tab = Chromium.open(lab.address(), 1280, 800, scheme)) {
            Page page = tab.page();
            page.navigate("/sign-in");
            check(page, "Sign in");
            new Steps(page).signIn("petra", Lab.PASSWORD);
            check(page, "Needs a decision now");
            for (Map.Entry<String, String> screen : Map.ofEntries(
                            Map.entry("/intake", "Say this now"),
                            Map.entry("/bench", "Stations"),
                            Map.entry("/handover", "deliveries and receipts"),
                            Map.entry("/ledger", "none was changed"),
                            Map.entry("/own", "What concerns your account"),
                            Map.entry("/people", "All entries meet"),
                            Map.entry("/day", "Open in money"),
                            Map.entry("/lab-record", "Where cases wait"),
                            Map.entry("/cases/" + manyKinds + "/selection", "no name kept"),
                            Map.entry("/cases/" + received + "/received", "What was said"),
                            Map.entry("/cases/" + received + "/triaged", "Decide"),
                            Map.entry("/cases/" + several + "/received", "To another case"),
                            Map.entry("/cases/" + several + "/triaged?device=" + clicking, "a path of its own"),
                            Map.entry("/cases/" + several + "/imaging?device=" + clicking, "Do not touch the device"),
                            Map.entry("/cases/" + several + "/intake", "Said of"),
                            Map.entry("/cases/" + received + "/copies", "What copies cover"),
                            Map.entry("/cases/" + received + "/partner", "Whose bench"),
                            Map.entry("/cases/" + received + "/labs", "For which lab"),
                            Map.entry("/arrivals", "From other labs"),
                            Map.entry("/arrivals/" + arrived, "Nobody has compared this key"),
                            Map.entry("/cases/" + number() + "/closed", "What became of the devices"),
                            Map.entry("/cases/" + received + "/notes", "Notes and calls"),
                            Map.entry("/cases/" + received + "/photos", "or drop them here"),
                            Map.entry("/cases/" + received + "/messages", "did not agree to e-mail"),
                            Map.entry("/settings", "Price list"),
                            Map.entry("/outbox", "what customers are told"),
                            Map.entry("/cases/" + received + "/imaging", "Attach the device"),
                            Map.entry("/cases/" + number() + "/imaging", "Every byte was read"),
                            Map.entry("/cases/" + number() + "/scanning", "each joins the one catalogue"),
                            Map.entry("/cases/" + number() + "/selection", "selected"),
                            Map.entry("/cases/" + number() + "/recovery", "Result by file"),
                            Map.entry("/cases/" + number() + "/handover", "In the bag"),
                            Map.entry("/cases/" + number() + "/custody", "none was changed"))
                    .entrySet()) {
                page.navigate(screen.getKey());
                check(page, screen.getValue());
            }
            page.navigate("/cases/" + manyKinds + "/selection?folder=none");
            check(page, "% whole");
            page.keyboard().press("f");
            check(page, "Prognosis");
            page.keyboard().press("v");
            assertThat(page.locator(".picture").first()).isVisible();
            check(page, " pictures");
            page.navigate("/nowhere");
            check(page, "There is nothing at this address.");
            page.navigate("/cases/" + received + "/triaged");
            assertThat(page.getByText("Ask next")).isVisible();
            page.keyboard().press("Control+k");
            page.keyboard().type("the");
            check(page, "The day");
            page.keyboard().press("Escape");
            page.locator("main").press("b");
            check(page, "what you see counts more");
            page.locator("main").press("h");
            check(page, "What it waits for");
            page.navigate("/intake");
            page.locator("#story").fill("fell off the bench, clicks, about forty letters since 2011");
            check(page, "clicks");
            page.navigate("/cases/" + number() + "/imaging");
            new Steps(page).link("Report").click();
            check(page, "What stayed unread");
            page.navigate("/cases/" + failing + "/imaging");
            check(page, "the limit is 3");
            new Steps(page).button("Change").click();
            new Steps(page).button("Write a reading down").click();
            check(page, "End with what is read");
            page.navigate("/cases/" + waiting + "/imaging");
            page.getByText("Stops at").click();
            check(page, "Why healthy:");
            page.navigate("/cases/" + number() + "/selection");
            page.locator(".nameb").first().click();
            check(page, "of its bytes are in the image");
            new Steps(page).button("Show the evidence").click();
            check(page, "Judged");
            page.navigate("/cases/" + number() + "/scanning");
            page.locator("button.volume").first().click();
            check(page, "Scan this volume alone");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("New session"))
                    .click();
            check(page, "lost volumes, before a format");
        }
        try (Chromium.Tab tab = Chromium.open(lab.address(), 1280, 800, scheme)) {
            Page page = tab.page();
            page.navigate(link.get("path").asString());
            check(page, "Your files are ready");
            page.getByLabel("Passcode").fill(link.get("passcode").asString());
            new Steps(page).button("Open").click();
            check(page, "The list is ours");
        }
        assertThat(violations).isEmpty();
    }

    private String number() {
        return delivered.number;
    }

    private void check(Page page, String shows) {
        assertThat(page.getByText(shows).first()).isVisible();
        violations.addAll(Axe.faults(page));
    }
}
