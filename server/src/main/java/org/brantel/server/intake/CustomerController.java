package org.brantel.server.intake;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.brantel.server.customers.CustomerViews;
import org.brantel.server.customers.Customers;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/customers")
class CustomerController {

    /** What has been typed so far; may be half of a number. */
    record Typed(
            @NotNull(message = "The name is missing; send what is typed so far.")
            String name,

            @NotNull(message = "The contact ways are missing; send those that are typed so far.")
            List<CustomerViews.Way> ways) {}

    /** @param cases numbers, newest first */
    record Known(CustomerViews.Customer customer, String why, boolean certain, List<String> cases) {}

    record Merge(long keep, long merge) {}

    private final Customers customers;
    private final CustomerMerges merges;
    private final Cases cases;
    private final Staff staff;

    CustomerController(Customers customers, CustomerMerges merges, Cases cases, Staff staff) {
        this.customers = customers;
        this.merges = merges;
        this.cases = cases;
        this.staff = staff;
    }

    /** Who this may be. */
    @PostMapping("/alike")
    List<Known> alike(@Valid @RequestBody Typed typed) {
        return customers.alike(typed.name(), typed.ways()).stream()
                .map(a -> new Known(
                        a.customer(),
                        a.why(),
                        a.certain(),
                        cases.ofCustomer(a.customer().id())))
                .toList();
    }

    @GetMapping("/{id}")
    Known one(@PathVariable long id) {
        CustomerViews.Customer customer = customers.view(id);
        return new Known(customer, "", true, cases.ofCustomer(customer.id()));
    }

    /** Makes two records of one customer one. */
    @PostMapping("/merges")
    @ResponseStatus(HttpStatus.CREATED)
    CustomerMerges.Done merge(@Valid @RequestBody Merge merge) {
        return merges.merge(merge.keep(), merge.merge(), staff.current().name());
    }

    /** Undoes a merge. */
    @DeleteMapping("/merges/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(@PathVariable long id) {
        merges.undo(id, staff.current().name());
    }
}
