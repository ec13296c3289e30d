package org.brantel.server.bench;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.firstlook.FirstLook;
import org.brantel.core.health.HealthReading;
import org.brantel.core.source.Expected;
import org.brantel.core.source.Identity;
import org.brantel.core.source.IdentityCheck;
import org.brantel.core.source.Source;
import org.brantel.core.source.WriteBlock;
import org.brantel.core.triage.ProfileAdvice;
import org.brantel.server.health.HealthReadings;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.media.Media;
import org.brantel.server.media.Medium;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which medium stands for which case: compared, attached, asked a few things, given back. */
@Service
public class Stations {

    private final Attachments attachments;
    private final ImagingSessions sessions;
    private final Media media;
    private final Cases cases;
    private final Locks locks;
    private final HealthReadings readings;
    private final Happenings happenings;
    private final Clock clock;

    Stations(
            Attachments attachments,
            ImagingSessions sessions,
            Media media,
            Cases cases,
            Locks locks,
            HealthReadings readings,
            Happenings happenings,
            Clock clock) {
        this.attachments = attachments;
        this.sessions = sessions;
        this.media = media;
        this.cases = cases;
        this.locks = locks;
        this.readings = readings;
        this.happenings = happenings;
        this.clock = clock;
    }

    /** Compares a medium with the case's device, without attaching it. */
    IdentityCheck compare(String number, String medium) throws IOException {
        return compare(number, media.identity(medium));
    }

    private IdentityCheck compare(String number, Identity found) {
        return IdentityCheck.compare(
                meant(cases.docket(number).said().devices(), found).label().identity(), found);
    }

    /**
     * Which of a case's devices a medium is: the one whose serial it has, else the first that it may be, else the lead.
     */
    private static CaseViews.Device meant(List<CaseViews.Device> devices, Identity found) {
        return devices.stream()
                .filter(d -> IdentityCheck.compare(d.label().identity(), found).lines().stream()
                        .anyMatch(l ->
                                l.what() == IdentityCheck.What.SERIAL && l.verdict() == IdentityCheck.Verdict.EQUAL))
                .findFirst()
                .or(() -> devices.stream()
                        .filter(d -> IdentityCheck.compare(d.label().identity(), found)
                                .matches())
                        .findFirst())
                .orElse(devices.get(0));
    }

    /** What the station can tell by itself about the medium that is attached to a case. */
    List<FirstLook.Seen> firstLook(String number) throws IOException {
        locks.touch(number);
        Attachment attachment = standing(cases.id(number))
                .orElseThrow(() -> Refusal.conflict("No medium is attached to " + number
                        + ", so the station has nothing to measure; attach it, or fill the form in by hand."));
        if (isBeingRead(attachment)) {
            throw Refusal.conflict("This medium is being read already; its own session tells more than a first look.");
        }
        try (Source source = media.open(attachment.medium(), attachment.expected(), attachment.writeBlock())) {
            return FirstLook.at(
                    source,
                    meant(cases.docket(number).said().devices(), source.identity())
                            .label()
                            .identity());
        }
    }

