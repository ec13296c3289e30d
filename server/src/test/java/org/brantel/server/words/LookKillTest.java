package org.brantel.server.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.ServerProcess;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** The server is killed while it reads words and while it draws small pictures: the next one goes on, once. */
class LookKillTest {

    private ServerProcess server;
    private String of;

    @BeforeEach
    void find() throws Exception {
        server = new ServerProcess("killed_look");
        Corpus.image("d12-fat32-healthy", Files.createDirectories(server.home().resolve("inbox")));
        server.startWithManager();
        Visitor petra = server.petra();
        of = "/api/cases/" + new CaseForms().log(petra);
        petra.post(of + "/triage/decision", Map.of("path", "image-then-scan", "reason", "It reads.", "version", 0))
                .expect(200);
        petra.post(of + "/bench/attachment", Map.of("medium", "inbox/d12-fat32-healthy.img"))
                .expect(201);
        petra.post(of + "/imaging", Map.of("profile", "healthy")).expect(201);
        petra.await(
                of + "/bench",
                b -> b.get("sessions").get(0).get("state").asString().equals("done"));
        petra.post(of + "/scans", Map.of("method", "structure", "again", true, "hashes", false))
                .expect(201);
        petra.await(of + "/scans", s -> s.valueStream()
                .allMatch(x -> x.get("state").asString().equals("done")));
        server.canHold("catalogue_words", "catalogue_sight");
    }

    @AfterEach
    void end() throws InterruptedException {
        server.kill();
    }

    /** Begins something, kills the server in it, and waits until the next one has done it. */
    private JsonNode throughAKill(String place, String table) throws Exception {
        server.hold(table);
        server.petra().post(of + place).expect(201);
        server.killWhenHeld();
        server.letGo();
        server.start();
        server.signIn();
        return server.petra().await(of + place, s -> !List.of("waiting", "running")
                .contains(s.get("run").get("state").asString()));
    }

    @Test
    @Timeout(600)
    void whatWasReadAndDrawnIsThereOnce() throws Exception {
        JsonNode words = throughAKill("/catalogue/words", "catalogue_words");
        assertThat(words.get("run").get("state").asString()).isEqualTo("done");
        assertThat(words.get("documents").asInt()).isPositive();
        assertThat(words.get("looked")).isEqualTo(words.get("documents"));
        assertThat(words.get("run").get("done")).isEqualTo(words.get("run").get("total"));
        JsonNode sheet = throughAKill("/catalogue/sheet", "catalogue_sight");
        assertThat(sheet.get("run").get("state").asString()).isEqualTo("done");
        assertThat(sheet.get("pictures").asInt()).isPositive();
        assertThat(sheet.get("looked")).isEqualTo(sheet.get("pictures"));
        assertThat(sheet.get("run").get("done")).isEqualTo(sheet.get("run").get("total"));
        Path small = server.home().resolve("lab-store").resolve("small");
        assertThat(small).isDirectoryRecursivelyContaining("glob:**.jpg");
        JsonNode tape = server.petra().get(of + "/custody").json();
        assertThat(tape.get("tears")).isEmpty();
        assertThat(tape.get("entries").valueStream().map(e -> e.get("what").asString()))
                .containsOnlyOnce("read the words inside", "drew the small pictures");
    }
}
