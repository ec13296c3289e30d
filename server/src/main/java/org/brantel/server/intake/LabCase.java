package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;

@Entity
@Table(name = "lab_case")
class LabCase {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    @Column(updatable = false)
    private String number;
    private String customerName;
    private String contactPerson;
    private String phone;
    private String email;
    private String story;
    @Enumerated(EnumType.STRING)
    private Stage stage;
    private String owner;
    private String path;
    private String pathReason;
    private String protocol;
    @Column(updatable = false)
    private Instant createdAt;
    @Version
    private int version;

    protected LabCase() { }

    LabCase(String number, String owner, Instant createdAt) {
        this.number = number;
        this.owner = owner;
        this.stage = Stage.RECEIVED;
        this.createdAt = createdAt;
    }

    void describe(CaseForm.Customer customer, String newStory) {
        customerName = customer.name().strip();
        contactPerson = customer.contactPerson().strip();
        phone = customer.phone().strip();
        email = customer.email().strip();
        story = newStory.strip();
    }

    void decide(String newPath, String reason, String protocolVersion) {
        path = newPath;
        pathReason = reason;
        protocol = protocolVersion;
    }

    void moveTo(Stage newStage) {
        stage = newStage;
    }

    Long id() {
        return id;
    }

    String number() {
        return number;
    }

    Stage stage() {
        return stage;
    }

    int version() {
        return version;
    }

    CaseViews.Summary summary(DeviceRecord device) {
        return new CaseViews.Summary(number, customerName, contactPerson, device.view(), stage.word(), owner, path, createdAt);
    }

    CaseViews.Customer customer() {
        return new CaseViews.Customer(customerName, contactPerson, phone, email);
    }

    String story() {
        return story;
    }

    String owner() {
        return owner;
    }

    String path() {
        return path;
    }

    String pathReason() {
        return pathReason;
    }

    String protocol() {
        return protocol;
    }

    Instant createdAt() {
        return createdAt;
    }
}
