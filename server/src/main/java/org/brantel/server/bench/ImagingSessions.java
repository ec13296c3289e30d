package org.brantel.server.bench;

import java.util.Collection;
import java.util.List;
import org.brantel.server.intake.OfDevices;
import org.brantel.server.work.WorkState;
import org.brantel.server.work.WorkTime;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ImagingSessions extends JpaRepository<ImagingSession, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update ImagingSession r set r.caseId = ?2 where r.deviceId = ?1")
    void give(long device, long caseId);

    List<ImagingSession> findByCaseIdOrderByIdDesc(Long caseId);

    List<ImagingSession> findByCaseIdOrderById(Long caseId);

    @Query(
            "select new org.brantel.server.bench.ImagingSession$Read(s.id, s.deviceId, s.elsewhere) from ImagingSession s where "
                    + "s.id in ?1")
    List<ImagingSession.Read> findRead(Collection<Long> ids);

    List<ImagingSession> findByDeviceIdOrderByIdDesc(Long deviceId);

    List<ImagingSession> findByStateInOrderById(Collection<WorkState> states);

    @Query("select s from ImagingSession s where s.id in (select max(x.id) from ImagingSession x where "
            + "x.caseId in ?1 and x.elsewhere is null group by x.deviceId)")
    List<ImagingSession> findNewest(Collection<Long> caseIds);

    List<ImagingSession> findTop400ByStateAndElsewhereIsNullOrderByIdDesc(WorkState state);

    /** Whether one of the sessions that share an image is in one of these states. */
    boolean existsByImageAndStateIn(String image, Collection<WorkState> states);

    /** The last of the sessions that share an image. */
    ImagingSession findFirstByImageOrderByIdDesc(String image);

    boolean existsByAttachmentIdAndStateIn(Long attachmentId, Collection<WorkState> states);

    boolean existsByAttachmentIdAndVanishedAtIsNotNullAndState(Long attachmentId, WorkState state);

    List<ImagingSession> findByVanishedAtIsNotNullAndState(WorkState state);

    /** How long sessions that read all of a device were at work on a case. */
    @Query("select new org.brantel.server.work.WorkTime(s.caseId, sum(s.runningMillis) / 1000.0) from ImagingSession s "
            + "where s.caseId in ?1 and s.filesReason is null and s.elsewhere is null and s.state = org.brantel.server.work.WorkState.DONE "
            + "group by s.caseId")
    List<WorkTime> findTimes(Collection<Long> caseIds);
}
