package org.brantel.server.sight;

import java.util.Collection;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface SightRecords extends JpaRepository<Sight, Long> {

    long countByCaseId(long caseId);

    long countByCaseIdAndDrawnTrue(long caseId);

    @Modifying
    @Query("delete from Sight s where s.caseId = ?1")
    void deleteOfCase(long caseId);

    @Modifying
    @Query("delete from Sight s where s.lineId in ?1")
    void deleteOf(Collection<Long> lines);
}
