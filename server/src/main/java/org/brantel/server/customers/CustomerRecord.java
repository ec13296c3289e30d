package org.brantel.server.customers;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "customer")
class CustomerRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private String kind;
    private String name;
    private WayKind preferred;
    private @Nullable Long mergedInto;

    @Column(updatable = false)
    private Instant createdAt;

    @Version
    private int version;

    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "customer_way", joinColumns = @JoinColumn(name = "customer_id"))
    @OrderColumn(name = "position")
    private List<Way> ways = new ArrayList<>();

    protected CustomerRecord() {}

    CustomerRecord(CustomerViews.Form form, Instant createdAt) {
        this.createdAt = createdAt;
        describe(form);
    }

    final void describe(CustomerViews.Form form) {
        kind = form.kind();
        name = form.name().strip();
        preferred = form.preferred();
        // The same ways are left alone, so that nothing is written when nothing changed.
        if (!ways.stream()
                .map(Way::view)
                .toList()
                .equals(form.ways().stream()
                        .map(w -> new CustomerViews.Way(w.kind(), w.value().strip()))
                        .toList())) {
            ways.clear();
            form.ways().forEach(w -> ways.add(new Way(w.kind(), w.value())));
        }
    }

    void mergeInto(@Nullable Long other) {
        mergedInto = other;
    }

    long id() {
        return id;
    }

    @Nullable
    Long mergedInto() {
        return mergedInto;
    }

    CustomerViews.Customer view() {
        return new CustomerViews.Customer(
                id, kind, name, preferred, ways.stream().map(Way::view).toList());
    }
}
