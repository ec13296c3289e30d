package org.brantel.server.entry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.brantel.server.BrantelServer;
import org.brantel.server.settings.LabSettings;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.serializer.support.SerializingConverter;
import tools.jackson.databind.JsonNode;

/** What becomes of people who sign in, by their own hand and by a manager's. */
class AccountsTest {

    private static final String NEW = "gannet over harbour";

    private final Lab lab = Lab.open();
    private final Visitor petra = lab.as("petra");
    private String ivo;

    @BeforeEach
    void ivoComes() {
        ivo = "ivo" + System.nanoTime();
        lab.own(Staff.class).add(ivo, "Ivo " + ivo, Role.ENGINEER, Lab.PASSWORD);
    }

    @AfterEach
    void settingsAsBefore() {
        lab.own(LabSettings.class).set(new LabSettings.EntryRules(false), "test");
    }

    private Visitor.Answer signIn(Visitor visitor, String password, String code) {
        return visitor.post(
                "/api/session",
                code == null
                        ? Map.of("login", ivo, "password", password)
                        : Map.of("login", ivo, "password", password, "code", code));
    }

    private List<String> record() {
        List<String> lines = new ArrayList<>();
        petra.get("/api/audit")
                .expect(200)
                .json()
                .get("items")
                .forEach(e -> lines.add(e.get("who").asString() + ": "
                        + e.get("what").asString() + ", " + e.get("detail").asString()));
        return lines;
    }

    @Test
    void aClosedAccountIsOutAtOnceAndOpensAgain() {
        Visitor his = lab.as(ivo);
        petra.put("/api/staff/" + ivo + "/account", Map.of("open", false)).expect(204);
        his.get("/api/desk").expect(401);
        signIn(lab.nobody(), Lab.PASSWORD, null).expect(401);
        assertThat(petra.get("/api/staff/accounts").text()).contains("disabledAt");
        petra.put("/api/staff/" + ivo + "/account", Map.of("open", true)).expect(204);
        lab.as(ivo).get("/api/desk").expect(200);
        assertThat(record()).anyMatch(l -> l.startsWith("Petra Lunn: account closed, Ivo " + ivo));
    }

    @Test
    void anotherRoleActsInTheSessionThatIsOpen() {
        Visitor his = lab.as(ivo);
        his.get("/api/staff/accounts").expect(403);
        petra.put("/api/staff/" + ivo + "/role", Map.of("role", "MANAGER")).expect(204);
        his.get("/api/staff/accounts").expect(200);
        petra.put("/api/staff/" + ivo + "/role", Map.of("role", "ENGINEER")).expect(204);
        his.get("/api/staff/accounts").expect(403);
        assertThat(record()).anyMatch(l -> l.contains("from engineer to manager; from 127.0.0.1"));
    }

    @Test
    void thereIsAManagerAlwaysAndNobodyShutsThemselvesOut() {
        assertThat(petra.put("/api/staff/petra/role", Map.of("role", "ENGINEER"))
                        .expect(409)
                        .sentence())
                .contains("another manager");
        assertThat(petra.put("/api/staff/petra/account", Map.of("open", false))
                        .expect(409)
                        .sentence())
                .contains("another manager");
        petra.put("/api/staff/nobody/account", Map.of("open", false)).expect(404);
        Visitor his = lab.as(ivo);
        his.put("/api/staff/una/account", Map.of("open", false)).expect(403);
        assertThat(lab.own(Staff.class).named("una").role()).isEqualTo(Role.COORDINATOR);
    }

    @Test
    void aLinkGivesANewPasswordOnceAndOnlyTheLatestHolds() {
        Visitor his = lab.as(ivo);
        String first = token(petra.post("/api/staff/" + ivo + "/reset-link").expect(201));
        String second = token(petra.post("/api/staff/" + ivo + "/reset-link").expect(201));
        Visitor door = lab.nobody();
        door.post("/api/session/new-password", Map.of("token", first, "password", NEW))
                .expect(410);
        door.post("/api/session/new-password", Map.of("token", second, "password", "short"))
                .expect(400);
        door.post("/api/session/new-password", Map.of("token", second, "password", NEW))
                .expect(204);
        door.post("/api/session/new-password", Map.of("token", second, "password", "another good password"))
                .expect(410);
        his.get("/api/desk").expect(401);
        signIn(door, Lab.PASSWORD, null).expect(401);
        signIn(door, NEW, null).expect(200);
        String third = token(petra.post("/api/staff/" + ivo + "/reset-link").expect(201));
        lab.sql().update("update reset_link set until = now() - interval '1 second' where login = ?", ivo);
        door.post("/api/session/new-password", Map.of("token", third, "password", NEW))
                .expect(410);
        assertThat(record()).anyMatch(l -> l.startsWith("Ivo " + ivo + ": new password by a link"));
    }

