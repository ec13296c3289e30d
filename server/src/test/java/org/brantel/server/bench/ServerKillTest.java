package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.ServerProcess;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** A server process of its own is killed without warning in the middle of imaging; the next one goes on. */
class ServerKillTest {

    private static final int SIZE = 10 << 20;

    @Test
    @Timeout(900)
    void imagingSurvivesKillsAndEndsWithTheRightBytes() throws Exception {
        try (ServerProcess server = new ServerProcess("killed")) {
            imagesThroughKills(server);
        }
    }

    @Test
    @Timeout(900)
    void aStraightCopySurvivesKillsAndEndsWithTheRightFiles() throws Exception {
        try (ServerProcess server = new ServerProcess("killedcopy")) {
            SimulatedDevice device = new SimulatedDevice(
                            server.devices(), Files.readAllBytes(Corpus.image("d12-fat32-healthy", server.home())))
                    .slow(0, SIZE * 5, 1500);
            Files.move(device.write(), server.devices().resolve("stick.json"));
            server.start();
            Visitor petra = server.petra();
            petra.post("/api/setup", server.firstManager()).expect(201);
            server.signIn();
            String number = new CaseForms().log(petra);
            String of = "/api/cases/" + number;
            petra.post(
                            of + "/triage/decision",
                            Map.of("path", "straight-copy", "reason", "Theirs broke.", "version", 0))
                    .expect(200);
            petra.post(of + "/bench/attachment", Map.of("medium", "sim/stick")).expect(201);
            petra.post(of + "/imaging", Map.of("profile", "healthy", "files", "Only its files are asked for."))
                    .expect(201);
            long before = 0;
            for (int kill = 1; kill <= 2; kill++) {
                long enough = before + 400_000;
                petra.await(
                        of + "/bench",
                        b -> b.get("sessions").get(0).get("readBytes").asLong() > enough);
                server.kill();
                server.start();
                server.signIn();
                petra = server.petra();
                JsonNode after = petra.get(of + "/bench").json().get("sessions").get(0);
                assertThat(after.get("state").asString()).isEqualTo("running");
                before = after.get("readBytes").asLong();
            }
            JsonNode done = petra.await(of + "/bench", b -> b.get("sessions")
                            .get(0)
                            .get("state")
                            .asString()
                            .equals("done"))
                    .get("sessions")
                    .get(0);
            assertThat(done.get("readBytes").asLong())
                    .isEqualTo(done.get("files").get("inAll").asLong());
            petra.await(of, d -> d.get("stage").asString().equals("selection"));
            assertThat(petra.get(of + "/catalogue?size=200").json().get("lines"))
                    .extracting(l -> l.get("sha256").asString())
                    .containsAll(Corpus.files("d12-fat32-healthy").stream()
                            .filter(f -> f.state().equals("live"))
                            .map(Corpus.TrueFile::sha256)
                            .toList());
            assertThat(petra.get(of + "/custody").text())
                    .contains("finished a straight copy")
                    .contains("\"tears\":[]");
        }
    }

    private void imagesThroughKills(ServerProcess server) throws Exception {
        Path home = server.home();
        Path devices = server.devices();
        SimulatedDevice device =
                new SimulatedDevice(devices, SIZE, 31).dead(4_000_256, 2048).slow(0, SIZE, 350);
        Files.move(device.write(), devices.resolve("stick.json"));

        server.start();
        Visitor petra = server.petra();
        // The first manager comes in by the one-time link, which works once.
        Map<String, String> manager = server.firstManager();
        petra.post("/api/setup", Map.of("token", "wrong", "login", "petra", "name", "P", "password", "a good password"))
                .expect(403);
        petra.post("/api/setup", manager).expect(201);
        petra.post("/api/setup", manager).expect(410);
        assertThat(home.resolve("set-up-token")).doesNotExist();
        server.signIn();
        String number = new CaseForms().log(petra);
        petra.post("/api/cases/" + number + "/bench/attachment", Map.of("medium", "sim/stick"))
                .expect(201);
        petra.post("/api/cases/" + number + "/imaging", Map.of("profile", "failing"))
                .expect(201);

        long before = 0;
        for (int kill = 1; kill <= 2; kill++) {
            long enough = before + 1_500_000;
            petra.await(
                    "/api/cases/" + number + "/bench",
                    b -> b.get("sessions").get(0).get("readBytes").asLong() > enough);
            server.kill();
            server.start();
            server.signIn();
            petra = server.petra();
            JsonNode after = petra.get("/api/cases/" + number + "/bench")
                    .json()
                    .get("sessions")
                    .get(0);
            assertThat(after.get("state").asString()).isEqualTo("running");
            before = after.get("readBytes").asLong();
            assertThat(before).isPositive();
        }
        JsonNode done = petra.await(
                        "/api/cases/" + number + "/bench",
                        b -> b.get("sessions").get(0).get("state").asString().equals("done"))
                .get("sessions")
                .get(0);
        assertThat(done.get("failedBytes").asLong()).isEqualTo(2048);
        byte[] expected = device.content().clone();
        Arrays.fill(expected, 4_000_256, 4_002_304, (byte) 0);
        assertThat(Files.readAllBytes(home.resolve("images")
                        .resolve(number)
                        .resolve(done.get("image").asString())))
                .isEqualTo(expected);
        String tape = petra.get("/api/cases/" + number + "/custody").text();
        assertThat(tape).contains("went on imaging").contains("\"tears\":[]");
    }
}
