package org.brantel.server.presence;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/cases/{number}/presence")
class PresenceController {

    /** @param place the part of the docket that is looked at */
    record Looking(
            @NotNull @Size(max = 40, message = "A place has no more than 40 characters.")
            String place) {}

    private final Presence presence;
    private final Looked looked;
    private final Staff staff;

    PresenceController(Presence presence, Looked looked, Staff staff) {
        this.presence = presence;
        this.looked = looked;
        this.staff = staff;
    }

    /** Says that one looks at a case, and hears who else does. */
    @PutMapping
    List<Presence.Here> seen(@PathVariable String number, @Valid @RequestBody Looking looking) {
        return presence.seen(number, looking.place(), staff.current().login());
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void left(@PathVariable String number) {
        presence.left(number, staff.current().login());
    }

    /** @param upTo the entry of the custody record that they have seen all up to */
    record Seen(
            @Min(value = 0, message = "An entry has a number from 1 on.")
            long upTo) {}

    /** What others did since one last looked. */
    @GetMapping("/news")
    Looked.News news(@PathVariable String number) {
        return looked.news(number, staff.current());
    }

    @PutMapping("/news")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void looked(@PathVariable String number, @Valid @RequestBody Seen seen) {
        looked.looked(number, seen.upTo(), staff.current().login());
    }
}
