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
import org.brantel.core.source.Identity;
import org.brantel.core.source.IdentityCheck;
import org.brantel.core.source.Source;
import org.brantel.core.triage.ProfileAdvice;
import org.brantel.server.health.HealthReadings;
import org.brantel.server.intake.CaseForm;
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

/** Which medium stands for which case: compared, asked a few things, given back. */
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

    /**
     * Compares a medium with a device of a case, without attaching it.
     *
     * @param device null for the one that the medium is likeliest to be
     */
    IdentityCheck compare(String number, @Nullable Long device, String medium) throws IOException {
        Identity found = media.identity(medium);
        CaseViews.Docket docket = cases.docket(number);
        return compare(device == null ? meant(docket.said().devices(), found) : docket.device(device), found);
    }

    static IdentityCheck compare(CaseViews.Device device, Identity found) {
        return IdentityCheck.compare(device.label().identity(), found);
    }

    /**
     * Which of a case's devices a medium is: the one whose serial it has, else the first that it may be, else the lead.
     */
    static CaseViews.Device meant(List<CaseViews.Device> devices, Identity found) {
        return withSerial(devices, found).stream()
                .findFirst()
                .or(() -> devices.stream()
                        .filter(d -> compare(d, found).matches())
                        .findFirst())
                .orElse(devices.get(0));
    }

    static List<CaseViews.Device> withSerial(List<CaseViews.Device> devices, Identity found) {
        return devices.stream()
                .filter(d -> compare(d, found).lines().stream()
                        .anyMatch(l ->
                                l.what() == IdentityCheck.What.SERIAL && l.verdict() == IdentityCheck.Verdict.EQUAL))
                .toList();
    }

    /**
     * The medium that stands for a device of a case.
     *
     * @param device null for the only one that stands attached, else for the case's first
     * @throws Refusal when none does
     */
    private Attachment attached(String number, @Nullable Long device, String otherwise) {
        return standing(number, device)
                .orElseThrow(() -> Refusal.conflict("No medium is attached to " + number + otherwise));
    }

    /** What the station can tell by itself about the medium that is attached to a case. */
    List<FirstLook.Seen> firstLook(String number, @Nullable Long device) throws IOException {
        locks.touch(number);
        Attachment attachment = attached(
                number, device, ", so the station has nothing to measure; attach it, or fill the form in by hand.");
        locks.touch(number, attachment.deviceId());
        if (isBeingRead(attachment)) {
            throw Refusal.conflict("This medium is being read already; its own session tells more than a first look.");
        }
        try (Source source = media.open(attachment.medium(), attachment.expected(), attachment.writeBlock())) {
            return FirstLook.at(
                    source,
                    cases.docket(number).device(attachment.deviceId()).label().identity());
        }
    }

    /** Where a health reading of an attached device belongs. */
    HealthReadings.Place place(String number, @Nullable Long device) {
        Attachment attachment =
                attached(number, device, ", so there is nothing that a reading could be of; attach it first.");
        return new HealthReadings.Place(number, attachment.caseId(), attachment.deviceId(), attachment.id(), null);
    }

    /** What an attached device says of its own health. */
    HealthReading askHealth(String number, @Nullable Long device) throws IOException {
        Attachment attachment = attached(number, device, "; attach it first.");
        locks.touch(number, attachment.deviceId());
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

    /** What the lab would read a device with, and why. */
    @Transactional(readOnly = true)
    ProfileAdvice advice(String number, @Nullable Long id) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device device = docket.device(id);
        Map<String, Set<String>> facts = docket.stated(device).stream()
                .collect(Collectors.groupingBy(
                        CaseForm.Fact::code, Collectors.mapping(CaseForm.Fact::value, Collectors.toSet())));
        standing(device.id()).flatMap(a -> readings.latest(a.id())).ifPresent(r -> facts.computeIfAbsent(
                        "bench.health", code -> new HashSet<>())
                .add(r.judgement().grade().word()));
        return ProfileAdvice.of(docket.pathOf(device), facts);
    }

    /**
     * A medium as it compares with a case's device.
     *
     * @param meant the best that stands there, and something of its identity speaks for it
     */
    record Standing(Medium medium, IdentityCheck check, String words, boolean meant) {}

    /**
     * Every medium that can be attached, the one that fits best first.
     *
     * @param device that they are held against; null for the one that each is likeliest to be
     */
    List<Standing> comparable(String number, @Nullable Long device) throws IOException {
        CaseViews.Docket docket = cases.docket(number);
        List<Standing> all = new ArrayList<>();
        for (Medium m : media.all()) {
            IdentityCheck check = compare(
                    device == null ? meant(docket.said().devices(), m.identity()) : docket.device(device),
                    m.identity());
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

    /** For which device of which case a medium stands. */
    record For(String caseNumber, long device) {}

    /** For what each attached medium stands, by its key. */
    @Transactional(readOnly = true)
    Map<String, For> attachedTo() {
        return attachments.findByDetachedAtIsNullOrderById().stream()
                .collect(Collectors.toMap(
                        Attachment::medium, a -> new For(cases.number(a.caseId()), a.deviceId()), (a, b) -> b));
    }

    /** Gives a medium back; its image stays. */
    @Transactional
    void detach(String number, @Nullable Long device, String who) {
        Attachment attachment = attached(number, device, ".");
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

    /** The medium that is attached as a device now. */
    Optional<Attachment> standing(long device) {
        return attachments.findFirstByDeviceIdAndDetachedAtIsNullOrderByIdDesc(device);
    }

    /**
     * The medium that is attached as a device of a case now.
     *
     * @param device null for the only one that stands attached, else for the case's first
     */
    Optional<Attachment> standing(String number, @Nullable Long device) {
        CaseViews.Docket docket = cases.docket(number);
        if (device != null) {
            return standing(docket.device(device).id());
        }
        List<Attachment> all = attachments.findByCaseIdAndDetachedAtIsNullOrderById(cases.id(number));
        return all.size() == 1
                ? all.stream().findFirst()
                : standing(docket.device().id());
    }

    /** Whether a medium stands attached as this device. */
    @Transactional(readOnly = true)
    public boolean isAttached(long device) {
        return attachments.existsByDeviceIdAndDetachedAtIsNull(device);
    }

    @Transactional(readOnly = true)
    Optional<Attachment.View> attachment(String number, @Nullable Long device) {
        return standing(number, device).map(Attachment::view);
    }

    /** The media that stand attached for a case, by the device that each stands for. */
    @Transactional(readOnly = true)
    public Map<Long, String> attachedMedia(String number) {
        return attachments.findByCaseIdAndDetachedAtIsNullOrderById(cases.id(number)).stream()
                .collect(Collectors.toMap(Attachment::deviceId, Attachment::medium, (a, b) -> b));
    }
}
