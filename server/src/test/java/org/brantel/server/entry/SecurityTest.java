package org.brantel.server.entry;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URLConnection;
import java.net.http.HttpClient;
import java.net.http.HttpHeaders;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import tools.jackson.databind.JsonNode;

class SecurityTest {

    private final Lab lab = Lab.open();

    @Test
    void everyEndpointIsDeniedToStrangersUnlessItIsOpened() {
        JsonNode paths = lab.as("una").get("/api/openapi").expect(200).json().get("paths");
        Set<String> open = Set.of(
                "/api/session",
                "/api/session/passkey",
                "/api/session/passkey/question",
                "/api/session/new-password",
                "/api/setup");
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

    /** A prefix that browsers hold to: set by this very host, over TLS, for all of it (RFC 6265bis, 4.1.3.2). */
    @Test
    void cookiesAreTheHostsOwnWhereTheyAreSecure() throws IOException, InterruptedException {
        Lab secure = Lab.another("Lab behind TLS", "--server.servlet.session.cookie.secure=true");
        try {
            String token = cookie(secure.nobody().get("/api/session").response(), "__Host-XSRF-TOKEN");
            HttpResponse<Void> answer = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(secure.address() + "/api/session/passkey/question"))
                                    .header("Cookie", "__Host-XSRF-TOKEN=" + token)
                                    .header("X-XSRF-TOKEN", token)
                                    .POST(BodyPublishers.noBody())
                                    .build(),
                            BodyHandlers.discarding());
            assertThat(answer.statusCode()).isEqualTo(200);
            assertThat(cookie(answer, "__Host-brantel-session")).isNotEmpty();
        } finally {
            secure.stop();
        }
    }

    private static String cookie(HttpResponse<?> answer, String name) {
        String set = answer.headers().allValues("Set-Cookie").stream()
                .filter(c -> c.startsWith(name + "="))
                .findFirst()
                .orElseThrow();
        assertThat(set).contains("; Secure", "; Path=/", "; SameSite=Strict").doesNotContain("Domain");
        return set.substring(name.length() + 1, set.indexOf(';'));
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
    @Timeout(120)
    void liveStreamsEndWithTheSession() throws IOException {
        Visitor una = lab.as("una");
        URLConnection stream = URI.create(lab.address() + "/api/events").toURL().openConnection();
        stream.setRequestProperty("Cookie", "brantel-session=" + una.cookie("brantel-session"));
        try (InputStream in = stream.getInputStream()) {
            assertThat(new String(in.readNBytes(11), StandardCharsets.UTF_8)).isEqualTo("event:hello");
            una.delete("/api/session").expect(204);
            assertThat(new String(in.readAllBytes(), StandardCharsets.UTF_8)).doesNotContain("changed");
        }
    }

    /** Also where a session ends on another server, or by itself: its row is gone and nobody says so. */
    @Test
    @Timeout(120)
    void liveStreamsEndWithASessionThatEndedElsewhere() throws IOException {
        Visitor una = lab.as("una");
        URLConnection stream = URI.create(lab.address() + "/api/events").toURL().openConnection();
        stream.setRequestProperty("Cookie", "brantel-session=" + una.cookie("brantel-session"));
        try (InputStream in = stream.getInputStream()) {
            assertThat(new String(in.readNBytes(11), StandardCharsets.UTF_8)).isEqualTo("event:hello");
            lab.sql().update("delete from spring_session where principal_name = 'una'");
            assertThat(in.readAllBytes()).isNotNull();
        }
    }

    @Test
    void noFaultNamesWhereTheLabsFilesLie() throws IOException {
        Lab other = Lab.another("Lab with a damaged key");
        try {
            String number = new CaseForms().log(other.as("una"));
            Files.writeString(other.home().resolve("lab-key.pem"), "no key");
            String sentence = other.as("una")
                    .get("/api/cases/" + number + "/labs")
                    .expect(422)
                    .sentence();
            assertThat(sentence)
                    .contains("lab-key.pem")
                    .doesNotContain(other.home().toString());
        } finally {
            other.stop();
        }
    }

    @Test
    void nothingOfACaseIsKeptByBrowsers() {
        String number = new CaseForms().log(lab.as("una"));
        for (String path : List.of("/api/cases/" + number, "/api/desk", "/api/cases/" + number + "/custody")) {
            assertThat(lab.as("una").get(path).expect(200).header("Cache-Control"))
                    .as(path)
                    .contains("no-store");
        }
    }

    /** Neither its length nor its depth, nor how its length is said, lets a body past its limit. */
    @Test
    void noBodyIsTooDeep() {
        String deep = "[".repeat(100_000) + "]".repeat(100_000);
        assertThat(lab.as("una")
                        .post("/api/cases", "{\"story\":" + deep + "}")
                        .expect(400)
                        .sentence())
                .isNotEmpty();
        assertThat(lab.nobody()
                        .post("/api/session", "{\"login\":" + "[".repeat(7_000) + "]".repeat(7_000) + "}")
                        .status())
                .isEqualTo(400);
        byte[] large = new byte[25 << 20];
        assertThat(lab.as("una")
                        .postBytes("/api/cases/none/photos?what=label", large)
                        .expect(413)
                        .sentence())
                .contains("24 MiB");
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
                .contains("12 characters");
        person.put("/api/staff/me/password", Map.of("old", "first password", "password", "second password"))
                .expect(204);
        lab.nobody()
                .post("/api/session", Map.of("login", login, "password", "second password"))
                .expect(200);
    }

    @Test
    void namesOnRecordsAreOnePersonsEach() throws Exception {
        Visitor petra = lab.as("petra");
        String name = "Nella Holm " + System.nanoTime();
        assertThat(add(petra, "una", "Una the Second").expect(409).sentence()).contains("already");
        add(petra, "nella", name).expect(201);
        assertThat(add(petra, "nella2", " " + name.toUpperCase(Locale.ROOT).replace(" ", "\u00a0 "))
                        .expect(409)
                        .sentence())
                .contains("tells them apart");
        for (String taken : List.of("Brantel", "The  Customer", "the\u00a0customer ")) {
            assertThat(add(petra, "taken", taken).expect(400).sentence()).contains("nobody of the staff");
        }
        add(petra, "long", "x".repeat(101)).expect(400);
        ExecutorService two = Executors.newFixedThreadPool(2);
        String both = "Rhona Skene " + System.nanoTime();
        List<Integer> answers = new ArrayList<>();
        List<Callable<Integer>> adds =
                List.of(() -> add(petra, "rhona", both).status(), () -> add(lab.as("petra"), "rhona2", both)
                        .status());
        for (Future<Integer> answer : two.invokeAll(adds)) {
            answers.add(answer.get());
        }
        two.shutdown();
        assertThat(answers).containsExactlyInAnyOrder(201, 409);
    }

    private static Visitor.Answer add(Visitor petra, String login, String name) {
        return petra.post(
                "/api/staff",
                Map.of("login", login, "name", name, "role", "ENGINEER", "password", "salt gannet lantern"));
    }

    @Test
    void aPasswordOfAnyLengthWorksAndAnOlderHashIsMadeAnewAtSignIn() {
        String password = "salt gannet lantern rope ".repeat(5) + "heron";
        lab.as("petra")
                .post(
                        "/api/staff",
                        Map.of("login", "long-one", "name", "Isla Thorn", "role", "ENGINEER", "password", password))
                .expect(201);
        Visitor isla = lab.nobody();
        isla.post("/api/session", Map.of("login", "long-one", "password", password))
                .expect(200);
        lab.nobody()
                .post("/api/session", Map.of("login", "long-one", "password", password + "s"))
                .expect(401);
        isla.put("/api/staff/me/password", Map.of("old", password, "password", "Password2026!"))
                .expect(400);
        lab.sql()
                .update(
                        "update staff set password_hash = ? where login = 'long-one'",
                        new BCryptPasswordEncoder().encode("ten signs!"));
        lab.nobody()
                .post("/api/session", Map.of("login", "long-one", "password", "ten signs!"))
                .expect(200);
        assertThat(lab.sql().queryForObject("select password_hash from staff where login = 'long-one'", String.class))
                .startsWith("{sha384-bcrypt}");
        lab.nobody()
                .post("/api/session", Map.of("login", "long-one", "password", "ten signs!"))
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
