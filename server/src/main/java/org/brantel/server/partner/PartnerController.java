package org.brantel.server.partner;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.LocalDate;
import org.brantel.server.staff.Staff;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/cases/{number}/partner")
class PartnerController {

    private static final long MOST = 1_000_000_000L;
    private static final String AMOUNT = "An amount is from 0 to ten million.";
    private static final String LONG = "What is written down is longer than 1000 characters.";

    record Sending(
            long deviceId,

            @NotBlank(message = "Write down whose bench it goes to.") @Size(max = 100, message = LONG)
            String partner,

            @NotBlank(message = "Write down the parcel's number, or who carries it.") @Size(max = 200, message = LONG)
            String parcel,

            @NotBlank(message = "Write down how the device looks as it leaves.") @Size(max = 1000, message = LONG)
            String condition,

            @NotNull(message = "Enter the day on which it was sent.")
            LocalDate on,

            @NotNull(message = "Enter the day by which the quote is expected.")
            LocalDate expected) {}

    record Quoting(
            @NotNull(message = "Enter the day of the quote.")
            LocalDate on,

            @Min(value = 0, message = AMOUNT) @Max(value = MOST, message = AMOUNT)
            long hundredths,

            @NotNull(message = "Words may be empty, but not absent.") @Size(max = 1000, message = LONG)
            String words) {}

    record Answering(
            @NotNull(message = "Enter the day of the answer.")
            LocalDate on,

            boolean approved,

            @NotBlank(message = "Write down who of the customer's side answered.") @Size(max = 200, message = LONG)
            String by,

            @NotNull(message = "Enter the day by which the device is expected back.")
            LocalDate expected) {}

    record Returning(
            @NotNull(message = "Enter the day on which it came back.")
            LocalDate on,

            @NotBlank(message = "Write down how the device looks now.") @Size(max = 1000, message = LONG)
            String condition,

            @NotBlank(message = "Write down what was done to it, or that nothing was.")
            @Size(max = 1000, message = LONG)
            String done,

            @Min(value = 0, message = AMOUNT) @Max(value = MOST, message = AMOUNT)
            long hundredths,

            @NotNull(message = "The serial may be empty, but not absent.") @Size(max = 100, message = LONG)
            String serial) {}

    private final Partners partners;
    private final Staff staff;
    private final Clock clock;

    PartnerController(Partners partners, Staff staff, Clock clock) {
        this.partners = partners;
        this.staff = staff;
        this.clock = clock;
    }

    @GetMapping
    PartnerViews.State state(@PathVariable String number) {
        return partners.state(number);
    }

    @PostMapping
    PartnerViews.State send(@PathVariable String number, @Valid @RequestBody Sending it) {
        PartnerViews.Sent sent = new PartnerViews.Sent(
                it.on(), it.parcel().strip(), it.condition().strip(), who(), clock.instant());
        partners.send(number, it.deviceId(), it.partner().strip(), sent, it.expected());
        return partners.state(number);
    }

    @PutMapping("/{id}/quote")
    PartnerViews.State quote(@PathVariable String number, @PathVariable long id, @Valid @RequestBody Quoting it) {
        partners.quote(
                number,
                id,
                new PartnerViews.Quote(it.on(), it.hundredths(), it.words().strip()),
                who());
        return partners.state(number);
    }

    /** What the customer says to the quote. */
    @PutMapping("/{id}/answer")
    PartnerViews.State answer(@PathVariable String number, @PathVariable long id, @Valid @RequestBody Answering it) {
        partners.answer(
                number,
                id,
                new PartnerViews.Answer(it.on(), it.approved(), it.by().strip()),
                it.expected(),
                who());
        return partners.state(number);
    }

    @PutMapping("/{id}/back")
    PartnerViews.State back(@PathVariable String number, @PathVariable long id, @Valid @RequestBody Returning it) {
        PartnerViews.Back back = new PartnerViews.Back(
                it.on(),
                it.condition().strip(),
                it.done().strip(),
                it.hundredths(),
                it.serial().strip());
        partners.back(number, id, back, who());
        return partners.state(number);
    }

    /** Takes back what was noted last of a job. */
    @DeleteMapping("/{id}/last")
    PartnerViews.State takeLastBack(@PathVariable String number, @PathVariable long id) {
        partners.takeLastBack(number, id, who());
        return partners.state(number);
    }

    private String who() {
        return staff.current().name();
    }
}
