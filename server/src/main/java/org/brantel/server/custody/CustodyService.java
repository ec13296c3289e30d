package org.brantel.server.custody;

import java.time.Clock;
import java.util.List;
import org.brantel.core.custody.CustodyChain;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.platform.Events;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Writes and checks the records. An entry stands or falls with the transaction of what it records. */
@Service
public class CustodyService {

    /** Who acts when no person does. */
    public static final String MACHINE = "Brantel";

    /** A record and where it is torn; no tears when every seam meets. */
    public record Tape(List<CustodyEntry> entries, List<CustodyChain.Tear> tears) {}

    /** One case's record in short. */
    record Summary(String caseNumber, long entries, boolean torn) {}

    private static final int LEDGER = 200;

    private final CustodyRecords records;
    private final CustodyHeads heads;
    private final Events events;
    private final Clock clock;

    CustodyService(CustodyRecords records, CustodyHeads heads, Events events, Clock clock) {
        this.records = records;
        this.heads = heads;
        this.events = events;
        this.clock = clock;
    }

    /**
     * @param what   what was done, in words
     * @param detail the facts behind it; may be empty
     */
    @Transactional
    public void record(String caseNumber, String who, String what, String detail) {
        heads.ensure(caseNumber, CustodyEntry.START);
        CustodyHead head = heads.lock(caseNumber).orElseThrow();
        CustodyEntry entry = CustodyEntry.next(
                caseNumber,
                head.lastNumber() + 1,
                head.lastHash(),
                clock.instant(),
                who,
                what,
                detail == null ? "" : detail);
        records.save(new CustodyRecord(entry));
        head.moveTo(entry);
        events.changed(caseNumber, "custody");
    }

    /** Entries and their end are read as of one moment, or one that is written just now would look like a tear. */
    @Transactional(readOnly = true, propagation = Propagation.REQUIRES_NEW, isolation = Isolation.REPEATABLE_READ)
    public Tape tape(String caseNumber) {
        return read(caseNumber);
    }

    private Tape read(String caseNumber) {
        List<CustodyEntry> entries = records.findByCaseNumberOrderByNumber(caseNumber).stream()
                .map(CustodyRecord::entry)
                .toList();
        CustodyHead head = heads.findById(caseNumber).orElseGet(() -> new CustodyHead(caseNumber));
        return new Tape(entries, CustodyChain.check(entries, head.lastNumber(), head.lastHash()));
    }

    /** The newest records and whether each holds. */
    @Transactional(readOnly = true, propagation = Propagation.REQUIRES_NEW, isolation = Isolation.REPEATABLE_READ)
    List<Summary> ledger() {
        return heads.findAll(PageRequest.of(0, LEDGER, Sort.by(Sort.Direction.DESC, "caseNumber"))).stream()
                .map(h -> new Summary(
                        h.caseNumber(),
                        h.lastNumber(),
                        !read(h.caseNumber()).tears().isEmpty()))
                .toList();
    }

    @Transactional(readOnly = true)
    public long count(String caseNumber) {
        return records.countByCaseNumber(caseNumber);
    }
}
