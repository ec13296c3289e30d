package org.brantel.server.bench;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.io.IOException;
import java.time.Instant;
import org.brantel.core.json.Json;
import org.brantel.core.source.Expected;
import org.brantel.core.source.Identity;
import org.brantel.core.source.WriteBlock;
import org.jspecify.annotations.Nullable;

/** A medium that stands at the bench for a case, with the outcome of the identity check. */
@Entity
@Table(name = "attachment")
class Attachment {

    /** @param device of the case that it stands for */
    record View(
            long id,
            long device,
            String medium,
            Identity identity,
            boolean matched,
            @Nullable String decision,
            @Nullable String writeBlock,
            String who,
            Instant at) {}

    /** What a person decided when it was attached. */
    record Decisions(@Nullable String identity, @Nullable String writeBlock) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private Long deviceId;

    @Column(updatable = false)
    private String medium;

    @Column(updatable = false)
    private String identity;

    private String presence;

    @Column(updatable = false)
    private boolean matched;

    @Column(updatable = false)
    private @Nullable String decision;

    @Column(updatable = false)
    private @Nullable String writeBlock;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private @Nullable Instant detachedAt;

    protected Attachment() {}

    /** Whose it is. */
    record Of(Long caseId, Long deviceId) {}

    /**
     * @param decisions why it is attached although its identity differs, and why it may be read although it could be
     *                  written to; null for none
     */
    Attachment(Of of, String medium, Expected expected, boolean matched, Decisions decisions, String who, Instant at) {
        this.caseId = of.caseId();
        this.deviceId = of.deviceId();
        this.medium = medium;
        this.identity = Json.write(expected.identity());
        this.presence = expected.presence();
        this.matched = matched;
        this.decision = decisions.identity();
        this.writeBlock = decisions.writeBlock();
        this.who = who;
        this.at = at;
    }

    void detach(Instant when) {
        detachedAt = when;
    }

    long id() {
        return id;
    }

    Long caseId() {
        return caseId;
    }

    Long deviceId() {
        return deviceId;
    }

    WriteBlock writeBlock() {
        return WriteBlock.unless(writeBlock);
    }

    /** How its medium is known again. */
    Expected expected() {
        return new Expected(view().identity(), presence);
    }

    /** A person says that the medium which was out and is in again is the one that it was. */
    void seenAgain() {
        presence = "";
    }

    String medium() {
        return medium;
    }

    View view() {
        try {
            return new View(
                    id,
                    deviceId,
                    medium,
                    Json.read(identity, Identity.class, "identity", "attachment " + id),
                    matched,
                    decision,
                    writeBlock,
                    who,
                    at);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
