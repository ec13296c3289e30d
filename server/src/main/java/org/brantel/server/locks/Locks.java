package org.brantel.server.locks;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.protocol.LabProtocol;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The one place that decides whether a device may be touched, and what of a customer's files may be looked at. */
@Service
public class Locks {

    private static final Set<Stage> OVER = Set.of(Stage.DECLINED, Stage.CLOSED);

    private final Cases cases;
    private final LabProtocol protocol;
    private final Releases releases;
    private final List<Bar> bars;
    private final Happenings happenings;
    private final Clock clock;

    Locks(Cases cases, LabProtocol protocol, Releases releases, List<Bar> bars, Happenings happenings, Clock clock) {
        this.cases = cases;
        this.protocol = protocol;
        this.releases = releases;
        this.bars = bars;
        this.happenings = happenings;
        this.clock = clock;
    }

    /**
     * @throws Refusal saying why, and what would open the lock, when no device of a case must be powered or read now
     */
    @Transactional(readOnly = true)
    public void touch(String number) {
        CaseViews.Docket docket = cases.docket(number);
        List<String> why = ofCase(docket);
        if (!why.isEmpty()) {
            throw Refusal.locked(why.get(0));
        }
        List<List<String>> each =
                docket.said().devices().stream().map(d -> ofDevice(docket, d)).toList();
        if (each.stream().noneMatch(List::isEmpty)) {
            throw Refusal.locked(each.get(0).get(0));
        }
    }

    /**
     * @param device one of the case's
     * @throws Refusal as {@link #touch(String)}, when this device must not be powered or read now
     */
    @Transactional(readOnly = true)
    public void touch(String number, long device) {
        untouchable(number, device).stream().findFirst().ifPresent(why -> {
            throw Refusal.locked(why);
        });
    }

    /** Why a device must not be powered or read now; empty when it may. */
    @Transactional(readOnly = true)
    public List<String> untouchable(String number, long device) {
        CaseViews.Docket docket = cases.docket(number);
        return docket.said().devices().stream()
                .filter(d -> d.id() == device)
                .findFirst()
                .map(d -> untouchable(docket, d))
                .orElseGet(() -> List.of("This device was taken off the intake of " + number
                        + "; enter it there again before it is touched."));
    }

    /** Why each device of a case must not be powered or read now, by its key. */
    @Transactional(readOnly = true)
    public Map<Long, List<String>> untouchable(CaseViews.Docket docket) {
        return docket.said().devices().stream()
                .collect(Collectors.toMap(CaseViews.Device::id, d -> untouchable(docket, d)));
    }

    /**
     * @param what as a person would say it: {@code the preview}
     * @throws Refusal when the customer has not agreed to it
     */
    @Transactional(readOnly = true)
    public void look(String number, Look needed, String what) {
        String closed = closed(number, needed, what);
        if (closed != null) {
            throw Refusal.locked(closed);
        }
    }

    /** Why it stays closed, and what would open it; null where the customer agreed to it. */
    @Transactional(readOnly = true)
    public @Nullable String closed(String number, Look needed, String what) {
        Look allowed = allowed(number);
        return allowed.allows(needed)
                ? null
                : "The customer of " + number + " agreed to " + allowed.words() + " only, so " + what
                        + " stays closed; record their yes to " + needed.words() + " in the case first.";
    }

    @Transactional(readOnly = true)
    public boolean mayLook(String number, Look needed) {
        return allowed(number).allows(needed);
    }

    private Look allowed(String number) {
        return Look.ofConsent(cases.docket(number).said().consent().look());
    }

