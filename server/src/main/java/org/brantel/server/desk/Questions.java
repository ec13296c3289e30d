package org.brantel.server.desk;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.Triage;
import org.brantel.server.bench.Bench;
import org.brantel.server.bench.IdleHealth;
import org.brantel.server.bench.ImagingView;
import org.brantel.server.delivery.Deliveries;
import org.brantel.server.delivery.DeliveryViews;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.mail.Outbox;
import org.brantel.server.notes.Notes;
import org.brantel.server.platform.Settings;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.recovery.Recoveries;
import org.brantel.server.recovery.RecoveryViews;
import org.brantel.server.staff.Staff;
import org.brantel.server.triage.TriageService;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

/** The questions that open cases put, each with what can be done about it in place. */
@Component
class Questions {

    private static final String OPEN = "open";
    /** A lead of less than this is too close to be taken with one key. */
    private static final int CLEAR_LEAD = 3;

    private final CaseLists lists;
    private final LabProtocol protocol;
    private final TriageService triage;
    private final Bench bench;
    private final Recoveries recoveries;
    private final Deliveries deliveries;
    private final Notes notes;
    private final Outbox outbox;
    private final Settings settings;
    private final Clock clock;
    private final IdleHealth idleHealth;

    Questions(
            CaseLists lists,
            LabProtocol protocol,
            TriageService triage,
            Bench bench,
            Recoveries recoveries,
            Deliveries deliveries,
            Notes notes,
            Outbox outbox,
            Settings settings,
            Clock clock,
            IdleHealth idleHealth) {
        this.lists = lists;
        this.protocol = protocol;
        this.triage = triage;
        this.bench = bench;
        this.recoveries = recoveries;
        this.deliveries = deliveries;
        this.notes = notes;
        this.outbox = outbox;
        this.settings = settings;
        this.clock = clock;
        this.idleHealth = idleHealth;
    }

    /**
     * In no order.
     *
     * @param person whose mentions are among them
     */
    List<DeskViews.Decision> of(List<CaseViews.Summary> open, Staff.Person person) {
        List<DeskViews.Decision> found = new ArrayList<>();
        Map<String, CaseViews.Summary> byNumber =
                open.stream().collect(Collectors.toMap(CaseViews.Summary::number, c -> c));
        received(in(open, "received"), found);
        in(open, "triaged").forEach(c -> triaged(c, found));
        imaging(in(open, "imaging"), found);
        in(open, "selection")
                .forEach(c -> add(
                        found,
                        c,
                        "Selection",
                        "What is to be recovered?",
                        "The scan is done; the findings wait for a choice.",
                        "selection",
                        new DeskViews.Action(OPEN, "Open catalogue", "selection")));
        recovery(in(open, "recovery"), found);
        handover(in(open, "handover"), found);
        held(in(open, "on-hold"), found);
        moved(open, byNumber, found);
        mentions(person, byNumber, found);
        alarms(byNumber, found);
        outbox.failed()
                .forEach(m -> found.add(new DeskViews.Decision(
                        "mail-" + m.id(),
                        m.caseNumber(),
                        m.recipient(),
                        "Outbox",
                        "Write to the customer again?",
                        "The message was tried " + m.tries() + " times: " + m.trouble(),
                        "received",
                        m.queuedAt(),
                        null,
                        List.of(
                                new DeskViews.Action("retry-mail", "Try again", Long.toString(m.id())),
                                new DeskViews.Action(OPEN, "Open the case", "received")))));
        return found;
    }

    private static List<CaseViews.Summary> in(List<CaseViews.Summary> open, String stage) {
        return open.stream().filter(c -> c.stage().equals(stage)).toList();
    }

    private static void add(
            List<DeskViews.Decision> found,
            CaseViews.Summary c,
            String kind,
            String question,
            String reason,
            String place,
            DeskViews.Action... actions) {
        found.add(new DeskViews.Decision(
                c.number() + "-" + kind,
                c.number(),
                c.customer(),
                kind,
                question,
                reason,
                place,
                c.stageSince(),
                c.due(),
                List.of(actions)));
    }

    private void received(List<CaseViews.Summary> cases, List<DeskViews.Decision> found) {
        Map<String, List<CaseForm.Fact>> facts =
                lists.facts(cases.stream().map(CaseViews.Summary::number).toList());
        Triage ranks = protocol.triage();
        for (CaseViews.Summary c : cases) {
            List<Ranking.Ranked> ranking = ranks.ranking(protocol.facts(facts.get(c.number())));
            Ranking.Ranked first = ranking.get(0);
            Ranking.Ranked second = ranking.get(1);
            DeskViews.Action look = new DeskViews.Action(OPEN, "Open triage", "triaged");
            int lead = first.score() - second.score();
            if (first.barred() || first.score() <= 0) {
                add(
                        found,
                        c,
                        "Path",
                        "Which recovery path?",
                        "The facts do not speak for any path yet; ask more.",
                        "triaged",
                        look);
            } else if (lead >= CLEAR_LEAD || second.barred()) {
                add(
                        found,
                        c,
                        "Path",
                        first.label() + "?",
                        "It leads by "
                                + (second.barred()
                                        ? "far; the others are barred"
                                        : lead + " over " + second.label().toLowerCase(Locale.ROOT))
                                + ". " + first.speaksFor().get(0).reason(),
                        "triaged",
                        new DeskViews.Action("decide", "Take it", first.path()),
                        look);
            } else {
                add(
                        found,
                        c,
                        "Path",
                        first.label() + ", or " + second.label().toLowerCase(Locale.ROOT) + "?",
                        (lead == 0 ? "They are level" : lead == 1 ? "One point apart" : lead + " points apart")
                                + "; one more answer settles it.",
                        "triaged",
                        look);
            }
        }
    }

