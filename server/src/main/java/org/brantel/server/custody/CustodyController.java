package org.brantel.server.custody;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CustodyController {

    private final CustodyService custody;

    CustodyController(CustodyService custody) {
        this.custody = custody;
    }

    @GetMapping("/api/ledger")
    List<CustodyService.Summary> ledger() {
        return custody.ledger();
    }

    @GetMapping("/api/cases/{number}/custody")
    CustodyService.Tape tape(@PathVariable String number) {
        return custody.tape(number);
    }
}
