package org.brantel.server.health;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.health.HealthReading;
import org.brantel.core.health.Judgement;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.brantel.server.protocol.Said;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps readings as a series; what they say becomes an observed fact when it changes. */
@Service
public class HealthReadings {

    /** Which device of which case, and in which session; the latter is null outside of one. */
    public record Place(
            String number,
            long caseId,
            long deviceId,
            long attachmentId,
            @Nullable Long sessionId) {}

    /** One moment of the series. */
    public record Point(Instant at, @Nullable Long sessionId, String who, HealthReading reading) {}

    /**
     * @param points    in the order of time, thinned out when there are very many
     * @param judgement of the whole series; absent before the first reading
     * @param words     the judgement as a sentence with its numbers
     */
    public record Series(List<Point> points, @Nullable Judgement judgement, String words) {}

    /** A screen is no wider; the first and the last are always among them. */
    private static final int MOST_POINTS = 600;

    private final HealthRows rows;
    private final Cases cases;
    private final Happenings happenings;
    private final Clock clock;

    HealthReadings(HealthRows rows, Cases cases, Happenings happenings, Clock clock) {
        this.rows = rows;
        this.cases = cases;
        this.happenings = happenings;
        this.clock = clock;
    }

    /** @param who a person, or {@link Happenings#MACHINE} for what a station read by itself */
    @Transactional
    public Judgement record(Place place, HealthReading reading, String who) {
        HealthReading first = rows.findFirstByAttachmentIdOrderById(place.attachmentId())
                .map(HealthRow::reading)
                .orElse(reading);
        String before = rows.findFirstByAttachmentIdOrderByIdDesc(place.attachmentId())
                .map(HealthRow::grade)
                .orElse(null);
        Judgement judgement = Judgement.of(List.of(first, reading));
        String grade = judgement.grade().word();
        rows.save(new HealthRow(place, clock.instant(), reading, grade, who));
        if (!who.equals(Happenings.MACHINE)) {
            happenings.tell(place.number(), who, "recorded a health reading", grade + ": " + judgement.words());
        }
        if (!grade.equals(before)) {
            cases.observe(
                    place.number(),
                    place.deviceId(),
                    List.of(new CaseForm.Fact("bench.health", grade, Said.OBSERVED)),
                    reading.origin() == HealthReading.Origin.BY_HAND ? Set.of() : Set.of("bench.health"),
                    who);
        }
        happenings.changed(place.number(), Topic.HEALTH);
        return judgement;
    }

    /** The newest reading of an attached device; empty before the first. */
    @Transactional(readOnly = true)
    public Optional<Latest> latest(long attachmentId) {
        return rows.findFirstByAttachmentIdOrderByIdDesc(attachmentId).map(r -> {
            HealthReading first = rows.findFirstByAttachmentIdOrderById(attachmentId)
                    .map(HealthRow::reading)
                    .orElse(r.reading());
            return new Latest(r.at(), Judgement.of(List.of(first, r.reading())));
        });
    }

    /** The newest reading of each of these attached devices that has one, by attachment. */
    @Transactional(readOnly = true)
    public Map<Long, Latest> latest(Collection<Long> attachmentIds) {
        Map<Long, HealthReading> first = new HashMap<>();
        Map<Long, Latest> latest = new HashMap<>();
        rows.findEnds(attachmentIds).forEach(r -> {
            HealthReading begun = first.computeIfAbsent(r.attachmentId(), a -> r.reading());
            latest.put(r.attachmentId(), new Latest(r.at(), Judgement.of(List.of(begun, r.reading()))));
        });
        return latest;
    }

    /** What the newest reading says, held against the first one. */
    public record Latest(Instant at, Judgement judgement) {}

    @Transactional(readOnly = true)
    public Series series(long attachmentId) {
        List<HealthRow> all = rows.findByAttachmentIdOrderById(attachmentId);
        if (all.isEmpty()) {
            return new Series(List.of(), null, "");
        }
        List<HealthRow> shown = new ArrayList<>();
        double step = Math.max(1, (double) (all.size() - 1) / (MOST_POINTS - 1));
        for (double i = 0; Math.round(i) < all.size() - 1; i += step) {
            shown.add(all.get((int) Math.round(i)));
        }
        shown.add(all.get(all.size() - 1));
        Judgement judgement = Judgement.of(
                List.of(all.get(0).reading(), all.get(all.size() - 1).reading()));
        return new Series(
                shown.stream()
                        .map(r -> new Point(r.at(), r.sessionId(), r.who(), r.reading()))
                        .toList(),
                judgement,
                judgement.sentence());
    }
}
