package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.brantel.server.customers.CustomerViews;
import org.brantel.server.customers.Customers;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes two records of one customer one, with their cases, and takes it back. */
@Service
class CustomerMerges {

    /** @param id by which it can be undone */
    record Done(long id, CustomerViews.Customer kept, List<String> moved) {}

    private final MergeRows rows;
    private final Customers customers;
    private final Cases cases;
    private final Clock clock;

    CustomerMerges(MergeRows rows, Customers customers, Cases cases, Clock clock) {
        this.rows = rows;
        this.customers = customers;
        this.cases = cases;
        this.clock = clock;
    }

    @Transactional
    Done merge(long keep, long merged, String who) {
        List<String> moved = cases.ofCustomer(merged);
        customers.merge(keep, merged);
        CustomerViews.Customer kept = customers.view(keep);
        cases.giveTo(moved, kept, who);
        MergeRow row = rows.save(new MergeRow(keep, merged, String.join(",", moved), who, clock.instant()));
        return new Done(row.id(), kept, moved);
    }

    @Transactional
    void undo(long id, String who) {
        MergeRow row = rows.findById(id).orElseThrow(() -> Refusal.missing("There is no merge " + id + "."));
        if (!row.undo(clock.instant())) {
            throw Refusal.conflict("This merge was undone already.");
        }
        customers.part(row.merged());
        cases.giveTo(row.cases(), customers.view(row.merged()), who);
    }
}

@Entity
@Table(name = "customer_merge")
class MergeRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long kept;

    @Column(updatable = false)
    private Long merged;

    @Column(updatable = false)
    private String cases;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private @Nullable Instant undoneAt;

    protected MergeRow() {}

    MergeRow(Long kept, Long merged, String cases, String who, Instant at) {
        this.kept = kept;
        this.merged = merged;
        this.cases = cases;
        this.who = who;
        this.at = at;
    }

    /** @return false when it was undone before */
    boolean undo(Instant when) {
        boolean first = undoneAt == null;
        undoneAt = first ? when : undoneAt;
        return first;
    }

    long id() {
        return id;
    }

    Long merged() {
        return merged;
    }

    List<String> cases() {
        return cases.isEmpty() ? List.of() : List.of(cases.split(","));
    }
}

interface MergeRows extends JpaRepository<MergeRow, Long> {}
