package org.brantel.server.customers;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Customers of the lab. */
@Service
public class Customers {

    private static final int SHORTEST_NAME = 3;
    private static final int SHORTEST_NUMBER = 5;

    private final CustomerRecords customers;
    private final Clock clock;

    Customers(CustomerRecords customers, Clock clock) {
        this.customers = customers;
        this.clock = clock;
    }

    /**
     * Writes down a new customer, or what changed about one who was here before.
     *
     * @return the customer's number
     */
    @Transactional
    public long take(CustomerViews.Form form) {
        form.ways().stream()
                .filter(w -> w.kind() == WayKind.EMAIL && !w.value().strip().matches("[^@\\s]+@[^@\\s]+"))
                .findFirst()
                .ifPresent(w -> {
                    throw Refusal.badInput(
                            "customer.ways",
                            "The e-mail address '" + w.value().strip() + "' has no @, or blanks in it.");
                });
        if (form.id() == null) {
            return customers.save(new CustomerRecord(form, clock.instant())).id();
        }
        CustomerRecord known = find(form.id());
        known.describe(form);
        return known.id();
    }

    /** @throws Refusal when there is no such customer; one that was merged is the one it went into */
    private CustomerRecord find(long id) {
        CustomerRecord found =
                customers.findById(id).orElseThrow(() -> Refusal.missing("There is no customer " + id + "."));
        return found.mergedInto() == null ? found : find(found.mergedInto());
    }

    @Transactional(readOnly = true)
    public CustomerViews.Customer view(long id) {
        return find(id).view();
    }

    /** Who this may be: by any contact way, then by a name that looks alike; likeliest first. */
    @Transactional(readOnly = true)
    public List<CustomerViews.Alike> alike(String name, List<CustomerViews.Way> ways) {
        Map<Long, CustomerViews.Alike> found = new LinkedHashMap<>();
        Map<String, WayKind> plain = ways.stream()
                .filter(w -> w != null && w.kind() != null && w.value() != null)
                .collect(Collectors.toMap(w -> Way.plain(w.kind(), w.value()), w -> w.kind(), (a, b) -> a));
        plain.keySet().removeIf(p -> p.length() < SHORTEST_NUMBER);
        if (!plain.isEmpty()) {
            for (long id : customers.findIdsByPlain(plain.keySet())) {
                CustomerViews.Customer c = find(id).view();
                String same = c.ways().stream()
                        .filter(w -> plain.containsKey(Way.plain(w.kind(), w.value())))
                        .map(CustomerViews.Way::kind)
                        .map(WayKind::words)
                        .distinct()
                        .collect(Collectors.joining(" and "));
                found.put(id, new CustomerViews.Alike(c, "the same " + same, true));
            }
        }
        if (name.strip().length() >= SHORTEST_NAME) {
            for (long id : customers.findIdsByNameLike(name.strip())) {
                CustomerViews.Customer c = find(id).view();
                found.putIfAbsent(
                        id,
                        new CustomerViews.Alike(
                                c,
                                c.name().equalsIgnoreCase(name.strip()) ? "the same name" : "a name like it",
                                false));
            }
        }
        return List.copyOf(found.values());
    }

    /** Marks one customer as being another. */
    @Transactional
    public void merge(long kept, long merged) {
        find(kept);
        CustomerRecord other =
                customers.findById(merged).orElseThrow(() -> Refusal.missing("There is no customer " + merged + "."));
        if (other.mergedInto() != null || find(kept).id() == merged) {
            throw Refusal.conflict("These two customers are one already; nothing was changed.");
        }
        other.mergeInto(kept);
    }

    /** Takes a merge back. */
    @Transactional
    public void part(long merged) {
        customers.findById(merged).orElseThrow().mergeInto(null);
    }
}
