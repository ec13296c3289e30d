package org.brantel.server.locks;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Locks of a device of a case; of the one that leads where none is named. */
@RestController
@RequestMapping("/api/cases/{number}/locks")
class LockController {

    record NewRelease(
            @NotBlank(message = "Say which stop rule is meant.")
            String rule,

            @NotBlank(message = "A release needs a reason; write down why the device may be touched all the same.")
            @Size(max = 1000, message = "The reason is longer than 1,000 characters.")
            String reason) {}

    private final Locks locks;
    private final Staff staff;

    LockController(Locks locks, Staff staff) {
        this.locks = locks;
        this.staff = staff;
    }

    @GetMapping
    LockViews.State state(@PathVariable String number, @RequestParam @Nullable Long device) {
        return locks.state(number, device);
    }

    @PostMapping("/releases")
    @ResponseStatus(HttpStatus.CREATED)
    LockViews.State release(
            @PathVariable String number, @RequestParam @Nullable Long device, @Valid @RequestBody NewRelease release) {
        return locks.release(
                number,
                device,
                release.rule(),
                release.reason(),
                staff.current().name());
    }

    @DeleteMapping("/releases/{rule}")
    LockViews.State withdraw(
            @PathVariable String number, @PathVariable String rule, @RequestParam @Nullable Long device) {
        return locks.withdraw(number, device, rule, staff.current().name());
    }
}
