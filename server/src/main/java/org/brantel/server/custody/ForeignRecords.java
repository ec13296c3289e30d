package org.brantel.server.custody;

import java.util.ArrayList;
import java.util.List;
import org.brantel.core.custody.CustodyEntry;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What other labs wrote down of cases that came from them. Kept as it came; it grows when more comes. */
@Service
public class ForeignRecords {

    private final ForeignEntries entries;

    ForeignRecords(ForeignEntries entries) {
        this.entries = entries;
    }

    /** @param fingerprint of the lab, {@code number} that it gave the case */
    @Transactional(readOnly = true)
    public List<CustodyEntry> of(String fingerprint, String number) {
        return entries.findByFingerprintAndCaseNumberOrderByNumber(fingerprint, number).stream()
                .map(ForeignEntry::entry)
                .toList();
    }

    /**
     * The entry from which a record that comes is another one than came before; 0 where it only goes on, or came before
     * as far as it goes.
     */
    @Transactional(readOnly = true)
    public long differsAt(List<CustodyEntry> before, List<CustodyEntry> now) {
        for (int i = 0; i < Math.min(before.size(), now.size()); i++) {
            if (!before.get(i).equals(now.get(i))) {
                return Math.min(before.get(i).number(), now.get(i).number());
            }
        }
        return 0;
    }

    /**
     * Keeps what is new of a record.
     *
     * @return how many entries that is
     */
    @Transactional
    public int goOn(long caseId, String fingerprint, String number, List<CustodyEntry> came) {
        int known = of(fingerprint, number).size();
        List<ForeignEntry> fresh = new ArrayList<>();
        came.stream().skip(known).forEach(e -> fresh.add(new ForeignEntry(caseId, fingerprint, e)));
        entries.saveAll(fresh);
        return fresh.size();
    }
}
