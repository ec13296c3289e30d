package org.brantel.server.proof;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface SheetRuns extends JpaRepository<SheetRun, Long> {

    Optional<SheetRun> findFirstByCaseIdOrderByIdDesc(Long caseId);
}
