package org.brantel.server.remark;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RemarkRecords extends JpaRepository<Remark, Long> {

    List<Remark> findByCaseIdAndLineIdIn(long caseId, Collection<Long> lines);

    List<Remark> findByCaseIdAndCalledIsNotNull(long caseId);

    /** Tags of a case and how many lines have each. */
    @Query(
            value = "select t.tag, count(*) from catalogue_remark r cross join unnest(r.tags) as t (tag) "
                    + "where r.case_id = ?1 group by t.tag order by count(*) desc, t.tag",
            nativeQuery = true)
    List<Object[]> tags(long caseId);

    /** Until the transaction ends, nobody else remarks on anything of the case. */
    @Query(value = "select 1 from pg_advisory_xact_lock(hashtextextended('remark', ?1)) as locked", nativeQuery = true)
    Integer lock(long caseId);
}
