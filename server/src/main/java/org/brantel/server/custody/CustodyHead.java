package org.brantel.server.custody;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.brantel.core.custody.CustodyEntry;

@Entity
@Table(name = "custody_head")
class CustodyHead {

    @Id
    private String caseNumber;

    private long lastNumber;
    private String lastHash;

    protected CustodyHead() {}

    CustodyHead(String caseNumber) {
        this.caseNumber = caseNumber;
        this.lastHash = CustodyEntry.START;
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
