package org.brantel.server.intake;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.triage.RecoveryPath;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Very many cases at once, each in few words: what they were, and how long they stood where. */
@Service
public class PastCases {

    private static final Set<Stage> OVER = EnumSet.of(Stage.CLOSED, Stage.DECLINED);
    private static final int AT_ONCE = 10_000;
    private static final String LOSS = "loss.event";

    /**
     * A case that ended.
     *
     * @param media  types of its devices, each once
     * @param losses what is on record as having happened
     * @param stays  seconds in each stage before the end
     */
    public record Past(
            long id,
            @Nullable RecoveryPath path,
            Stage stage,
            Instant endedAt,
            List<String> media,
            List<String> losses,
            Map<Stage, Double> stays) {}

    /** Where an open case stands. */
    public record Standing(Stage stage, Instant since) {}

    private final LabCases cases;
    private final Devices devices;
    private final FactRows facts;
    private final StageRows stages;

    PastCases(LabCases cases, Devices devices, FactRows facts, StageRows stages) {
        this.cases = cases;
        this.devices = devices;
        this.facts = facts;
        this.stages = stages;
    }

    /** Cases that ended in a time, its end left out. */
    @Transactional(readOnly = true)
    public List<Past> ended(Instant from, Instant to) {
        List<LabCase.Ended> ended = cases.findEnded(OVER, from, to);
        List<Past> all = new ArrayList<>();
        for (int i = 0; i < ended.size(); i += AT_ONCE) {
            all.addAll(these(ended.subList(i, Math.min(ended.size(), i + AT_ONCE))));
        }
        return all;
    }

    private List<Past> these(List<LabCase.Ended> ended) {
        List<Long> ids = ended.stream().map(LabCase.Ended::id).toList();
        Map<Long, List<String>> media = grouped(devices.findTypesOf(ids));
        Map<Long, List<String>> losses = grouped(facts.findValues(LOSS, ids));
        Map<Long, Map<Stage, Double>> stays = stays(stages.findVisits(ids));
        return ended.stream()
                .map(e -> new Past(
                        e.id(),
                        e.path(),
                        e.stage(),
                        e.at(),
                        media.getOrDefault(e.id(), List.of()),
                        losses.getOrDefault(e.id(), List.of()),
                        stays.getOrDefault(e.id(), Map.of())))
                .toList();
    }

    private static Map<Long, List<String>> grouped(List<FactRow.Value> values) {
        return values.stream()
                .collect(Collectors.groupingBy(
                        FactRow.Value::caseId, Collectors.mapping(FactRow.Value::value, Collectors.toList())));
    }

    /** A case that came back to a stage stood there twice; the last one it came to goes on. */
    private static Map<Long, Map<Stage, Double>> stays(List<StageRow.Visit> visits) {
        Map<Long, Map<Stage, Double>> stays = new HashMap<>();
        for (int i = 0; i + 1 < visits.size(); i++) {
            StageRow.Visit here = visits.get(i);
            StageRow.Visit next = visits.get(i + 1);
            if (here.caseId().equals(next.caseId()) && !OVER.contains(here.stage())) {
                stays.computeIfAbsent(here.caseId(), c -> new EnumMap<>(Stage.class))
                        .merge(
                                here.stage(),
                                Duration.between(here.at(), next.at()).toMillis() / 1000.0,
                                Double::sum);
            }
        }
        return stays;
    }

    /** Where the open cases stand, and since when. */
    @Transactional(readOnly = true)
    public List<Standing> open() {
        return cases.findStanding(EnumSet.complementOf(EnumSet.copyOf(OVER)));
    }
}
