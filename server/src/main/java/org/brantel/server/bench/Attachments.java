package org.brantel.server.bench;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface Attachments extends JpaRepository<Attachment, Long> {

    List<Attachment> findByCaseIdAndDetachedAtIsNullOrderById(Long caseId);

    Optional<Attachment> findFirstByDeviceIdAndDetachedAtIsNullOrderByIdDesc(Long deviceId);

    boolean existsByDeviceIdAndDetachedAtIsNull(Long deviceId);

    Optional<Attachment> findFirstByMediumAndDetachedAtIsNullOrderByIdDesc(String medium);

    List<Attachment> findByDetachedAtIsNullOrderById();
}
