package org.brantel.server.partner;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.bench.Stations;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.settings.LabSettings;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sends devices to partners and takes them back, step by step. Meanwhile the case waits for the partner. */
@Service
class Partners {

    /** What a station measures by itself while it reads is no look at a device that came back. */
    private static final Set<String> NO_CHECK = Set.of("bench.health");

    private final PartnerJobs jobs;
    private final Cases cases;
    private final Stations stations;
    private final LabSettings labSettings;
    private final Happenings happenings;
    private final Settings settings;
    private final Clock clock;

    Partners(
            PartnerJobs jobs,
            Cases cases,
            Stations stations,
            LabSettings labSettings,
            Happenings happenings,
            Settings settings,
            Clock clock) {
        this.jobs = jobs;
        this.cases = cases;
        this.stations = stations;
        this.labSettings = labSettings;
        this.happenings = happenings;
        this.settings = settings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    PartnerViews.State state(String number) {
        CaseViews.Docket docket = cases.docket(number);
        List<PartnerJob> own = jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(number));
        return new PartnerViews.State(
                own.stream().map(PartnerJob::view).toList(),
                docket.said().devices().stream()
                        .map(d -> new PartnerViews.Device(
                                d.id(), d.position(), d.name(), d.label().serial(), stays(docket, d, own)))
                        .toList(),
                labSettings.prices().currency());
    }

    private @Nullable String stays(CaseViews.Docket docket, CaseViews.Device device, List<PartnerJob> own) {
        if (!docket.course().stage().isOpen()) {
            return docket.number() + " is " + docket.course().stage().word() + ".";
        }
        return own.stream()
                .filter(j -> j.deviceId() == device.id() && j.isOut())
                .map(j -> "It is with " + j.partner() + ".")
                .findFirst()
                .orElse(stations.isAttached(device.id()) ? "It is attached; detach it at the bench first." : null);
    }

