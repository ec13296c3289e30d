package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;

/** The sound disk of a dead machine: its files are copied straight, up to the bag; a disk that is not sound is imaged. */
class StraightCopyTest {

    private static final String MEDIUM = "d12-fat32-healthy";

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    private static LocatorAssertions.IsVisibleOptions patient() {
        return new LocatorAssertions.IsVisibleOptions().setTimeout(240_000);
    }

    private String decidedCase() {
        String number = new CaseForms()
                .told("symptom.appears", "machine-does-not-start")
                .wanted("all their pictures", "image", "", 6)
                .log(una);
        una.post(
                        "/api/cases/" + number + "/triage/decision",
                        Map.of("path", "straight-copy", "reason", "The machine around it is dead.", "version", 0))
                .expect(200);
        return number;
    }

    /** At the bench: attaches the device, says why, and copies. */
    private static void copy(Page page, String number, String serial) {
        Steps steps = new Steps(page);
        page.navigate("/cases/" + number + "/imaging");
        steps.attach(serial);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Copy its files")))
                .isVisible();
        assertThat(steps.button("Start copying")).isDisabled();
        page.getByLabel("Why no image of all is made").fill("Only its files are asked for.");
        steps.button("Start copying").click();
    }

    @Test
    void fromTheBenchToTheBag() throws IOException {
        BenchDevices.put(lab, "office-disk", BenchDevices.corpus(lab, MEDIUM).serial("OFFICE-7"));
        String number = decidedCase();
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("una", Lab.PASSWORD);
            copy(page, number, "OFFICE-7");
            assertThat(page.getByText("26 files were copied and checked; 1.82 MiB of 48.0 MiB were read."))
                    .isVisible(patient());
            assertThat(page.getByText("26 files are listed")).isVisible();
            steps.link("See its files").click();
            assertThat(page.getByText("records, the copied files").first()).isVisible(patient());
            page.navigate("/cases/" + number + "/selection");
            steps.findings(26);
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Select all 26"))
                    .click();
            assertThat(page.locator(".chosen")).containsText("26 whole");
            steps.recover();
            assertThat(steps.button("Seal the delivery")).isVisible(patient());
            steps.button("Seal the delivery").click();
            assertThat(page.getByText("all 26 findings that were selected")).isVisible(patient());
        }
        una.await(
                "/api/cases/" + number + "/deliveries",
                d -> d.get(0).get("state").asString().equals("sealed"));
        Path bags = lab.home().resolve("bags").resolve(number);
        try (Stream<Path> all = Files.walk(bags)) {
            assertThat(all.filter(p -> p.toString().contains("/data/") && Files.isRegularFile(p)))
                    .hasSize(26);
        }
    }

    @Test
    void aDiskThatIsNotSoundIsImagedInstead() throws IOException {
        Corpus.TrueFile bad = Corpus.files(MEDIUM).stream()
                .filter(f -> f.state().equals("live") && f.size() > 50_000)
                .findFirst()
                .orElseThrow();
        SimulatedDevice device = BenchDevices.corpus(lab, MEDIUM).dead(bad.firstByte() + 4096, 512);
        BenchDevices.put(lab, "worn-disk", device.serial("WORN-7"));
        String number = decidedCase();
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("una", Lab.PASSWORD);
            copy(page, number, "WORN-7");
            assertThat(page.getByText("Image it instead?")).isVisible(patient());
            assertThat(page.getByText("did not read, so the device is not sound")
                            .first())
                    .isVisible();
            page.navigate("/desk");
            Locator asked = page.locator("li").filter(new Locator.FilterOptions().setHasText(number));
            assertThat(asked.first()).containsText("Image it instead?");
            page.navigate("/cases/" + number + "/imaging");
            steps.button("Image it").click();
            assertThat(page.getByText("512 bytes in 1 place did not read.")).isVisible(patient());
        }
    }
}
