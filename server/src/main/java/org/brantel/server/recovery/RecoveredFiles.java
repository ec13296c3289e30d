package org.brantel.server.recovery;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface RecoveredFiles extends JpaRepository<RecoveredFile, Long> {

    List<RecoveredFile> findByRunIdOrderById(Long runId);

    Optional<RecoveredFile> findByRunIdAndLineId(Long runId, Long lineId);
}
