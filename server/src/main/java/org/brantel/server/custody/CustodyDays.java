package org.brantel.server.custody;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Paged;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who did what on a day, out of the custody records of all cases. */
@Service
class CustodyDays {

    /**
     * @param hours entries in each hour of the lab's clock, from 0
     * @param cases how many they are about
     */
    record Person(String who, List<Long> hours, long entries, long cases) {}

    /** @param today the lab's own */
    record Day(LocalDate on, LocalDate today, List<Person> people) {}

    private record Span(Instant from, Instant to) {}

    private static final int HOURS = 24;

    private final CustodyRecords records;
    private final Settings settings;
    private final Clock clock;

    CustodyDays(CustodyRecords records, Settings settings, Clock clock) {
        this.records = records;
        this.settings = settings;
        this.clock = clock;
    }

    LocalDate today() {
        return LocalDate.now(clock.withZone(settings.zone()));
    }

    private Span span(LocalDate on) {
        return new Span(
                on.atStartOfDay(settings.zone()).toInstant(),
                on.plusDays(1).atStartOfDay(settings.zone()).toInstant());
    }

    /** Everybody who did something, the busiest first; what the machine did by itself comes last. */
    @Transactional(readOnly = true)
    Day people(LocalDate on) {
        Span span = span(on);
        Map<String, Long> cases = records.findCases(span.from(), span.to()).stream()
                .collect(Collectors.toMap(CustodyRecords.InCases::getWho, CustodyRecords.InCases::getCases));
        Map<String, Long[]> hours = new HashMap<>();
        records.findHours(span.from(), span.to(), settings.zone().getId())
                .forEach(h -> hours.computeIfAbsent(h.getWho(), w -> none())[h.getHour()] = h.getEntries());
        List<Person> people = hours.entrySet().stream()
                .map(e -> new Person(
                        e.getKey(),
                        List.of(e.getValue()),
                        Arrays.stream(e.getValue()).mapToLong(n -> n).sum(),
                        cases.getOrDefault(e.getKey(), 0L)))
                .sorted(Comparator.comparing((Person p) -> p.who().equals(Happenings.MACHINE))
                        .thenComparing(Person::entries, Comparator.reverseOrder())
                        .thenComparing(Person::who))
                .toList();
        return new Day(on, today(), people);
    }

    private static Long[] none() {
        Long[] hours = new Long[HOURS];
        Arrays.fill(hours, 0L);
        return hours;
    }

    /** What one of them did, in the order in which it was done. */
    @Transactional(readOnly = true)
    Paged<CustodyEntry> entries(LocalDate on, String who, int page) {
        Span span = span(on);
        return Paged.of(
                records.findByWhoAndAtGreaterThanEqualAndAtLessThanOrderById(
                        who, span.from(), span.to(), Paged.at(page)),
                CustodyRecord::entry);
    }
}
