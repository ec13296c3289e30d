package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.regex.Pattern;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A failing disk, read to its end: paused by a person, stopped by a limit, decided at the Desk, gone on. */
class FailingDeviceTest {

    private static final String LIMIT = "12 faults in all, the limit is 12";

    private final Lab lab = Lab.open();
    private String number;

    @BeforeEach
    void putAFailingDiskAtTheBench() throws IOException {
        BenchDevices.put(
                lab,
                "failing-disk",
                BenchDevices.device(lab, 8 << 20)
                        .serial("FAIL-77")
                        .dead(2_097_152, 24 * 512)
                        .dead(5_000_192, 512)
                        .slow(0, 8 << 20, 500)
                        .with("\"onFault\":\"stops\",\"health\":{\"celsius\":34,\"celsiusMost\":44,"
                                + "\"warmSeconds\":5,\"reallocated\":60,\"pending\":4,"
                                + "\"perFault\":{\"reallocated\":0,\"pending\":1,"
                                + "\"uncorrectable\":0}}"));
        Visitor una = lab.as("una");
        number = new CaseForms()
                .device("type", "hdd")
                .device("serial", "FAIL-77")
                .device("capacity", "8 MiB")
                .told("symptom.appears", "read-errors")
                .log(una);
    }

    @Test
    void isReadToItsEndWithAPauseALimitADecisionAndAResume() {
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("tom", Lab.PASSWORD);
            page.navigate("/cases/" + number + "/imaging");
            steps.attach("FAIL-77");
            steps.button("Ask the device").click();
            assertThat(page.getByText("reallocated sectors 60")).isVisible();
            // The reading changed what is proposed.
            assertThat(page.getByText("Its health readings are poor.")).isVisible();
            assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("failing")))
                    .isChecked();
            page.getByText("Stops at").click();
            page.getByLabel("Faults in all").fill("12");
            steps.button("Start imaging").click();

            Locator percent = page.locator(".fig.big b");
            assertThat(percent).not().hasText("0.0 %");
            page.locator("main").press(" ");
            assertThat(steps.button("Resume")).isVisible();
            assertThat(page.getByText("Paused; what was read is kept.").first()).isVisible();
            page.locator("main").press("r");
            steps.button("Resume").click();

            assertThat(page.getByText(LIMIT).first()).isVisible(patient());
            steps.button("Change").click();
            page.getByLabel("Faults in all").fill("0");
            page.getByLabel("Faults in a row").fill("0");
            steps.button("Save limits").click();

            page.navigate("/desk");
            Locator decision = page.locator("li, article, section, tr")
                    .filter(new Locator.FilterOptions().setHasText(number).setHasText(LIMIT))
                    .last();
            assertThat(decision).containsText("Go on past the limit?");
            assertThat(decision).containsText("nothing is lost");
            decision.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Go on"))
                    .click();

            page.navigate("/cases/" + number + "/imaging");
            assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Scan the image")))
                    .isVisible(patient());
            assertThat(page.getByText("12,800 bytes in 2 places did not read")).isVisible();
            assertThat(page.getByText(Pattern.compile("Pending")).first()).isVisible();
            steps.link("Report").click();
            assertThat(page.getByText("What stayed unread")).isVisible();
            assertThat(page.getByText("2,097,152").first()).isVisible();
            // In the course of the session.
            assertThat(page.getByText(LIMIT).first()).isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }

    private static LocatorAssertions.IsVisibleOptions patient() {
        return new LocatorAssertions.IsVisibleOptions().setTimeout(180_000);
    }
}
