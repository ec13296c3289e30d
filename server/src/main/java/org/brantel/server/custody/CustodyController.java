package org.brantel.server.custody;

import jakarta.validation.constraints.Min;
import java.time.LocalDate;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.platform.Paged;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CustodyController {

    private final CustodyService custody;
    private final CustodyDays days;

    CustodyController(CustodyService custody, CustodyDays days) {
        this.custody = custody;
        this.days = days;
    }

    @GetMapping("/api/ledger")
    Paged<CustodyService.Summary> ledger(@RequestParam(defaultValue = "0") @Min(0) int page) {
        return custody.ledger(page);
    }

    @GetMapping("/api/cases/{number}/custody")
    CustodyService.Tape tape(@PathVariable String number) {
        return custody.tape(number);
    }

    /** Who did how much on a day, today when none is named. */
    @GetMapping("/api/ledger/day")
    CustodyDays.Day day(@RequestParam @Nullable LocalDate on) {
        return days.people(on == null ? days.today() : on);
    }

    /** What somebody did on a day. */
    @GetMapping("/api/ledger/day/entries")
    Paged<CustodyEntry> entries(
            @RequestParam LocalDate on, @RequestParam String who, @RequestParam(defaultValue = "0") @Min(0) int page) {
        return days.entries(on, who, page);
    }
}
