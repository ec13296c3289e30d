package org.brantel.server.closing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.brantel.server.intake.OfDevices;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** What became of a device; the one that was not taken back counts. */
@Entity
@Table(name = "device_disposition")
class DeviceEnd {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private Long deviceId;

    @Column(updatable = false)
    @Enumerated(EnumType.STRING)
    private Disposition disposition;

    @Column(updatable = false)
    private String words;

    @Column(updatable = false)
    private LocalDate day;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private @Nullable Instant takenBackAt;

    protected DeviceEnd() {}

    DeviceEnd(long caseId, long deviceId, ClosingViews.Disposed disposed) {
        this.caseId = caseId;
        this.deviceId = deviceId;
        this.disposition = disposed.disposition();
        this.words = disposed.words();
        this.day = disposed.day();
        this.who = disposed.who();
        this.at = disposed.at();
    }

    void takeBack(Instant when) {
        takenBackAt = when;
    }

    Long deviceId() {
        return deviceId;
    }

    ClosingViews.Disposed view() {
        return new ClosingViews.Disposed(disposition, words, day, who, at);
    }
}

interface DeviceEnds extends JpaRepository<DeviceEnd, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update DeviceEnd r set r.caseId = ?2 where r.deviceId = ?1")
    void give(long device, long caseId);

    List<DeviceEnd> findByCaseIdAndTakenBackAtIsNullOrderById(Long caseId);
}
