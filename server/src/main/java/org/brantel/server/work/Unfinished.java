package org.brantel.server.work;

import java.util.List;

/**
 * A feature that may have something under way that keeps a case from being closed. A new one is a bean; nothing else
 * changes.
 */
public interface Unfinished {

    /** What is under way, each in a sentence that says how it is ended; none where nothing is. */
    List<String> of(String caseNumber);
}
