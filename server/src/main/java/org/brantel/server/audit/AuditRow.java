package org.brantel.server.audit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.custody.EntryRow;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "audit_entry")
class AuditRow extends EntryRow {

    @Column(updatable = false)
    private @Nullable String about;

    protected AuditRow() {}

    AuditRow(CustodyEntry entry, @Nullable String about) {
        super(entry);
        this.about = about;
    }
}
