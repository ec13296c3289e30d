package org.brantel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class CustomersTest {

    private final Visitor una = Lab.open().as("una");

    private JsonNode alike(String name, String kind, String way) {
        return una.post(
                        "/api/customers/alike",
                        Map.of(
                                "name",
                                name,
                                "ways",
                                way.isEmpty() ? List.of() : List.of(Map.of("kind", kind, "value", way))))
                .expect(200)
                .json();
    }

    private JsonNode customerOf(String number) {
        return una.get("/api/cases/" + number).json().get("customer");
    }

    @Test
    void aReturningCustomerIsFoundByAnyContactWayHoweverItIsWritten() {
        String number = new CaseForms()
                .customer("name", "Stennet Rope Works")
                .customer("phone", "+44 0148 771 901")
                .customer("email", "Ropes@Skerrow.example")
                .customer("post", "The Slip 4, Stennet")
                .log(una);
        for (JsonNode found : List.of(
                alike("", "phone", "00440148771901"),
                alike("", "phone", "+44 (0148) 771-901"),
                alike("", "email", "ropes@skerrow.EXAMPLE"),
                alike("", "post", "the slip 4 stennet"))) {
            assertThat(found.get(0).get("customer").get("name").asString()).isEqualTo("Stennet Rope Works");
            assertThat(found.get(0).get("why").asString()).startsWith("the same");
            assertThat(found.get(0).get("certain").asBoolean()).isTrue();
            assertThat(found.get(0).get("cases").toString()).contains(number);
        }
    }

    @Test
    void aNameThatLooksAlikeIsShownButNotTakenForCertain() {
        new CaseForms()
                .customer("name", "Whin Hill Lantern Makers")
                .customer("phone", "")
                .customer("email", "")
                .log(una);
        JsonNode found = alike("Whin Hil Lantern Maker", "", "");
        assertThat(found.get(0).get("customer").get("name").asString()).isEqualTo("Whin Hill Lantern Makers");
        assertThat(found.get(0).get("certain").asBoolean()).isFalse();
        assertThat(alike("Zzyx", "", "").size()).isZero();
        assertThat(alike("", "phone", "01").size())
                .as("half a number is nobody's")
                .isZero();
    }

    @Test
    void aSecondCaseOfTheSameCustomerSharesTheirRecord() {
        String first = new CaseForms()
                .customer("name", "Otter Burn Mill")
                .customer("phone", "0149 111 222")
                .log(una);
        int id = customerOf(first).get("id").asInt();
        String second = new CaseForms()
                .customer("id", id)
                .customer("name", "Otter Burn Mill")
                .customer("phone", "0149 333 444")
                .log(una);
        assertThat(customerOf(second).get("id").asInt()).isEqualTo(id);
        assertThat(customerOf(first).get("ways").toString())
                .as("a new number is the customer's, whichever case")
                .contains("0149 333 444");
        assertThat(una.get("/api/customers/" + id).json().get("cases").size()).isEqualTo(2);
    }

    @Test
    void twoRecordsOfOneCustomerAreMadeOneAndPartedAgain() {
        String kept = new CaseForms()
                .customer("name", "Kelp Row Bakery")
                .customer("phone", "0149 500 001")
                .log(una);
        String merged = new CaseForms()
                .customer("name", "Bakery, Kelp Row")
                .customer("phone", "0149 500 002")
                .log(una);
        int keep = customerOf(kept).get("id").asInt();
        int other = customerOf(merged).get("id").asInt();
        JsonNode done = una.post("/api/customers/merges", Map.of("keep", keep, "merge", other))
                .expect(201)
                .json();
        assertThat(done.get("moved").toString()).contains(merged);
        assertThat(customerOf(merged).get("id").asInt()).isEqualTo(keep);
        assertThat(una.get("/api/cases/" + merged + "/custody").text())
                .contains("gave the case to another customer record");
        assertThat(una.post("/api/customers/merges", Map.of("keep", keep, "merge", other))
                        .expect(409)
                        .sentence())
                .contains("are one already");
        assertThat(una.get("/api/find?q=" + merged).json().get(0).get("label").asString())
                .contains("Kelp Row Bakery");
        una.delete("/api/customers/merges/" + done.get("id").asInt()).expect(204);
        assertThat(customerOf(merged).get("name").asString()).isEqualTo("Bakery, Kelp Row");
        una.delete("/api/customers/merges/" + done.get("id").asInt()).expect(409);
    }

    @Test
    void namesInAnyScriptAreKeptAsTheyAre() {
        for (String name : List.of(
                "مقهى الميناء",
                "בית המלאכה",
                "灯台博物館",
                "Ægir Þórsson",
                "<b>O'Brien & \"Sons\"</b>",
                "𝔐𝔲𝔰𝔢𝔲𝔪 \u202eabc")) {
            String number = new CaseForms().customer("name", name).log(una);
            assertThat(customerOf(number).get("name").asString()).isEqualTo(name);
        }
        assertThat(una.get("/api/find?q=" + URLEncoder.encode("灯台博物館", StandardCharsets.UTF_8))
                        .text())
                .contains("灯台博物館");
    }
}
