package org.brantel.server.desk;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.brantel.server.bench.Bench;
import org.brantel.server.bench.ImagingView;
import org.brantel.server.delivery.Deliveries;
import org.brantel.server.delivery.DeliveryViews;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.recovery.Recoveries;
import org.brantel.server.scan.Scans;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class DeskController {

    /**
     * A question that waits for a person.
     *
     * @param place the stage of the docket where it is answered
     * @param since when it came up
     */
    record Decision(String caseNumber, String customer, String question, String reason, String action, String place, Instant since) { }

    /** @param share done, 0 to 1 */
    record Work(String caseNumber, String what, String state, double share, String place) { }

    record Desk(List<Decision> decisions, List<CaseViews.Summary> cases, List<Work> running) { }

    private final Cases cases;
    private final Bench bench;
    private final Scans scans;
    private final Recoveries recoveries;
    private final Deliveries deliveries;

    DeskController(Cases cases, Bench bench, Scans scans, Recoveries recoveries, Deliveries deliveries) {
        this.cases = cases;
        this.bench = bench;
        this.scans = scans;
        this.recoveries = recoveries;
        this.deliveries = deliveries;
    }

    @GetMapping("/api/desk")
    Desk desk() {
        List<CaseViews.Summary> open = cases.open();
        List<Decision> decisions = new ArrayList<>();
        open.forEach(c -> decide(c, decisions));
        decisions.sort(Comparator.comparing(Decision::since));
        return new Desk(decisions, open, running());
    }

    /** Also for the indicator on every screen. */
    @GetMapping("/api/running")
    List<Work> running() {
        List<Work> work = new ArrayList<>();
        for (ImagingView i : bench.unfinished()) {
            if (!i.state().equals("failed")) {
                work.add(new Work(i.caseNumber(), "Reading", i.state(), (double) (i.readBytes() + i.failedBytes()) / i.size(), "imaging"));
            }
        }
        scans.running().forEach(s -> work.add(new Work(s.caseNumber(), "Scanning", s.state(),
                s.total() == 0 ? 0 : (double) s.done() / s.total(), "scanning")));
        recoveries.running().forEach(r -> work.add(new Work(r.caseNumber(), "Recovering", r.state(),
                (double) r.done() / Math.max(1, r.total()), "recovery")));
        return work;
    }

    private void decide(CaseViews.Summary c, List<Decision> decisions) {
        switch (c.stage()) {
            case "received" -> add(decisions, c, "Which recovery path?", "The ranking is ready; a person decides.", "Open triage",
                    "triaged", c.createdAt());
            case "triaged" -> add(decisions, c, "Attach its device and read it?", "The path is decided: "
                    + c.path().replace('-', ' ') + ".", "Open imaging", "imaging", c.createdAt());
            case "imaging" -> bench.sessions(c.number()).stream().findFirst().ifPresent(s -> imaging(c, s, decisions));
            case "selection" -> add(decisions, c, "What is to be recovered?", "The scan is done; the findings wait for a choice.",
                    "Open catalogue", "selection", c.createdAt());
            case "recovery" -> recoveries.runs(c.number()).stream().findFirst().ifPresent(r -> {
                if (r.state().equals("done")) {
                    add(decisions, c, "Seal the delivery?", r.whole() + " whole, " + r.gapped() + " with gaps, " + r.notWritten()
                            + " not written; all read back.", "Open handover", "handover", r.startedAt());
                } else if (r.trouble() != null) {
                    add(decisions, c, "Go on recovering?", r.trouble(), "Open recovery", "recovery", r.startedAt());
                }
            });
            case "handover" -> deliveries.ofCase(c.number()).stream().findFirst().ifPresent(d -> handover(c, d, decisions));
            default -> { }
        }
    }

    private static void imaging(CaseViews.Summary c, ImagingView s, List<Decision> decisions) {
        switch (s.state()) {
            case "paused", "failed" -> add(decisions, c, "Go on reading?", s.trouble() != null ? s.trouble()
                    : "It was paused at " + 100 * s.readBytes() / s.size() + " %; nothing is lost.", "Open imaging", "imaging", s.startedAt());
            case "done" -> add(decisions, c, "Scan the image?", s.failedBytes() == 0 ? "Every byte was read."
                    : s.failedBytes() + " bytes in " + s.failedPlaces() + " places did not read.", "Open scanning", "scanning", s.startedAt());
            default -> { }
        }
    }

    private static void handover(CaseViews.Summary c, DeliveryViews.Delivery d, List<Decision> decisions) {
        if (d.state().equals("failed")) {
            add(decisions, c, "Seal the delivery again?", d.trouble(), "Open handover", "handover", d.sealedAt());
        } else if (d.state().equals("sealed") && d.linkSentAt() == null) {
            add(decisions, c, "Send the link to the customer?", "The bag is sealed and signed.", "Open handover", "handover", d.sealedAt());
        }
    }

    private static void add(List<Decision> decisions, CaseViews.Summary c, String question, String reason, String action,
                            String place, Instant since) {
        decisions.add(new Decision(c.number(), c.customer(), question, reason, action, place, since));
    }
}
