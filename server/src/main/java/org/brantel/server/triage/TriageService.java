package org.brantel.server.triage;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.core.estimate.Estimate;
import org.brantel.core.estimate.Estimator;
import org.brantel.core.estimate.Measured;
import org.brantel.core.json.Json;
import org.brantel.core.triage.Movement;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.core.triage.Triage;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CasePaths;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.scan.Scans;
import org.brantel.server.settings.LabSettings;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Ranks, estimates and decides. */
@Service
public class TriageService {

    /**
     * A path was decided on; {@code label} is its name, {@code reason} may be empty.
     *
     * @param device that it is for, as people tell it from the others; null for all that have none of their own
     */
    public record Decided(String caseNumber, @Nullable String device, RecoveryPath path, String label, String reason) {}

    /** The latest decision was taken back. */
    public record Undecided(String caseNumber) {}

    /**
     * What a case's latest decision would be made of today.
     *
     * @param device that it was made for, as people tell it from the others; null for the case
     */
    public record Moved(
            String caseNumber,
            @Nullable String device,
            @Nullable RecoveryPath path,
            Movement movement) {}

    private static final Set<String> BOXES = Set.of("nas", "raid-set");

    private final LabProtocol protocol;
    private final Decisions decisions;
    private final Cases cases;
    private final CasePaths paths;
    private final CaseLists lists;
    private final ImagingRecords imaging;
    private final Scans scans;
    private final LabSettings labSettings;
    private final Happenings happenings;
    private final ApplicationEventPublisher announcer;
    private final Settings settings;
    private final Clock clock;

    TriageService(
            LabProtocol protocol,
            Decisions decisions,
            Cases cases,
            CasePaths paths,
            CaseLists lists,
            ImagingRecords imaging,
            Scans scans,
            LabSettings labSettings,
            Happenings happenings,
            ApplicationEventPublisher announcer,
            Settings settings,
            Clock clock) {
        this.protocol = protocol;
        this.decisions = decisions;
        this.cases = cases;
        this.paths = paths;
        this.lists = lists;
        this.imaging = imaging;
        this.scans = scans;
        this.labSettings = labSettings;
        this.happenings = happenings;
        this.announcer = announcer;
        this.settings = settings;
        this.clock = clock;
    }

    /** The ranking for facts that are still being entered. */
    public Ranking rank(List<CaseForm.Fact> facts) {
        return protocol.triage().rank(protocol.facts(facts));
    }

    /**
     * The ranking for a device of a case as its facts stand; its type is a fact of its own.
     *
     * @param device null for the one that leads
     */
    @Transactional(readOnly = true)
    public Ranking rank(String number, @Nullable Long device) {
        CaseViews.Docket docket = cases.docket(number);
        return rank(docket.stated(docket.device(device)));
    }

    /** The stop rules that hold for any device of a case. */
    @Transactional(readOnly = true)
    public List<Ranking.Stop> stopRules(String number) {
        CaseViews.Docket docket = cases.docket(number);
        return docket.said().devices().stream()
                .flatMap(d -> rank(docket.stated(d)).stopRules().stream())
                .distinct()
                .toList();
    }

