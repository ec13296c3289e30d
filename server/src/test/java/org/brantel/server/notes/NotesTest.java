package org.brantel.server.notes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class NotesTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");
    private final String number = new CaseForms().log(una);

    @Test
    void whoIsMentionedHearsOfItOnTheDeskUntilSeen() {
        Visitor tom = lab.as("tom");
        una.post(
                        "/api/cases/" + number + "/notes",
                        Map.of("kind", "note", "words", "@Tom, could you look? una@skerrow.example asked."))
                .expect(201);
        assertThat(una.get("/api/desk?listed=1000").text())
                .as("an address mentions nobody")
                .doesNotContain("asks for you");
        JsonNode mine = tom.get("/api/desk?listed=1000")
                .json()
                .get("decisions")
                .valueStream()
                .filter(d -> d.get("caseNumber").asString().equals(number)
                        && d.get("kind").asString().equals("Note"))
                .findFirst()
                .orElseThrow();
        assertThat(mine.get("question").asString()).isEqualTo("Una Farrow asks for you");
        String mention = mine.get("key").asString().substring("mention-".length());
        assertThat(mine.get("actions").get(0).get("call").get("path").asString())
                .isEqualTo("/api/mentions/" + mention + "/seen");
        una.post("/api/mentions/" + mention + "/seen").expect(404);
        tom.post("/api/mentions/" + mention + "/seen").expect(204);
        assertThat(tom.get("/api/desk?listed=1000").text()).doesNotContain("mention-" + mention);
        tom.delete("/api/mentions/" + mention + "/seen").expect(204);
        assertThat(tom.get("/api/desk?listed=1000").text()).contains("mention-" + mention);
        tom.post("/api/mentions/" + mention + "/seen").expect(204);
    }

    @Test
    void aCallIsNotedAsItWasSaid() {
        String words = "She says: “the <b>ledger</b> first” \u202e 灯台";
        una.post("/api/cases/" + number + "/notes", Map.of("kind", "call", "words", words))
                .expect(201);
        JsonNode note = una.get("/api/cases/" + number + "/notes").json().get(0);
        assertThat(note.get("words").asString()).isEqualTo(words);
        assertThat(note.get("kind").asString()).isEqualTo("call");
        assertThat(note.get("who").asString()).isEqualTo("Una Farrow");
    }

    @Test
    void anEmptyOneAndANameThatNobodyHasAreRefused() {
        assertThat(una.post("/api/cases/" + number + "/notes", Map.of("kind", "note", "words", "  "))
                        .expect(400)
                        .sentence())
                .contains("no words");
        assertThat(una.post("/api/cases/" + number + "/notes", Map.of("kind", "note", "words", "@ghost look"))
                        .expect(400)
                        .sentence())
                .contains("nobody with the sign-in name 'ghost'");
        assertThat(una.post("/api/cases/" + number + "/notes", Map.of("kind", "song", "words", "x"))
                        .expect(400)
                        .sentence())
                .contains("a note or a call");
    }
}
