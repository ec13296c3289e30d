package org.brantel.server.custody;

import jakarta.validation.constraints.Min;
import org.brantel.server.platform.Paged;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CustodyController {

    private final CustodyService custody;

    CustodyController(CustodyService custody) {
        this.custody = custody;
    }

    @GetMapping("/api/ledger")
    Paged<CustodyService.Summary> ledger(@RequestParam(defaultValue = "0") @Min(0) int page) {
        return custody.ledger(page);
    }

    @GetMapping("/api/cases/{number}/custody")
    CustodyService.Tape tape(@PathVariable String number) {
        return custody.tape(number);
    }
}
