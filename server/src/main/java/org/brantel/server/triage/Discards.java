package org.brantel.server.triage;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Pressing;
import org.brantel.server.asks.Pressure;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.springframework.stereotype.Component;

/** Devices that go on discarding what was deleted while they have power; every hour counts until they are read. */
@Component
class Discards implements Pressing {

    private static final Set<Stage> UNREAD = Set.of(Stage.RECEIVED, Stage.TRIAGED);

    private final CaseLists lists;
    private final Clock clock;

    Discards(CaseLists lists, Clock clock) {
        this.lists = lists;
        this.clock = clock;
    }

    @Override
    public Map<String, List<Pressure>> of(OpenCases open) {
        List<String> unread = open.all().stream()
                .filter(c -> UNREAD.contains(c.waiting().stage()))
                .map(CaseViews.Summary::number)
                .toList();
        Map<String, List<Pressure>> pressing = new LinkedHashMap<>();
        lists.lostWhileDiscarding(unread)
                .forEach((number, lost) -> pressing.put(
                        number,
                        List.of(new Pressure(
                                true,
                                "The device discards what was deleted while it has power"
                                        + lost.map(at -> "; the loss is " + since(at) + " ago.")
                                                .orElse("; nobody said since when.")))));
        return pressing;
    }

    private String since(Instant lost) {
        long hours = Math.max(0, Duration.between(lost, clock.instant()).toHours());
        return hours < 48 ? (hours == 1 ? "an hour" : hours + " hours") : hours / 24 + " days";
    }
}
