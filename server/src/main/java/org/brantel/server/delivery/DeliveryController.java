package org.brantel.server.delivery;

import jakarta.validation.constraints.Min;
import java.util.List;
import org.brantel.server.platform.Paged;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DeliveryController {

    private final Deliveries deliveries;
    private final CustomerDoor door;
    private final Staff staff;

    DeliveryController(Deliveries deliveries, CustomerDoor door, Staff staff) {
        this.deliveries = deliveries;
        this.door = door;
        this.staff = staff;
    }

    @GetMapping("/api/deliveries")
    Paged<DeliveryViews.Delivery> all(@RequestParam(defaultValue = "0") @Min(0) int page) {
        return deliveries.all(page);
    }

    @GetMapping("/api/cases/{number}/deliveries")
    List<DeliveryViews.Delivery> ofCase(@PathVariable String number) {
        return deliveries.ofCase(number);
    }

    @PostMapping("/api/cases/{number}/deliveries")
    @ResponseStatus(HttpStatus.CREATED)
    DeliveryViews.Delivery seal(@PathVariable String number) {
        Staff.Person person = staff.current();
        return deliveries.seal(number, person.name(), person.role() == Role.MANAGER);
    }

    @PostMapping("/api/deliveries/{id}/link")
    DeliveryViews.Link link(@PathVariable long id) {
        Staff.Person person = staff.current();
        return door.link(id, person.name(), person.role() == Role.MANAGER);
    }

    /** As when it went to the wrong address; a new one can be made. */
    @DeleteMapping("/api/deliveries/{id}/link")
    DeliveryViews.Delivery withdrawLink(@PathVariable long id) {
        return door.withdraw(id, staff.current().name());
    }
}
