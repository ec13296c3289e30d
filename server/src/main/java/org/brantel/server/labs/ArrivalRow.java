package org.brantel.server.labs;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.io.IOException;
import java.time.Instant;
import org.brantel.core.json.Json;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;

/** A file that another lab sent. */
@Entity
@Table(name = "arrival")
@DynamicUpdate
class ArrivalRow {

    /** The file that was sent, and where it was unpacked; none of it once that was decided. */
    record Sent(String name, String sha256, long bytes, String folder, String bag) {}

    /** What is kept as text: the file, and what it said when it was decided. */
    record Kept(Sent sent, LabsViews.Says says) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private String name;

    @Enumerated(EnumType.STRING)
    private LabsViews.ArrivalState state;

    private String says;
    private @Nullable String caseNumber;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private @Nullable String decidedBy;
    private @Nullable Instant decidedAt;

    protected ArrivalRow() {}

    ArrivalRow(Sent sent, LabsViews.Says says, String who, Instant at) {
        this.name = sent.name();
        this.state = LabsViews.ArrivalState.LOOKED_AT;
        this.says = Json.write(new Kept(sent, says));
        this.who = who;
        this.at = at;
    }

    void broughtInto(String number, LabsViews.Says said, String by, Instant when) {
        says = Json.write(new Kept(kept().sent(), said));
        caseNumber = number;
        decide(LabsViews.ArrivalState.BROUGHT_IN, by, when);
    }

    void putAside(String by, Instant when) {
        decide(LabsViews.ArrivalState.PUT_ASIDE, by, when);
    }

    private void decide(LabsViews.ArrivalState to, String by, Instant when) {
        state = to;
        decidedBy = by;
        decidedAt = when;
    }

    boolean isOpen() {
        return state == LabsViews.ArrivalState.LOOKED_AT;
    }

    Kept kept() {
        try {
            return Json.read(says, Kept.class, "record", "arrival " + id);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    LabsViews.Arrival view() {
        Kept kept = kept();
        return new LabsViews.Arrival(
                id,
                name,
                kept.sent().sha256(),
                kept.sent().bytes(),
                state,
                kept.says(),
                caseNumber,
                who,
                at,
                decidedBy,
                decidedAt);
    }

    /** What it says as things stand now. */
    LabsViews.Arrival view(LabsViews.Says now) {
        LabsViews.Arrival v = view();
        return new LabsViews.Arrival(
                v.id(),
                v.name(),
                v.sha256(),
                v.bytes(),
                v.state(),
                now,
                v.caseNumber(),
                v.who(),
                v.at(),
                v.decidedBy(),
                v.decidedAt());
    }
}
