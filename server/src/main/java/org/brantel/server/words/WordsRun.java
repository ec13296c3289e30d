package org.brantel.server.words;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.server.work.PassRecord;
import org.hibernate.annotations.DynamicUpdate;

@Entity
@Table(name = "words_run")
@DynamicUpdate
class WordsRun extends PassRecord {

    private int nothing;
    private int unreadable;

    protected WordsRun() {}

    WordsRun(Long caseId, String who, Instant startedAt) {
        super(caseId, who, startedAt);
    }

    @Override
    public void runOver(int files) {
        super.runOver(files);
        nothing = 0;
        unreadable = 0;
    }

    void count(Outcome outcome) {
        count(1);
        nothing += outcome == Outcome.NOTHING ? 1 : 0;
        unreadable += outcome.isRead() || outcome == Outcome.NOTHING ? 0 : 1;
    }

    WordsViews.Run view() {
        return new WordsViews.Run(id(), standing(), total(), done(), nothing, unreadable);
    }
}