    /** @param device one of the case's; null for the one that leads */
    @Transactional(readOnly = true)
    public LockViews.State state(String number, @Nullable Long device) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device of = docket.device(device);
        return new LockViews.State(
                of.id(),
                rules(docket, of),
                untouchable(docket, of),
                Look.ofConsent(docket.said().consent().look()).name().toLowerCase(Locale.ROOT));
    }

    private List<String> untouchable(CaseViews.Docket docket, CaseViews.Device device) {
        List<String> why = ofCase(docket);
        why.addAll(ofDevice(docket, device));
        return why;
    }

    /** What bars every device of a case. */
    private List<String> ofCase(CaseViews.Docket docket) {
        List<String> why = new ArrayList<>();
        if (docket.course().hold() != null) {
            why.add(docket.number() + " is on hold until "
                    + docket.course().hold().until() + " ("
                    + docket.course().hold().reason() + "); take it up again before its device is touched.");
        }
        if (OVER.contains(docket.course().stage())) {
            why.add(docket.number() + " is " + docket.course().stage().word()
                    + "; decide on another path before its device is touched.");
        }
        return why;
    }

    private List<String> ofDevice(CaseViews.Docket docket, CaseViews.Device device) {
        List<String> why = new ArrayList<>();
        if (docket.course().stage() != Stage.DECLINED && docket.pathOf(device) == RecoveryPath.DECLINE) {
            why.add("The work on " + device.which()
                    + " was declined; decide on another path for it before it is touched.");
        }
        bars.stream().flatMap(b -> b.why(docket, device)).forEach(why::add);
        rules(docket, device).stream()
                .filter(r -> r.forbids() && r.release() == null)
                .forEach(r -> why.add("A stop rule forbids powering or reading "
                        + (docket.hasSeveral() ? device.which() : "this device") + ": "
                        + String.join(", ", r.because())
                        + ". It takes a release with a reason, or what the bench saw that ends it."));
        return why;
    }

    private List<LockViews.Rule> rules(CaseViews.Docket docket, CaseViews.Device device) {
        Protocol words = protocol.triage().protocol();
        List<Release> standing = standing(docket, device);
        return stops(docket, device).stream()
                .map(s -> new LockViews.Rule(
                        s.code(),
                        s.say(),
                        s.because().stream().map(f -> say(words, f)).distinct().toList(),
                        s.forbidsPower(),
                        standing.stream()
                                .filter(r -> r.rule().equals(s.code()) && r.restsOn(facts(s)))
                                .findFirst()
                                .map(Release::view)
                                .orElse(null)))
                .toList();
    }

    private List<Release> standing(CaseViews.Docket docket, CaseViews.Device device) {
        return releases.findByCaseIdAndEndedAtIsNull(cases.id(docket.number())).stream()
                .filter(r -> r.isOf(device.id()))
                .toList();
    }

    private List<Ranking.Stop> stops(CaseViews.Docket docket, CaseViews.Device device) {
        return protocol.triage().stopRules(protocol.facts(docket.stated(device)));
    }

    private static String facts(Ranking.Stop stop) {
        return String.join(" ", new TreeSet<>(stop.because()));
    }

    private static String say(Protocol words, String fact) {
        String[] parts = fact.split("=", 2);
        return parts.length == 2 ? words.say(parts[0], parts[1]) : fact;
    }

    /**
     * Lets a device be touched although a rule forbids it, until the facts that the rule rests on are others.
     *
     * @param id of the device; null for the one that leads
     */
    @Transactional
    public LockViews.State release(String number, @Nullable Long id, String rule, String reason, String who) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device device = docket.device(id);
        if (reason == null || reason.isBlank()) {
            throw Refusal.badInput(
                    "reason", "A release needs a reason; write down why the device may be touched all the same.");
        }
        Ranking.Stop stop = stops(docket, device).stream()
                .filter(s -> s.code().equals(rule))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict("The stop rule '" + rule + "' does not hold for "
                        + docket.whichOf(device) + (docket.hasSeveral() ? "of " : "") + number
                        + ", so there is nothing to release."));
        if (!stop.forbidsPower()) {
            throw Refusal.badInput(
                    "rule",
                    "The stop rule '" + rule
                            + "' forbids neither power nor reading at the bench, so it needs no release.");
        }
        long caseId = cases.id(number);
        List<Release> before = standing(docket, device).stream()
                .filter(r -> r.rule().equals(rule))
                .toList();
        before.stream().filter(r -> r.restsOn(facts(stop))).findFirst().ifPresent(r -> {
            throw Refusal.conflict("This rule was released already, by "
                    + r.view().who() + ": " + r.view().reason());
        });
        before.forEach(r -> r.end(clock.instant()));
        releases.flush();
        try {
            releases.saveAndFlush(
                    new Release(caseId, device.id(), rule, facts(stop), reason.strip(), who, clock.instant()));
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("Somebody else released this rule at the same moment; look at their reason first.");
        }
        happenings.tell(
                number,
                who,
                "released the device from a stop rule",
                docket.whichOf(device) + rule + " ("
                        + String.join(
                                ", ",
                                stop.because().stream()
                                        .map(f -> say(protocol.triage().protocol(), f))
                                        .toList())
                        + "); reason: " + reason.strip(),
                Topic.CASE);
        return state(number, device.id());
    }

    /** Takes a release back. */
    @Transactional
    public LockViews.State withdraw(String number, @Nullable Long id, String rule, String who) {
        CaseViews.Docket docket = cases.docket(number);
        CaseViews.Device device = docket.device(id);
        Release standing = standing(docket, device).stream()
                .filter(r -> r.rule().equals(rule))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict("No release of '" + rule + "' stands for " + number + "."));
        standing.end(clock.instant());
        happenings.tell(number, who, "took a release back", docket.whichOf(device) + rule, Topic.CASE);
        return state(number, device.id());
    }
}
