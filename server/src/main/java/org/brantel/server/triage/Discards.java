package org.brantel.server.triage;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Pressing;
import org.brantel.server.asks.Pressure;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Devices that go on discarding what was deleted while they have power; every hour counts until they are read. */
@Component
class Discards implements Pressing {

    private static final Set<Stage> UNREAD = Set.of(Stage.RECEIVED, Stage.TRIAGED);

    /** What is left after a week is not lost by another hour. */
    private static final Duration GOES_ON = Duration.ofDays(7);

    private final CaseLists lists;
    private final Clock clock;

    Discards(CaseLists lists, Clock clock) {
        this.lists = lists;
        this.clock = clock;
    }

    @Override
    public Map<String, List<Pressure>> of(OpenCases open) {
        Map<String, CaseViews.Summary> unread = open.all().stream()
                .filter(c -> UNREAD.contains(c.waiting().stage()))
                .collect(Collectors.toMap(CaseViews.Summary::number, c -> c));
        Map<String, List<Pressure>> pressing = new LinkedHashMap<>();
        lists.lostWhileDiscarding(unread.keySet()).forEach((number, discarding) -> {
            Optional<Instant> said = discarding.since();
            Duration since = Duration.between(
                    said.orElse(Known.in(unread, number).waiting().createdAt()), clock.instant());
            if (since.compareTo(GOES_ON) < 0) {
                String when = said.isPresent() ? "the loss was " + words(since) + " ago." : "nobody said since when.";
                pressing.put(number, List.of(new Pressure(true, discards(discarding.which()) + "; " + when)));
            }
        });
        return pressing;
    }

    private static String discards(@Nullable String which) {
        return which == null
                ? "The device discards what was deleted while it has power"
                : "What was deleted on " + which + " is discarded under power";
    }

    private static String words(Duration since) {
        long hours = Math.max(0, since.toHours());
        return hours == 1 ? "an hour" : hours < 48 ? hours + " hours" : hours / 24 + " days";
    }
}
