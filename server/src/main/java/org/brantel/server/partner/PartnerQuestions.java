package org.brantel.server.partner;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.brantel.server.protocol.LabProtocol;
import org.springframework.stereotype.Component;

/** What a partner is to be asked, what the customer is, and what came back. */
@Component
class PartnerQuestions implements Asking {

    /** A device of several may need a partner while others are read. */
    private static final Set<Stage> UNDER_WAY =
            Set.of(Stage.RECEIVED, Stage.TRIAGED, Stage.IMAGING, Stage.SCANNING, Stage.SELECTION);

    private static final Action LOOK = Action.open("Open partner", Place.PARTNER);

    private final Cases cases;
    private final CaseLists lists;
    private final PartnerJobs jobs;
    private final LabProtocol protocol;

    PartnerQuestions(Cases cases, CaseLists lists, PartnerJobs jobs, LabProtocol protocol) {
        this.cases = cases;
        this.lists = lists;
        this.jobs = jobs;
        this.protocol = protocol;
    }

    @Override
    public List<Question> about(OpenCases open) {
        List<PartnerJob> pending = jobs.findPending();
        Map<Long, String> numbers =
                cases.numbers(pending.stream().map(PartnerJob::caseId).toList());
        Map<String, List<CaseViews.Device>> devices = lists.devices(numbers.values());
        Stream<Question> asked = pending.stream().flatMap(j -> {
            String number = Known.in(numbers, j.caseId());
            String which = which(devices.getOrDefault(number, List.of()), j.deviceId());
            return open.numbered(number).stream()
                    .flatMap(c -> of(c, j, which))
                    .map(q -> q.named(String.valueOf(j.id())));
        });
        return Stream.concat(unsent(open), asked).toList();
    }

    /** Of several devices which one is meant; nothing where there is one. */
    private static String which(List<CaseViews.Device> devices, long id) {
        return devices.size() < 2
                ? ""
                : devices.stream()
                        .filter(d -> d.id() == id)
                        .map(d -> "Device " + d.position() + ", " + d.name() + ". ")
                        .findFirst()
                        .orElse("");
    }

    /** Devices whose path leads to a partner, and which nobody has sent. */
    private Stream<Question> unsent(OpenCases open) {
        List<CaseViews.Summary> meant = open.all().stream()
                .filter(c -> UNDER_WAY.contains(c.waiting().stage()))
                .filter(c -> c.devices() > 1
                        || c.path() == RecoveryPath.HARDWARE_WORK && c.waiting().stage() == Stage.TRIAGED)
                .toList();
        if (meant.isEmpty()) {
            return Stream.of();
        }
        Map<Long, String> ids = lists.ids(OpenCases.numbers(meant));
        Set<Long> sent = jobs.findDevices(ids.keySet());
        Map<String, List<CaseViews.Device>> devices = lists.devices(OpenCases.severalOf(meant));
        String move = protocol.triage()
                .protocol()
                .path(RecoveryPath.HARDWARE_WORK.word())
                .map(Protocol.Path::firstMove)
                .orElse("");
        return meant.stream().flatMap(c -> {
            List<CaseViews.Device> all = devices.getOrDefault(c.number(), List.of(c.device()));
            List<CaseViews.Device> some = all.stream()
                    .filter(d ->
                            (d.way().ownPath() == null ? c.path() : d.way().ownPath()) == RecoveryPath.HARDWARE_WORK
                                    && !sent.contains(d.id()))
                    .toList();
            return some.isEmpty()
                    ? Stream.of()
                    : Stream.of(question(
                                    c,
                                    "Send the device to the partner?",
                                    "The path is decided: " + RecoveryPath.HARDWARE_WORK.words() + ". " + move)
                            .of(some, all));
        });
    }

    private static Stream<Question> of(CaseViews.Summary c, PartnerJob j, String which) {
        return switch (j.step()) {
            case SENT ->
                Stream.of(question(
                        c,
                        "What does " + j.partner() + " say?",
                        which + "A quote is expected by " + j.expected() + "."));
            case QUOTED ->
                Stream.of(question(c, "Does the customer approve the quote?", which + j.partner() + " has quoted."));
            case APPROVED, REFUSED ->
                Stream.of(question(
                        c, "Is it back from " + j.partner() + "?", which + "Expected by " + j.expected() + "."));
            case BACK ->
                j.isToCheck()
                        ? Stream.of(Question.of(
                                c,
                                "Partner",
                                "Check it on the bench again?",
                                which + "It came back from " + j.partner() + "; nothing else is done with it before.",
                                Place.TRIAGED,
                                Action.open("Open the bench check", Place.TRIAGED)))
                        : Stream.of();
        };
    }

    private static Question question(CaseViews.Summary c, String question, String reason) {
        return Question.of(c, "Partner", question, reason, Place.PARTNER, LOOK);
    }
}
