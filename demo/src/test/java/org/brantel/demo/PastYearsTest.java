package org.brantel.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.Map;
import org.brantel.server.BrantelServer;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;

class PastYearsTest {

    /** A demo lab of its own beside the tests' lab, on another database of the same cluster. */
    @Test
    void tenYearsAreALabThatWorks() {
        Lab lab = Lab.open();
        lab.sql().execute("create database years");
        Map<String, String> settings = lab.settings("years");
        settings.put("brantel.demo.enabled", "true");
        settings.put("brantel.demo.cases", "700");
        settings.put("brantel.home", lab.home().resolve("years").toString());
        settings.put(
                "brantel.demo-devices", Lab.repository().resolve("demo/devices").toString());
        SpringApplication application = new SpringApplication(BrantelServer.class);
        application.setRegisterShutdownHook(false);
        try (ConfigurableApplicationContext context = application.run(settings.entrySet().stream()
                .map(e -> "--" + e.getKey() + "=" + e.getValue())
                .toArray(String[]::new))) {
            Visitor una = new Visitor("http://127.0.0.1:"
                    + ((WebServerApplicationContext) context).getWebServer().getPort());
            una.post("/api/session", Map.of("login", "una", "password", DemoStaff.PASSWORD))
                    .expect(200);
            JsonNode all = una.get("/api/cases?state=all&size=1000").json();
            assertThat(all.get("total").asInt())
                    .as("the years, beside the cases that the demo tells")
                    .isBetween(701, 749);
            assertThat(una.get("/api/desk?listed=1000")
                            .expect(200)
                            .json()
                            .get("waiting")
                            .asInt())
                    .isGreaterThan(100);
            assertThat(una.get("/api/ledger").json().toString())
                    .as("every record holds")
                    .contains("\"torn\":false")
                    .doesNotContain("\"torn\":true");
            String month = YearMonth.now(ZoneOffset.UTC).toString();
            JsonNode past = una.get("/api/lab-record?from=2020-01&to=" + month)
                    .expect(200)
                    .json()
                    .get("past");
            assertThat(past.get("how").toString())
                    .as("cases ended in every way")
                    .contains("whole", "partly", "nothing", "copy", "collected", "declined");
            assertThat(una.get("/api/day?days=365").expect(200).json().get("ended"))
                    .isNotEmpty();
            String number = new CaseForms().log(una);
            assertThat(all.toString()).as("numbers go on").doesNotContain(number);
            JsonNode old = all.get("cases").get(600);
            assertThat(una.get("/api/cases/" + old.get("number").asString())
                            .expect(200)
                            .json()
                            .get("facts")
                            .size())
                    .isPositive();
            assertThat(una.get("/api/find?q=" + old.get("device").get("serial").asString())
                            .text())
                    .contains(old.get("number").asString());
            assertThat(una.get("/api/outbox").json().get("route").asBoolean())
                    .as("the demo's mail has a stand-in")
                    .isTrue();
        }
    }
}
