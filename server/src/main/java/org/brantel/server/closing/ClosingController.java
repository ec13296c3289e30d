package org.brantel.server.closing;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.InputStream;
import java.time.LocalDate;
import java.util.List;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Refusal;
import org.brantel.server.staff.Staff;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/cases/{number}/closing")
class ClosingController {

    record NewDisposition(
            @NotEmpty(message = "Choose at least one device.")
            @Size(max = 500, message = "More than 500 devices are too many at once.")
            List<@NotNull(message = "A device has a number.") Long> devices,

            @NotNull(message = "Choose what became of it.") Disposition disposition,

            @NotNull(message = "Words may be empty, but not absent.")
            @Size(max = 1000, message = "What is written down is longer than 1000 characters.")
            String words,

            @NotNull(message = "Enter the day.") LocalDate day) {}

    record NewClosing(
            @NotNull(message = "Choose an outcome.") Outcome outcome,

            @NotNull(message = "Words may be empty, but not absent.")
            @Size(max = 4000, message = "What is written down is longer than 4000 characters.")
            String words) {}

    private final Closings closings;
    private final SignedPapers papers;
    private final Cases cases;
    private final Staff staff;

    ClosingController(Closings closings, SignedPapers papers, Cases cases, Staff staff) {
        this.closings = closings;
        this.papers = papers;
        this.cases = cases;
        this.staff = staff;
    }

    @GetMapping
    ClosingViews.State state(@PathVariable String number) {
        return closings.state(number);
    }

    @PostMapping
    ClosingViews.State close(@PathVariable String number, @Valid @RequestBody NewClosing closing) {
        closings.close(
                number, closing.outcome(), closing.words(), staff.current().name());
        return closings.state(number);
    }

    /** Puts the case back where it stood before it was closed. */
    @DeleteMapping
    ClosingViews.State takeBack(@PathVariable String number) {
        closings.takeBack(number, staff.current().name());
        return closings.state(number);
    }

    @PostMapping("/devices")
    ClosingViews.State dispose(@PathVariable String number, @Valid @RequestBody NewDisposition it) {
        closings.dispose(
                number,
                it.devices(),
                it.disposition(),
                it.words(),
                it.day(),
                staff.current().name());
        return closings.state(number);
    }

    @DeleteMapping("/devices/{device}")
    ClosingViews.State takeDispositionBack(@PathVariable String number, @PathVariable long device) {
        closings.takeDispositionBack(number, device, staff.current().name());
        return closings.state(number);
    }

    /** The body is the PDF itself. */
    @PostMapping("/papers")
    @ResponseStatus(HttpStatus.CREATED)
    ClosingViews.Paper add(
            @PathVariable String number, @RequestParam(defaultValue = "") String name, HttpServletRequest request)
            throws IOException {
        cases.id(number);
        // Nobody waits for a slow upload with a connection in hand.
        SignedPapers.Kept kept = papers.keep(body(request));
        return closings.add(number, kept, name, staff.current().name());
    }

    private static byte[] body(HttpServletRequest request) throws IOException {
        try (InputStream in = request.getInputStream()) {
            byte[] bytes = in.readNBytes(SignedPapers.LARGEST + 1);
            if (bytes.length > SignedPapers.LARGEST) {
                throw Refusal.tooLarge("The paper is larger than 20 MiB; scan it smaller.");
            }
            return bytes;
        }
    }

    /** To be saved, and not shown here: nobody looked into it. */
    @GetMapping("/papers/{id}")
    ResponseEntity<byte[]> paper(@PathVariable String number, @PathVariable long id) throws IOException {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(number + "-signed-" + id + ".pdf")
                                .build()
                                .toString())
                .body(papers.bytes(cases.id(number), id));
    }
}
