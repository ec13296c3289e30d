package org.brantel.server.closing;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.past.HowEnded;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.copies.CopySearches;
import org.brantel.server.delivery.CustomerDoor;
import org.brantel.server.delivery.Deliveries;
import org.brantel.server.delivery.DeliveryViews;
import org.brantel.server.delivery.Receipts;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.recovery.RecoveryViews;
import org.brantel.server.work.Unfinished;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Closes cases, each with an outcome, and not before it is known what became of every device. */
@Service
public class Closings {

    private final ClosingRows closings;
    private final DeviceEnds ends;
    private final SignedPapers papers;
    private final Cases cases;
    private final Deliveries deliveries;
    private final CopySearches copies;
    private final List<Unfinished> features;
    private final Happenings happenings;
    private final Clock clock;
    private final Settings settings;

    Closings(
            ClosingRows closings,
            DeviceEnds ends,
            SignedPapers papers,
            Cases cases,
            Deliveries deliveries,
            CopySearches copies,
            List<Unfinished> features,
            Happenings happenings,
            Clock clock,
            Settings settings) {
        this.closings = closings;
        this.ends = ends;
        this.papers = papers;
        this.cases = cases;
        this.deliveries = deliveries;
        this.copies = copies;
        this.features = features;
        this.happenings = happenings;
        this.clock = clock;
        this.settings = settings;
    }

    /** With what cases were closed, by their keys; of those that were closed before that was kept nothing is known. */
    @Transactional(readOnly = true)
    public Map<Long, Outcome> outcomes(Collection<Long> caseIds) {
        return closings.findNewest(caseIds).stream()
                .collect(Collectors.toMap(ClosingRow::caseId, r -> r.view().outcome()));
    }

    /**
     * What a customer got at the end.
     *
     * @param stage   in which their case stands since
     * @param outcome with which it was closed; null while it only stands declined, and where that was not kept
     * @param files   what became of the files of the newest sealed delivery; null where none was sealed
     */
    public static HowEnded how(Stage stage, @Nullable Outcome outcome, RecoveryViews.@Nullable Outcome files) {
        if (stage == Stage.DECLINED) {
            return HowEnded.DECLINED;
        }
        return outcome == null
                ? how(files)
                : switch (outcome) {
                    case DELIVERED -> how(files);
                    case COPY_FOUND -> HowEnded.COPY;
                    case NOTHING_RECOVERABLE -> HowEnded.NOTHING;
                    case DECLINED -> HowEnded.DECLINED;
                    case COLLECTED_UNRECOVERED -> HowEnded.COLLECTED;
                };
    }

    private static HowEnded how(RecoveryViews.@Nullable Outcome files) {
        if (files == null) {
            return HowEnded.UNDELIVERED;
        }
        return files.whole() == files.total()
                ? HowEnded.WHOLE
                : files.whole() + files.gapped() + files.doubtful() > 0 ? HowEnded.PARTLY : HowEnded.NOTHING;
    }

    @Transactional(readOnly = true)
    ClosingViews.State state(String number) {
        CaseViews.Docket docket = cases.docket(number);
        long caseId = cases.id(number);
        List<ClosingViews.Device> devices = devices(docket, caseId);
        boolean closed = docket.course().stage() == Stage.CLOSED;
        return new ClosingViews.State(
                devices,
                closed ? List.of() : missing(docket, devices),
                Arrays.stream(Outcome.values())
                        .map(o -> option(o, docket, devices))
                        .toList(),
                papers.of(caseId),
                closed ? standing(caseId).map(ClosingRow::view).orElse(null) : null);
    }

    private Optional<ClosingRow> standing(long caseId) {
        return closings.findFirstByCaseIdAndTakenBackAtIsNullOrderByIdDesc(caseId);
    }

    private Optional<DeviceEnd> standing(long caseId, long device) {
        return ends.findByCaseIdAndTakenBackAtIsNullOrderById(caseId).stream()
                .filter(e -> e.deviceId() == device)
                .findFirst();
    }

    private List<ClosingViews.Device> devices(CaseViews.Docket docket, long caseId) {
        Map<Long, ClosingViews.Disposed> disposed = ends.findByCaseIdAndTakenBackAtIsNullOrderById(caseId).stream()
                .collect(Collectors.toMap(DeviceEnd::deviceId, DeviceEnd::view));
        return docket.said().devices().stream()
                .map(d -> new ClosingViews.Device(
                        d.id(), d.position(), d.name(), d.label().serial(), disposed.get(d.id())))
                .toList();
    }

