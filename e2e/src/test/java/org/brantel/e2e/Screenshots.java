package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Path;
import java.nio.file.Paths;
import java.time.LocalDate;
import java.time.ZoneOffset;

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
            page.mouse().move(0, 0);
            page.reload();
            assertThat(page.getByText("Go on reading?")).isVisible();
            take(page, "desk");
            String theatre = caseOf(page, "Little Quay");
            intake(page);
            elsewhere(page, caseOf(page, "Skerrow Village Band"), caseOf(page, "Northhaven Parish"));
            String lighthouse = caseOf(page, "Gannet");
            page.navigate("/cases/" + lighthouse + "/triaged");
            assertThat(page.getByText("Ask next")).isVisible();
            take(page, "triage");

            page.navigate("/cases/" + theatre + "/imaging");
            steps.attach("Mossbank Delve 48");
            assertThat(steps.button("Start imaging")).isVisible();
            page.navigate("/cases/" + theatre + "/triaged");
            assertThat(page.getByText("Ask next")).isVisible();
            page.locator("main").press("b");
            steps.button("Let the station measure").click();
            assertThat(page.getByText("places had a fault")).isVisible();
            page.mouse().move(0, 0);
            page.navigate("/cases/" + theatre + "/imaging");
            steps.button("Start imaging").click();
            String survey = caseOf(page, "Marram Sound");
            bench(page, survey);
            page.navigate("/cases/" + theatre + "/imaging");
            assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Scan the image")))
                    .isVisible(patient());
            page.navigate("/cases/" + theatre + "/scanning");
            steps.scan("records and content");
            assertThat(steps.link("Open catalogue")).isVisible(patient());
            catalogue(page, theatre);
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Select all 18"))
                    .click();
            assertThat(page.locator(".chosen")).not().containsText("0 whole");
            steps.button("Recover selection").click();
            steps.button("by kind").click();
            assertThat(page.getByText("pictures/")).isVisible();
            page.mouse().move(0, 0);
            take(page, "layout");
            page.locator("main").press("r");
            assertThat(steps.button("Seal the delivery")).isVisible(patient());
            take(page, "recovery");
            steps.button("Seal the delivery").click();
            steps.button("Make the customer’s link").click(new Locator.ClickOptions().setTimeout(60_000));
            link = page.getByTestId("link").textContent();
            passcode = page.getByTestId("passcode").textContent();
            take(page, "handover");
            looking(page, caseOf(page, "Skerrow Beekeepers"));
            page.navigate("/ledger");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Beekeepers"))
                    .click();
            assertThat(page.getByText("none was changed")).isVisible();
            take(page, "ledger");
            page.navigate("/day");
            assertThat(page.getByText("Open in money")).isVisible();
            page.locator(".row1").first().click();
            assertThat(page.locator(".entries li").first()).isVisible();
            take(page, "day");
            strata(page, caseOf(page, "Corran Bay Lantern"));
        }
        customer(link, passcode);
    }

    /** A disk with a history: what lies under what. */
    private void strata(Page page, String number) {
        Steps steps = new Steps(page);
        page.navigate("/cases/" + number + "/imaging");
        steps.attach("Halden Reef 88");
        steps.button("Start imaging").click();
        steps.patiently("Scan the image").click();
        steps.scan("records what");
        steps.patiently("Open catalogue");
        steps.button("New session").click();
        steps.scan("records and content");
        assertThat(steps.button("Pause")).isVisible();
        assertThat(steps.button("Pause")).isHidden(new LocatorAssertions.IsHiddenOptions().setTimeout(90_000));
        page.navigate("/cases/" + number + "/scanning");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^logbooks")))
                .click();
        page.mouse().move(0, 0);
        page.waitForTimeout(300);
        take(page, "scanning");
    }

    private void intake(Page page) {
        page.navigate("/intake");
        page.locator("#story")
                .fill("dropped off bench mon, clicks when plugged in, not showing, tried twice, the stave "
                        + "readings, all of them since 2009");
        page.locator("#customer").fill("Tide-Gauge Office");
        page.locator("#contact").fill("Ruth Ansley");
        page.locator("#phone").fill("0148 22 04");
        page.locator("#email").fill("tides@skerrow.example");
        page.locator("#make").fill("Corran");
        page.locator("#model").fill("Fjord");
        page.locator("#capacity").fill("2 TB");
        new Steps(page).choose("Device", "hdd");
        new Steps(page).choose("Worth", "irreplaceable");
        assertThat(page.getByText("Do not power this device again")).isVisible();
        assertThat(page.getByText("2,000,000,000,000 B")).isVisible();
        assertThat(page.getByText("If hardware work")).isVisible();
        assertThat(page.getByText("draft kept")).isVisible();
        page.locator(".entry").evaluate("e => e.scrollTo(0, 0)");
        page.waitForTimeout(400);
        take(page, "intake");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Put aside"))
                .click();
        page.waitForURL("**/desk");
    }

    /** What is not done at the lab's own bench: looking for copies, and a partner's job. */
    private void elsewhere(Page page, String band, String parish) {
        Steps steps = new Steps(page);
        page.navigate("/cases/" + band + "/copies");
        looked(page, "Trash", "nothing is there", "the conductor");
        steps.button("Note what is there : Second machine").click();
        page.getByLabel("What of it was opened").fill("march-3.mp3");
        page.getByLabel("Day of what is newest in it")
                .fill(LocalDate.now(ZoneOffset.UTC).minusDays(3).toString());
        page.locator("fieldset input").first().check();
        page.getByLabel("Besides").fill("the conductor’s laptop");
        note(page, "Una Farrow");
        steps.button("Note what is there : Cloud").click();
        page.locator("fieldset input").last().check();
        note(page, "the conductor");
        assertThat(page.locator(".held-by")).hasCount(2);
        page.mouse().move(0, 0);
        take(page, "copies");

        devices(page, parish);
        page.navigate("/cases/" + parish + "/partner");
        String third = page.locator("#send-device option")
                .filter(new Locator.FilterOptions().setHasText("slot 3"))
                .getAttribute("value");
        page.locator("#send-device").selectOption(third);
        page.getByLabel("Whose bench").fill("Fastings Cleanroom");
        page.getByLabel("Parcel").fill("SK 4711");
        page.getByLabel("How it looks as it leaves").fill("clicks, lid unopened");
        steps.button("It is sent").click();
        page.getByLabel("Amount").fill("480.50");
        page.getByLabel("What they would do").fill("new heads from a donor");
        steps.button("Note the quote").click();
        page.getByLabel("Who said it").fill("the parish clerk");
        steps.button("Note the answer").click();
        assertThat(page.getByText("works on it")).isVisible();
        page.mouse().move(0, 0);
        take(page, "partner");
    }

    /** A box: one disk clicks and goes its own way, two are read one after the other. */
    private void devices(Page page, String parish) {
        page.navigate("/cases/" + parish + "/triaged");
        assertThat(page.getByText("Ranking for device 1")).isVisible();
        page.locator("main").press("d");
        assertThat(page.getByText("assemble first was decided")).isVisible();
        page.navigate("/cases/" + parish + "/triaged");
        assertThat(page.getByText("Ranking for ")).isVisible();
        for (int i = 0; i < 3; i++) {
            page.locator("main").press("]");
        }
        assertThat(page.getByText("decide: hardware work")).isVisible();
        page.locator("main").press("d");
        assertThat(page.getByText("hardware work was decided")).isVisible();
        page.navigate("/cases/" + parish + "/imaging");
        Locator list = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Devices of the case"));
        for (String slot : new String[] {"slot 1", "slot 2"}) {
            list.getByText(slot).click();
            assertThat(page.getByText("Attach " + slot)).isVisible();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Attach").setExact(true))
                    .click();
            new Steps(page).button("Start imaging").click();
            if (slot.equals("slot 1")) {
                assertThat(list)
                        .containsText(
                                "read to its end", new LocatorAssertions.ContainsTextOptions().setTimeout(60_000));
            }
        }
        assertThat(list).containsText("% read");
        page.mouse().move(0, 0);
        take(page, "devices");
    }

    private static void looked(Page page, String place, String result, String who) {
        new Steps(page).button("Note what is there : " + place).click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(result))
                .click();
        note(page, who);
    }

    private static void note(Page page, String who) {
        page.getByLabel("Who looked").fill(who);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Note it").setExact(true))
                .click();
        assertThat(page.getByLabel("Who looked")).isHidden();
    }

    private static String caseOf(Page page, String customer) {
        return page.locator("body")
                .evaluate(
                        "(b, name) => fetch('/api/cases').then(r => r.json()).then(c => c.cases.find(x => "
                                + "x.customer.startsWith(name)).number)",
                        customer)
                .toString();
    }

    /** A failing disk: how it would be read and why, then half way through. */
    private void bench(Page page, String number) {
        Steps steps = new Steps(page);
        page.navigate("/cases/" + number + "/imaging");
        steps.attach("Mossbank Delve 64");
        assertThat(page.getByText("reallocated sectors 120").first()).isVisible(patient());
        assertThat(page.locator(".prop")).isVisible();
        page.mouse().move(0, 0);
        steps.button("Start imaging").click();
        assertThat(page.locator(".fig.big b"))
                .hasText(
                        java.util.regex.Pattern.compile("[67]\\d\\.\\d %"),
                        new LocatorAssertions.HasTextOptions().setTimeout(60_000));
        page.locator("svg.ribbon").click(new Locator.ClickOptions().setPosition(330, 65));
        page.waitForTimeout(300);
        take(page, "imaging");
        page.navigate("/bench");
        assertThat(page.getByText("Stations")).isVisible();
        assertThat(page.getByText("being read").first()).isVisible();
        take(page, "bench");
    }

    private void catalogue(Page page, String number) {
        page.navigate("/cases/" + number + "/selection");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("photos of the old puppets"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Old puppet 4.jpg"))
                .click();
        assertThat(page.getByAltText("What Old puppet 4.jpg shows")).isVisible();
        page.waitForTimeout(400);
        take(page, "catalogue");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Old puppet 4.jpg"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("show everything"))
                .click();
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Places to open"))
                .getByRole(AriaRole.BUTTON)
                .first()
                .click();
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Shelves left behind")))
                .isVisible();
        new Steps(page).button("contact sheet").click();
        assertThat(page.locator(".picture img").first()).isVisible();
        page.waitForTimeout(1500);
        take(page, "contact-sheet");
        page.navigate("/cases/" + number + "/selection");
    }

    /** A film played in its proof, and two states of one table beside each other. */
    private void looking(Page page, String number) {
        page.navigate("/cases/" + number + "/selection?q=films");
        Locator rows = page.locator("table.lines tr.finding");
        assertThat(rows).hasCount(1);
        rows.first().dblclick();
        Locator frames = page.locator(".strip img");
        assertThat(frames).hasCount(8);
        page.waitForCondition(() -> (Boolean)
                frames.nth(7).evaluate("img => { img.scrollIntoView(); return img.complete && img.naturalWidth > 0 }"));
        page.locator(".strip button").nth(3).click();
        page.waitForCondition(() -> (Boolean) page.locator("video").evaluate("v => v.currentTime > 0.4 && !v.error"));
        page.locator("video").evaluate("v => v.pause()");
        page.locator("ol.strip").evaluate("s => s.scrollIntoView({ block: 'start' })");
        page.waitForTimeout(400);
        page.mouse().move(0, 0);
        take(page, "film");
    }

    private void customer(String link, String passcode) {
        try (Chromium.Tab tab = Chromium.open(address)) {
            Page page = tab.page();
            open(page, link, passcode);
            take(page, "customer");
        }
    }

    private static void open(Page page, String link, String passcode) {
        page.navigate(link);
        page.getByLabel("Passcode").fill(passcode);
        new Steps(page).button("Open").click();
        assertThat(page.getByText("The list is ours")).isVisible();
    }

    private static LocatorAssertions.IsVisibleOptions patient() {
        return new LocatorAssertions.IsVisibleOptions().setTimeout(90_000);
    }

    private void take(Page page, String name) {
        // Until the counts in the frame are there and nothing fades any more.
        page.waitForTimeout(500);
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
