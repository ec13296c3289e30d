package org.brantel.server.recovery;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface RecoveryRuns extends JpaRepository<RecoveryRun, Long> {

    List<RecoveryRun> findByCaseIdOrderByIdDesc(Long caseId);

    List<RecoveryRun> findByStateInOrderById(Collection<RecoveryRun.State> states);

    boolean existsByCaseIdAndStateIn(Long caseId, Collection<RecoveryRun.State> states);
}

interface RecoveredFiles extends JpaRepository<RecoveredFile, Long> {

    List<RecoveredFile> findByRunIdOrderById(Long runId);

    Optional<RecoveredFile> findByRunIdAndLineId(Long runId, Long lineId);
}
