package org.brantel.server.platform;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Answers with a problem (RFC 9457) where a request does not get as far as what would answer it. */
@Component
public class Problems {

    private final JsonMapper mapper;

    Problems(JsonMapper mapper) {
        this.mapper = mapper;
    }

    /** @param sentence what is wrong, and what to do */
    public void answer(HttpServletResponse response, HttpStatus status, String sentence) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter().write(mapper.writeValueAsString(Refusals.problem(status, sentence, null)));
    }
}
