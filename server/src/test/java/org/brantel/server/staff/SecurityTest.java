package org.brantel.server.staff;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpHeaders;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class SecurityTest {

    private final Lab lab = Lab.open();

    @Test
    void everyEndpointIsDeniedToStrangersUnlessItIsOpened() {
        JsonNode paths = lab.as("una").get("/api/openapi").expect(200).json().get("paths");
        Set<String> open = Set.of("/api/session", "/api/setup");
        int tried = 0;
        for (Map.Entry<String, JsonNode> path : paths.properties()) {
            String url = path.getKey().replaceAll("\\{[a-z]+}", "1");
            if (open.contains(path.getKey()) || path.getKey().startsWith("/api/portal/")) {
                continue;
            }
            for (Map.Entry<String, JsonNode> method : path.getValue().properties()) {
                Visitor stranger = lab.nobody();
                int status =
                        switch (method.getKey()) {
                            case "get" -> stranger.get(url).status();
                            case "post" -> stranger.post(url, Map.of()).status();
                            case "put" -> stranger.put(url, Map.of()).status();
                            default -> stranger.delete(url).status();
                        };
                assertThat(status).as("%s %s", method.getKey(), url).isEqualTo(401);
                tried++;
            }
        }
        assertThat(tried).isGreaterThan(30);
        assertThat(lab.nobody().get("/api/openapi").status()).isEqualTo(401);
        assertThat(lab.nobody().get("/actuator/env").status()).isIn(401, 403);
        assertThat(lab.nobody().get("/api/events").status()).isEqualTo(401);
    }

    @Test
    void aLinkThatNobodyMadeLeadsNowhere() {
        for (String path : List.of("", "/all.zip", "/files/1")) {
            assertThat(lab.nobody()
                            .get("/api/portal/guessed" + path)
                            .expect(404)
                            .sentence())
                    .contains("leads nowhere");
        }
    }

    @Test
    void aForeignPageCannotActForSomebodySignedIn() {
        Visitor una = lab.as("una");
        assertThat(una.postForged("/api/cases", Map.of()).status()).isEqualTo(403);
        assertThat(lab.nobody()
                        .postForged("/api/session", Map.of("login", "una", "password", Lab.PASSWORD))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void answersCarryAStrictPolicy() {
        HttpHeaders headers = lab.nobody().get("/api/session").response().headers();
        String policy = headers.firstValue("Content-Security-Policy").orElseThrow();
        assertThat(policy)
                .contains("default-src 'none'")
                .contains("script-src 'self' 'wasm-unsafe-eval'")
                .contains("frame-ancestors 'none'")
                .doesNotContain("http:")
                .doesNotContain("'unsafe-eval'");
        assertThat(headers.firstValue("X-Content-Type-Options")).contains("nosniff");
        assertThat(headers.firstValue("Referrer-Policy")).contains("no-referrer");
        assertThat(headers.firstValue("X-Frame-Options")).contains("DENY");
    }

    @Test
    void theSessionCookieIsOutOfReachOfScriptsAndOtherSites() {
        Visitor visitor = lab.nobody();
        String before = visitor.cookie("brantel-session");
        Visitor.Answer answer = visitor.post("/api/session", Map.of("login", "una", "password", Lab.PASSWORD))
                .expect(200);
        assertThat(answer.response().headers().allValues("Set-Cookie"))
                .filteredOn(c -> c.startsWith("brantel-session"))
                .isNotEmpty()
                .allMatch(c -> c.contains("HttpOnly") && c.contains("SameSite=Strict"));
        assertThat(visitor.cookie("brantel-session")).isNotEqualTo(before);
    }

    /** Which of them is a page the front end knows; it says so itself where there is none. */
    @Test
    void anyPageIsTheFrontEndsAndNothingElseIsOpen() {
        Visitor visitor = lab.nobody();
        for (String page :
                List.of("/", "/desk", "/cases/BR-2611-0001/imaging", "/d/tokenOfSomebody", "/No-such/page")) {
            assertThat(visitor.get(page).expect(200).text()).as(page).contains("<div id=\"app\"");
        }
        for (String closed : List.of("/api/desk", "/api/no-such-call", "/actuator/env", "/v3/api-docs")) {
            visitor.get(closed).expect(401);
        }
    }

    @Test
    void signingOutEndsTheSession() {
        Visitor una = lab.as("una");
        una.get("/api/desk").expect(200);
        una.delete("/api/session").expect(204);
        una.get("/api/desk").expect(401);
    }

    @Test
    void guessingIsSlowedDownAndAWrongNameSoundsLikeAWrongPassword() {
        Visitor guesser = lab.nobody();
        String wrongName = guesser.post("/api/session", Map.of("login", "nobody-here", "password", "x"))
                .expect(401)
                .sentence();
        String login = "guessed-" + System.nanoTime();
        for (int i = 0; i < 5; i++) {
            assertThat(guesser.post("/api/session", Map.of("login", login, "password", "wrong" + i))
                            .expect(401)
                            .sentence())
                    .isEqualTo(wrongName);
        }
        assertThat(guesser.post("/api/session", Map.of("login", login, "password", "again"))
                        .expect(429)
                        .sentence())
                .contains("wait")
                .contains("seconds");
    }

    @Test
    void whereATryComesFromIsNotBelievedOfAnybody() {
        Visitor guesser = lab.nobody();
        Map<String, String> wrong = Map.of("login", "forwarded-" + System.nanoTime(), "password", "wrong");
        for (int i = 0; i < 5; i++) {
            guesser.postFor("192.0.2." + i, "/api/session", wrong).expect(401);
        }
        guesser.postFor("192.0.2.9", "/api/session", wrong).expect(429);
    }

    @Test
    void onlyAManagerAddsPeople() {
        Map<String, String> person = Map.of(
                "login",
                "new-" + System.nanoTime() % 100_000,
                "name",
                "Joan Pell",
                "role",
                "ENGINEER",
                "password",
                "long enough 1");
        assertThat(lab.as("una").post("/api/staff", person).expect(403).sentence())
                .contains("manager");
        lab.as("petra").post("/api/staff", person).expect(201);
        assertThat(lab.as("petra").post("/api/staff", person).expect(409).sentence())
                .contains("already");
        lab.nobody()
                .post("/api/session", Map.of("login", person.get("login"), "password", "long enough 1"))
                .expect(200);
    }

    @Test
    void aPasswordIsChangedOnlyByWhoKnowsTheOldOne() {
        String login = "pw-" + System.nanoTime() % 100_000;
        lab.as("petra")
                .post(
                        "/api/staff",
                        Map.of("login", login, "name", "P", "role", "ENGINEER", "password", "first password"))
                .expect(201);
        Visitor person = lab.nobody();
        person.post("/api/session", Map.of("login", login, "password", "first password"))
                .expect(200);
        assertThat(person.put("/api/staff/me/password", Map.of("old", "guess", "password", "second password"))
                        .expect(400)
                        .json()
                        .get("field")
                        .asString())
                .isEqualTo("old");
        assertThat(person.put("/api/staff/me/password", Map.of("old", "first password", "password", "short"))
                        .expect(400)
                        .sentence())
                .contains("10 characters");
        person.put("/api/staff/me/password", Map.of("old", "first password", "password", "second password"))
                .expect(204);
        lab.nobody()
                .post("/api/session", Map.of("login", login, "password", "second password"))
                .expect(200);
    }

    @Test
    void aLabThatHasStaffIsNotSetUpAgain() {
        assertThat(lab.nobody()
                        .post(
                                "/api/setup",
                                Map.of("token", "x", "login", "evil", "name", "E", "password", "long enough 1"))
                        .expect(410)
                        .sentence())
                .contains("set up already");
    }
}
