package org.brantel.server.audit;

import java.time.Clock;
import java.util.List;
import org.brantel.core.custody.CustodyChain;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.platform.Paged;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Writes and checks the lab's own record. An entry stands or falls with the transaction of what it records. */
@Service
public class Audit {

    /** What stands in an entry where custody names the case. */
    private static final String OF_THE_LAB = "lab";

    private final AuditRows rows;
    private final AuditHeads heads;
    private final Clock clock;

    Audit(AuditRows rows, AuditHeads heads, Clock clock) {
        this.rows = rows;
        this.heads = heads;
        this.clock = clock;
    }

    /**
     * Writes something down, in the transaction that does it, with the address that the request came from.
     *
     * @param who    a person's name, or words for who it was
     * @param about  the sign-in name of the person whom it concerns; null for nobody in particular
     * @param what   what was done, in words
     * @param detail the facts behind it; may be empty
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void note(String who, @Nullable String about, String what, String detail) {
        heads.ensure(CustodyEntry.START);
        AuditHead head = heads.lock().orElseThrow();
        CustodyEntry entry = CustodyEntry.next(
                OF_THE_LAB, head.lastNumber() + 1, head.lastHash(), clock.instant(), who, what, detail + from(detail));
        rows.save(new AuditRow(entry, about));
        head.moveTo(entry);
    }

    /** What nobody asked for comes from nowhere. */
    private static String from(String detail) {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes asked
                ? (detail.isEmpty() ? "from " : "; from ") + asked.getRequest().getRemoteAddr()
                : "";
    }

    /** The newest first. */
    @Transactional(readOnly = true)
    public Paged<CustodyEntry> newest(int page) {
        return paged(rows.findAllByOrderByNumberDesc(Paged.at(page)));
    }

    /** What concerns one person, the newest first. */
    @Transactional(readOnly = true)
    public Paged<CustodyEntry> about(String login, int page) {
        return paged(rows.findByAboutOrderByNumberDesc(login, Paged.at(page)));
    }

    private static Paged<CustodyEntry> paged(Page<AuditRow> found) {
        return Paged.of(found, AuditRow::entry);
    }

    /** Where the record is torn; what is written meanwhile is left for the next check. */
    @Transactional(readOnly = true)
    public List<CustodyChain.Tear> tears() {
        AuditHead end = heads.findById(AuditHead.ONLY).orElseGet(() -> new AuditHead(0, CustodyEntry.START));
        List<CustodyEntry> entries =
                rows.upTo(end.lastNumber()).stream().map(AuditRow::entry).toList();
        return CustodyChain.check(entries, end.lastNumber(), end.lastHash());
    }
}
