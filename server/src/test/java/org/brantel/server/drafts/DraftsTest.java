package org.brantel.server.drafts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;

class DraftsTest {

    private final Lab lab = Lab.open();
    private final String key = "new-" + UUID.randomUUID();

    private static Map<String, Object> written(String form, Integer version) {
        Map<String, Object> written = new HashMap<>(Map.of("title", "Ruth Ansley", "form", form));
        if (version != null) {
            written.put("version", version);
        }
        return written;
    }

    @Test
    void aCallThatOneBeganIsFoundAndGoneOnWithByAnother() {
        Visitor una = lab.as("una");
        Visitor petra = lab.as("petra");
        int version = una.put("/api/drafts/" + key, written("{\"a\":1}", null))
                .expect(200)
                .json()
                .get("version")
                .asInt();
        assertThat(petra.get("/api/drafts").text())
                .contains(key)
                .contains("Ruth Ansley")
                .contains("Una Farrow")
                .doesNotContain("\"form\"");
        assertThat(petra.get("/api/drafts/" + key).json().get("form").asString())
                .isEqualTo("{\"a\":1}");
        petra.put("/api/drafts/" + key, written("{\"a\":2}", version)).expect(200);
        assertThat(una.put("/api/drafts/" + key, written("{\"a\":3}", version))
                        .expect(409)
                        .sentence())
                .contains("Petra Lunn has written")
                .contains("kept in this browser");
        assertThat(una.get("/api/drafts/" + key).json().get("form").asString()).isEqualTo("{\"a\":2}");
        una.delete("/api/drafts/" + key).expect(204);
        assertThat(una.get("/api/drafts/" + key).expect(404).sentence()).contains("logged or dropped");
        una.delete("/api/drafts/" + key).expect(204);
        assertThat(petra.put("/api/drafts/" + key, written("{\"a\":4}", version + 1))
                        .expect(404)
                        .sentence())
                .as("it does not come back by itself")
                .contains("logged or dropped meanwhile");
        petra.put("/api/drafts/" + key, written("{\"a\":4}", null)).expect(200);
        petra.delete("/api/drafts/" + key).expect(204);
    }

    @Test
    void whatIsTooLongOrNoKeyIsRefused() {
        Visitor una = lab.as("una");
        assertThat(una.put("/api/drafts/" + key, written("x".repeat(400_001), null))
                        .expect(400)
                        .sentence())
                .contains("kept in this browser alone");
        una.put("/api/drafts/short", written("{}", null)).expect(400);
    }
}
