package org.brantel.server.scan;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.io.IOException;
import java.util.List;
import org.brantel.core.explain.Step;
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

    /**
     * @param volume only this one, as the newest session numbers it; null for the whole medium
     * @param search look in what is free for lost volumes and for records of before a format; yes when it is not said
     */
    record ScanOrder(@NotBlank(message = "Choose a scan method.") String method, @Nullable Integer volume, @Nullable Boolean search) { }

    private final Scans scans;
    private final Explanations explanations;
    private final Staff staff;

    ScanController(Scans scans, Explanations explanations, Staff staff) {
        this.scans = scans;
        this.explanations = explanations;
        this.staff = staff;
    }

    @GetMapping("/api/cases/{number}/scans")
    List<ScanView> sessions(@PathVariable String number) {
        return scans.sessions(number);
    }

    @PostMapping("/api/cases/{number}/scans")
    @ResponseStatus(HttpStatus.CREATED)
    ScanView start(@PathVariable String number, @Valid @RequestBody ScanOrder order) {
        return scans.start(number, new Scans.Scope(order.method(), order.volume(), order.search() == null || order.search()), staff.current().name());
    }

    @PostMapping("/api/scans/{id}/stop")
    ScanView stop(@PathVariable long id) {
        return scans.ask(id, ScanSession.STOP, staff.current().name());
    }

    @PostMapping("/api/scans/{id}/pause")
    ScanView pause(@PathVariable long id) {
        return scans.ask(id, ScanSession.PAUSE, staff.current().name());
    }

    @PostMapping("/api/scans/{id}/resume")
    ScanView resume(@PathVariable long id) {
        return scans.ask(id, null, staff.current().name());
    }

    /** The chain of evidence of a catalogue line: volume, record, bytes, judgement. */
    @GetMapping("/api/cases/{number}/catalogue/{line}/explanation")
    List<Step> explain(@PathVariable String number, @PathVariable long line) throws IOException {
        return explanations.of(number, line);
    }
}
