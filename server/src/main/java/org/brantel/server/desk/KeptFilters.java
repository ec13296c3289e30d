package org.brantel.server.desk;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.brantel.server.platform.Refusal;
import org.brantel.server.staff.Staff;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Filters of the list of cases that somebody keeps. Each is also a link that can be passed on. */
@RestController
@RequestMapping("/api/filters")
class KeptFilters {

    record View(long id, String name, String query) {}

    /** @param query as it stands in the Desk's address */
    record Keep(
            @NotBlank(message = "Give the filter a name.")
            @Size(max = 60, message = "The name is longer than 60 characters.")
            String name,

            @NotNull @Size(max = 500) @Pattern(regexp = "[\\w=&%+. -]*", message = "This is not a filter of the Desk.")
            String query) {}

    private final FilterRows rows;
    private final Staff staff;
    private final Clock clock;

    KeptFilters(FilterRows rows, Staff staff, Clock clock) {
        this.rows = rows;
        this.staff = staff;
        this.clock = clock;
    }

    @GetMapping
    List<View> mine() {
        return rows.findByOwnerOrderByName(staff.current().login()).stream()
                .map(FilterRow::view)
                .toList();
    }

    /** One with the same name is replaced. */
    @Transactional
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    View keep(@Valid @RequestBody Keep keep) {
        FilterRow row = rows.findByOwnerAndName(
                        staff.current().login(), keep.name().strip())
                .orElseGet(
                        () -> new FilterRow(staff.current().login(), keep.name().strip(), clock.instant()));
        row.set(keep.query());
        return rows.save(row).view();
    }

    @Transactional
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable long id) {
        rows.delete(rows.findById(id)
                .filter(r -> r.owner().equals(staff.current().login()))
                .orElseThrow(() -> Refusal.missing("You keep no filter " + id + ".")));
    }
}

@Entity
@Table(name = "kept_filter")
class FilterRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private String name;

    private String query;

    @Column(updatable = false)
    private String owner;

    @Column(updatable = false)
    private Instant at;

    protected FilterRow() {}

    /** What else a row has is set before it is saved. */
    @SuppressWarnings("NullAway.Init")
    FilterRow(String owner, String name, Instant at) {
        this.owner = owner;
        this.name = name;
        this.at = at;
    }

    void set(String newQuery) {
        query = newQuery;
    }

    String owner() {
        return owner;
    }

    KeptFilters.View view() {
        return new KeptFilters.View(id, name, query);
    }
}

interface FilterRows extends JpaRepository<FilterRow, Long> {

    List<FilterRow> findByOwnerOrderByName(String owner);

    Optional<FilterRow> findByOwnerAndName(String owner, String name);
}
