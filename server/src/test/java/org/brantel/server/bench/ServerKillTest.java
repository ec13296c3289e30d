package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** A server process of its own is killed without warning in the middle of imaging; the next one goes on. */
class ServerKillTest {

    private static final int SIZE = 10 << 20;

    private final Lab lab = Lab.open();
    private Process server;
    private Visitor petra;

    @AfterEach
    void end() throws InterruptedException {
        if (server != null) {
            server.destroyForcibly().waitFor();
        }
    }

    private void start(Path home, String database) throws IOException, InterruptedException {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Map<String, String> settings = lab.settings(lab.databaseUrl().replaceFirst("/brantel$", "/" + database));
        settings.put("server.port", Integer.toString(port));
        settings.put("brantel.home", home.toString());
        settings.put("brantel.demo-devices", home.resolve("devices").toString());
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx400m",
                "-cp",
                System.getProperty("java.class.path"),
                "org.brantel.server.BrantelServer"));
        settings.forEach((name, value) -> command.add("--" + name + "=" + value));
        server = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(home.resolve("server.log").toFile())
                .start();
        petra = new Visitor("http://127.0.0.1:" + port);
        for (int i = 0; i < 3000; i++) {
            assertThat(server.isAlive()).as(() -> log(home)).isTrue();
            try {
                if (petra.get("/actuator/health").status() == 200) {
                    return;
                }
            } catch (RuntimeException e) {
                // not listening yet
            }
            Thread.sleep(100);
        }
        throw new AssertionError("the server did not start: " + log(home));
    }

    private static String log(Path home) {
        try {
            return Files.readString(home.resolve("server.log"));
        } catch (IOException e) {
            return e.toString();
        }
    }

    private void signIn() {
        petra.post("/api/session", Map.of("login", "petra", "password", "a good password"))
                .expect(200);
    }

    @Test
    @Timeout(900)
    void imagingSurvivesKillsAndEndsWithTheRightBytes() throws Exception {
        Path home = Files.createDirectories(lab.home().resolve("killed"));
        Path devices = Files.createDirectories(home.resolve("devices"));
        SimulatedDevice device =
                new SimulatedDevice(devices, SIZE, 31).dead(4_000_256, 2048).slow(0, SIZE, 350);
        Files.move(device.write(), devices.resolve("stick.json"));
        lab.sql().execute("create database killed");

        start(home, "killed");
        // The first manager comes in by the one-time link, which works once.
        String token = Files.readString(home.resolve("set-up-token"));
        Map<String, String> manager =
                Map.of("token", token, "login", "petra", "name", "Petra Lunn", "password", "a good password");
        petra.post("/api/setup", Map.of("token", "wrong", "login", "petra", "name", "P", "password", "a good password"))
                .expect(403);
        petra.post("/api/setup", manager).expect(201);
        petra.post("/api/setup", manager).expect(410);
        assertThat(home.resolve("set-up-token")).doesNotExist();
        signIn();
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
            server.destroyForcibly().waitFor();
            start(home, "killed");
            signIn();
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
