package org.brantel.server.intake;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;

/**
 * What a coordinator enters about a case.
 *
 * @param version the version that was edited; absent for a new case
 */
public record CaseForm(@Valid @NotNull(message = "The customer is missing.") Customer customer,
                       @Valid @NotNull(message = "The device is missing.") Device device,
                       @NotNull @Size(max = 20_000, message = "The story is longer than 20,000 characters; shorten it.") String story,
                       @Valid @NotNull List<Fact> facts,
                       @Valid @NotNull @Size(max = 100, message = "More than 100 wanted lines; join some.") List<Wanted> wanted,
                       @Nullable Integer version) {

    public record Customer(@NotBlank(message = "The customer's name is missing.")
                           @Size(max = 200, message = "The customer's name is longer than 200 characters.") String name,
                           @NotNull @Size(max = 200, message = "The contact's name is longer than 200 characters.") String contactPerson,
                           @NotNull @Size(max = 60, message = "The phone number is longer than 60 characters.") String phone,
                           @NotNull @Pattern(regexp = "\\s*|[^@\\s]+@[^@\\s]+", message = "The e-mail address has no @, or blanks in it.")
                           @Size(max = 200, message = "The e-mail address is longer than 200 characters.") String email) { }

    /** @param capacity as people write it: {@code 2TB}, {@code 500 GB}, {@code 14.9 GiB}; empty when not known */
    public record Device(@NotBlank(message = "The device's type is missing.") String type,
                         @NotNull @Size(max = 200, message = "The make is longer than 200 characters.") String make,
                         @NotNull @Size(max = 200, message = "The model is longer than 200 characters.") String model,
                         @NotNull @Size(max = 200, message = "The serial is longer than 200 characters.") String serial,
                         @NotNull @Size(max = 60, message = "The capacity is longer than 60 characters.") String capacity) { }

    /** @param source {@code told} or {@code observed} */
    public record Fact(@NotBlank(message = "A fact has no code.") String code,
                       @NotBlank(message = "A fact has no value.") String value,
                       @Pattern(regexp = "told|observed", message = "A fact is told or observed.") String source) { }

    public record Wanted(@NotBlank(message = "A wanted line has no words.")
                         @Size(max = 500, message = "A wanted line is longer than 500 characters.") String words,
                         @NotNull List<String> kinds,
                         @NotNull @Size(max = 200, message = "A name pattern is longer than 200 characters.") String pattern,
                         @Min(value = 0, message = "How many cannot be less than 0.")
                         @Max(value = 10_000_000, message = "How many cannot be more than ten million.") int hopedFor,
                         boolean mustHave) { }
}
