package org.brantel.server.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class SettingsTest {

    private final Lab lab = Lab.open();
    private final Visitor petra = lab.as("petra");

    private static Map<String, Object> prices(Object scan) {
        return new HashMap<>(Map.of(
                "currency",
                "£",
                "byPath",
                Map.of("image-then-scan", scan),
                "perTerabyte",
                40,
                "urgentPercent",
                50,
                "urgentDays",
                3));
    }

    @Test
    void aManagerSetsPricesAndAllSeeThem() {
        JsonNode before = petra.get("/api/settings").json().get("prices");
        petra.put("/api/settings/prices", prices(Map.of("low", 200, "high", 500)))
                .expect(200);
        assertThat(lab.as("tom")
                        .get("/api/settings")
                        .json()
                        .get("prices")
                        .get("byPath")
                        .get("image-then-scan")
                        .get("high")
                        .asDouble())
                .isEqualTo(500);
        petra.put("/api/settings/prices", before.toString()).expect(200);
        assertThat(lab.as("una")
                        .put("/api/settings/prices", prices(Map.of("low", 0, "high", 1)))
                        .expect(403)
                        .sentence())
                .contains("manager");
    }

    @Test
    void whatCannotBeAPriceOrAClockIsRefused() {
        assertThat(petra.put("/api/settings/prices", prices(Map.of("low", 500, "high", 200)))
                        .expect(400)
                        .sentence())
                .contains("from a low number to a high one");
        Map<String, Object> blank = prices(Map.of("low", 1, "high", 2));
        blank.put("currency", " ");
        assertThat(petra.put("/api/settings/prices", blank).expect(400).sentence())
                .contains("currency");
        assertThat(petra.put("/api/settings/clocks", Map.of("hours", Map.of("received", 0)))
                        .expect(400)
                        .sentence())
                .contains("1 to 10,000 hours");
        assertThat(petra.put("/api/settings/clocks", Map.of("hours", Map.of("lunch", 1)))
                        .expect(400)
                        .sentence())
                .contains("no clock for 'lunch'");
    }

    @Test
    void aLetterFillsInOnlyWhatIsKnown() {
        assertThat(petra.put("/api/settings/letters/ready", Map.of("subject", "s", "body", "Dear {wife}"))
                        .expect(400)
                        .sentence())
                .contains("nothing to fill in for {wife}");
        assertThat(petra.put("/api/settings/letters/ready", Map.of("subject", "two\nlines", "body", "x"))
                        .expect(400)
                        .sentence())
                .contains("one line");
        petra.put("/api/settings/letters/poem", Map.of("subject", "s", "body", "x"))
                .expect(404);
    }
}
