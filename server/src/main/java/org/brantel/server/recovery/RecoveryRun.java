package org.brantel.server.recovery;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.core.layout.Layout;
import org.brantel.core.layout.NameRules;
import org.brantel.core.recovery.RecoveryResult;
import org.brantel.server.work.WorkRecord;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "recovery_run")
@DynamicUpdate
class RecoveryRun extends WorkRecord {

    private String folder;

    @Convert(converter = LayoutWord.class)
    private Layout layout;

    @Convert(converter = NameRulesWord.class)
    private NameRules opensOn;

    private int total;
    private int done;
    private int whole;
    private int doubtful;
    private int gapped;
    private int notWritten;
    private long bytes;

    protected RecoveryRun() {}

    RecoveryRun(Long caseId, int total, RecoveryViews.Laying laying, String who, Instant startedAt) {
        super(caseId, who, startedAt);
        this.layout = laying.layout();
        this.opensOn = laying.opensOn();
        this.total = total;
        this.folder = "";
    }

    /** @param files of the selection as it is now */
    void runIn(String where, int files) {
        run();
        folder = where;
        total = files;
        done = 0;
        whole = 0;
        doubtful = 0;
        gapped = 0;
        notWritten = 0;
        bytes = 0;
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

    /** @param stopped why it ended before its end; null when it went through */
    void end(@Nullable String stopped, Instant at) {
        if (stopped == null) {
            finish(at);
        } else {
            pause(stopped);
        }
    }

    RecoveryViews.Laying laying() {
        return new RecoveryViews.Laying(layout, opensOn);
    }

    String folder() {
        return folder;
    }

    RecoveryViews.Outcome outcome() {
        return new RecoveryViews.Outcome(total, done, whole, gapped, doubtful, notWritten, bytes);
    }

    RecoveryViews.Run view(String caseNumber) {
        return new RecoveryViews.Run(id(), caseNumber, standing(), laying(), outcome());
    }
}
