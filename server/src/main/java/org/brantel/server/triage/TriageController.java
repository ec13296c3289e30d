package org.brantel.server.triage;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.brantel.core.estimate.Estimate;
import org.brantel.core.spoken.Capacity;
import org.brantel.core.triage.Movement;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Refusal;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.staff.ManagersOnly;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class TriageController {

    record Asked(@NotNull List<CaseForm.@Valid Fact> facts) {}

    /** A device as it is being entered; a capacity that cannot be read yet counts as not known. */
    record AskedDevice(
            @NotBlank(message = "The device's type is missing.")
            String type,

            @NotNull String capacity,
            @NotNull String attachedBy) {}

    /** @param path the one that is meant; absent for the one that leads */
    record AskedEstimate(
            @NotNull List<CaseForm.@Valid Fact> facts,
            @NotEmpty List<@NotNull @Valid AskedDevice> devices,
            @Nullable LocalDate deadline,
            @Nullable RecoveryPath path) {}

    /**
     * @param device that it is for; absent for all of the case that have no path of their own
     * @param reason needed when the path is not the first
     */
    record NewDecision(
            @Nullable Long device,
            @NotNull(message = "Choose a recovery path.") RecoveryPath path,

            @Nullable @Size(max = 2000, message = "The reason is longer than 2,000 characters.")
            String reason,

            int version) {}

    /** What the forms need to know: the codes, their values, the questions. */
    record Vocabulary(String protocol, List<Protocol.FactCode> facts, List<PathWords> paths) {}

    /**
     * A recovery path as the protocol in force words it.
     *
     * @param firstMove        what is done first on it
     * @param startsAtTheBench whether it begins with attaching the device
     */
    record PathWords(String code, String label, String firstMove, boolean startsAtTheBench) {

        static PathWords of(Protocol.Path path) {
            return new PathWords(
                    path.code(),
                    path.label(),
                    path.firstMove(),
                    RecoveryPath.ofWord(path.code())
                            .map(RecoveryPath::startsAtTheBench)
                            .orElse(false));
        }
    }

    /** @param moved since the decision that stands; absent when nothing did */
    record History(List<Decision.View> decisions, @Nullable Movement moved) {}

    record Candidate(
            @NotNull @Size(max = 1_000_000, message = "A protocol is not longer than a million characters.")
            String protocol) {}

    private final TriageService triage;
    private final LabProtocol protocol;
    private final Cases cases;
    private final Staff staff;

    TriageController(TriageService triage, LabProtocol protocol, Cases cases, Staff staff) {
        this.triage = triage;
        this.protocol = protocol;
        this.cases = cases;
        this.staff = staff;
    }

    @GetMapping("/api/triage/vocabulary")
    Vocabulary vocabulary() {
        Protocol p = protocol.triage().protocol();
        return new Vocabulary(
                protocol.triage().name(),
                p.facts(),
                p.paths().stream().map(PathWords::of).toList());
    }

    @PostMapping("/api/triage/ranking")
    Ranking rank(@Valid @RequestBody Asked asked) {
        return triage.rank(asked.facts());
    }

    @PostMapping("/api/triage/estimate")
    Estimate estimate(@Valid @RequestBody AskedEstimate asked) {
        long capacity = TriageService.readable(asked.devices().stream()
                .map(d -> Map.entry(d.type(), bytes(d.capacity())))
                .toList());
        return triage.estimate(
                asked.facts(),
                asked.path(),
                asked.devices().get(0).type(),
                capacity,
                asked.devices().get(0).attachedBy(),
                asked.deadline());
    }

    private static long bytes(String capacity) {
        try {
            return Capacity.parse(capacity);
        } catch (Capacity.NotACapacity e) {
            return 0;
        }
    }

    @GetMapping("/api/cases/{number}/triage")
    Ranking ranking(@PathVariable String number, @RequestParam @Nullable Long device) {
        return triage.rank(number, device);
    }

    @GetMapping("/api/cases/{number}/triage/estimate")
    Estimate estimateOf(
            @PathVariable String number,
            @RequestParam @Nullable Long device,
            @RequestParam(defaultValue = "") String path) {
        RecoveryPath asked = path.isEmpty()
                ? null
                : RecoveryPath.ofWord(path)
                        .orElseThrow(() -> Refusal.badInput("path", "There is no recovery path '" + path + "'."));
        return triage.estimate(number, device, asked);
    }

    @GetMapping("/api/cases/{number}/triage/history")
    History history(@PathVariable String number, @RequestParam @Nullable Long device) {
        return new History(
                triage.history(number), triage.movedSince(number, device).orElse(null));
    }

    @PostMapping("/api/cases/{number}/triage/decision")
    CaseViews.Docket decide(@PathVariable String number, @Valid @RequestBody NewDecision decision) {
        triage.decide(
                number,
                decision.version(),
                decision.device(),
                decision.path(),
                decision.reason(),
                staff.current().name());
        return cases.docket(number);
    }

    @PostMapping("/api/cases/{number}/triage/undo")
    CaseViews.Docket undo(@PathVariable String number) {
        triage.undo(number, staff.current().name());
        return cases.docket(number);
    }

    @GetMapping(path = "/api/triage/protocol", produces = MediaType.TEXT_PLAIN_VALUE)
    String protocol() {
        return triage.protocolText();
    }

    /** What another protocol would change; an empty one replays the protocol in force over older decisions. */
    @PostMapping("/api/triage/replay")
    List<TriageService.Moved> replay(@Valid @RequestBody Candidate candidate) {
        return triage.replay(candidate.protocol());
    }

    @ManagersOnly
    @PostMapping("/api/triage/adopt")
    Vocabulary adopt(@Valid @RequestBody Candidate candidate) {
        if (candidate.protocol().isBlank()) {
            throw Refusal.badInput("protocol", "There is no protocol to adopt; choose its file first.");
        }
        protocol.adopt(candidate.protocol(), staff.current().name());
        return vocabulary();
    }
}
