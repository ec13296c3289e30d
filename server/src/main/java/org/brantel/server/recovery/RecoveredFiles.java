package org.brantel.server.recovery;

import java.util.List;
import java.util.Optional;
import org.brantel.core.finding.Prognosis;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RecoveredFiles extends JpaRepository<RecoveredFile, Long> {

    List<RecoveredFile> findByRunIdOrderById(Long runId);

    @Query("select f from RecoveredFile f where f.runId = ?1 order by case when f.outcome = ?2 then 0 "
            + "when f.outcome = ?3 then 1 when f.prognosis = ?4 then 2 else 3 end, f.path, f.id")
    Page<RecoveredFile> findWorstFirst(Long runId, Written missing, Written gapped, Prognosis doubtful, Pageable page);

    /** How many files of a run ended so. */
    record Ended(Written outcome, Prognosis prognosis, long files) {}

    @Query("select new org.brantel.server.recovery.RecoveredFiles$Ended(f.outcome, f.prognosis, count(f)) "
            + "from RecoveredFile f where f.runId = ?1 group by f.outcome, f.prognosis")
    List<Ended> countByOutcome(Long runId);

    List<RecoveredFile> findTop8ByRunIdAndOutcomeOrderByPath(Long runId, Written outcome);

    List<RecoveredFile> findTop8ByRunIdAndOutcomeAndPrognosisOrderByPath(
            Long runId, Written outcome, Prognosis prognosis);

    Optional<RecoveredFile> findByRunIdAndLineId(Long runId, Long lineId);
}
