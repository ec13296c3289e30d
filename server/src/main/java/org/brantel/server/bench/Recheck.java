package org.brantel.server.bench;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.server.work.WorkRecord;
import org.hibernate.annotations.DynamicUpdate;

/** One time that an image is hashed again; what it says stands with the session that made the image. */
@Entity
@Table(name = "image_recheck")
@DynamicUpdate
class Recheck extends WorkRecord {

    @Column(updatable = false)
    private Long imagingId;

    protected Recheck() {}

    Recheck(ImagingSession session, String who, Instant at) {
        super(session.caseId(), who, at);
        this.imagingId = session.id();
    }

    Long imagingId() {
        return imagingId;
    }

    void begin() {
        run();
    }

    void end(Instant at) {
        finish(at);
    }
}
