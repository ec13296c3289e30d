package org.brantel.server.catalogue;

import java.util.Comparator;
import java.util.List;
import org.brantel.core.finding.Standing;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Findings that stood at one place: the same folder and name, as several sessions, generations of a volume, or records
 * of it tell it, each with content of its own.
 */
@Component
class Versions {

    /** So many are looked through; more are no versions that anybody compares. */
    private static final int MOST = 500;

    private final CatalogueLines lines;
    private final JdbcTemplate sql;

    Versions(CatalogueLines lines, JdbcTemplate sql) {
        this.lines = lines;
        this.sql = sql;
    }

    /** All of a line's place, itself among them, the oldest first; itself alone where no record names it. */
    List<CatalogueLine> of(long caseId, CatalogueLine line) {
        Standing stands = line.standing();
        if (stands == null) {
            return List.of(line);
        }
        List<Long> near = sql.queryForList(
                "select l.id from catalogue_folder f join catalogue_line l on l.folder_id = f.id where f.case_id = ? and "
                        + "f.path = (select path from catalogue_folder where id = ?) and l.merged_into is null and "
                        + "(left(l.name, 100) = left(?, 100) or l.trashed_from <> '') order by l.id limit ?",
                Long.class,
                caseId,
                line.folderId(),
                stands.name(),
                MOST);
        return lines.findByCaseIdAndIdIn(caseId, near).stream()
                .filter(l -> isCalled(l.standing(), stands.name()))
                .sorted(Comparator.comparing(CatalogueLine::modified, Comparator.nullsFirst(Comparator.naturalOrder()))
                        .thenComparing(CatalogueLine::id))
                .toList();
    }

    private static boolean isCalled(@Nullable Standing stands, String name) {
        return stands != null && stands.name().equals(name);
    }
}
