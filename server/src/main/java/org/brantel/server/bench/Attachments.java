package org.brantel.server.bench;

import java.util.List;
import java.util.Optional;
import org.brantel.server.intake.OfDevices;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface Attachments extends JpaRepository<Attachment, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update Attachment r set r.caseId = ?2 where r.deviceId = ?1")
    void give(long device, long caseId);

    List<Attachment> findByCaseIdAndDetachedAtIsNullOrderById(Long caseId);

    Optional<Attachment> findFirstByDeviceIdAndDetachedAtIsNullOrderByIdDesc(Long deviceId);

    boolean existsByDeviceIdAndDetachedAtIsNull(Long deviceId);

    Optional<Attachment> findFirstByMediumAndDetachedAtIsNullOrderByIdDesc(String medium);

    List<Attachment> findByDetachedAtIsNullOrderById();
}
