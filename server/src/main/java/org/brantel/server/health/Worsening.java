package org.brantel.server.health;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.brantel.core.health.HealthReading;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Pressing;
import org.brantel.server.asks.Pressure;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.springframework.stereotype.Component;

/** Attached devices of which more sectors went bad since the day before. */
@Component
class Worsening implements Pressing {

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
        List<Long> attached = rows.findReadSince(now.minus(DAY));
        if (attached.isEmpty()) {
            return Map.of();
        }
        Map<Long, String> numbers =
                lists.ids(open.all().stream().map(CaseViews.Summary::number).toList());
        Map<String, List<Pressure>> worse = new LinkedHashMap<>();
        for (long attachment : attached) {
            List<HealthRow> recent =
                    rows.findByAttachmentIdAndAtGreaterThanEqualOrderById(attachment, now.minus(RECENT));
            if (recent.isEmpty()) {
                continue;
            }
            HealthRow last = recent.get(recent.size() - 1);
            HealthRow before = recent.stream()
                    .filter(r -> !r.at().isAfter(last.at().minus(DAY)))
                    .reduce((a, b) -> b)
                    .orElse(recent.get(0));
            long more = bad(last.reading()) - bad(before.reading());
            String number = numbers.get(last.caseId());
            if (more > 0 && number != null) {
                worse.put(number, List.of(new Pressure(true, words(more, before.at(), last.at()))));
            }
        }
        return worse;
    }

    private static String words(long more, Instant from, Instant to) {
        long hours = Math.max(1, Duration.between(from, to).toHours());
        return "It reads worse: " + (more == 1 ? "one sector" : more + " sectors") + " more in "
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
