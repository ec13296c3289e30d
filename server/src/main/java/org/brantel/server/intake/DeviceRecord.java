package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "device")
class DeviceRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    @Column(updatable = false)
    private Long caseId;
    private String type;
    private String make;
    private String model;
    private String serial;
    private long capacity;

    protected DeviceRecord() { }

    DeviceRecord(Long caseId) {
        this.caseId = caseId;
    }

    void describe(CaseForm.Device device, long bytes) {
        type = device.type();
        make = device.make().strip();
        model = device.model().strip();
        serial = device.serial().strip();
        capacity = bytes;
    }

    CaseViews.Device view() {
        return new CaseViews.Device(type, make, model, serial, capacity);
    }
}
