package org.brantel.server.selection;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** That somebody changed what is chosen of a case; its set holds the lines that it turned. */
@Entity
@Table(name = "selection_change")
class SelectionChange {

    @Id
    private long id;

    @Column(updatable = false)
    private long caseId;

    private String what;
    private String who;
    private Instant at;
    private long chosen;
    private long givenUp;
    private @Nullable String takenBackBy;
    private @Nullable Instant takenBackAt;

    protected SelectionChange() {}

    SelectionChange(long id, long caseId, Changing changing, long chosen, long givenUp) {
        this.id = id;
        this.caseId = caseId;
        this.what = changing.what();
        this.who = changing.who();
        this.at = changing.at();
        this.chosen = chosen;
        this.givenUp = givenUp;
    }

    long id() {
        return id;
    }

    boolean stands() {
        return takenBackAt == null;
    }

    void takeBack(String who, Instant when) {
        takenBackBy = who;
        takenBackAt = when;
    }

    SelectionViews.Change view() {
        return new SelectionViews.Change(id, what, who, at, chosen, givenUp, takenBackBy, takenBackAt);
    }
}
