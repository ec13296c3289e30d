package org.brantel.server.intake;

import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.customers.CustomerViews;
import org.brantel.server.customers.Customers;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.settings.LabSettings;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The lab's cases, one by one; {@link CaseLists} has many at once. */
@Service
public class Cases {

    /** The wanted list of a case was changed; what fits it must be found anew. */
    public record WantedChanged(String caseNumber) {}

    /** The customer agreed to less than before; what was made by looking further must go. */
    public record ConsentNarrowed(String caseNumber) {}

    /** What the bench saw was noted. */
    public record Observed(String caseNumber, long device, Set<String> codes) {}

    /** A case was logged. */
    public record Logged(String caseNumber) {}

    /** It was logged by mistake, and taken back at once. */
    public record TakenBack(String caseNumber) {}

    private final LabCases cases;
    private final Entries entries;
    private final FindIndex index;
    private final CasePaths paths;
    private final CaseCourse course;
    private final ConsentYeses yeses;
    private final IntakeCheck check;
    private final Customers customers;
    private final CustodyService custody;
    private final LabSettings settings;
    private final LabProtocol protocol;
    private final Happenings happenings;
    private final ApplicationEventPublisher announcer;
    private final CaseClock clock;

    Cases(
            LabCases cases,
            Entries entries,
            FindIndex index,
            CasePaths paths,
            CaseCourse course,
            ConsentYeses yeses,
            IntakeCheck check,
            Customers customers,
            CustodyService custody,
            LabSettings settings,
            LabProtocol protocol,
            Happenings happenings,
            ApplicationEventPublisher announcer,
            CaseClock clock) {
        this.cases = cases;
        this.entries = entries;
        this.index = index;
        this.paths = paths;
        this.course = course;
        this.yeses = yeses;
        this.check = check;
        this.customers = customers;
        this.custody = custody;
        this.settings = settings;
        this.protocol = protocol;
        this.happenings = happenings;
        this.announcer = announcer;
        this.clock = clock;
    }

    /**
     * Logs a new case.
     *
     * @return its number
     */
    @Transactional
    public String log(CaseForm form, Staff.Person person) {
        String number = begin(form, person, check.check(form, null, clock.today()));
        announcer.publishEvent(new Logged(number));
        return number;
    }

    /** Logs a case that another lab had before; its deadline may have passed, and nobody is written to. */
    @Transactional
    String takeOver(CaseForm form, Staff.Person person) {
        return begin(form, person, check.check(form, form.deadline(), clock.today()));
    }

    private String begin(CaseForm form, Staff.Person person, List<Long> capacities) {
        String who = person.name();
        Instant now = clock.now();
        LabCase labCase = new LabCase(freeNumber(), person, now);
        labCase.describe(form, customers.take(form.customer()));
        cases.save(labCase);
        List<Long> keys = entries.replaceDevices(labCase, form.devices(), capacities);
        entries.replaceFacts(labCase, form.facts(), keys, who);
        entries.replaceWanted(labCase, form.wanted());
        course.came(labCase, Stage.RECEIVED, now, who);
        happenings.tell(
                labCase.number(),
                who,
                "logged the case",
                form.customer().name().strip() + ": "
                        + form.devices().stream().map(Cases::shortly).collect(Collectors.joining("; "))
                        + "; " + howMany(form),
                Topic.CASE);
        index.of(labCase);
        return labCase.number();
    }

    private static String shortly(CaseForm.Device device) {
        String what = String.join(" ", device.type(), device.make(), device.model());
        String serial = device.serial().isBlank() ? "" : ", serial " + device.serial();
        return what.strip().replaceAll(" +", " ") + serial;
    }

    private static String howMany(CaseForm form) {
        int facts = form.facts().size();
        int wanted = form.wanted().size();
        return facts
                + (facts == 1 ? " fact, " : " facts, ")
                + wanted
                + (wanted == 1 ? " wanted line" : " wanted lines");
    }

    /** Changes what was entered; the old facts stay on record. */
    @Transactional
    public void edit(String number, CaseForm form, String who) {
        LabCase labCase = cases.toEdit(number);
        List<Long> capacities = check.check(form, labCase.deadline(), clock.today());
        labCase.expect(form.version());
        if (form.consent().isWiderThan(labCase.consent())) {
            throw Refusal.badInput(
                    "consent",
                    "Looking further than the customer agreed to takes their yes, with the day and how they "
                            + "said it; record it in the case, not here.");
        }
        boolean narrowed = labCase.consent().isWiderThan(form.consent());
        labCase.describe(form, customers.take(form.customer().of(labCase.customerId())));
        List<Long> keys = entries.replaceDevices(labCase, form.devices(), capacities);
        entries.replaceFacts(labCase, form.facts(), keys, who);
        if (paths.complete(labCase)) {
            paths.moveOn(labCase, who);
        }
        if (entries.replaceWanted(labCase, form.wanted())) {
            announcer.publishEvent(new WantedChanged(number));
        }
        if (narrowed) {
            announcer.publishEvent(new ConsentNarrowed(number));
        }
        happenings.tell(number, who, "changed the intake", howMany(form), Topic.CASE);
        index.of(labCase);
    }

