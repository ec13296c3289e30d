package org.brantel.server.bench;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface Attachments extends JpaRepository<Attachment, Long> {

    Optional<Attachment> findFirstByCaseIdAndDetachedAtIsNullOrderByIdDesc(Long caseId);

    List<Attachment> findByDetachedAtIsNullOrderById();
}
