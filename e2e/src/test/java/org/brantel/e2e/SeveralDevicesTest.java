package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.regex.Pattern;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;

/** A box with four disks, as the demo has it: one clicks, two are read side by side, each goes its way. */
class SeveralDevicesTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    private void membersAtTheBench() throws IOException {
        Path demo = Lab.repository().resolve("demo").resolve("devices");
        try (DirectoryStream<Path> members = Files.newDirectoryStream(demo, "hall-*")) {
            for (Path member : members) {
                Files.copy(member, lab.devices().resolve(member.getFileName()), StandardCopyOption.REPLACE_EXISTING);
            }
        }
    }

    private String box() {
        CaseForms form = new CaseForms()
                .device("type", "nas")
                .device("model", "Harbour 4")
                .told("loss.event", "power-cut")
                .told("set.members", "one-missing")
                .told("symptom.appears", "not-detected")
                .told("copy.backup", "none")
                .toldOf(4, "symptom.noise", "clicking")
                .wanted("the parish registers", "document", "Registers/*", 12);
        for (int slot = 1; slot <= 4; slot++) {
            form.another("hdd", "serial", "HS8-90%d-4410%d".formatted(slot, slot));
            form.last("slot", slot).last("setName", "hall");
        }
        return form.log(una);
    }

    private static Locator devices(Page page) {
        return page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Devices of the case"));
    }

    /** What is shown speaks of another device from the moment on in which the list says so. */
    private static void take(Page page, String which) {
        Locator button = devices(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + which + " ")));
        button.click();
        assertThat(button).hasAttribute("aria-pressed", "true");
    }

    private static void reads(Page page, String which, String medium) {
        Steps steps = new Steps(page);
        take(page, which);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Attach " + which)))
                .isVisible();
        // The one that bears its serial is chosen already.
        assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setChecked(true)))
                .containsText(medium);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Attach").setExact(true))
                .click();
        steps.button("Start imaging").click();
    }

    private static void stands(Page page, String which, String how) {
        assertThat(devices(page).getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(which)))
                .containsText(how, new LocatorAssertions.ContainsTextOptions().setTimeout(120_000));
    }

    @Test
    void fiveDevicesOfABoxGoTheirOwnWays() throws IOException {
        membersAtTheBench();
        String number = box();
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("una", Lab.PASSWORD);
            Locator asked = page.locator("li").filter(new Locator.FilterOptions().setHasText(number));
            assertThat(asked.filter(new Locator.FilterOptions().setHasText("device 1 and slots 1, 2 and 4")))
                    .containsText("Assemble first?");
            assertThat(asked.filter(new Locator.FilterOptions().setHasText("slot 3")))
                    .containsText("Hardware work?");
            page.navigate("/cases/" + number + "/triaged");
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Ranking for device 1")))
                    .isVisible();
            page.locator("main").press("d");
            assertThat(page.getByText(number + ": assemble first was decided.")).isVisible();
            for (int i = 0; i < 3; i++) {
                page.locator("main").press("]");
            }
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Ranking for slot 3")))
                    .isVisible();
            assertThat(page.getByText("by its own facts this device leads to hardware work"))
                    .isVisible();
            page.locator("main").press("d");
            assertThat(page.getByText(number + ", slot 3: hardware work was decided."))
                    .isVisible();
            assertThat(page.getByText("a path of its own")).isVisible();

            page.navigate("/cases/" + number + "/imaging");
            reads(page, "slot 1", "HS8-901-44101");
            reads(page, "slot 2", "HS8-902-44102");
            stands(page, "slot 1", "read to its end");
            stands(page, "slot 2", "read to its end");
            take(page, "slot 3");
            assertThat(page.getByText("Do not touch the device.")).isVisible();
            Locator spine = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Stages"));
            assertThat(spine.getByRole(
                            AriaRole.LINK, new Locator.GetByRoleOptions().setName("slot 3, not to be touched")))
                    .isVisible();

            page.navigate("/cases/" + number + "/scanning");
            for (String which : new String[] {"slot 1", "slot 2"}) {
                take(page, which);
                // One that was scanned by itself when it was read shows that session first.
                Locator sessions = page.getByText("Sessions of " + which);
                assertThat(sessions.or(page.getByText("Scan the image")).first())
                        .isVisible();
                if (sessions.isVisible()) {
                    page.locator("main").press("n");
                }
                steps.scan("records and content");
                stands(page, which, "13 findings");
            }
            page.navigate("/cases/" + number + "/selection");
            // Both hold the same files: what is equal is one line, and says where its bytes are taken from.
            steps.findings(13);
            assertThat(page.locator("table.lines tr.finding").first()).containsText("slot 1");
            page.navigate("/desk");
            assertThat(asked.filter(new Locator.FilterOptions().setHasText("slot 3")))
                    .containsText("Send the device to the partner?");
            assertThat(asked.filter(new Locator.FilterOptions().setHasText("slot 4")))
                    .containsText("Attach its device and read it?");
        }
        assertThat(una.get("/api/cases/" + number + "/devices").expect(200).json())
                .extracting(
                        d -> d.get("which").asString() + " " + d.get("stage").asString())
                .containsExactly(
                        "device 1 triaged", "slot 1 selection", "slot 2 selection", "slot 3 triaged", "slot 4 triaged");
    }
}
