package org.brantel.server.day;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.past.HowEnded;
import org.brantel.server.closing.Closings;
import org.brantel.server.closing.Outcome;
import org.brantel.server.delivery.Endings;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.triage.OpenPrices;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Answers a manager's questions from the records. */
@Service
class Day {

    private static final int LONGEST = 3660;

    private final CaseLists lists;
    private final OpenPrices prices;
    private final Endings endings;
    private final Closings closings;
    private final Settings settings;
    private final Clock clock;

    Day(CaseLists lists, OpenPrices prices, Endings endings, Closings closings, Settings settings, Clock clock) {
        this.lists = lists;
        this.prices = prices;
        this.endings = endings;
        this.closings = closings;
        this.settings = settings;
        this.clock = clock;
    }

    /** @param days how far back the cases that ended go */
    @Transactional(readOnly = true)
    DayViews.Day of(int days) {
        if (days < 1 || days > LONGEST) {
            throw Refusal.badInput("days", "Cases that ended are counted over 1 to " + LONGEST + " days.");
        }
        CaseViews.Page open = lists.newestOpen();
        CaseViews.Page over = lists.ended(clock.instant().minus(Duration.ofDays(days)));
        return new DayViews.Day(
                late(open.cases()),
                prices.of(open.cases()),
                DayViews.Counted.of(open),
                days,
                ended(over.cases()),
                DayViews.Counted.of(over));
    }

    private List<DayViews.Late> late(List<CaseViews.Summary> open) {
        Instant now = clock.instant();
        LocalDate today = LocalDate.now(clock.withZone(settings.zone()));
        return open.stream()
                .flatMap(c -> late(c, now, today).stream())
                .sorted(Comparator.comparing(DayViews.Late::since))
                .toList();
    }

    private Optional<DayViews.Late> late(CaseViews.Summary c, Instant now, LocalDate today) {
        boolean byClock = c.waiting().isLate(now);
        LocalDate deadline = c.waiting().deadline();
        Instant needed = deadline == null || !deadline.isBefore(today)
                ? null
                : deadline.plusDays(1).atStartOfDay(settings.zone()).toInstant();
        return Stream.of(byClock ? c.waiting().due() : null, needed)
                .flatMap(Stream::ofNullable)
                .min(Comparator.naturalOrder())
                .map(since -> new DayViews.Late(c, byClock, needed != null, since));
    }

    private List<DayViews.Ended> ended(List<CaseViews.Summary> over) {
        Map<String, Long> ids = lists
                .ids(over.stream().map(CaseViews.Summary::number).toList())
                .entrySet()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));
        Map<Long, Endings.Ending> got = endings.of(ids.values());
        Map<Long, Outcome> outcomes = closings.outcomes(ids.values());
        return over.stream()
                .map(c -> {
                    Long id = ids.get(c.number());
                    return ended(c, howEnded(c, outcomes.get(id), got.get(id)), got.get(id));
                })
                .toList();
    }

    private static HowEnded howEnded(CaseViews.Summary c, @Nullable Outcome outcome, Endings.@Nullable Ending got) {
        return Closings.how(c.waiting().stage(), outcome, got == null ? null : got.files());
    }

    private static DayViews.Ended ended(CaseViews.Summary c, HowEnded how, Endings.@Nullable Ending got) {
        return new DayViews.Ended(
                c.number(), c.customer(), c.waiting().stageSince(), how, got != null && got.complete());
    }
}