    private static String token(Visitor.Answer answer) {
        String path = answer.json().get("path").asString();
        return path.substring(path.indexOf('#') + 1);
    }

    @Test
    void anotherPasswordEndsAllSessionsButTheOneThatItIsDoneIn() {
        Visitor here = lab.as(ivo);
        Visitor there = lab.as(ivo);
        assertThat(here.get("/api/staff/me/sessions").expect(200).json()).hasSize(2);
        assertThat(here.put("/api/staff/me/password", Map.of("old", "not it at all", "password", NEW))
                        .expect(400)
                        .json()
                        .get("field")
                        .asString())
                .isEqualTo("old");
        here.put("/api/staff/me/password", Map.of("old", Lab.PASSWORD, "password", NEW))
                .expect(204);
        there.get("/api/desk").expect(401);
        here.get("/api/desk").expect(200);
    }

    @Test
    void sessionsAreSeenWithTheirPlaceAndEndOneByOneOrAll() {
        Visitor here = lab.as(ivo);
        Visitor there = lab.as(ivo);
        JsonNode all = here.get("/api/staff/me/sessions").expect(200).json();
        JsonNode other = all.get(0).get("here").asBoolean() ? all.get(1) : all.get(0);
        assertThat(other.get("address").asString()).isEqualTo("127.0.0.1");
        here.delete("/api/staff/me/sessions/" + other.get("mark").asString()).expect(204);
        there.get("/api/desk").expect(401);
        here.delete("/api/staff/me/sessions/" + other.get("mark").asString()).expect(410);
        Visitor third = lab.as(ivo);
        here.delete("/api/staff/me/sessions").expect(204);
        third.get("/api/desk").expect(401);
        here.get("/api/desk").expect(200);
        petra.delete("/api/staff/" + ivo + "/sessions").expect(204);
        here.get("/api/desk").expect(401);
        assertThat(record()).anyMatch(l -> l.startsWith("Petra Lunn: sessions ended, Ivo " + ivo));
    }

    @Test
    void aSessionEndsWhenNobodyUsesItAndInTheEndAnyway() {
        Visitor his = lab.as(ivo);
        Instant earlier = Instant.now().minusSeconds(5400);
        move(ivo, "staff.active", earlier);
        Map<String, String> byItself = Map.of("Brantel-Untouched", "5400");
        his.get("/api/desk", byItself).expect(200);
        assertThat(active(his, byItself)).isBefore(earlier.plusSeconds(120));
        his.get("/api/desk").expect(200);
        assertThat(active(his, byItself)).isAfter(earlier.plusSeconds(5000));
        move(ivo, "staff.active", Instant.now().minusSeconds(3 * 3600));
        his.get("/api/desk").expect(401);
        Visitor used = lab.as(ivo);
        move(ivo, "staff.since", Instant.now().minusSeconds(13 * 3600));
        used.get("/api/desk").expect(401);
    }

    private static Instant active(Visitor visitor, Map<String, String> headers) {
        return Instant.parse(visitor.get("/api/staff/me/sessions", headers)
                .expect(200)
                .json()
                .get(0)
                .get("active")
                .asString());
    }

    /** As if time had passed: sessions keep it as Java writes an {@link Instant}. */
    private void move(String login, String attribute, Instant to) {
        byte[] bytes = new SerializingConverter().convert(to);
        assertThat(lab.sql()
                        .update(
                                "update spring_session_attributes a set attribute_bytes = ? from spring_session s "
                                        + "where s.primary_id = a.session_primary_id and s.principal_name = ? "
                                        + "and a.attribute_name = ?",
                                bytes,
                                login,
                                attribute))
                .isPositive();
    }

