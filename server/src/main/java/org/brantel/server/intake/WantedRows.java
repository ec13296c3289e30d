package org.brantel.server.intake;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface WantedRows extends JpaRepository<WantedRow, Long> {

    List<WantedRow> findByCaseIdOrderByPosition(Long caseId);
}
