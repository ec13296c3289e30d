package org.brantel.server.custody;

import jakarta.persistence.Column;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import java.time.Instant;
import org.brantel.core.custody.CustodyEntry;

/** An entry as it is kept: written once, never changed. */
@MappedSuperclass
public abstract class EntryRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private String caseNumber;

    @Column(updatable = false)
    private long number;

    @Column(updatable = false)
    private Instant at;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private String what;

    @Column(updatable = false)
    private String detail;

    @Column(updatable = false)
    private String previous;

    @Column(updatable = false)
    private String hash;

    protected EntryRow() {}

    protected EntryRow(CustodyEntry entry) {
        caseNumber = entry.caseNumber();
        number = entry.number();
        at = entry.at();
        who = entry.who();
        what = entry.what();
        detail = entry.detail();
        previous = entry.previous();
        hash = entry.hash();
    }

    public CustodyEntry entry() {
        return new CustodyEntry(number, caseNumber, at, who, what, detail, previous, hash);
    }
}
