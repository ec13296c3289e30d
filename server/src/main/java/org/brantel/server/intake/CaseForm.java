package org.brantel.server.intake;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.brantel.core.layout.NameRules;
import org.brantel.server.customers.CustomerViews;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.protocol.Said;
import org.jspecify.annotations.Nullable;

/**
 * What a coordinator enters about a case.
 *
 * @param contactPerson who calls for the customer
 * @param devices       the first one leads: its type is the case's medium
 * @param deadline      when the files are needed
 * @param opensOn       the system that the files will be opened on; absent when nobody said
 * @param version       the version that was edited; absent for a new case
 */
public record CaseForm(
        @Valid @NotNull(message = "The customer is missing.")
        CustomerViews.Form customer,

        @NotNull @Size(max = 200, message = "The contact's name is longer than 200 characters.")
        String contactPerson,

        @NotEmpty(message = "The device is missing.")
        @Size(max = 48, message = "More than 48 devices in one case; log them as several cases.")
        List<@NotNull @Valid Device> devices,

        @NotNull
        @Size(max = 20_000, message = "The story is longer than 20,000 characters; shorten it. Nothing of it is lost.")
        String story,

        @NotNull List<@NotNull @Valid Fact> facts,

        @NotNull @Size(max = 100, message = "More than 100 wanted lines; join some.")
        List<@NotNull @Valid Wanted> wanted,

        @Valid @NotNull Consent consent,
        @Nullable LocalDate deadline,
        @Nullable NameRules opensOn,
        @Nullable Integer version) {

    /**
     * @param id            of a device that the case has already
     * @param capacity      as people write it: {@code 2TB}, {@code 500 GB}, {@code 14.9 GiB}; empty when not known
     * @param setName       the set that it is a member of; empty for a device on its own
     * @param slot          its place in the set, from 1
     * @param entitlement   warranty or rescue entitlement, in words
     * @param entitledUntil its last day
     */
    public record Device(
            @Nullable Long id,

            @NotBlank(message = "The device's type is missing.")
            String type,

            @NotNull @Size(max = 200, message = "The make is longer than 200 characters.")
            String make,

            @NotNull @Size(max = 200, message = "The model is longer than 200 characters.")
            String model,

            @NotNull @Size(max = 200, message = "The serial is longer than 200 characters.")
            String serial,

            @NotNull @Size(max = 60, message = "The capacity is longer than 60 characters.")
            String capacity,

            @NotNull @Size(max = 60, message = "The interface is longer than 60 characters.")
            String attachedBy,

            @NotNull @Size(max = 500, message = "The accessories are longer than 500 characters.")
            String accessories,

            @NotNull @Size(max = 500, message = "The condition is longer than 500 characters.")
            String condition,

            @NotNull @Size(max = 60, message = "The set's name is longer than 60 characters.")
            String setName,

            @Nullable
            @Min(value = 1, message = "Slots are counted from 1.")
            @Max(value = 255, message = "A slot above 255 is not plausible; check it.")
            Integer slot,

            @NotNull @Size(max = 200, message = "The entitlement is longer than 200 characters.")
            String entitlement,

            @Nullable LocalDate entitledUntil) {

        /** What a label says, nothing more. */
        public static Device of(String type, String make, String model, String serial, String capacity) {
            return new Device(null, type, make, model, serial, capacity, "", "", "", "", null, "", null);
        }
    }

    /** @param device which of the devices of the form it is said of, counted from 1; absent for all of them */
    public record Fact(
            @NotBlank(message = "A fact has no code.") String code,
            @NotBlank(message = "A fact has no value.") String value,

            @NotNull(message = "A fact is told or observed.")
            Said source,

            @Nullable Integer device)
            implements LabProtocol.Stated {

        /** Of all devices. */
        public Fact(String code, String value, Said source) {
            this(code, value, source, null);
        }
    }

    /**
     * @param changedFrom first day on which the files were made or changed, {@code changedTo} the last one
     * @param yearAssumed the year of these days was not said; absent counts as said
     */
    public record Wanted(
            @NotBlank(message = "A wanted line has no words.")
            @Size(max = 500, message = "A wanted line is longer than 500 characters.")
            String words,

            @NotNull List<@NotNull String> kinds,

            @NotNull @Size(max = 200, message = "A name pattern is longer than 200 characters.")
            String pattern,

            @Min(value = 0, message = "How many cannot be less than 0.")
            @Max(value = 10_000_000, message = "How many cannot be more than ten million.")
            int hopedFor,

            @Min(value = 0, message = "A size cannot be less than 0.")
            long minBytes,

            @Nullable LocalDate changedFrom,
            @Nullable LocalDate changedTo,
            @Nullable Boolean yearAssumed,
            boolean mustHave) {

        /** As it is kept: without blanks around it, and with every answer given. */
        Wanted plain() {
            return new Wanted(
                    words.strip(),
                    kinds,
                    pattern.strip(),
                    hopedFor,
                    minBytes,
                    changedFrom,
                    changedTo,
                    Boolean.TRUE.equals(yearAssumed),
                    mustHave);
        }

        public static Wanted of(String words, List<String> kinds, String pattern, int hopedFor, boolean mustHave) {
            return new Wanted(words, kinds, pattern, hopedFor, 0, null, null, false, mustHave);
        }
    }

    /**
     * The customer's yes to more being looked at.
     *
     * @param saidBy who said it, {@code how} they did: by phone, on paper, at the counter
     * @param saidOn the day on which they said it
     */
    public record Yes(
            @NotNull(message = "Say what may be looked at from now on.")
            @Pattern(
                    regexp = "names|previews|contents",
                    message = "What may be looked at is names, previews or contents.")
            String look,

            @NotBlank(message = "Write down who said yes.")
            @Size(max = 200, message = "The name is longer than 200 characters.")
            String saidBy,

            @NotBlank(message = "Write down how they said it: by phone, on paper, at the counter.")
            @Size(max = 300, message = "How they said it is longer than 300 characters.")
            String how,

            @NotNull(message = "Enter the day on which they said it.")
            LocalDate saidOn) {}

    /**
     * What the customer agrees to.
     *
     * @param look what the lab may look at: nothing said, names only, previews, or contents where the work needs it
     * @param told who else may be told about the case; empty for nobody
     * @param mail whether messages by e-mail are welcome
     */
    public record Consent(
            @Pattern(
                    regexp = "|names|previews|contents",
                    message = "What may be looked at is names, previews or contents.")
            String look,

            @NotNull @Size(max = 300, message = "Who may be told is longer than 300 characters.")
            String told,

            boolean mail,
            boolean termsRead) {

        private static final List<String> STEPS = List.of("", "names", "previews", "contents");

        /**
         * Whether it lets the lab look further than another does; not asked yet lets it see names, as a yes to names
         * does.
         */
        boolean isWiderThan(Consent other) {
            return Math.max(1, STEPS.indexOf(look)) > Math.max(1, STEPS.indexOf(other.look));
        }

        public static final Consent NOT_ASKED = new Consent("", "", false, false);
    }
}
