package org.brantel.server.scan;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.brantel.core.carve.Failed;
import org.brantel.core.explain.Step;
import org.brantel.core.scan.ScanMethod;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.staff.Staff;
import org.brantel.server.work.Ask;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
class ScanController {

    /**
     * @param device whose newest image is scanned; absent for the newest image of the case
     * @param volume only this one, as the newest session numbers it; null for the whole medium
     * @param search look in what is free for lost volumes and for records of before a format; yes when it is not said
     * @param again  carve also what an earlier session carved; no when it is not said
     * @param hashes hash each finding; no when it is not said: then only those that look alike are
     */
    record ScanOrder(
            @Nullable Long device,
            @NotNull(message = "Choose a scan method.") ScanMethod method,
            @Nullable Integer volume,
            @Nullable Boolean search,
            @Nullable Boolean again,
            @Nullable Boolean hashes) {}

    private final Scans scans;
    private final Explanations explanations;
    private final SessionFiles files;
    private final Locks locks;
    private final Staff staff;

    ScanController(Scans scans, Explanations explanations, SessionFiles files, Locks locks, Staff staff) {
        this.scans = scans;
        this.explanations = explanations;
        this.files = files;
        this.locks = locks;
        this.staff = staff;
    }

    @GetMapping("/api/cases/{number}/scans")
    List<ScanView> sessions(@PathVariable String number) {
        return scans.sessions(number);
    }

    @GetMapping("/api/cases/{number}/scans/carved")
    Scans.Carved carved(@PathVariable String number, @RequestParam @Nullable Long device) {
        return scans.carved(number, device);
    }

    @PostMapping("/api/cases/{number}/scans")
    @ResponseStatus(HttpStatus.CREATED)
    ScanView start(@PathVariable String number, @Valid @RequestBody ScanOrder order) {
        return scans.start(
                number,
                order.device(),
                new Scans.Scope(
                        order.method(),
                        order.volume(),
                        order.search() == null || order.search(),
                        order.again() != null && order.again(),
                        order.hashes() != null && order.hashes()),
                staff.current().name());
    }

    @PostMapping("/api/scans/{id}/stop")
    ScanView stop(@PathVariable long id) {
        return scans.ask(id, Ask.STOP, staff.current().name());
    }

    @PostMapping("/api/scans/{id}/pause")
    ScanView pause(@PathVariable long id) {
        return scans.ask(id, Ask.PAUSE, staff.current().name());
    }

    @PostMapping("/api/scans/{id}/resume")
    ScanView resume(@PathVariable long id) {
        return scans.ask(id, null, staff.current().name());
    }

    /** The same again, on the whole of it. */
    @PostMapping("/api/scans/{id}/repeat")
    @ResponseStatus(HttpStatus.CREATED)
    ScanView repeat(@PathVariable long id) {
        return scans.repeat(id, staff.current().name());
    }

    /** The session in one file, for another machine. */
    @GetMapping("/api/scans/{id}/file")
    ResponseEntity<StreamingResponseBody> takeOut(@PathVariable long id) {
        SessionFiles.Ended ended = files.ended(id);
        locks.look(
                ended.session().caseNumber(),
                Look.PREVIEWS,
                "the session's file, which holds what contents say of themselves,");
        String name = ended.session().caseNumber() + "-session-" + id + ".gz";
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(ended::pack);
    }

    /**
     * A session that another machine did on the same medium.
     *
     * @param name of the file
     */
    @PostMapping(
            path = "/api/cases/{number}/scans/file",
            consumes = {MediaType.APPLICATION_OCTET_STREAM_VALUE, "application/gzip", "application/x-gzip"})
    @ResponseStatus(HttpStatus.CREATED)
    ScanView bringIn(
            @PathVariable String number,
            @RequestParam @Nullable Long device,
            @RequestParam String name,
            InputStream body)
            throws IOException {
        return files.bringIn(number, device, name, body, staff.current().name());
    }

    /** Starts that looked like a kind but failed its check; the first thousand. */
    @GetMapping("/api/scans/{id}/failed")
    List<Failed> failed(@PathVariable long id) throws IOException {
        return files.failed(id);
    }

    /** The chain of evidence of a catalogue line: volume, record, bytes, judgement. */
    @GetMapping("/api/cases/{number}/catalogue/{line}/explanation")
    List<Step> explain(@PathVariable String number, @PathVariable long line) throws IOException {
        return explanations.of(number, line);
    }
}
