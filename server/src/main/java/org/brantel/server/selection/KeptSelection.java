package org.brantel.server.selection;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A set of lines that somebody gave a name. */
@Entity
@Table(name = "kept_selection")
class KeptSelection {

    @Id
    private long id;

    @Column(updatable = false)
    private long caseId;

    private String name;
    private String keptBy;
    private Instant keptAt;
    private boolean letGo;

    protected KeptSelection() {}

    KeptSelection(long id, long caseId, String name, String keptBy, Instant keptAt) {
        this.id = id;
        this.caseId = caseId;
        this.name = name;
        this.keptBy = keptBy;
        this.keptAt = keptAt;
    }

    long id() {
        return id;
    }

    String name() {
        return name;
    }

    boolean isThere() {
        return !letGo;
    }

    void rename(String now) {
        name = now;
    }

    void letGo(boolean gone) {
        letGo = gone;
    }

    /** @param files how many it holds */
    SelectionViews.Kept view(long files) {
        return new SelectionViews.Kept(id, name, keptBy, keptAt, files);
    }
}