    /** What is next depends on the path: a device that must not be powered is not attached. */
    private void triaged(CaseViews.Summary c, List<DeskViews.Decision> found) {
        String firstMove = protocol.triage()
                .protocol()
                .path(c.path())
                .map(Protocol.Path::firstMove)
                .orElse("");
        String decided = "The path is decided: " + c.path().replace('-', ' ') + ". " + firstMove;
        switch (c.path()) {
            case "hardware-work" ->
                add(
                        found,
                        c,
                        "Partner",
                        "What does the partner's bench say?",
                        decided,
                        "triaged",
                        new DeskViews.Action("hold-week", "Hold a week", "Waits for the partner's bench."),
                        new DeskViews.Action(OPEN, "Open the case", "notes"));
            case "existing-copy" ->
                add(
                        found,
                        c,
                        "Copy",
                        "Was the copy found?",
                        decided,
                        "triaged",
                        new DeskViews.Action(
                                "hold-week", "Hold a week", "Waits until the customer has looked for the copy."),
                        new DeskViews.Action(OPEN, "Open the case", "notes"));
            case "unlock-first" ->
                add(
                        found,
                        c,
                        "Key",
                        "Is the key there?",
                        decided,
                        "triaged",
                        new DeskViews.Action("hold-week", "Hold a week", "Waits for the key."),
                        new DeskViews.Action(OPEN, "Open the case", "notes"));
            default ->
                add(
                        found,
                        c,
                        "Bench",
                        "Attach its device and read it?",
                        decided,
                        "imaging",
                        new DeskViews.Action(OPEN, "Open imaging", "imaging"));
        }
    }

    private void imaging(List<CaseViews.Summary> cases, List<DeskViews.Decision> found) {
        Map<String, ImagingView> newest = bench.newest(
                lists.ids(cases.stream().map(CaseViews.Summary::number).toList()));
        for (CaseViews.Summary c : cases) {
            ImagingView s = newest.get(c.number());
            if (s == null) {
                continue;
            }
            switch (s.state()) {
                case PAUSED, FAILED -> paused(c, s, found);
                case RUNNING -> resting(c, s, found);
                case DONE ->
                    add(
                            found,
                            c,
                            "Imaging",
                            "Scan the image?",
                            s.failedBytes() == 0
                                    ? "Every byte was read."
                                    : s.failedBytes() + " bytes in " + s.failedPlaces() + " places did not read.",
                            "scanning",
                            new DeskViews.Action("scan", "Scan it", "both"),
                            new DeskViews.Action(OPEN, "Open scanning", "scanning"));
                default -> {}
            }
        }
    }

    private static void paused(CaseViews.Summary c, ImagingView s, List<DeskViews.Decision> found) {
        String id = Long.toString(s.id());
        String so = share(s) + " is read; nothing is lost.";
        DeskViews.Action open = new DeskViews.Action(OPEN, "Open imaging", "imaging");
        if (s.reached() != null) {
            add(
                    found,
                    c,
                    "Limit",
                    "Go on past the limit?",
                    s.trouble() + " " + so,
                    "imaging",
                    new DeskViews.Action("resume", "Go on", id),
                    new DeskViews.Action("enough", "End with what is read", id),
                    open);
        } else if (s.vanished()) {
            add(
                    found,
                    c,
                    "Imaging",
                    "Is its device back?",
                    s.trouble() + " When it is, reading goes on by itself.",
                    "imaging",
                    new DeskViews.Action("resume", "Go on", id),
                    open);
        } else {
            add(
                    found,
                    c,
                    "Imaging",
                    "Go on reading?",
                    s.trouble() != null ? s.trouble() : "It was paused; " + so,
                    "imaging",
                    new DeskViews.Action("resume", "Go on", id),
                    open);
        }
    }

    private static void resting(CaseViews.Summary c, ImagingView s, List<DeskViews.Decision> found) {
        if (s.resting() != null) {
            add(
                    found,
                    c,
                    "Rest",
                    "Let it rest?",
                    s.resting() + " " + share(s) + " is read; the device stays attached.",
                    "imaging",
                    new DeskViews.Action("work", "Read on now", Long.toString(s.id())),
                    new DeskViews.Action(OPEN, "Open imaging", "imaging"));
        }
    }

    private static String share(ImagingView s) {
        return 100 * s.readBytes() / s.size() + " %";
    }

