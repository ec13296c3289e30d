package org.brantel.server.closing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import java.util.function.Supplier;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.PackedCase;
import org.brantel.server.testing.ServerProcess;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/**
 * The server is killed in each step of the paths that need no imaging, when its records are written and not yet kept:
 * nothing of the step is there afterwards, nothing before it is lost, and it can be taken again.
 */
class StepKillTest {

    private ServerProcess server;

    @AfterEach
    void end() throws InterruptedException {
        server.kill();
    }

    private void start(String name) throws Exception {
        server = new ServerProcess(name);
        server.startWithManager();
        server.canHold("custody_entry");
    }

    /**
     * Takes a step, kills the server in it, and takes it once more.
     *
     * @param place where its outcome is seen
     */
    private void killedIn(String place, Function<Visitor, Visitor.Answer> step) throws Exception {
        String before = server.petra().get(place).expect(200).text();
        server.hold("custody_entry");
        Visitor petra = server.petra();
        CompletableFuture<Visitor.Answer> lost = CompletableFuture.supplyAsync(() -> step.apply(petra));
        server.killWhenHeld();
        assertThat(lost.handle((answer, cut) -> cut).get())
                .as("nobody was told that it is done")
                .hasRootCauseInstanceOf(IOException.class);
        server.letGo();
        server.start();
        server.signIn();
        assertThat(server.petra().get(place).expect(200).text()).as(place).isEqualTo(before);
        Visitor.Answer answer = step.apply(server.petra());
        assertThat(answer.status()).as(answer::text).isBetween(200, 201);
        assertThat(server.petra().get(place).text()).isNotEqualTo(before);
    }

    private List<String> custody(String number) {
        JsonNode tape = server.petra().get("/api/cases/" + number + "/custody").json();
        assertThat(tape.get("tears")).isEmpty();
        return tape.get("entries")
                .valueStream()
                .map(e -> e.get("what").asString())
                .toList();
    }

    private long device(String number) {
        return server.petra()
                .get("/api/cases/" + number)
                .json()
                .get("devices")
                .get(0)
                .get("id")
                .asLong();
    }

    @Test
    @Timeout(900)
    void aPartnerJobThereAndBack() throws Exception {
        start("killed_partner");
        String number = new CaseForms().told("symptom.noise", "clicking").log(server.petra());
        String partner = "/api/cases/" + number + "/partner";
        String today = LocalDate.now(ZoneOffset.UTC).toString();
        String later = LocalDate.now(ZoneOffset.UTC).plusDays(9).toString();
        long device = device(number);
        Supplier<Long> job = () ->
                server.petra().get(partner).json().get("jobs").get(0).get("id").asLong();
        killedIn(
                partner,
                p -> p.post(
                        partner,
                        Map.of(
                                "deviceId",
                                device,
                                "partner",
                                "Fastings Cleanroom",
                                "parcel",
                                "SK 4711",
                                "condition",
                                "clicks",
                                "on",
                                today,
                                "expected",
                                later)));
        long id = job.get();
        killedIn(
                partner,
                p -> p.put(
                        partner + "/" + id + "/quote", Map.of("on", today, "hundredths", 48050, "words", "new heads")));
        killedIn(
                partner,
                p -> p.put(
                        partner + "/" + id + "/answer",
                        Map.of("on", today, "approved", true, "by", "Hilda Crane", "expected", later)));
        killedIn(
                partner,
                p -> p.put(
                        partner + "/" + id + "/back",
                        Map.of(
                                "on", today,
                                "condition", "quiet",
                                "done", "heads changed",
                                "hundredths", 48050,
                                "serial", "")));
        assertThat(custody(number)).doesNotHaveDuplicates().hasSize(5);
    }

    @Test
    @Timeout(900)
    void aCopyAndTheClosing() throws Exception {
        start("killed_closing");
        String number = new CaseForms().log(server.petra());
        String of = "/api/cases/" + number;
        killedIn(
                of + "/copies",
                p -> p.put(
                        of + "/copies",
                        Map.of(
                                "place", "second-machine",
                                "called", "laptop",
                                "result", "found",
                                "lookedBy", "Hilda Crane",
                                "opened", "harvest.jpg",
                                "covers", List.of(),
                                "words", "")));
        Map<String, Object> returned = Map.of(
                "devices",
                List.of(device(number)),
                "disposition",
                "returned",
                "words",
                "to Hilda Crane, who is known",
                "day",
                LocalDate.now(ZoneOffset.UTC).toString());
        killedIn(of + "/closing", p -> p.post(of + "/closing/devices", returned));
        killedIn(
                of + "/closing",
                p -> p.post(of + "/closing", Map.of("outcome", "copy-found", "words", "on their laptop")));
        assertThat(server.petra().get(of).json().get("stage").asString()).isEqualTo("closed");
        assertThat(custody(number)).doesNotHaveDuplicates();
    }

    @Test
    @Timeout(900)
    void aCaseOfAnotherLab() throws Exception {
        Visitor una = Lab.open().as("una");
        byte[] file = PackedCase.of(una, new CaseForms().log(una));
        start("killed_arrival");
        long id = server.petra()
                .postBytes("/api/arrivals?name=there.zip", file)
                .expect(201)
                .json()
                .get("id")
                .asLong();
        String arrival = "/api/arrivals/" + id;
        killedIn(arrival, p -> p.post(arrival + "/bring-in", Map.of("compared", "by Una, on the phone")));
        List<String> numbers = new ArrayList<>(server.sql().queryForList("select number from lab_case", String.class));
        assertThat(numbers).as("once, not twice").hasSize(1);
        assertThat(custody(numbers.get(0))).containsExactly("logged the case", "brought the case in from another lab");
        // Packing it is long work: whoever comes next packs it, once.
        String labs = "/api/cases/" + numbers.get(0) + "/labs";
        server.petra()
                .post(labs + "/packings", Map.of("forLab", "the first", "why", "done"))
                .expect(201);
        server.kill();
        server.start();
        server.signIn();
        server.petra()
                .await(
                        labs,
                        l -> l.get("packings").get(0).get("state").asString().equals("done"));
        assertThat(custody(numbers.get(0))).containsOnlyOnce("packed the case for another lab");
    }
}
