package org.brantel.server.custody;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Somebody with the database's password tries to change what happened. */
class TamperingTest {

    private final JdbcTemplate sql = Lab.open().sql();

    private void force(String statement, Object... values) {
        sql.execute("alter table custody_entry disable trigger custody_entry_only_grows");
        try {
            sql.update(statement, values);
        } finally {
            sql.execute("alter table custody_entry enable trigger custody_entry_only_grows");
        }
    }

    private static JsonNode tears(Story story) {
        return story.una.get(story.path("/custody")).json().get("tears");
    }

    @Test
    void theDatabaseItselfLetsTheRecordOnlyGrow() {
        Story story = Story.of(new CaseForms()).decided();
        assertThatThrownBy(() -> sql.update("update custody_entry set who = 'x' where case_number = ?", story.number))
                .hasMessageContaining("only grows");
        assertThatThrownBy(() -> sql.update("delete from custody_entry where case_number = ?", story.number))
                .hasMessageContaining("only grows");
        assertThat(tears(story).size()).isZero();
    }

    @Test
    void aChangedAMissingAndACutOffEntryAreAllShown() {
        Story changed = Story.of(new CaseForms()).decided();
        force(
                "update custody_entry set detail = 'nothing happened' where case_number = ? and number = 1",
                changed.number);
        assertThat(tears(changed).get(0).get("words").asString()).contains("Entry 1 was changed");
        Story missing = Story.of(new CaseForms()).decided();
        force("delete from custody_entry where case_number = ? and number = 1", missing.number);
        assertThat(tears(missing).toString()).contains("Entry 1 is missing");
        Story cut = Story.of(new CaseForms()).decided();
        force("delete from custody_entry where case_number = ? and number = 2", cut.number);
        assertThat(tears(cut).toString()).contains("ends at entry 1, but 2 were written");
        assertThat(cut.una.get("/api/ledger").expect(200).text()).contains("\"torn\":true");
    }

    @Test
    void onATornRecordOnlyAManagerSealsAndTheRecordSaysSo() {
        Story story =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure").selectedWhole();
        story.recovered();
        force("update custody_entry set who = 'Nobody' where case_number = ? and number = 2", story.number);
        assertThat(story.una.post(story.path("/deliveries")).expect(409).sentence())
                .contains("torn")
                .contains("manager");
        Lab.open().as("petra").post(story.path("/deliveries")).expect(201);
        story.una.await(
                story.path("/deliveries"), d -> d.get(0).get("state").asString().equals("sealed"));
        String link = "/api/deliveries/"
                + story.una
                        .get(story.path("/deliveries"))
                        .json()
                        .get(0)
                        .get("id")
                        .asLong()
                + "/link";
        assertThat(story.una.post(link).expect(409).sentence()).contains("torn").contains("make a link");
        Lab.open().as("petra").post(link).expect(200);
        assertThat(story.una.get(story.path("/custody")).text())
                .contains("ordered a delivery although the record is torn")
                .contains("made a link for the customer although the record is torn")
                .contains("Entry 2 was changed");
    }

    /** Reading a record while it is being written shows no tear. */
    @Test
    void aRecordThatGrowsMeanwhileIsNotTorn() throws Exception {
        Story story = Story.of(new CaseForms());
        AtomicBoolean going = new AtomicBoolean(true);
        CompletableFuture<Void> writer = CompletableFuture.runAsync(() -> {
            while (going.get()) {
                story.una
                        .post("/api/cases/" + story.number + "/owner", Map.of("login", "tom"))
                        .expect(200);
            }
        });
        try {
            for (int i = 0; i < 60; i++) {
                assertThat(story.lab
                                .as("petra")
                                .get(story.path("/custody"))
                                .json()
                                .get("tears")
                                .size())
                        .isZero();
            }
        } finally {
            going.set(false);
            writer.get(60, TimeUnit.SECONDS);
        }
    }
}
