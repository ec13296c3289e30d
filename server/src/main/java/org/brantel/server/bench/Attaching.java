package org.brantel.server.bench;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.brantel.core.source.Expected;
import org.brantel.core.source.Identity;
import org.brantel.core.source.IdentityCheck;
import org.brantel.core.source.WriteBlock;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.media.Media;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * A medium comes to stand for a device of a case. A device may take long to say who it is: it is asked before the
 * transaction that keeps what it said.
 */
@Service
public class Attaching {

    private final Stations stations;
    private final Attachments attachments;
    private final Media media;
    private final Cases cases;
    private final Locks locks;
    private final Happenings happenings;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Attaching(
            Stations stations,
            Attachments attachments,
            Media media,
            Cases cases,
            Locks locks,
            Happenings happenings,
            TransactionTemplate transaction,
            Clock clock) {
        this.stations = stations;
        this.attachments = attachments;
        this.media = media;
        this.cases = cases;
        this.locks = locks;
        this.happenings = happenings;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * Attaches a medium whose identity is the case's.
     *
     * @throws Refusal when it is not
     */
    public void attach(String number, String medium, String who) throws IOException {
        attach(number, null, medium, new Attachment.Decisions(null, null), who);
    }

    /**
     * @param id        of the device that it stands for; null for the one that it is by its identity
     * @param decisions what a person wrote down, where it takes a decision
     */
    Attachment.View attach(String number, @Nullable Long id, String medium, Attachment.Decisions decisions, String who)
            throws IOException {
        locks.touch(number);
        Identity found = media.identity(medium);
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device device = id == null ? told(docket.said().devices(), found) : docket.device(id);
        locks.touch(number, device.id());
        IdentityCheck check = Stations.compare(device, found);
        Attachment.Decisions written =
                new Attachment.Decisions(written(decisions.identity()), written(decisions.writeBlock()));
        if (!check.matches() && written.identity() == null) {
            throw Refusal.badInput(
                    "decision",
                    "This is not the device of the case by its "
                            + check.lines().stream()
                                    .filter(l -> l.verdict() == IdentityCheck.Verdict.DIFFERS)
                                    .map(l -> l.what().word())
                                    .reduce((a, b) -> a + " and " + b)
                                    .orElse("identity")
                            + "; nothing is read until you write down why it is attached all the same.");
        }
        standsForNoOther(docket, device, medium);
        // Opened once: a device that could be written to is refused here, before anybody counts on it.
        Expected expected = media.attach(medium, found, WriteBlock.unless(written.writeBlock()));
        return Objects.requireNonNull(transaction.execute(t -> {
            // Whatever changed while the device was asked counts.
            locks.touch(number, device.id());
            standsForNoOther(docket, device, medium);
            makeRoom(device);
            Attachment attachment = attachments.save(new Attachment(
                    new Attachment.Of(cases.id(number), device.id()),
                    medium,
                    expected,
                    check.matches(),
                    written,
                    who,
                    clock.instant()));
            happenings.tell(
                    number,
                    who,
                    check.matches() ? "attached a medium" : "attached a medium although its identity differs",
                    medium + ", " + found.size() + " bytes"
                            + (docket.hasSeveral() ? ", as " + device.which() : "") + "; identity: " + check.words()
                            + (written.identity() == null ? "" : "; decision: " + written.identity())
                            + (written.writeBlock() == null ? "" : "; write-block decision: " + written.writeBlock()),
                    Topic.BENCH);
            return attachment.view();
        }));
    }

    /** @throws Refusal when several devices bear the serial, so that nothing tells which of them it is */
    private static CaseViews.Device told(List<CaseViews.Device> devices, Identity found) {
        List<CaseViews.Device> alike = Stations.withSerial(devices, found);
        if (alike.size() > 1) {
            throw Refusal.badInput(
                    "device",
                    alike.stream().map(CaseViews.Device::which).collect(Collectors.joining(" and "))
                            + " have the serial " + found.serial() + "; say which of them this is.");
        }
        return Stations.meant(devices, found);
    }

    private void standsForNoOther(CaseViews.Docket docket, CaseViews.Device device, String medium) {
        long caseId = cases.id(docket.number());
        attachments
                .findFirstByMediumAndDetachedAtIsNullOrderByIdDesc(medium)
                .filter(a -> a.caseId() == caseId && a.deviceId() != device.id())
                .ifPresent(a -> {
                    throw Refusal.conflict("This medium stands for "
                            + docket.device(a.deviceId()).which() + " already; detach it there first.");
                });
    }

    /** Detaches what stands for the device now. */
    private void makeRoom(CaseViews.Device device) {
        stations.standing(device.id()).ifPresent(a -> {
            if (stations.isBeingRead(a)) {
                throw Refusal.conflict(
                        "A medium of this device is being read; pause that session before attaching another.");
            }
            a.detach(clock.instant());
        });
    }

    private static @Nullable String written(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
