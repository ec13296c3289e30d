package org.brantel.server.scan;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ScanSessions extends JpaRepository<ScanSession, Long> {

    List<ScanSession> findByCaseIdOrderById(Long caseId);

    List<ScanSession> findByStateInOrderById(Collection<ScanSession.State> states);

    boolean existsByCaseIdAndStateIn(Long caseId, Collection<ScanSession.State> states);
}
