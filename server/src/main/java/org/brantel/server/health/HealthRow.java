package org.brantel.server.health;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.io.IOException;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.brantel.core.health.HealthReading;
import org.brantel.core.json.Json;
import org.brantel.server.intake.OfDevices;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** One reading, as it was taken. Never changed. */
@Entity
@Table(name = "health_reading")
class HealthRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private Long attachmentId;

    @Column(updatable = false)
    private @Nullable Long sessionId;

    @Column(updatable = false)
    private Instant at;

    @Column(updatable = false)
    private String reading;

    @Column(updatable = false)
    private String grade;

    @Column(updatable = false)
    private String who;

    protected HealthRow() {}

    HealthRow(HealthReadings.Place place, Instant at, HealthReading reading, String grade, String who) {
        this.caseId = place.caseId();
        this.attachmentId = place.attachmentId();
        this.sessionId = place.sessionId();
        this.at = at;
        this.reading = Json.write(reading);
        this.grade = grade;
        this.who = who;
    }

    Long attachmentId() {
        return attachmentId;
    }

    Long caseId() {
        return caseId;
    }

    @Nullable
    Long sessionId() {
        return sessionId;
    }

    Instant at() {
        return at;
    }

    String grade() {
        return grade;
    }

    String who() {
        return who;
    }

    HealthReading reading() {
        try {
            return Json.read(reading, HealthReading.class, "health reading", String.valueOf(id));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}

interface HealthRows extends JpaRepository<HealthRow, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query(
            "update HealthRow r set r.caseId = ?2 where r.attachmentId in (select a.id from Attachment a where a.deviceId = ?1)")
    void give(long device, long caseId);

    List<HealthRow> findByAttachmentIdOrderById(Long attachmentId);

    Optional<HealthRow> findFirstByAttachmentIdOrderById(Long attachmentId);

    /** The first and the newest reading of each of these that has any; one that has one reading once. */
    @Query("select r from HealthRow r where r.id in (select min(x.id) from HealthRow x where x.attachmentId in ?1 "
            + "group by x.attachmentId) or r.id in (select max(x.id) from HealthRow x where x.attachmentId in ?1 "
            + "group by x.attachmentId) order by r.id")
    List<HealthRow> findEnds(Collection<Long> attachmentIds);

    Optional<HealthRow> findFirstByAttachmentIdOrderByIdDesc(Long attachmentId);

    /** The newest reading of each of these that has one. */
    @Query("select r from HealthRow r where r.id in (select max(x.id) from HealthRow x where x.attachmentId in ?1 "
            + "group by x.attachmentId) order by r.id")
    List<HealthRow> findNewest(Collection<Long> attachmentIds);

    Optional<HealthRow> findFirstByAttachmentIdAndAtBetweenOrderByAtDesc(Long attachmentId, Instant from, Instant to);

    Optional<HealthRow> findFirstByAttachmentIdAndAtGreaterThanEqualOrderByAt(Long attachmentId, Instant from);

    @Query(value = "select a.device_id from attachment a where a.id = ?1", nativeQuery = true)
    long findDevice(long attachmentId);

    /** Devices that are attached now and were asked since then. */
    @Query(
            value = "select a.id from attachment a where a.detached_at is null and exists "
                    + "(select 1 from health_reading h where h.attachment_id = a.id and h.at >= ?1)",
            nativeQuery = true)
    List<Long> findAskedSince(Instant from);
}
