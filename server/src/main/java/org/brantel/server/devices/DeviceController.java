package org.brantel.server.devices;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
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
class DeviceController {

    /** @param to number of the case that it comes to */
    record Move(
            @NotBlank(message = "Say which case it comes to.")
            String to,

            @NotBlank(message = "Write down why it comes to another case.")
            @Size(max = 500, message = "The reason is longer than 500 characters.")
            String reason) {}

    private final DeviceStates states;
    private final DeviceMoving moving;
    private final Staff staff;

    DeviceController(DeviceStates states, DeviceMoving moving, Staff staff) {
        this.states = states;
        this.moving = moving;
        this.staff = staff;
    }

    /** How far each device of a case is, in the order in which they were taken in. */
    @GetMapping("/api/cases/{number}/devices")
    List<DeviceState> devices(@PathVariable String number) {
        return states.of(number);
    }

    /** Gives a device to another case, with all that is on record of it alone. */
    @PostMapping("/api/cases/{number}/devices/{id}/move")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(@PathVariable String number, @PathVariable long id, @Valid @RequestBody Move move) {
        moving.move(
                number, id, move.to().strip(), move.reason(), staff.current().name());
    }
}
