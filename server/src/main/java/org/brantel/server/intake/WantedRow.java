package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.List;
import org.brantel.core.wanted.WantedLine;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "wanted_line")
class WantedRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    private String words;
    private String kinds;
    private String pattern;
    private int hopedFor;
    private long minBytes;
    private @Nullable LocalDate changedFrom;
    private @Nullable LocalDate changedTo;
    private boolean yearAssumed;
    private boolean mustHave;
    private int position;

    protected WantedRow() {}

    WantedRow(Long caseId, CaseForm.Wanted form) {
        this.caseId = caseId;
        describe(form);
    }

    private void describe(CaseForm.Wanted form) {
        words = form.words().strip();
        kinds = String.join(",", form.kinds());
        pattern = form.pattern().strip();
        hopedFor = form.hopedFor();
        minBytes = form.minBytes();
        changedFrom = form.changedFrom();
        changedTo = form.changedTo();
        yearAssumed = Boolean.TRUE.equals(form.yearAssumed());
        mustHave = form.mustHave();
    }

    void standAt(int place) {
        position = place;
    }

    /** As it was entered. */
    CaseForm.Wanted form() {
        WantedLine l = line();
        return new CaseForm.Wanted(
                l.words(),
                l.kinds(),
                l.pattern(),
                l.hopedFor(),
                l.minBytes(),
                l.days().from(),
                l.days().to(),
                l.days().yearAssumed(),
                l.mustHave());
    }

    WantedLine line() {
        return new WantedLine(
                id,
                words,
                kinds.isEmpty() ? List.of() : List.of(kinds.split(",")),
                pattern,
                hopedFor,
                minBytes,
                new WantedLine.Days(changedFrom, changedTo, yearAssumed),
                mustHave);
    }
}
