package org.brantel.server.photos;

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

@Entity
@Table(name = "photo")
class Photo {

    /** @param what label, device or accessory */
    record View(
            long id,
            @Nullable Long deviceId,
            String what,
            String name,
            String sha256,
            int width,
            int height,
            long bytes,
            String who,
            Instant at) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private Long deviceId;

    @Column(updatable = false)
    private String what;

    @Column(updatable = false)
    private String name;

    @Column(updatable = false)
    private String sha256;

    @Column(updatable = false)
    private int width;

    @Column(updatable = false)
    private int height;

    @Column(updatable = false)
    private long bytes;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private boolean removed;

    protected Photo() {}

    Photo(Long caseId, Long deviceId, String what, String name, Pictures.Clean picture, String who, Instant at) {
        this.caseId = caseId;
        this.deviceId = deviceId;
        this.what = what;
        this.name = name;
        this.sha256 = picture.sha256();
        this.width = picture.width();
        this.height = picture.height();
        this.bytes = picture.jpeg().length;
        this.who = who;
        this.at = at;
    }

    void remove(boolean yes) {
        removed = yes;
    }

    Long caseId() {
        return caseId;
    }

    String sha256() {
        return sha256;
    }

    View view() {
        return new View(id, deviceId, what, name, sha256, width, height, bytes, who, at);
    }
}

interface PhotoRecords extends JpaRepository<Photo, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update Photo r set r.caseId = ?2 where r.deviceId = ?1")
    void give(long device, long caseId);

    List<Photo> findByCaseIdAndRemovedFalseOrderById(Long caseId);
}
