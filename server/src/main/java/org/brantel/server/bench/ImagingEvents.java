package org.brantel.server.bench;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ImagingEvents extends JpaRepository<ImagingEvent, Long> {

    List<ImagingEvent> findTop400BySessionIdOrderByIdDesc(Long sessionId);

    @Query("select e from ImagingEvent e where e.sessionId = ?1 and e.kind <> 'fault' order by e.id")
    List<ImagingEvent> findCourse(Long sessionId);

    @Query("select count(e) from ImagingEvent e where e.sessionId = ?1 and e.kind = 'fault'")
    long countFaults(Long sessionId);

    @Query("select e from ImagingEvent e where e.sessionId = ?1 and e.kind = 'fault' order by e.id limit ?2")
    List<ImagingEvent> findFirstFaults(Long sessionId, int most);
}
