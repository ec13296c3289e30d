package org.brantel.server.intake;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface Devices extends JpaRepository<DeviceRecord, Long> {

    List<DeviceRecord> findByCaseIdAndRemovedFalseOrderByPosition(Long caseId);

    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update DeviceRecord d set d.caseId = ?3, d.position = ?2 where d.id = ?1")
    void give(long device, int position, long caseId);

    /** Each type of a case once. */
    @Query("select distinct new org.brantel.server.intake.FactRow$Value(d.caseId, d.type) from DeviceRecord d "
            + "where d.caseId in ?1 and d.removed = false order by d.caseId, d.type")
    List<FactRow.Value> findTypesOf(Collection<Long> caseIds);

    List<DeviceRecord> findByCaseIdInAndRemovedFalseOrderByPosition(Collection<Long> caseIds);
}
