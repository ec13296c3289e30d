package org.brantel.server.partner;

import com.fasterxml.jackson.annotation.JsonValue;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** What others see of partner jobs. */
final class PartnerViews {

    private PartnerViews() {}

    /** How far a job is. */
    enum Step {
        SENT,
        QUOTED,
        /** The customer wants it done at that price. */
        APPROVED,
        /** They do not; the device comes back as it is. */
        REFUSED,
        BACK;

        /** As it goes over the wire. */
        @JsonValue
        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * @param jobs     newest first
     * @param devices  of the case, with what keeps each from being sent
     * @param currency of amounts, which are in hundredths of it
     */
    record State(List<Job> jobs, List<Device> devices, String currency) {}

    /** @param stays why it cannot be sent now; absent where it can */
    record Device(
            long id,
            int position,
            String name,
            String serial,
            @Nullable String stays) {}

    /**
     * One job.
     *
     * @param step      how far it is
     * @param expected  the day on which the next word of the partner is due
     * @param toCheck   it is back, and nobody looked at it on the bench since
     */
    record Job(
            long id,
            long deviceId,
            String partner,
            Step step,
            LocalDate expected,
            boolean toCheck,
            Sent sent,
            @Nullable Quote quote,
            @Nullable Answer answer,
            @Nullable Back back) {}

    /**
     * @param parcel    its number, or who carries it
     * @param condition as it left the lab
     */
    record Sent(LocalDate on, String parcel, String condition, String who, Instant at) {}

    record Quote(LocalDate on, long hundredths, String words) {}

    /** @param by of the customer's side */
    record Answer(LocalDate on, boolean approved, String by) {}

    /**
     * @param done   what the partner did
     * @param serial the one that it has now; empty for the same
     */
    record Back(LocalDate on, String condition, String done, long hundredths, String serial) {}
}