    /** @param decisions what a person wrote down, where it takes a decision */
    @Transactional
    Attachment.View attach(String number, String medium, Attachment.Decisions decisions, String who)
            throws IOException {
        long caseId = cases.id(number);
        locks.touch(number);
        Identity found = media.identity(medium);
        locks.touch(number, meant(cases.docket(number).said().devices(), found).id());
        IdentityCheck check = compare(number, found);
        String reason = written(decisions.identity());
        String writeBlock = written(decisions.writeBlock());
        if (!check.matches() && reason == null) {
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
        // Opened once: a device that could be written to is refused here, before anybody counts on it.
        Expected expected = media.attach(medium, found, WriteBlock.unless(writeBlock));
        standing(caseId).ifPresent(a -> {
            if (isBeingRead(a)) {
                throw Refusal.conflict(
                        "A medium of this case is being read; pause that session before attaching another.");
            }
            a.detach(clock.instant());
        });
        Attachment attachment = attachments.save(new Attachment(
                caseId,
                medium,
                expected,
                check.matches(),
                new Attachment.Decisions(reason, writeBlock),
                who,
                clock.instant()));
        happenings.tell(
                number,
                who,
                check.matches() ? "attached a medium" : "attached a medium although its identity differs",
                medium + ", " + found.size() + " bytes; identity: " + check.words()
                        + (reason == null ? "" : "; decision: " + reason)
                        + (writeBlock == null ? "" : "; write-block decision: " + writeBlock),
                Topic.BENCH);
        return attachment.view();
    }

    /**
     * Attaches a medium whose identity is the case's.
     *
     * @throws Refusal when it is not
     */
    @Transactional
    public void attach(String number, String medium, String who) throws IOException {
        attach(number, medium, new Attachment.Decisions(null, null), who);
    }

    private static @Nullable String written(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    /** Where a health reading of the attached device belongs. */
    HealthReadings.Place place(String number) {
        long caseId = cases.id(number);
        Attachment attachment = standing(caseId)
                .orElseThrow(() -> Refusal.conflict("No medium is attached to " + number
                        + ", so there is nothing that a reading could be of; attach it first."));
        return new HealthReadings.Place(number, caseId, attachment.id(), null);
    }

    /** What the attached device says of its own health. */
    HealthReading askHealth(String number) throws IOException {
        locks.touch(number);
        Attachment attachment = standing(cases.id(number))
                .orElseThrow(() -> Refusal.conflict("No medium is attached to " + number + "; attach it first."));
        if (isBeingRead(attachment)) {
            throw Refusal.conflict("This medium is being read; its session reads its health as well.");
        }
        try (Source source = media.open(attachment.medium(), attachment.expected(), attachment.writeBlock())) {
            return source.health()
                    .orElseThrow(() ->
                            Refusal.conflict("This device gives no health readings by the kernel's interface; upload a "
                                    + "log page, or enter the numbers by hand."));
        }
    }

    /** What the lab would read the attached device with, and why. */
    @Transactional(readOnly = true)
    ProfileAdvice advice(String number) {
        CaseViews.Docket docket = cases.docket(number);
        Map<String, Set<String>> facts = docket.said().facts().stream()
                .collect(Collectors.groupingBy(
                        CaseViews.Fact::code, Collectors.mapping(CaseViews.Fact::value, Collectors.toSet())));
        standing(cases.id(number)).flatMap(a -> readings.latest(a.id())).ifPresent(r -> facts.computeIfAbsent(
                        "bench.health", code -> new HashSet<>())
                .add(r.judgement().grade().word()));
        return ProfileAdvice.of(docket.decision().path(), facts);
    }

    /**
     * A medium as it compares with a case's device.
     *
     * @param meant the best that stands there, and something of its identity speaks for it
     */
    record Standing(Medium medium, IdentityCheck check, String words, boolean meant) {}

    /** Every medium that can be attached, the one that fits the case best first. */
    List<Standing> comparable(String number) throws IOException {
        List<CaseViews.Device> devices = cases.docket(number).said().devices();
        List<Standing> all = new ArrayList<>();
        for (Medium m : media.all()) {
            IdentityCheck check =
                    IdentityCheck.compare(meant(devices, m.identity()).label().identity(), m.identity());
            all.add(new Standing(m, check, check.words(), false));
        }
        int most = all.stream().mapToInt(c -> c.check().weight()).max().orElse(0);
        boolean one = all.stream().filter(c -> c.check().weight() == most).count() == 1;
        return all.stream()
                .map(c -> new Standing(
                        c.medium(),
                        c.check(),
                        c.words(),
                        one && most > 1 && c.check().weight() == most))
                .sorted(Comparator.comparing((Standing c) -> !c.meant())
                        .thenComparing(c -> -c.check().weight())
                        .thenComparing(c -> c.medium().key()))
                .toList();
    }

    /** Which case each attached medium belongs to, by its key. */
    @Transactional(readOnly = true)
    Map<String, String> attachedTo() {
        return attachments.findByDetachedAtIsNullOrderById().stream()
                .collect(Collectors.toMap(Attachment::medium, a -> cases.number(a.caseId()), (a, b) -> b));
    }

    /** Gives the medium back; its image stays. */
    @Transactional
    void detach(String number, String who) {
        Attachment attachment = standing(cases.id(number))
                .orElseThrow(() -> Refusal.conflict("No medium is attached to " + number + "."));
        if (isBeingRead(attachment)) {
            throw Refusal.conflict("This medium is being read; pause that session before detaching it.");
        }
        attachment.detach(clock.instant());
        happenings.tell(number, who, "detached the device", attachment.medium(), Topic.BENCH);
    }

    /** A person says that the medium which vanished is back. */
    void seenAgain(long attachmentId) {
        attachments.findById(attachmentId).orElseThrow().seenAgain();
    }

    /** Whether a session waits for it or reads it. */
    boolean isBeingRead(Attachment attachment) {
        return sessions.existsByAttachmentIdAndStateIn(attachment.id(), WorkState.AT_WORK);
    }

    /** Whether it vanished while a session read it, and is not seen again yet. */
    boolean isGone(Attachment attachment) {
        return sessions.existsByAttachmentIdAndVanishedAtIsNotNullAndState(attachment.id(), WorkState.PAUSED);
    }

    /** The medium that is attached to a case now. */
    Optional<Attachment> standing(long caseId) {
        return attachments.findFirstByCaseIdAndDetachedAtIsNullOrderByIdDesc(caseId);
    }

    /** Which of a case's devices is attached now, by its identity. */
    @Transactional(readOnly = true)
    public Optional<Long> attachedDevice(String number) {
        return standing(cases.id(number)).map(a -> meant(
                        cases.docket(number).said().devices(), a.expected().identity())
                .id());
    }

    @Transactional(readOnly = true)
    Optional<Attachment.View> attachment(String number) {
        return standing(cases.id(number)).map(Attachment::view);
    }
}