    private void recovery(List<CaseViews.Summary> cases, List<DeskViews.Decision> found) {
        Map<String, RecoveryViews.Run> newest = recoveries.newest(
                lists.ids(cases.stream().map(CaseViews.Summary::number).toList()));
        for (CaseViews.Summary c : cases) {
            RecoveryViews.Run r = newest.get(c.number());
            if (r != null && r.state() == WorkState.DONE) {
                add(
                        found,
                        c,
                        "Recovery",
                        "Seal the delivery?",
                        r.whole() + " whole, " + r.gapped() + " with gaps, " + r.doubtful() + " in doubt, "
                                + r.notWritten() + " not written; all read back.",
                        "handover",
                        new DeskViews.Action(OPEN, "Open handover", "handover"));
            } else if (r != null && r.trouble() != null) {
                add(
                        found,
                        c,
                        "Recovery",
                        "Go on recovering?",
                        r.trouble(),
                        "recovery",
                        new DeskViews.Action(OPEN, "Open recovery", "recovery"));
            }
        }
    }

    private void handover(List<CaseViews.Summary> cases, List<DeskViews.Decision> found) {
        Map<String, DeliveryViews.Delivery> newest = deliveries.newest(
                lists.ids(cases.stream().map(CaseViews.Summary::number).toList()));
        for (CaseViews.Summary c : cases) {
            DeliveryViews.Delivery d = newest.get(c.number());
            if (d != null && d.state() == DeliveryViews.State.FAILED) {
                add(
                        found,
                        c,
                        "Handover",
                        "Seal the delivery again?",
                        d.trouble(),
                        "handover",
                        new DeskViews.Action(OPEN, "Open handover", "handover"));
            } else if (d != null && d.state() == DeliveryViews.State.SEALED && d.linkSentAt() == null) {
                add(
                        found,
                        c,
                        "Handover",
                        "Send the link to the customer?",
                        "The bag is sealed and signed.",
                        "handover",
                        new DeskViews.Action(OPEN, "Open handover", "handover"));
            }
        }
    }

    private void held(List<CaseViews.Summary> cases, List<DeskViews.Decision> found) {
        LocalDate today = LocalDate.now(clock.withZone(settings.zone()));
        cases.stream()
                .filter(c -> c.hold() != null && !c.hold().until().isAfter(today))
                .forEach(c -> add(
                        found,
                        c,
                        "Hold",
                        "Take it up again?",
                        "Its wait is over: " + c.hold().reason(),
                        c.hold().from(),
                        new DeskViews.Action("wake", "Take it up", ""),
                        new DeskViews.Action(
                                "hold-week", "A week more", c.hold().reason())));
    }

    private void moved(
            List<CaseViews.Summary> open, Map<String, CaseViews.Summary> byNumber, List<DeskViews.Decision> found) {
        List<String> decided = open.stream()
                .filter(c -> c.path() != null && c.hold() == null)
                .map(CaseViews.Summary::number)
                .toList();
        for (TriageService.Moved m : triage.movedFar(decided)) {
            CaseViews.Summary c = byNumber.get(m.caseNumber());
            String now = m.movement().leadsNow() == null
                    ? "no path is open"
                    : m.movement().leadsNow().replace('-', ' ') + " leads now";
            add(
                    found,
                    c,
                    "Moved",
                    "Still " + m.path().replace('-', ' ') + "?",
                    "The facts have changed since it was decided: " + now
                            + (m.movement().newStops().isEmpty() ? "." : ", and a stop rule came up."),
                    "triaged",
                    new DeskViews.Action(OPEN, "Open triage", "triaged"));
        }
    }

    private void alarms(Map<String, CaseViews.Summary> byNumber, List<DeskViews.Decision> found) {
        idleHealth.alarms().stream()
                .filter(a -> byNumber.containsKey(a.caseNumber()))
                .forEach(a -> add(
                        found,
                        byNumber.get(a.caseNumber()),
                        "Health",
                        a.failing() ? "Detach it, or read it now?" : "How gently is it read?",
                        a.sentence() + " It stands attached and idle.",
                        "imaging",
                        new DeskViews.Action(OPEN, "Open imaging", "imaging")));
    }

    private void mentions(
            Staff.Person person, Map<String, CaseViews.Summary> byNumber, List<DeskViews.Decision> found) {
        for (Notes.Unseen u : notes.unseenBy(person.login())) {
            CaseViews.Summary c = byNumber.get(u.caseNumber());
            Instant due = c == null ? null : c.due();
            found.add(new DeskViews.Decision(
                    "mention-" + u.mentionId(),
                    u.caseNumber(),
                    c == null ? "" : c.customer(),
                    "Note",
                    u.who() + " asks for you",
                    u.words().length() > 220 ? u.words().substring(0, 220) + "…" : u.words(),
                    "received",
                    u.at(),
                    due,
                    List.of(
                            new DeskViews.Action("seen", "Seen", Long.toString(u.mentionId())),
                            new DeskViews.Action(OPEN, "Open the case", "received"))));
        }
    }
}
