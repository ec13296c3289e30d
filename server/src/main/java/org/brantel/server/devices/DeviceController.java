package org.brantel.server.devices;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DeviceController {

    private final DeviceStates states;

    DeviceController(DeviceStates states) {
        this.states = states;
    }

    /** How far each device of a case is, in the order in which they were taken in. */
    @GetMapping("/api/cases/{number}/devices")
    List<DeviceState> devices(@PathVariable String number) {
        return states.of(number);
    }
}