    private List<String> missing(CaseViews.Docket docket, List<ClosingViews.Device> devices) {
        Stream<String> hold = docket.course().hold() == null
                ? Stream.of()
                : Stream.of(docket.number() + " is on hold; take it up again first.");
        Stream<String> undecided = devices.stream()
                .filter(d -> d.disposed() == null)
                .map(d -> "What becomes of device " + d.position() + ", " + d.name() + ", is not noted.");
        Stream<String> unfinished = features.stream().flatMap(f -> f.of(docket.number()).stream());
        return Stream.of(hold, unfinished, undecided).flatMap(s -> s).toList();
    }

    private ClosingViews.Option option(Outcome outcome, CaseViews.Docket docket, List<ClosingViews.Device> devices) {
        Optional<DeliveryViews.Delivery> sealed = sealed(docket.number());
        Stream<String> delivered = sealed.stream()
                .filter(d -> d.bag().files() > 0)
                .map(d -> "Delivery " + d.id() + " of it is sealed and holds "
                        + (d.bag().files() == 1 ? "a file." : d.bag().files() + " files."));
        return switch (outcome) {
            case DELIVERED ->
                new ClosingViews.Option(
                        outcome,
                        sealed.isPresent() ? List.of() : List.of("No delivery of it is sealed."),
                        sealed.map(d -> d.way().receipt()).isPresent()
                                ? ""
                                : "No receipt was confirmed: how it is known that they have it");
            case COPY_FOUND ->
                new ClosingViews.Option(
                        outcome,
                        copies.isOpened(docket.number())
                                ? List.of()
                                : List.of("No copy is noted as found and opened; note it under copies."),
                        "");
            case NOTHING_RECOVERABLE ->
                new ClosingViews.Option(outcome, delivered.toList(), "What was tried, and why nothing can be had");
            case DECLINED ->
                new ClosingViews.Option(
                        outcome,
                        docket.decision().path() == RecoveryPath.DECLINE
                                ? List.of()
                                : List.of("It was not declined; decide on 'decline' first."),
                        "");
            case COLLECTED_UNRECOVERED ->
                new ClosingViews.Option(
                        outcome,
                        Stream.concat(delivered, uncollected(docket, devices)).toList(),
                        "");
        };
    }

    private Optional<DeliveryViews.Delivery> sealed(String number) {
        return deliveries.ofCase(number).stream()
                .filter(d -> d.state() == DeliveryViews.State.SEALED)
                .findFirst();
    }

    private Stream<String> uncollected(CaseViews.Docket docket, List<ClosingViews.Device> devices) {
        Stream<String> unsigned = papers.of(cases.id(docket.number())).isEmpty()
                ? Stream.of("No signed paper is on record: print it, have it signed, and add it as a PDF.")
                : Stream.of();
        Stream<String> here = devices.stream()
                .filter(d -> d.disposed() != null
                        && d.disposed().disposition() != Disposition.RETURNED
                        && d.disposed().disposition() != Disposition.NEVER_CAME)
                .map(d -> "Device " + d.position() + " was not given back but "
                        + d.disposed().disposition().words() + ".");
        boolean none = devices.stream()
                .noneMatch(d -> d.disposed() != null && d.disposed().disposition() == Disposition.RETURNED);
        return Stream.of(unsigned, here, none ? Stream.of("No device was given back.") : Stream.<String>of())
                .flatMap(s -> s);
    }

    /**
     * Notes what became of some devices, in the stead of what was noted of them before.
     *
     * @param words to whom, how, or why; needed but for a device that never came
     * @throws Refusal for devices of other cases, and for days that do not fit the case
     */
    @Transactional
    void dispose(String number, Collection<Long> some, Disposition what, String words, LocalDate day, String who) {
        CaseViews.Docket docket = cases.docket(number);
        open(docket);
        LocalDate today = LocalDate.now(clock.withZone(settings.zone()));
        LocalDate logged = LocalDate.ofInstant(docket.createdAt(), settings.zone());
        if (day.isAfter(today) || day.isBefore(logged)) {
            throw Refusal.badInput(
                    "day", "The day " + day + " is before the case was logged, or still to come; enter when it was.");
        }
        if (words.isBlank() && what != Disposition.NEVER_CAME) {
            throw Refusal.badInput(
                    "words",
                    switch (what) {
                        case RETURNED -> "Write down to whom it was given, and how they showed who they are.";
                        case DESTROYED -> "Write down who wished it, and how it was done.";
                        default -> "Write down why the lab keeps it, and until when.";
                    });
        }
        long caseId = cases.id(number);
        for (long id : Set.copyOf(some)) {
            CaseViews.Device device = device(docket, id);
            standing(caseId, id).ifPresent(before -> before.takeBack(clock.instant()));
            ClosingViews.Disposed disposed = new ClosingViews.Disposed(what, words.strip(), day, who, clock.instant());
            ends.save(new DeviceEnd(caseId, id, disposed));
            happenings.tell(
                    number,
                    who,
                    "noted what became of device " + device.position(),
                    device.name() + " " + what.words() + " on " + day + (words.isBlank() ? "" : ": " + words.strip()),
                    Topic.CASE);
        }
    }

