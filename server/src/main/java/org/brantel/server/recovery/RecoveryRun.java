package org.brantel.server.recovery;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Locale;
import org.brantel.core.recovery.RecoveryResult;
import org.hibernate.annotations.DynamicUpdate;

@Entity
@Table(name = "recovery_run")
@DynamicUpdate
class RecoveryRun {

    enum State {
        WAITING,
        RUNNING,
        PAUSED,
        DONE,
        FAILED
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    @Column(updatable = false)
    private Long caseId;

    @Enumerated(EnumType.STRING)
    private State state;

    private String asked;
    private String folder;
    private int total;
    private int done;
    private int whole;
    private int doubtful;
    private int gapped;
    private int notWritten;
    private long bytes;
    private String trouble;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant startedAt;

    private Instant endedAt;

    protected RecoveryRun() {}

    RecoveryRun(Long caseId, int total, String who, Instant startedAt) {
        this.caseId = caseId;
        this.total = total;
        this.who = who;
        this.startedAt = startedAt;
        this.state = State.WAITING;
        this.folder = "";
    }

    void run(String where) {
        state = State.RUNNING;
        folder = where;
        trouble = null;
        done = 0;
        whole = 0;
        doubtful = 0;
        gapped = 0;
        notWritten = 0;
        bytes = 0;
    }

    void waitAgain() {
        state = State.WAITING;
        asked = null;
    }

    void ask(String what) {
        asked = what;
    }

    /** @param inDoubt its bytes may not all be its own, however well they were written */
    void count(RecoveryResult result, boolean inDoubt) {
        done++;
        switch (result.outcome()) {
            case WHOLE -> {
                whole += inDoubt ? 0 : 1;
                doubtful += inDoubt ? 1 : 0;
            }
            case GAPPED -> gapped++;
            default -> notWritten++;
        }
        bytes += result.stands() ? result.size() : 0;
    }

    void end(State how, String why, Instant at) {
        state = how;
        trouble = why;
        asked = null;
        endedAt = at;
    }

    Long id() {
        return id;
    }

    Long caseId() {
        return caseId;
    }

    State state() {
        return state;
    }

    String asked() {
        return asked;
    }

    String folder() {
        return folder;
    }

    RecoveryViews.Run view(String caseNumber) {
        return new RecoveryViews.Run(
                id,
                caseNumber,
                state.name().toLowerCase(Locale.ROOT),
                total,
                done,
                whole,
                gapped,
                doubtful,
                notWritten,
                bytes,
                trouble,
                who,
                startedAt,
                endedAt);
    }
}
