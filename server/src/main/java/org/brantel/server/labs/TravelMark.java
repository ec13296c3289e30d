package org.brantel.server.labs;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import org.brantel.server.intake.Travelled;

/** What another lab's mark is called here. */
@Entity
@Table(name = "travel_mark")
@IdClass(TravelMark.Key.class)
class TravelMark {

    /** Of one case, a mark of one kind is one thing. */
    record Key(Long caseId, Travelled kind, String mark) implements Serializable {}

    @Id
    private Long caseId;

    @Id
    @Enumerated(EnumType.STRING)
    private Travelled kind;

    @Id
    private String mark;

    private long here;

    protected TravelMark() {}

    TravelMark(Long caseId, Travelled kind, String mark, long here) {
        this.caseId = caseId;
        this.kind = kind;
        this.mark = mark;
        this.here = here;
    }

    Travelled kind() {
        return kind;
    }

    String mark() {
        return mark;
    }

    long here() {
        return here;
    }
}
