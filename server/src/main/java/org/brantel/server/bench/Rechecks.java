package org.brantel.server.bench;

import org.brantel.server.intake.OfDevices;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface Rechecks extends JpaRepository<Recheck, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query(
            "update Recheck r set r.caseId = ?2 where r.imagingId in (select s.id from ImagingSession s where s.deviceId = ?1)")
    void give(long device, long caseId);
}
