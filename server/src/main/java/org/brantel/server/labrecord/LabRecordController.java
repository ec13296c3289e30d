package org.brantel.server.labrecord;

import java.time.YearMonth;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class LabRecordController {

    private final LabRecord labRecord;

    LabRecordController(LabRecord labRecord) {
        this.labRecord = labRecord;
    }

    /**
     * How cases ended in some months, where they waited, and whether estimates held.
     *
     * @param from the first month, like 2026-01
     * @param to   the last one
     */
    @GetMapping("/api/lab-record")
    LabRecord.Told told(
            @RequestParam @DateTimeFormat(pattern = "yyyy-MM") YearMonth from,
            @RequestParam @DateTimeFormat(pattern = "yyyy-MM") YearMonth to) {
        return labRecord.of(from, to);
    }
}
