package org.brantel.server.custody;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.brantel.core.custody.CustodyEntry;

/** An entry of another lab's record of a case. */
@Entity
@Table(name = "custody_elsewhere")
class ForeignEntry extends EntryRow {

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private String fingerprint;

    protected ForeignEntry() {}

    ForeignEntry(long caseId, String fingerprint, CustodyEntry entry) {
        super(entry);
        this.caseId = caseId;
        this.fingerprint = fingerprint;
    }
}
