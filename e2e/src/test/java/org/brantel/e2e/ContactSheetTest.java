package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;

/** A formatted card: pictures without names are looked at, not read. */
class ContactSheetTest {

    private final Lab lab = Lab.open();

    @Test
    void picturesHangByTheirDayAndAreChosenByHandAndByKeys() {
        Corpus.image("d09-raw-card", lab.inbox());
        Story card = Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .imaged("inbox/d09-raw-card.img")
                .scanned("carve");
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("tom", Lab.PASSWORD);
            page.navigate("/cases/" + card.number + "/selection");
            page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Places to open"))
                    .getByRole(AriaRole.BUTTON)
                    .click();
            page.keyboard().press("v");
            Locator pictures = page.locator(".picture");
            assertThat(pictures.first()).isVisible();
            assertThat((Boolean) page.locator(".picture img")
                            .first()
                            .evaluate("img => img.decode().then(() => img.naturalWidth > 50)"))
                    .isTrue();
            assertThat(page.locator(".day").first()).containsText("picture");
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(Pattern.compile("^draw [\\d,]+ pictures? ahead$")))
                    .click();
            assertThat(page.getByText(Pattern.compile("^([\\d,]+) of \\1 pictures? drawn$")))
                    .isVisible();
            assertThat(page.locator(".chosen")).containsText("0 whole");

            drag(page, pictures.nth(0).boundingBox(), pictures.nth(1).boundingBox());
            assertThat(page.locator(".frame.chosen")).hasCount(2);
            page.keyboard().press("u");
            assertThat(page.locator(".frame.chosen")).hasCount(0);

            pictures.first().click();
            page.keyboard().press("ArrowRight");
            page.keyboard().press("x");
            assertThat(page.locator(".frame.chosen")).hasCount(1);
            page.keyboard().press("Enter");
            assertThat(page.locator(".proof")).containsText("of its bytes are in the image");
            page.keyboard().press("v");
            assertThat(page.locator("table.lines")).isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }

    private static void drag(Page page, BoundingBox from, BoundingBox to) {
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
        page.mouse().down();
        page.mouse().move(to.x + to.width / 2, to.y + to.height / 2, new Mouse.MoveOptions().setSteps(8));
        page.mouse().up();
    }
}