    /** Records the customer's yes to more being looked at. */
    @Transactional
    public void allow(String number, CaseForm.Yes yes, String who) {
        LabCase labCase = cases.toEdit(number);
        if (yes.saidOn().isAfter(clock.today()) || yes.saidOn().isBefore(clock.dayOf(labCase.createdAt()))) {
            throw Refusal.badInput(
                    "saidOn",
                    "The day " + yes.saidOn()
                            + " is before the case was logged, or still to come; enter the day on which they said it.");
        }
        CaseForm.Consent before = labCase.consent();
        CaseForm.Consent after = new CaseForm.Consent(yes.look(), before.told(), before.mail(), before.termsRead());
        if (!after.isWiderThan(before)) {
            throw Refusal.conflict(
                    "The customer agreed to as much already; what they take back is changed in the intake.");
        }
        labCase.allow(yes.look());
        yeses.save(new ConsentYes(labCase.id(), yes, who, clock.now()));
        happenings.tell(
                number,
                who,
                "recorded the customer's yes to " + yes.look(),
                "said by " + yes.saidBy().strip() + ", " + yes.how().strip() + ", on " + yes.saidOn(),
                Topic.CASE);
    }

    /** What the customer said yes to after the intake, newest first. */
    @Transactional(readOnly = true)
    public List<CaseViews.ConsentGiven> allowed(String number) {
        return yeses.findByCaseIdOrderByIdDesc(find(number).id()).stream()
                .map(ConsentYes::view)
                .toList();
    }

    /**
     * Records what was seen of a device on the bench.
     *
     * @param measured codes whose value a station measured by itself
     */
    @Transactional
    public void observe(String number, long device, List<CaseForm.Fact> seen, Set<String> measured, String who) {
        LabCase labCase = cases.toEdit(number);
        protocol.facts(seen);
        Set<String> codes = seen.stream().map(CaseForm.Fact::code).collect(Collectors.toSet());
        CaseViews.Docket docket = docket(number);
        String of = docket.hasSeveral() ? docket.device(device).which() + ": " : "";
        entries.observe(labCase, device, codes, seen, measured, who);
        happenings.tell(
                number,
                who,
                "noted what the bench saw",
                of
                        + seen.stream()
                                .map(f -> protocol.triage().protocol().say(f.code(), f.value())
                                        + (measured.contains(f.code()) ? " (measured)" : ""))
                                .collect(Collectors.joining(", ")),
                Topic.CASE);
        announcer.publishEvent(new Observed(number, device, codes));
    }

    /** @param day on which somebody else's word is due; null when the case waits for nobody else */
    @Transactional
    public void waitsUntil(String number, @Nullable LocalDate day) {
        find(number).waitsUntil(day);
    }

    /** A device bears another serial than it had, as after a new board. */
    @Transactional
    public void bearsSerial(String number, long device, String serial, String who) {
        LabCase labCase = cases.toEdit(number);
        String before = entries.bearsSerial(labCase, device, serial);
        happenings.tell(
                number,
                who,
                "noted another serial of a device",
                (before.isEmpty() ? "none" : before) + " → " + serial,
                Topic.CASE);
        index.of(labCase);
    }

    /**
     * Records what was found out elsewhere than on the bench; the custody record has it from whoever found it out.
     *
     * @param codes of which nothing else is observed from now on
     */
    @Transactional
    public void learned(String number, Set<String> codes, List<CaseForm.Fact> facts, String who) {
        LabCase labCase = cases.toEdit(number);
        protocol.facts(facts);
        entries.observe(labCase, null, codes, facts, Set.of(), who);
        happenings.changed(number, Topic.CASE);
    }

    /**
     * Takes back that a case was logged, as long as nothing came of it. Its number stays on record, closed.
     *
     * @throws Refusal when somebody has gone on with it
     */
    @Transactional
    public void takeBack(String number, String who) {
        LabCase labCase = find(number);
        // Logging is one entry on record; whatever somebody did since is another.
        if (labCase.stage() != Stage.RECEIVED || custody.count(number) > 1) {
            throw Refusal.conflict(
                    number + " has gone on since it was logged, so it cannot be taken back; decline it instead.");
        }
        labCase.takeBack();
        course.moveTo(labCase, Stage.CLOSED, who);
        happenings.tell(number, who, "took back that it was logged", "", Topic.CASE);
        announcer.publishEvent(new TakenBack(number));
    }

    @Transactional
    public void handOver(String number, Staff.Person colleague, String who) {
        LabCase labCase = find(number);
        happenings.tell(
                number,
                who,
                "handed the case over",
                "from " + labCase.owner().name() + " to " + colleague.name(),
                Topic.CASE);
        labCase.handTo(colleague);
    }

