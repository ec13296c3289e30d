package org.brantel.server.drafts;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;

@Entity
@Table(name = "draft")
class Draft {

    /** @param form as the browser wrote it; only it reads it */
    record View(
            String key,
            @Nullable String caseNumber,
            String title,
            String owner,
            String ownerName,
            Instant updatedAt,
            int version,
            @Nullable String form) {}

    @Id
    private String key;

    @Column(updatable = false)
    private @Nullable String caseNumber;

    private String title;
    private String form;
    private String owner;
    private String ownerName;
    private Instant updatedAt;

    @Version
    private Integer version;

    protected Draft() {}

    /** What else a row has is set before it is saved. */
    @SuppressWarnings("NullAway.Init")
    Draft(String key, @Nullable String caseNumber) {
        this.key = key;
        this.caseNumber = caseNumber;
    }

    void write(String newTitle, String newForm, Staff.Person by, Instant at) {
        title = newTitle;
        form = newForm;
        owner = by.login();
        ownerName = by.name();
        updatedAt = at;
    }

    int version() {
        return version;
    }

    String ownerName() {
        return ownerName;
    }

    View view(boolean whole) {
        return new View(key, caseNumber, title, owner, ownerName, updatedAt, version, whole ? form : null);
    }
}

interface DraftRecords extends JpaRepository<Draft, String> {

    List<Draft> findByCaseNumberIsNullOrderByUpdatedAtDesc();

    long countByCaseNumberIsNull();
}
