package org.brantel.server.intake;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.brantel.core.source.Identity;
import org.brantel.core.wanted.WantedLine;

/** What others see of a case. */
public final class CaseViews {

    private CaseViews() { }

    public record Customer(String name, String contactPerson, String phone, String email) { }

    /** @param capacity bytes; 0 when not known */
    public record Device(String type, String make, String model, String serial, long capacity) {
        public Identity identity() {
            return new Identity(make, model, serial, capacity);
        }
    }

    public record Fact(String code, String value, String source, String who, Instant at) { }

    public record StageVisit(String stage, Instant at, String who) { }

    public record Summary(String number, String customer, String contactPerson, Device device, String stage, String owner,
                          @Nullable String path, Instant createdAt) { }

    /** @param version to be sent back with an edit, so that nobody overwrites another's */
    public record Docket(String number, Customer customer, Device device, String story, String stage, String owner,
                         @Nullable String path, @Nullable String pathReason, @Nullable String protocol, List<Fact> facts,
                         List<WantedLine> wanted, List<StageVisit> stages, long custodyEntries, Instant createdAt,
                         int version) { }
}
