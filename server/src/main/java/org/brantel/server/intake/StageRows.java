package org.brantel.server.intake;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StageRows extends JpaRepository<StageRow, Long> {

    List<StageRow> findByCaseIdOrderById(Long caseId);

    /** Case by case, each in the order in which it came to its stages. */
    @Query("select new org.brantel.server.intake.StageRow$Visit(s.caseId, s.stage, s.at) from StageRow s where "
            + "s.caseId in ?1 order by s.caseId, s.at, s.id")
    List<StageRow.Visit> findVisits(Collection<Long> caseIds);
}
