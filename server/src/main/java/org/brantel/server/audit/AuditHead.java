package org.brantel.server.audit;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.brantel.core.custody.CustodyEntry;

/** Where the record ends, kept apart, so that an entry cut off at the end is missed. */
@Entity
@Table(name = "audit_head")
class AuditHead {

    static final int ONLY = 1;

    @Id
    private int id;

    private long lastNumber;
    private String lastHash;

    protected AuditHead() {}

    AuditHead(long lastNumber, String lastHash) {
        this.id = ONLY;
        this.lastNumber = lastNumber;
        this.lastHash = lastHash;
    }

    void moveTo(CustodyEntry entry) {
        lastNumber = entry.number();
        lastHash = entry.hash();
    }

    long lastNumber() {
        return lastNumber;
    }

    String lastHash() {
        return lastHash;
    }
}
