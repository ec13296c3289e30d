package org.brantel.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** A case that a lab packs for another one. */
public final class PackedCase {

    private PackedCase() {}

    /** @return the file */
    public static byte[] of(Visitor who, String number) {
        String path = "/api/cases/" + number + "/labs";
        long id = who.post(
                        path + "/packings",
                        Map.of("forLab", "the other lab", "why", "Its heads need a clean room; the customer knows."))
                .expect(201)
                .json()
                .get("id")
                .asLong();
        JsonNode last = who.await(path, l -> !List.of("waiting", "running")
                        .contains(l.get("packings").get(0).get("state").asString()))
                .get("packings")
                .get(0);
        assertThat(last.get("state").asString()).as("%s", last).isEqualTo("done");
        return who.get("/api/packings/" + id + "/file").expect(200).body();
    }
}
