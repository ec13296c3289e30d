package org.brantel.server.recovery;

import jakarta.validation.constraints.Min;
import java.util.List;
import org.brantel.server.platform.Paged;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RecoveryController {

    private final Recoveries recoveries;
    private final Staff staff;

    RecoveryController(Recoveries recoveries, Staff staff) {
        this.recoveries = recoveries;
        this.staff = staff;
    }

    @GetMapping("/api/cases/{number}/recovery")
    List<RecoveryViews.Run> runs(@PathVariable String number) {
        return recoveries.runs(number);
    }

    @PostMapping("/api/cases/{number}/recovery")
    @ResponseStatus(HttpStatus.CREATED)
    RecoveryViews.Run start(@PathVariable String number) {
        return recoveries.start(number, staff.current().name());
    }

    @PostMapping("/api/recovery/{id}/pause")
    RecoveryViews.Run pause(@PathVariable long id) {
        return recoveries.pause(id, staff.current().name());
    }

    @PostMapping("/api/recovery/{id}/resume")
    RecoveryViews.Run resume(@PathVariable long id) {
        return recoveries.resume(id, staff.current().name());
    }

    @GetMapping("/api/recovery/{id}/files")
    Paged<RecoveryViews.File> files(@PathVariable long id, @RequestParam(defaultValue = "0") @Min(0) int page) {
        return recoveries.files(id, page);
    }

    /** What became of every file of a run, in numbers, and the first of those that are not whole. */
    @GetMapping("/api/recovery/{id}/account")
    RecoveryViews.Account account(@PathVariable long id) {
        return recoveries.account(id);
    }
}
