package org.brantel.server.scan;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ScanSessions extends JpaRepository<ScanSession, Long> {

    List<ScanSession> findByCaseIdOrderById(Long caseId);

    List<ScanSession> findByStateInOrderById(Collection<ScanSession.State> states);

    boolean existsByCaseIdAndStateIn(Long caseId, Collection<ScanSession.State> states);

    @Query("select s from ScanSession s where s.id in (select max(x.id) from ScanSession x where x.caseId in ?1 group by x.caseId)")
    List<ScanSession> findNewest(Collection<Long> caseIds);

    List<ScanSession> findTop200ByStateAndMethodInOrderByIdDesc(ScanSession.State state, Collection<String> methods);
}
