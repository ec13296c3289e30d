package org.brantel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;

/** A device that was read before, and an image that is gone. */
class ReadingOnTest {

    private final Lab lab = Lab.open();
    private String medium = "";

    /** A card with dead sectors whose session reached its limit. */
    private Story stopped() throws IOException {
        medium = BenchDevices.put(
                lab,
                "part-read",
                BenchDevices.device(lab, 2 << 20).serial("PART-41").dead(600_064, 32 * 512));
        Story story = Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .attached(medium);
        story.readUntilFaults(1);
        return story;
    }

    @Test
    void aSessionThatNeedsSomebodyAsksThereAndItsDeviceIsReadOnNotFromZero() throws IOException {
        Story story = stopped();
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            Steps steps = new Steps(page);
            steps.signIn("tom", Lab.PASSWORD);
            page.navigate("/cases/" + story.number + "/imaging");
            assertThat(page.getByText("the limit is 1").first()).isVisible();
            assertThat(page.getByText("= 2,097,152 bytes")).isVisible();
            steps.button("End with what is read").first().click();
            story.awaitImaging("done");
            story.una.delete(story.path("/bench/attachment")).expect(204);
            story.una
                    .post(story.path("/bench/attachment"), Map.of("medium", medium))
                    .expect(201);
            page.reload();
            assertThat(page.getByText("Reading on keeps what is read and asks for nothing twice."))
                    .isVisible();
            assertThat(page.getByText("Read on,").first()).isVisible();
            page.getByLabel("Why it is read from its beginning all the same").fill("the cable was bad");
            assertThat(steps.button("Read it afresh")).isVisible();
        }
    }

    @Test
    void anImageThatIsGoneIsSaidOnEveryScreenOfItsCase() throws IOException {
        Story story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure");
        Path image = lab.home()
                .resolve("images")
                .resolve(story.number)
                .resolve(story.session().get("image").asString());
        Files.delete(image);
        try (Chromium.Tab tab = Chromium.open(lab.address())) {
            Page page = tab.page();
            new Steps(page).signIn("tom", Lab.PASSWORD);
            for (String place :
                    List.of("received", "triaged", "imaging", "scanning", "selection", "recovery", "custody")) {
                page.navigate("/cases/" + story.number + "/" + place);
                assertThat(page.getByText("is not where it was written")).isVisible();
            }
        }
    }
}