    /**
     * @param device of which alone it is; null for all devices of the case together
     * @param path   null for the one that leads
     */
    @Transactional(readOnly = true)
    public Estimate estimate(String number, @Nullable Long device, @Nullable RecoveryPath path) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device of = docket.device(device);
        List<CaseViews.Device> read = device == null ? docket.said().devices() : List.of(of);
        return estimate(
                docket.stated(of),
                path,
                of.type(),
                readable(read.stream()
                        .map(d -> Map.entry(d.type(), d.label().capacity()))
                        .toList()),
                of.brought().attachedBy(),
                docket.course().deadline());
    }

    static boolean isBox(String type) {
        return BOXES.contains(type);
    }

    /** Bytes to be read: of a set its members, not the box that holds them. */
    static long readable(List<Map.Entry<String, Long>> devices) {
        boolean members = devices.stream().anyMatch(d -> !BOXES.contains(d.getKey()));
        return devices.stream()
                .filter(d -> !members || !BOXES.contains(d.getKey()))
                .mapToLong(Map.Entry::getValue)
                .sum();
    }

    /** @param capacity bytes of all devices together; 0 when not known */
    Estimate estimate(
            List<CaseForm.Fact> facts,
            @Nullable RecoveryPath path,
            String medium,
            long capacity,
            String attachedBy,
            @Nullable LocalDate deadline) {
        Triage triage = protocol.triage();
        RecoveryPath meant =
                path == null ? triage.ranking(protocol.facts(facts)).get(0).path() : path;
        List<Measured> history = new ArrayList<>(imaging.measured());
        history.addAll(scans.measured());
        return protocol.estimator()
                .estimate(
                        meant,
                        protocol.facts(facts),
                        new Estimator.Job(medium, capacity, attachedBy, deadline),
                        history,
                        labSettings.prices(),
                        LocalDate.now(clock.withZone(settings.zone())));
    }

    /**
     * Decides on a path. Deciding again what stands already does nothing, as long as the facts say what they said then.
     *
     * @param version of the case, as it was seen
     * @param id      of the device that it is for; null for all of the case that have no path of their own
     * @param reason  needed when the path is not the first of the ranking, or is barred
     */
    @Transactional
    public void decide(
            String number, int version, @Nullable Long id, RecoveryPath path, @Nullable String reason, String who) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device device = docket.device(id);
        // A case with one device has one path.
        Long own = docket.hasSeveral() ? id : null;
        Ranking ranking = rank(docket.stated(device));
        Ranking.Ranked chosen = ranking.ranking().stream()
                .filter(r -> r.path() == path)
                .findFirst()
                .orElseThrow(() ->
                        Refusal.badInput("path", "The protocol in force has no recovery path '" + path.words() + "'."));
        boolean first = ranking.ranking().get(0).path() == path;
        String words = reason == null ? "" : reason.strip();
        // A case that is over is decided anew, also on the path that it had: that opens it again.
        boolean over = !docket.course().stage().isOpen() && path != RecoveryPath.DECLINE;
        CaseViews.Docket.Decision ofCase = docket.decision();
        RecoveryPath stands = own == null ? ofCase.path() : device.way().ownPath();
        String because = own == null ? ofCase.pathReason() : device.way().ownReason();
        boolean again = !over && stands == path && standing(number, own).isPresent();
        if (again
                && (words.isEmpty() || words.equals(because))
                && movedSince(number, own).isEmpty()) {
            return;
        }
        if (chosen.barred() && words.isEmpty()) {
            throw Refusal.badInput(
                    "reason",
                    chosen.label() + " is barred: " + chosen.barredBecause().get(0)
                            + " To take it all the same, write down why.");
        }
        if (!first && words.isEmpty()) {
            throw Refusal.badInput(
                    "reason", chosen.label() + " is not the first of the ranking; write down why you take it.");
        }
        if (docket.course().hold() != null) {
            throw Refusal.conflict(
                    number + " is on hold until " + docket.course().hold().until() + "; take it up again first.");
        }
        CasePaths.Course after = paths.decide(number, version, own, path, words, ranking.protocol(), who);
        decisions.save(new Decision(
                cases.id(number),
                docket,
                own == null ? null : device,
                new Decision.Made(path, words, ranking, estimate(number, own, path), who, clock.instant()),
                after));
        happenings.tell(
                number,
                who,
                "decided on " + chosen.label().toLowerCase(Locale.ROOT)
                        + (own == null ? "" : " for " + device.which())
                        + (first ? "" : ", not the first of the ranking"),
                ranking.protocol() + "; score " + chosen.score() + (words.isEmpty() ? "" : "; reason: " + words));
        if (!again) {
            announcer.publishEvent(
                    new Decided(number, own == null ? null : device.which(), path, chosen.label(), words));
        }
    }

    /** The latest decision for a device, or for the case, that was not taken back. */
    private Optional<Decision> standing(String number, @Nullable Long device) {
        return decisions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(d -> !d.isUndone() && Objects.equals(d.deviceId(), device))
                .findFirst();
    }

    /** Takes the latest decision of a case back, whatever it was for, as long as nothing was done on it. */
    @Transactional
    public void undo(String number, String who) {
        CaseViews.Docket docket = cases.docket(number);
        Decision last = decisions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(d -> !d.isUndone())
                .findFirst()
                .orElseThrow(() -> Refusal.conflict("No decision stands on " + number + ", so there is none to undo."));
        if (docket.course().stage() != last.stageAfter()) {
            throw Refusal.conflict(number + " has gone on since (it is in "
                    + docket.course().stage().word() + "), so its decision cannot be undone; decide anew instead.");
        }
        if (last.deviceId() != null) {
            // It may have been taken off since.
            docket.device(last.deviceId());
        }
        last.undo(clock.instant());
        paths.undecide(number, last.deviceId(), last.wayBefore(), last.completes(), last.stageBefore());
        happenings.tell(
                number,
                who,
                "took the decision back",
                which(docket, last.deviceId()) + last.path().words());
        if (last.path() != last.pathBefore()) {
            announcer.publishEvent(new Undecided(number));
        }
    }

    /** Of a device that may have been taken off since. */
    private static String which(CaseViews.Docket docket, @Nullable Long device) {
        return docket.said().devices().stream()
                .filter(d -> Objects.equals(d.id(), device))
                .map(d -> d.which() + ": ")
                .findFirst()
                .orElse("");
    }

    /** Decisions of a case, newest first. */
    @Transactional(readOnly = true)
    List<Decision.View> history(String number) {
        return decisions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .map(Decision::view)
                .toList();
    }

    /**
     * What has moved since the latest decision for a device that stands; empty when none does, or nothing moved. A
     * decision for the case was made by the facts of its first device, and says nothing of how others moved.
     *
     * @param device null for the one that leads
     */
    @Transactional(readOnly = true)
    Optional<Movement> movedSince(String number, @Nullable Long device) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device of = docket.device(device);
        boolean leads = of.id() == docket.device().id();
        return (docket.hasSeveral() ? standing(number, of.id()) : Optional.<Decision>empty())
                .or(() -> leads ? standing(number, null) : Optional.empty())
                .map(d -> Movement.between(d.ranking(), rank(docket.stated(of))))
                .filter(m -> !m.moves().isEmpty() || !m.newStops().isEmpty());
    }

    /** Which of these cases have moved so far since they were decided that a person should look again. */
    @Transactional(readOnly = true)
    public List<Moved> movedFar(List<String> numbers) {
        Triage triage = protocol.triage();
        Map<Long, String> byId = lists.ids(numbers);
        Map<Long, Instant> changed = lists.factsChanged(byId.keySet());
        // Most cases stand as they were decided; their rankings need not be read.
        List<Long> touched = decisions.findStandingInBrief(byId.keySet()).stream()
                .filter(d -> !d.protocol().equals(triage.name())
                        || changed.getOrDefault(d.caseId(), d.at()).isAfter(d.at()))
                .map(Decision.Brief::id)
                .toList();
        List<Decision> standing = decisions.findAllById(touched);
        Map<String, List<CaseLists.OfDevice>> facts = lists.facts(
                standing.stream().map(d -> byId.get(d.caseId())).distinct().toList());
        return standing.stream()
                .flatMap(d -> {
                    String number = Known.in(byId, d.caseId());
                    return moved(number, d, Known.in(facts, number), triage);
                })
                .filter(m -> m.movement().matters() && m.path() != m.movement().leadsNow())
                .toList();
    }

    /** How the device has moved by whose facts a decision was made; nothing where it goes another way since. */
    private static Stream<Moved> moved(
            String number, Decision decision, List<CaseLists.OfDevice> devices, Triage triage) {
        Long id = decision.deviceId();
        CaseViews.Device first = devices.get(0).device();
        return devices.stream()
                .filter(d -> id == null
                        ? d.device().id() == first.id() && first.way().ownPath() == null
                        : d.device().id() == id && d.device().way().ownPath() != null)
                .map(d -> new Moved(
                        number,
                        id == null || devices.size() == 1 ? null : d.device().which(),
                        decision.path(),
                        Movement.between(
                                decision.ranking(),
                                triage.rankUnasked(LabProtocol.facts(d.facts(), triage.protocol())))));
    }

    /**
     * What another protocol would say of the open cases, by their first devices.
     *
     * @param text the candidate; empty to replay the protocol in force over decisions that were made with another one
     */
    @Transactional(readOnly = true)
    List<Moved> replay(String text) {
        Triage now = protocol.triage();
        Triage candidate = text.isBlank() ? now : LabProtocol.candidate(text);
        List<CaseViews.Summary> open = lists.open();
        Map<String, List<CaseLists.OfDevice>> facts =
                lists.facts(open.stream().map(CaseViews.Summary::number).toList());
        List<Moved> moved = new ArrayList<>();
        Map<Long, String> byId = lists.ids(facts.keySet());
        if (text.isBlank()) {
            decisions.findStanding(byId.keySet()).stream()
                    .filter(d -> !d.protocol().equals(now.name()))
                    .forEach(d -> {
                        String number = Known.in(byId, d.caseId());
                        moved(number, d, Known.in(facts, number), now).forEach(moved::add);
                    });
        } else {
            for (CaseViews.Summary c : open) {
                List<CaseForm.Fact> own = Known.in(facts, c.number()).get(0).facts();
                moved.add(new Moved(
                        c.number(),
                        null,
                        c.path(),
                        Movement.between(
                                now.rankUnasked(LabProtocol.facts(own, now.protocol())),
                                candidate.rankUnasked(LabProtocol.facts(own, candidate.protocol())))));
            }
        }
        return moved.stream()
                .filter(m -> !m.movement().moves().isEmpty()
                        || !m.movement().newStops().isEmpty()
                        || !m.movement().goneStops().isEmpty())
                .sorted(Comparator.comparing((Moved m) -> !m.movement().matters())
                        .thenComparing(Moved::caseNumber))
                .toList();
    }

    /** The protocol in force, as it can be saved, changed and given back. */
    String protocolText() {
        return Json.writePretty(protocol.triage().protocol());
    }
}
