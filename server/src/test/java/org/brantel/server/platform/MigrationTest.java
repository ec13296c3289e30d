package org.brantel.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.brantel.server.testing.Lab;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.configuration.FluentConfiguration;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A lab that was set up with an earlier version keeps all that it has. */
class MigrationTest {

    private final Lab lab = Lab.open();

    private JdbcTemplate database(String name) {
        lab.sql().execute("create database " + name);
        Map<String, String> settings = lab.settings(lab.databaseUrl().replaceFirst("/brantel$", "/" + name));
        return new JdbcTemplate(new DriverManagerDataSource(settings.get("spring.datasource.url"), settings.get("spring.datasource.username"), settings.get("spring.datasource.password")));
    }

    private static void logCase(JdbcTemplate sql, String number, String customer, String phone, String email) {
        sql.update("insert into lab_case (number, customer_name, contact_person, phone, email, story, stage, owner, created_at, version) "
                + "values (?, ?, 'c', ?, ?, 's', 'RECEIVED', 'Una', now() - interval '3 days', 0)", number, customer, phone, email);
        sql.update("insert into device (case_id, type, make, model, serial, capacity) select id, 'hdd', 'm', 'm', 's', 1 from lab_case where number = ?", number);
        sql.update("insert into case_stage (case_id, stage, at, who) select id, 'RECEIVED', now() - interval '2 days', 'Una' from lab_case where number = ?", number);
    }

    @Test
    void casesOfTheFirstVersionGetTheirCustomers() {
        JdbcTemplate sql = database("migrated");
        FluentConfiguration flyway = Flyway.configure().dataSource(sql.getDataSource()).locations("classpath:db/migration");
        flyway.target("1").load().migrate();
        logCase(sql, "BR-1", "Band", "0148 22 11", "band@skerrow.example");
        logCase(sql, "BR-2", "Museum", "", "");
        logCase(sql, "BR-3", "Band", "0148 22 11", "band@skerrow.example");
        logCase(sql, "BR-4", "Band", "0148 99 99", "");
        logCase(sql, "BR-5", "Archive", "", "a@skerrow.example");
        flyway.target("latest").load().migrate();
        assertThat(sql.queryForList("select c.number || ' ' || k.name || ' ' || coalesce((select string_agg(w.plain, ',' order by w.position) from customer_way w where w.customer_id = k.id), '-') "
                + "from lab_case c join customer k on k.id = c.customer_id order by c.number", String.class)).containsExactly("BR-1 Band 01482211,band@skerrow.example", "BR-2 Museum -",
                "BR-3 Band 01482211,band@skerrow.example", "BR-4 Band 01489999", "BR-5 Archive a@skerrow.example");
        assertThat(sql.queryForObject("select count(*) from customer", Integer.class)).as("the same customer once").isEqualTo(4);
        assertThat(sql.queryForObject("select bool_and(stage_since > now() - interval '2 days 1 hour') from lab_case", Boolean.class)).as("clocks began with the stage").isTrue();
        assertThat(sql.queryForObject("select words from find_text f join lab_case c on c.id = f.case_id where c.number = 'BR-1'", String.class))
                .as("earlier cases are found").isEqualTo("br-1 band c 0148 22 11 01482211 band@skerrow.example band@skerrow.example m m s s");
        assertThat(sql.queryForObject("select count(*) from find_word where word = 'museum'", Integer.class)).isEqualTo(1);
        assertThat(sql.queryForList("select position from device", Integer.class)).containsOnly(1);
    }
}
