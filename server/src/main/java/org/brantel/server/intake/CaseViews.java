package org.brantel.server.intake;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.layout.NameRules;
import org.brantel.core.source.Identity;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.customers.CustomerViews;
import org.brantel.server.platform.Refusal;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.protocol.Said;
import org.jspecify.annotations.Nullable;

/** What others see of a case. */
public final class CaseViews {

    private CaseViews() {}

    /** A device as it was taken in, and the way that it goes. */
    public record Device(
            long id,
            int position,
            String type,
            @JsonUnwrapped Label label,
            @JsonUnwrapped AsBrought brought,
            @JsonUnwrapped Member member,
            @JsonUnwrapped Entitlement entitled,
            @JsonUnwrapped Way way) {

        /**
         * What its label says.
         *
         * @param capacity bytes; 0 when not known
         */
        public record Label(String make, String model, String serial, long capacity) {

            public Identity identity() {
                return new Identity(make, model, serial, capacity);
            }

            public String makeAndModel() {
                return (make + " " + model).strip();
            }
        }

        /** How it is attached, what came with it and how it looked. */
        public record AsBrought(String attachedBy, String accessories, String condition) {}

        /**
         * The set that it is a member of; no name for a device on its own.
         *
         * @param amongSets its case has members of another set, too, so that a slot alone does not tell which it is
         */
        public record Member(String setName, @Nullable Integer slot, boolean amongSets) {

            private String ofSet() {
                return amongSets && !setName.isEmpty() ? " of " + setName : "";
            }
        }

        /** Warranty or rescue entitlement, in words, and its last day. */
        public record Entitlement(
                String entitlement, @Nullable LocalDate entitledUntil) {}

        /**
         * The path that was decided for this device alone, and why; none where it goes the way of its case.
         *
         * @param ownProtocol the version of the protocol by which it was decided
         */
        public record Way(
                @Nullable RecoveryPath ownPath,
                @Nullable String ownReason,
                @Nullable String ownProtocol) {}

        /** Make and model, or else its type. */
        public String name() {
            String name = label.makeAndModel();
            return name.isEmpty() ? type.replace('-', ' ') : name;
        }

        /** How people tell it from the others of its case: by its slot, or else by its place among them. */
        public String which() {
            return member.slot() == null ? "device " + position : "slot " + member.slot() + member.ofSet();
        }

        /** How people tell these from the others of their case: {@code device 1 and slots 1, 2 and 4}. */
        public static String which(List<Device> some) {
            Map<String, List<String>> slots = some.stream()
                    .filter(d -> d.member.slot() != null)
                    .collect(Collectors.groupingBy(
                            d -> d.member.ofSet(),
                            LinkedHashMap::new,
                            Collectors.mapping(d -> String.valueOf(d.member.slot()), Collectors.toList())));
            List<String> others = some.stream()
                    .filter(d -> d.member.slot() == null)
                    .map(d -> String.valueOf(d.position))
                    .toList();
            return Stream.concat(
                            Stream.of(listed("device", others)),
                            slots.entrySet().stream().map(s -> listed("slot", s.getValue()) + s.getKey()))
                    .filter(s -> !s.isEmpty())
                    .collect(Collectors.joining(" and "));
        }

        private static String listed(String what, List<String> numbers) {
            int last = numbers.size() - 1;
            return switch (numbers.size()) {
                case 0 -> "";
                case 1 -> what + " " + numbers.get(0);
                default -> what + "s " + String.join(", ", numbers.subList(0, last)) + " and " + numbers.get(last);
            };
        }
    }

    /**
     * @param device   that it is said of; absent for all of the case
     * @param measured by a station rather than entered by a person
     */
    public record Fact(
            String code,
            String value,
            Said source,
            @Nullable Long device,
            boolean measured,
            String who,
            Instant at) implements LabProtocol.Stated {}

    /** A fact that was corrected: it counts no longer and stays on record. */
    public record Withdrawn(
            Fact fact,
            @Nullable String withdrawnBy,
            @Nullable Instant withdrawnAt) {}

