package org.brantel.server.bench;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface Attachments extends JpaRepository<Attachment, Long> {

    Optional<Attachment> findFirstByCaseIdAndDetachedAtIsNullOrderByIdDesc(Long caseId);

    List<Attachment> findByMediumAndDetachedAtIsNull(String medium);
}

interface ImagingSessions extends JpaRepository<ImagingSession, Long> {

    List<ImagingSession> findByCaseIdOrderByIdDesc(Long caseId);

    List<ImagingSession> findByStateInOrderById(Collection<ImagingSession.State> states);

    boolean existsByAttachmentIdAndStateIn(Long attachmentId, Collection<ImagingSession.State> states);
}
