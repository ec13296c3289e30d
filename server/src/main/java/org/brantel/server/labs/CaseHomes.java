package org.brantel.server.labs;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface CaseHomes extends JpaRepository<CaseHome, CaseHome.Key> {

    List<CaseHome> findByCaseIdOrderByCameAt(Long caseId);
}