    /**
     * A yes of the customer by which more may be looked at.
     *
     * @param who of the lab wrote it down
     */
    public record ConsentGiven(String look, String saidBy, String how, LocalDate saidOn, String who, Instant at) {}

    public record StageVisit(Stage stage, Instant at, String who) {}

    /** @param from the stage that it waits in */
    public record Hold(String reason, LocalDate until, Stage from) {}

    /**
     * One line of a list of cases.
     *
     * @param device the first one
     */
    public record Summary(
            String number,
            String customer,
            String contactPerson,
            Device device,
            int devices,
            Owner owner,
            @Nullable RecoveryPath path,
            @JsonUnwrapped Waiting waiting) {

        /** Its number tells a case from all others; sets of hundreds are made for each look at the Desk. */
        @Override
        public int hashCode() {
            return number.hashCode();
        }
    }

    /**
     * Where a case stands, since when and until when.
     *
     * @param due      when the clock of its stage runs out; absent where there is none
     * @param deadline the customer's
     */
    public record Waiting(
            Stage stage,
            Instant createdAt,
            Instant stageSince,
            @Nullable Instant due,
            @Nullable LocalDate deadline,
            @Nullable Hold hold) {

        /** Whether the clock of its stage has run out; none runs for a case on hold. */
        public boolean isLate(Instant now) {
            return hold == null && due != null && due.isBefore(now);
        }
    }

    /**
     * Who looks after a case.
     *
     * @param login the sign-in name; null for somebody who was never on the staff, or shared the name with a colleague
     *              when sign-in names were not kept yet
     */
    public record Owner(@Nullable String login, String name) {}

    /** @param total how many there are in all */
    public record Page(List<Summary> cases, long total) {}

    /** @param version to be sent back with an edit, so that nobody overwrites another's */
    public record Docket(
            String number,
            @JsonUnwrapped Told said,
            @JsonUnwrapped Course course,
            @JsonUnwrapped Decision decision,
            long custodyEntries,
            Instant createdAt,
            int version) {

        /** What the customer told and left, and what they agreed to. */
        public record Told(
                CustomerViews.Customer customer,
                String contactPerson,
                List<Device> devices,
                String story,
                List<Fact> facts,
                List<WantedLine> wanted,
                CaseForm.Consent consent) {}

        /**
         * How far the case is.
         *
         * @param due      when the clock of its stage runs out; absent where there is none
         * @param deadline the customer's
         * @param opensOn  the system that the files will be opened on; absent when nobody said
         */
        public record Course(
                Stage stage,
                List<StageVisit> stages,
                Instant stageSince,
                @Nullable Instant due,
                @Nullable LocalDate deadline,
                @Nullable NameRules opensOn,
                @Nullable Hold hold) {}

        /**
         * Which way was chosen.
         *
         * @param owner    who looks after the case
         * @param protocol the version of the protocol by which it was decided
         */
        public record Decision(
                Owner owner,
                @Nullable RecoveryPath path,
                @Nullable String pathReason,
                @Nullable String protocol) {}

        /** The facts as they count for a device. */
        public List<CaseForm.Fact> stated(Device device) {
            return CountingFacts.of(said.facts(), device, device.id() == device().id());
        }

        /** The one that leads. */
        public Device device() {
            return said.devices().get(0);
        }

        /**
         * One of the case's.
         *
         * @param id null for the one that leads
         * @throws Refusal when the case has no such device
         */
        public Device device(@Nullable Long id) {
            return id == null
                    ? device()
                    : said.devices().stream()
                            .filter(d -> d.id() == id)
                            .findFirst()
                            .orElseThrow(() -> Refusal.missing("Device " + id + " does not belong to " + number
                                    + "; it may have been taken off the intake."));
        }

        public boolean hasSeveral() {
            return said.devices().size() > 1;
        }

        /** The path that a device goes: its own, or else its case's; null while neither is decided. */
        public @Nullable RecoveryPath pathOf(Device device) {
            return device.way().ownPath() == null
                    ? decision.path()
                    : device.way().ownPath();
        }

        /** How a device of the case is told from its others, with a blank after it; empty where it is alone. */
        public String whichOf(Device device) {
            return hasSeveral() ? device.which() + " " : "";
        }
    }
}
