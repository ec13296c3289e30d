package org.brantel.server.labs;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.brantel.server.staff.Staff;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class LabsController {

    record ForLab(
            @NotBlank(message = "Write down which lab it is for.")
            @Size(max = 200, message = "The lab's name is longer than 200 characters.")
            String forLab,

            @NotBlank(message = "Write down why the case goes there, and that the customer knows.")
            @Size(max = 1000, message = "The reason is longer than 1000 characters.")
            String why) {}

    /** @param compared how the lab's key was compared, and with whom; blank for a lab that is known */
    record Decided(
            @NotNull(message = "How the key was compared may be blank, but not absent.")
            @Size(max = 500, message = "How the key was compared is longer than 500 characters.")
            String compared) {}

    private final Labs labs;
    private final Arrivals arrivals;
    private final Staff staff;

    LabsController(Labs labs, Arrivals arrivals, Staff staff) {
        this.labs = labs;
        this.arrivals = arrivals;
        this.staff = staff;
    }

    @GetMapping("/api/cases/{number}/labs")
    LabsViews.State state(@PathVariable String number) throws IOException {
        return labs.state(number);
    }

    @PostMapping("/api/cases/{number}/labs/packings")
    @ResponseStatus(HttpStatus.CREATED)
    LabsViews.Packing pack(@PathVariable String number, @Valid @RequestBody ForLab it) {
        return labs.pack(
                number, it.forLab().strip(), it.why().strip(), staff.current().name());
    }

    /** The packed case, for the other lab. */
    @GetMapping("/api/packings/{id}/file")
    ResponseEntity<Resource> takeOut(@PathVariable long id) {
        Labs.Ready ready = labs.takeOut(id, staff.current().name());
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(ready.name())
                                .build()
                                .toString())
                .body(new FileSystemResource(ready.file()));
    }

    /** Files that other labs sent, newest first. */
    @GetMapping("/api/arrivals")
    List<LabsViews.Arrival> arrivals() {
        return arrivals.all();
    }

    /** One, with what it says as things stand now. */
    @GetMapping("/api/arrivals/{id}")
    LabsViews.Arrival arrival(@PathVariable long id) throws IOException {
        return arrivals.one(id);
    }

    /**
     * Looks at a file that another lab sent.
     *
     * @param name of the file
     */
    @PostMapping(
            path = "/api/arrivals",
            consumes = {MediaType.APPLICATION_OCTET_STREAM_VALUE, "application/zip"})
    @ResponseStatus(HttpStatus.CREATED)
    LabsViews.Arrival lookAt(@RequestParam String name, InputStream body) throws IOException {
        return arrivals.lookAt(name, body, staff.current().name());
    }

    @PostMapping("/api/arrivals/{id}/bring-in")
    LabsViews.Arrival bringIn(@PathVariable long id, @Valid @RequestBody Decided it) throws IOException {
        return arrivals.bringIn(id, it.compared(), staff.current());
    }

    /** Decides against a file; it stays in the lab, and nothing of it comes in. */
    @DeleteMapping("/api/arrivals/{id}")
    LabsViews.Arrival putAside(@PathVariable long id) {
        return arrivals.putAside(id, staff.current().name());
    }
}
