package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** What people do on the screens, in the screens' own words. */
final class Steps {

    private final Page page;

    Steps(Page page) {
        this.page = page;
    }

    /** So many findings pass; of a long list not all are on the page. */
    void findings(int many) {
        assertThat(page.locator("table.lines")).hasAttribute("aria-rowcount", String.valueOf(many + 1));
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    /** From the selection: looks at how it is laid out, and has it written like that. */
    void recover() {
        button("Recover selection").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Recover [\\d,]+ files?")))
                .click();
    }

    Locator link(String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name))
                .first();
    }

    /** A link that appears when long work is done. */
    Locator patiently(String name) {
        Locator link = link(name);
        assertThat(link).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(240_000));
        return link;
    }

    void signIn(String login, String password) {
        page.navigate("/sign-in");
        page.getByLabel("Sign-in name").fill(login);
        page.getByLabel("Password").fill(password);
        // Where passkeys hold there is another button that begins so.
        page.locator("form button[type=submit]").click();
        page.waitForURL("**/desk");
    }

    /** Chooses a value in a row of the intake, opening the row where the value is not among the common ones. */
    void choose(String row, String value) {
        Locator choice = choice(row, value);
        if (choice.count() == 0) {
            row(row).getByText("more").click();
        }
        choice.click();
        assertThat(choice).hasAttribute("aria-pressed", "true");
    }

    /** Waits until the free line has chosen a value by itself. */
    void heard(String row, String value) {
        assertThat(choice(row, value)).hasAttribute("aria-pressed", "true");
    }

    private Locator row(String row) {
        return page.locator(".row-choices[aria-label^='" + row + ":']");
    }

    private Locator choice(String row, String value) {
        return row(row).getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(value).setExact(true));
    }

    void wanted(int number, String words, String kind, String pattern, int howMany) {
        button("Add line").click();
        page.getByLabel("Line " + number + ", in their words").fill(words);
        page.getByLabel("Line " + number + ", kind").selectOption(kind);
        page.getByLabel("Line " + number + ", name or folder pattern").fill(pattern);
        page.getByLabel("Line " + number + ", how many").fill(Integer.toString(howMany));
    }

    /** The case that the address names. */
    String caseNumber() {
        page.waitForURL(Pattern.compile(".*/cases/BR-.*"));
        return page.url().replaceFirst(".*/cases/(BR-\\d{4}-\\d{4}).*", "$1");
    }

    void attach(String medium) {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(medium))
                .click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Attach").setExact(true))
                .click();
    }

    /**
     * Downloads the customer's ZIP and unpacks it; it stays beside the folder as {@code everything.zip}.
     *
     * @return the folder that was unpacked into
     */
    Path downloadEverything(Path into) throws IOException {
        Download download =
                page.waitForDownload(() -> link("Download everything").click());
        Path everything = into.resolveSibling("everything.zip");
        download.saveAs(everything);
        try (InputStream in = Files.newInputStream(everything);
                ZipInputStream zip = new ZipInputStream(in)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                Path file = into.resolve(entry.getName());
                Files.createDirectories(file.getParent());
                Files.copy(zip, file);
            }
        }
        return into;
    }

    /**
     * Starts a scan session.
     *
     * @param method how its choice begins, like {@code records and content}
     */
    void scan(String method) {
        page.getByRole(
                        AriaRole.RADIO,
                        new Page.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^" + method)))
                .click();
        button("Start scanning").click();
    }
}
