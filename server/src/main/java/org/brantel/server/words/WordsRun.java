package org.brantel.server.words;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.server.work.WorkRecord;
import org.hibernate.annotations.DynamicUpdate;

@Entity
@Table(name = "words_run")
@DynamicUpdate
class WordsRun extends WorkRecord {

    private int total;
    private int done;
    private int nothing;
    private int unreadable;

    protected WordsRun() {}

    WordsRun(Long caseId, String who, Instant startedAt) {
        super(caseId, who, startedAt);
    }

    /** @param files that are to be tried; those that were tried before count as done */
    void runOver(int files) {
        run();
        total = files;
        done = 0;
        nothing = 0;
        unreadable = 0;
    }

    void count(Outcome outcome) {
        done++;
        nothing += outcome == Outcome.NOTHING ? 1 : 0;
        unreadable += outcome.isRead() || outcome == Outcome.NOTHING ? 0 : 1;
    }

    void end(boolean asked, Instant at) {
        if (asked) {
            pause(null);
        } else {
            finish(at);
        }
    }

    WordsViews.Run view() {
        return new WordsViews.Run(id(), standing(), total, done, nothing, unreadable);
    }
}