    /** A device is with the lab again, or was noted by mistake. */
    @Transactional
    void takeDispositionBack(String number, long id, String who) {
        CaseViews.Docket docket = cases.docket(number);
        open(docket);
        CaseViews.Device device = device(docket, id);
        DeviceEnd last = standing(cases.id(number), id)
                .orElseThrow(() -> Refusal.conflict(
                        "Nothing is noted of what became of device " + device.position() + " of " + number + "."));
        last.takeBack(clock.instant());
        happenings.tell(
                number,
                who,
                "took back what became of device " + device.position(),
                last.view().disposition().words() + ": " + last.view().words(),
                Topic.CASE);
    }

    private static void open(CaseViews.Docket docket) {
        if (docket.course().stage() == Stage.CLOSED) {
            throw Refusal.conflict(docket.number() + " is closed; take that back first.");
        }
    }

    private static CaseViews.Device device(CaseViews.Docket docket, long id) {
        return docket.said().devices().stream()
                .filter(d -> d.id() == id)
                .findFirst()
                .orElseThrow(() ->
                        Refusal.badInput("devices", "Device " + id + " does not belong to " + docket.number() + "."));
    }

    /**
     * Closes a case.
     *
     * @throws Refusal while something is missing, naming the first of it
     */
    @Transactional
    void close(String number, Outcome outcome, String words, String who) {
        CaseViews.Docket docket = cases.docket(number);
        open(docket);
        List<ClosingViews.Device> devices = devices(docket, cases.id(number));
        ClosingViews.Option option = option(outcome, docket, devices);
        List<String> lacks = Stream.concat(missing(docket, devices).stream(), option.lacks().stream())
                .toList();
        if (!lacks.isEmpty()) {
            throw Refusal.conflict(number + " cannot be closed yet: " + String.join(" ", lacks));
        }
        if (!option.asks().isEmpty() && words.isBlank()) {
            throw Refusal.badInput("words", "Write it down first. " + option.asks() + ".");
        }
        close(docket, outcome, words.strip(), who);
    }

    private void close(CaseViews.Docket docket, Outcome outcome, String words, String who) {
        String number = docket.number();
        closings.save(new ClosingRow(
                cases.id(number),
                new ClosingViews.Closed(outcome, words, who, clock.instant()),
                docket.course().stage()));
        happenings.tell(number, who, "closed the case: " + outcome.words(), words);
        cases.close(number, who);
    }

    /** Puts a case back where it stood before it was closed. */
    @Transactional
    void takeBack(String number, String who) {
        CaseViews.Docket docket = cases.docket(number);
        ClosingRow last = docket.course().stage() == Stage.CLOSED
                ? standing(cases.id(number)).orElse(null)
                : null;
        if (last == null) {
            throw Refusal.conflict("Nothing is on record by which " + number
                    + " was closed, so it cannot be taken back; decide on a path to open it again.");
        }
        last.takeBack(clock.instant());
        happenings.tell(
                number,
                who,
                "took back that it was closed",
                last.view().outcome().words());
        cases.openAgain(number, last.stageBefore());
    }

    /**
     * The customer confirmed that they have it, and their own check found every file as it was sealed: a case that waits
     * for that, and of which nothing is missing, is over. Any other receipt is for a person to judge.
     */
    @EventListener
    @Transactional
    public void received(Receipts.Received receipt) {
        if (!receipt.allEqual()) {
            return;
        }
        CaseViews.Docket docket = cases.docket(receipt.caseNumber());
        List<ClosingViews.Device> devices = devices(docket, cases.id(receipt.caseNumber()));
        // One that people have moved on since goes on.
        if (docket.course().stage() == Stage.HANDOVER
                && missing(docket, devices).isEmpty()) {
            close(docket, Outcome.DELIVERED, "receipt confirmed by " + receipt.by(), CustomerDoor.CUSTOMER);
        }
    }

    /** Keeps a scan of a paper that the customer signed. */
    @Transactional
    ClosingViews.Paper add(String number, SignedPapers.Kept paper, @Nullable String name, String who) {
        Instant at = clock.instant();
        ClosingViews.Paper kept = papers.add(cases.id(number), paper, name, who, at);
        happenings.tell(number, who, "added a signed paper", kept.name() + ", SHA-256 " + kept.sha256(), Topic.CASE);
        return kept;
    }
}