    /**
     * Moves a case on with the work on it. One that is on hold, declined or closed stays so, whatever is worked on its
     * image: its device is locked by that, and it takes a person to take the case up again. A held one is then taken up
     * where its work is.
     */
    @Transactional
    public void moveTo(String number, Stage stage, String who) {
        LabCase labCase = find(number);
        if (labCase.stage() == Stage.ON_HOLD) {
            labCase.waitIn(stage);
        } else if (labCase.stage().isOpen()) {
            course.moveTo(labCase, stage, who);
        }
    }

    /** It is over; two people who close it at once do it once. */
    @Transactional
    public void close(String number, String who) {
        course.moveTo(cases.toEdit(number), Stage.CLOSED, who);
    }

    /** Puts a case that was closed back into a stage as if it had never left it. */
    @Transactional
    public void openAgain(String number, Stage before) {
        course.backTo(cases.toEdit(number), before);
        happenings.changed(number, Topic.CASE);
    }

    /**
     * Moves on a case that still stands there; one that people have moved on meanwhile, or set aside, stays where it
     * is.
     */
    @Transactional
    public void moveOn(String number, Stage from, Stage to, String who) {
        LabCase labCase = find(number);
        if (labCase.stage() == from) {
            course.moveTo(labCase, to, who);
        }
    }

    @Transactional(readOnly = true)
    public CaseViews.Docket docket(String number) {
        LabCase c = find(number);
        return new CaseViews.Docket(
                c.number(),
                new CaseViews.Docket.Told(
                        customers.view(c.customerId()),
                        c.contactPerson(),
                        entries.devices(c),
                        c.story(),
                        entries.facts(c),
                        entries.wanted(c),
                        c.consent()),
                new CaseViews.Docket.Course(
                        c.stage(),
                        course.visits(c),
                        c.stageSince(),
                        clock.due(c, settings.clocks()),
                        c.deadline(),
                        c.opensOn(),
                        c.hold()),
                new CaseViews.Docket.Decision(c.owner(), c.path(), c.pathReason(), c.protocol()),
                custody.count(number),
                c.createdAt(),
                c.version());
    }

    /** Facts that were corrected, newest first. */
    @Transactional(readOnly = true)
    public List<CaseViews.Withdrawn> corrected(String number) {
        return entries.corrected(find(number));
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return cases.count() == 0;
    }

    /**
     * The record's own key, for other features' tables.
     *
     * @throws Refusal when there is no such case
     */
    @Transactional(readOnly = true)
    public long id(String number) {
        return find(number).id();
    }

    /**
     * The device of a case that the keys of its catalogue do not name, since they were made before devices were told
     * apart; null for later cases.
     */
    @Transactional(readOnly = true)
    public @Nullable Long untoldDevice(long id) {
        return cases.findById(id).orElseThrow().untoldDevice();
    }

    @Transactional(readOnly = true)
    public String number(long id) {
        return cases.findById(id).orElseThrow().number();
    }

    /** The numbers of cases, by their keys. */
    @Transactional(readOnly = true)
    public Map<Long, String> numbers(Collection<Long> ids) {
        return cases.findAllById(ids).stream().collect(Collectors.toMap(LabCase::id, LabCase::number));
    }

    /** Cases whose findings were held against their wanted lines by older rules. */
    @Transactional(readOnly = true)
    public List<Long> toRefit() {
        return cases.findByRefitTrue().stream().map(LabCase::id).toList();
    }

    /** Holds a case's findings against its wanted lines anew. */
    @Transactional
    public void refit(long id) {
        LabCase labCase = cases.findById(id).orElseThrow();
        announcer.publishEvent(new WantedChanged(labCase.number()));
        labCase.refitted();
    }

    /** Numbers of a customer's cases, newest first. */
    @Transactional(readOnly = true)
    public List<String> ofCustomer(long customer) {
        return cases.findByCustomerIdOrderByIdDesc(customer).stream()
                .map(LabCase::number)
                .toList();
    }

    /** Gives cases to another customer. */
    @Transactional
    public void giveTo(List<String> numbers, CustomerViews.Customer customer, String who) {
        for (LabCase c : cases.findByNumberIn(numbers)) {
            happenings.tell(
                    c.number(),
                    who,
                    "gave the case to another customer record",
                    "from " + c.customerName() + " (" + c.customerId() + ") to " + customer.name() + " ("
                            + customer.id() + ")",
                    Topic.CASE);
            c.isOf(customer.id(), customer.name());
            index.of(c);
        }
    }

    private LabCase find(String number) {
        return cases.byNumber(number);
    }

    private String freeNumber() {
        String month = clock.today().format(DateTimeFormatter.ofPattern("yyMM", Locale.ROOT));
        return "BR-" + month + "-%04d".formatted(cases.nextNumber() % 10_000);
    }
}