    /** @param expected the day on which the partner's quote is due */
    @Transactional
    void send(String number, long deviceId, String partner, PartnerViews.Sent sent, LocalDate expected) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device device = docket.said().devices().stream()
                .filter(d -> d.id() == deviceId)
                .findFirst()
                .orElseThrow(() ->
                        Refusal.badInput("deviceId", "Device " + deviceId + " does not belong to " + number + "."));
        String stays = stays(docket, device, jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(number)));
        if (stays != null) {
            throw Refusal.conflict("Device " + device.position() + " cannot be sent: " + stays);
        }
        day("sentOn", sent.on(), LocalDate.ofInstant(docket.createdAt(), settings.zone()), "the case was logged");
        expected(expected, sent.on());
        jobs.save(new PartnerJob(cases.id(number), deviceId, partner, sent, expected));
        told(
                number,
                sent.who(),
                "sent device " + device.position() + " to " + partner,
                device.name() + " on " + sent.on() + "; parcel: " + sent.parcel() + "; condition: " + sent.condition()
                        + "; quote expected by " + expected);
    }

    @Transactional
    void quote(String number, long id, PartnerViews.Quote quote, String who) {
        PartnerJob job = job(number, id);
        if (job.step() != PartnerViews.Step.SENT) {
            throw Refusal.conflict("The quote of this job is on record already; take that back first.");
        }
        day("on", quote.on(), job.lastOn(), "it was sent");
        job.quote(quote);
        told(
                number,
                who,
                "has a quote of " + job.partner(),
                amount(quote.hundredths()) + " on " + quote.on() + ": " + quote.words());
    }

    private String amount(long hundredths) {
        return "%s %d.%02d".formatted(labSettings.prices().currency(), hundredths / 100, hundredths % 100);
    }

    /** @param next the day by which the device is expected back */
    @Transactional
    void answer(String number, long id, PartnerViews.Answer answer, LocalDate next, String who) {
        PartnerJob job = job(number, id);
        if (job.step() != PartnerViews.Step.QUOTED) {
            throw Refusal.conflict(
                    job.step() == PartnerViews.Step.SENT
                            ? job.partner()
                                    + " has not quoted yet, so there is nothing to answer; note the quote first."
                            : "This quote was answered already; take that back first.");
        }
        day("on", answer.on(), job.lastOn(), "it was quoted");
        expected(next, answer.on());
        job.answer(answer, next);
        told(
                number,
                who,
                (answer.approved() ? "approved the quote of " : "refused the quote of ") + job.partner(),
                "by " + answer.by() + " on " + answer.on() + "; back by " + next);
    }

    @Transactional
    void back(String number, long id, PartnerViews.Back back, String who) {
        PartnerJob job = job(number, id);
        if (!job.isOut()) {
            throw Refusal.conflict("This device is back already.");
        }
        day("on", back.on(), job.lastOn(), "the step before it");
        // One that was taken off the intake meanwhile is back all the same.
        Optional<CaseViews.Device> device = cases.docket(number).said().devices().stream()
                .filter(d -> d.id() == job.deviceId())
                .findFirst();
        boolean another = !back.serial().isEmpty()
                && device.filter(d -> !back.serial().equals(d.label().serial())).isPresent();
        job.back(new PartnerViews.Back(
                back.on(), back.condition(), back.done(), back.hundredths(), another ? back.serial() : ""));
        told(
                number,
                who,
                "took " + device.map(d -> "device " + d.position()).orElse("a device") + " back from " + job.partner(),
                "on " + back.on() + "; condition: " + back.condition() + "; done: " + back.done() + "; "
                        + amount(back.hundredths()));
        if (another) {
            cases.bearsSerial(number, job.deviceId(), back.serial(), who);
        }
    }

    /** Takes back what was noted last; a serial that changed with it stays, and is changed in the intake. */
    @Transactional
    void takeLastBack(String number, long id, String who) {
        PartnerJob job = job(number, id);
        boolean again = jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(number)).stream()
                .anyMatch(j -> j.id() > job.id() && j.deviceId().equals(job.deviceId()));
        if (again) {
            throw Refusal.conflict("This device was sent again since; take that back first.");
        }
        String was = job.step().word();
        job.takeLastBack();
        told(number, who, "took back the last step of the job at " + job.partner(), "was: " + was);
    }

    private PartnerJob job(String number, long id) {
        return jobs.findByIdAndCaseIdAndTakenBackFalse(id, cases.id(number))
                .orElseThrow(() -> Refusal.missing("There is no partner job " + id + " in " + number + "."));
    }

    private void day(String field, LocalDate on, LocalDate earliest, String what) {
        if (on.isAfter(today()) || on.isBefore(earliest)) {
            throw Refusal.badInput(
                    field, "The day " + on + " is before " + what + " (" + earliest + "), or still to come.");
        }
    }

    private static void expected(LocalDate day, LocalDate from) {
        if (day.isBefore(from) || day.isAfter(from.plusYears(1))) {
            throw Refusal.badInput("expected", "The partner's next word is expected within a year from then.");
        }
    }

    private LocalDate today() {
        return LocalDate.now(clock.withZone(settings.zone()));
    }

    /**
     * What was done is on record, and the case's clock runs on the partner while all that is worked on is there; what
     * is asked of a single device has a clock of its own.
     */
    private void told(String number, String who, String what, String detail) {
        happenings.tell(number, who, what, detail, Topic.CASE);
        CaseViews.Docket docket = cases.docket(number);
        List<PartnerJob> out = jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(number)).stream()
                .filter(PartnerJob::isOut)
                .toList();
        boolean all = docket.said().devices().stream()
                .filter(d -> docket.pathOf(d) != RecoveryPath.DECLINE)
                .allMatch(d -> out.stream().anyMatch(j -> j.deviceId() == d.id()));
        cases.waitsUntil(
                number,
                !all
                        ? null
                        : out.stream()
                                .filter(j -> j.step() != PartnerViews.Step.QUOTED)
                                .map(PartnerJob::expected)
                                .min(Comparator.naturalOrder())
                                .orElse(null));
    }

    /** Somebody looked at a device of the case on the bench. */
    @EventListener
    @Transactional
    public void observed(Cases.Observed it) {
        if (!NO_CHECK.containsAll(it.codes())) {
            jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(it.caseNumber())).stream()
                    .filter(j -> j.isToCheck() && j.deviceId() == it.device())
                    .forEach(PartnerJob::check);
        }
    }
}
