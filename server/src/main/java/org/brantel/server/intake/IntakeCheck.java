package org.brantel.server.intake;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.spoken.Capacity;
import org.brantel.server.platform.Refusal;
import org.brantel.server.protocol.LabProtocol;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Whether what was entered can be: what no annotation can say. */
@Component
class IntakeCheck {

    /** Nothing that a lab reads was made before. */
    private static final LocalDate EARLIEST = LocalDate.of(1980, 1, 1);

    private static final int FARTHEST_YEARS = 30;

    private final LabProtocol protocol;

    IntakeCheck(LabProtocol protocol) {
        this.protocol = protocol;
    }

    /**
     * @param deadlineBefore the deadline that stands already, which may have passed
     * @return each device's capacity in bytes
     */
    List<Long> check(CaseForm form, @Nullable LocalDate deadlineBefore, LocalDate today) {
        facts(form);
        slots(form);
        List<String> types =
                protocol.triage().protocol().fact("medium.type").orElseThrow().values();
        List<Long> capacities = new ArrayList<>();
        for (CaseForm.Device device : form.devices()) {
            if (!types.contains(device.type())) {
                throw Refusal.badInput(
                        "device.type", "'" + device.type() + "' is not a device type; choose one of the list.");
            }
            capacities.add(capacity(device.capacity()));
            plausible("device.entitledUntil", "warranty's last day", device.entitledUntil(), today);
        }
        if (form.deadline() != null
                && form.deadline().isBefore(today)
                && !form.deadline().equals(deadlineBefore)) {
            throw Refusal.badInput(
                    "deadline", "The deadline " + form.deadline() + " has passed; enter a day from today on, or none.");
        }
        plausible("deadline", "deadline", form.deadline(), today);
        for (CaseForm.Wanted line : form.wanted()) {
            line.kinds().stream().filter(k -> !Kinds.isKnownWord(k)).findFirst().ifPresent(k -> {
                throw Refusal.badInput(
                        "wanted", "'" + k + "' is not a kind of file; take one like image, document or jpg.");
            });
            plausible("wanted", "first day of the wanted line “" + line.words() + "”,", line.changedFrom(), today);
            plausible("wanted", "last day of the wanted line “" + line.words() + "”,", line.changedTo(), today);
            if (line.changedFrom() != null && line.changedFrom().isAfter(today)) {
                throw Refusal.badInput(
                        "wanted",
                        "The wanted line “" + line.words() + "” begins on " + line.changedFrom()
                                + ", which is still to come; nothing on the device is from then.");
            }
            if (line.changedFrom() != null
                    && line.changedTo() != null
                    && line.changedTo().isBefore(line.changedFrom())) {
                throw Refusal.badInput(
                        "wanted",
                        "The wanted line “" + line.words() + "” ends on " + line.changedTo()
                                + ", before it begins; turn the two dates round.");
            }
        }
        return capacities;
    }

    /** Facts of one thing are held against the protocol together: what is said of one device is not said of another. */
    private void facts(CaseForm form) {
        int devices = form.devices().size();
        for (CaseForm.Fact f : form.facts()) {
            Integer device = f.device();
            if (device != null && (device < 1 || device > devices)) {
                throw Refusal.badInput(
                        "facts",
                        "The fact '" + f.code() + "' is said of device " + device + ", but there "
                                + (devices == 1 ? "is one device." : "are " + devices + "."));
            }
        }
        form.facts().stream()
                .collect(Collectors.groupingBy(f -> f.device() == null ? 0 : f.device()))
                .values()
                .forEach(protocol::facts);
    }

    /** A slot of a set holds one device. */
    private static void slots(CaseForm form) {
        Set<String> taken = new HashSet<>();
        for (CaseForm.Device d : form.devices()) {
            String set = d.setName().strip();
            if (d.slot() != null && !taken.add(d.slot() + " " + set)) {
                throw Refusal.badInput(
                        "device.slot",
                        "Slot " + d.slot() + (set.isEmpty() ? "" : " of " + set)
                                + " is given twice; a slot holds one device.");
            }
        }
    }

    private static long capacity(String text) {
        try {
            return Capacity.parse(text);
        } catch (Capacity.NotACapacity e) {
            throw Refusal.badInput("device.capacity", Refusal.sentence(e));
        }
    }

    private static void plausible(String field, String what, @Nullable LocalDate day, LocalDate today) {
        if (day != null && (day.isBefore(EARLIEST) || day.isAfter(today.plusYears(FARTHEST_YEARS)))) {
            throw Refusal.badInput(field, "The " + what + " " + day + " is not plausible; check the year.");
        }
    }
}
