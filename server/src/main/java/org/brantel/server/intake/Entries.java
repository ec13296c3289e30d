package org.brantel.server.intake;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.protocol.Said;
import org.springframework.stereotype.Component;

/** The rows that belong to a case: its devices, facts and wanted lines. */
@Component
class Entries {

    private final Devices devices;
    private final FactRows facts;
    private final WantedRows wanted;
    private final Clock clock;

    Entries(Devices devices, FactRows facts, WantedRows wanted, Clock clock) {
        this.devices = devices;
        this.facts = facts;
        this.wanted = wanted;
        this.clock = clock;
    }

    List<CaseViews.Device> devices(LabCase c) {
        return devices.findByCaseIdAndRemovedFalseOrderByPosition(c.id()).stream()
                .map(DeviceRecord::view)
                .toList();
    }

    List<CaseViews.Fact> facts(LabCase c) {
        return facts.findByCaseIdAndWithdrawnFalseOrderById(c.id()).stream()
                .map(FactRow::view)
                .toList();
    }

    List<CaseViews.Withdrawn> corrected(LabCase c) {
        return facts.findByCaseIdAndWithdrawnTrueOrderByWithdrawnAtDesc(c.id()).stream()
                .map(FactRow::withdrawnView)
                .toList();
    }

    List<WantedLine> wanted(LabCase c) {
        return wanted.findByCaseIdOrderByPosition(c.id()).stream()
                .map(WantedRow::line)
                .toList();
    }

    /**
     * Keeps the rows of devices that stay, so that photos and attachments still speak of them.
     * @param bytes each one's
     * capacity
     */
    void replaceDevices(LabCase c, List<CaseForm.Device> given, List<Long> bytes) {
        Map<Long, DeviceRecord> standing = new HashMap<>();
        devices.findByCaseIdAndRemovedFalseOrderByPosition(c.id()).forEach(d -> standing.put(d.id(), d));
        for (int i = 0; i < given.size(); i++) {
            DeviceRecord known = given.get(i).id() == null
                    ? null
                    : standing.remove(given.get(i).id());
            DeviceRecord record = known == null ? new DeviceRecord(c.id()) : known;
            record.describe(given.get(i), i + 1, bytes.get(i));
            devices.save(record);
        }
        standing.values().forEach(DeviceRecord::remove);
    }

    /** @return the serial that the device had before */
    String bearsSerial(LabCase c, long device, String serial) {
        return devices.findByCaseIdAndRemovedFalseOrderByPosition(c.id()).stream()
                .filter(d -> d.id() == device)
                .findFirst()
                .orElseThrow()
                .bearsSerial(serial);
    }

    /** Facts that are no longer there are withdrawn, new ones are added; one that stays keeps who said it and when. */
    void replaceFacts(LabCase c, List<CaseForm.Fact> given, String who) {
        Set<CaseForm.Fact> now = new LinkedHashSet<>(given);
        for (FactRow row : facts.findByCaseIdAndWithdrawnFalseOrderById(c.id())) {
            if (!now.remove(row.stated())) {
                row.withdraw(who, clock.instant());
            }
        }
        now.forEach(f -> facts.save(new FactRow(c.id(), f, false, who, clock.instant())));
    }

    /** Observed facts; each takes the place of what was observed under the same code before. */
    void observe(LabCase c, List<CaseForm.Fact> seen, Set<String> measured, String who) {
        observe(c, seen.stream().map(CaseForm.Fact::code).collect(Collectors.toSet()), seen, measured, who);
    }

    /** @param codes of which nothing else is observed from now on */
    void observe(LabCase c, Set<String> codes, List<CaseForm.Fact> seen, Set<String> measured, String who) {
        List<FactRow> standing = facts.findByCaseIdAndWithdrawnFalseOrderById(c.id()).stream()
                .filter(r -> r.stated().source() == Said.OBSERVED
                        && codes.contains(r.stated().code()))
                .toList();
        List<CaseForm.Fact> fresh = new ArrayList<>(seen);
        for (FactRow row : standing) {
            if (!fresh.remove(row.stated())) {
                row.withdraw(who, clock.instant());
            }
        }
        fresh.forEach(f -> facts.save(new FactRow(c.id(), f, measured.contains(f.code()), who, clock.instant())));
    }

    /**
     * Lines that stay keep their number, so that what was confirmed of them still holds.
     * @return whether anything
     * changed
     */
    boolean replaceWanted(LabCase c, List<CaseForm.Wanted> given) {
        List<WantedRow> rows = new ArrayList<>(wanted.findByCaseIdOrderByPosition(c.id()));
        List<CaseForm.Wanted> plain = given.stream().map(CaseForm.Wanted::plain).toList();
        if (rows.stream().map(WantedRow::form).toList().equals(plain)) {
            return false;
        }
        for (int i = 0; i < plain.size(); i++) {
            CaseForm.Wanted line = plain.get(i);
            WantedRow row = rows.stream()
                    .filter(r -> r.form().equals(line))
                    .findFirst()
                    .orElseGet(() -> new WantedRow(c.id(), line));
            rows.remove(row);
            row.standAt(i + 1);
            wanted.save(row);
        }
        wanted.deleteAll(rows);
        return true;
    }
}
