package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.brantel.core.testing.DatedPictures;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;

/**
 * About 40 otter photos from june and 3 videos were hoped for. The card holds pictures of many months, none of that
 * June, some that say no day at all, and no film. What the lab says of it, on its own screens and to the customer, is
 * no more than that.
 */
class TruthTest {

    private static final LocatorAssertions.IsVisibleOptions PATIENT =
            new LocatorAssertions.IsVisibleOptions().setTimeout(240_000);
    private static final List<String> MONTHS = List.of(
            "2019:10:03",
            "2020:03:14",
            "2021:01:09",
            "2022:06:11",
            "2023:08:22",
            "2024:05:03",
            "2025:02:17",
            "2025:10:30");
    private static final int UNDATED = 7;

    private final Lab lab = Lab.open();

    @Test
    void nothingIsSaidOfTheOttersThatIsNotKnown() throws IOException {
        List<String> taken = new ArrayList<>(MONTHS);
        for (int i = 0; i < UNDATED; i++) {
            taken.add("");
        }
        DatedPictures.write(lab.inbox().resolve("otters.img"), taken, 5);
        String link;
        String passcode;
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("una", Lab.PASSWORD);
            logTheCase(page, steps);
            steps.button("Decide").click();
            steps.link("Open imaging").click();
            steps.attach("otters.img");
            steps.button("Start imaging").click();
            steps.patiently("Scan the image").click();
            steps.scan("content alone");
            steps.patiently("Open catalogue").click();
            catalogue(page);
            steps.recover();
            assertThat(steps.button("Seal the delivery")).isVisible(PATIENT);
            steps.button("Seal the delivery").click();
            steps.button("Make the customer’s link").click(new Locator.ClickOptions().setTimeout(120_000));
            // The card beside it speaks of the bag now, from the bag alone.
            assertThat(page.getByRole(AriaRole.COMPLEMENTARY).getByText("3 chosen, 3 delivered whole"))
                    .isVisible();
            assertThat(page.getByRole(AriaRole.COMPLEMENTARY).getByText("complete"))
                    .hasCount(0);
            link = page.getByTestId("link").textContent();
            passcode = page.getByTestId("passcode").textContent();
            assertThat(tab.faults()).isEmpty();
        }
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            customer(tab.page(), new Steps(tab.page()), link, passcode);
            assertThat(tab.faults()).isEmpty();
        }
    }

    /** One sentence makes two wanted lines; the year that was not said is shown as such, and is right. */
    private static void logTheCase(Page page, Steps steps) {
        steps.link("New intake").click();
        page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true)).fill("Skerrow Point Field Station");
        page.locator("#story")
                .fill("caller Ruth Ansley 0148 22 04, camera card formatted, wants about 40 otter photos from "
                        + "june and 3 videos");
        assertThat(page.getByLabel("Who is calling")).hasValue("Ruth Ansley");
        assertThat(page.locator("#phone")).hasValue("0148 22 04");
        assertThat(page.getByLabel("Line 1, in their words")).hasValue("about 40 otter photos from june");
        assertThat(page.getByLabel("Line 2, in their words")).hasValue("3 videos");
        assertThat(page.getByLabel("Line 2, how many")).hasValue("3");
        assertThat(page.getByText("No year was said").first()).isVisible();
        String june = page.getByLabel("Line 1, from when").inputValue();
        page.getByLabel("Line 1, in their words").press("Alt+Y");
        int year = Integer.parseInt(june.substring(0, 4));
        assertThat(page.getByLabel("Line 1, from when")).hasValue((year - 1) + june.substring(4));
        page.getByLabel("Line 1, in their words").press("Alt+Shift+Y");
        assertThat(page.getByLabel("Line 1, from when")).hasValue(june);
        steps.choose("Used since", "none");
        steps.button("previews").click();
        page.keyboard().press("Control+Enter");
        steps.caseNumber();
    }

    private static void catalogue(Page page) {
        Locator band = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Wanted list"));
        assertThat(band).containsText("0 fit, " + UNDATED + " may fit");
        assertThat(band).containsText("hoped for 40");
        Locator videos =
                band.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("3 videos")));
        assertThat(videos).containsText("0 fit");
        assertThat(videos).not().containsText("may fit");
        Locator chosen = page.locator(".chosen");
        assertThat(chosen)
                .containsText("W1: 0 fit, " + UNDATED
                        + " may fit, 0 chosen of 40 hoped for; W2: 0 fit, 0 chosen of 3 hoped for");
        Locator rows = page.locator("table.lines tr.finding");
        new Steps(page).findings(MONTHS.size() + UNDATED + 5);
        band.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("otter photos")))
                .click();
        new Steps(page).findings(UNDATED);
        rows.first().getByRole(AriaRole.BUTTON).first().click();
        assertThat(page.locator(".proof")).containsText("may fit W1: Nothing says when it was made.");
        assertThat(page.locator(".proof")).containsText("does not fit W2");
        // Nothing is chosen, so there is nothing to confirm.
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("are them"))))
                .isDisabled();
        for (int i = 0; i < 3; i++) {
            rows.nth(i).getByRole(AriaRole.CHECKBOX).check();
        }
        assertThat(chosen).containsText("3 chosen of 40 hoped for");
        // The card stays within its column.
        Object overflow =
                page.evaluate("() => { const c = document.querySelector('aside.tagcard'); return c ? c.scrollWidth - "
                        + "c.clientWidth : 0 }");
        assertThat(((Number) overflow).intValue()).isLessThanOrEqualTo(0);
    }

    private static void customer(Page page, Steps steps, String link, String passcode) {
        page.navigate(link);
        page.getByLabel("Passcode").fill(passcode);
        steps.button("Open").click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Files that may be yours are here, Ruth.")))
                .isVisible();
        assertThat(page.getByText("We found 0 that fit, and " + UNDATED
                        + " of which nobody can say whether you meant them; you hoped for about 40."))
                .isVisible();
        assertThat(page.getByText("In this delivery: 3 whole. Nobody has confirmed yet that they are the ones you "
                        + "meant; please look."))
                .isVisible();
        assertThat(page.getByText("Nothing of this was found; you hoped for about 3. None of it is in this delivery."))
                .isVisible();
        assertThat(page.getByText("whole list is here")).hasCount(0);
    }
}
