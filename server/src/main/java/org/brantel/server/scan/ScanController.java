package org.brantel.server.scan;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.util.List;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ScanController {

    record ScanOrder(@NotBlank(message = "Choose a scan method.") String method) { }

    private final Scans scans;
    private final Staff staff;

    ScanController(Scans scans, Staff staff) {
        this.scans = scans;
        this.staff = staff;
    }

    @GetMapping("/api/cases/{number}/scans")
    List<ScanView> sessions(@PathVariable String number) {
        return scans.sessions(number);
    }

    @PostMapping("/api/cases/{number}/scans")
    @ResponseStatus(HttpStatus.CREATED)
    ScanView start(@PathVariable String number, @Valid @RequestBody ScanOrder order) {
        return scans.start(number, order.method(), staff.current().name());
    }

    @PostMapping("/api/scans/{id}/stop")
    ScanView stop(@PathVariable long id) {
        return scans.stop(id, staff.current().name());
    }
}
