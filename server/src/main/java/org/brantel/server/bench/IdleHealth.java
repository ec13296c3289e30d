package org.brantel.server.bench;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.brantel.core.health.HealthReading;
import org.brantel.core.health.Judgement;
import org.brantel.core.source.Source;
import org.brantel.server.health.HealthReadings;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.media.Media;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.settings.LabSettings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reads the health of devices that stand attached and idle, on the bench's schedule; a session that reads one does so
 * itself.
 */
@Component
public class IdleHealth {

    /**
     * A device that stands idle and is not well.
     *
     * @param sentence what its readings say
     */
    public record Alarm(String caseNumber, long device, boolean failing, String sentence) {}

    private static final Logger LOG = LoggerFactory.getLogger(IdleHealth.class);

    private final Attachments attachments;
    private final Stations stations;
    private final Media media;
    private final Cases cases;
    private final Locks locks;
    private final HealthReadings readings;
    private final LabSettings settings;
    private final Happenings happenings;
    private final Clock clock;
    /** When a device was asked last, also where it gave nothing. */
    private final Map<Long, Instant> asked = new ConcurrentHashMap<>();
    /** Devices whose silence is in the log: they are asked again and again, and said once. */
    private final Set<Long> silent = ConcurrentHashMap.newKeySet();

    IdleHealth(
            Attachments attachments,
            Stations stations,
            Media media,
            Cases cases,
            Locks locks,
            HealthReadings readings,
            LabSettings settings,
            Happenings happenings,
            Clock clock) {
        this.attachments = attachments;
        this.stations = stations;
        this.media = media;
        this.cases = cases;
        this.locks = locks;
        this.readings = readings;
        this.settings = settings;
        this.happenings = happenings;
        this.clock = clock;
    }

    /** One at a time: whoever calls it after a lock came into force knows that no reading of before goes on. */
    @Scheduled(fixedDelay = 3000, initialDelay = 3000)
    synchronized void look() {
        Duration every = Duration.ofSeconds(settings.bench().healthSeconds());
        for (Attachment a : attachments.findByDetachedAtIsNullOrderById()) {
            Instant known = asked.get(a.id());
            Instant before = known == null
                    ? readings.latest(a.id()).map(HealthReadings.Latest::at).orElse(Instant.EPOCH)
                    : known;
            if (!clock.instant().isBefore(before.plus(every)) && !stations.isBeingRead(a) && !stations.isGone(a)) {
                read(a);
            }
        }
    }

    /** Whether a device that may be asked has not said yet how it is: neither a reading, nor that it gives none. */
    boolean isAwaited(Attachment a) {
        return !asked.containsKey(a.id())
                && readings.latest(a.id()).isEmpty()
                && !stations.isBeingRead(a)
                && !stations.isGone(a)
                && locks.untouchable(cases.number(a.caseId()), a.deviceId()).isEmpty();
    }

    private void read(Attachment a) {
        String number = cases.number(a.caseId());
        if (!locks.untouchable(number, a.deviceId()).isEmpty()) {
            return;
        }
        ask(a, number);
        if (asked.put(a.id(), clock.instant()) == null) {
            happenings.changed(number, Topic.HEALTH);
        }
    }

    private void ask(Attachment a, String number) {
        try (Source source = media.open(a.medium(), a.expected(), a.writeBlock())) {
            Optional<HealthReading> reading = source.health();
            reading.ifPresent(r -> readings.record(
                    new HealthReadings.Place(number, a.caseId(), a.deviceId(), a.id(), null), r, Happenings.MACHINE));
            silent.remove(a.id());
        } catch (IOException | Refusal e) {
            if (silent.add(a.id())) {
                LOG.info(
                        "The health of {} of {} was not read, it is asked again until it is: {}",
                        a.medium(),
                        number,
                        e.getMessage());
            }
        }
    }

    /** Devices that stand attached, are not read, and are worn or failing by their newest reading. */
    @Transactional(readOnly = true)
    public List<Alarm> alarms() {
        List<Alarm> found = new ArrayList<>();
        List<Attachment> standing = attachments.findByDetachedAtIsNullOrderById();
        Map<Long, HealthReadings.Latest> latest =
                readings.latest(standing.stream().map(Attachment::id).toList());
        for (Attachment a : standing) {
            HealthReadings.Latest newest = latest.get(a.id());
            Judgement judgement = newest == null ? null : newest.judgement();
            if (judgement != null
                    && judgement.grade().compareTo(Judgement.Grade.POOR) >= 0
                    && !stations.isBeingRead(a)) {
                found.add(new Alarm(
                        cases.number(a.caseId()),
                        a.deviceId(),
                        judgement.grade() == Judgement.Grade.FAILING,
                        judgement.sentence()));
            }
        }
        return found;
    }
}
