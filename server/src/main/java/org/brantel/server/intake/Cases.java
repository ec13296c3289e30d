package org.brantel.server.intake;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.carve.Kinds;
import org.brantel.core.triage.Facts;
import org.brantel.core.triage.Protocol;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The lab's cases. */
@Service
public class Cases {

    /** The wanted list of a case was changed; what fits it must be found anew. */
    public record WantedChanged(String caseNumber) { }

    private static final Protocol PROTOCOL = Protocol.current();

    private final LabCases cases;
    private final Devices devices;
    private final FactRows facts;
    private final WantedRows wanted;
    private final StageRows stages;
    private final CustodyService custody;
    private final Events events;
    private final ApplicationEventPublisher announcer;
    private final Settings settings;
    private final Clock clock;

    Cases(LabCases cases, Devices devices, FactRows facts, WantedRows wanted, StageRows stages, CustodyService custody,
          Events events, ApplicationEventPublisher announcer, Settings settings, Clock clock) {
        this.cases = cases;
        this.devices = devices;
        this.facts = facts;
        this.wanted = wanted;
        this.stages = stages;
        this.custody = custody;
        this.events = events;
        this.announcer = announcer;
        this.settings = settings;
        this.clock = clock;
    }

    /** Logs a new case. @return its number */
    @Transactional
    public String log(CaseForm form, String who) {
        long capacity = check(form);
        LabCase labCase = new LabCase(freeNumber(), who, clock.instant());
        labCase.describe(form.customer(), form.story());
        cases.save(labCase);
        DeviceRecord device = new DeviceRecord(labCase.id());
        device.describe(form.device(), capacity);
        devices.save(device);
        form.facts().forEach(f -> facts.save(new FactRow(labCase.id(), f.code(), f.value(), f.source(), who, clock.instant())));
        form.wanted().forEach(w -> wanted.save(new WantedRow(labCase.id(), w)));
        stages.save(new StageRow(labCase.id(), Stage.RECEIVED, clock.instant(), who));
        custody.record(labCase.number(), who, "logged the case", form.customer().name().strip() + ": " + form.device().type()
                + " " + form.device().make() + " " + form.device().model() + ", serial " + form.device().serial()
                + ", " + form.facts().size() + " facts, " + form.wanted().size() + " wanted lines");
        events.changed(labCase.number(), "case");
        return labCase.number();
    }

    /** Changes what was entered; the old facts stay on record. */
    @Transactional
    public void edit(String number, CaseForm form, String who) {
        long capacity = check(form);
        LabCase labCase = cases.findForEdit(number).orElseThrow(() -> missing(number));
        expectVersion(labCase, form.version());
        labCase.describe(form.customer(), form.story());
        deviceOf(labCase).describe(form.device(), capacity);
        replaceFacts(labCase, form.facts(), who);
        if (replaceWanted(labCase, form.wanted())) {
            announcer.publishEvent(new WantedChanged(number));
        }
        custody.record(number, who, "changed the intake", form.facts().size() + " facts, " + form.wanted().size() + " wanted lines");
        events.changed(number, "case");
    }

    private void replaceFacts(LabCase labCase, List<CaseForm.Fact> given, String who) {
        Set<CaseForm.Fact> wantedNow = Set.copyOf(given);
        Set<CaseForm.Fact> standing = facts.findByCaseIdAndWithdrawnFalseOrderById(labCase.id()).stream().filter(row -> {
            CaseViews.Fact f = row.view();
            boolean stays = wantedNow.contains(new CaseForm.Fact(f.code(), f.value(), f.source()));
            if (!stays) {
                row.withdraw();
            }
            return stays;
        }).map(row -> new CaseForm.Fact(row.view().code(), row.view().value(), row.view().source())).collect(Collectors.toSet());
        given.stream().filter(f -> !standing.contains(f)).forEach(f ->
                facts.save(new FactRow(labCase.id(), f.code(), f.value(), f.source(), who, clock.instant())));
    }

    /** @return whether anything changed */
    private boolean replaceWanted(LabCase labCase, List<CaseForm.Wanted> given) {
        List<CaseForm.Wanted> standing = wanted.findByCaseIdOrderById(labCase.id()).stream().map(WantedRow::line)
                .map(l -> new CaseForm.Wanted(l.words(), l.kinds(), l.pattern(), l.hopedFor(), l.mustHave())).toList();
        if (!standing.equals(given)) {
            wanted.deleteAll(wanted.findByCaseIdOrderById(labCase.id()));
            given.forEach(w -> wanted.save(new WantedRow(labCase.id(), w)));
            return true;
        }
        return false;
    }

