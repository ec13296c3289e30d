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

    /** What is kept of either waits for as long as the gate is shut. */
    private static final String HOLD = """
            create table hold_gate (what text);
            create function hold() returns trigger language plpgsql as $$
            begin
                if exists (select from hold_gate) then
                    perform pg_sleep(600);
                end if;
                return new;
            end $$;
            create trigger hold before insert on catalogue_words for each row execute function hold();
            create trigger hold before insert on catalogue_sight for each row execute function hold();
            """;

    private ServerProcess server;
    private String of;

    @BeforeEach
    void find() throws Exception {
        server = new ServerProcess("killed_look");
        Corpus.image("d12-fat32-healthy", Files.createDirectories(server.home().resolve("inbox")));
        server.start();
        Visitor petra = server.petra();
        petra.post("/api/setup", server.firstManager()).expect(201);
        server.signIn();
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
        server.sql().execute(HOLD);
    }

    @AfterEach
    void end() throws InterruptedException {
        server.kill();
    }

    /** Begins something, kills the server in it, and waits until the next one has done it. */
    private JsonNode throughAKill(String place) throws Exception {
        server.sql().update("insert into hold_gate values ('shut')");
        server.petra().post(of + place).expect(201);
        server.killWhenHeld();
        server.sql().update("delete from hold_gate");
        server.start();
        server.signIn();
        return server.petra().await(of + place, s -> !List.of("waiting", "running")
                .contains(s.get("run").get("state").asString()));
    }

    @Test
    @Timeout(600)
    void whatWasReadAndDrawnIsThereOnce() throws Exception {
        JsonNode words = throughAKill("/catalogue/words");
        assertThat(words.get("run").get("state").asString()).isEqualTo("done");
        assertThat(words.get("documents").asInt()).isPositive();
        assertThat(words.get("looked")).isEqualTo(words.get("documents"));
        assertThat(words.get("run").get("done")).isEqualTo(words.get("run").get("total"));
        JsonNode sheet = throughAKill("/catalogue/sheet");
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
