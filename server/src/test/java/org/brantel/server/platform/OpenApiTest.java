package org.brantel.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.cfg.JsonNodeFeature;
import tools.jackson.databind.json.JsonMapper;

/** The front end's types are generated from web/openapi.json, so that file must be what the server says of itself. */
class OpenApiTest {

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(JsonNodeFeature.WRITE_PROPERTIES_SORTED)
            .build();

    @Test
    void theDescriptionThatTheFrontEndIsBuiltFromIsTheServersOwn() throws IOException {
        JsonNode now = MAPPER.readTree(
                Lab.open().as("una").get("/api/openapi").expect(200).body());
        Path kept = Lab.repository().resolve("web/openapi.json");
        Path fresh = Path.of("target/openapi.json");
        Files.writeString(fresh, MAPPER.writeValueAsString(now) + "\n");
        assertThat(MAPPER.readTree(Files.readString(kept)).equals(now))
                .as("web/openapi.json is old; copy %s over it", fresh.toAbsolutePath())
                .isTrue();
    }
}
