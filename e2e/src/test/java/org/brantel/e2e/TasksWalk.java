package org.brantel.e2e;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Plays the tasks of docs/using.md in a fresh demo lab with a stop-watch; scripts/walk-tasks runs it. */
public final class TasksWalk {

    private static final String PASSWORD = "skerrow-demo";

    private final String address;
    private final List<StopWatch.Took> tasks = new ArrayList<>();

    private TasksWalk(String address) {
        this.address = address;
    }

    /** @param args address of the demo lab */
    public static void main(String[] args) {
        // The browser's own threads would keep the process, whether it ends well or not.
        try {
            TasksWalk walk = new TasksWalk(args[0]);
            walk.playAll();
            System.out.println("| who | task | seconds | of them the lab's | keys | clicks | doubts |");
            System.out.println("| --- | --- | --: | --: | --: | --: | --: |");
            walk.tasks.forEach(t -> System.out.println(t.row()));
            System.exit(0);
        } catch (IOException | RuntimeException | AssertionError e) {
            e.printStackTrace();
            System.exit(1);
        }
    }

    private void playAll() throws IOException {
        String[] link = new String[2];
        as("una", this::coordinator);
        as("tom", this::engineer);
        as("una", (page, watch) -> handOver(page, watch, link));
        as("petra", this::manager);
        customer(link[0], link[1]);
    }

    private interface Part {
        void play(Page page, StopWatch watch);
    }

    private void as(String login, Part part) {
        try (Chromium.Tab tab = Chromium.open(address)) {
            Page page = tab.page();
            new Steps(page).signIn(login, PASSWORD);
            StopWatch watch = new StopWatch(page);
            watch.waitFor(page.locator("[aria-labelledby=h-now] li").first());
            watch.afresh();
            part.play(page, watch);
            tasks.addAll(watch.tasks());
        }
    }

    private static Locator button(Page page, String name) {
        return new Steps(page).button(name).first();
    }

    private static Locator text(Page page, String text) {
        return page.getByText(text).first();
    }

    private static Locator field(Page page, String css) {
        return page.locator(css);
    }

    private void coordinator(Page page, StopWatch watch) {
        watch.press("n");
        watch.waitFor(field(page, "#story"));
        watch.type("disk fell off the bench, clicks, not showing, about forty letters since 2011");
        watch.waitFor(text(page, "Do not power this device again"));
        watch.press("Tab");
        watch.type("Skerrow Sail Loft");
        watch.press("Enter");
        watch.type("Ada Lunt");
        watch.press("Enter");
        watch.type("0148 29 91");
        watch.press("Control+Enter");
        watch.waitFor(page.locator(".dk-no"));
        watch.done("coordinator", "log a dropped disk from a call");

        watch.click(page.locator(".undo").getByRole(AriaRole.BUTTON).first());
        watch.waitFor(field(page, "#story"));
        watch.done("coordinator", "take the case back that was just logged");

        page.navigate("/desk");
        watch.waitFor(page.locator("[aria-labelledby=h-now] li").first());
        watch.afresh();
        watch.press("Control+k");
        watch.type("ganet hed museum");
        watch.waitFor(page.locator(".goals").getByText("Gannet").first());
        watch.press("Enter");
        watch.waitFor(page.locator(".dk-no"));
        watch.done("coordinator", "find a case by a name as it was heard");

        watch.click(page.locator(".spine").getByText("Triaged"));
        watch.waitFor(text(page, "Decide"));
        watch.press("d");
        watch.waitFor(page.locator(".undo"));
        watch.done("coordinator", "decide its path as the ranking proposes");

        watch.press("h");
        watch.type("waits for the charger");
        watch.press("Enter");
        watch.waitFor(text(page, "On hold until"));
        watch.press("u");
        watch.waitUntilGone(text(page, "On hold until"));
        watch.done("coordinator", "put it on hold, and undo that");
    }

    private static String caseOf(Page page, String customer) {
        return page.locator("body")
                .evaluate(
                        "(b, name) => fetch('/api/cases').then(r => r.json()).then(c => c.cases.find(x => "
                                + "x.customer.startsWith(name)).number)",
                        customer)
                .toString();
    }

