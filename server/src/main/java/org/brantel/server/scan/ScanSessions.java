package org.brantel.server.scan;

import java.util.Collection;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanPlan;
import org.brantel.server.work.WorkState;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ScanSessions extends JpaRepository<ScanSession, Long> {

    List<ScanSession> findByCaseIdOrderById(Long caseId);

    List<ScanSession> findByStateInOrderById(Collection<WorkState> states);

    @Query("select new org.brantel.server.scan.ScanSession$Scanned(s.id, s.deviceId) from ScanSession s where "
            + "s.caseId = ?1")
    List<ScanSession.Scanned> findScanned(long caseId);

    @Query("select s.id from ScanSession s where s.caseId = ?1 order by s.id")
    List<Long> numbers(long caseId);

    List<ScanSession> findByDeviceIdOrderById(Long deviceId);

    boolean existsByDeviceIdAndStateIn(Long deviceId, Collection<WorkState> states);

    boolean existsByCaseIdAndStateIn(Long caseId, Collection<WorkState> states);

    /**
     * What this lab's own sessions on an image carved, so that one that does as planned need not; what another machine
     * says of that is not believed.
     */
    default List<Range> carvedBefore(long caseId, long imagingId, ScanPlan plan, long imageBytes) {
        return findByCaseIdOrderById(caseId).stream()
                .filter(s -> s.imagingId() == imagingId && s.importedFrom() == null)
                .flatMap(s -> s.report().stream())
                .flatMap(r -> r.carvedFor(plan, imageBytes).stream())
                .toList();
    }

    @Query("select s from ScanSession s where s.id in (select max(x.id) from ScanSession x where x.caseId in "
            + "?1 and x.elsewhere is null group by x.deviceId)")
    List<ScanSession> findNewest(Collection<Long> caseIds);

    List<ScanSession> findTop200ByStateAndMethodInOrderByIdDesc(WorkState state, Collection<ScanMethod> methods);

    /** When the sessions of these cases that ended had begun and ended; those of other machines left out. */
    @Query("select new org.brantel.server.scan.ScanSession$Took(s.caseId, s.startedAt, s.endedAt) from ScanSession s "
            + "where s.caseId in ?1 and s.importedFrom is null and s.ofFiles = false "
            + "and s.state = org.brantel.server.work.WorkState.DONE")
    List<ScanSession.Took> findTook(Collection<Long> caseIds);
}
