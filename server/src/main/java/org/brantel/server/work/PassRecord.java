package org.brantel.server.work;

import jakarta.persistence.MappedSuperclass;
import java.time.Instant;

/** What is on record of a pass over many things of a case, which counts them; paused, it is begun again. */
@MappedSuperclass
public abstract class PassRecord extends WorkRecord {

    private int total;
    private int done;

    protected PassRecord() {}

    protected PassRecord(Long caseId, String who, Instant startedAt) {
        super(caseId, who, startedAt);
    }

    /** @param all that are to be tried; those that were tried before count as done */
    public void runOver(int all) {
        run();
        total = all;
        done = 0;
    }

    protected void count(int tried) {
        done += tried;
    }

    /** @param asked somebody asked it to pause */
    public void end(boolean asked, Instant at) {
        if (asked) {
            pause(null);
        } else {
            finish(at);
        }
    }

    protected int total() {
        return total;
    }

    protected int done() {
        return done;
    }
}
