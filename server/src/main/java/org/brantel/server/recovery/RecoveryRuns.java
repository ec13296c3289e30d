package org.brantel.server.recovery;

import java.util.Collection;
import java.util.List;
import org.brantel.server.work.WorkState;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RecoveryRuns extends JpaRepository<RecoveryRun, Long> {

    List<RecoveryRun> findByCaseIdOrderByIdDesc(Long caseId);

    @Query("select r from RecoveryRun r where r.id in (select max(x.id) from RecoveryRun x where x.caseId in "
            + "?1 group by x.caseId)")
    List<RecoveryRun> findNewest(Collection<Long> caseIds);

    List<RecoveryRun> findByStateInOrderById(Collection<WorkState> states);

    boolean existsByCaseIdAndStateIn(Long caseId, Collection<WorkState> states);
}
