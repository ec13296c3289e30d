package org.brantel.server.recovery;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** A run of many files is shown page by page, what needs a look first. */
class RunFilesTest {

    private static final int WHOLE = 430;
    private final Visitor una = Lab.open().as("una");
    private final JdbcTemplate sql = Lab.open().sql();

    private long run() {
        String number = new CaseForms().log(una);
        return sql.queryForObject(
                "insert into recovery_run (case_id, state, folder, layout, opens_on, total, done, whole, gapped, not_written, bytes, who, "
                        + "started_at) select id, 'DONE', '', 'by-kind', 'linux', 0, 0, 0, 0, 0, 0, 'Una Farrow', now() from lab_case "
                        + "where number = ? returning id",
                Long.class,
                number);
    }

    private void file(long run, String path, String outcome, String prognosis) {
        sql.update(
                "insert into recovered_file (run_id, line_id, path, name, size, outcome, prognosis, gaps) values (?, "
                        + "(select coalesce(max(line_id), 0) + 1 from recovered_file), ?, ?, 1, ?, ?, '[]')",
                run,
                path,
                path,
                outcome,
                prognosis);
    }

    private long filled() {
        long run = run();
        // Which lines of the catalogue they are is no matter here.
        sql.execute("alter table recovered_file drop constraint recovered_file_line_id_fkey");
        try {
            IntStream.range(0, WHOLE).forEach(i -> file(run, "w%03d".formatted(i), "whole", "whole"));
            file(run, "z", "not-written", "overwritten");
            file(run, "y", "gapped", "doubtful");
            file(run, "x", "whole", "doubtful");
        } finally {
            sql.execute("alter table recovered_file add constraint recovered_file_line_id_fkey foreign key (line_id) "
                    + "references catalogue_line not valid");
        }
        return run;
    }

    private static List<String> paths(JsonNode page) {
        return page.get("items")
                .valueStream()
                .map(f -> f.get("path").asString())
                .toList();
    }

    @Test
    void pagesComeWorstFirstAndLeaveNoFileOut() {
        String files = "/api/recovery/" + filled() + "/files";
        JsonNode first = una.get(files).expect(200).json();
        assertThat(first.get("total").asInt()).isEqualTo(WHOLE + 3);
        assertThat(paths(first)).startsWith("z", "y", "x", "w000").hasSize(200);
        assertThat(paths(una.get(files + "?page=1").json())).startsWith("w197").hasSize(200);
        assertThat(paths(una.get(files + "?page=2").json())).endsWith("w429").hasSize(33);
        assertThat(paths(una.get(files + "?page=3").json())).isEmpty();
        assertThat(una.get(files + "?page=-1").expect(400).sentence()).contains("page");
    }

    @Test
    void theAccountSaysEachFileInOneOfFourWords() {
        JsonNode account =
                una.get("/api/recovery/" + filled() + "/account").expect(200).json();
        assertThat(account.get("whole").asInt()).isEqualTo(WHOLE);
        for (String part : List.of("gapped", "doubtful", "missing")) {
            assertThat(account.get(part).get("files").asInt()).as(part).isOne();
            assertThat(account.get(part).get("first").size()).as(part).isOne();
        }
        assertThat(account.get("missing").get("first").get(0).get("path").asString())
                .isEqualTo("z");
    }
}
