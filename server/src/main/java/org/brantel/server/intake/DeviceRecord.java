package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.List;
import org.brantel.core.triage.RecoveryPath;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "device")
class DeviceRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    private int position;
    private String type;
    private String make;
    private String model;
    private String serial;
    private long capacity;

    @Column(name = "interface")
    private String attachedBy;

    private String accessories;
    private String condition;
    private String setName;
    private @Nullable Integer slot;
    private String entitlement;
    private @Nullable LocalDate entitledUntil;
    private boolean removed;
    private @Nullable RecoveryPath path;
    private @Nullable String pathReason;
    private @Nullable String protocol;

    protected DeviceRecord() {}

    /** What else a row has is set before it is saved. */
    @SuppressWarnings("NullAway.Init")
    DeviceRecord(Long caseId) {
        this.caseId = caseId;
    }

    void describe(CaseForm.Device device, int place, long bytes) {
        position = place;
        type = device.type();
        make = device.make().strip();
        model = device.model().strip();
        serial = device.serial().strip();
        capacity = bytes;
        attachedBy = device.attachedBy().strip();
        accessories = device.accessories().strip();
        condition = device.condition().strip();
        setName = device.setName().strip();
        slot = device.slot();
        entitlement = device.entitlement().strip();
        entitledUntil = device.entitledUntil();
        removed = false;
    }

    /** @return the one that it had */
    String bearsSerial(String other) {
        String before = serial;
        serial = other;
        return before;
    }

    void standAt(int place) {
        position = place;
    }

    /** @param newPath of this device alone; null where it goes the way of its case */
    void decide(@Nullable RecoveryPath newPath, @Nullable String reason, @Nullable String protocolVersion) {
        path = newPath;
        pathReason = reason;
        protocol = protocolVersion;
    }

    @Nullable
    RecoveryPath path() {
        return path;
    }

    /** It was logged by mistake; photos and records that speak of it stay. */
    void remove() {
        removed = true;
    }

    long id() {
        return id;
    }

    Long caseId() {
        return caseId;
    }

    /** These are the devices of one case. */
    static List<CaseViews.Device> views(List<DeviceRecord> ofCase) {
        boolean sets = ofCase.stream()
                        .filter(d -> d.slot != null)
                        .map(d -> d.setName)
                        .distinct()
                        .count()
                > 1;
        return ofCase.stream().map(d -> d.view(sets)).toList();
    }

    /** It as it stands by itself. */
    CaseViews.Device view() {
        return view(false);
    }

    private CaseViews.Device view(boolean amongSets) {
        return new CaseViews.Device(
                id,
                position,
                type,
                new CaseViews.Device.Label(make, model, serial, capacity),
                new CaseViews.Device.AsBrought(attachedBy, accessories, condition),
                new CaseViews.Device.Member(setName, slot, amongSets),
                new CaseViews.Device.Entitlement(entitlement, entitledUntil),
                new CaseViews.Device.Way(path, pathReason, protocol));
    }
}