    @Test
    void whoIsSignedInIsSoOnEveryServerOfTheLab() {
        SpringApplication second = new SpringApplication(BrantelServer.class);
        second.setRegisterShutdownHook(false);
        try (ConfigurableApplicationContext other = second.run(lab.asArguments())) {
            int port = ((WebServerApplicationContext) other).getWebServer().getPort();
            Visitor his = lab.as(ivo);
            Visitor there = his.at("http://127.0.0.1:" + port);
            assertThat(there.get("/api/session").expect(200).text()).contains(ivo);
            there.get("/api/desk").expect(200);
            his.delete("/api/session").expect(204);
            there.get("/api/desk").expect(401);
        }
    }

    @Test
    void aBrowserMayAskTheSameSeveralTimesAtOnce() throws Exception {
        Visitor his = lab.as(ivo);
        ExecutorService all = Executors.newFixedThreadPool(8);
        try {
            List<Callable<Integer>> asks =
                    Collections.nCopies(16, () -> his.post("/api/session/passkey/question", Map.of())
                            .status());
            for (Future<Integer> status : all.invokeAll(asks)) {
                assertThat(status.get()).isEqualTo(200);
            }
        } finally {
            all.shutdownNow();
        }
        his.get("/api/desk").expect(200);
    }

    @Test
    void codesOfTheMomentAreAskedForOnceTheyAreShown() throws InvalidKeyException {
        Visitor his = lab.as(ivo);
        his.post("/api/staff/me/codes", Map.of("old", "not it at all")).expect(400);
        JsonNode told = his.post("/api/staff/me/codes", Map.of("old", Lab.PASSWORD))
                .expect(200)
                .json();
        byte[] secret = new Base32().decode(told.get("secret").asString());
        assertThat(told.get("address").asString()).startsWith("otpauth://totp/Lab%20under%20test:" + ivo);
        signIn(lab.nobody(), Lab.PASSWORD, null).expect(200);
        his.put("/api/staff/me/codes", Map.of("code", "000000")).expect(400);
        String code = code(secret, 0);
        JsonNode spares = his.put("/api/staff/me/codes", Map.of("code", code))
                .expect(200)
                .json()
                .get("spares");
        assertThat(spares).hasSize(10);

        Visitor door = lab.nobody();
        assertThat(signIn(door, Lab.PASSWORD, null)
                        .expect(401)
                        .json()
                        .get("field")
                        .asString())
                .isEqualTo("code");
        signIn(door, Lab.PASSWORD, code).expect(401);
        signIn(door, Lab.PASSWORD, code(secret, 1)).expect(200);
        signIn(lab.nobody(), Lab.PASSWORD, code(secret, 1)).expect(401);
        String spare = spares.get(3).asString();
        signIn(lab.nobody(), Lab.PASSWORD, spare.toUpperCase(Locale.ROOT)).expect(200);
        signIn(lab.nobody(), Lab.PASSWORD, spare).expect(401);
        assertThat(his.get("/api/staff/me").json().get("sparesLeft").asInt()).isEqualTo(9);
        assertThat(record()).anyMatch(l -> l.startsWith("Ivo " + ivo + ": signed in, with a password and a spare"));

        petra.delete("/api/staff/" + ivo + "/factors").expect(204);
        signIn(lab.nobody(), Lab.PASSWORD, null).expect(200);
    }

    private static String code(byte[] secret, int stepsOn) throws InvalidKeyException {
        TimeBasedOneTimePasswordGenerator codes = new TimeBasedOneTimePasswordGenerator();
        return codes.generateOneTimePasswordString(
                new SecretKeySpec(secret, codes.getAlgorithm()),
                Instant.now().plus(codes.getTimeStep().multipliedBy(stepsOn)));
    }

