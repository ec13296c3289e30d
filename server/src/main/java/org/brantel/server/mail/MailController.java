package org.brantel.server.mail;

import jakarta.validation.constraints.Min;
import org.brantel.server.platform.Paged;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/outbox")
class MailController {

    /** @param route whether there is a mail server */
    record OutboxView(Paged<Outbox.Message> messages, boolean route) {}

    private final Outbox outbox;
    private final Staff staff;

    MailController(Outbox outbox, Staff staff) {
        this.outbox = outbox;
        this.staff = staff;
    }

    @GetMapping
    OutboxView all(@RequestParam(defaultValue = "") String number, @RequestParam(defaultValue = "0") @Min(0) int page) {
        return new OutboxView(outbox.messages(number, page), outbox.hasRoute());
    }

    @PostMapping("/{id}/cancel")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void cancel(@PathVariable long id) {
        outbox.cancel(id, staff.current().name());
    }

    @PostMapping("/{id}/retry")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void retry(@PathVariable long id) {
        outbox.retry(id);
    }
}
