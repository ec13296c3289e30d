package org.brantel.server.labs;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A lab whose key somebody compared with what that lab itself says of it. */
@Entity
@Table(name = "known_lab")
class KnownLab {

    @Id
    private String fingerprint;

    private String lab;
    private String compared;
    private String who;
    private Instant at;

    protected KnownLab() {}

    /** @param compared with whom, and how */
    KnownLab(String fingerprint, String lab, String compared, String who, Instant at) {
        this.fingerprint = fingerprint;
        this.lab = lab;
        this.compared = compared;
        this.who = who;
        this.at = at;
    }

    LabsViews.Known view() {
        return new LabsViews.Known(lab, compared, who, at);
    }
}