    /** Whoever knows the password gets no more tries at the code by giving the password again. */
    @Test
    void codesAreNotGuessed() {
        Visitor his = lab.as(ivo);
        JsonNode told = his.post("/api/staff/me/codes", Map.of("old", Lab.PASSWORD))
                .expect(200)
                .json();
        byte[] secret = new Base32().decode(told.get("secret").asString());
        his.put("/api/staff/me/codes", Map.of("code", codeOf(secret))).expect(200);
        Visitor thief = lab.nobody();
        List<Integer> answers = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            signIn(thief, Lab.PASSWORD, null);
            answers.add(signIn(thief, Lab.PASSWORD, "00000" + i).status());
        }
        assertThat(answers).startsWith(401, 401).endsWith(429);
    }

    private static String codeOf(byte[] secret) {
        try {
            return code(secret, 0);
        } catch (InvalidKeyException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void managersGetASecondFactorBeforeAnythingElseWhereTheLabSaysSo() {
        petra.put("/api/staff/" + ivo + "/role", Map.of("role", "MANAGER")).expect(204);
        Visitor his = lab.as(ivo);
        his.put("/api/settings/entry", Map.of("managersNeedTwo", true)).expect(200);
        assertThat(his.get("/api/desk").expect(403).sentence()).contains("second factor");
        assertThat(his.get("/api/session").json().get("lacking").asBoolean()).isTrue();
        lab.as("una").get("/api/desk").expect(200);
        byte[] secret = new Base32()
                .decode(his.post("/api/staff/me/codes", Map.of("old", Lab.PASSWORD))
                        .expect(200)
                        .json()
                        .get("secret")
                        .asString());
        his.put("/api/staff/me/codes", Map.of("code", codeOf(secret))).expect(200);
        his.get("/api/desk").expect(200);
    }

    /** Whoever has a passkey and does not show it is not led to get something else by the password alone. */
    @Test
    void aPasswordAloneOpensNothingToAManagerWhoHasMore() {
        petra.put("/api/staff/" + ivo + "/role", Map.of("role", "MANAGER")).expect(204);
        Visitor before = lab.as(ivo);
        String id = Base64.getUrlEncoder().withoutPadding().encodeToString(ivo.getBytes(StandardCharsets.US_ASCII));
        lab.sql().update("insert into user_entities (id, name) values (?, ?)", id, ivo);
        lab.sql()
                .update(
                        "insert into user_credentials (credential_id, user_entity_user_id, public_key, backup_eligible, "
                                + "backup_state, label, created, last_used, signature_count, authenticator_transports, "
                                + "public_key_credential_type) "
                                + "values (?, ?, ?, false, false, 'key', now(), now(), 0, 'internal', 'public-key')",
                        id,
                        id,
                        new byte[] {1});
        signIn(lab.nobody(), Lab.PASSWORD, null).expect(200);
        lab.own(LabSettings.class).set(new LabSettings.EntryRules(true), "test");
        assertThat(signIn(lab.nobody(), Lab.PASSWORD, null).expect(401).sentence())
                .contains("sign in with your passkey");
        before.get("/api/desk").expect(401);
        before.post("/api/staff/me/codes", Map.of("old", Lab.PASSWORD)).expect(401);
    }

    /** An open session is not enough to change how its owner signs in. */
    @Test
    void managersChangeTheirOwnSignInByTheirPresentPasswordAlone() {
        assertThat(petra.post("/api/staff/petra/reset-link").expect(409).sentence())
                .contains("present one");
        assertThat(petra.delete("/api/staff/petra/factors").expect(409).sentence())
                .contains("present password");
    }

    @Test
    void whoWasLetInAndWhoWasNotIsSeenByThemselvesAndByManagers() {
        signIn(lab.nobody(), "not it at all", null).expect(401);
        lab.nobody()
                .post("/api/session", Map.of("login", "a secret typed here", "password", "whatever it is"))
                .expect(401);
        Visitor his = lab.as(ivo);
        String own = his.get("/api/staff/me/record").expect(200).text();
        assertThat(own)
                .contains("as Ivo " + ivo + ": wrong password", "with a password", "from 127.0.0.1")
                .doesNotContain("Una", "by a name that nobody here has");
        assertThat(record())
                .anyMatch(l -> l.startsWith("somebody: refused, by a name that nobody here has"))
                .noneMatch(l -> l.contains("a secret typed here"));
        his.get("/api/audit").expect(403);
    }

    @Test
    void theRecordOnlyGrowsAndATearIsSeen() {
        lab.as(ivo);
        assertThat(petra.get("/api/audit/check").expect(200).json().get("tears"))
                .isEmpty();
        lab.sql().execute("alter table audit_entry disable trigger audit_entry_only_grows");
        lab.sql().update("update audit_entry set detail = 'nothing' where number = 1");
        lab.sql().execute("alter table audit_entry enable trigger audit_entry_only_grows");
        assertThat(petra.get("/api/audit/check").expect(200).text()).contains("Entry 1 was changed");
        assertThatThrownBy(() -> lab.sql().update("delete from audit_entry where number = 1"))
                .hasMessageContaining("only grows");
    }
}
