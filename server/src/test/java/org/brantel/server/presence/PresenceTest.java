package org.brantel.server.presence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class PresenceTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");
    private final Visitor tom = lab.as("tom");
    private final String path = "/api/cases/" + new CaseForms().log(una) + "/presence";

    private JsonNode others(Visitor who, String place) {
        return who.put(path, Map.of("place", place)).expect(200).json();
    }

    @Test
    void whoElseLooksAtACaseIsSaidUntilTheyLeave() {
        assertThat(others(una, "triaged")).isEmpty();
        JsonNode seen = others(tom, "imaging");
        assertThat(seen).hasSize(1);
        assertThat(seen.get(0).get("name").asString()).isEqualTo("Una Farrow");
        assertThat(seen.get(0).get("place").asString()).isEqualTo("triaged");
        others(una, "notes");
        assertThat(others(tom, "imaging").get(0).get("place").asString()).isEqualTo("notes");
        una.delete(path).expect(204);
        assertThat(others(tom, "imaging")).isEmpty();
    }

    @Test
    void whoHasNotBeenSeenForAWhileIsGone() {
        others(una, "triaged");
        lab.sql().update("update present_person set seen_at = now() - interval '50 seconds' where login = 'una'");
        assertThat(others(tom, "triaged")).isEmpty();
    }

    @Test
    void thereIsNobodyInACaseThatThereIsNot() {
        una.put("/api/cases/BR-0000-0000/presence", Map.of("place", "x")).expect(404);
    }
}
