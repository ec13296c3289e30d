package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;

/** Getting in with a passkey, and a manager's hand on an account. */
class EntryTest {

    private final Lab lab = Lab.open();

    /** Passkeys hold by the lab's name, which an address of numbers is not. */
    private String byName() {
        return lab.address().replace("127.0.0.1", "localhost");
    }

    /** Something that makes and shows passkeys, as a phone does, and whose owner says yes to all. */
    private static void giveAuthenticator(Page page) {
        CDPSession session = page.context().newCDPSession(page);
        session.send("WebAuthn.enable");
        JsonObject wanted = JsonParser.parseString("{\"options\":{\"protocol\":\"ctap2\",\"transport\":\"internal\","
                        + "\"hasResidentKey\":true,\"hasUserVerification\":true,\"isUserVerified\":true,"
                        + "\"automaticPresenceSimulation\":true}}")
                .getAsJsonObject();
        session.send("WebAuthn.addVirtualAuthenticator", wanted);
    }

    @Test
    void aPasskeyIsMadeOpensTheLabAndIsTakenAway() {
        try (Chromium.Tab tab = Chromium.open(byName())) {
            Page page = tab.page();
            giveAuthenticator(page);
            new Steps(page).signIn("tom", Lab.PASSWORD);
            page.navigate("/own");
            page.getByText("Add a passkey").click();
            page.getByLabel("What to call it").fill("Key on the ring");
            Locator passkeys = page.locator("section[aria-labelledby=h-passkeys]");
            passkeys.getByLabel("Present password").fill(Lab.PASSWORD);
            new Steps(page).button("Make it").click();
            assertThat(passkeys).containsText("Key on the ring");
            new Steps(page).button("Sign out").click();
            new Steps(page).button("Sign in with a passkey").click();
            page.waitForURL("**/desk");
            assertThat(page.getByText("Tom Gale").first()).isVisible();
            page.navigate("/own");
            assertThat(page.getByText("signed in").first()).isVisible();
            assertThat(page.getByText("with a passkey").first()).isVisible();
            passkeys.getByText("Take away").click();
            passkeys.locator("li").getByLabel("Present password").fill(Lab.PASSWORD);
            new Steps(page).button("Take Key on the ring away").click();
            assertThat(passkeys).containsText("None yet.");
            new Steps(page).button("Sign out").click();
            new Steps(page).button("Sign in with a passkey").click();
            assertThat(page.getByText("opens nothing here")).isVisible();
            assertThat(tab.faults()).isEmpty();
        }
    }

    @Test
    void aManagerClosesAnAccountAndGivesALinkForANewPassword() {
        lab.own(Staff.class).add("ewan", "Ewan Hollis", Role.ENGINEER, Lab.PASSWORD);
        try (Chromium.Tab hers = Chromium.open(lab.address());
                Chromium.Tab his = Chromium.open(lab.address())) {
            Page petra = hers.page();
            Page ewan = his.page();
            new Steps(ewan).signIn("ewan", Lab.PASSWORD);
            new Steps(petra).signIn("petra", Lab.PASSWORD);
            petra.navigate("/people");
            Locator row = petra.locator("tr", new Page.LocatorOptions().setHasText("Ewan Hollis"))
                    .first();
            row.getByText("Change").click();
            row.getByText("Link for a new password").click();
            assertThat(row).containsText("/new-password#");
            String link = row.locator(".brk").textContent();
            row.getByText("Close the account").click();
            assertThat(row).containsText("their sessions are over");
            ewan.navigate("/bench");
            ewan.waitForURL("**/sign-in**");
            row.getByText("Open again").click();
            assertThat(row).containsText("Link for a new password");
            // Closing the account ended the link as well.
            ewan.navigate(link);
            ewan.getByLabel("Password, at least").fill("gannet over harbour");
            new Steps(ewan).button("Change it").click();
            assertThat(ewan.getByText("This link was used, or its time is over"))
                    .isVisible();
            row.getByText("Link for a new password").click();
            assertThat(row.locator(".brk")).not().hasText(link);
            ewan.navigate(row.locator(".brk").textContent());
            ewan.reload();
            ewan.getByLabel("Password, at least").fill("gannet over harbour");
            new Steps(ewan).button("Change it").click();
            new Steps(ewan).link("Sign in").click();
            new Steps(ewan).signIn("ewan", "gannet over harbour");
            assertThat(ewan.getByText("Ewan Hollis").first()).isVisible();
            assertThat(petra.getByText("link for a new password made").first()).isVisible();
        }
    }
}
