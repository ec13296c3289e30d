package org.brantel.server.custody;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.brantel.core.custody.CustodyEntry;

@Entity
@Table(name = "custody_head")
class CustodyHead {

    /** Where a record ends. */
    record End(String caseNumber, long lastNumber, String lastHash) {}

    @Id
    private String caseNumber;

    private long lastNumber;
    private String lastHash;

    protected CustodyHead() {}

    CustodyHead(String caseNumber) {
        this.caseNumber = caseNumber;
        this.lastHash = CustodyEntry.START;
    }

    /** The end of a record without entries. */
    static End none(String caseNumber) {
        return new End(caseNumber, 0, CustodyEntry.START);
    }

    void moveTo(CustodyEntry entry) {
        lastNumber = entry.number();
        lastHash = entry.hash();
    }

    String caseNumber() {
        return caseNumber;
    }

    long lastNumber() {
        return lastNumber;
    }

    String lastHash() {
        return lastHash;
    }
}
