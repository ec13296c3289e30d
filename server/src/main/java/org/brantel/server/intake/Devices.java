package org.brantel.server.intake;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface Devices extends JpaRepository<DeviceRecord, Long> {

    List<DeviceRecord> findByCaseIdAndRemovedFalseOrderByPosition(Long caseId);

    /** Also one that was taken off since. */
    DeviceRecord findFirstByCaseIdOrderById(Long caseId);

    List<DeviceRecord> findByCaseIdInAndRemovedFalseOrderByPosition(Collection<Long> caseIds);
}
