package org.brantel.server.locks;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import org.brantel.server.intake.OfDevices;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** A person's recorded reason to touch a device although a stop rule forbids it. */
@Entity
@Table(name = "device_release")
class Release {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private @Nullable Long deviceId;

    @Column(updatable = false)
    private String rule;

    @Column(updatable = false)
    private String because;

    @Column(updatable = false)
    private String reason;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private @Nullable Instant endedAt;

    protected Release() {}

    /** @param because the facts that the rule rests on; with others, the release is over */
    Release(Long caseId, Long deviceId, String rule, String because, String reason, String who, Instant at) {
        this.caseId = caseId;
        this.deviceId = deviceId;
        this.rule = rule;
        this.because = because;
        this.reason = reason;
        this.who = who;
        this.at = at;
    }

    void end(Instant when) {
        endedAt = when;
    }

    /** Those of before devices were told apart are of all devices of their case. */
    boolean isOf(long device) {
        return deviceId == null || deviceId == device;
    }

    String rule() {
        return rule;
    }

    boolean restsOn(String facts) {
        return because.equals(facts);
    }

    LockViews.Release view() {
        return new LockViews.Release(reason, who, at);
    }
}

interface Releases extends JpaRepository<Release, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update Release r set r.caseId = ?2 where r.deviceId = ?1")
    void give(long device, long caseId);

    List<Release> findByCaseIdAndEndedAtIsNull(Long caseId);
}
