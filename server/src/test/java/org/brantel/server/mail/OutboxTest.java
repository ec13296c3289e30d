package org.brantel.server.mail;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.util.Arrays;
import java.util.Map;
import org.brantel.server.platform.Settings;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class OutboxTest {

    /** Takes what the server's own beans would be given. */
    static final class Hatch {
        final MailRoute route;

        Hatch(MailRoute route) {
            this.route = route;
        }
    }

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");
    private final MailRoute route = lab.bean(Hatch.class).route;
    private GreenMail server;

    @BeforeEach
    void start() {
        server = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        server.start();
        route.use(new Settings.Smtp("127.0.0.1", server.getSmtp().getPort(), "", "", false, ""));
    }

    @AfterEach
    void stop() {
        server.stop();
    }

    private static CaseForms agreed() {
        return new CaseForms().consent("mail", true).device("type", "hdd").told("symptom.noise", "clicking");
    }

    /** The lab waits before it writes; the tests do not. */
    private void sendNow(String number) {
        lab.sql().update("update mail set next_at = now() where case_number = ? and state = 'QUEUED'", number);
        lab.sql().update("update scheduled_tasks set execution_time = now() where task_name = 'mail'");
    }

    private JsonNode awaitReceived(String number) {
        sendNow(number);
        return await(number, "received", "sent");
    }

    private JsonNode await(String number, String letter, String state) {
        return una.await("/api/outbox?number=" + number, o -> o.get("messages")
                        .get("items")
                        .valueStream()
                        .anyMatch(m -> m.get("letter").asString().equals(letter)
                                && m.get("state").asString().equals(state)))
                .get("messages")
                .get("items")
                .valueStream()
                .filter(m -> m.get("letter").asString().equals(letter))
                .findFirst()
                .orElseThrow();
    }

    private void decide(String number, String path, String reason) {
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        una.post(
                        "/api/cases/" + number + "/triage/decision",
                        Map.of("path", path, "reason", reason, "version", version))
                .expect(200);
    }

    private MimeMessage received(String number) throws MessagingException {
        return Arrays.stream(server.getReceivedMessages())
                .filter(m -> subject(m).contains(number))
                .findFirst()
                .orElseThrow();
    }

    private static String subject(MimeMessage m) {
        try {
            return m.getSubject();
        } catch (MessagingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void whoAgreedIsToldWhatNotToDo() throws MessagingException {
        String number = agreed().customer("name", "Kelp & Söhne <kelp>").log(una);
        JsonNode sent = awaitReceived(number);
        assertThat(sent.get("recipient").asString()).isEqualTo("hives@skerrow.example");
        MimeMessage message = received(number);
        String body = GreenMailUtil.getBody(message);
        assertThat(body)
                .contains("leave it unplugged")
                .contains("Dear Hilda Crane")
                .doesNotContain("{");
        assertThat(message.getAllRecipients()[0].toString()).isEqualTo("hives@skerrow.example");
        assertThat(una.get("/api/cases/" + number + "/custody").text()).contains("wrote to the customer");
    }

    @Test
    void whoDidNotAgreeIsNotWrittenTo() {
        String number = new CaseForms().told("symptom.noise", "clicking").log(una);
        assertThat(una.get("/api/outbox?number=" + number)
                        .json()
                        .get("messages")
                        .get("items")
                        .size())
                .isZero();
    }

    @Test
    void aDecisionThatIsTakenBackIsNotTold() {
        String number = agreed().log(una);
        decide(number, "hardware-work", "");
        assertThat(await(number, "decided", "queued").get("body").asString()).contains("hardware work");
        una.post("/api/cases/" + number + "/triage/undo").expect(200);
        await(number, "decided", "cancelled");
    }

    @Test
    void aServerThatIsAwayIsTriedAgainAndAPersonIsAskedInTheEnd() throws IOException {
        String number = agreed().log(una);
        awaitReceived(number);
        decide(number, "decline", "Worth less than the work.");
        server.stop();
        for (int i = 0; i <= Mail.WAITS.size(); i++) {
            int tries = i + 1;
            sendNow(number);
            una.await(
                    "/api/outbox?number=" + number,
                    o -> o.get("messages").get("items").get(0).get("tries").asInt() == tries);
        }
        JsonNode failed = await(number, "declined", "failed");
        assertThat(failed.get("trouble").asString()).isNotBlank();
        assertThat(una.get("/api/desk?listed=1000").text()).contains("Write to the customer again?");
        server = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        server.start();
        route.use(new Settings.Smtp("127.0.0.1", server.getSmtp().getPort(), "", "", false, ""));
        una.post("/api/outbox/" + failed.get("id").asInt() + "/retry").expect(204);
        await(number, "declined", "sent");
        assertThat(una.post("/api/outbox/" + failed.get("id").asInt() + "/cancel")
                        .expect(409)
                        .sentence())
                .contains("gone out");
    }

    @Test
    void nobodysNameAddsALineToTheHead() throws MessagingException {
        Visitor petra = lab.as("petra");
        JsonNode before = petra.get("/api/settings").json().get("letters").get("received");
        petra.put(
                        "/api/settings/letters/received",
                        Map.of(
                                "subject",
                                "{case} {customer}",
                                "body",
                                before.get("body").asString()))
                .expect(200);
        try {
            String number = agreed().customer("name", "Evil\r\nBcc: all@skerrow.example")
                    .log(una);
            awaitReceived(number);
            MimeMessage message = received(number);
            assertThat(message.getHeader("Bcc")).isNull();
            assertThat(message.getSubject()).contains("Evil Bcc: all@skerrow.example");
        } finally {
            petra.put(
                            "/api/settings/letters/received",
                            Map.of(
                                    "subject",
                                    before.get("subject").asString(),
                                    "body",
                                    before.get("body").asString()))
                    .expect(200);
        }
    }
}
