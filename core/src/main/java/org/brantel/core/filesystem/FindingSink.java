package org.brantel.core.filesystem;

import org.brantel.core.finding.Finding;

/** Receives what a walker finds; damage is told and the walk goes on. */
public interface FindingSink {

    void found(Finding finding);

    /** What was malformed, and where. */
    void problem(String what);

    /** Hears nothing; for walks that only ask what is free. */
    FindingSink NONE = new FindingSink() {
        @Override
        public void found(Finding finding) {}

        @Override
        public void problem(String what) {}
    };
}
