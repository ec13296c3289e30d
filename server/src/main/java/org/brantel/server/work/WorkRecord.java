package org.brantel.server.work;

import jakarta.persistence.Column;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** What is on record of any long work. Its job writes the state, people write what they ask. */
@MappedSuperclass
public abstract class WorkRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Enumerated(EnumType.STRING)
    private WorkState state;

    @Enumerated(EnumType.STRING)
    private @Nullable Ask asked;

    private @Nullable String trouble;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant startedAt;

    private @Nullable Instant endedAt;

    protected WorkRecord() {}

    protected WorkRecord(Long caseId, String who, Instant startedAt) {
        this.caseId = caseId;
        this.who = who;
        this.startedAt = startedAt;
        this.state = WorkState.WAITING;
    }

    /** A job has it in hand. */
    protected void run() {
        state = WorkState.RUNNING;
        trouble = null;
        endedAt = null;
    }

    /** It is to be taken up again. */
    public void waitAgain() {
        state = WorkState.WAITING;
        asked = null;
        trouble = null;
    }

    /** @param why in a sentence; null when it was asked for */
    protected void pause(@Nullable String why) {
        rest(WorkState.PAUSED, why);
    }

    protected void stop(Instant at) {
        rest(WorkState.STOPPED, null);
        endedAt = at;
    }

    protected void fail(String why, Instant at) {
        rest(WorkState.FAILED, why);
        endedAt = at;
    }

    protected void finish(Instant at) {
        rest(WorkState.DONE, null);
        endedAt = at;
    }

    private void rest(WorkState how, @Nullable String why) {
        state = how;
        asked = null;
        trouble = why;
    }

    /** @param what null to go on */
    public void ask(@Nullable Ask what) {
        asked = what;
    }

    public long id() {
        return id;
    }

    public Long caseId() {
        return caseId;
    }

    public WorkState state() {
        return state;
    }

    /** What a person asked and it has not done yet; null when nothing. */
    @Nullable
    public Ask asked() {
        return asked;
    }

    /** Why it paused or failed; null when it did not, or was asked to. */
    @Nullable
    protected String trouble() {
        return trouble;
    }

    protected String who() {
        return who;
    }

    protected Instant startedAt() {
        return startedAt;
    }

    @Nullable
    protected Instant endedAt() {
        return endedAt;
    }

    protected Standing standing() {
        return new Standing(state, asked, trouble, who, startedAt, endedAt);
    }
}
