package org.brantel.server.intake;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface StageRows extends JpaRepository<StageRow, Long> {

    List<StageRow> findByCaseIdOrderById(Long caseId);
}
