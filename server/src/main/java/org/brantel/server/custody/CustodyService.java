package org.brantel.server.custody;

import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.custody.CustodyChain;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.platform.Happened;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Paged;
import org.brantel.server.platform.Topic;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Writes and checks the records. An entry stands or falls with the transaction of what it records. */
@Service
public class CustodyService implements Happenings.Recorder {

    /** A record and where it is torn; no tears when every seam meets. */
    public record Tape(List<CustodyEntry> entries, List<CustodyChain.Tear> tears) {}

    /** One case's record in short. */
    record Summary(String caseNumber, long entries, boolean torn) {}

    private final CustodyRecords records;
    private final CustodyHeads heads;
    private final Happenings happenings;
    private final Clock clock;

    CustodyService(CustodyRecords records, CustodyHeads heads, Happenings happenings, Clock clock) {
        this.records = records;
        this.heads = heads;
        this.happenings = happenings;
        this.clock = clock;
    }

    /** Writes down what a feature did, in the transaction that does it. */
    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public void write(Happened did) {
        String caseNumber = did.caseNumber();
        heads.ensure(caseNumber, CustodyEntry.START);
        CustodyHead head = heads.lock(caseNumber).orElseThrow();
        CustodyEntry entry = CustodyEntry.next(
                caseNumber,
                head.lastNumber() + 1,
                head.lastHash(),
                clock.instant(),
                did.who(),
                did.what(),
                did.detail());
        records.save(new CustodyRecord(entry));
        head.moveTo(entry);
        happenings.changed(caseNumber, Topic.CUSTODY);
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
    Paged<Summary> ledger(int page) {
        Page<CustodyHead> heads = this.heads.findByOrderByCaseNumberDesc(Paged.at(page));
        Map<String, List<CustodyEntry>> entries = records
                .findByCaseNumberInOrderByCaseNumberAscNumberAsc(
                        heads.stream().map(CustodyHead::caseNumber).toList())
                .stream()
                .map(CustodyRecord::entry)
                .collect(Collectors.groupingBy(CustodyEntry::caseNumber));
        return Paged.of(heads, h -> {
            List<CustodyEntry> own = entries.getOrDefault(h.caseNumber(), List.of());
            boolean torn =
                    !CustodyChain.check(own, h.lastNumber(), h.lastHash()).isEmpty();
            return new Summary(h.caseNumber(), h.lastNumber(), torn);
        });
    }

    @Transactional(readOnly = true)
    public long count(String caseNumber) {
        return records.countByCaseNumber(caseNumber);
    }

    /**
     * What others wrote.
     *
     * @param newest in their order
     * @param all    how many there are
     */
    public record Others(List<CustodyEntry> newest, long all) {}

    /**
     * Entries of others than somebody.
     *
     * @param after the entry after which they begin
     */
    @Transactional(readOnly = true)
    public Others byOthers(String caseNumber, long after, String who, int most) {
        List<CustodyRecord> newest = records.findByCaseNumberAndNumberGreaterThanAndWhoNotOrderByNumberDesc(
                caseNumber, after, who, Limit.of(most));
        return new Others(
                newest.stream()
                        .map(CustodyRecord::entry)
                        .sorted(Comparator.comparingLong(CustodyEntry::number))
                        .toList(),
                records.countByCaseNumberAndNumberGreaterThanAndWhoNot(caseNumber, after, who));
    }
}