    /** Records the decision on a recovery path and moves the case on. */
    @Transactional
    public void decide(String number, int version, String path, String reason, String protocol, String who) {
        LabCase labCase = find(number);
        expectVersion(labCase, version);
        labCase.decide(path, reason, protocol);
        moveTo(labCase, path.equals("decline") ? Stage.DECLINED : Stage.TRIAGED, who);
    }

    @Transactional
    public void moveTo(String number, Stage stage, String who) {
        moveTo(find(number), stage, who);
    }

    private void moveTo(LabCase labCase, Stage stage, String who) {
        if (labCase.stage() != stage) {
            labCase.moveTo(stage);
            stages.save(new StageRow(labCase.id(), stage, clock.instant(), who));
        }
        events.changed(labCase.number(), "case");
    }

    @Transactional(readOnly = true)
    public CaseViews.Docket docket(String number) {
        LabCase c = find(number);
        return new CaseViews.Docket(c.number(), c.customer(), deviceOf(c).view(), c.story(), c.stage().word(), c.owner(),
                c.path(), c.pathReason(), c.protocol(), factsOf(c), wantedOf(c),
                stages.findByCaseIdOrderById(c.id()).stream().map(StageRow::view).toList(), custody.count(number),
                c.createdAt(), c.version());
    }

    /** Cases that are neither closed nor declined, newest first. */
    @Transactional(readOnly = true)
    public List<CaseViews.Summary> open() {
        return summaries(cases.findByStageNotInOrderByCreatedAtDesc(List.of(Stage.CLOSED, Stage.DECLINED)));
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<CaseViews.Summary> all() {
        return summaries(cases.findAll(Sort.by(Sort.Direction.DESC, "createdAt")));
    }

    private List<CaseViews.Summary> summaries(List<LabCase> found) {
        return found.stream().map(c -> c.summary(deviceOf(c))).toList();
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return cases.count() == 0;
    }

    /** The record's own key, for other features' tables. @throws Refusal when there is no such case */
    @Transactional(readOnly = true)
    public long id(String number) {
        return find(number).id();
    }

    @Transactional(readOnly = true)
    public String number(long id) {
        return cases.findById(id).orElseThrow().number();
    }

    private List<CaseViews.Fact> factsOf(LabCase c) {
        return facts.findByCaseIdAndWithdrawnFalseOrderById(c.id()).stream().map(FactRow::view).toList();
    }

    private List<WantedLine> wantedOf(LabCase c) {
        return wanted.findByCaseIdOrderById(c.id()).stream().map(WantedRow::line).toList();
    }

    private DeviceRecord deviceOf(LabCase c) {
        return devices.findByCaseId(c.id()).orElseThrow();
    }

    private LabCase find(String number) {
        return cases.findByNumber(number).orElseThrow(() -> missing(number));
    }

    private static Refusal missing(String number) {
        return Refusal.missing("There is no case " + number + "; check the number.");
    }

    private static void expectVersion(LabCase labCase, Integer version) {
        if (version == null || version != labCase.version()) {
            throw Refusal.conflict("Somebody else changed " + labCase.number() + " since you opened it; nothing of yours was "
                    + "saved. What you typed is still here: look at the new state, then save again.");
        }
    }

    /** @return the capacity in bytes */
    private static long check(CaseForm form) {
        try {
            Facts.of(grouped(form.facts(), "told"), grouped(form.facts(), "observed"), PROTOCOL);
        } catch (Facts.UnknownFact e) {
            throw Refusal.badInput("facts", e.getMessage());
        }
        if (PROTOCOL.fact("medium.type").orElseThrow().values().stream().noneMatch(form.device().type()::equals)) {
            throw Refusal.badInput("device.type", "'" + form.device().type() + "' is not a device type; choose one of the list.");
        }
        form.wanted().stream().flatMap(w -> w.kinds().stream()).filter(k -> !Kinds.isKnownWord(k)).findFirst().ifPresent(k -> {
            throw Refusal.badInput("wanted", "'" + k + "' is not a kind of file; take one like image, document or jpg.");
        });
        return Capacity.parse(form.device().capacity());
    }

    private static Map<String, List<String>> grouped(List<CaseForm.Fact> facts, String source) {
        return facts.stream().filter(f -> f.source().equals(source)).collect(Collectors.groupingBy(CaseForm.Fact::code,
                LinkedHashMap::new, Collectors.mapping(CaseForm.Fact::value, Collectors.toList())));
    }

    private String freeNumber() {
        String month = LocalDate.now(clock.withZone(settings.zone())).format(DateTimeFormatter.ofPattern("yyMM"));
        return "BR-" + month + "-%04d".formatted(cases.nextNumber() % 10_000);
    }
}
