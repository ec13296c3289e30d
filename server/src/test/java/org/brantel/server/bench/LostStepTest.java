package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.BenchRules;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.ServerProcess;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * A server is killed between the moments of one step: an imaging session that is done, its entry in custody, the scan
 * that follows by itself. Whatever the moment, the next server brings all of it, once.
 */
class LostStepTest {

    private static final int SIZE = 1 << 20;

    private ServerProcess server;

    private void start(String name) throws Exception {
        server = new ServerProcess(name);
        server.startWithManager();
        new BenchRules().with("scanRecords", true).set(server.petra());
        server.canHold("custody_entry", "scan_session");
    }

    @AfterEach
    void end() throws InterruptedException {
        server.kill();
    }

    @ParameterizedTest
    @ValueSource(strings = {"finished imaging", "scan_session"})
    @Timeout(900)
    void isBroughtByTheNextServer(String moment) throws Exception {
        start("lost_" + moment.replace(' ', '_'));
        SimulatedDevice device = new SimulatedDevice(server.devices(), SIZE, 7);
        Files.move(device.write(), server.devices().resolve("stick.json"));
        server.hold(moment);
        Visitor petra = server.petra();
        String number = new CaseForms().log(petra);
        petra.post("/api/cases/" + number + "/bench/attachment", Map.of("medium", "sim/stick"))
                .expect(201);
        petra.post("/api/cases/" + number + "/imaging", Map.of("profile", "healthy"))
                .expect(201);

        server.killWhenHeld();
        server.letGo();
        server.start();
        server.signIn();
        Visitor again = server.petra();

        again.await(
                "/api/cases/" + number + "/scans",
                s -> !s.isEmpty() && state(s.get(0)).equals("done"));
        JsonNode sessions = again.get("/api/cases/" + number + "/bench").json().get("sessions");
        assertThat(sessions).hasSize(1);
        assertThat(state(sessions.get(0))).isEqualTo("done");
        JsonNode tape = again.get("/api/cases/" + number + "/custody").json();
        assertThat(tape.get("tears")).isEmpty();
        List<String> did =
                stream(tape.get("entries")).map(e -> e.get("what").asString()).toList();
        assertThat(did).containsOnlyOnce("finished imaging", "started a scan", "finished a scan");
    }

    private static String state(JsonNode session) {
        return session.get("state").asString();
    }

    private static Stream<JsonNode> stream(JsonNode array) {
        return array.valueStream();
    }
}
