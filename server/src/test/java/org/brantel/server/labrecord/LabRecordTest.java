package org.brantel.server.labrecord;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What the lab says of itself stands in its records, each case in the month in which it ended. */
class LabRecordTest {

    private final Lab lab = Lab.open();
    private final Visitor petra = lab.as("petra");

    private JsonNode told(String from, String to) {
        return petra.get("/api/lab-record?from=" + from + "&to=" + to)
                .expect(200)
                .json();
    }

    /** Logs a case and declines it; the records are set back to a month of long ago, when no other test ends one. */
    private String declined(String month, double receivedDays, String medium, String loss) {
        String number =
                new CaseForms().device("type", medium).told("loss.event", loss).log(petra);
        petra.post(
                        "/api/cases/" + number + "/triage/decision",
                        Map.of("path", "decline", "reason", "Not worth the work.", "version", 0))
                .expect(200);
        Instant end = Instant.parse(month + "-15T12:00:00Z");
        Instant begin = end.minusSeconds(Math.round(receivedDays * 86_400));
        lab.sql().update("update lab_case set stage_since = ? where number = ?", at(end), number);
        String own = "(select id from lab_case where number = ?)";
        lab.sql().update("update case_stage set at = ? where stage = 'DECLINED' and case_id = " + own, at(end), number);
        lab.sql()
                .update(
                        "update case_stage set at = ? where stage = 'RECEIVED' and case_id = " + own,
                        at(begin),
                        number);
        return number;
    }

    private static java.time.OffsetDateTime at(Instant instant) {
        return instant.atOffset(ZoneOffset.UTC);
    }

    private static JsonNode group(JsonNode told, String by, String of) {
        return told.get("past")
                .get(by)
                .valueStream()
                .filter(g -> g.get("of").asString().equals(of))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void casesCountInTheMonthInWhichTheyEndedByMediumAndLoss() {
        declined("2001-03", 1, "hdd", "formatted");
        declined("2001-03", 3, "hdd", "deleted-directly");
        declined("2001-05", 5, "usb-stick", "formatted");
        JsonNode told = told("2001-03", "2001-05");
        JsonNode past = told.get("past");
        assertThat(past.get("cases").asInt()).isEqualTo(3);
        assertThat(past.get("months"))
                .extracting(m -> m.get("month").asString())
                .containsExactly("2001-03", "2001-04", "2001-05");
        assertThat(past.get("months").get(0).get("how").toString()).isEqualTo("[{\"how\":\"declined\",\"cases\":2}]");
        assertThat(group(told, "media", "hdd").get("cases").asInt()).isEqualTo(2);
        assertThat(group(told, "losses", "formatted").get("cases").asInt()).isEqualTo(2);
        assertThat(group(told, "paths", "decline").get("few").asBoolean()).isTrue();
        JsonNode received = past.get("stages").get(0);
        assertThat(received.get("stage").asString()).isEqualTo("received");
        assertThat(received.get("days").get("median").asDouble()).isEqualTo(3, within(1e-6));
        assertThat(told("2001-04", "2001-04").get("past").get("cases").asInt()).isZero();
    }

    @Test
    void whatWasForetoldIsHeldAgainstWhatCame() {
        Story story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure");
        lab.sql()
                .update(
                        "update lab_case set stage = 'CLOSED', stage_since = ? where number = ?",
                        at(Instant.parse("2002-02-02T00:00:00Z")),
                        story.number);
        JsonNode foretold = told("2002-02", "2002-02").get("past").get("foretold");
        // Its capacity was not noted, so that nobody could say how long reading takes.
        assertThat(foretold).isEmpty();
        lab.sql()
                .update(
                        "update triage_decision set estimate = jsonb_set(estimate::jsonb, '{imaging}', "
                                + "'{\"low\":0.0001,\"high\":9999,\"reasons\":[]}')::text where case_id = "
                                + "(select id from lab_case where number = ?)",
                        story.number);
        JsonNode imaging =
                told("2002-02", "2002-02").get("past").get("foretold").get(0);
        assertThat(imaging.get("work").asString()).isEqualTo("imaging");
        assertThat(imaging.get("within").asInt()).isEqualTo(1);
        assertThat(imaging.get("few").asBoolean()).isTrue();
    }

    @Test
    void openCasesStandWhereTheyStand() {
        new CaseForms().log(petra);
        String month = YearMonth.now(ZoneOffset.UTC).toString();
        JsonNode now = told(month, month).get("now").get(0);
        assertThat(now.get("stage").asString()).isEqualTo("received");
        assertThat(now.get("cases").asInt()).isPositive();
        assertThat(now.get("days").get("median").asDouble())
                .isLessThanOrEqualTo(now.get("longest").asDouble());
    }

    @Test
    void aTimeThatIsNoneIsRefusedInASentence() {
        assertThat(petra.get("/api/lab-record?from=2026-05&to=2026-04")
                        .expect(400)
                        .sentence())
                .contains("comes after the last");
        assertThat(petra.get("/api/lab-record?from=2001-01&to=2026-04")
                        .expect(400)
                        .sentence())
                .contains("120 months");
        for (String month : List.of("2026-13", "yesterday", "")) {
            assertThat(petra.get("/api/lab-record?from=" + month + "&to=2026-04")
                            .expect(400)
                            .sentence())
                    .contains("from");
        }
    }
}
