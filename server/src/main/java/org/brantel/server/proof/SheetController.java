package org.brantel.server.proof;

import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The small pictures of a case's contact sheet. */
@RestController
@RequestMapping("/api/cases/{number}/catalogue/sheet")
class SheetController {

    private final Sheets sheets;
    private final Staff staff;

    SheetController(Sheets sheets, Staff staff) {
        this.sheets = sheets;
        this.staff = staff;
    }

    /** How far they are drawn. */
    @GetMapping
    SheetViews.State state(@PathVariable String number) {
        return sheets.state(number);
    }

    /** Has those drawn that were not drawn yet. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    SheetViews.State draw(@PathVariable String number) {
        return sheets.start(number, staff.current().name());
    }

    @PostMapping("/pause")
    SheetViews.State pause(@PathVariable String number) {
        return sheets.pause(number, staff.current().name());
    }
}
