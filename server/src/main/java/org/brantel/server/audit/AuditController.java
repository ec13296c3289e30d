package org.brantel.server.audit;

import java.util.List;
import org.brantel.core.custody.CustodyChain;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.platform.Paged;
import org.brantel.server.staff.ManagersOnly;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The lab's own record, for managers. */
@RestController
@RequestMapping("/api/audit")
class AuditController {

    /** @param tears where the record is torn; none when every seam meets */
    record Checked(List<CustodyChain.Tear> tears) {}

    private final Audit audit;

    AuditController(Audit audit) {
        this.audit = audit;
    }

    @ManagersOnly
    @GetMapping
    Paged<CustodyEntry> newest(@RequestParam(defaultValue = "0") int page) {
        return audit.newest(page);
    }

    @ManagersOnly
    @GetMapping("/check")
    Checked check() {
        return new Checked(audit.tears());
    }
}
