package org.brantel.server.catalogue;

import jakarta.validation.Valid;
import java.util.List;
import org.brantel.server.remark.RemarkViews;
import org.brantel.server.staff.Staff;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the lab remarks on findings. */
@RestController
@RequestMapping("/api/cases/{number}/catalogue/remarks")
class RemarkController {

    private final Remarking remarking;
    private final Staff staff;

    RemarkController(Remarking remarking, Staff staff) {
        this.remarking = remarking;
        this.staff = staff;
    }

    /** Remarks on findings; the answer, put there again, takes it back. */
    @PostMapping
    RemarkViews.Remarked remark(@PathVariable String number, @Valid @RequestBody RemarkViews.Remarking remark) {
        return remarking.remark(number, remark, staff.current().name());
    }

    /** Takes a change of remarks back; what was remarked anew since stays as it is. */
    @PutMapping
    void takeBack(@PathVariable String number, @Valid @RequestBody RemarkViews.Remarked change) {
        remarking.takeBack(number, change, staff.current().name());
    }

    /** Tags that were given, those that most findings have first. */
    @GetMapping("/tags")
    List<RemarkViews.Tag> tags(@PathVariable String number) {
        return remarking.tags(number);
    }
}
