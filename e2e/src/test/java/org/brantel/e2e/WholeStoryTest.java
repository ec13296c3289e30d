package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From the counter to a verified delivery, first as coordinator, then as customer, with a real image as the device. */
class WholeStoryTest {

    private final Lab lab = Lab.open();

    @TempDir
    private Path folder;

    @Test
    void fromTheCounterToAVerifiedDelivery() throws Exception {
        Corpus.image("d01-fat16", lab.inbox());
        String number;
        String link;
        String passcode;
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            refusedSignIn(page, steps);
            steps.signIn("una", Lab.PASSWORD);
            number = logTheCase(page, steps);
            decide(page, steps);
            image(page, steps);
            scan(page, steps);
            choose(page);
            recoverAndSeal(page, steps);
            steps.button("Make the customer’s link").click();
            link = page.getByTestId("link").textContent();
            passcode = page.getByTestId("passcode").textContent();
            assertThat(tab.faults()).isEmpty();
        }
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            customer(tab.page(), new Steps(tab.page()), link, passcode);
            assertThat(tab.faults()).isEmpty();
        }
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("petra", Lab.PASSWORD);
            page.navigate("/cases/" + number + "/custody");
            assertThat(page.getByRole(AriaRole.STATUS)
                            .filter(new Locator.FilterOptions().setHasText("none was changed")))
                    .isVisible();
            for (String step : new String[] {
                "logged the case", "attached a medium", "finished imaging", "sealed a delivery", "confirmed receipt"
            }) {
                assertThat(page.locator(".tape").getByText(step, new Locator.GetByTextOptions().setExact(true)))
                        .isVisible();
            }
            page.navigate("/cases/" + number);
            assertThat(page.getByText("receipt confirmed")).isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }

    private static void refusedSignIn(Page page, Steps steps) {
        page.navigate("/desk");
        page.waitForURL("**/sign-in?to=/desk");
        page.getByLabel("Sign-in name").fill("una");
        page.getByLabel("Password").fill("wrong password");
        steps.button("Sign in").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("wrong; try again");
        assertThat(page.getByLabel("Sign-in name")).hasValue("una");
    }

    private static String logTheCase(Page page, Steps steps) {
        steps.link("New intake").click();
        page.getByLabel("Customer", new Page.GetByLabelOptions().setExact(true)).fill("Skerrow Point Field Station");
        page.getByLabel("Who is calling").fill("Ruth Ansley");
        page.locator("#phone").fill("0148 22 04");
        page.locator("#story").fill("Files deleted by mistake before the field trip.");
        steps.choose("Device", "usb stick");
        page.locator("#capacity").fill("a lot");
        Locator ranking =
                page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Ranking of the recovery paths"));
        steps.heard("Happened", "deleted directly");
        assertThat(ranking).containsText("Image then scan");
        assertThat(page.getByText("Nothing new on it")).isVisible();
        steps.choose("Noise", "clicking");
        assertThat(page.getByText("Do not power this device again")).isVisible();
        steps.choose("Noise", "none");
        assertThat(page.getByText("Do not power this device again")).isHidden();
        steps.choose("Used since", "none");
        steps.choose("Backup", "none");
        steps.button("contents").click();
        steps.choose("In the trash", "no");
        steps.wanted(1, "the pictures from the trip", "image", "", 6);
        steps.wanted(2, "letters and notes", "document", "", 8);
        steps.button("Log the device").click();
        // Refused: said in one sentence, and what was typed is still there.
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("'a lot' is not a capacity");
        assertThat(page.getByLabel("Who is calling")).hasValue("Ruth Ansley");
        page.locator("#capacity").fill("33.5 MB");
        page.keyboard().press("Control+Enter");
        return steps.caseNumber();
    }

    private static void decide(Page page, Steps steps) {
        Locator decide = steps.button("Decide");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Hardware work"))
                .click();
        assertThat(decide).isDisabled();
        assertThat(page.getByText("write down why it is taken")).isVisible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Image then scan"))
                .click();
        decide.click();
        assertThat(page.getByText("now: Image then scan")).isVisible();
    }

    private static void image(Page page, Steps steps) {
        steps.link("Open imaging").click();
        steps.attach("d01-fat16.img");
        steps.button("Start imaging").click();
        assertThat(page.getByRole(
                        AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("Map of the device"))))
                .isVisible();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Scan the image")))
                .isVisible(patient());
        assertThat(page.getByText(Corpus.truth("d01-fat16").get("sha256").asString()))
                .isVisible();
        assertThat(page.getByText("Every byte was read.")).isVisible();
    }

    private static LocatorAssertions.IsVisibleOptions patient() {
        return new LocatorAssertions.IsVisibleOptions().setTimeout(240_000);
    }

    private static void scan(Page page, Steps steps) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Scan the image"))
                .click();
        steps.scan("records and content");
        assertThat(steps.link("Open catalogue")).isVisible(patient());
        assertThat(page.getByText("FAT16, live, 32.0 MiB")).isVisible();
        steps.link("Open catalogue").click();
    }

    private static void choose(Page page) {
        Steps steps = new Steps(page);
        steps.findings(22);
        // By wanted line, by prognosis, by text.
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("the pictures from the trip")))
                .click();
        assertThat(page.locator("table.lines")).not().hasAttribute("aria-rowcount", "23");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("the pictures from the trip")))
                .click();
        page.keyboard().press("/");
        page.keyboard().type("brood");
        steps.findings(1);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Frame with brood.jpg"))
                .click();
        Locator picture = page.getByAltText("What Frame with brood.jpg shows");
        assertThat(picture).isVisible();
        assertThat((Boolean) picture.evaluate("img => img.decode().then(() => img.naturalWidth > 100)"))
                .isTrue();
        assertThat(page.locator(".proof")).containsText("Every code of its 1 scan reads");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("show everything"))
                .click();
        steps.button("by kind, origin, prognosis").click();
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^whole")))
                .check();
        steps.findings(17);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Select all 17"))
                .click();
        assertThat(page.locator(".chosen")).containsText("17 whole");
        page.locator(".chosen")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(page.locator(".chosen")).containsText("0 whole");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Select all 17"))
                .click();
        assertThat(page.locator(".chosen")).containsText("17 whole");
    }

    private static void recoverAndSeal(Page page, Steps steps) {
        steps.recover();
        assertThat(steps.button("Seal the delivery")).isVisible(patient());
        assertThat(page.getByText("Every file was read back and hashed again")).isVisible();
        assertThat(page.locator("table.rows tbody tr")).hasCount(17);
        steps.button("Seal the delivery").click();
        assertThat(page.getByText("sealed", new Page.GetByTextOptions().setExact(false))
                        .first())
                .isVisible(patient());
        assertThat(page.getByText("all 17 findings that were selected")).isVisible();
    }

    /** On paper every file is listed, and nothing is offered that paper cannot do. */
    private static void isPrintedWhole(Page page, Path bag) throws IOException {
        String paper;
        try (PDDocument printed = Loader.loadPDF(page.pdf())) {
            paper = new PDFTextStripper().getText(printed).replaceAll("\\s", "");
        }
        try (Stream<Path> all = Files.walk(bag.resolve("data"))) {
            assertThat(all.filter(Files::isRegularFile)
                            .map(f -> f.getFileName().toString().replaceAll("\\s", "")))
                    .hasSize(17)
                    .allSatisfy(name -> assertThat(paper).contains(name));
        }
        assertThat(paper).contains("Thelistisours").doesNotContain("Download", "Showall", "Confirm");
    }

    private void customer(Page page, Steps steps, String link, String passcode) throws Exception {
        page.navigate(link);
        page.getByLabel("Passcode").fill("0000-0000");
        steps.button("Open").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("not the passcode");
        page.getByLabel("Passcode").fill(passcode);
        steps.button("Open").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Ruth")))
                .isVisible();
        assertThat(page.getByText("“the pictures from the trip”")).isVisible();

        Path unpacked = steps.downloadEverything(folder.resolve("unpacked"));
        Path bag;
        try (Stream<Path> top = Files.list(unpacked)) {
            bag = top.findFirst().orElseThrow();
        }
        Process check = new ProcessBuilder("sha256sum", "--strict", "-c", "manifest-sha256.txt")
                .directory(bag.toFile())
                .redirectErrorStream(true)
                .start();
        assertThat(new String(check.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
                .doesNotContain("FAILED");
        assertThat(check.waitFor(120, TimeUnit.SECONDS) && check.exitValue() == 0)
                .isTrue();

        isPrintedWhole(page, bag);

        Download one = page.waitForDownload(
                () -> steps.link("Download Frame with brood.jpg").click());
        assertThat(one.suggestedFilename()).isEqualTo("Frame with brood.jpg");

        // As on a phone: the ZIP as it came, which nobody unpacks.
        page.getByTestId("zip").setInputFiles(folder.resolve("everything.zip"));
        assertThat(page.getByText("17 equal, byte for byte")).isVisible(patient());
        page.reload();
        assertThat(steps.button("Confirm without a check")).isVisible();

        // One byte of one file is changed: the check in the browser must see it.
        Path victim;
        try (Stream<Path> all = Files.walk(bag.resolve("data"))) {
            victim = all.filter(p -> p.toString().endsWith("Frame with brood.jpg"))
                    .findFirst()
                    .orElseThrow();
        }
        byte[] right = Files.readAllBytes(victim);
        byte[] wrong = right.clone();
        wrong[wrong.length / 2] ^= 1;
        Files.write(victim, wrong);
        page.getByTestId("folder").setInputFiles(bag);
        assertThat(page.getByText("16 equal, byte for byte")).isVisible(patient());
        assertThat(page.getByText("1 differs from the list")).isVisible();
        assertThat(page.getByText("Same length, but its bytes are not the ones on the list"))
                .isVisible();
        assertThat(steps.button("Confirm receipt")).isDisabled();
        Files.write(victim, right);
        page.getByTestId("files").setInputFiles(victim);
        assertThat(page.getByText("17 equal, byte for byte")).isVisible(patient());
        assertThat(page.getByText("Every file was checked, and every one is as we sent it."))
                .isVisible();
        steps.button("Confirm receipt").click();
        assertThat(page.getByText("Thank you, Ruth Ansley.")).isVisible();
        page.reload();
        assertThat(page.getByText("17 of 17 checked files were equal")).isVisible();
    }
}
