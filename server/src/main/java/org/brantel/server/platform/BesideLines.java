package org.brantel.server.platform;

import java.util.Map;
import org.brantel.core.question.Condition;
import org.jspecify.annotations.Nullable;

/** What a feature keeps beside the lines of catalogues; within a transaction. */
public interface BesideLines {

    /**
     * The lines of a case of which it says what a condition asks.
     *
     * @return null where it says nothing of such a condition
     */
    @Nullable
    LineNumbers asked(long caseId, Condition condition);

    /**
     * Lines became parts of others; what is kept beside them is kept beside those now.
     *
     * @param gone by their numbers, the lines that took them in, in the order in which that happened
     */
    void takeIn(long caseId, Map<Long, Long> gone);
}
