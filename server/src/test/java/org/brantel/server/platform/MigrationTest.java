package org.brantel.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import java.util.zip.GZIPInputStream;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.core.json.Json;
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
        Map<String, String> settings = lab.settings(name);
        return new JdbcTemplate(new DriverManagerDataSource(
                settings.get("spring.datasource.url"),
                settings.get("spring.datasource.username"),
                settings.get("spring.datasource.password")));
    }

    private static void logCase(JdbcTemplate sql, String number, String customer, String phone, String email) {
        sql.update(
                "insert into lab_case (number, customer_name, contact_person, phone, email, story, stage, "
                        + "owner, created_at, version) "
                        + "values (?, ?, 'c', ?, ?, 's', 'RECEIVED', 'Una', now() - interval '3 days', 0)",
                number,
                customer,
                phone,
                email);
        sql.update(
                "insert into device (case_id, type, make, model, serial, capacity) select id, 'hdd', 'm', 'm', "
                        + "'s', 1 from lab_case where number = ?",
                number);
        sql.update(
                "insert into case_stage (case_id, stage, at, who) select id, 'RECEIVED', now() - interval '2 "
                        + "days', 'Una' from lab_case where number = ?",
                number);
    }

    /** The catalogue learned to find the same bytes elsewhere; it must find those of before as well. */
    @Test
    void linesOfBeforeAreKnownByTheirContent() {
        JdbcTemplate sql = database("contents");
        FluentConfiguration flyway = flyway(sql);
        flyway.target("1").load().migrate();
        logCase(sql, "BR-1", "Band", "", "");
        flyway.target("6").load().migrate();
        Finding few = finding(List.of(new Extent(4096, 3000)), new Packing(65536));
        Finding many = finding(
                IntStream.range(0, 40)
                        .mapToObj(i -> new Extent(i * 8192L, 4096))
                        .toList(),
                null);
        Finding hole = finding(List.of(new Extent(Extent.HOLE, 4096), new Extent(512, 4096)), null);
        fill(sql, "attachment");
        fill(sql, "imaging_session");
        for (Finding f : List.of(few, many, hole)) {
            fill(
                    sql,
                    "catalogue_line",
                    "size",
                    f.size(),
                    "path",
                    "/tide/gauge.log",
                    "name",
                    "gauge.log",
                    "extents",
                    Json.write(f.extents().stream()
                            .map(e -> new long[] {e.offset(), e.length()})
                            .toList()),
                    "encoding",
                    f.encoding() == null ? null : f.encoding().word(),
                    "sha256",
                    "ab",
                    "origins",
                    ",live,",
                    "prognosis",
                    "WHOLE",
                    "sessions",
                    ",3,4,",
                    "places",
                    "[\"/tide/gauge.log\"]",
                    "versions",
                    "{\"3\":{\"rank\":5,\"prognosis\":\"whole\",\"score\":95,\"origin\":\"live\",\"path\":\"/tide\"}}");
            key(sql, Objects.requireNonNull(Catalogue.place(f, "")));
        }
        key(sql, "bytes:77:lznt1:65536:512+50:-1+27");
        key(sql, "begins:512");
        flyway.target("18").load().migrate();
        sql.update("update catalogue_line set trashed_from = 'C:/tide/Band/march.log' where id = "
                + "(select min(id) from catalogue_line)");
        flyway.target("20").load().migrate();
        sql.update("update catalogue_line set id = 20007 where id = (select max(id) from catalogue_line)");
        sql.update("insert into catalogue_choice (line_id, case_id, chosen, change) "
                + "select id, case_id, id <> 2, 5 from catalogue_line");
        flyway.target("latest").load().migrate();
        assertThat(sql.queryForList(
                        "select l.id from catalogue_line l join selection_block b on b.set_id = -l.case_id and b.block "
                                + "= l.id / 8192 and get_bit(b.bits, (l.id % 8192)::int) = 1 order by l.id",
                        Long.class))
                .as("what is chosen stays chosen")
                .containsExactly(1L, 20007L);
        assertThat(sql.queryForMap("select prognosis, files, bytes from selection_sum"))
                .containsEntry("prognosis", "WHOLE")
                .containsEntry("files", 2L)
                .containsEntry("bytes", 18_000L);
        assertThat(sql.queryForList(
                        "select place from catalogue_content where sha256 = 'ab' and sample is null", String.class))
                .containsExactlyInAnyOrder(
                        Catalogue.place(few, ""), Catalogue.place(many, ""), Catalogue.place(hole, ""));
        assertThat(sql.queryForMap(
                        "select extents, encoding, size from catalogue_content where place like 'bytes:77:%'"))
                .containsEntry("extents", "[[512,50],[-1,27]]")
                .containsEntry("encoding", "lznt1:65536")
                .containsEntry("size", 77L);
        assertThat(sql.queryForObject("select count(*) from catalogue_content where line_id is null", Long.class))
                .isZero();
        assertThat(sql.queryForList("select identity_key from catalogue_key", String.class))
                .containsExactly("begins:512");
        assertThat(sql.queryForList(
                        "select session_id || ' ' || coalesce(prognosis, '-') || coalesce(path, '-') from "
                                + "catalogue_seen order by line_id, session_id limit 2",
                        String.class))
                .containsExactly("3 WHOLE/tide", "4 --");
        assertThat(sql.queryForList(
                        "select origins || places from catalogue_line where 'live' = any(origins) and places "
                                + "= array['/tide/gauge.log']::varchar[]"))
                .hasSize(3);
        assertThat(sql.queryForList(
                        "select f.path || ' ' || f.lines || ' ' || f.whole || ' ' || coalesce(p.path, '-') || ' ' || "
                                + "array_length(f.lineage, 1) from catalogue_folder f left join catalogue_folder p "
                                + "on p.id = f.parent_id order by f.path",
                        String.class))
                .containsExactly(" 3 3 - 1", "/tide 3 3  2", "/tide/Band 1 1 /tide 3");
        assertThat(sql.queryForObject("select sum(lines) from catalogue_count", Long.class))
                .isEqualTo(3);
    }

    /** A key of the line that was stored last. */
    private static void key(JdbcTemplate sql, String key) {
        sql.update(
                "insert into catalogue_key (case_id, identity_key, line_id) select case_id, ?, max(id) from "
                        + "catalogue_line group by case_id",
                key);
    }

    /** A row of a table whose other columns do not matter: what may not be empty gets the like of nothing. */
    /** A demo lab as version 29 left it: a case with five devices among others, one of them attached, read and away. */
    @Test
    void aFilledLabOfVersion29GoesOnDeviceByDevice() throws IOException {
        JdbcTemplate sql = database("filled29");
        try (InputStream packed = Objects.requireNonNull(getClass().getResourceAsStream("/labs/version-29.sql.gz"))) {
            String dump = new String(new GZIPInputStream(packed).readAllBytes(), StandardCharsets.UTF_8);
            // The dump sets the path on which names are looked up for itself.
            sql.execute(dump + "; set search_path to public");
        }
        Map<String, Long> before = counts(sql);
        flyway(sql).target("latest").load().migrate();
        Map<String, Long> after = counts(sql);
        before.forEach((table, rows) -> {
            if (!table.equals("flyway_schema_history")) {
                assertThat(after.get(table)).as(table).isEqualTo(rows);
            }
        });
        assertThat(sql.queryForList(
                        "select c.number || ' ' || d.position from attachment a join device d on d.id = a.device_id "
                                + "join lab_case c on c.id = a.case_id order by a.id",
                        String.class))
                .as("by its serial, else the first device of the case")
                .containsExactly("BR-2612-0002 1", "BR-2612-0001 1", "BR-2612-0007 1");
        assertThat(sql.queryForObject(
                        "select count(*) from imaging_session s join attachment a on a.id = s.attachment_id "
                                + "where s.device_id = a.device_id",
                        Long.class))
                .isEqualTo(before.get("imaging_session"));
        assertThat(sql.queryForObject("select count(*) from scan_session where device_id is null", Long.class))
                .isZero();
        assertThat(sql.queryForObject(
                        "select count(*) from fact where device_id is not null or code is null", Long.class))
                .as("what was said of a case stays said of all of it")
                .isZero();
    }

    private static Map<String, Long> counts(JdbcTemplate sql) {
        Map<String, Long> counts = new LinkedHashMap<>();
        sql.queryForList(
                        "select table_name from information_schema.tables where table_schema = 'public' and "
                                + "table_type = 'BASE TABLE' order by 1",
                        String.class)
                .forEach(t -> counts.put(t, sql.queryForObject("select count(*) from " + t, Long.class)));
        return counts;
    }

    private static void fill(JdbcTemplate sql, String table, Object... values) {
        Map<String, Object> row = new LinkedHashMap<>();
        for (int i = 0; i < values.length; i += 2) {
            row.put((String) values[i], values[i + 1]);
        }
        sql.queryForList(
                        "select column_name, data_type from information_schema.columns where table_name = ? and "
                                + "is_nullable = 'NO' and column_default is null and is_identity = 'NO'",
                        table)
                .forEach(c -> {
                    String type = (String) c.get("data_type");
                    row.putIfAbsent(
                            (String) c.get("column_name"),
                            type.equals("text")
                                    ? ""
                                    : type.equals("boolean")
                                            ? false
                                            : type.startsWith("timestamp")
                                                    ? Timestamp.from(Instant.EPOCH)
                                                    : (Object) 1);
                });
        sql.update(
                "insert into " + table + " (" + String.join(", ", row.keySet()) + ") values ("
                        + String.join(", ", Collections.nCopies(row.size(), "?")) + ")",
                row.values().toArray());
    }

    private static Finding finding(List<Extent> extents, Packing packing) {
        return new Finding(
                1,
                0,
                Origin.LIVE,
                Named.of("/a", "a"),
                Times.NONE,
                new Verdict(Prognosis.WHOLE, 90, List.of("seen")),
                new Content(9000, "txt", extents, packing, "ab", Map.of()),
                Evidence.NONE);
    }

    private static FluentConfiguration flyway(JdbcTemplate sql) {
        return Flyway.configure().dataSource(sql.getDataSource()).locations("classpath:db/migration");
    }

    @Test
    void casesOfTheFirstVersionGetTheirCustomers() {
        JdbcTemplate sql = database("migrated");
        FluentConfiguration flyway = flyway(sql);
        flyway.target("1").load().migrate();
        logCase(sql, "BR-1", "Band", "0148 22 11", "band@skerrow.example");
        logCase(sql, "BR-2", "Museum", "", "");
        logCase(sql, "BR-3", "Band", "0148 22 11", "band@skerrow.example");
        logCase(sql, "BR-4", "Band", "0148 99 99", "");
        logCase(sql, "BR-5", "Archive", "", "a@skerrow.example");
        flyway.target("latest").load().migrate();
        assertThat(sql.queryForList(
                        "select c.number || ' ' || k.name || ' ' || coalesce((select string_agg(w.plain, ',' "
                                + "order by w.position) from customer_way w where w.customer_id = k.id), '-') "
                                + "from lab_case c join customer k on k.id = c.customer_id order by c.number",
                        String.class))
                .containsExactly(
                        "BR-1 Band 01482211,band@skerrow.example",
                        "BR-2 Museum -",
                        "BR-3 Band 01482211,band@skerrow.example",
                        "BR-4 Band 01489999",
                        "BR-5 Archive a@skerrow.example");
        assertThat(sql.queryForObject("select count(*) from customer", Integer.class))
                .as("the same customer once")
                .isEqualTo(4);
        assertThat(sql.queryForObject(
                        "select bool_and(stage_since > now() - interval '2 days 1 hour') from lab_case", Boolean.class))
                .as("clocks began with the stage")
                .isTrue();
        assertThat(sql.queryForObject(
                        "select words from find_text f join lab_case c on c.id = f.case_id where c.number = 'BR-1'",
                        String.class))
                .as("earlier cases are found")
                .startsWith("br-1 band c 0148 22 11 01482211 band@skerrow.example band@skerrow.example m m s s");
        assertThat(sql.queryForObject("select count(*) from find_word where word = 'museum'", Integer.class))
                .isEqualTo(1);
        assertThat(sql.queryForList("select position from device", Integer.class))
                .containsOnly(1);
    }

    @Test
    void ownersAreKnownByTheirSignInNameWhereTheirNameIsTheirsAlone() {
        JdbcTemplate sql = database("owners");
        FluentConfiguration flyway = flyway(sql);
        flyway.target("10").load().migrate();
        for (String[] person : new String[][] {{"una", "Una Farrow"}, {"tom", "Tom Gale"}, {"tom2", "Tom Gale"}}) {
            sql.update(
                    "insert into staff (login, name, role, password_hash, created_at) values (?, ?, 'ENGINEER', '', now())",
                    person[0],
                    person[1]);
        }
        sql.update("insert into customer (kind, name, preferred, created_at, version) "
                + "values ('person', 'Ewan Hollis', 'phone', now(), 0)");
        for (String owner : List.of("Una Farrow", "Tom Gale", "Somebody who left")) {
            sql.update(
                    "insert into lab_case (number, customer_name, customer_id, contact_person, story, stage, stage_since, "
                            + "owner, created_at, version) select ?, 'Ewan Hollis', id, '', '', 'RECEIVED', now(), ?, "
                            + "now(), 0 from customer",
                    "BR-" + owner,
                    owner);
        }
        sql.update("insert into kept_filter (owner, name, query, at) "
                + "values ('una', 'mine', 'stage=imaging&owner=Una+Farrow&late=true', now())");
        flyway.target("latest").load().migrate();
        assertThat(sql.queryForList("select coalesce(owner_login, '-') from lab_case order by owner", String.class))
                .as("somebody who left, one of two, and Una")
                .containsExactly("-", "-", "una");
        assertThat(sql.queryForObject("select query from kept_filter", String.class))
                .isEqualTo("stage=imaging&owner=una&late=true");
    }
}
