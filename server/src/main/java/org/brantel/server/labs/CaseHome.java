package org.brantel.server.labs;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.custody.CustodyEntry;

/** A case of ours where another lab has it, and how far its record there went when it came last. */
@Entity
@Table(name = "case_home")
@IdClass(CaseHome.Key.class)
class CaseHome {

    /** What a lab gave a number to is one case. */
    record Key(String fingerprint, String number) implements Serializable {}

    @Id
    private String fingerprint;

    @Id
    private String number;

    @Column(updatable = false)
    private Long caseId;

    private String lab;
    private long lastNumber;
    private String lastHash;
    private Instant cameAt;

    protected CaseHome() {}

    CaseHome(Long caseId, CaseFile.Home home, Instant at) {
        this.caseId = caseId;
        this.fingerprint = home.fingerprint();
        this.number = home.number();
        this.lab = home.lab();
        this.lastHash = CustodyEntry.START;
        this.cameAt = at;
    }

    void recordEndsAt(long entry, String hash, Instant at) {
        lastNumber = entry;
        lastHash = hash;
        cameAt = at;
    }

    CaseFile.Home home() {
        return new CaseFile.Home(lab, fingerprint, number);
    }

    Long caseId() {
        return caseId;
    }

    long lastNumber() {
        return lastNumber;
    }

    String lastHash() {
        return lastHash;
    }

    Instant cameAt() {
        return cameAt;
    }
}
