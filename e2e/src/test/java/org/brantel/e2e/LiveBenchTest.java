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
import java.nio.file.StandardCopyOption;
import java.util.regex.Pattern;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Watching a device being read. */
class LiveBenchTest {

    private final Lab lab = Lab.open();

    @TempDir
    private Path folder;

    private String number;

    @BeforeEach
    void putASlowCardAtTheBench() throws IOException {
        Path plan = new SimulatedDevice(folder, 8 << 20, 5)
                .serial("SLOW-1")
                .dead(3_000_320, 8192)
                .slow(0, 8 << 20, 350)
                .write();
        Files.move(
                folder.resolve("backing.img"),
                lab.devices().resolve("slow-card.img"),
                StandardCopyOption.REPLACE_EXISTING);
        Files.writeString(
                lab.devices().resolve("slow-card.json"),
                Files.readString(plan).replace("backing.img", "slow-card.img"));
        Visitor una = lab.as("una");
        number = new CaseForms()
                .device("type", "memory-card")
                .device("serial", "OTHER-9")
                .told("symptom.appears", "read-errors")
                .log(una);
    }

    @Test
    void theRibbonFillsLiveAndASessionIsPausedAndResumed() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("tom", Lab.PASSWORD);
            page.navigate("/cases/" + number + "/imaging");
            page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("SLOW-1"))
                    .click();
            assertThat(page.getByText("This may be the wrong device.")).isVisible();
            assertThat(steps.button("Attach all the same")).isDisabled();
            page.getByLabel("Why it is attached all the same").fill("The label was swapped, the customer knows it.");
            steps.button("Attach all the same").click();
            page.getByText("failing", new Page.GetByTextOptions().setExact(true))
                    .click();
            steps.button("Start imaging").click();

            Locator percent = page.locator(".fig.big b");
            assertThat(percent).not().hasText("0.0 %", new LocatorAssertions.HasTextOptions().setTimeout(90_000));
            String early = percent.textContent();
            assertThat(percent).not().hasText(early);
            assertThat(page.getByText(Pattern.compile("\\d under way"))).isVisible();
            assertThat(page.locator("svg.ribbon rect[fill='var(--fill)']").first())
                    .isVisible();

            page.locator("main").press(" ");
            assertThat(steps.button("Resume")).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(90_000));
            String paused = percent.textContent();
            page.reload();
            assertThat(percent).hasText(paused);
            assertThat(page.getByText("Paused; what was read is kept.")).isVisible();

            steps.button("Resume").click();
            assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Scan the image")))
                    .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(240_000));
            assertThat(page.getByText("8,192 bytes in 1 place did not read")).isVisible();
            assertThat(page.locator("svg.ribbon path.failed").first()).isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void theLensFollowsTheKeysAndThePointer() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("tom", Lab.PASSWORD);
            page.navigate("/cases/" + number + "/imaging");
            page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("SLOW-1"))
                    .click();
            page.getByLabel("Why it is attached all the same").fill("Only looking.");
            steps.button("Attach all the same").click();
            steps.button("Start imaging").click();
            Locator lens =
                    page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Magnified")));
            String first = lens.getAttribute("aria-label");
            page.locator("main").press("ArrowRight");
            assertThat(lens).not().hasAttribute("aria-label", first);
            String second = lens.getAttribute("aria-label");
            page.locator("main").press("+");
            assertThat(lens).not().hasAttribute("aria-label", second);
            page.locator("svg.ribbon").click();
            assertThat(lens).hasAttribute("aria-label", Pattern.compile("Magnified: 205 KiB from 3\\.\\d+ MiB"));
            assertThat(tab.faults()).isEmpty();
        }
    }
}
