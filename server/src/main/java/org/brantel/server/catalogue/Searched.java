package org.brantel.server.catalogue;

import java.util.List;
import java.util.Map;

/** How a case was searched; only the feature that scans knows it. */
public interface Searched {

    /** Whether any scan of it came to an end, also one that found nothing. */
    boolean isSearched(long caseId);

    /** Its scan sessions, by their numbers. */
    List<Long> sessions(long caseId);

    /** The devices whose images its scan sessions looked into, by the sessions' numbers. */
    Map<Long, Long> devices(long caseId);
}
