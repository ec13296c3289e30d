package org.brantel.server.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLConnection;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.awaitility.Awaitility;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What leaves the lab leaves once, can be called back, and is on record as what the customer's own check found. */
class ReceiptTest {

    private static final int LARGE = 64 << 20;

    private final Lab lab = Lab.open();
    private Story story;
    private final Visitor customer = lab.nobody();
    private String door;

    @BeforeEach
    void recover() {
        story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure").selectedWhole();
        story.recovered();
    }

    private void open() {
        JsonNode link = story.link();
        door = "/api/portal" + link.get("path").asString().substring(2);
        customer.post(door + "/open", Map.of("passcode", link.get("passcode").asString()))
                .expect(204);
    }

    private long delivery() {
        return story.una.get(story.path("/deliveries")).json().get(0).get("id").asLong();
    }

    private JsonNode receipt() {
        return story.una.get(story.path("/deliveries")).json().get(0).get("receipt");
    }

    private String custody() {
        return story.una.get(story.path("/custody")).text();
    }

    private List<Map<String, Object>> seen() {
        return Story.seen(customer.get(door).expect(200).json());
    }

    private Visitor.Answer confirm(List<Map<String, Object>> seen) {
        return customer.post(door + "/receipt", Map.of("name", "Hilda Crane", "seen", seen));
    }

    @Test
    void sixWhoSealAtOnceMakeOneDelivery() throws Exception {
        ExecutorService people = Executors.newFixedThreadPool(6);
        List<Callable<Integer>> orders = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            Visitor una = lab.as("una");
            orders.add(() -> una.post(story.path("/deliveries")).status());
        }
        List<Integer> answers = new ArrayList<>();
        for (Future<Integer> answer : people.invokeAll(orders)) {
            answers.add(answer.get());
        }
        people.shutdown();
        assertThat(answers).containsOnly(201, 409);
        assertThat(story.una.get(story.path("/deliveries")).json().size())
                .isEqualTo((int) answers.stream().filter(a -> a == 201).count());
        assertThat(lab.sql()
                        .queryForObject(
                                "select count(*) from delivery d join lab_case c on c.id = d.case_id where c.number = ? "
                                        + "and d.state in ('WAITING', 'RUNNING')",
                                Integer.class,
                                story.number))
                .isLessThanOrEqualTo(1);
    }

    @Test
    void theLabHoldsTheBrowsersHashesAgainstTheSealedOnes() throws IOException {
        story.sealed();
        open();
        List<Map<String, Object>> seen = new ArrayList<>(seen());
        seen.set(0, Map.of("number", seen.get(0).get("number"), "sha256", "0".repeat(64)));
        assertThat(confirm(List.of(seen.get(1), seen.get(1))).expect(400).sentence())
                .contains("check again");
        assertThat(confirm(List.of(Map.of("number", 9_999, "sha256", "0".repeat(64))))
                        .expect(400)
                        .sentence())
                .contains("not what this delivery holds");
        assertThat(confirm(List.of(Map.of("number", 1, "sha256", "none")))
                        .expect(400)
                        .sentence())
                .contains("64 hexadecimal digits");
        confirm(seen).expect(204);
        assertThat(receipt().get("checked").asInt()).isEqualTo(seen.size());
        assertThat(receipt().get("equal").asInt()).isEqualTo(seen.size() - 1);
        assertThat(custody())
                .contains("whose browser hashed " + seen.size() + " of " + seen.size() + " files; " + (seen.size() - 1)
                        + " of these hashes are the sealed ones");
        Path list = story.bag().resolveSibling(story.bag().getFileName() + "-receipt-sha256.txt");
        assertThat(Files.readAllLines(list))
                .hasSize(seen.size())
                .first()
                .asString()
                .startsWith("0".repeat(64) + "  data/");
        story.awaitQuestion("Close the case?", "files as they were sealed");
    }

    @Test
    void aReceiptWithoutACheckSaysSoAndClosesNothing() {
        story.sealed();
        open();
        story.returned("to Hilda Crane");
        confirm(List.of()).expect(204);
        assertThat(receipt().get("checked").asInt()).isZero();
        assertThat(custody()).contains("by Hilda Crane, who did not check");
        assertThat(story.una.get(story.path("")).json().get("stage").asString()).isEqualTo("handover");
        story.awaitQuestion("Close the case?", "did not check");
    }

    @Test
    void aCaseThatWaitsForTheReceiptAloneClosesByACheckThatFoundAllAsSealed() {
        story.sealed();
        open();
        story.returned("to Hilda Crane");
        confirm(seen()).expect(204);
        assertThat(story.una.get(story.path("")).json().get("stage").asString()).isEqualTo("closed");
    }

    @Test
    void aLinkThatIsWithdrawnLetsNobodyInAndBreaksOffWhatIsUnderWay() throws Exception {
        story.sealed();
        Files.write(story.bag().resolve("large"), new byte[LARGE]);
        open();
        URLConnection download =
                URI.create(lab.address() + door + "/all.zip").toURL().openConnection();
        download.setRequestProperty("Cookie", "brantel-session=" + customer.cookie("brantel-session"));
        try (InputStream in = download.getInputStream()) {
            assertThat(in.readNBytes(1000)).hasSize(1000);
            String path = "/api/deliveries/" + delivery() + "/link";
            assertThat(story.una.delete(path).expect(200).json().has("withdrawnAt"))
                    .isTrue();
            story.una.delete(path).expect(409);
            assertThat(customer.get(door).expect(410).sentence()).contains("withdrawn");
            assertThat(lab.nobody()
                            .post(door + "/open", Map.of("passcode", "0000-0000"))
                            .expect(410)
                            .sentence())
                    .contains("withdrawn");
            TimeUnit.SECONDS.sleep(6);
            assertThatThrownBy(() -> readAll(in)).as("nothing that looks whole").isInstanceOf(IOException.class);
        }
        Awaitility.await("the record").untilAsserted(() -> assertThat(custody())
                .contains("withdrew the customer's link")
                .contains("broke off downloading everything"));
        story.awaitQuestion("Send the link to the customer?", "withdrawn");
        open();
        customer.get(door).expect(200);
    }

    private static void readAll(InputStream in) throws IOException {
        try {
            in.transferTo(java.io.OutputStream.nullOutputStream());
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }
}
