package org.brantel.server.triage;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Ranking;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.staff.Staff;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class TriageController {

    record Asked(@Valid @NotNull List<CaseForm.Fact> facts) { }

    /** @param reason needed when the path is not the first */
    record Decision(@NotBlank(message = "Choose a recovery path.") String path,
                    @Nullable @Size(max = 2000, message = "The reason is longer than 2,000 characters.") String reason, int version) { }

    /** What the forms need to know: the codes, their values, the questions. */
    record Vocabulary(String protocol, List<Protocol.FactCode> facts, List<Protocol.Path> paths) { }

    private final TriageService triage;
    private final Cases cases;
    private final Staff staff;

    TriageController(TriageService triage, Cases cases, Staff staff) {
        this.triage = triage;
        this.cases = cases;
        this.staff = staff;
    }

    @GetMapping("/api/triage/vocabulary")
    Vocabulary vocabulary() {
        Protocol p = triage.protocol();
        return new Vocabulary(p.name() + " " + p.version(), p.facts(), p.paths());
    }

    @PostMapping("/api/triage/ranking")
    Ranking rank(@Valid @RequestBody Asked asked) {
        return triage.rank(asked.facts());
    }

    @GetMapping("/api/cases/{number}/triage")
    Ranking ranking(@PathVariable String number) {
        return triage.rank(cases.docket(number));
    }

    @PostMapping("/api/cases/{number}/triage/decision")
    CaseViews.Docket decide(@PathVariable String number, @Valid @RequestBody Decision decision) {
        triage.decide(number, decision.version(), decision.path(), decision.reason(), staff.current().name());
        return cases.docket(number);
    }
}
