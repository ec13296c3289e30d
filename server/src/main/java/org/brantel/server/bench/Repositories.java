package org.brantel.server.bench;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.brantel.server.work.WorkState;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Attachments extends JpaRepository<Attachment, Long> {

    Optional<Attachment> findFirstByCaseIdAndDetachedAtIsNullOrderByIdDesc(Long caseId);

    List<Attachment> findByDetachedAtIsNullOrderById();
}

interface ImagingSessions extends JpaRepository<ImagingSession, Long> {

    List<ImagingSession> findByCaseIdOrderByIdDesc(Long caseId);

    List<ImagingSession> findByStateInOrderById(Collection<WorkState> states);

    @Query("select s from ImagingSession s where s.id in (select max(x.id) from ImagingSession x where "
            + "x.caseId in ?1 group by x.caseId)")
    List<ImagingSession> findNewest(Collection<Long> caseIds);

    List<ImagingSession> findTop400ByStateOrderByIdDesc(WorkState state);

    boolean existsByAttachmentIdAndStateIn(Long attachmentId, Collection<WorkState> states);

    boolean existsByAttachmentIdAndVanishedAtIsNotNullAndState(Long attachmentId, WorkState state);

    List<ImagingSession> findByVanishedAtIsNotNullAndState(WorkState state);
}

interface Rechecks extends JpaRepository<Recheck, Long> {}

interface ImagingEvents extends JpaRepository<ImagingEvent, Long> {

    List<ImagingEvent> findTop400BySessionIdOrderByIdDesc(Long sessionId);

    @Query("select e from ImagingEvent e where e.sessionId = ?1 and e.kind <> 'fault' order by e.id")
    List<ImagingEvent> findCourse(Long sessionId);

    @Query("select count(e) from ImagingEvent e where e.sessionId = ?1 and e.kind = 'fault'")
    long countFaults(Long sessionId);

    @Query("select e from ImagingEvent e where e.sessionId = ?1 and e.kind = 'fault' order by e.id limit ?2")
    List<ImagingEvent> findFirstFaults(Long sessionId, int most);
}
