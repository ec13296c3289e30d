package org.brantel.core.scan;

import org.brantel.core.finding.Finding;

/** Hears what a scan session does, on its own thread. */
public interface ScanListener {

    /** A finding was made and written down. */
    default void found(Finding finding) {}

    /**
     * @param phase {@code records} or {@code content}
     * @param done  of {@code all}, in the phase's own unit
     */
    default void progressed(String phase, long done, long all) {}

    ScanListener NONE = new ScanListener() {};
}
