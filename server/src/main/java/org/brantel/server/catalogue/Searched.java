package org.brantel.server.catalogue;

/** Whether a case was searched at all; only the feature that scans knows it. */
public interface Searched {

    /** Whether any scan of it came to an end, also one that found nothing. */
    boolean isSearched(long caseId);
}
