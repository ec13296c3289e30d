package org.brantel.server.drafts;

import org.springframework.stereotype.Service;

/** How many intakes wait to be logged. */
@Service
public class Drafts {

    private final DraftRecords drafts;

    Drafts(DraftRecords drafts) {
        this.drafts = drafts;
    }

    public int count() {
        return (int) drafts.countByCaseNumberIsNull();
    }
}
