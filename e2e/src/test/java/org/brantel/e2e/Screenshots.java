package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.Paths;

/** Takes the pictures of docs/screenshots from a fresh demo lab; scripts/screenshots runs it. */
public final class Screenshots {

    private static final String PASSWORD = "skerrow-demo";

    private final String address;
    private final Path folder;

    private Screenshots(String address, Path folder) {
        this.address = address;
        this.folder = folder;
    }

    /** @param args address of the demo lab, folder for the pictures */
    public static void main(String[] args) {
        // The browser's own threads would keep the process, whether it ends well or not.
        try {
            new Screenshots(args[0], Paths.get(args[1])).takeAll();
            System.exit(0);
        } catch (IOException | RuntimeException | AssertionError e) {
            e.printStackTrace();
            System.exit(1);
        }
    }

    private void takeAll() throws IOException {
        String link;
        String passcode;
        try (Chromium.Tab tab = Chromium.open(address)) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("una", PASSWORD);
            assertThat(page.getByText("Send the link to the customer?")).isVisible(patient());
            assertThat(page.getByText("Go on reading?")).isVisible(patient());
            take(page, "desk");
            String theatre = page.locator("tr", new Page.LocatorOptions().setHasText("Little Quay Puppet Theatre")).locator("a").first().textContent();
            intake(page, steps);
            String lighthouse = page.locator("body").evaluate("() => fetch('/api/cases').then(r => r.json()).then(c => c.find(x => x.customer.startsWith('Gannet')).number)").toString();
            page.navigate("/cases/" + lighthouse + "/triaged");
            assertThat(page.getByText("Ask next")).isVisible();
            take(page, "triage");

            page.navigate("/cases/" + theatre + "/imaging");
            steps.attach("Mossbank Delve 48");
            steps.button("Start imaging").click();
            assertThat(page.locator(".fig.big b")).hasText(java.util.regex.Pattern.compile("[67]\\d\\.\\d %"), new LocatorAssertions.HasTextOptions().setTimeout(60_000));
            page.locator("svg.ribbon").click(new Locator.ClickOptions().setPosition(330, 26));
            page.waitForTimeout(300);
            take(page, "imaging");
            page.navigate("/bench");
            assertThat(page.getByText("Stations")).isVisible();
            assertThat(page.getByText("2 under way")).isVisible();
            take(page, "bench");
            page.navigate("/cases/" + theatre + "/imaging");
            assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Scan the image"))).isVisible(patient());
            page.navigate("/cases/" + theatre + "/scanning");
            steps.button("Start scanning").click();
            assertThat(steps.link("Open catalogue")).isVisible(patient());
            page.mouse().move(0, 0);
            take(page, "scanning");
            catalogue(page, theatre);
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Select all 18")).click();
            assertThat(page.locator(".chosen")).not().containsText("0 whole");
            steps.button("Recover selection").click();
            assertThat(steps.button("Seal the delivery")).isVisible(patient());
            take(page, "recovery");
            steps.button("Seal the delivery").click();
            steps.button("Make the customer’s link").click(new Locator.ClickOptions().setTimeout(60_000));
            link = page.getByTestId("link").textContent();
            passcode = page.getByTestId("passcode").textContent();
            take(page, "handover");
            page.navigate("/cases/" + theatre + "/custody");
            assertThat(page.getByText("none was changed")).isVisible();
            take(page, "custody");
            page.navigate("/ledger");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Beekeepers")).click();
            assertThat(page.getByText("12 entries meet")).isVisible();
            take(page, "ledger");
        }
        customer(link, passcode);
        dark();
    }

    private void intake(Page page, Steps steps) {
        page.navigate("/intake");
        page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true)).fill("Tide-Gauge Office");
        page.getByLabel("Who is calling").fill("Ruth Ansley");
        page.getByLabel("Phone").fill("0148 22 04");
        page.getByLabel("E-mail").fill("tides@skerrow.example");
        page.getByLabel("What happened, as they tell it").fill("Fell off the bench on Monday, clicks when plugged in. The stave readings since 2009 are on it.");
        steps.choose("Device", "hdd");
        page.locator("#make").fill("Corran");
        page.locator("#model").fill("Fjord");
        page.locator("#capacity").fill("2 TB");
        steps.choose("Happened", "dropped");
        steps.choose("Shows", "not detected");
        steps.choose("Noise", "clicking");
        steps.choose("Tried", "power cycled");
        steps.choose("Worth", "irreplaceable");
        assertThat(page.getByText("Do not power this device again")).isVisible();
        page.waitForTimeout(400);
        take(page, "intake");
        page.evaluate("localStorage.clear()");
    }

    private void catalogue(Page page, String number) {
        page.navigate("/cases/" + number + "/selection");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("photos of the old puppets")).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Old puppet 4.jpg")).click();
        assertThat(page.getByAltText("What Old puppet 4.jpg shows")).isVisible();
        page.waitForTimeout(400);
        take(page, "catalogue");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("show everything")).click();
    }

    private void customer(String link, String passcode) throws IOException {
        try (Chromium.Tab tab = Chromium.open(address)) {
            Page page = tab.page();
            open(page, link, passcode);
            take(page, "customer");
            Path unpacked = Files.createTempDirectory("delivery");
            page.getByTestId("folder").setInputFiles(new Steps(page).downloadEverything(unpacked.resolve("bag")));
            assertThat(page.getByText("Every file was checked")).isVisible(patient());
            page.locator("#h-check").evaluate("h => h.scrollIntoView({ block: 'start' })");
            page.waitForTimeout(300);
            take(page, "customer-check");
        }
        try (Chromium.Tab tab = Chromium.open(address, 390, 844, ColorScheme.LIGHT)) {
            open(tab.page(), link, passcode);
            take(tab.page(), "customer-phone");
        }
    }

    private static void open(Page page, String link, String passcode) {
        page.navigate(link);
        page.getByLabel("Passcode").fill(passcode);
        new Steps(page).button("Open").click();
        assertThat(page.getByText("The list is ours")).isVisible();
    }

    private void dark() {
        try (Chromium.Tab tab = Chromium.open(address, 1280, 800, ColorScheme.DARK)) {
            Page page = tab.page();
            new Steps(page).signIn("tom", PASSWORD);
            String weather = page.locator("tr", new Page.LocatorOptions().setHasText("Island Weather Post")).locator("a").first().textContent();
            page.navigate("/cases/" + weather + "/imaging");
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Resume"))).isVisible();
            take(page, "imaging-dark");
        }
    }

    private static LocatorAssertions.IsVisibleOptions patient() {
        return new LocatorAssertions.IsVisibleOptions().setTimeout(90_000);
    }

    private void take(Page page, String name) {
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
