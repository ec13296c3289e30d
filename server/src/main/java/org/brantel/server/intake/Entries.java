package org.brantel.server.intake;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.protocol.Said;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The rows that belong to a case: its devices, facts and wanted lines. */
@Component
class Entries {

    private final Devices devices;
    private final FactRows facts;
    private final WantedRows wanted;
    private final List<OfDevices> ofDevices;
    private final Clock clock;

    Entries(Devices devices, FactRows facts, WantedRows wanted, List<OfDevices> ofDevices, Clock clock) {
        this.devices = devices;
        this.facts = facts;
        this.wanted = wanted;
        this.ofDevices = ofDevices;
        this.clock = clock;
    }

    List<CaseViews.Device> devices(LabCase c) {
        return DeviceRecord.views(devices.findByCaseIdAndRemovedFalseOrderByPosition(c.id()));
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
     * @return the keys of the devices, in the order in which they were given
     */
    List<Long> replaceDevices(LabCase c, List<CaseForm.Device> given, List<Long> bytes) {
        List<Long> keys = new ArrayList<>();
        Map<Long, DeviceRecord> standing = new HashMap<>();
        devices.findByCaseIdAndRemovedFalseOrderByPosition(c.id()).forEach(d -> standing.put(d.id(), d));
        for (int i = 0; i < given.size(); i++) {
            DeviceRecord known = given.get(i).id() == null
                    ? null
                    : standing.remove(given.get(i).id());
            DeviceRecord record = known == null ? new DeviceRecord(c.id()) : known;
            record.describe(given.get(i), i + 1, bytes.get(i));
            keys.add(devices.save(record).id());
        }
        standing.values().forEach(DeviceRecord::remove);
        return keys;
    }

    /** Gives a device a path of its own; null lets it go the way of its case. */
    void decide(LabCase c, long device, CaseViews.Device.Way way) {
        record(c, device).decide(way.ownPath(), way.ownReason(), way.ownProtocol());
    }

    private DeviceRecord record(LabCase c, long device) {
        return devices.findByCaseIdAndRemovedFalseOrderByPosition(c.id()).stream()
                .filter(d -> d.id() == device)
                .findFirst()
                .orElseThrow();
    }

    /** Gives a device with all that is on record of it to another case, after that one's own; the others close up. */
    void give(LabCase from, long device, LabCase to) {
        int after = devices(to).size();
        ofDevices.forEach(records -> records.give(device, to.id()));
        devices.give(device, after + 1, to.id());
        List<DeviceRecord> left = devices.findByCaseIdAndRemovedFalseOrderByPosition(from.id());
        for (int i = 0; i < left.size(); i++) {
            left.get(i).standAt(i + 1);
        }
    }

    /** @return the serial that the device had before */
    String bearsSerial(LabCase c, long device, String serial) {
        return record(c, device).bearsSerial(serial);
    }

    /**
     * Facts that are no longer there are withdrawn, new ones are added; one that stays keeps who said it and when.
     *
     * @param keys of the devices that the facts speak of, in their order
     */
    void replaceFacts(LabCase c, List<CaseForm.Fact> given, List<Long> keys, String who) {
        Set<FactRow.Stated> now = new LinkedHashSet<>();
        for (CaseForm.Fact f : given) {
            Integer device = f.device();
            now.add(new FactRow.Stated(f.code(), f.value(), f.source(), device == null ? null : keys.get(device - 1)));
        }
        for (FactRow row : facts.findByCaseIdAndWithdrawnFalseOrderById(c.id())) {
            if (!now.remove(row.stated())) {
                row.withdraw(who, clock.instant());
            }
        }
        now.forEach(f -> facts.save(new FactRow(c.id(), f, false, who, clock.instant())));
    }

    /**
     * Observed facts; each takes the place of what was observed of the same thing under the same code before.
     *
     * @param device   that they are seen of; null for the case
     * @param codes    of which nothing else is observed of it from now on
     * @param measured codes whose value a station measured by itself
     */
    void observe(
            LabCase c,
            @Nullable Long device,
            Set<String> codes,
            List<CaseForm.Fact> seen,
            Set<String> measured,
            String who) {
        // What was seen of a case with one device was seen of that device.
        boolean alone = device != null && devices(c).size() == 1;
        List<FactRow> standing = facts.findByCaseIdAndWithdrawnFalseOrderById(c.id()).stream()
                .filter(r -> r.stated().source() == Said.OBSERVED
                        && codes.contains(r.stated().code()))
                .filter(r -> Objects.equals(r.stated().device(), device)
                        || alone && r.stated().device() == null)
                .toList();
        List<FactRow.Stated> fresh = new ArrayList<>(seen.stream()
                .map(f -> new FactRow.Stated(f.code(), f.value(), f.source(), device))
                .toList());
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
