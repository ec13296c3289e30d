package org.brantel.server.customers;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Customers as forms and as others see them. */
public final class CustomerViews {

    private CustomerViews() {}

    public record Way(
            @NotNull(message = "A contact way is a phone, an e-mail or a postal address.")
            WayKind kind,

            @NotBlank(message = "A contact way is empty; fill it in or take it away.")
            @Size(max = 300, message = "A contact way is longer than 300 characters.")
            String value) {}

    /** @param id of a customer who was here before; absent for a new one */
    public record Form(
            @Nullable Long id,

            @Pattern(regexp = "person|organisation", message = "A customer is a person or an organisation.")
            String kind,

            @NotBlank(message = "The customer's name is missing.")
            @Size(max = 200, message = "The customer's name is longer than 200 characters.")
            String name,

            @NotNull(message = "The preferred way is phone, e-mail or post.")
            WayKind preferred,

            @NotNull @Size(max = 10, message = "More than 10 contact ways; keep the ones that work.")
            List<@Valid Way> ways) {

        /** The same, of a customer who is known. */
        public Form of(long customer) {
            return id == null ? new Form(customer, kind, name, preferred, ways) : this;
        }
    }

    public record Customer(long id, String kind, String name, WayKind preferred, List<Way> ways) {

        /** The first of a kind; empty when there is none. */
        public String way(WayKind wayKind) {
            return ways.stream()
                    .filter(w -> w.kind() == wayKind)
                    .map(Way::value)
                    .findFirst()
                    .orElse("");
        }
    }

    /** @param why in words: the same phone number, or a name like this one */
    public record Alike(Customer customer, String why, boolean certain) {}
}
