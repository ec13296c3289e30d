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

    @Transactional(readOnly = true)
    public Tape tape(String caseNumber) {
        CustodyHead.End before = end(caseNumber);
        List<CustodyEntry> entries = records.findByCaseNumberOrderByNumber(caseNumber).stream()
                .map(CustodyRecord::entry)
                .toList();
        return judged(before, entries, end(caseNumber));
    }

    private CustodyHead.End end(String caseNumber) {
        return heads.ends(List.of(caseNumber)).stream().findFirst().orElseGet(() -> CustodyHead.none(caseNumber));
    }

    /**
     * What was written between the two ends, while the entries were read, is whole and newer than this answer: it is
     * left for the next.
     */
    private static Tape judged(CustodyHead.End before, List<CustodyEntry> entries, CustodyHead.End after) {
        List<CustodyEntry> known = entries.stream()
                .filter(e -> e.number() <= before.lastNumber() || e.number() > after.lastNumber())
                .toList();
        return new Tape(known, CustodyChain.check(known, before.lastNumber(), before.lastHash()));
    }

    /** The newest records and whether each holds. */
    @Transactional(readOnly = true)
    Paged<Summary> ledger(int page) {
        Page<String> numbers = heads.findNumbers(Paged.at(page));
        Map<String, CustodyHead.End> before = ends(numbers.getContent());
        Map<String, List<CustodyEntry>> entries =
                records.findByCaseNumberInOrderByCaseNumberAscNumberAsc(numbers.getContent()).stream()
                        .map(CustodyRecord::entry)
                        .collect(Collectors.groupingBy(CustodyEntry::caseNumber));
        Map<String, CustodyHead.End> after = ends(numbers.getContent());
        return Paged.of(numbers, n -> {
            CustodyHead.End end = before.getOrDefault(n, CustodyHead.none(n));
            Tape tape = judged(end, entries.getOrDefault(n, List.of()), after.getOrDefault(n, CustodyHead.none(n)));
            return new Summary(n, end.lastNumber(), !tape.tears().isEmpty());
        });
    }

    private Map<String, CustodyHead.End> ends(List<String> numbers) {
        return heads.ends(numbers).stream().collect(Collectors.toMap(CustodyHead.End::caseNumber, e -> e));
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