    private void engineer(Page page, StopWatch watch) {
        String theatre = caseOf(page, "Little Quay");
        page.navigate("/cases/" + theatre + "/imaging");
        watch.waitFor(page.getByRole(AriaRole.RADIO).first());
        watch.afresh();
        watch.click(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Mossbank Delve 48")));
        watch.click(page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Attach").setExact(true)));
        watch.waitFor(page.locator(".prop"));
        watch.click(button(page, "Start imaging"));
        watch.waitFor(page.locator(".fig.big"));
        watch.done("engineer", "attach a disk by its identity and start reading it as proposed");

        watch.waitFor(new Steps(page).link("Scan the image"));
        watch.afresh();
        watch.click(new Steps(page).link("Scan the image"));
        watch.click(page.getByRole(
                AriaRole.RADIO,
                new Page.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^records and content"))));
        watch.click(button(page, "Start scanning"));
        watch.waitFor(new Steps(page).link("Open catalogue"));
        watch.done("engineer", "scan its image by records and content");

        watch.click(new Steps(page).link("Open catalogue"));
        watch.click(button(page, "photos of the old puppets"));
        watch.click(button(page, "Select all"));
        watch.waitFor(page.locator(".chosen:not(:has-text('0 whole'))"));
        watch.press("r");
        watch.waitFor(button(page, "Seal the delivery"));
        watch.done("engineer", "choose what a wanted line means and recover it");

        page.navigate("/cases/" + caseOf(page, "Island Weather") + "/imaging");
        watch.waitFor(text(page, "Go on reading?"));
        watch.afresh();
        watch.click(button(page, "Go on"));
        watch.waitUntilGone(text(page, "Go on reading?"));
        watch.done("engineer", "answer what a device that went away asks");
    }

    private void handOver(Page page, StopWatch watch, String[] link) {
        page.navigate("/cases/" + caseOf(page, "Little Quay") + "/recovery");
        watch.waitFor(button(page, "Seal the delivery"));
        watch.afresh();
        watch.click(button(page, "Seal the delivery"));
        watch.click(button(page, "Make the customer’s link"));
        watch.waitFor(page.getByTestId("passcode"));
        link[0] = page.getByTestId("link").textContent();
        link[1] = page.getByTestId("passcode").textContent();
        watch.done("coordinator", "seal the delivery and make the customer's link");
    }

    private void manager(Page page, StopWatch watch) {
        watch.press("Control+k");
        watch.type("the day");
        watch.waitFor(page.locator(".goals").getByText("The day").first());
        watch.press("Enter");
        watch.waitFor(text(page, "Open in money"));
        watch.click(page.locator(".row1").first());
        watch.waitFor(page.locator(".entries li").first());
        watch.done("manager", "see what is late and what a colleague did today");

        watch.press("Control+k");
        watch.type("settings");
        watch.waitFor(page.locator(".goals").getByText("Settings").first());
        watch.press("Enter");
        watch.waitFor(text(page, "Price list"));
        watch.click(page.locator("#urgent"));
        watch.press("Control+a");
        watch.type("60");
        watch.click(button(page, "Save prices"));
        watch.waitFor(text(page, "Saved"));
        watch.done("manager", "raise what an urgent case costs more");
    }

    private void customer(String link, String passcode) throws IOException {
        try (Chromium.Tab tab = Chromium.open(address)) {
            Page page = tab.page();
            StopWatch watch = new StopWatch(page);
            page.navigate(link);
            watch.type(page.getByLabel("Passcode"), passcode);
            watch.press("Enter");
            watch.waitFor(text(page, "The list is ours"));
            Locator everything = new Steps(page).link("Download everything");
            Download download = page.waitForDownload(() -> watch.click(everything));
            Path zip = Files.createTempDirectory("delivery").resolve("everything.zip");
            download.saveAs(zip);
            watch.done("customer", "open the link and download everything");

            FileChooser chooser = page.waitForFileChooser(
                    () -> watch.click(page.locator("label.pick").first()));
            chooser.setFiles(zip);
            watch.waitFor(text(page, "Every file was checked"));
            watch.click(button(page, "Confirm receipt"));
            watch.waitFor(text(page, "Thank you, "));
            watch.done("customer", "check the ZIP in the browser and confirm");
            tasks.addAll(watch.tasks());
        }
    }
}
