package org.brantel.server.settings;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.springframework.data.jpa.repository.JpaRepository;

@Entity
@Table(name = "lab_setting")
class LabSetting {

    @Id
    private String key;

    private String value;
    private String who;
    private Instant at;

    @Version
    private Integer version;

    protected LabSetting() {}

    /** What else a row has is set before it is saved. */
    @SuppressWarnings("NullAway.Init")
    LabSetting(String key) {
        this.key = key;
    }

    void set(String newValue, String by, Instant when) {
        value = newValue;
        who = by;
        at = when;
    }

    String value() {
        return value;
    }
}

interface LabSettingRecords extends JpaRepository<LabSetting, String> {}
