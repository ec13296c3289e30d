package org.brantel.server.labs;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.server.work.WorkRecord;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;

/** A case that is packed for another lab. */
@Entity
@Table(name = "packing")
@DynamicUpdate
class Packing extends WorkRecord {

    @Column(updatable = false)
    private String forLab;

    @Column(updatable = false)
    private String why;

    private String file;
    private long bytes;
    private @Nullable String sha256;
    private @Nullable Instant takenAt;

    protected Packing() {}

    Packing(Long caseId, String forLab, String why, String who, Instant at) {
        super(caseId, who, at);
        this.forLab = forLab;
        this.why = why;
        this.file = "";
    }

    void packed(String path, long size, String hash, Instant at) {
        finish(at);
        file = path;
        bytes = size;
        sha256 = hash;
    }

    void taken(Instant at) {
        takenAt = at;
    }

    String forLab() {
        return forLab;
    }

    String why() {
        return why;
    }

    @Override
    protected String who() {
        return super.who();
    }

    /** Empty until it is packed. */
    String file() {
        return file;
    }

    LabsViews.Packing view() {
        return new LabsViews.Packing(id(), standing(), forLab, why, bytes, sha256, takenAt);
    }
}
