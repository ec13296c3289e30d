package org.brantel.server.health;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.brantel.core.health.HealthReading;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Pressing;
import org.brantel.server.asks.Pressure;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.springframework.stereotype.Component;

/** Attached devices, not read to their end yet, of which more sectors went bad since the day before. */
@Component
class Worsening implements Pressing {

    private static final Set<Stage> UNREAD = Set.of(Stage.RECEIVED, Stage.TRIAGED, Stage.IMAGING);
    private static final Duration DAY = Duration.ofHours(24);
    /** Older readings say nothing of how it is going now. */
    private static final Duration RECENT = Duration.ofDays(7);

    private final HealthRows rows;
    private final CaseLists lists;
    private final Clock clock;

    Worsening(HealthRows rows, CaseLists lists, Clock clock) {
        this.rows = rows;
        this.lists = lists;
        this.clock = clock;
    }

    @Override
    public Map<String, List<Pressure>> of(OpenCases open) {
        Instant now = clock.instant();
        List<Long> asked = rows.findAskedSince(now.minus(DAY));
        if (asked.isEmpty()) {
            return Map.of();
        }
        Map<Long, String> unread = lists.ids(open.all().stream()
                .filter(c -> UNREAD.contains(c.waiting().stage()))
                .map(CaseViews.Summary::number)
                .toList());
        Map<String, List<Pressure>> worse = new LinkedHashMap<>();
        for (HealthRow last : rows.findNewest(asked)) {
            // What has no bad sectors has not got more of them.
            if (unread.containsKey(last.caseId()) && bad(last.reading()) > 0) {
                String number = Known.in(unread, last.caseId());
                long attachment = last.attachmentId();
                worse(attachment, last, () -> which(number, attachment))
                        .ifPresent(p -> worse.computeIfAbsent(number, n -> new ArrayList<>())
                                .add(p));
            }
        }
        return worse;
    }

    /** Of several devices of a case the one that stands attached there, as a sentence begins with it. */
    private String which(String number, long attachment) {
        List<CaseViews.Device> devices = lists.devices(List.of(number)).getOrDefault(number, List.of());
        long id = rows.findDevice(attachment);
        return devices.stream()
                .filter(d -> devices.size() > 1 && d.id() == id)
                .map(d -> d.which().substring(0, 1).toUpperCase(Locale.ROOT)
                        + d.which().substring(1))
                .findFirst()
                .orElse("It");
    }

    /** Since a day before the last reading; where none is as old, since the first one. */
    private Optional<Pressure> worse(long attachment, HealthRow last, Supplier<String> which) {
        Instant recent = last.at().minus(RECENT);
        HealthRow before = rows.findFirstByAttachmentIdAndAtBetweenOrderByAtDesc(
                        attachment, recent, last.at().minus(DAY))
                .or(() -> rows.findFirstByAttachmentIdAndAtGreaterThanEqualOrderByAt(attachment, recent))
                .orElse(last);
        long more = bad(last.reading()) - bad(before.reading());
        return more > 0
                ? Optional.of(new Pressure(true, which.get() + words(more, before.at(), last.at())))
                : Optional.empty();
    }

    private static String words(long more, Instant from, Instant to) {
        long hours = Math.max(1, Duration.between(from, to).toHours());
        return " reads worse: " + (more == 1 ? "one sector" : more + " sectors") + " more in "
                + (hours == 1 ? "an hour." : hours < 48 ? hours + " hours." : hours / 24 + " days.");
    }

    /** Sectors that did not read, whatever became of them. */
    private static long bad(HealthReading reading) {
        return Stream.of(
                        reading.damage().reallocated(),
                        reading.damage().pending(),
                        reading.damage().uncorrectable())
                .filter(Objects::nonNull)
                .mapToLong(Long::longValue)
                .sum();
    }
}
