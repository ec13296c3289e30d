package org.brantel.server.custody;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.brantel.core.custody.CustodyEntry;

/** An entry of this lab's own record. */
@Entity
@Table(name = "custody_entry")
class CustodyRecord extends EntryRow {

    protected CustodyRecord() {}

    CustodyRecord(CustodyEntry entry) {
        super(entry);
    }
}
